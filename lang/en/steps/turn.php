<?php

declare(strict_types=1);

return [
    'label' => 'turn',
    'about' => '`body`; `angle` in degrees, right-handed; `about` `z`, `x` or `y` through `x`, `y`, `z`, or a straight `edge`',
    'sentence' => 'Turn {name}: {body} by {angle:angle in degrees}° about {about} [{edge}][about!=edge|through {x}, {y}, {z}]',
    'choices' => [
        'about' => [
            'z' => 'the upright axis',
            'x' => 'the left-right axis',
            'y' => 'the front-back axis',
            'edge' => 'the edge',
        ],
    ],
];
