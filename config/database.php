<?php

declare(strict_types=1);

return [
    'default' => env('DB_CONNECTION', 'pgsql'),
    'connections' => [
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '54329'),
            'database' => env('DB_DATABASE', 'cubo'),
            'username' => env('DB_USERNAME', 'cubo'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8',
            'prefix' => '',
            'search_path' => 'public',
            'sslmode' => 'prefer',
            // connecting takes longer than all queries of a request; the settings are cached by another process, so they must not look at this one
            'options' => env('DB_PERSISTENT', true) ? [PDO::ATTR_PERSISTENT => true] : [],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
