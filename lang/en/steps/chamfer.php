<?php

declare(strict_types=1);

return [
    'label' => 'chamfer',
    'about' =>
        '`edges`, `faces`; `by`: `one` (`distance`), `two` (`distance`, `second`) or `angle` (`distance`, `angle`); `side`: which face the first distance lies on',
    'sentence' =>
        'Chamfer {name} {>edges}, {by} {distance} {unit}[by=two| and {second} {unit}, {side}][by=angle| and {angle:angle in degrees}°, {side}]',
    'too-much' => 'There is too much around these edges. Pick fewer of them in one step, or round them before the part gets so fine.',
    'refused' => 'These edges cannot be cut off so.',
    'fields' => ['by' => 'how it is given', 'second' => 'distance on the other face', 'side' => 'which face first'],
    'choices' => [
        'by' => ['one' => 'by one distance', 'two' => 'by two distances', 'angle' => 'by a distance and an angle'],
        'side' => ['first' => 'one way', 'second' => 'the other way'],
    ],
];
