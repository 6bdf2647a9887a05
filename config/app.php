<?php

return [
    'name' => env('APP_NAME', 'Cubo'),
    'timezone' => env('APP_TIMEZONE', 'UTC'),
];
