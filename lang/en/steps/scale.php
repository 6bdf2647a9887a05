<?php

declare(strict_types=1);

return [
    'label' => 'scale',
    'about' =>
        '`body`; `by`: `all` with `factor`, or `each` with `factorx`, `factory`, `factorz`, about the origin; or `size`: to the `size` along the `axis`, whose low side stays',
    'sentence' =>
        'Scale {name}: {body} {by} [{axis} to {size} {unit}; the other side stays][by {factor} about the origin][by {factorx}, {factory}, {factorz} about the origin]',
    'fields' => [
        'by' => 'how',
        'factor' => 'factor',
        'factorx' => 'factor to the right',
        'factory' => 'factor to the back',
        'factorz' => 'factor up',
        'size' => 'size along the axis',
    ],
    'choices' => [
        'by' => ['all' => 'evenly', 'each' => 'each way by its own', 'size' => 'along one axis'],
        'axis' => ['x' => 'left to right', 'y' => 'front to back', 'z' => 'upward'],
    ],
];
