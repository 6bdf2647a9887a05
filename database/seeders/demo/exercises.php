<?php

declare(strict_types=1);

/*
 * The exercises of the demo school, all invented: parts of a weather station and of the school garden.
 * ask: requirements that are asked beyond the usual ones; skip: usual ones that are left out; label: own names.
 */
return [
    'corner' => [
        'title' => 'Corner block of the raised bed',
        'brief' => "The boards of the raised bed meet at a block. The peg of the bird net stands in its hole, the lower board lies on the step.\n\nLook for what is the same in front and behind before you begin, and put the middle of the base on the origin.",
        'unit' => 'mm',
        'steps' => [
            ['id' => 's1', 'kind' => 'block', 'name' => 'Block', 'width' => '60', 'depth' => '40', 'height' => '24'],
            ['id' => 's2', 'kind' => 'block', 'name' => 'Step', 'width' => '20', 'depth' => '40', 'height' => '12', 'from' => 'corner', 'x' => '10', 'y' => '-20', 'z' => '12', 'effect' => 'cut'],
            ['id' => 's3', 'kind' => 'cylinder', 'name' => 'Peg hole', 'by' => 'diameter', 'round' => '8', 'length' => '40', 'x' => '-15', 'z' => '-5', 'effect' => 'cut'],
        ],
        'ask' => ['step-z-12', 'symmetry-y'],
        'skip' => [],
        'label' => ['hole-0-diameter' => 'Peg hole', 'hole-0-place' => 'Peg hole, from left and front', 'step-z-12' => 'Height of the step'],
    ],
    'foot' => [
        'title' => 'Foot of the seed tray',
        'brief' => "Four of these feet lift the seed tray off the table, so that water can run off. A screw goes through the middle; its head sinks into the dimple.\n\nThe foot stands on its wide side.",
        'unit' => 'mm',
        'steps' => [
            ['id' => 's1', 'kind' => 'cone', 'name' => 'Foot', 'by' => 'diameter', 'round' => '30', 'tip' => '20', 'length' => '12.5'],
            ['id' => 's2', 'kind' => 'cylinder', 'name' => 'Screw hole', 'by' => 'diameter', 'round' => '5', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
            ['id' => 's3', 'kind' => 'ball', 'name' => 'Dimple', 'by' => 'radius', 'round' => '4', 'z' => '12.5', 'effect' => 'cut'],
        ],
        'ask' => ['volume', 'wall', 'symmetry-y'],
        'skip' => [],
        'label' => ['hole-0-diameter' => 'Screw hole', 'hole-0-place' => 'Screw hole, in the middle'],
    ],
    'clamp' => [
        'title' => 'Mast clamp',
        'brief' => "The clamp holds the mast of the weather station to the fence. Two screws go through the flange, the mast through the round.\n\nLeft and right are the same. Mind radius and diameter.",
        'unit' => 'mm',
        'steps' => [
            ['id' => 's1', 'kind' => 'block', 'name' => 'Flange', 'width' => '72', 'depth' => '14', 'height' => '30', 'y' => '7'],
            ['id' => 's2', 'kind' => 'sketch', 'name' => 'Outline', 'plane' => 'ground', 'shapes' => [
                ['kind' => 'circle', 'u' => '0', 'v' => '-20', 'by' => 'radius', 'round' => '22'],
                ['kind' => 'rectangle', 'from' => 'corner', 'u' => '-22', 'v' => '-20', 'width' => '44', 'height' => '20'],
            ]],
            ['id' => 's3', 'kind' => 'extrude', 'name' => 'Boss', 'sketch' => 's2', 'regions' => 'all', 'distance' => '30', 'direction' => 'up', 'effect' => 'add'],
            ['id' => 's4', 'kind' => 'cylinder', 'name' => 'Mast bore', 'by' => 'radius', 'round' => '12', 'length' => '40', 'y' => '-20', 'z' => '-5', 'effect' => 'cut'],
            ['id' => 's5', 'kind' => 'cylinder', 'name' => 'Left screw hole', 'by' => 'diameter', 'round' => '5', 'length' => '20', 'along' => 'y', 'x' => '-29', 'y' => '-2', 'z' => '15', 'effect' => 'cut'],
            ['id' => 's6', 'kind' => 'cylinder', 'name' => 'Right screw hole', 'by' => 'diameter', 'round' => '5', 'length' => '20', 'along' => 'y', 'x' => '29', 'y' => '-2', 'z' => '15', 'effect' => 'cut'],
        ],
        'ask' => [],
        'skip' => ['bodies'],
        'label' => ['hole-0-diameter' => 'Left screw hole', 'hole-0-place' => 'Left hole, from left and bottom', 'hole-1-diameter' => 'Mast bore', 'hole-1-place' => 'Mast bore, from left and front', 'hole-2-diameter' => 'Right screw hole', 'hole-2-place' => 'Right hole, from left and bottom'],
    ],
    'bracket' => [
        'title' => 'Bracket of the rain gauge',
        'brief' => "The tube of the rain gauge stands in the socket; two screws hold the foot to the post. The drawing is in inches, as the tube is.\n\nType sizes as they stand on the drawing: fractions and sums are read.",
        'unit' => 'in',
        'steps' => [
            ['id' => 's1', 'kind' => 'sketch', 'name' => 'Foot', 'plane' => 'ground', 'shapes' => [
                ['kind' => 'rectangle', 'from' => 'middle', 'u' => '0', 'v' => '0', 'width' => '2 3/4', 'height' => '1 3/8'],
                ['kind' => 'circle', 'u' => '-1', 'v' => '0', 'by' => 'diameter', 'round' => '7/16'],
                ['kind' => 'circle', 'u' => '1', 'v' => '0', 'by' => 'diameter', 'round' => '7/16'],
            ]],
            ['id' => 's2', 'kind' => 'extrude', 'name' => 'Foot plate', 'sketch' => 's1', 'regions' => [1], 'distance' => '1/4', 'direction' => 'up', 'effect' => 'add'],
            ['id' => 's3', 'kind' => 'cylinder', 'name' => 'Socket', 'by' => 'diameter', 'round' => '1 1/8', 'length' => '3*0.25', 'z' => '1/4'],
            ['id' => 's4', 'kind' => 'cylinder', 'name' => 'Tube hole', 'by' => 'diameter', 'round' => '3/4', 'length' => '2', 'z' => '-1/2', 'effect' => 'cut'],
        ],
        'ask' => ['step-z-6.35'],
        'skip' => [],
        'label' => ['hole-0-diameter' => 'Left screw hole', 'hole-0-place' => 'Left hole, from left and front', 'hole-1-diameter' => 'Tube hole', 'hole-1-place' => 'Tube hole, from left and front', 'hole-2-diameter' => 'Right screw hole', 'hole-2-place' => 'Right hole, from left and front', 'step-z-6.35' => 'Thickness of the foot'],
    ],
    'hub' => [
        'title' => 'Hub of the wind vane',
        'brief' => "The hub turns on a rod of 8 mm. The tail of the vane sits in the slot on top, a pin through the side holds it.\n\nThe pin hole only goes as far as the bore.",
        'unit' => 'mm',
        'steps' => [
            ['id' => 's1', 'kind' => 'cylinder', 'name' => 'Disc', 'by' => 'diameter', 'round' => '44', 'length' => '14'],
            ['id' => 's2', 'kind' => 'cylinder', 'name' => 'Neck', 'by' => 'diameter', 'round' => '26', 'length' => '22', 'z' => '14'],
            ['id' => 's3', 'kind' => 'cylinder', 'name' => 'Bore', 'by' => 'diameter', 'round' => '8', 'length' => '50', 'z' => '-5', 'effect' => 'cut'],
            ['id' => 's4', 'kind' => 'sketch', 'name' => 'Slot', 'plane' => 'front', 'shapes' => [['kind' => 'rectangle', 'from' => 'corner', 'u' => '-2', 'v' => '26', 'width' => '4', 'height' => '14']]],
            ['id' => 's5', 'kind' => 'extrude', 'name' => 'Slot to the front', 'sketch' => 's4', 'regions' => 'all', 'distance' => '20', 'direction' => 'up', 'effect' => 'cut'],
            ['id' => 's6', 'kind' => 'extrude', 'name' => 'Slot to the back', 'sketch' => 's4', 'regions' => 'all', 'distance' => '20', 'direction' => 'down', 'effect' => 'cut'],
            ['id' => 's7', 'kind' => 'cylinder', 'name' => 'Pin hole', 'by' => 'diameter', 'round' => '4', 'length' => '20', 'along' => 'x', 'z' => '20', 'effect' => 'cut'],
        ],
        'ask' => ['step-z-14', 'step-z-26', 'volume', 'symmetry-y'],
        'skip' => [],
        'label' => ['step-z-14' => 'Height of the disc', 'step-z-26' => 'Bottom of the slot'],
    ],
];
