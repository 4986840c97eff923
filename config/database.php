<?php

declare(strict_types=1);

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => [
            'driver' => 'mariadb',
            'host' => explode(',', (string) env('DB_HOST', '127.0.0.1')), // several: the first that is ready (OrderedHosts)
            'port' => env('DB_PORT', '3307'),
            'unix_socket' => env('DB_SOCKET', ''),
            'database' => env('DB_DATABASE', 'escapement'),
            'username' => env('DB_USERNAME', 'escapement'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_ci',
            'prefix' => '',
            'strict' => true,
            'engine' => 'InnoDB',
            'timezone' => '+00:00',
            'options' => [\PDO::ATTR_EMULATE_PREPARES => false, \PDO::ATTR_TIMEOUT => 5],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
