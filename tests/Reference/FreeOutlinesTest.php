<?php

declare(strict_types=1);

use Cubo\Exchange\SolidPacking;
use Cubo\Geometry\CubicSpline;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Measure\Bounds;
use Cubo\Measure\MassProperties;
use Cubo\Recipe\PartState;
use Cubo\Solid\ExtrudedSurface;
use Cubo\Solid\PipeSurface;
use Cubo\Solid\RevolvedSurface;
use Tests\Parts;

/*
 * Ellipses and splines drawn out and turned, against closed forms: the area of the ellipse, its perimeter by the arithmetic-
 * geometric mean (M. Abramowitz and I. Stegun, "Handbook of Mathematical Functions", 1964, 17.6), the second rule of Pappus and
 * Guldin (E. Kreyszig, "Advanced Engineering Mathematics", on surfaces and volumes of revolution), parallel curves (area
 * A - P t + pi t2: J. Steiner, "Ueber parallele Flaechen", 1840) and integrals of polynomials by Gauss's rule.
 */

/** @return array<string, mixed> */
function leafEllipse(float $u, float $v, float $a, float $b, float $turn): array
{
    return [
        'kind' => 'sketch',
        'plane' => 'ground',
        'drawn' => [
            'points' => ['p1' => [$u, $v], 'p2' => [$u + $a * cos(deg2rad($turn)), $v + $a * sin(deg2rad($turn))]],
            'lines' => [['id' => 'rim', 'kind' => 'ellipse', 'points' => ['p1', 'p2'], 'size' => $b]],
        ],
    ];
}

function ellipsePerimeter(float $a, float $b): float
{
    // 2 pi (a2 - sum of 2^(n-1) c_n2) / mean
    [$x, $y, $sum, $power] = [$a, $b, ($a * $a - $b * $b) / 2, 1.0];
    for ($i = 0; $i < 12; $i++) {
        $c = ($x - $y) / 2;
        [$x, $y] = [($x + $y) / 2, sqrt($x * $y)];
        $sum += $power * $c * $c;
        $power *= 2;
    }

    return (2 * M_PI * ($a * $a - $sum)) / $x;
}

function allDone(PartState $s): PartState
{
    foreach ($s->results as $r) {
        expect($r->messages)->toBe([]);
    }

    return $s;
}

it('draws ellipses out to elliptic cylinders, exact in volume, area and size', function (float $a, float $b, float $turn) {
    $part = allDone(
        Parts::build([leafEllipse(3, -7, $a, $b, $turn), ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '12']]),
    )->part();
    $m = new MassProperties($part);
    expect($m->volume / (M_PI * $a * $b * 12))
        ->toEqualWithDelta(1.0, 1e-9)
        ->and($m->area / (2 * M_PI * $a * $b + 12 * ellipsePerimeter($a, $b)))
        ->toEqualWithDelta(1.0, 1e-8);
    [$c, $s] = [cos(deg2rad($turn)), sin(deg2rad($turn))];
    $size = Bounds::of($part)->size();
    expect($size[0])
        ->toEqualWithDelta(2 * hypot($a * $c, $b * $s), 1e-8)
        ->and($size[1])
        ->toEqualWithDelta(2 * hypot($a * $s, $b * $c), 1e-8);
    $again = SolidPacking::unpack(SolidPacking::pack($part));
    expect($again)
        ->not->toBeNull()
        ->and((new MassProperties($again ?? $part))->volume)
        ->toBe($m->volume);
})->with([[40.0, 30.0, 0.0], [20.0, 5.0, 17.0], [100.0, 30.0, 60.0], [5.0, 1.0, 45.0], [10.0, 10.0, 0.0]]);

it('keeps them exact when they are mirrored, turned, stretched and hollowed', function () {
    [$a, $b] = [30.0, 18.0];
    $base = [leafEllipse(50, 0, $a, $b, 25), ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '20']];
    $volume = static fn(array $more): float => (new MassProperties(allDone(Parts::build([...$base, ...$more]))->part()))->volume;
    $full = M_PI * $a * $b * 20;
    expect($volume([['kind' => 'mirror', 'of' => 'body', 'plane' => 'side']]) / (2 * $full))
        ->toEqualWithDelta(1.0, 1e-9)
        ->and($volume([['kind' => 'turn', 'angle' => '33', 'about' => 'x']]) / $full)
        ->toEqualWithDelta(1.0, 1e-9)
        ->and($volume([['kind' => 'scale', 'by' => 'each', 'factorx' => '2', 'factory' => '1', 'factorz' => '0.5']]) / $full)
        ->toEqualWithDelta(1.0, 1e-9)
        ->and($volume([['kind' => 'scale', 'by' => 'all', 'factor' => '1.5']]) / $full)
        ->toEqualWithDelta(1.5 ** 3, 1e-9);
    $inside = M_PI * $a * $b - 2 * ellipsePerimeter($a, $b) + 4 * M_PI;
    expect($volume([['kind' => 'hollow', 'wall' => '2', 'faces' => ['s2:end']]]) / ($full - 18 * $inside))->toEqualWithDelta(1.0, 1e-7);
    // a slice between two parallel planes through the middle leaves twice the area under the ellipse
    $slice = ['kind' => 'block', 'width' => '200', 'depth' => '200', 'height' => '60', 'x' => '-50', 'z' => '-5', 'effect' => 'cut'];
    expect($volume([$slice]) / ($full / 2))->toEqualWithDelta(1.0, 1e-9);
});

it('turns ellipses into ellipsoids and rings', function () {
    $ring = allDone(
        Parts::build([
            leafEllipse(40, 5, 12, 6, 30),
            ['kind' => 'revolve', 'sketch' => 's1', 'regions' => 'all', 'about' => 'line', 'axis' => 'v-axis', 'angle' => '90'],
        ]),
    )->part();
    expect((new MassProperties($ring))->volume / (((M_PI * 12 * 6 * M_PI) / 2) * 40))->toEqualWithDelta(1.0, 1e-8);
    $half = leafEllipse(0, 0, 20, 12, 0);
    $half['drawn']['points'] += ['p3' => [-30, 0], 'p4' => [30, 0]];
    $half['drawn']['lines'][] = ['id' => 'axis', 'kind' => 'line', 'points' => ['p3', 'p4']];
    $ball = allDone(
        Parts::build([
            $half,
            ['kind' => 'revolve', 'sketch' => 's1', 'regions' => [2], 'about' => 'line', 'axis' => 'axis', 'angle' => '360'],
        ]),
    )->part();
    expect((new MassProperties($ball))->volume / ((4 / 3) * M_PI * 20 * 12 * 12))
        ->toEqualWithDelta(1.0, 1e-7)
        ->and(Bounds::of($ball)->size()[1])
        ->toEqualWithDelta(24.0, 1e-7);
});

it('draws splines out and turns them, exact as their polynomials are', function () {
    $points = [[0.0, 0.0], [10.0, 8.0], [25.0, 10.0], [40.0, 6.0], [50.0, 0.0]];
    $named = [];
    foreach ($points as $i => $p) {
        $named["p$i"] = $p;
    }
    $sketch = [
        'kind' => 'sketch',
        'plane' => 'ground',
        'drawn' => [
            'points' => $named,
            'lines' => [
                ['id' => 'back', 'kind' => 'curve', 'points' => array_keys($named)],
                ['id' => 'foot', 'kind' => 'line', 'points' => ['p0', 'p4']],
            ],
        ],
    ];
    // polynomials of fifth and eighth degree in every stretch: five points are exact
    $spline = new CubicSpline($points);
    $area = $moment = 0.0;
    for ($k = 1; $k < count($points); $k++) {
        $h = ($spline->knots[$k] - $spline->knots[$k - 1]) / 2;
        foreach (
            [
                [0.0, 0.5688888888888889],
                [0.5384693101056831, 0.47862867049936647],
                [-0.5384693101056831, 0.47862867049936647],
                [0.906179845938664, 0.23692688505618908],
                [-0.906179845938664, 0.23692688505618908],
            ]
            as [$x, $w]
        ) {
            [$p, $d] = $spline->at($spline->knots[$k] - $h + $x * $h);
            $area += $w * $h * $p[1] * $d[0];
            $moment += $w * $h * $p[1] ** 2 * $d[0];
        }
    }
    $volume = static fn(array $step): float => (new MassProperties(allDone(Parts::build([$sketch, $step]))->part()))->volume;
    expect($volume(['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '10']) / (10 * $area))
        ->toEqualWithDelta(1.0, 1e-9)
        ->and(
            $volume(['kind' => 'revolve', 'sketch' => 's1', 'regions' => 'all', 'about' => 'line', 'axis' => 'u-axis', 'angle' => '360']) /
                (M_PI * $moment),
        )
        ->toEqualWithDelta(1.0, 1e-8);
});

it('measures how far a part reaches on its true edges, also where a round is cut', function () {
    $part = Parts::build([
        ['kind' => 'block', 'width' => '25', 'depth' => '25', 'height' => '25', 'from' => 'corner', 'edges' => 'round', 'bevel' => '2'],
        ['kind' => 'block', 'width' => '60', 'depth' => '24', 'height' => '60', 'y' => '12', 'z' => '-10', 'effect' => 'cut'],
    ])->part();
    $b = Bounds::of($part);
    // one millimetre past the middle of a round of 2: by Pythagoras
    expect($b->max[0])
        ->toEqualWithDelta(23 + sqrt(3), 1e-9)
        ->and($b->max[2])
        ->toEqualWithDelta(23 + sqrt(3), 1e-9)
        ->and($b->min[0])
        ->toEqualWithDelta(2 - sqrt(3), 1e-9);
    // a post cut obliquely: the ellipse reaches as high as the plane at its far side
    $post = Parts::build([
        ['kind' => 'cylinder', 'round' => '30', 'length' => '60'],
        ['kind' => 'turn', 'angle' => '11', 'about' => 'z'],
        [
            'kind' => 'block',
            'width' => '90',
            'depth' => '90',
            'height' => '60',
            'z' => '30',
            'effect' => 'cut',
            'leans' => 'back',
            'lean' => '25',
            'facing' => '7',
        ],
    ])->part();
    expect(Bounds::of($post)->size()[2])->toEqualWithDelta(30 + 15 * tan(deg2rad(25)), 1e-8);
});

it('keeps turned, rolled and drawn faces through caches, mirrors and stretches', function (array $steps, string $class) {
    $part = allDone(Parts::build($steps))->part();
    expect(array_filter($part->surfaces, static fn($u): bool => $u->patch instanceof $class))->not->toBe([]);
    $volume = (new MassProperties($part))->volume;
    $again = SolidPacking::unpack(SolidPacking::pack($part));
    expect($again)
        ->not->toBeNull()
        ->and((new MassProperties($again ?? $part))->volume)
        ->toBe($volume);
    $moved = $part
        ->moved(Transform::turn([1.0, 2.0, 3.0], Vector::unit([1.0, -2.0, 0.5]), 40.0))
        ->moved(Transform::mirrorIn([5.0, 0.0, 0.0], Vector::unit([1.0, 1.0, 0.0])));
    expect((new MassProperties($moved))->volume / $volume)
        ->toEqualWithDelta(1.0, 1e-9)
        ->and((new MassProperties($part->scaled(2.0, 2.0, 2.0)))->volume / $volume)
        ->toEqualWithDelta(8.0, 1e-8)
        ->and((new MassProperties($part->scaled(2.0, 1.0, 0.5)))->volume / $volume)
        ->toEqualWithDelta(1.0, 1e-6);
})->with([
    'a turned ellipse' => [
        [
            leafEllipse(30, 5, 12, 6, 30),
            ['kind' => 'revolve', 'sketch' => 's1', 'regions' => 'all', 'about' => 'line', 'axis' => 'v-axis', 'angle' => '60'],
        ],
        RevolvedSurface::class,
    ],
    'a smooth loft of circles' => [
        [
            ...array_map(
                static fn(string $r, string $o): array => [
                    'kind' => 'sketch',
                    'plane' => 'ground',
                    'offset' => $o,
                    'shapes' => [['kind' => 'circle', 'u' => '3', 'v' => '0', 'by' => 'radius', 'round' => $r]],
                ],
                ['10', '15', '8'],
                ['0', '10', '25'],
            ),
            ['kind' => 'loft', 'sketches' => ['s1', 's2', 's3'], 'skin' => 'smooth'],
        ],
        RevolvedSurface::class,
    ],
    'the rim of an oblique cut' => [
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
            ['kind' => 'round', 'edges' => ['s1:side / s2:bottom'], 'radius' => '1'],
        ],
        PipeSurface::class,
    ],
    'an elliptic cylinder' => [
        [leafEllipse(3, 1, 20, 9, 12), ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '9']],
        ExtrudedSurface::class,
    ],
]);
