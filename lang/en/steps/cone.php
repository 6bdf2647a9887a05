<?php

declare(strict_types=1);

return [
    'label' => 'cone',
    'about' => 'as the cylinder, with `round` at the base and `tip` at the far end, either of which may be 0',
    'sentence' =>
        'Place a cone {name}, {by} {round:$by at the base} to {tip:$by at the far end}, length {length} {unit}, {along}, {>stands}',
    'lies' => 'its base',
    'fields' => [
        'by' => 'how the rounds are given',
        'round' => 'round at the base',
        'tip' => 'round at the far end',
    ],
];
