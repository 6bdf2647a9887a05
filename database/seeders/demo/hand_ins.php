<?php

declare(strict_types=1);

/*
 * What the demo classes have done so far, all invented. Per exercise: the class, when it is due (days from today), and
 * per bench number the tries. A try is a slip (see slips), what the teacher decided and what the teacher wrote.
 * State "making" is a part that was checked but not handed in, "begun" one that was not checked either.
 */
return [
    'slips' => [
        'corner' => [
            'right' => [],
            'radius' => ['s3' => ['round' => '4']],
            'radius twice' => ['s3' => ['by' => 'radius', 'round' => '8']],
            'sunk' => ['s1' => ['z' => '-24/2'], 's2' => ['z' => '0'], 's3' => ['z' => '-20']],
            'from the edge' => ['s3' => ['x' => '-20']],
            'centimetres' => ['s1' => ['width' => '6 cm', 'depth' => '4', 'height' => '24']],
            'shallow' => ['s2' => ['z' => '14', 'height' => '10']],
            'no hole' => ['s3' => null],
            'other way' => ['s1' => ['width' => '40', 'depth' => '60'], 's2' => ['y' => '-30', 'depth' => '60']],
        ],
        'foot' => [
            'right' => [],
            'radius' => ['s1' => ['by' => 'radius']],
            'upside down' => ['s1' => ['round' => '20', 'tip' => '30']],
            'sunk' => ['s1' => ['z' => '-12.5'], 's3' => ['z' => '0']],
            'no hole' => ['s2' => null],
            'inch' => ['s1' => ['length' => '1/2 in']],
            'hole off' => ['s2' => ['x' => '2']],
        ],
        'clamp' => [
            'right' => [],
            'radius' => ['s4' => ['by' => 'diameter', 'round' => '12']],
            'hole off' => ['s6' => ['x' => '28']],
            'radius, hole off' => ['s4' => ['by' => 'diameter', 'round' => '12'], 's6' => ['x' => '28']],
            'downward' => ['s3' => ['direction' => 'down']],
            'one hole' => ['s6' => null],
            'boss small' => [
                's2' => [
                    'shapes' => [
                        ['kind' => 'circle', 'u' => '0', 'v' => '-20', 'by' => 'diameter', 'round' => '22'],
                        ['kind' => 'rectangle', 'from' => 'corner', 'u' => '-11', 'v' => '-20', 'width' => '22', 'height' => '20'],
                    ],
                ],
                's4' => ['by' => 'diameter', 'round' => '12'],
            ],
            'two pieces' => [
                's2' => ['shapes' => [['kind' => 'circle', 'u' => '0', 'v' => '-23', 'by' => 'radius', 'round' => '22']]],
                's4' => ['y' => '-23'],
            ],
        ],
        'bracket' => [
            'right' => [],
            'millimetres' => ['s2' => ['distance' => '1/4 mm'], 's3' => ['z' => '1/4 mm']],
            'radius' => ['s4' => ['round' => '3/8']],
            'all areas' => ['s2' => ['regions' => 'all']],
            'hole off' => [
                's1' => [
                    'shapes' => [
                        ['kind' => 'rectangle', 'from' => 'middle', 'u' => '0', 'v' => '0', 'width' => '2 3/4', 'height' => '1 3/8'],
                        ['kind' => 'circle', 'u' => '-1', 'v' => '0', 'by' => 'diameter', 'round' => '7/16'],
                        ['kind' => 'circle', 'u' => '15/16', 'v' => '0', 'by' => 'diameter', 'round' => '7/16'],
                    ],
                ],
            ],
            'not through' => ['s4' => ['z' => '1/2']],
            'thick' => ['s2' => ['distance' => '3/8'], 's3' => ['z' => '3/8', 'length' => '5/8']],
        ],
        'hub' => [
            'right' => [],
            'radius' => ['s3' => ['round' => '4']],
            'through' => ['s7' => ['x' => '-30', 'length' => '60']],
            'slot deep' => [
                's4' => [
                    'shapes' => [['kind' => 'rectangle', 'from' => 'corner', 'u' => '-2', 'v' => '24', 'width' => '4', 'height' => '14']],
                ],
            ],
            'one side' => ['s6' => null],
        ],
        'wheel' => [
            'right' => [],
            'five arms' => ['s5' => ['count' => '5']],
            'not sunk' => ['s2' => ['sink' => '0'], 's3' => ['sink' => '0']],
            'no bore' => ['s7' => null],
        ],
        'sign' => ['right' => [], 'one post' => ['s3' => null]],
    ],
    'given' => [
        [
            'exercise' => 'corner',
            'class' => '7a',
            'due' => -6,
            'checks' => null,
            'tries' => [
                1 => [
                    ['radius', 'returned', 'Look at the sign before the 8 on the drawing. What does it mean?'],
                    ['right', 'accepted', 'That is it. Neatly named steps, too.'],
                ],
                2 => [['right', 'accepted', 'Right at the first try.']],
                3 => [['sunk', 'returned', 'Turn your part to the front view. Where is the ground?'], ['right', 'waiting', '']],
                4 => [['from the edge', 'returned', 'The drawing measures the hole from the left face. Where did you measure from?']],
                5 => [['right', 'accepted', '']],
                6 => [['no hole', 'returned', 'The peg needs its hole.'], ['radius twice', 'waiting', '']],
                7 => [['centimetres', 'returned', 'One size is ten times too small. Which?'], ['right', 'accepted', 'Well mended.']],
                8 => [
                    [
                        'shallow',
                        'accepted',
                        'The step is 2 too high, but your photo of the print shows why. Good.',
                        ['step-z-12' => [true, 'Made higher on purpose for the thicker board, as agreed.']],
                    ],
                ],
                9 => [['other way', 'waiting', '']],
                10 => [['right', 'waiting', '']],
                11 => [['radius', 'making', '']],
            ],
        ],
        [
            'exercise' => 'foot',
            'class' => '7a',
            'due' => 5,
            'checks' => 5,
            'tries' => [
                1 => [['right', 'waiting', '']],
                2 => [['radius', 'waiting', '']],
                3 => [['upside down', 'making', '']],
                4 => [['sunk', 'returned', 'Half of it hides below the ground. Check from the front.']],
                5 => [['right', 'accepted', 'Well done.']],
                7 => [['no hole', 'making', '']],
                8 => [['inch', 'waiting', '']],
                9 => [['hole off', 'returned', 'The hole is not in the middle. Which number moves it?']],
                12 => [['right', 'begun', '']],
            ],
        ],
        [
            'exercise' => 'clamp',
            'class' => '8b',
            'due' => 2,
            'checks' => null,
            'tries' => [
                1 => [['radius', 'waiting', '']],
                2 => [['right', 'waiting', '']],
                3 => [
                    ['hole off', 'returned', 'Measure both screw holes from the middle. Are they the same?'],
                    ['right', 'accepted', 'Now left and right are the same.'],
                ],
                4 => [['radius, hole off', 'making', '']],
                5 => [['radius', 'returned', 'The bore: radius or diameter?'], ['hole off', 'waiting', '']],
                6 => [['downward', 'making', '']],
                7 => [['right', 'accepted', 'All sizes met.']],
                8 => [['one hole', 'waiting', '']],
                9 => [['boss small', 'making', '']],
                10 => [['two pieces', 'waiting', '']],
                11 => [['radius', 'waiting', '']],
                12 => [['right', 'begun', '']],
            ],
        ],
        [
            'exercise' => 'bracket',
            'class' => '8b',
            'due' => -1,
            'checks' => null,
            'tries' => [
                1 => [['right', 'accepted', 'Right, and all fractions typed as they stand. Good.']],
                2 => [
                    ['millimetres', 'returned', 'Look at your foot: is it really a quarter of an inch thick?'],
                    ['right', 'accepted', ''],
                ],
                3 => [['radius', 'waiting', '']],
                4 => [['all areas', 'returned', 'The screw holes have been filled again. Which areas did you pick?']],
                5 => [['hole off', 'waiting', '']],
                6 => [['not through', 'waiting', '']],
                7 => [['right', 'accepted', '']],
                8 => [['thick', 'returned', 'Compare the thickness of the foot.'], ['right', 'waiting', '']],
                10 => [['right', 'waiting', '']],
            ],
        ],
        [
            'exercise' => 'hub',
            'class' => '8b',
            'due' => 12,
            'checks' => null,
            'tries' => [
                2 => [['radius', 'making', '']],
                7 => [['through', 'waiting', '']],
                8 => [['one side', 'making', '']],
            ],
        ],
        [
            'exercise' => 'wheel',
            'class' => '7a',
            'due' => 9,
            'checks' => null,
            'tries' => [
                1 => [['right', 'waiting', '']],
                2 => [['five arms', 'making', '']],
                4 => [['not sunk', 'returned', 'It is 3 too high. Which shapes should be sunk into the one below?']],
                6 => [['no bore', 'making', '']],
                9 => [['right', 'begun', '']],
            ],
        ],
        [
            'exercise' => 'sign',
            'class' => '7a',
            'due' => 16,
            'checks' => null,
            'tries' => [
                3 => [['one post', 'making', '']],
            ],
        ],
    ],
];
