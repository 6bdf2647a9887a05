<?php

declare(strict_types=1);

return [
    'label' => 'repeat',
    'about' =>
        '`of`, `source`, `body` as for `mirror`; `way`: `row` (`count` with the first, further by `x`, `y`, `z`), `grid` (also `rows`, further by `x2`, `y2`, `z2`) or `around` (`count`, `about` an axis through `x`, `y`, `z`, `angle` over all); of all these only every (`every`) 2nd, 3rd ... with the first. In the sizes and places of the step that is repeated `n` counts: 0 in itself, 1, 2, 3 ... in its copies',
    'sentence' =>
        'Repeat {name}: {>of} {way}, {count} in all[way=around| about {about} through {x}, {y}, {z}, {angle:angle over all in degrees}° over all][way=row,grid|, each further by {x}, {y}, {z} {unit}][way=grid|, in {rows} rows, each further by {x2}, {y2}, {z2} {unit}] (every {every:of them only every so many}. of them)',
    'too-much' =>
        '[way=around|The copies would cross each other in very many places. Use fewer copies, or turn about an axis that does not go through the shape: a round shape turned about its own middle is the same shape.][way=row,grid|The copies would cross each other in very many places. Use fewer copies, or set them further apart than the shape is wide.]',
    'fields' => [
        'way' => 'how',
        'count' => 'how many with the first',
        'rows' => 'rows',
        'x2' => 'to the right from row to row',
        'y2' => 'to the back from row to row',
        'z2' => 'up from row to row',
        'angle' => 'angle over all',
        'every' => 'of them only every',
    ],
    'choices' => [
        'way' => ['row' => 'in a row', 'grid' => 'in a grid', 'around' => 'around an axis'],
        'about' => ['z' => 'the upright axis', 'x' => 'the left-right axis', 'y' => 'the front-back axis'],
    ],
];
