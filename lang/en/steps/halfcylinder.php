<?php

declare(strict_types=1);

return [
    'label' => 'half cylinder',
    'about' => '`by`, `round`, `length` along x; it lies on its flat',
    'sentence' => 'Place a half cylinder {name}, {>round}, length {length} {unit}, {>stands}',
    'lies' => 'the middle of its flat',
];
