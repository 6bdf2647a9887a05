<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\Bodies;
use Cubo\Measure\Bounds;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Change\Repeats;
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Maker\Fineness;
use Cubo\Solid\Maker\Lettering;
use Cubo\Solid\Maker\Loft;
use Cubo\Solid\Maker\Path;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Maker\Revolution;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Maker\Skin;
use Cubo\Solid\Maker\SoftBlock;
use Cubo\Solid\Maker\Sweep;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceKind;
use Tests\Solids;
use Tests\Soundness;

/** @return array<string, string> kind of surface by face name */
function kinds(Solid $s): array
{
    $out = [];
    foreach ($s->facet as $f) {
        $u = $s->surfaces[$s->surfaceOf[$f]];
        $out[$u->name] = $u->kind->value;
    }
    ksort($out, SORT_NATURAL);

    return $out;
}

it('gives every face its name and true surface', function (Closure $make, array $faces): void {
    expect(kinds($make()))->toBe($faces);
})->with([
    'tube' => [
        fn() => Shapes::tube('s', 10, 7, 20),
        ['s:bottom' => 'plane', 's:inside' => 'cylinder', 's:side' => 'cylinder', 's:top' => 'plane'],
    ],
    'cap' => [fn() => Shapes::cap('s', 10, 4), ['s:bottom' => 'plane', 's:dome' => 'sphere']],
    'half cylinder' => [
        fn() => Shapes::halfCylinder('s', 10, 30),
        ['s:bottom' => 'plane', 's:end' => 'plane', 's:side' => 'cylinder', 's:start' => 'plane'],
    ],
    'ring' => [fn() => Shapes::torus('s', 10, 3), ['s:ring' => 'torus']],
    'wedge' => [
        fn() => Shapes::wedge('s', 10, 20, 3, 8),
        ['s:back' => 'plane', 's:bottom' => 'plane', 's:front' => 'plane', 's:left' => 'plane', 's:right' => 'plane', 's:slope' => 'plane'],
    ],
    'prism: a prism, not a round' => [
        fn() => Shapes::prism('s', 5, 10, 5),
        [
            's:bottom' => 'plane',
            's:side 1' => 'plane',
            's:side 2' => 'plane',
            's:side 3' => 'plane',
            's:side 4' => 'plane',
            's:side 5' => 'plane',
            's:top' => 'plane',
        ],
    ],
    'pyramid' => [
        fn() => Shapes::pyramid('s', 3, 10, 0, 5),
        ['s:bottom' => 'plane', 's:side 1' => 'plane', 's:side 2' => 'plane', 's:side 3' => 'plane'],
    ],
    'chamfered block' => [
        fn() => SoftBlock::chamfered('s', [9.0, 8.0, 7.0], 1),
        array_fill_keys(
            [
                's:back',
                's:back bottom',
                's:back top',
                's:bottom',
                's:front',
                's:front bottom',
                's:front top',
                's:left',
                's:left back',
                's:left bottom',
                's:left front',
                's:left top',
                's:right',
                's:right back',
                's:right bottom',
                's:right front',
                's:right top',
                's:top',
            ],
            'plane',
        ),
    ],
    'part of a turn' => [
        fn() => Revolution::of('s', Solids::disc(4, 15, 3), 90, Transform::identity()),
        ['s:end' => 'plane', 's:round' => 'torus', 's:start' => 'plane'],
    ],
    'tapered' => [
        fn() => Extrusion::tapered('s', Solids::slot(30, 7), 6, 0, 5, Transform::identity()),
        ['s:back' => 'plane', 's:end' => 'plane', 's:front' => 'plane', 's:left' => 'cone', 's:right' => 'cone', 's:start' => 'plane'],
    ],
    'tapered both ways' => [
        fn() => Extrusion::tapered('s', Solids::disc(7), 6, 4, 5, Transform::identity()),
        ['s:end' => 'plane', 's:round down' => 'cone', 's:round up' => 'cone', 's:start' => 'plane'],
    ],
    'elbow' => [
        fn() => Sweep::along(
            's',
            Solids::disc(3),
            Path::from([0.0, 0.0, 0.0])
                ->lineTo([0.0, 0.0, 20.0])
                ->lineTo([30.0, 0.0, 20.0])
                ->rounded(8),
        ),
        ['s:end' => 'plane', 's:round 1' => 'cylinder', 's:round 2' => 'torus', 's:round 3' => 'cylinder', 's:start' => 'plane'],
    ],
    'loft' => [
        fn() => Loft::through('s', [[Solids::disc(10), Solids::lift(0)], [Solids::rectangle(12, 12), Solids::lift(15)]], false),
        [
            's:end' => 'plane',
            's:side 1' => 'patch',
            's:side 2' => 'patch',
            's:side 3' => 'patch',
            's:side 4' => 'patch',
            's:start' => 'plane',
        ],
    ],
    'frustum by loft' => [
        fn() => Loft::through('s', [[Solids::rectangle(10, 6), Solids::lift(0)], [Solids::rectangle(6, 5), Solids::lift(12)]], false),
        [
            's:end' => 'plane',
            's:side 1' => 'plane',
            's:side 2' => 'plane',
            's:side 3' => 'plane',
            's:side 4' => 'plane',
            's:start' => 'plane',
        ],
    ],
]);

it('refuses what cannot be made, with the largest value that would work', function (Closure $make, string $why): void {
    expect(Solids::refusal($make))->toBe($why);
})->with([
    'tube without wall' => [fn() => Shapes::tube('s', 5, 5, 9), 'no-wall 5'],
    'cap as high as the ball' => [fn() => Shapes::cap('s', 5, 10), 'no-flat 10'],
    'ring without a hole' => [fn() => Shapes::torus('s', 5, 5), 'no-hole 5'],
    'two-sided prism' => [fn() => Shapes::prism('s', 2, 5, 5), 'no-polygon 100'],
    'a size that is no number' => [fn() => Shapes::prism('s', 5, NAN, 5), 'no-size'],
    'no size' => [fn() => Shapes::wedge('s', 10, 0, 3, 8), 'no-size'],
    'a knob that goes down again' => [fn() => Shapes::knob('s', [[5.0, 0.0], [4.0, 3.0], [3.0, 2.0]]), 'no-size'],
    'edges rounder than the block' => [fn() => SoftBlock::rounded('s', [20.0, 14.0, 9.0], 5), 'too-wide 4.5'],
    'upright edges may be rounder' => [fn() => SoftBlock::rounded('s', [20.0, 14.0, 9.0], 5, false), 'made'],
    'a region over the axis' => [fn() => Revolution::of('s', Solids::disc(4, 3, 0), 90, Transform::identity()), 'crosses-axis'],
    'a turn of nothing' => [fn() => Revolution::of('s', Solids::disc(4, 9, 0), 0, Transform::identity()), 'no-angle 360'],
    'too much taper' => [fn() => Extrusion::tapered('s', Solids::rectangle(10, 6), 3, 0, 50, Transform::identity()), 'vanishes 45'],
    'no length' => [fn() => Extrusion::tapered('s', Solids::rectangle(10, 6), 0, 0, 5, Transform::identity()), 'no-length'],
    'no number for a length' => [fn() => Extrusion::straight('s', Solids::rectangle(10, 6), 0, NAN, Transform::identity()), 'no-length'],
    'a hole that grows into the outline' => [
        fn() => Extrusion::tapered('s', Solids::ring(10, 8), 9, 0, 20, Transform::identity()),
        'runs-together',
    ],
    'an outline that crosses itself' => [
        fn() => Extrusion::straight('s', new Profile([Solids::polygon([[0, 0], [10, 8], [10, 0], [0, 4]])]), 0, 5, Transform::identity()),
        'crosses-itself',
    ],
    'an outline the wrong way round' => [
        fn() => Extrusion::straight('s', new Profile([Solids::polygon([[0, 0], [0, 8], [8, 0]])]), 0, 5, Transform::identity()),
        'no-region',
    ],
    'two points' => [fn() => Revolution::of('s', new Profile([Solids::polygon([[1, 0], [2, 0]])]), 90, Transform::identity()), 'no-region'],
    'a point that is no number' => [
        fn() => Sweep::along(
            's',
            new Profile([Solids::polygon([[0, 0], [NAN, 0], [0, 3]])]),
            Path::from([0.0, 0.0, 0.0])->lineTo([9.0, 0.0, 0.0]),
        ),
        'no-size',
    ],
    'a bend tighter than the section' => [
        fn() => Sweep::along(
            's',
            Solids::disc(3),
            Path::from([0.0, 0.0, 0.0])
                ->lineTo([0.0, 0.0, 20.0])
                ->lineTo([30.0, 0.0, 20.0])
                ->rounded(2),
        ),
        'too-tight',
    ],
    'a rounding longer than its lines' => [
        fn() => Path::from([0.0, 0.0, 0.0])
            ->lineTo([0.0, 0.0, 20.0])
            ->lineTo([30.0, 0.0, 20.0])
            ->rounded(25),
        'too-round 20',
    ],
    'lines shorter than the mitres' => [
        fn() => Sweep::along(
            's',
            Solids::rectangle(4, 2),
            Path::from([0.0, 0.0, 0.0])
                ->lineTo([1.0, 0.0, 0.0])
                ->lineTo([1.0, 1.0, 0.0])
                ->lineTo([5.0, 1.0, 0.0]),
        ),
        'too-tight',
    ],
    'right back' => [
        fn() => Sweep::along(
            's',
            Solids::rectangle(4, 2),
            Path::from([0.0, 0.0, 0.0])
                ->lineTo([10.0, 0.0, 0.0])
                ->lineTo([1.0, 0.0, 0.0]),
        ),
        'too-tight',
    ],
    'a spline tighter than its section' => [
        fn() => Sweep::along(
            's',
            Solids::disc(8),
            Path::from([0.0, 0.0, 0.0])->splineThrough([[10.0, 5.0, 0.0], [20.0, 0.0, 5.0], [30.0, 8.0, 10.0]]),
        ),
        'too-tight',
    ],
    'a path through itself' => [
        fn() => Sweep::along(
            's',
            Solids::disc(2),
            Path::from([0.0, 0.0, 0.0])
                ->lineTo([20.0, 0.0, 0.0])
                ->lineTo([20.0, 20.0, 0.0])
                ->lineTo([10.0, 20.0, 0.0])
                ->lineTo([10.0, -20.0, 0.0]),
        ),
        'crosses-itself',
    ],
    'an arc through three points of a line' => [fn() => Path::from([0.0, 0.0, 0.0])->arcTo([1.0, 0.0, 0.0], [2.0, 0.0, 0.0]), 'no-arc'],
    'a path of no length' => [fn() => Sweep::along('s', Solids::disc(2), Path::from([0.0, 0.0, 0.0])), 'no-path'],
    'the same point twice' => [fn() => Path::from([0.0, 0.0, 0.0])->lineTo([0.0, 0.0, 0.0]), 'no-length'],
    'one section' => [fn() => Loft::through('s', [[Solids::disc(2), Solids::lift(0)]], false), 'no-sections'],
    'a section with a hole' => [
        fn() => Loft::through('s', [[Solids::ring(5, 2), Solids::lift(0)], [Solids::disc(2), Solids::lift(5)]], false),
        'not-alike',
    ],
    'sections that face each other' => [
        fn() => Loft::through('s', [[Solids::rectangle(10, 10), Solids::lift(0)], [Solids::rectangle(10, 10), Solids::lift(-5)]], false),
        'crosses-itself',
    ],
    'a guide beside the sections' => [
        fn() => Loft::through('s', [[Solids::disc(10), Solids::lift(0)], [Solids::disc(8), Solids::lift(15)]], false, [
            [[30.0, 0.0, 0.0], [8.0, 0.0, 15.0]],
        ]),
        'off-guide',
    ],
    'no text' => [fn() => Lettering::solid('s', '  ', 10, 2, Transform::identity()), 'no-text 60'],
    'a letter the typeface does not have' => [fn() => Lettering::solid('s', 'A☃', 10, 2, Transform::identity()), 'no-letter'],
    'copies on each other' => [fn() => Repeats::row([0.0, 0.0, 0.0], 3), 'no-offset'],
    'too many copies' => [fn() => Repeats::grid([5.0, 0.0, 0.0], 50, [0.0, 5.0, 0.0], 50), 'no-count 400'],
    'a mirror without direction' => [
        fn() => Cutting::mirrored('m', Primitives::sphere('s', 3.0), [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]),
        'no-plane',
    ],
    'too many points' => [
        fn() => Skin::over(array_fill(0, 3000, [array_fill(0, 100, [0.0, 0.0, 0.0])]), fn() => throw new LogicException(), 's', 'e'),
        'too-complex 200000',
    ],
]);

it('keeps within chord and bounds of facets, and equal circles match', function (): void {
    foreach ([0.3, 2.0, 5.0, 12.0, 40.0, 400.0] as $r) {
        $n = Fineness::facets($r);
        expect($n % 8)
            ->toBe(0)
            ->and($n)
            ->toBeGreaterThanOrEqual(32)
            ->toBeLessThanOrEqual(128);
        if ($n > 32 && $n < 128) {
            expect($r * (1 - cos(M_PI / $n)))->toBeLessThanOrEqual(0.02);
        }
    }
    // a quarter of a turn has the points of the full one
    $quarter = Revolution::of('a', Solids::rectangle(4, 4, 10, 2), 90, Transform::identity());
    $full = Revolution::of('b', Solids::rectangle(4, 4, 10, 2), 360, Transform::identity());
    expect(BooleanOperation::difference($quarter, $full)->isEmpty())->toBeTrue();
});

it('is as large as its sizes say', function (): void {
    expect(Bounds::of(Shapes::torus('s', 20, 6))->size())
        ->toEqualWithDelta([52.0, 52.0, 12.0], 1e-9)
        ->and(Bounds::of(Shapes::torus('s', 20, 6)->moved(Transform::rotation(0, 30)))->size())
        ->toEqualWithDelta([52.0, 40 * cos(deg2rad(30)) + 12, 40 * sin(deg2rad(30)) + 12], 1e-8)
        ->and(Bounds::of(Primitives::sphere('s', 5.0)->scaled(2, 1, 1.5)->moved(Transform::rotation(2, 30)))->size())
        ->toEqualWithDelta([2 * hypot(10 * cos(M_PI / 6), 5 * sin(M_PI / 6)), 2 * hypot(10 * sin(M_PI / 6), 5 * cos(M_PI / 6)), 15.0], 1e-6)
        ->and(Bounds::of(SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0))->size())
        ->toEqualWithDelta([30.0, 20.0, 15.0], 1e-9);
});

it('follows the guide where it begins', function (): void {
    $guide = [[10.0, 0.0, 0.0], [14.0, 0.0, 7.0], [6.0, 0.0, 15.0]];
    $s = Loft::through('s', [[Solids::disc(10), Solids::lift(0)], [Solids::rectangle(12, 12), Solids::lift(15)]], false, [$guide]);
    expect(Soundness::faults($s))->toBe([]);
    // at the guide's middle parameter the skin reaches out as far as the guide
    $x = array_map(fn(int $v): float => $s->x[$v], array_keys(array_filter($s->z, fn(float $z): bool => abs($z - 7.5) < 1.5)));
    expect(max($x))
        ->toBeGreaterThan(13.8)
        ->toBeLessThan(14.4)
        ->and(min($x))
        ->toBeGreaterThan(-9.0);
});

it('writes letters that can be read', function (): void {
    $s = Lettering::solid('s', 'WREN 8', 10, 2, Transform::identity());
    expect(Soundness::faults($s))
        ->toBe([])
        ->and(count(Bodies::of($s)))
        ->toBe(5)
        ->and(Bounds::of($s)->max[1])
        ->toEqualWithDelta(10.1, 0.2)
        // an 8 has two holes, so its genus is two: vertices - edges + faces = 2 - 2 * 2
        ->and(
            count(($eight = Lettering::solid('s', '8', 10, 2, Transform::identity()))->x) -
                count($eight->start) / 2 +
                $eight->triangleCount(),
        )
        ->toEqual(-2);
    // raised on a plate, and cut in
    $plate = Primitives::block('p', [-2.0, -3.0, 0.0], [62.0, 16.0, 3.0]);
    $volume = (new MassProperties($s))->volume;
    $raised = BooleanOperation::union($plate, $s->moved(Solids::lift(3)));
    $sunk = BooleanOperation::difference($plate, $s->moved(Solids::lift(2)));
    Solids::encloses($raised, 62 * 16 * 3 + $volume, 1e-9);
    Solids::encloses($sunk, 62 * 16 * 3 - $volume / 2, 1e-9);
});

it('repeats in rows, grids and circles', function (): void {
    $c = Primitives::cylinder('c', 3.0, 5.0);
    $one = M_PI * 45;
    Solids::encloses(Repeats::joined('r', $c, Repeats::row([10.0, 0.0, 0.0], 5)), 5 * $one);
    Solids::encloses(Repeats::joined('r', $c, Repeats::grid([10.0, 0.0, 0.0], 5, [0.0, 8.0, 0.0], 4)), 20 * $one);
    Solids::encloses(
        Repeats::joined('r', $c->moved(Transform::translation([20.0, 0.0, 0.0])), Repeats::circle([0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 6)),
        6 * $one,
    );
    $fan = Repeats::circle([0.0, 0.0, 0.0], [0.0, 0.0, 2.0], 4, 90);
    expect($fan[3]->point([20.0, 0.0, 0.0]))
        ->toEqualWithDelta([0.0, 20.0, 0.0], 1e-12)
        // copies that overlap become one, and every copy's faces have their own names
        ->and(count(Bodies::of(Repeats::joined('r', $c, Repeats::row([5.0, 0.0, 0.0], 5)))))
        ->toBe(1)
        ->and(array_keys(kinds(Repeats::joined('r', $c, Repeats::row([9.0, 0.0, 0.0], 2)))))
        ->toContain('c:side', 'r:copy 1/c:side');
});

it('splits by any plane, also beside the solid', function (): void {
    $s = Primitives::cylinder('c', 10.0, 20.0);
    [$a, $b] = Cutting::split('k', $s, [0.0, 0.0, 8.0], [1.0, 0.0, 1.0]);
    $volume = (new MassProperties($a))->volume + (new MassProperties($b))->volume;
    expect(Soundness::faults($a))
        ->toBe([])
        ->and(Soundness::faults($b))
        ->toBe([])
        ->and($volume / (M_PI * 2000))
        ->toEqualWithDelta(1.0, 1e-8)
        ->and(kinds($a)['k:cut'])
        ->toBe(SurfaceKind::Plane->value);
    [$a, $b] = Cutting::split('k', $s, [0.0, 0.0, 30.0], [0.0, 0.0, 1.0]);
    expect($a->isEmpty())
        ->toBeTrue()
        ->and((new MassProperties($b))->volume)
        ->toEqualWithDelta(M_PI * 2000, 1e-4);
});
