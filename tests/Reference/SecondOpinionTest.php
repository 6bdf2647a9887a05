<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Tests\Parts;
use Tests\SecondOpinion;

/*
 * A second opinion on rounds, walls and drafts: volumes and areas of the same parts in Open CASCADE Technology 7.6 (Debian
 * package occt-draw). Where the package is missing these tests are skipped. Shares by which both may differ: 1e-6 where all faces
 * are analytic, 1e-5 beside balls and where edges are cut (the seam of two faces that touch smoothly lies on facets there), 1e-4
 * along free curves.
 */

$block = ['kind' => 'block', 'width' => '20', 'depth' => '14', 'height' => '9', 'from' => 'corner'];
$box = 'box b 0 0 0 20 14 9';
$disc = ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '12'];
$round = static fn(string $radius, string ...$edges): array => ['kind' => 'round', 'edges' => $edges, 'radius' => $radius];

/** @var array<string, array{list<array<string, mixed>>, string, float}> $parts steps, commands, how far apart as a share */
$parts = [
    'one edge' => [[$block, $round('2', 's1:back / s1:top')], "$box\nblend r b 2 [pick b e 10 14 9]", 1e-6],
    'three edges in a corner' => [
        [$block, $round('2', 's1:back / s1:top', 's1:right / s1:top', 's1:back / s1:right')],
        "$box\nblend r b 2 [pick b e 10 14 9] 2 [pick b e 20 7 9] 2 [pick b e 20 14 4.5]",
        1e-6,
    ],
    'two edges in a mitre' => [
        [$block, $round('2', 's1:back / s1:top', 's1:right / s1:top')],
        "$box\nblend r b 2 [pick b e 10 14 9] 2 [pick b e 20 7 9]",
        1e-6,
    ],
    'all edges' => [
        [['edges' => 'round', 'bevel' => '2'] + $block],
        "$box\nset l {}\nforeach e [explode b e] {lappend l 2 \$e}\neval blend r b \$l",
        1e-6,
    ],
    'upright edges, then the rim' => [
        [
            $block,
            $round('4', 's1:back / s1:right', 's1:front / s1:right', 's1:back / s1:left', 's1:front / s1:left'),
            ['kind' => 'round', 'faces' => ['s1:top'], 'radius' => '1.5'],
        ],
        "$box\nblend c b 4 [pick b e 20 14 4.5] 4 [pick b e 20 0 4.5] 4 [pick b e 0 14 4.5] 4 [pick b e 0 0 4.5]\nblend r c 1.5 [pick c e 10 14 9]",
        1e-6,
    ],
    'rim of a disc' => [[$disc, $round('2', 's1:side / s1:top')], "pcylinder b 10 12\nblend r b 2 [pick b e 0 0 12]", 1e-6],
    'both rims of a disc' => [
        [$disc, $round('3', 's1:side / s1:top', 's1:bottom / s1:side')],
        "pcylinder b 10 12\nblend r b 3 [pick b e 0 0 12] 3 [pick b e 0 0 0]",
        1e-6,
    ],
    'rims of a tube' => [
        [
            ['kind' => 'tube', 'by' => 'radius', 'round' => '10', 'length' => '12', 'wall' => '3'],
            $round('1', 's1:side / s1:top', 's1:inside / s1:top'),
        ],
        "pcylinder o 10 12\npcylinder i 7 12\nbcut b o i\nblend r b 1 [pick b e 0 0 12 20] 1 [pick b e 0 0 12 14]",
        1e-6,
    ],
    'rim of a cone' => [
        [['kind' => 'cone', 'by' => 'radius', 'round' => '10', 'tip' => '5', 'length' => '12'], $round('1.5', 's1:bottom / s1:side')],
        "pcone b 10 5 12\nblend r b 1.5 [pick b e 0 0 0]",
        1e-6,
    ],
    'both rims of a cone' => [
        [
            ['kind' => 'cone', 'by' => 'radius', 'round' => '10', 'tip' => '5', 'length' => '12'],
            $round('2', 's1:bottom / s1:side', 's1:side / s1:top'),
        ],
        "pcone b 10 5 12\nblend r b 2 [pick b e 0 0 0] 2 [pick b e 0 0 12]",
        1e-6,
    ],
    'a post on a plate' => [
        [
            ['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '8'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '8', 'length' => '12', 'z' => '8'],
            $round('3', 's1:top / s2:side'),
        ],
        "box a -20 -20 0 40 40 8\npcylinder c 8 20\nbfuse b a c\nblend r b 3 [pick b e 0 0 8 16]",
        1e-6,
    ],
    'a hole rounded above' => [
        [
            ['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '8'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
            $round('2', 's1:top / s2:side'),
        ],
        "box a -20 -20 0 40 40 8\npcylinder c 8 20\nbcut b a c\nblend r b 2 [pick b e 0 0 8 16]",
        1e-6,
    ],
    'half a disc' => [
        [
            $disc,
            ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '40', 'y' => '-10', 'z' => '-5', 'effect' => 'cut'],
            $round('1.5', 's1:side / s1:top'),
        ],
        "pcylinder c 10 12\nbox a -20 -20 -5 40 20 40\nbcut b c a\nblend r b 1.5 [pick b e 0 5 12]",
        1e-5,
    ],
    'a shaft with a flat' => [
        [
            $disc,
            ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '40', 'y' => '-16', 'z' => '-5', 'effect' => 'cut'],
            $round('1', 's1:side / s1:top'),
        ],
        "pcylinder c 10 12\nbox a -20 -26 -5 40 20 40\nbcut b c a\nblend r b 1 [pick b e 0 2 12 20]",
        1e-5,
    ],
    'rim of a half ball' => [
        [['kind' => 'halfball', 'by' => 'radius', 'round' => '12'], $round('2', 's1:bottom / s1:dome')],
        "psphere b 12 0 90\nblend r b 2 [pick b e 0 0 0 24]",
        1e-5,
    ],
    'rim of a cut ball' => [
        [
            ['kind' => 'ball', 'by' => 'radius', 'round' => '12', 'z' => '0', 'stand' => 'place'],
            ['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '20', 'z' => '6', 'effect' => 'cut'],
            $round('1.5', 's1:ball / s2:bottom'),
        ],
        "psphere c 12\nbox a -20 -20 6 40 40 20\nbcut b c a\nblend r b 1.5 [pick b e 0 0 6]",
        1e-5,
    ],
    'an oblique cut' => [
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '30'],
            [
                'kind' => 'block',
                'width' => '60',
                'depth' => '60',
                'height' => '30',
                'z' => '20',
                'effect' => 'cut',
                'leans' => 'back',
                'lean' => '30',
            ],
            $round('1', 's1:side / s2:bottom'),
        ],
        "pcylinder c 10 40\nplane p 0 0 20 0 [expr {-sin(0.5235987755982988)}] [expr {cos(0.5235987755982988)}]\nhalfspace h [mkface q p -60 60 -60 60; set x q] 0 0 60\nbcut b c h\nblend r b 1 [pick b e 0 0 20]",
        1e-5,
    ],
    'a hollow block' => [
        [$block, ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']]],
        "$box\noffsetshape r b -2 1e-6 [pick b f 10 7 9]",
        1e-6,
    ],
    'a hollow disc' => [
        [$disc, ['kind' => 'hollow', 'wall' => '1.5', 'faces' => ['s1:top']]],
        "pcylinder b 10 12\noffsetshape r b -1.5 1e-6 [pick b f 0 0 12]",
        1e-6,
    ],
    'a hollow cone' => [
        [
            ['kind' => 'cone', 'by' => 'radius', 'round' => '10', 'tip' => '5', 'length' => '12'],
            ['kind' => 'hollow', 'wall' => '1', 'faces' => ['s1:bottom']],
        ],
        "pcone b 10 5 12\noffsetshape r b -1 1e-6 [pick b f 0 0 0]",
        1e-6,
    ],
    'a bowl' => [
        [['kind' => 'halfball', 'by' => 'radius', 'round' => '12'], ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:bottom']]],
        "psphere b 12 0 90\noffsetshape r b -2 1e-6 [pick b f 0 0 0]",
        1e-6,
    ],
    'a hollow rounded block' => [
        [
            $block,
            $round('4', 's1:back / s1:right', 's1:front / s1:right', 's1:back / s1:left', 's1:front / s1:left'),
            ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']],
        ],
        "$box\nblend c b 4 [pick b e 20 14 4.5] 4 [pick b e 20 0 4.5] 4 [pick b e 0 14 4.5] 4 [pick b e 0 0 4.5]\noffsetshape r c -2 1e-6 [pick c f 10 7 9]",
        1e-6,
    ],
    'a hollow rounded tray' => [
        [
            $block,
            $round('4', 's1:back / s1:right', 's1:front / s1:right', 's1:back / s1:left', 's1:front / s1:left'),
            ['kind' => 'round', 'faces' => ['s1:bottom'], 'radius' => '3'],
            ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']],
        ],
        "$box\nblend c b 4 [pick b e 20 14 4.5] 4 [pick b e 20 0 4.5] 4 [pick b e 0 14 4.5] 4 [pick b e 0 0 4.5]\nblend d c 3 [pick c e 10 14 0]\noffsetshape r d -2 1e-6 [pick d f 10 7 9]",
        1e-6,
    ],
    'a hollow prism' => [
        [
            ['kind' => 'prism', 'round' => '20', 'sides' => '6', 'height' => '8'],
            ['kind' => 'hollow', 'wall' => '1.5', 'faces' => ['s1:top']],
        ],
        "polyline w 10 0 0 5 8.660254037844386 0 -5 8.660254037844386 0 -10 0 0 -5 -8.660254037844386 0 5 -8.660254037844386 0 10 0 0\nmkplane g w\nprism b g 0 0 8\noffsetshape r b -1.5 1e-6 [pick b f 0 0 8]",
        1e-6,
    ],
    'one side tilted' => [
        [$block, ['kind' => 'draft', 'faces' => ['s1:right'], 'angle' => '5', 'plane' => 'ground']],
        "$box\ndepouille r b 0 0 1 [pick b f 20 7 4.5] 5 0 0 0 0 0 1",
        1e-6,
    ],
    'four sides tilted' => [
        [$block, ['kind' => 'draft', 'faces' => ['s1:right', 's1:left', 's1:front', 's1:back'], 'angle' => '5', 'plane' => 'ground']],
        "$box\ndepouille r b 0 0 1 [pick b f 20 7 4.5] 5 0 0 0 0 0 1 [pick b f 0 7 4.5] 5 0 0 0 0 0 1 [pick b f 10 0 4.5] 5 0 0 0 0 0 1 [pick b f 10 14 4.5] 5 0 0 0 0 0 1",
        1e-6,
    ],
    'a tilted disc' => [
        [$disc, ['kind' => 'draft', 'faces' => ['s1:side'], 'angle' => '4', 'plane' => 'ground']],
        "pcylinder b 10 12\ndepouille r b 0 0 1 [pick b f 0 0 6] 4 0 0 0 0 0 1",
        1e-6,
    ],
    'tilted beside rounds' => [
        [
            $block,
            $round('3', 's1:back / s1:right', 's1:front / s1:right'),
            ['kind' => 'draft', 'faces' => ['s1:right', 's1:front', 's1:back'], 'angle' => '3', 'plane' => 'ground'],
        ],
        "$box\nblend c b 3 [pick b e 20 14 4.5] 3 [pick b e 20 0 4.5]\ndepouille r c 0 0 1 [pick c f 20 7 4.5] 3 0 0 0 0 0 1",
        1e-6,
    ],
    'a tilted pot, rounded and hollow' => [
        [
            ['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '30', 'from' => 'corner'],
            ['kind' => 'draft', 'faces' => ['s1:right', 's1:left', 's1:front', 's1:back'], 'angle' => '-5', 'plane' => 'ground'],
            ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']],
        ],
        "box b 0 0 0 40 40 30\ndepouille c b 0 0 1 [pick b f 40 20 15] -5 0 0 0 0 0 1 [pick b f 0 20 15] -5 0 0 0 0 0 1 [pick b f 20 0 15] -5 0 0 0 0 0 1 [pick b f 20 40 15] -5 0 0 0 0 0 1\noffsetshape r c -2 1e-6 [pick c f 20 20 30]",
        1e-6,
    ],
    'a six-sided prism, its rim' => [
        [
            ['kind' => 'prism', 'round' => '20', 'sides' => '6', 'height' => '8'],
            ['kind' => 'round', 'faces' => ['s1:top'], 'radius' => '2'],
        ],
        "polyline w 10 0 0 5 8.660254037844386 0 -5 8.660254037844386 0 -10 0 0 -5 -8.660254037844386 0 5 -8.660254037844386 0 10 0 0\nmkplane g w\nprism b g 0 0 8\nset l {}\nforeach e [explode b e] {set q [bounding \$e]; if {abs([lindex \$q 2] - 8) < 0.01 && abs([lindex \$q 5] - 8) < 0.01} {lappend l 2 \$e}}\neval blend r b \$l",
        1e-6,
    ],
    'crossing pipes' => [
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '8', 'length' => '50', 'along' => 'x', 'x' => '-25'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '5', 'length' => '20'],
            $round('1.5', 's1:side / s2:side'),
        ],
        "pcylinder a 8 50\ntrotate a 0 0 0 0 1 0 90\nttranslate a -25 0 0\npcylinder c 5 20\nbfuse b a c\nblend r b 1.5 [pick b e 0 0 7.1225 10]",
        1e-4,
    ],
];

it('finds the volume and area that another kernel finds', function (string $name) use ($parts) {
    [$steps, , $apart] = $parts[$name];
    $other = SecondOpinion::of(array_map(static fn(array $p): string => $p[1], $parts))[$name] ?? null;
    expect($other)->not->toBeNull('the other kernel made no such part');
    $state = Parts::build($steps);
    foreach ($state->results as $r) {
        expect($r->messages)->toBe([], $r->messages[0]->why ?? '');
    }
    $m = new MassProperties($state->part());
    expect($m->volume / $other[0])
        ->toEqualWithDelta(1.0, $apart)
        ->and($m->area / $other[1])
        ->toEqualWithDelta(1.0, 2 * $apart);
})
    ->with(array_keys($parts))
    ->skip(!SecondOpinion::isThere(), 'occt-draw is not installed');
