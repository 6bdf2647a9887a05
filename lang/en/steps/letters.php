<?php

declare(strict_types=1);

return [
    'label' => 'letters',
    'about' =>
        '`text`; `height` of a capital; `depth`; `lie`: `upright`, read from the front, or `flat`; at a place their middle lies there',
    'sentence' => 'Place letters {name} {text}, capitals {height} high, {depth} {unit} thick, {lie}, {>stands}',
    'lies' => 'their middle',
    'too-much' => 'The letters would cross the part in very many places. Write less, or larger.',
    'fields' => ['height' => 'height of a capital', 'depth' => 'thickness', 'lie' => 'how they lie'],
    'choices' => [
        'lie' => ['upright' => 'upright', 'flat' => 'lying flat'],
    ],
];
