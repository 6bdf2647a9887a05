<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Kind\Family;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepStatus;
use Tests\Parts;
use Tests\Soundness;

/** @param list<array<string, mixed>> $steps @return list<float> the box around the part */
function boxOf(array $steps): array
{
    $state = Parts::build($steps);
    foreach ($state->results as $r) {
        expect($r->status)->toBe(StepStatus::Done, "$r->id: " . ($r->messages[0]->what ?? '') . ' ' . ($r->messages[0]->why ?? ''));
    }
    expect(Soundness::faults($state->part()))->toBe([]);

    return array_map(static fn(float $v): float => round($v, 6) + 0.0, $state->part()->vertexBox());
}

// closed forms of solid geometry: common practice, no source
it('makes every ready solid as large as its sizes say', function (array $step, float $volume, float $within) {
    $state = Parts::build([$step]);
    expect($state->results['s1']->status)
        ->toBe(StepStatus::Done, $state->results['s1']->messages[0]->why ?? '')
        ->and(Soundness::faults($state->part()))
        ->toBe([])
        ->and((new MassProperties($state->part()))->volume)
        ->toEqualWithDelta($volume, $within);
})->with([
    'a tube' => [['kind' => 'tube', 'round' => '20', 'wall' => '3', 'length' => '10'], M_PI * (100 - 49) * 10, 1e-2],
    'half a ball' => [['kind' => 'halfball', 'by' => 'radius', 'round' => '10'], (2000 / 3) * M_PI, 1e-2],
    'half a cylinder' => [['kind' => 'halfcylinder', 'round' => '20', 'length' => '30'], 50 * M_PI * 30, 1e-2],
    'a ring' => [['kind' => 'ring', 'round' => '40', 'thick' => '8'], 2 * M_PI ** 2 * 16 * 16, 0.2],
    'a wedge' => [['kind' => 'wedge', 'width' => '40', 'depth' => '20', 'height' => '20'], 8000.0, 1e-6],
    'a wedge that is cut off' => [
        ['kind' => 'wedge', 'width' => '40', 'depth' => '20', 'height' => '20', 'low' => '5'],
        40 * 20 * 12.5,
        1e-6,
    ],
    'a roof' => [['kind' => 'roof', 'width' => '40', 'depth' => '30', 'height' => '20'], 12000.0, 1e-6],
    'a hexagon across its corners' => [['kind' => 'prism', 'sides' => '6', 'round' => '20', 'height' => '10'], 150 * sqrt(3) * 10, 1e-6],
    'a hexagon across its flats' => [
        ['kind' => 'prism', 'sides' => '6', 'across' => 'flats', 'round' => '20', 'height' => '10'],
        200 * sqrt(3) * 10,
        1e-6,
    ],
    'a nut blank' => [
        ['kind' => 'nutblank', 'width' => '13', 'height' => '6.5', 'bore' => '6.75'],
        ((169 * sqrt(3)) / 2 - M_PI * 3.375 ** 2) * 6.5,
        1e-5,
    ],
    'a nut blank by its radius' => [
        ['kind' => 'nutblank', 'by' => 'radius', 'width' => '20', 'height' => '10', 'bore' => '5'],
        (200 * sqrt(3) - 25 * M_PI) * 10,
        1e-5,
    ],
    'a square pyramid' => [
        ['kind' => 'pyramid', 'sides' => '4', 'across' => 'flats', 'round' => '20', 'tip' => '0', 'height' => '15'],
        2000.0,
        1e-6,
    ],
    'a pyramid that is cut off' => [
        ['kind' => 'pyramid', 'sides' => '4', 'across' => 'flats', 'round' => '20', 'tip' => '10', 'height' => '15'],
        (15 * (400 + 100 + 200)) / 3,
        1e-6,
    ],
    'a block with rounded uprights' => [
        ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10', 'edges' => 'upright', 'bevel' => '3'],
        10 * (800 - 9 * (4 - M_PI)),
        1e-2,
    ],
    'a block with chamfered uprights' => [
        ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10', 'edges' => 'uprightcut', 'bevel' => '3'],
        10 * (800 - 18.0),
        1e-6,
    ],
]);

it('says in words what no shape can be', function (array $step, string $outcome) {
    expect(Parts::outcome([$step]))->toBe($outcome);
})->with([
    'a tube without a hole' => [['kind' => 'tube', 'round' => '10', 'wall' => '5'], 'no-wall@wall'],
    'a ring without a hole' => [['kind' => 'ring', 'round' => '20', 'thick' => '10'], 'no-hole@thick'],
    'a nut without a wall' => [['kind' => 'nutblank', 'width' => '10', 'bore' => '10'], 'no-wall@bore'],
    'two sides' => [['kind' => 'prism', 'sides' => '2'], 'no-polygon@sides'],
    'ten thousand sides' => [['kind' => 'prism', 'sides' => '10000'], 'not-a-count@sides'],
    'edges too soft' => [
        ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10', 'edges' => 'round', 'bevel' => '6'],
        'too-wide@bevel',
    ],
    'a negative size' => [['kind' => 'roof', 'height' => '-3'], 'not-positive@height'],
    'on no face' => [['kind' => 'block', 'stand' => 'face'], 'no-face@on'],
]);

it('stands every solid on the ground, never half below it', function (Kind $kind, string $along) {
    $values = ['kind' => $kind->id(), 'stand' => 'ground'] + ($kind->has('along') ? ['along' => $along] : []);
    $box = boxOf([$values]);
    expect($box[2])->toBe(0.0);
    $lifted = boxOf([['z' => '2', 'x' => '7', 'y' => '-4', 'facing' => '30'] + $values]);
    expect($lifted[2])
        ->toBe(2.0)
        ->and(($lifted[0] + $lifted[3]) / 2)
        ->toEqualWithDelta(7.0, 1e-5)
        ->and(($lifted[1] + $lifted[4]) / 2)
        ->toEqualWithDelta(-4.0, 1e-5);
})->with(
    array_merge(
        ...array_map(
            static fn(Kind $k): array => array_map(static fn(string $a): array => [$k, $a], $k->has('along') ? ['x', 'y', 'z'] : ['z']),
            array_filter(Kinds::in(Family::Solid), static fn(Kind $k): bool => $k !== Kinds::of('group')),
        ),
    ),
);

it('stands on a face, aligned and sunk, and is carried when the face moves', function (array $stand, array $box) {
    foreach (['20' => 20.0, '35' => 35.0] as $height => $top) {
        // as a body of its own its faces can be told apart
        $all = Parts::build([
            ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => (string) $height, 'x' => '5'],
            [
                'kind' => 'block',
                'width' => '10',
                'depth' => '8',
                'height' => '6',
                'stand' => 'face',
                'on' => 's1:top',
                'effect' => 'apart',
            ] + $stand,
        ]);
        $own = [INF, INF, -INF, -INF, -INF];
        $part = $all->part();
        foreach ($part->facet as $t => $f) {
            if (str_starts_with($part->surfaces[$part->surfaceOf[$f]]->name, 's2:')) {
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $v = $part->start[$h];
                    $own = [
                        min($own[0], $part->x[$v]),
                        min($own[1], $part->y[$v]),
                        max($own[2], $part->x[$v]),
                        max($own[3], $part->y[$v]),
                        max($own[4], $part->z[$v]),
                    ];
                }
            }
        }
        expect(array_slice($own, 0, 4))
            ->toEqualWithDelta(array_slice($box, 0, 4), 1e-9)
            ->and($own[4])
            ->toEqualWithDelta($top + $box[4], 1e-9);
    }
})->with([
    // the face reaches from -25 to 35 and from -20 to 20
    'centred' => [['alignx' => 'middle', 'aligny' => 'middle'], [0.0, -4.0, 10.0, 4.0, 6.0]],
    'from the origin' => [['x' => '3', 'y' => '2'], [-2.0, -2.0, 8.0, 6.0, 6.0]],
    'flush left and behind' => [['alignx' => 'low', 'aligny' => 'high'], [-25.0, 12.0, -15.0, 20.0, 6.0]],
    'flush right, 2 in from the front' => [['alignx' => 'high', 'aligny' => 'low', 'y' => '2'], [25.0, -18.0, 35.0, -10.0, 6.0]],
    'sunk by 2' => [['alignx' => 'middle', 'aligny' => 'middle', 'sink' => '2'], [0.0, -4.0, 10.0, 4.0, 4.0]],
    'turned' => [['alignx' => 'low', 'aligny' => 'low', 'facing' => '90'], [-25.0, -20.0, -17.0, -10.0, 6.0]],
]);

it('stands on an upright face as on a wall', function () {
    $box = boxOf([
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'],
        [
            'kind' => 'cylinder',
            'round' => '8',
            'length' => '5',
            'stand' => 'face',
            'on' => 's1:right',
            'alignx' => 'middle',
            'aligny' => 'middle',
        ],
    ]);
    expect($box[3])
        ->toBe(35.0)
        ->and($box[0])
        ->toBe(-30.0)
        ->and($box[5])
        ->toBe(20.0);
});

it('makes the same part as sketching does', function () {
    $sketched = Parts::build([
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'],
        [
            'kind' => 'sketch',
            'plane' => 'face',
            'face' => 's1:top',
            'shapes' => [['kind' => 'circle', 'by' => 'diameter', 'round' => '10', 'u' => '12', 'v' => '-3']],
        ],
        ['kind' => 'extrude', 'sketch' => 's2', 'distance' => '15'],
    ])->part();
    $placed = Parts::build([
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'],
        ['kind' => 'cylinder', 'round' => '10', 'length' => '15', 'stand' => 'face', 'on' => 's1:top', 'x' => '12', 'y' => '-3'],
    ])->part();
    expect(Parts::unlike($sketched, $placed))->toBeLessThan(1e-6);
});

it('shows a flat or a corner to the right, as it is measured', function () {
    expect(boxOf([['kind' => 'prism', 'sides' => '4', 'across' => 'flats', 'round' => '20']])[3])
        ->toBe(10.0)
        ->and(boxOf([['kind' => 'prism', 'sides' => '4', 'round' => '20']])[3])
        ->toBe(10.0)
        ->and(boxOf([['kind' => 'prism', 'sides' => '6', 'across' => 'flats', 'round' => '20']])[3])
        ->toBe(10.0)
        ->and(boxOf([['kind' => 'prism', 'sides' => '6', 'across' => 'flats', 'round' => '20']])[4])
        ->toEqualWithDelta(20 / sqrt(3), 1e-5);
});

it('puts new solids on the ground and keeps old recipes as they were', function () {
    expect(Editing::add(new Recipe(Unit::Millimetre), Kinds::of('ball'))->steps[0]->text('stand'))
        ->toBe('ground')
        ->and(boxOf([['kind' => 'ball', 'round' => '20']])[2])
        ->toBe(-10.0);
});

it('stands at a corner, the middle of an edge or a face, and is carried by it', function (string $at, array $foot, array $more = []) {
    foreach ([20.0, 35.0] as $height) {
        // a peg of 4 by 4 by 6 on a block of 60 by 40; its own faces tell where it stands
        $part = Parts::build([
            ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => (string) $height],
            ['kind' => 'cylinder', 'round' => '20', 'length' => (string) $height, 'effect' => 'cut', 'x' => '10'],
            ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '6', 'stand' => 'point', 'at' => $at, 'effect' => 'apart'] +
            $more,
        ])->part();
        $top = null;
        foreach ($part->facet as $t => $f) {
            if ($part->surfaces[$part->surfaceOf[$f]]->name === 's3:top') {
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $v = $part->start[$h];
                    $p = [$part->x[$v], $part->y[$v], $part->z[$v]];
                    $top = $top === null ? [$p, $p] : [array_map(min(...), $top[0], $p), array_map(max(...), $top[1], $p)];
                }
            }
        }
        expect([($top[0][0] + $top[1][0]) / 2, ($top[0][1] + $top[1][1]) / 2, $top[0][2] - 6 - $height])->toEqualWithDelta($foot, 1e-6);
    }
})->with([
    'a corner' => ['s1:front / s1:right / s1:top', [30.0, -20.0, 0.0]],
    'the middle of an edge' => ['s1:back / s1:top', [0.0, 20.0, 0.0]],
    'the middle of a rim' => ['s1:top / s2:side', [10.0, 0.0, 0.0]],
    'the middle of a face' => ['s1:top', [0.0, 0.0, 0.0]],
    'further on from there' => ['s1:front / s1:right / s1:top', [27.0, -18.0, 4.0], ['x' => '-3', 'y' => '2', 'z' => '4']],
    'with its side there' => ['s1:front / s1:right / s1:top', [28.0, -22.0, 0.0], ['alignx' => 'high', 'aligny' => 'high']],
]);

it('leans to every side and still stands on the ground', function (string $leans, float $angle, array $box) {
    expect(
        boxOf([
            [
                'kind' => 'block',
                'width' => '10',
                'depth' => '6',
                'height' => '20',
                'stand' => 'ground',
                'leans' => $leans,
                'lean' => (string) $angle,
            ],
        ]),
    )->toEqualWithDelta($box, 1e-6);
})->with([
    // a quarter turn lays it down; 30 degrees: width and height of a turned rectangle, common practice, no source
    'laid to the right' => ['right', 90.0, [-10.0, -3.0, 0.0, 10.0, 3.0, 10.0]],
    'laid to the front' => ['front', 90.0, [-5.0, -10.0, 0.0, 5.0, 10.0, 6.0]],
    'leaning back' => [
        'back',
        30.0,
        [-5.0, -(20 * 0.5 + (6 * sqrt(3)) / 2) / 2, 0.0, 5.0, (20 * 0.5 + (6 * sqrt(3)) / 2) / 2, (20 * sqrt(3)) / 2 + 3],
    ],
    'upright' => ['none', 30.0, [-5.0, -3.0, 0.0, 5.0, 3.0, 20.0]],
]);

it('leans to the side it says', function (string $leans, int $k, float $sign) {
    // a cone's tip lies where it leans to
    $part = Parts::build([['kind' => 'cone', 'round' => '10', 'tip' => '0', 'length' => '30', 'leans' => $leans, 'lean' => '40']])->part();
    $tip = [0.0, 0.0];
    foreach ($part->z as $v => $z) {
        $tip = $z > 20 ? [$part->x[$v], $part->y[$v]] : $tip;
    }
    expect($sign * $tip[$k])
        ->toEqualWithDelta(30 * sin(deg2rad(40)), 1e-6)
        ->and($tip[1 - $k])
        ->toEqualWithDelta(0.0, 1e-6);
})->with([['front', 1, -1.0], ['back', 1, 1.0], ['left', 0, -1.0], ['right', 0, 1.0]]);

it('stands letters up to be read from the front, or lays them flat', function () {
    $up = boxOf([['kind' => 'letters', 'text' => 'HI', 'height' => '20', 'depth' => '5', 'stand' => 'ground']]);
    $flat = boxOf([['kind' => 'letters', 'text' => 'HI', 'height' => '20', 'depth' => '5', 'lie' => 'flat', 'stand' => 'ground']]);
    expect([$up[1], $up[2], $up[4], $up[5]])
        ->toEqualWithDelta([-2.5, 0.0, 2.5, 20.0], 0.05)
        ->and($up[0])
        ->toEqualWithDelta(-$up[3], 1e-9)
        ->and([$flat[1], $flat[2], $flat[4], $flat[5]])
        ->toEqualWithDelta([-10.0, 0.0, 10.0, 5.0], 0.05)
        ->and(Parts::outcome([['kind' => 'letters', 'text' => '']]))
        ->toContain('@text');
    // an L has its foot to the right when it is read from the front
    $l = Parts::build([['kind' => 'letters', 'text' => 'L', 'height' => '20', 'depth' => '5', 'stand' => 'ground']])->part();
    expect(Cubo\Solid\Boolean\BooleanOperation::intersection($l, Parts::box(100, 100, 3, 0, -50, 0))->isEmpty())
        ->toBeFalse()
        ->and((new MassProperties($l))->centroid[0])
        ->toBeLessThan(0.0);
});

it('turns about an edge of the part', function () {
    $box = boxOf([
        ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10'],
        ['kind' => 'turn', 'about' => 'edge', 'edge' => 's1:bottom / s1:right', 'angle' => '90'],
    ]);
    // it stands on what was its right side, to one side or the other of that edge
    expect([$box[3] - $box[0], $box[5] - $box[2]])
        ->toEqualWithDelta([10.0, 40.0], 1e-9)
        ->and(min(abs($box[0] - 20), abs($box[3] - 20)))
        ->toBeLessThan(1e-9)
        ->and(Parts::outcome([['kind' => 'block'], ['kind' => 'turn', 'about' => 'edge', 'edge' => 's1:nothing / s1:top']]))
        ->toBe('no-edge@edge');
});

it('is made to a size along one axis, and its low side stays', function () {
    $box = boxOf([
        ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10', 'x' => '7'],
        ['kind' => 'scale', 'by' => 'size', 'axis' => 'x', 'size' => '50'],
    ]);
    expect($box)
        ->toEqualWithDelta([-13.0, -10.0, 0.0, 37.0, 10.0, 10.0], 1e-9)
        ->and(Parts::outcome([['kind' => 'block'], ['kind' => 'scale', 'by' => 'size', 'size' => '0']]))
        ->toBe('not-positive@size');
});

it('makes the same part as sketching does wherever a shape is aligned, sunk and turned', function (int $seed) {
    mt_srand($seed);
    $one = static fn(array $l) => $l[mt_rand(0, count($l) - 1)];
    [$w, $d, $h] = [mt_rand(30, 60), mt_rand(30, 60), mt_rand(8, 20)];
    // the base lies off the origin, so that a side and the origin are not the same
    [$ox, $oy] = [mt_rand(-9, 9), mt_rand(-9, 9)];
    [$a, $b, $c] = [mt_rand(4, 12), mt_rand(4, 12), mt_rand(5, 15)];
    [$ax, $ay] = [$one(['origin', 'middle', 'low', 'high']), $one(['origin', 'middle', 'low', 'high'])];
    [$x, $y, $sink, $turn] = [mt_rand(-4, 4), mt_rand(-4, 4), mt_rand(0, 3), $one([0, 90, 37, 180])];
    $base = [
        'kind' => 'block',
        'width' => (string) $w,
        'depth' => (string) $d,
        'height' => (string) $h,
        'x' => (string) $ox,
        'y' => (string) $oy,
    ];
    $placed = Parts::build([
        $base,
        [
            'kind' => 'block',
            'width' => (string) $a,
            'depth' => (string) $b,
            'height' => (string) $c,
            'stand' => 'face',
            'on' => 's1:top',
            'alignx' => $ax,
            'aligny' => $ay,
            'x' => (string) $x,
            'y' => (string) $y,
            'sink' => (string) $sink,
            'facing' => (string) $turn,
        ],
    ]);
    // half the box around a turned rectangle: common practice, no source
    [$cos, $sin] = [abs(cos(deg2rad($turn))), abs(sin(deg2rad($turn)))];
    [$hx, $hy] = [($a * $cos + $b * $sin) / 2, ($a * $sin + $b * $cos) / 2];
    $at = static fn(string $how, float $low, float $high, float $half): float => match ($how) {
        'middle' => ($low + $high) / 2,
        'low' => $low + $half,
        'high' => $high - $half,
        default => 0.0,
    };
    $u = $at($ax, $ox - $w / 2, $ox + $w / 2, $hx) + $x;
    $v = $at($ay, $oy - $d / 2, $oy + $d / 2, $hy) + $y;
    $sketched = Parts::build([
        $base,
        [
            'kind' => 'sketch',
            'plane' => 'face',
            'face' => 's1:top',
            'turn' => (string) $turn,
            'u' => sprintf('%.12F', $u),
            'v' => sprintf('%.12F', $v),
            'shapes' => [['kind' => 'rectangle', 'width' => (string) $a, 'height' => (string) $b]],
        ],
        [
            'kind' => 'extrude',
            'sketch' => 's2',
            'extent' => $sink > 0 ? 'both' : 'distance',
            'distance' => (string) ($c - $sink),
            'second' => (string) max(1, $sink),
        ],
    ]);
    expect($placed->results['s2']->status)
        ->toBe(StepStatus::Done)
        ->and(Parts::unlike($placed->part(), $sketched->part()))
        ->toBeLessThan(1e-6);
})->with(range(1, 20));
