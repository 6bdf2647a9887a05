<?php

declare(strict_types=1);

return [
    'connections' => [
        'database' => [
            'driver' => 'database',
            'connection' => null,
            'table' => 'jobs',
            'queue' => 'default',
            // longer than any job may take; what a worker that died was at is released sooner (cubo:release)
            'retry_after' => 300,
            'after_commit' => false,
        ],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
];
