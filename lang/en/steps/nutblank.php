<?php

declare(strict_types=1);

return [
    'label' => 'nut blank',
    'about' => '`width` across the flats, `height`; `by`, `bore`; a flat faces +x',
    'sentence' =>
        'Place a nut blank {name}, {width} across its flats, {height} {unit} thick, bore {by} {bore:$by of the bore} {unit}, {>stands}',
    'fields' => [
        'width' => 'width across flats',
        'height' => 'thickness',
        'bore' => 'bore, diameter or radius',
    ],
];
