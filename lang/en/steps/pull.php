<?php

declare(strict_types=1);

return [
    'label' => 'pull',
    'about' => '`faces`, one after the other; `distance`, below zero takes away',
    'sentence' => 'Pull {name} {faces} by {distance} {unit}',
    'too-much' => 'The part has too many faces for this. Do it before the part gets so fine.',
    'refused' => 'These faces cannot be moved so.',
    'refused-one' => 'This face cannot be moved so.',
    'fields' => ['faces' => 'faces'],
];
