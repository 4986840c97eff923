<?php

declare(strict_types=1);

// Coils of a bench: what a hand can do, as bits. `on` and `off` are the inputs that writing 1 and 0 stands for, null: nothing. Several
// in a row carry their place as {n}. Rule: docs/rules.md#bench-registers.

use Escapement\Core\Bench\Coil;

$pair = static fn(string $do, string $key): array => [['do' => $do, $key => true], ['do' => $do, $key => false]];
$coil = static fn(int $at, string $name, array $pair): Coil => new Coil($at, $name, $pair[0], $pair[1]);

return [
    $coil(0, 'utility_disconnect open', $pair('utility_disconnect', 'open')),
    $coil(1, 'fuel blocked', $pair('fuel', 'blocked')),
    $coil(2, 'generator_breaker closed', $pair('generator_breaker', 'closed')),
    $coil(3, 'panel_main closed', $pair('panel_main', 'closed')),
    $coil(4, 'selector auto', [['do' => 'selector', 'to' => 'auto'], ['do' => 'selector', 'to' => 'off']]),
    $coil(5, 'test without load', [['do' => 'test', 'with_load' => false], ['do' => 'test_stop']]),
    $coil(6, 'test with load', [['do' => 'test', 'with_load' => true], ['do' => 'test_stop']]),
    $coil(7, 'engine_reset', [['do' => 'engine_reset'], null]),
    $coil(8, 'engine_trip', [['do' => 'engine_trip', 'reason' => 'by hand'], null]),
    $coil(9, 'hand start', [['do' => 'hand_start'], ['do' => 'hand_stop']]),
    $coil(10, 'door open', $pair('door', 'open')),
    $coil(11, 'charger on', $pair('charger', 'on')),
    ...array_map(static fn(int $n): Coil => $coil(16 + $n, "bank element $n", [
        ['do' => 'bank', 'element' => $n, 'on' => true], ['do' => 'bank', 'element' => $n, 'on' => false],
    ]), range(0, 31)),
    ...array_map(static fn(int $n): Coil => $coil(47 + $n, "CT L$n reversed", [
        ['do' => 'ct', 'phase' => $n, 'reversed' => true], ['do' => 'ct', 'phase' => $n, 'reversed' => false],
    ]), range(1, 3)),
];
