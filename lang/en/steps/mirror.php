<?php

declare(strict_types=1);

return [
    'label' => 'mirror',
    'about' =>
        '`of`: `body` with `body`, or `step` with `source`, the id of a step that makes something; `plane`, `face`, `offset`; `keep`: `both` or the `image` alone',
    'sentence' => 'Mirror {name}: {>of} at the {>plane}[ {keep}]',
    'too-much' => 'The mirror image would cross the part in very many places. Mirror half of the part, not all of it.',
    'fields' => ['keep' => 'what stays'],
    'choices' => [
        'keep' => ['both' => 'and keeps the first half', 'image' => 'and keeps only the image'],
    ],
];
