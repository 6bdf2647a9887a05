<?php

declare(strict_types=1);

/*
 * Two exercises for a first-year class, built from ready solids alone, and the parts of the class's library. All invented.
 */
$on = static fn(string $face, array $more = []): array => $more + [
    'stand' => 'face',
    'on' => $face,
    'alignx' => 'middle',
    'aligny' => 'middle',
];
$alone = static fn(string $title, array $steps, array $more = []): array => ['title' => $title, 'unit' => 'mm', 'steps' => $steps] + $more;

$exercises = [
    'wheel' => [
        'title' => 'Wind wheel of the herb bed',
        'brief' =>
            "Seven shapes make this wheel: a foot, a post, a hub, an arm with its cup, a cap and a bore. Build one arm, make it one group, and put six of them round the centre of the hub.\n\nEach shape stands on the one below and is sunk a little, so that they hold together.",
        'unit' => 'mm',
        'groups' => [
            'g1' => $alone(
                'Arm',
                [
                    [
                        'id' => 's1',
                        'kind' => 'block',
                        'name' => 'Bar',
                        'width' => '24',
                        'depth' => '4',
                        'height' => '4',
                        'stand' => 'ground',
                        'x' => '18',
                    ],
                    [
                        'id' => 's2',
                        'kind' => 'cone',
                        'name' => 'Cup',
                        'round' => '8',
                        'tip' => '12',
                        'length' => '6',
                        'stand' => 'face',
                        'on' => 's1:top',
                        'alignx' => 'high',
                        'aligny' => 'middle',
                        'x' => '6',
                        'sink' => '1',
                    ],
                ],
                ['paint' => ['s2:*' => 'red']],
            ),
        ],
        'steps' => [
            [
                'id' => 's1',
                'kind' => 'prism',
                'name' => 'Foot',
                'sides' => '6',
                'across' => 'flats',
                'round' => '40',
                'height' => '6',
                'stand' => 'ground',
            ],
            $on('s1:top', ['id' => 's2', 'kind' => 'cylinder', 'name' => 'Post', 'round' => '10', 'length' => '30', 'sink' => '1']),
            $on('s2:top', ['id' => 's3', 'kind' => 'cylinder', 'name' => 'Hub', 'round' => '20', 'length' => '10', 'sink' => '2']),
            $on('s3:top', ['id' => 's4', 'kind' => 'group', 'name' => 'Arm', 'group' => 'g1', 'x' => '21', 'sink' => '4']),
            [
                'id' => 's5',
                'kind' => 'repeat',
                'name' => 'Six arms',
                'of' => 'step',
                'source' => 's4',
                'way' => 'around',
                'count' => '6',
                'about' => 'z',
                'angle' => '360',
            ],
            $on('s3:top', ['id' => 's6', 'kind' => 'cone', 'name' => 'Cap', 'round' => '12', 'tip' => '8', 'length' => '5']),
            [
                'id' => 's7',
                'kind' => 'cylinder',
                'name' => 'Bore',
                'round' => '4',
                'length' => '60',
                'stand' => 'ground',
                'z' => '-5',
                'effect' => 'cut',
            ],
        ],
        'ask' => ['volume', 'step-z-6'],
        'skip' => ['hole-0-place'],
        'label' => ['hole-0-diameter' => 'Bore', 'step-z-6' => 'Height of the foot'],
    ],
    'sign' => [
        'title' => 'Sign of the mint bed',
        'brief' =>
            "The sign stands between the herbs and says what grows there. Both posts are the same: build one and repeat it.\n\nThe letters stand on the base and are read from the front.",
        'unit' => 'mm',
        'steps' => [
            [
                'id' => 's1',
                'kind' => 'block',
                'name' => 'Base',
                'width' => '60',
                'depth' => '20',
                'height' => '6',
                'edges' => 'upright',
                'bevel' => '4',
                'stand' => 'ground',
            ],
            $on('s1:top', [
                'id' => 's2',
                'kind' => 'cylinder',
                'name' => 'Post',
                'round' => '6',
                'length' => '36',
                'x' => '-24',
                'y' => '5',
                'sink' => '1',
            ]),
            [
                'id' => 's3',
                'kind' => 'repeat',
                'name' => 'Both posts',
                'of' => 'step',
                'source' => 's2',
                'way' => 'row',
                'count' => '2',
                'x' => '48',
                'y' => '0',
                'z' => '0',
            ],
            [
                'id' => 's4',
                'kind' => 'roof',
                'name' => 'Roof',
                'width' => '20',
                'depth' => '64',
                'height' => '12',
                'facing' => '90',
                'stand' => 'face',
                'on' => 's2:top',
                'alignx' => 'origin',
                'aligny' => 'middle',
                'x' => '0',
                'sink' => '2',
            ],
            $on('s1:top', [
                'id' => 's5',
                'kind' => 'letters',
                'name' => 'Word',
                'text' => 'MINT',
                'height' => '14',
                'depth' => '4',
                'y' => '-4',
                'sink' => '0.5',
            ]),
        ],
        'ask' => ['step-z-6'],
        'skip' => [],
        'label' => ['step-z-6' => 'Height of the base'],
    ],
];

// name, tags and the group that is frozen; its sizes can be set where it is used, locked ones stay
$library = [
    [
        'tags' => ['joining', 'round'],
        'group' => $alone(
            'Peg',
            [
                ['id' => 's1', 'kind' => 'cylinder', 'name' => 'Pin', 'round' => 'wide', 'length' => 'reach', 'stand' => 'ground'],
                $on('s1:top', ['id' => 's2', 'kind' => 'halfball', 'name' => 'Tip', 'round' => 'wide']),
            ],
            ['sizes' => ['wide' => '8', 'reach' => '16']],
        ),
    ],
    [
        'tags' => ['joining', 'cuts'],
        'group' => $alone(
            'Screw hole M4',
            [
                ['id' => 's1', 'kind' => 'cylinder', 'name' => 'Shank', 'round' => 'bore', 'length' => 'deep', 'stand' => 'ground'],
                $on('s1:top', [
                    'id' => 's2',
                    'kind' => 'cone',
                    'name' => 'Head',
                    'round' => 'bore',
                    'tip' => '8',
                    'length' => '2.2',
                    'sink' => '0.2',
                ]),
            ],
            ['sizes' => ['bore' => '4.5', 'deep' => '12'], 'locked' => ['bore']],
        ),
    ],
    [
        'tags' => ['garden'],
        'group' => $alone(
            'Flower pot',
            [
                ['id' => 's1', 'kind' => 'cone', 'name' => 'Pot', 'round' => '24', 'tip' => '32', 'length' => 'tall', 'stand' => 'ground'],
                $on('s1:top', ['id' => 's2', 'kind' => 'cylinder', 'name' => 'Rim', 'round' => '36', 'length' => '5', 'sink' => '1']),
                $on('s2:top', [
                    'id' => 's3',
                    'kind' => 'cylinder',
                    'name' => 'Room for soil',
                    'round' => '20',
                    'length' => 'tall',
                    'sink' => 'tall - 2',
                    'effect' => 'cut',
                ]),
            ],
            ['sizes' => ['tall' => '28'], 'paint' => ['s1:*' => 'orange', 's2:*' => 'orange']],
        ),
    ],
    [
        'tags' => ['weather', 'round'],
        'group' => $alone(
            'Wind cup',
            [
                ['id' => 's1', 'kind' => 'halfball', 'name' => 'Cup', 'round' => 'wide', 'stand' => 'ground'],
                ['id' => 's2', 'kind' => 'halfball', 'name' => 'Inside', 'round' => 'wide - 4', 'stand' => 'ground', 'effect' => 'cut'],
                [
                    'id' => 's3',
                    'kind' => 'block',
                    'name' => 'Arm',
                    'width' => '20',
                    'depth' => '4',
                    'height' => '4',
                    'stand' => 'ground',
                    'x' => 'wide/2 + 9',
                ],
            ],
            ['sizes' => ['wide' => '24']],
        ),
    ],
    [
        'tags' => ['garden', 'fence'],
        'group' => $alone(
            'Picket',
            [
                [
                    'id' => 's1',
                    'kind' => 'block',
                    'name' => 'Board',
                    'width' => '10',
                    'depth' => '4',
                    'height' => 'tall',
                    'stand' => 'ground',
                ],
                $on('s1:top', ['id' => 's2', 'kind' => 'roof', 'name' => 'Point', 'width' => '10', 'depth' => '4', 'height' => '6']),
            ],
            ['sizes' => ['tall' => '34']],
        ),
    ],
    [
        'tags' => ['garden', 'fence'],
        'group' => $alone('Trellis arch', [
            ['id' => 's1', 'kind' => 'halfcylinder', 'name' => 'Arch', 'round' => '40', 'length' => '6', 'stand' => 'ground', 'z' => '20'],
            ['id' => 's2', 'kind' => 'block', 'name' => 'Legs', 'width' => '6', 'depth' => '40', 'height' => '21', 'stand' => 'ground'],
            [
                'id' => 's3',
                'kind' => 'halfcylinder',
                'name' => 'Opening',
                'round' => '32',
                'length' => '10',
                'stand' => 'ground',
                'z' => '20',
                'effect' => 'cut',
            ],
            [
                'id' => 's4',
                'kind' => 'block',
                'name' => 'Way through',
                'width' => '10',
                'depth' => '32',
                'height' => '21',
                'stand' => 'ground',
                'effect' => 'cut',
            ],
        ]),
    ],
    [
        'tags' => ['weather', 'joining'],
        'group' => $alone(
            'Mast collar',
            [
                [
                    'id' => 's1',
                    'kind' => 'tube',
                    'name' => 'Collar',
                    'round' => 'mast + 2*wall',
                    'wall' => 'wall',
                    'length' => '12',
                    'stand' => 'ground',
                ],
                [
                    'id' => 's2',
                    'kind' => 'block',
                    'name' => 'Ear',
                    'width' => '12',
                    'depth' => '6',
                    'height' => '12',
                    'stand' => 'ground',
                    'x' => 'mast/2 + wall + 5',
                ],
                [
                    'id' => 's3',
                    'kind' => 'cylinder',
                    'name' => 'Screw hole',
                    'round' => '3.4',
                    'length' => '10',
                    'along' => 'y',
                    'stand' => 'ground',
                    'x' => 'mast/2 + wall + 7',
                    'z' => '4.3',
                    'effect' => 'cut',
                ],
            ],
            ['sizes' => ['mast' => '16', 'wall' => '3'], 'locked' => ['wall']],
        ),
    ],
    [
        'tags' => ['garden', 'letters'],
        'group' => $alone('Plant label', [
            [
                'id' => 's1',
                'kind' => 'block',
                'name' => 'Plate',
                'width' => '34',
                'depth' => '3',
                'height' => '16',
                'edges' => 'sharp',
                'stand' => 'ground',
                'z' => '29',
            ],
            [
                'id' => 's2',
                'kind' => 'pyramid',
                'name' => 'Spike',
                'sides' => '4',
                'across' => 'flats',
                'round' => '1',
                'tip' => '6',
                'height' => '30',
                'stand' => 'ground',
            ],
        ]),
    ],
];

return ['exercises' => $exercises, 'library' => $library];
