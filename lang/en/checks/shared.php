<?php

declare(strict_types=1);

return [
    'sorts' => ['length' => 'length', 'angle' => 'degrees', 'share' => 'percent', 'off' => 'how far off', 'exact' => ''],
    'headings' => [
        'sizes' => 'More sizes and angles',
        'holes' => 'More about holes and slots',
        'rounds' => 'Rounds, cones and edges',
        'form' => 'Symmetry and place',
        'whole' => 'The whole part',
        'printing' => 'For printing',
        'making' => 'How it is made',
    ],
];
