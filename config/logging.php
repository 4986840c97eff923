<?php

declare(strict_types=1);

use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\StreamHandler;

// Beside what the framework brings: one object of JSON a line, with the number of the request (NamedRequest), for a server's log.
return [
    'default' => env('LOG_CHANNEL', 'single'),
    'channels' => [
        'json' => [
            'driver' => 'monolog',
            'level' => env('LOG_LEVEL', 'info'),
            'handler' => StreamHandler::class,
            'handler_with' => ['stream' => storage_path('logs/escapement.json')],
            'formatter' => JsonFormatter::class,
        ],
    ],
];
