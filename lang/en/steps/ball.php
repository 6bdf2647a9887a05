<?php

declare(strict_types=1);

return [
    'label' => 'ball',
    'about' => '`by`, `round`; at a place its middle lies there',
    'sentence' => 'Place a ball {name}, {>round} {unit}, {>stands}',
    'lies' => 'its middle',
];
