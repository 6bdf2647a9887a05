<?php

declare(strict_types=1);

return [
    'label' => 'pyramid',
    'about' =>
        '`sides`; `round` at the base and `tip` at the top (0 for a point), `across` the `corners` or the `flats`; `height`; across the corners a corner lies at +x, across the flats a flat does',
    'sentence' =>
        'Place a pyramid {name} with {sides} sides, {round} {across} at the base and {tip} at the top, {height} {unit} high, {>stands}',
    'fields' => ['round' => 'width across at the base', 'tip' => 'width across at the top'],
];
