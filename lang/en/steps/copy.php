<?php

declare(strict_types=1);

return [
    'label' => 'copy',
    'about' => '`body`; `times` (1 to 50); each copy further by `x`, `y`, `z`',
    'sentence' => 'Copy {name}: {body} {times} times, each further by {x}, {y}, {z} {unit}',
    'too-much' => 'The copies would cross each other in very many places. Use fewer copies, or set them further apart.',
    'fields' => ['times' => 'number of copies', 'x' => 'to the right', 'y' => 'to the back', 'z' => 'up'],
];
