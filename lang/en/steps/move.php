<?php

declare(strict_types=1);

return [
    'label' => 'move',
    'about' => '`body`; by `x`, `y`, `z`',
    'sentence' => 'Move {name}: {body} by {x}, {y}, {z} {unit}',
    'fields' => ['x' => 'to the right', 'y' => 'to the back', 'z' => 'up'],
];
