<?php

declare(strict_types=1);

return [
    'label' => 'round',
    'about' => '`edges`, and all edges around `faces`; `radius`',
    'sentence' => 'Round {name} {>edges}, radius {radius} {unit}',
    'too-much' => 'There is too much around these edges. Pick fewer of them in one step, or round them before the part gets so fine.',
    'refused' => 'These edges cannot be rounded so.',
    'fields' => ['radius' => 'radius'],
];
