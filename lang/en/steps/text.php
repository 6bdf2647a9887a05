<?php

declare(strict_types=1);

return [
    'label' => 'text',
    'about' => '`text`; `height` of a capital; `depth`; `face`, `u`, `v`, `angle`; `effect`: `add` or `cut`',
    'sentence' =>
        'Write {name} {text} on {face}, capitals {height} {unit} high, at {u}, {v}, turned by {angle:turn in degrees}°, {depth} {unit} deep;',
    'too-much' => 'The letters would cross the part in very many places. Write less, or larger.',
    'fields' => ['height' => 'height of a capital', 'angle' => 'turn'],
    'choices' => [
        'effect' => ['add' => 'stands out', 'cut' => 'is cut in'],
    ],
];
