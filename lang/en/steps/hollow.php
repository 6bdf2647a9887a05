<?php

declare(strict_types=1);

return [
    'label' => 'hollow',
    'about' =>
        '`wall`; `faces` that are open; `side`: walls `inside` of the part or `outside`, laid around it; `others`: faces whose wall is `second` instead',
    'sentence' =>
        'Hollow out {name} to a wall of {wall} {unit} {side}, open at {faces}[editing=1 or others!=|; a wall of {second} {unit} at {others}]',
    'too-much' => 'The part has too many faces for this. Do it before the part gets so fine.',
    'refused' => 'This cannot be hollowed out so.',
    'fields' => [
        'side' => 'where its walls lie',
        'faces' => 'open faces',
        'others' => 'faces with another wall',
        'second' => 'wall there',
    ],
    'choices' => [
        'side' => ['inside' => 'inside of it', 'outside' => 'laid around it'],
    ],
];
