<?php

declare(strict_types=1);

return [
    'label' => 'half ball',
    'about' => '`by`, `round`; at a place the middle of its flat lies there',
    'sentence' => 'Place a half ball {name}, {>round} {unit}, {>stands}',
    'lies' => 'the middle of its flat',
];
