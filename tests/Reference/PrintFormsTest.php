<?php

declare(strict_types=1);

/* How parts print as they stand, against closed forms. */

use Cubo\Measure\PartMeasures;
use Cubo\Measure\Standing;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Measure\WallThickness;
use Cubo\Printing\Overhang;
use Cubo\Printing\Tipping;
use Tests\Meshes;
use Tests\Parts;

$table = [
    ['kind' => 'block', 'name' => 'Leg', 'width' => '10', 'depth' => '10', 'height' => '20', 'stand' => 'ground'],
    ['kind' => 'block', 'name' => 'Top', 'width' => '40', 'depth' => '30', 'height' => '5', 'stand' => 'ground', 'z' => '20'],
];

// What counts as hanging over (less than 45 degrees to the level, not on the bed) is common practice, no source. The areas are
// mensuration: spherical zone 2 pi r h, mantle of a cone pi (r1 + r2) s, quarter of a cylinder's mantle pi r l / 2 (Bronshtein
// and others, "Handbook of Mathematics", 5th ed. 2007, section 3.3, formulas from memory).
it('adds up what hangs over', function (array $steps, float $area, float $within) {
    $part = Parts::build($steps)->part();
    expect(Overhang::area($part))->toEqualWithDelta($area, $within * max(1.0, $area));
})->with([
    'a table' => [$table, 40 * 30 - 100.0, 1e-9],
    'a block on the bed' => [[['kind' => 'block']], 0.0, 1e-9],
    'a roof on its head, 45 degrees' => [
        [['kind' => 'roof', 'width' => '20', 'depth' => '30', 'height' => '10', 'leans' => 'front', 'lean' => '180', 'stand' => 'ground']],
        0.0,
        1e-9,
    ],
    'a roof on its head, flatter' => [
        [['kind' => 'roof', 'width' => '20', 'depth' => '30', 'height' => '8', 'leans' => 'front', 'lean' => '180', 'stand' => 'ground']],
        2 * 30 * hypot(10, 8),
        1e-6,
    ],
    // a quarter of the wall of a bore that lies
    'a bore that lies' => [
        [
            ['kind' => 'block', 'width' => '30', 'depth' => '40', 'height' => '30'],
            ['kind' => 'cylinder', 'round' => '20', 'length' => '60', 'along' => 'y', 'y' => '-30', 'z' => '15', 'effect' => 'cut'],
        ],
        (M_PI / 2) * 10 * 40,
        2e-3,
    ],
    'a cylinder that lies' => [
        [['kind' => 'cylinder', 'round' => '20', 'length' => '40', 'along' => 'x', 'stand' => 'ground']],
        (M_PI / 2) * 10 * 40,
        2e-3,
    ],
    // a disc on a post, less the post
    'a mushroom' => [
        [['kind' => 'cylinder', 'round' => '10', 'length' => '20'], ['kind' => 'cylinder', 'round' => '40', 'length' => '5', 'z' => '20']],
        M_PI * (400 - 25),
        1e-9,
    ],
    // the cap below 45 degrees of a ball: 2 pi r h with h = r (1 - cos 45)
    'a ball' => [[['kind' => 'ball', 'round' => '20', 'stand' => 'ground']], 2 * M_PI * 100 * (1 - cos(M_PI / 4)), 1e-2],
    'a cone on its tip, steep' => [[['kind' => 'cone', 'round' => '2', 'tip' => '20', 'length' => '20']], 0.0, 1e-9],
    'a cone on its tip, flat' => [
        [['kind' => 'cone', 'round' => '2', 'tip' => '40', 'length' => '10']],
        M_PI * (1 + 20) * hypot(19, 10),
        1e-3,
    ],
]);

// Areas a part stands on, from the lengths that are typed (mensuration: rectangle, circle, regular polygon n a^2 / 4 tan(pi / n)).
it('measures the area a part stands on', function (array $steps, float $area): void {
    $m = Parts::measure($steps);
    // with its rims as they truly are; over the facets a circle of so many sides is up to a quarter of a percent smaller
    expect(Standing::trueBase($m))
        ->toEqualWithDelta($area, 1e-6 * $area)
        ->and(Standing::of($m)->base)
        ->toEqualWithDelta($area, 2.5e-3 * $area);
})->with([
    'a block' => [[['kind' => 'block', 'width' => '40', 'depth' => '25', 'height' => '9']], 1000.0],
    'a cylinder' => [[['kind' => 'cylinder', 'by' => 'radius', 'round' => '12', 'length' => '9']], M_PI * 144],
    'a tube' => [[['kind' => 'tube', 'by' => 'diameter', 'round' => '30', 'wall' => '4', 'length' => '20']], M_PI * (15 ** 2 - 11 ** 2)],
    'a block on two feet' => [
        [
            ['kind' => 'block', 'width' => '60', 'depth' => '20', 'height' => '30'],
            ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10', 'effect' => 'cut'],
        ],
        2 * 10 * 20.0,
    ],
    'a cone' => [[['kind' => 'cone', 'by' => 'radius', 'round' => '10', 'tip' => '3', 'length' => '20']], M_PI * 100],
    'a half cylinder' => [[['kind' => 'halfcylinder', 'by' => 'radius', 'round' => '10', 'length' => '40']], 20 * 40.0],
    'a plate with bores' => [
        [
            ['kind' => 'block', 'width' => '50', 'depth' => '30', 'height' => '5'],
            ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '60', 'x' => '-12', 'z' => '-9', 'effect' => 'cut'],
            ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '6', 'length' => '60', 'x' => '12', 'z' => '-9', 'effect' => 'cut'],
        ],
        1500 - M_PI * (16 + 9),
    ],
    // a pocket that does not go through takes nothing of the base
    'a box' => [
        [
            ['kind' => 'block', 'width' => '50', 'depth' => '30', 'height' => '20'],
            ['kind' => 'block', 'width' => '44', 'depth' => '24', 'height' => '20', 'z' => '3', 'effect' => 'cut'],
        ],
        1500.0,
    ],
]);

// The same, of the facets of a file: closed forms within what 64 facets leave of a circle (1 - sin(2 pi / n) n / 2 pi, 0.16 %)
it('measures the same of a file', function (): void {
    $mesh = SurfaceRecognition::of(
        Meshes::solid(Meshes::turned([[5.0, 0.0], [12.0, 0.0], [12.0, 30.0], [20.0, 30.0], [20.0, 36.0], [5.0, 36.0]], 64)),
    );
    $m = new PartMeasures($mesh);
    expect(Standing::of($m)->base)
        ->toEqualWithDelta(M_PI * (144 - 25), 0.004 * 374)
        ->and(Overhang::area($mesh))
        ->toEqualWithDelta(M_PI * (400 - 144), 0.004 * 804)
        ->and($m->wall()->thinnest)
        ->toEqualWithDelta(6.0, 6e-3)
        ->and(Tipping::of($m)->angle)
        ->toEqualWithDelta(rad2deg(atan2(12.0, (M_PI * (119 * 30 * 15 + 375 * 6 * 33)) / (M_PI * (119 * 30 + 375 * 6)))), 0.15);
});

// A tube's wall is (D - d) / 2, with the bore off its middle by e it is (D - d) / 2 - e at the thinnest (mensuration).
it('measures walls and gaps', function (array $steps, ?float $wall, ?float $gap): void {
    $m = Parts::measure($steps);
    expect($m->wall()->thinnest)->toEqualWithDelta($wall, 1e-3);
    $narrow = WallThickness::gap($m->solid, $m->tree())->thinnest;
    $gap === null ? expect($narrow)->toBe(INF) : expect($narrow)->toEqualWithDelta($gap, 1e-3);
})->with([
    'a tube' => [
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '30'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '8.5', 'length' => '60', 'z' => '-10', 'effect' => 'cut'],
        ],
        1.5,
        17.0,
    ],
    'a tube whose bore is off its middle' => [
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '30'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '6', 'length' => '60', 'x' => '1.6', 'z' => '-10', 'effect' => 'cut'],
        ],
        10 - 6 - 1.6,
        12.0,
    ],
    'between two bores' => [
        [
            ['kind' => 'block', 'width' => '60', 'depth' => '30', 'height' => '9'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '5', 'length' => '60', 'x' => '-6.2', 'z' => '-10', 'effect' => 'cut'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '5', 'length' => '60', 'x' => '6.2', 'z' => '-10', 'effect' => 'cut'],
        ],
        2 * 6.2 - 10,
        10.0,
    ],
    'a bowl' => [
        [
            ['kind' => 'halfball', 'by' => 'radius', 'round' => '20'],
            ['kind' => 'halfball', 'by' => 'radius', 'round' => '17', 'effect' => 'cut'],
        ],
        3.0,
        null,
    ],
    'a fork' => [
        [
            ['kind' => 'block', 'width' => '20', 'depth' => '10', 'height' => '30'],
            ['kind' => 'block', 'width' => '0.4', 'depth' => '10', 'height' => '20', 'z' => '10', 'effect' => 'cut'],
        ],
        9.8,
        0.4,
    ],
    'a thin pin' => [
        [
            ['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '5'],
            ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '0.8', 'length' => '10', 'z' => '5'],
        ],
        0.8,
        null,
    ],
]);

// Statics: a body falls when its centre of mass passes over the side it stands on, tan a = b / h (Hibbeler, "Engineering
// Mechanics: Statics", chapters 8 and 9, from memory). Centres of mass: block at half, cone at a quarter of its height.
it('tells how far a part may be leaned', function (array $steps, float $angle): void {
    expect(Tipping::of(Parts::measure($steps))->angle)->toEqualWithDelta($angle, 0.06);
})->with([
    'a post' => [[['kind' => 'block', 'width' => '20', 'depth' => '30', 'height' => '80']], rad2deg(atan2(10, 40))],
    'a plate' => [[['kind' => 'block', 'width' => '80', 'depth' => '60', 'height' => '4']], rad2deg(atan2(30, 2))],
    'a cone' => [[['kind' => 'cone', 'by' => 'radius', 'round' => '12', 'tip' => '0', 'length' => '40']], rad2deg(atan2(12, 10))],
    // the upper block pulls the centre over: (1 * 0 + 1 * 8) / 2 = 4 of 10
    'two blocks' => [
        [
            ['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '10'],
            ['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '10', 'x' => '8', 'z' => '10'],
        ],
        rad2deg(atan2(6, 10)),
    ],
    'too far out' => [
        [
            ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10'],
            ['kind' => 'block', 'width' => '60', 'depth' => '10', 'height' => '10', 'x' => '25', 'z' => '10'],
        ],
        0.0,
    ],
    'a ball' => [[['kind' => 'ball', 'round' => '20', 'stand' => 'ground']], 0.0],
    'an arch stands on both its feet' => [
        [
            ['kind' => 'block', 'width' => '60', 'depth' => '20', 'height' => '30'],
            ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '20', 'effect' => 'cut'],
        ],
        rad2deg(atan2(10, (60 * 30 * 15 - 40 * 20 * 10) / (60 * 30 - 40 * 20))),
    ],
]);
