<?php

declare(strict_types=1);

return [
    'label' => 'ring',
    'about' => '`by`, `round` outside, `thick`; it lies flat, at a place its middle lies there',
    'sentence' => 'Place a ring {name}, {>round} outside, {thick} {unit} thick, {>stands}',
    'lies' => 'its middle',
    'fields' => ['thick' => 'thickness'],
];
