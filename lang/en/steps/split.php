<?php

declare(strict_types=1);

return [
    'label' => 'split',
    'about' => '`body`; `plane`, `face`, `offset`; `keep`: `up`, the side the plane looks to, or `down`',
    'sentence' => 'Split {name}: {body} at the {>plane}; what stays is {keep}',
    'fields' => ['keep' => 'which side stays'],
    'choices' => [
        'keep' => ['up' => 'the side the plane looks to', 'down' => 'the other side'],
    ],
];
