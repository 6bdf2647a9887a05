<?php

declare(strict_types=1);

/*
 * More exercises of the demo school, all invented; between them their parts use every kind of step. Drawings are given
 * by their points and lines.
 */

/**
 * Relations that leave nothing free: every place to the right and every height is dimensioned from the origin once, and
 * the other points are level or upright with the one that has the dimension.
 */
$tied = static function (array $points, float $unit = 1.0): array {
    $relations = $first = [];
    $say = static function (string $kind, array $of, ?float $value = null) use (&$relations, $unit): void {
        $id = ($value === null ? 'r' : 'd') . (count($relations) + 1);
        $relations[] =
            ['id' => $id, 'kind' => $kind, 'of' => $of] +
            ($value === null ? [] : ['value' => rtrim(rtrim(number_format($value / $unit, 4, '.', ''), '0'), '.')]);
    };
    foreach ($points as $name => $p) {
        foreach (
            [['vertical', 'v-axis', 'horizontal distance'], ['horizontal', 'u-axis', 'vertical distance']]
            as $k => [$level, $axis, $distance]
        ) {
            $known = $first[$k][(string) round($p[$k], 4)] ?? null;
            if ($p[$k] == 0.0) {
                $say('coincident', [$name, $axis]);
            } elseif ($known !== null) {
                $say($level, [$known, $name]);
            } else {
                $first[$k][(string) round($p[$k], 4)] = $name;
                $say($distance, ['origin', $name], abs($p[$k]));
            }
        }
    }

    return $relations;
};

/** A closed outline of straight lines. */
$outline = static function (array $points, float $unit = 1.0) use ($tied): array {
    $drawn = ['points' => [], 'lines' => []];
    foreach ($points as $i => $p) {
        $drawn['points']["p$i"] = array_map(static fn(float $v): float => $v * $unit, $p);
        $drawn['lines'][] = ['id' => "l$i", 'kind' => 'line', 'points' => ["p$i", 'p' . ($i + 1) % count($points)]];
    }

    return $drawn + ['relations' => $tied($drawn['points'], $unit)];
};
$round = static fn(float $radius): array => [
    'points' => [],
    'lines' => [['id' => 'c1', 'kind' => 'circle', 'points' => ['origin'], 'size' => $radius]],
    'relations' => [['id' => 'd1', 'kind' => 'radius', 'of' => ['c1'], 'value' => (string) $radius]],
];

return [
    'vane' => [
        'title' => 'Bearing of the wind vane',
        'brief' =>
            "The vane turns on this bearing. It is drawn as half a section and turned; four M3 screws hold it to the board.\n\nOne hole is drilled, the others are repeated.",
        'unit' => 'mm',
        'steps' => [
            [
                'id' => 's1',
                'kind' => 'sketch',
                'name' => 'Half section',
                'plane' => 'front',
                'drawn' => $outline([[4, 0], [20, 0], [20, 5], [9, 5], [9, 22], [4, 22]]),
            ],
            ['id' => 's2', 'kind' => 'revolve', 'name' => 'Bearing', 'sketch' => 's1', 'axis' => 'v-axis', 'angle' => '360'],
            [
                'id' => 's3',
                'kind' => 'hole',
                'name' => 'Screw hole',
                'where' => 'face',
                'face' => 's2:l2',
                'u' => '14.5',
                'by' => 'screw',
                'screw' => 'M3',
                'extent' => 'through',
            ],
            ['id' => 's4', 'kind' => 'repeat', 'name' => 'All four', 'of' => 'step', 'source' => 's3', 'way' => 'around', 'count' => '4'],
            ['id' => 's5', 'kind' => 'round', 'name' => 'Soft rim', 'edges' => ['s2:l1 / s2:l2'], 'radius' => '1'],
        ],
    ],
    'cup' => [
        'title' => 'Cup of the rain gauge',
        'brief' => 'A cup with slanting walls that stands on a foot ring. The wall is 2 mm everywhere.',
        'unit' => 'mm',
        'steps' => [
            ['id' => 's1', 'kind' => 'block', 'name' => 'Body', 'width' => '50', 'depth' => '50', 'height' => '60'],
            [
                'id' => 's2',
                'kind' => 'draft',
                'name' => 'Slant',
                'faces' => ['s1:front', 's1:back', 's1:left', 's1:right'],
                'angle' => '-3',
                'plane' => 'ground',
            ],
            ['id' => 's3', 'kind' => 'hollow', 'name' => 'Wall', 'wall' => '2', 'faces' => ['s1:top']],
            ['id' => 's4', 'kind' => 'pull', 'name' => 'Foot', 'faces' => ['s1:bottom'], 'distance' => '3'],
            ['id' => 's5', 'kind' => 'move', 'name' => 'Onto the ground', 'z' => '3'],
        ],
    ],
    'spout' => [
        'title' => 'Spout of the water butt',
        'brief' => 'A square funnel leads into a bent pipe. The funnel goes from one drawing to the other, the pipe follows its path.',
        'unit' => 'mm',
        'steps' => [
            [
                'id' => 's1',
                'kind' => 'sketch',
                'name' => 'Outlet',
                'plane' => 'ground',
                'offset' => '38',
                'drawn' => $outline([[-8, -8], [8, -8], [8, 8], [-8, 8]]),
            ],
            [
                'id' => 's2',
                'kind' => 'sketch',
                'name' => 'Mouth',
                'plane' => 'ground',
                'offset' => '58',
                'drawn' => $outline([[-20, -20], [20, -20], [20, 20], [-20, 20]]),
            ],
            ['id' => 's3', 'kind' => 'loft', 'name' => 'Funnel', 'sketches' => ['s1', 's2'], 'skin' => 'straight'],
            [
                'id' => 's4',
                'kind' => 'sketch',
                'name' => 'Way of the pipe',
                'plane' => 'front',
                'drawn' => [
                    'points' => ['a' => [0, 38], 'b' => [0, 28], 'm' => [20, 28], 'c' => [20, 8], 'e' => [35, 8]],
                    'lines' => [
                        ['id' => 'l1', 'kind' => 'line', 'points' => ['a', 'b']],
                        ['id' => 'a1', 'kind' => 'arc', 'points' => ['m', 'b', 'c'], 'size' => 20],
                        ['id' => 'l2', 'kind' => 'line', 'points' => ['c', 'e']],
                    ],
                    'relations' => [
                        ['id' => 'r90', 'kind' => 'tangent', 'of' => ['l1', 'a1']],
                        ['id' => 'r91', 'kind' => 'tangent', 'of' => ['a1', 'l2']],
                        ...$tied(['a' => [0, 38], 'b' => [0, 28], 'c' => [20, 8], 'e' => [35, 8]]),
                    ],
                ],
            ],
            ['id' => 's5', 'kind' => 'sweep', 'name' => 'Pipe', 'sketch' => 's1', 'path' => 's4'],
        ],
    ],
    'label' => [
        'title' => 'Label of the nest box',
        'brief' => 'The number is cut in, the edges are taken off, and two screws sink into the plate.',
        'unit' => 'mm',
        'steps' => [
            ['id' => 's1', 'kind' => 'block', 'name' => 'Plate', 'width' => '80', 'depth' => '30', 'height' => '4'],
            [
                'id' => 's2',
                'kind' => 'sketch',
                'name' => 'Screw place',
                'plane' => 'face',
                'face' => 's1:top',
                'drawn' => [
                    'points' => ['p1' => [-34, 0]],
                    'lines' => [],
                    'relations' => [
                        ['id' => 'r1', 'kind' => 'horizontal', 'of' => ['origin', 'p1']],
                        ['id' => 'd1', 'kind' => 'horizontal distance', 'of' => ['origin', 'p1'], 'value' => '34'],
                    ],
                ],
            ],
            [
                'id' => 's3',
                'kind' => 'hole',
                'name' => 'Screw hole',
                'where' => 'points',
                'sketch' => 's2',
                'round' => '3.5',
                'head' => 'sink',
                'wide' => '7',
            ],
            ['id' => 's4', 'kind' => 'mirror', 'name' => 'Other hole', 'of' => 'step', 'source' => 's3', 'plane' => 'side'],
            ['id' => 's5', 'kind' => 'chamfer', 'name' => 'Edges off', 'faces' => ['s1:bottom'], 'distance' => '1'],
            [
                'id' => 's6',
                'kind' => 'text',
                'name' => 'Number',
                'text' => 'NEST 4',
                'face' => 's1:top',
                'height' => '10',
                'u' => '-26',
                'v' => '-5',
                'depth' => '0.8',
                'effect' => 'cut',
            ],
        ],
    ],
    'shelf' => [
        'title' => 'Shelf bracket of the greenhouse',
        'brief' =>
            'Half of it is drawn and drawn out evenly to both sides; the other half is its mirror image. Look at the profile from the front first.',
        'unit' => 'in',
        'steps' => [
            [
                'id' => 's1',
                'kind' => 'sketch',
                'name' => 'Profile',
                'plane' => 'front',
                'drawn' => $outline([[0, 0], [2, 0], [2, 0.25], [0.25, 0.25], [0.25, 1.5], [0, 1.5]], 25.4),
            ],
            ['id' => 's2', 'kind' => 'extrude', 'name' => 'Half', 'sketch' => 's1', 'extent' => 'middle', 'distance' => '3/4'],
            [
                'id' => 's6',
                'kind' => 'sketch',
                'name' => 'Line of the brace',
                'plane' => 'front',
                'drawn' => [
                    'points' => ['a' => [6.35, 31.75], 'b' => [44.45, 6.35]],
                    'lines' => [['id' => 'brace', 'kind' => 'line', 'points' => ['a', 'b']]],
                    'relations' => $tied(['a' => [6.35, 31.75], 'b' => [44.45, 6.35]], 25.4),
                ],
            ],
            [
                'id' => 's7',
                'kind' => 'rib',
                'name' => 'Brace',
                'sketch' => 's6',
                'thickness' => '1/4',
                'note' => 'It grows to the two walls, wherever they are moved.',
            ],
            ['id' => 's3', 'kind' => 'mirror', 'name' => 'Other half', 'of' => 'body', 'plane' => 'side', 'keep' => 'both'],
            [
                'id' => 's4',
                'kind' => 'hole',
                'name' => 'Post hole',
                'where' => 'face',
                'face' => 's2:l0',
                'u' => '1 1/2',
                'v' => '0',
                'round' => '1/4',
            ],
            ['id' => 's5', 'kind' => 'split', 'name' => 'Front trimmed', 'plane' => 'front', 'offset' => '1/4', 'keep' => 'down'],
        ],
    ],
    'tray' => [
        'title' => 'Rack for seed tubes',
        'brief' => 'One peg is made, and copied in a grid. The whole is drawn at half size, then scaled and turned to lie along the wall.',
        'unit' => 'mm',
        'steps' => [
            ['id' => 's1', 'kind' => 'block', 'name' => 'Base', 'width' => '40', 'depth' => '30', 'height' => '3'],
            [
                'id' => 's2',
                'kind' => 'cylinder',
                'name' => 'Peg',
                'by' => 'diameter',
                'round' => '4',
                'length' => '9',
                'x' => '-15',
                'y' => '-10',
                'z' => '3',
            ],
            [
                'id' => 's3',
                'kind' => 'repeat',
                'name' => 'All pegs',
                'of' => 'step',
                'source' => 's2',
                'way' => 'grid',
                'count' => '4',
                'x' => '10',
                'rows' => '3',
                'x2' => '0',
                'y2' => '10',
            ],
            [
                'id' => 's4',
                'kind' => 'cone',
                'name' => 'Drip',
                'round' => '6',
                'tip' => '0',
                'length' => '2',
                'x' => '0',
                'y' => '0',
                'z' => '0',
                'effect' => 'cut',
            ],
            ['id' => 's5', 'kind' => 'ball', 'name' => 'Thumb', 'round' => '8', 'x' => '20', 'z' => '3', 'effect' => 'cut'],
            ['id' => 's6', 'kind' => 'scale', 'name' => 'Full size', 'by' => 'all', 'factor' => '2'],
            ['id' => 's7', 'kind' => 'turn', 'name' => 'Along the wall', 'angle' => '90', 'about' => 'z'],
            ['id' => 's8', 'kind' => 'copy', 'name' => 'A second one', 'times' => '1', 'x' => '70'],
        ],
    ],
    'feeder' => [
        'title' => 'Bird feeder on its post',
        'brief' =>
            'Built from ready solids alone. Each one stands on the one below: if the post gets taller, the table and the roof go up with it.',
        'unit' => 'mm',
        'steps' => [
            [
                'id' => 's1',
                'kind' => 'prism',
                'name' => 'Foot',
                'sides' => '6',
                'across' => 'flats',
                'round' => '60',
                'height' => '8',
                'stand' => 'ground',
            ],
            [
                'id' => 's2',
                'kind' => 'tube',
                'name' => 'Post',
                'round' => '16',
                'wall' => '3',
                'length' => '60',
                'stand' => 'face',
                'on' => 's1:top',
                'alignx' => 'middle',
                'aligny' => 'middle',
            ],
            [
                'id' => 's3',
                'kind' => 'block',
                'name' => 'Table',
                'width' => '70',
                'depth' => '50',
                'height' => '6',
                'edges' => 'upright',
                'bevel' => '6',
                'stand' => 'face',
                'on' => 's2:top',
                'alignx' => 'middle',
                'aligny' => 'middle',
                'sink' => '2',
            ],
            [
                'id' => 's4',
                'kind' => 'halfball',
                'name' => 'Bowl',
                'round' => '20',
                'stand' => 'face',
                'on' => 's3:top',
                'alignx' => 'middle',
                'aligny' => 'middle',
                'x' => '-20',
            ],
            [
                'id' => 's5',
                'kind' => 'halfcylinder',
                'name' => 'Perch',
                'round' => '6',
                'length' => '30',
                'stand' => 'face',
                'on' => 's3:top',
                'alignx' => 'middle',
                'aligny' => 'low',
                'y' => '2',
                'x' => '12',
            ],
            [
                'id' => 's6',
                'kind' => 'ring',
                'name' => 'Rim',
                'round' => '22',
                'thick' => '4',
                'stand' => 'face',
                'on' => 's3:top',
                'alignx' => 'middle',
                'aligny' => 'middle',
                'x' => '14',
                'y' => '4',
                'sink' => '1',
            ],
            [
                'id' => 's7',
                'kind' => 'block',
                'name' => 'Wall',
                'width' => '50',
                'depth' => '4',
                'height' => '26',
                'stand' => 'face',
                'on' => 's3:top',
                'alignx' => 'middle',
                'aligny' => 'high',
                'y' => '-2',
            ],
            [
                'id' => 's8',
                'kind' => 'roof',
                'name' => 'Roof',
                'width' => '60',
                'depth' => '20',
                'height' => '14',
                'stand' => 'face',
                'on' => 's7:top',
                'alignx' => 'middle',
                'aligny' => 'middle',
                'sink' => '1',
            ],
            [
                'id' => 's9',
                'kind' => 'wedge',
                'name' => 'Brace',
                'width' => '4',
                'depth' => '16',
                'height' => '16',
                'stand' => 'face',
                'on' => 's3:top',
                'alignx' => 'middle',
                'aligny' => 'high',
                'y' => '-6',
            ],
            [
                'id' => 's10',
                'kind' => 'pyramid',
                'name' => 'Point',
                'sides' => '4',
                'across' => 'flats',
                'round' => '10',
                'tip' => '0',
                'height' => '10',
                'stand' => 'face',
                'on' => 's3:top',
                'alignx' => 'high',
                'aligny' => 'low',
                'x' => '-8',
                'y' => '10',
            ],
        ],
    ],
];
