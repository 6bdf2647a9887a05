<?php

declare(strict_types=1);

use Cubo\Exchange\SolidPacking;
use Cubo\Geometry\Transform;
use Cubo\Measure\Between;
use Cubo\Measure\Bodies;
use Cubo\Measure\Contact\Contacts;
use Cubo\Measure\Item;
use Cubo\Measure\MassProperties;
use Cubo\Measure\RoundFace;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\GridPatch;
use Cubo\Solid\Maker\Loft;
use Cubo\Solid\Maker\Path;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Maker\Sweep;
use Cubo\Solid\Solid;
use Cubo\Solid\StretchedSurface;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Tests\Parts;
use Tests\Solids;

/** A plate with two holes of radius 5 and 3, their axes 12 apart. */
function plateWithTwoHoles(): Solid
{
    $s = Primitives::block('p', [-20.0, -20.0, 0.0], [40.0, 40.0, 10.0]);
    foreach ([['h', 5.0, 0.0], ['g', 3.0, 12.0]] as [$name, $r, $x]) {
        $s = BooleanOperation::difference($s, Primitives::cylinder($name, $r, 20.0)->moved(Transform::translation([$x, 0.0, -5.0])));
    }

    return $s;
}

it('measures between faces, edges and points of true surfaces', function (
    Closure $a,
    Closure $b,
    float $distance,
    ?float $angle,
    ?float $axes,
): void {
    $s = plateWithTwoHoles();
    $m = Between::of($a($s), $b($s));
    expect($m->distance)->toEqualWithDelta($distance, 1e-8);
    if ($angle === null) {
        expect($m->angle)->toBeNull();
    } else {
        expect($m->angle)->toEqualWithDelta($angle, 1e-9);
    }
    if ($axes !== null) {
        expect($m->axes)->toEqualWithDelta($axes, 1e-9);
    }
    // and the other way round
    expect(Between::of($b($s), $a($s))->distance)->toEqualWithDelta($distance, 1e-8);
})->with([
    'two flats' => [fn($s) => Item::face($s, 'p:top'), fn($s) => Item::face($s, 'p:bottom'), 10.0, 0.0, 10.0],
    'two neighbouring flats' => [fn($s) => Item::face($s, 'p:top'), fn($s) => Item::face($s, 'p:front'), 0.0, 90.0, null],
    'two holes' => [fn($s) => Item::face($s, 'h:side'), fn($s) => Item::face($s, 'g:side'), 4.0, 0.0, 12.0],
    'hole and side' => [fn($s) => Item::face($s, 'h:side'), fn($s) => Item::face($s, 'p:front'), 15.0, 0.0, 20.0],
    'hole and the flat it ends in' => [fn($s) => Item::face($s, 'h:side'), fn($s) => Item::face($s, 'p:top'), 0.0, 90.0, null],
    'a point over the hole and the flat' => [
        fn($s) => Item::point([0.0, 0.0, 30.0]),
        fn($s) => Item::face($s, 'p:top'),
        sqrt(425),
        null,
        null,
    ],
    'a point in the hole and its wall' => [
        fn($s) => Item::point([1.0, 1.0, 5.0]),
        fn($s) => Item::face($s, 'h:side'),
        5 - sqrt(2),
        null,
        null,
    ],
    'two points' => [fn($s) => Item::point([0.0, 0.0, 0.0]), fn($s) => Item::point([3.0, 4.0, 12.0]), 13.0, null, null],
    'straight edge and rim' => [
        fn($s) => Item::edge($s, 'p:front / p:top'),
        fn($s) => Item::edge($s, 'h:side / p:bottom'),
        sqrt(325),
        90.0,
        null,
    ],
    'two rims' => [fn($s) => Item::edge($s, 'h:side / p:top'), fn($s) => Item::edge($s, 'g:side / p:top'), 4.0, 0.0, 12.0],
    'two straight edges' => [
        fn($s) => Item::edge($s, 'p:front / p:top'),
        fn($s) => Item::edge($s, 'p:back / p:bottom'),
        sqrt(1700),
        0.0,
        sqrt(1700),
    ],
]);

it('measures between balls and skew cylinders', function (): void {
    $s = BooleanOperation::union(
        Primitives::sphere('a', 5.0)->moved(Transform::rotation(0, 33)),
        Primitives::sphere('b', 4.0)->moved(Transform::translation([12.3, 4.5, 6.7])),
    );
    expect(Between::of(Item::face($s, 'a:ball'), Item::face($s, 'b:ball'))->distance)->toEqualWithDelta(
        sqrt(12.3 ** 2 + 4.5 ** 2 + 6.7 ** 2) - 9,
        1e-8,
    );
    $s = BooleanOperation::union(
        Primitives::cylinder('a', 5.0, 40.0),
        Primitives::cylinder('b', 4.0, 40.0)->moved(Transform::rotation(0, 60)->then(Transform::translation([15.0, 10.0, 10.0]))),
    );
    $m = Between::of(Item::face($s, 'a:side'), Item::face($s, 'b:side'));
    expect($m->distance)->toEqualWithDelta(6.0, 1e-8)->and($m->angle)->toEqualWithDelta(60.0, 1e-9)->and($m->axes)->toBeNull();
});

it('knows what is not there', function (): void {
    expect(Solids::refusal(fn() => Item::face(plateWithTwoHoles(), 'p:lid')))
        ->toBe('no-face')
        ->and(Solids::refusal(fn() => Item::edge(plateWithTwoHoles(), 'p:lid / p:top')))
        ->toBe('no-edge');
});

it('says how bodies lie to each other', function (Solid $b, float $gap, string $how): void {
    $s = BooleanOperation::union(Parts::box(2, 2, 2), $b);
    [[$i, $j, $contact]] = Contacts::among($s, Bodies::of($s), INF);
    expect([$i, $j])
        ->toBe([0, 1])
        ->and($contact->gap)
        ->toEqualWithDelta($gap, 1e-12)
        ->and($contact->isLine() ? 'edge' : ($contact->touches() ? 'point' : 'apart'))
        ->toBe($how);
})->with([
    'apart' => [fn() => Parts::box(2, 2, 2, 3, name: 'b'), 1.0, 'apart'],
    'corner to corner, apart' => [fn() => Parts::box(2, 2, 2, 3, 3, 3, 'b'), sqrt(3), 'apart'],
    'along an edge' => [fn() => Parts::box(2, 2, 2, 2, 2, name: 'b'), 0.0, 'edge'],
    'along part of an edge' => [fn() => Parts::box(2, 2, 2, 2, 2, 1, 'b'), 0.0, 'edge'],
    'in a corner' => [fn() => Parts::box(2, 2, 2, 2, 2, 2, 'b'), 0.0, 'point'],
    'a tip on a face' => [
        fn() => Primitives::cone('b', 1.0, 0.0, 2.0)->moved(Transform::rotation(0, 180)->then(Transform::translation([1.0, 1.0, 4.0]))),
        0.0,
        'point',
    ],
]);

it('gives a hollow to the body around it', function (): void {
    // a hollow block, a small block inside its hollow, and one beside both
    $s = BooleanOperation::difference(Parts::box(10, 10, 10), Parts::box(8, 8, 8, 1, 1, 1, 'h'));
    $s = BooleanOperation::union($s, Parts::box(2, 2, 2, 4, 4, 4, 'i'));
    $s = BooleanOperation::union($s, Parts::box(2, 2, 2, 20, name: 'j'));
    $volumes = array_map(static fn(array $t): float => (new MassProperties(Bodies::extract($s, $t)))->volume, Bodies::of($s));
    sort($volumes);
    expect($volumes)->toEqualWithDelta([8.0, 8.0, 1000.0 - 512.0], 1e-9);
});

it('finds the nearest point of free surfaces', function (): void {
    // a patch through points of a ball, where the answer is known
    $x = $y = $z = [];
    for ($j = 0; $j <= 12; $j++) {
        for ($i = 0; $i <= 12; $i++) {
            [$a, $b] = [deg2rad(-60 + 10 * $i), deg2rad(-60 + 10 * $j)];
            [$x[], $y[], $z[]] = [10 * cos($b) * cos($a), 10 * cos($b) * sin($a), 10 * sin($b)];
        }
    }
    $ball = Surface::free('s:free', new GridPatch($x, $y, $z, 13));
    foreach ([[12.0, 1.0, 2.0], [7.0, -3.0, 4.0], [10.0, 0.0, 0.0]] as $p) {
        $l = sqrt($p[0] ** 2 + $p[1] ** 2 + $p[2] ** 2);
        expect(SurfaceEquation::foot($ball, $p))
            ->toEqualWithDelta([(10 * $p[0]) / $l, (10 * $p[1]) / $l, (10 * $p[2]) / $l], 1e-5)
            ->and(abs(SurfaceEquation::distance($ball, $p)))
            ->toEqualWithDelta(abs($l - 10), 1e-5);
        [, , $sum, $product] = $ball->patch?->foot($p) ?? [0, 0, 0, 0];
        expect(abs($sum))->toEqualWithDelta(0.2, 1e-4)->and($product)->toEqualWithDelta(0.01, 1e-5);
    }
    // a ball stretched evenly is a larger ball
    $stretched = Surface::free(
        's:free',
        new StretchedSurface(Surface::sphere('s', [0.0, 0.0, 0.0], 5.0), [0.5, 0.0, 0.0, 0.0, 0.5, 0.0, 0.0, 0.0, 0.5]),
    );
    expect(SurfaceEquation::foot($stretched, [0.0, 13.0, 0.0]))->toEqualWithDelta([0.0, 10.0, 0.0], 1e-9);
    [, $n, $sum, $product] = $stretched->patch?->foot([0.0, 13.0, 0.0]) ?? [0, 0, 0, 0];
    expect($n)
        ->toEqualWithDelta([0.0, 1.0, 0.0], 1e-9)
        ->and($sum)
        ->toEqualWithDelta(-0.2, 1e-6)
        ->and($product)
        ->toEqualWithDelta(0.01, 1e-6);
});

it('packs every kind of surface and gets it back', function (Closure $make): void {
    $s = $make();
    $back = SolidPacking::unpack(SolidPacking::pack($s));
    expect($back)
        ->not->toBeNull()
        ->and((new MassProperties($back ?? $s))->volume)
        ->toBe((new MassProperties($s))->volume)
        ->and(SolidPacking::pack($back ?? $s))
        ->toBe(SolidPacking::pack($s));
})->with([
    'ring' => [fn() => Shapes::torus('t', 12, 4)],
    'loft' => [fn() => Loft::through('s', [[Solids::disc(10), Solids::lift(0)], [Solids::rectangle(12, 12), Solids::lift(15)]], false)],
    'swept' => [
        fn() => Sweep::along(
            's',
            Solids::disc(2),
            Path::from([0.0, 0.0, 0.0])->splineThrough([[10.0, 5.0, 0.0], [20.0, 0.0, 5.0], [30.0, 8.0, 10.0]]),
        ),
    ],
    'ellipsoid' => [fn() => Primitives::sphere('s', 5.0)->scaled(2, 1, 1.5)],
]);

it('reads radius, axis and depth of round faces', function (): void {
    $s = BooleanOperation::difference(
        plateWithTwoHoles(),
        Primitives::cone('k', 8.0, 4.0, 4.0)->moved(Transform::rotation(0, 180)->then(Transform::translation([-10.0, 8.0, 12.0]))),
    );
    $h = RoundFace::of($s, 'h:side');
    expect([$h->kind->value, $h->radius, $h->depth, $h->hollow])
        ->toEqualWithDelta(['cylinder', 5.0, 10.0, true], 1e-9)
        ->and($h->point)
        ->toEqualWithDelta([0.0, 0.0, 5.0], 1e-9)
        ->and(abs($h->axis[2] ?? 0))
        ->toEqualWithDelta(1.0, 1e-12);
    $k = RoundFace::of($s, 'k:side');
    expect([$k->kind->value, $k->radius, $k->other, $k->depth, $k->hollow])->toEqualWithDelta(['cone', 6.0, 4.0, 2.0, true], 1e-9);
    $t = RoundFace::of(Shapes::torus('t', 12, 4)->moved(Transform::rotation(1, 40)), 't:ring');
    expect([$t->radius, $t->other, $t->hollow])
        ->toEqualWithDelta([12.0, 4.0, false], 1e-9)
        ->and($t->depth)
        ->toEqualWithDelta(8.0, 1e-9);
    expect(RoundFace::of(Primitives::sphere('s', 5.0), 's:ball')->depth)
        ->toEqualWithDelta(10.0, 1e-9)
        ->and(Solids::refusal(fn() => RoundFace::of($s, 'p:top')))
        ->toBe('not-round')
        ->and(Solids::refusal(fn() => RoundFace::of($s, 'x')))
        ->toBe('no-face');
});

it('keeps the law of volumes over true free surfaces, wherever they are cut', function (Closure $make): void {
    // A + B = union + shared, all four over their true surfaces
    $s = $make();
    $b = Primitives::block('b', [-4.0, -3.0, -2.0], [19.0, 7.0, 5.0]);
    $v = static fn(Solid $x): float => (new MassProperties($x))->volume;
    $sum = $v($s) + 19 * 7 * 5;
    $shared = $v(BooleanOperation::intersection($s, $b));
    expect(($v(BooleanOperation::union($s, $b)) + $shared) / $sum)
        ->toEqualWithDelta(1.0, 1e-7)
        ->and(($v(BooleanOperation::difference($s, $b)) + $shared) / $v($s))
        ->toEqualWithDelta(1.0, 1e-6)
        ->and($shared)
        ->toBeGreaterThan(1.0);
})->with([
    'a rod along a spline' => [
        fn() => Sweep::along(
            's',
            Solids::disc(2),
            Path::from([0.0, 0.0, 0.0])->splineThrough([[10.0, 5.0, 0.0], [22.0, 0.0, 5.0], [34.0, 8.0, 10.0]]),
        ),
    ],
    'a bar along a spline' => [
        fn() => Sweep::along(
            's',
            Solids::rectangle(3, 2),
            Path::from([0.0, 0.0, 0.0])->splineThrough([[10.0, 5.0, 0.0], [20.0, 0.0, 5.0], [30.0, 8.0, 10.0]]),
        ),
    ],
    'circle to square' => [
        fn() => Loft::through('s', [[Solids::disc(10), Solids::lift(-3)], [Solids::rectangle(12, 12), Solids::lift(15)]], false),
    ],
    'a vase' => [
        fn() => Loft::through(
            's',
            [[Solids::disc(10), Solids::lift(-5)], [Solids::disc(15), Solids::lift(5)], [Solids::disc(8), Solids::lift(20)]],
            true,
        ),
    ],
    'an ellipsoid' => [fn() => Primitives::sphere('s', 5.0)->scaled(2, 1, 1.5)],
    'a ring' => [fn() => Shapes::torus('s', 8, 3)],
]);
