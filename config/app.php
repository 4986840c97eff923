<?php

declare(strict_types=1);

return [
    'name' => 'Escapement',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1'),
    'timezone' => 'UTC', // a site has its own zone; what is stored is UTC
    'locale' => 'en',
    'fallback_locale' => 'en',
    'faker_locale' => 'en_US',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    'previous_keys' => [],
    // Where the keys lie that seal records: beside the database, never in it. Nodes share the folder.
    'keys' => env('ESCAPEMENT_KEYS'),
    'maintenance' => ['driver' => 'file', 'store' => 'database'],
    // Shown on the sign-in page, so that a first look needs no manual. Off wherever real companies sign in.
    // folder outside for the daily lists of record heads
    // Webhooks to loopback, private networks and plain http: only where a machine is for trying.
    'webhooks_private' => (bool) env('ESCAPEMENT_WEBHOOKS_PRIVATE', false),
    'digests' => env('ESCAPEMENT_DIGESTS'),
    'show_demo_sign_in' => (bool) env('ESCAPEMENT_DEMO', false),
];
