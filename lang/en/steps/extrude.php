<?php

declare(strict_types=1);

return [
    'label' => 'extrude',
    'about' =>
        '`sketch`: the id of a sketch before it; `regions`: `"all"` or a list of numbers and keys; `extent`: `distance`, `both` (`distance` and, the other way, `second`), `middle` (`distance` in all), `through` everything, up to a `face` (`until`, and `past` it) or up to the height of a corner or level edge (`level`, and `past` it); `from`: begins at the `sketch` or at a `face` level with it (`base`), `start` further on; `taper` in degrees, narrower away from the sketch; `direction`: `up` or `down`; `effect`',
    'sentence' =>
        'Extrude {name} from {sketch}, region {regions:regions, all or numbers}, {extent}[extent=distance,middle| {distance} {unit}][extent=both| {distance} and {second} {unit}][ {until}][ {level}][ and {past} {unit} past it], [{direction}, ]beginning {start} {unit} from {from}[ {base}], taper {taper:taper in degrees}°',
    'fields' => [
        'extent' => 'how far',
        'second' => 'distance the other way',
        'until' => 'face it goes up to',
        'level' => 'corner or edge it goes up to',
        'past' => 'distance past that',
        'from' => 'where it begins',
        'base' => 'face it begins at',
        'start' => 'distance from there where it begins',
        'taper' => 'taper',
    ],
    'choices' => [
        'extent' => [
            'distance' => 'by a distance',
            'both' => 'both ways',
            'middle' => 'evenly to both sides',
            'through' => 'through everything',
            'face' => 'up to a face',
            'level' => 'up to the height of',
        ],
        'from' => ['sketch' => 'the sketch', 'face' => 'the face'],
    ],
];
