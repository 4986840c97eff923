<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'database'),
    'lifetime' => 60 * 12, // a working day: nobody signs in again in a basement
    'expire_on_close' => false,
    'encrypt' => true,
    'connection' => null,
    'table' => 'sessions',
    'store' => env('SESSION_STORE'),
    'lottery' => [2, 100],
    'cookie' => 'escapement_session',
    'path' => '/',
    'domain' => null,
    'secure' => (bool) env('SESSION_SECURE_COOKIE', str_starts_with((string) env('APP_URL'), 'https:')),
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
    'files' => storage_path('framework/sessions'),
];
