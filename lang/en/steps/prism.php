<?php

declare(strict_types=1);

return [
    'label' => 'prism',
    'about' =>
        '`sides`; `round`, `across` the `corners` or the `flats`; `height`; across the corners a corner lies at +x, across the flats a flat does',
    'sentence' => 'Place a prism {name} with {sides} sides, {round} {across}, {height} {unit} high, {>stands}',
    'fields' => ['round' => 'width across'],
];
