<?php

declare(strict_types=1);

return [
    // megabytes that made parts may take in storage/app/parts
    'parts_mb' => (int) env('PARTS_MB', 2048),
];
