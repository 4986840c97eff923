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
    // Addresses of proxies in front, parted by commas: only what they say of the visitor is believed.
    'proxies' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('ESCAPEMENT_PROXIES', ''))))),
    // Names by which this is reached beside that of APP_URL and this machine's own.
    'hosts' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('ESCAPEMENT_HOSTS', ''))))),
    // Webhooks to loopback, private networks and plain http: only where a machine is for trying.
    'webhooks_private' => (bool) env('ESCAPEMENT_WEBHOOKS_PRIVATE', false),
    // A folder outside for the daily lists of record heads.
    'digests' => env('ESCAPEMENT_DIGESTS'),
    // Shown on the sign-in page, so that a first look needs no manual. Off wherever real companies sign in.
    'show_demo_sign_in' => (bool) env('ESCAPEMENT_DEMO', false),
];
