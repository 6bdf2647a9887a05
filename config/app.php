<?php

declare(strict_types=1);

return [
    'name' => env('APP_NAME', 'Cubo'),
    'timezone' => env('APP_TIMEZONE', 'UTC'),
];
