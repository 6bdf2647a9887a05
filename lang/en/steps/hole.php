<?php

declare(strict_types=1);

return [
    'label' => 'hole',
    'about' =>
        '`where`: `points` (every point that stands alone in `sketch`; `direction`) or `face` (`face`, `u`, `v`); `by`: `diameter` or `radius` with `round`, or `screw` with `screw` and `fit` (`fine`, `medium`, `coarse`: clearances of ISO 273); `extent`: `through` or `depth` (`depth` to where the full width ends, `bottom`: `point` of 118 degrees or `flat`); `head`: `plain`, `bore` (`wide`, `deep`) or `sink` (`wide`, `angle`)',
    'sentence' =>
        'Drill {name} {where} [{sketch}][{face} at {u}, {v}], {by} [{screw} {fit}][{round:$by} {unit}], {extent}[ {depth} {unit} {bottom}], {head}[head=bore| {wide} by {deep} {unit}][head=sink| {wide} {unit} at {angle}°][ {direction}]',
    'too-much' => 'These holes would cross each other or the part in very many places. Make fewer in one step.',
    'fields' => [
        'where' => 'where',
        'screw' => 'screw',
        'fit' => 'fit',
        'extent' => 'how deep',
        'bottom' => 'bottom',
        'head' => 'head',
        'wide' => 'diameter of the head',
        'deep' => 'depth of the head',
        'angle' => 'angle of the countersink',
    ],
    'choices' => [
        'where' => ['points' => 'at the points of', 'face' => 'on'],
        'by' => ['diameter' => 'diameter', 'radius' => 'radius', 'screw' => 'screw'],
        'fit' => ['fine' => 'fine', 'medium' => 'medium', 'coarse' => 'coarse'],
        'extent' => ['through' => 'through', 'depth' => 'to a depth'],
        'bottom' => ['point' => 'with a drill point', 'flat' => 'with a flat bottom'],
        'head' => ['plain' => 'plain', 'bore' => 'counterbored', 'sink' => 'countersunk'],
    ],
];
