<?php

declare(strict_types=1);

// Without a server nothing leaves the machine: what would be mailed stands on the page of notices.
return [
    'default' => env('MAIL_MAILER', 'array'),
    'mailers' => [
        'smtp' => [
            'transport' => 'smtp', 'host' => env('MAIL_HOST', '127.0.0.1'), 'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'), 'password' => env('MAIL_PASSWORD'), 'scheme' => env('MAIL_SCHEME'), 'timeout' => 15,
        ],
        'array' => ['transport' => 'array'],
        'log' => ['transport' => 'log'],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'escapement@localhost.localdomain'), 'name' => env('MAIL_FROM_NAME', 'Escapement')],
];
