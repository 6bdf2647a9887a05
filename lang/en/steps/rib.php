<?php

declare(strict_types=1);

return [
    'label' => 'rib',
    'about' =>
        '`sketch` with an open line; `thickness`; `lie`: `flat` in the sketch, evenly to both its sides, filled to the `side` that is `near` or the `other`, or `upright` on it, in its `direction`; it grows to the next faces',
    'sentence' =>
        'Make a rib {name} from the open line in {sketch}, {thickness} {unit} thick, {lie}, [{side} is filled][{direction}], up to the next faces',
    'fields' => ['lie' => 'how it lies', 'thickness' => 'thickness', 'side' => 'which side is filled'],
    'choices' => [
        'lie' => ['flat' => 'flat in the sketch', 'upright' => 'upright on the sketch'],
        'side' => ['near' => 'the nearer side', 'other' => 'the other side'],
    ],
];
