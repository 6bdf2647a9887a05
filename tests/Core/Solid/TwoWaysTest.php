<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Boolean\BooleanOperation as Boolean;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Change\Repeats;
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Maker\Loft;
use Cubo\Solid\Maker\Path;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Maker\Revolution;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Maker\Sweep;
use Cubo\Solid\Solid;
use Tests\Solids;
use Tests\Soundness;

/* The same part made in two ways is the same part. */

it('a cylinder: ready, extruded, revolved, swept, lofted', function (): void {
    $ready = Primitives::cylinder('a', 10.0, 20.0);
    Solids::alike(Extrusion::straight('b', Solids::disc(10), 0, 20, Transform::identity()), $ready, 1e-9);
    Solids::alike(
        Revolution::of('b', new Profile([Solids::polygon([[0, 0], [10, 0], [10, 20], [0, 20]])]), 360, Transform::identity()),
        $ready,
        1e-9,
    );
    Solids::alike(Sweep::along('b', Solids::disc(10), Path::from([0.0, 0.0, 0.0])->lineTo([0.0, 0.0, 20.0])), $ready, 1e-9);
    Solids::alike(Loft::through('b', [[Solids::disc(10), Solids::lift(0)], [Solids::disc(10), Solids::lift(20)]], false), $ready);
    // equal circles match: extruded and revolved have the same facets, so that nothing is left of the difference
    expect(Boolean::difference($ready, Extrusion::straight('b', Solids::disc(10), 0, 20, Transform::identity()))->isEmpty())
        ->toBeTrue()
        ->and(
            Boolean::difference(
                $ready,
                Revolution::of('b', new Profile([Solids::polygon([[0, 0], [10, 0], [10, 20], [0, 20]])]), 360, Transform::identity()),
            )->isEmpty(),
        )
        ->toBeTrue();
});

it('a slot: a rectangle and rounds, two circles and tangents, a swept circle', function (): void {
    $outline = Extrusion::straight('a', Solids::slot(30, 7), 0, 6, Transform::identity());
    $rounds = Boolean::union(
        Boolean::union(
            Extrusion::straight('r', Solids::rectangle(30, 14), 0, 6, Transform::identity()),
            Primitives::cylinder('p', 7.0, 6.0)->moved(Transform::translation([15.0, 0.0, 0.0])),
        ),
        Primitives::cylinder('q', 7.0, 6.0)->moved(Transform::translation([-15.0, 0.0, 0.0])),
    );
    Solids::alike($outline, $rounds, 1e-9);
    $corners = Blending::round(
        'k',
        Primitives::block('b', [-22.0, -7.0, 0.0], [44.0, 14.0, 6.0]),
        ['b:back / b:left', 'b:back / b:right', 'b:front / b:left', 'b:front / b:right'],
        7 - 1e-9,
    );
    expect((new MassProperties($corners))->volume)->toEqualWithDelta((new MassProperties($outline))->volume, 1e-4);
    // a cutter that goes along
    $cutter = Boolean::union(
        Sweep::along('w', Solids::rectangle(14, 6, 0, 3), Path::from([-15.0, 0.0, 0.0])->lineTo([15.0, 0.0, 0.0])),
        Boolean::union(
            Primitives::cylinder('p', 7.0, 6.0)->moved(Transform::translation([15.0, 0.0, 0.0])),
            Primitives::cylinder('q', 7.0, 6.0)->moved(Transform::translation([-15.0, 0.0, 0.0])),
        ),
    );
    Solids::alike($outline, $cutter, 1e-9);
});

it('a bush: revolved, extruded, drilled', function (): void {
    $revolved = Revolution::of('a', new Profile([Solids::polygon([[5, 0], [20, 0], [20, 8], [5, 8]])]), 360, Transform::identity());
    $extruded = Extrusion::straight('b', Solids::ring(20, 5), 0, 8, Transform::identity());
    $drilled = Boolean::difference(Primitives::cylinder('c', 20.0, 8.0), Primitives::cylinder('d', 5.0, 10.0)->moved(Solids::lift(-1)));
    Solids::alike($revolved, $extruded, 1e-9);
    Solids::alike($revolved, $drilled, 1e-9);
    Solids::alike($revolved, Shapes::tube('e', 20, 5, 8), 1e-9);
    expect(Boolean::difference($revolved, $drilled)->isEmpty())->toBeTrue();
});

it('a tapered cup: revolved, extruded and shelled, lofted and shelled, made a cone and shelled', function (): void {
    // outside from radius 10 to 15 over 20; wall 2 square to the side
    $k = 5 / 20;
    $in = static fn(float $z): float => 10 + $k * $z - 2 * sqrt(1 + $k * $k);
    $revolved = Revolution::of(
        'a',
        new Profile([Solids::polygon([[0, 0], [10, 0], [15, 20], [$in(20), 20], [$in(2), 2], [0, 2]])]),
        360,
        Transform::identity(),
    );
    $extruded = FaceWork::shell('k', Extrusion::tapered('b', Solids::disc(10), 20, 0, -rad2deg(atan($k)), Transform::identity()), 2, [
        'b:end',
    ]);
    $cone = FaceWork::shell('k', Primitives::cone('c', 10.0, 15.0, 20.0), 2, ['c:top']);
    Solids::alike($extruded, $revolved);
    Solids::alike($cone, $revolved);
    $lofted = FaceWork::shell(
        'k',
        Loft::through('d', [[Solids::disc(10), Solids::lift(0)], [Solids::disc(15), Solids::lift(20)]], false),
        2,
        ['d:end'],
    );
    Solids::alike($lofted, $revolved);
});

it('half and its mirror image are the whole', function (): void {
    $whole = Boolean::difference(
        Primitives::block('b', [-20.0, -10.0, 0.0], [40.0, 20.0, 8.0]),
        Primitives::cylinder('c', 6.0, 20.0)->moved(Solids::lift(-5)),
    );
    [, $half] = Cutting::split('k', $whole, [0.0, 0.0, 0.0], [1.0, 0.0, 0.0]);
    Solids::alike(Cutting::mirrorJoined('m', $half, [0.0, 0.0, 0.0], [1.0, 0.0, 0.0]), $whole, 1e-9);
    [$a, $b] = Cutting::split('k', $whole, [3.0, 1.0, 2.0], [1.0, 2.0, 0.5]);
    Solids::alike(Boolean::union($a, $b), $whole);
});

it('holes repeated around an axis are holes drilled one by one', function (): void {
    $disc = Primitives::cylinder('d', 30.0, 5.0);
    $hole = Primitives::cylinder('h', 3.0, 9.0)->moved(Transform::translation([20.0, 0.0, -2.0]));
    $places = Repeats::circle([0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 6);
    $one = $disc;
    foreach ($places as $t) {
        $one = Boolean::difference($one, $hole->moved($t));
    }
    Solids::alike(Boolean::difference($disc, Repeats::joined('r', $hole, $places)), $one, 1e-9);
});

it('a pulled face and a second block are the same', function (): void {
    $box = Primitives::block('b', [0.0, 0.0, 0.0], [20.0, 14.0, 9.0]);
    Solids::alike(
        FaceWork::pull($box, 'b:top', 4),
        Boolean::union($box, Primitives::block('c', [0.0, 0.0, 9.0], [20.0, 14.0, 4.0])),
        1e-12,
    );
});

it('a chamfer is a draft of what stands above it', function (): void {
    $box = Primitives::block('b', [0.0, 0.0, 0.0], [20.0, 14.0, 9.0]);
    $chamfered = Blending::chamfer('k', $box, ['b:front / b:top'], 3);
    $wedge = Extrusion::straight(
        'w',
        new Profile([Solids::polygon([[0, 6], [3, 9], [0, 9]])]),
        0,
        20,
        new Transform([0.0, 0.0, 1.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0]),
    );
    Solids::alike($chamfered, Boolean::difference($box, $wedge), 1e-12);
});

it('moved, mirrored and in another unit a part keeps its size', function (Closure $make): void {
    /** @var Solid $s */
    $s = $make();
    $m = new MassProperties($s);
    foreach (
        [
            Transform::rotation(0, 37.0)->then(Transform::rotation(2, 101.0))->then(Transform::translation([3.3, -7.1, 0.9])),
            Transform::turn([1.0, 2.0, 3.0], [0.6, 0.0, 0.8], 77.0),
            Transform::mirrorIn([1.0, 0.0, 0.0], [0.6, 0.8, 0.0]),
        ]
        as $t
    ) {
        $n = new MassProperties($s->moved($t));
        expect(Soundness::faults($s->moved($t)))
            ->toBe([])
            ->and($n->volume / $m->volume)
            ->toEqualWithDelta(1.0, 1e-9)
            ->and($n->area / $m->area)
            ->toEqualWithDelta(1.0, 1e-9)
            ->and($n->centroid)
            ->toEqualWithDelta($t->point($m->centroid), 1e-8);
    }
    $inch = new MassProperties($s->scaled(25.4, 25.4, 25.4));
    expect($inch->volume / $m->volume)
        ->toEqualWithDelta(25.4 ** 3, 1e-5)
        ->and($inch->area / $m->area)
        ->toEqualWithDelta(25.4 ** 2, 1e-6);
})->with([
    'ring' => [fn() => Shapes::torus('t', 12, 4)],
    'loft' => [fn() => Loft::through('s', [[Solids::disc(10), Solids::lift(0)], [Solids::rectangle(12, 12), Solids::lift(15)]], false)],
    'vase' => [
        fn() => Loft::through(
            's',
            [[Solids::disc(10), Solids::lift(0)], [Solids::disc(15), Solids::lift(10)], [Solids::disc(8), Solids::lift(25)]],
            true,
        ),
    ],
    'swept' => [
        fn() => Sweep::along(
            's',
            Solids::disc(2),
            Path::from([0.0, 0.0, 0.0])->splineThrough([[10.0, 5.0, 0.0], [20.0, 0.0, 5.0], [30.0, 8.0, 10.0]]),
        ),
    ],
    'ellipsoid' => [fn() => Primitives::sphere('s', 5.0)->scaled(2, 1, 1.5)],
    'rounded' => [
        fn() => Blending::round(
            'r',
            Primitives::block('b', [0.0, 0.0, 0.0], [20.0, 14.0, 9.0]),
            ['b:front / b:top', 'b:right / b:top', 'b:front / b:right'],
            3,
        ),
    ],
    'shelled' => [fn() => FaceWork::shell('k', Primitives::cone('c', 10.0, 15.0, 20.0), 2, ['c:top'])],
]);

it('a frustum with its rims rounded or chamfered: edge work and revolution', function (float $r): void {
    $frustum = Primitives::cone('c', 10.0, 5.0, 12.0);
    // the middle of the arc lies r from the top and r from the side (12, 5) / 13
    $u = (60 - 8 * $r) / 12;
    $arc = Shapes::arc($u, 12 - $r, $r, rad2deg(atan2(5, 12)), 90.0, 'round');
    $flat = static fn(float $x, float $y, string $name): array => [$x, $y, ['name' => $name, 'circle' => null]];
    $revolved = Revolution::of(
        'd',
        new Profile([[$flat(0.0, 0.0, 'bottom'), $flat(10.0, 0.0, 'side'), ...$arc, $flat($u, 12.0, 'top'), $flat(0.0, 12.0, 'axis')]]),
        360,
        Transform::identity(),
    );
    Solids::alike(Blending::round('k', $frustum, ['c:side / c:top'], $r), $revolved);
    $chamfered = Revolution::of(
        'd',
        new Profile([
            [
                $flat(0.0, 0.0, 'bottom'),
                $flat(10.0, 0.0, 'side'),
                $flat(5 + ($r * 5) / 13, 12 - ($r * 12) / 13, 'chamfer'),
                $flat(5 - $r, 12.0, 'top'),
                $flat(0.0, 12.0, 'axis'),
            ],
        ]),
        360,
        Transform::identity(),
    );
    Solids::alike(Blending::chamfer('k', $frustum, ['c:side / c:top'], $r), $chamfered);
    // the sharp rim below, and a groove between a cone and the plate it stands on
    $plate = Primitives::block('p', [-20.0, -20.0, -5.0], [40.0, 40.0, 5.0]);
    $foot = Blending::round('k', Boolean::union($plate, $frustum), ['c:side / p:top'], $r);
    expect(Soundness::faults($foot))
        ->toBe([])
        ->and((new MassProperties($foot))->volume)
        ->toBeGreaterThan(8000 + ((M_PI * 12) / 3) * 175);
    expect(Soundness::faults(Blending::round('k', $frustum, ['c:bottom / c:side'], $r)))->toBe([]);
})->with([0.5, 1.5]);
