<?php

declare(strict_types=1);

return [
    'label' => 'block',
    'about' =>
        '`width` (x), `depth` (y), `height` (z); `from`: `middle` of its base or front left `corner`; `edges`: `sharp`, all (`round`) or the `upright` ones rounded, all (`cut`) or the upright ones (`uprightcut`) chamfered, by `bevel`',
    'sentence' => 'Place a block {name}, {width} by {depth} by {height} {unit}, its edges {edges}[ by {bevel} {unit}], {>stands}',
    'lies' => '{from}',
    'fields' => ['from' => 'measured from', 'edges' => 'its edges', 'bevel' => 'size of its edges'],
    'choices' => [
        'from' => ['middle' => 'middle of its base', 'corner' => 'front left corner'],
        'edges' => [
            'sharp' => 'sharp',
            'round' => 'all rounded',
            'upright' => 'upright ones rounded',
            'cut' => 'all chamfered',
            'uprightcut' => 'upright ones chamfered',
        ],
    ],
];
