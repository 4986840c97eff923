<?php

declare(strict_types=1);

return [
    // First port of the bench; each installation takes two: Modbus TCP, and lines of JSON.
    // Devices may lie on any port of this machine, and not only on a company's own benches: where a machine is for trying.
    'any_loopback' => (bool) env('ESCAPEMENT_DEVICES_LOOPBACK', false),
    'port' => (int) env('ESCAPEMENT_BENCH_PORT', 15_020),
    // Bound elsewhere than to loopback on purpose, a token is asked of every client.
    'host' => env('ESCAPEMENT_BENCH_HOST', '127.0.0.1'),
    'token' => env('ESCAPEMENT_BENCH_TOKEN'),
    'most' => 50,
];
