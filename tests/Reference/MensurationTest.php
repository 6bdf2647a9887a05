<?php

declare(strict_types=1);

use Cubo\Measure\PartMeasures;
use Tests\Parts;

/*
 * Closed forms of solids against the measures over true surfaces.
 *
 * Source, unless another is named: I. N. Bronshtein, K. A. Semendyayev, G. Musiol, H. Muehlig, "Handbook of Mathematics",
 * 6th edition, Springer 2015, section 3.3 "Stereometry" (3.3.2 polyhedra, 3.3.4 solids bounded by curved surfaces).
 * The formulas are written down from memory of that handbook.
 */

/** Everything about a part that a closed form may state. */
function closedForm(array $steps, ?float $volume, ?float $area = null, ?array $centroid = null, float $relative = 1e-6): void
{
    $m = Parts::measure($steps);
    expect($m->isClosed())->toBeTrue();
    if ($volume !== null) {
        expect($m->mass()->volume / $volume)->toEqualWithDelta(1.0, $relative, 'volume');
    }
    if ($area !== null) {
        expect($m->mass()->area / $area)->toEqualWithDelta(1.0, 10 * $relative, 'area');
    }
    if ($centroid !== null) {
        expect($m->mass()->centroid)->toEqualWithDelta($centroid, 1e-5);
    }
}

it('cuboid: V = a b c, S = 2 (ab + bc + ca)', function (float $a, float $b, float $c): void {
    closedForm(
        [['kind' => 'block', 'width' => $a, 'depth' => $b, 'height' => $c]],
        $a * $b * $c,
        2 * ($a * $b + $b * $c + $c * $a),
        [0, 0, $c / 2],
        1e-12,
    );
})->with([[40, 20, 10], [0.01, 5, 900], [9999, 1, 1]]);

it('circular cylinder: V = pi R^2 h, S = 2 pi R (R + h)', function (float $r, float $h): void {
    closedForm([['kind' => 'cylinder', 'by' => 'radius', 'round' => $r, 'length' => $h]], M_PI * $r ** 2 * $h, 2 * M_PI * $r * ($r + $h), [
        0,
        0,
        $h / 2,
    ]);
})->with([[5, 20], [0.5, 100], [250, 3], [1, 0.01]]);

it('hollow cylinder: V = pi h (R^2 - r^2)', function (): void {
    closedForm(
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '12', 'length' => '30'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '30', 'effect' => 'cut'],
        ],
        M_PI * 30 * (144 - 100),
        2 * M_PI * (30 * 22 + 44),
        [0, 0, 15],
    );
});

it('cone: V = pi R^2 h / 3, lateral area pi R s, centroid at h / 4', function (float $r, float $h): void {
    closedForm(
        [['kind' => 'cone', 'by' => 'radius', 'round' => $r, 'tip' => '0', 'length' => $h]],
        (M_PI * $r ** 2 * $h) / 3,
        M_PI * $r * (hypot($r, $h) + $r),
        [0, 0, $h / 4],
    );
})->with([[10, 15], [3, 40], [30, 2]]);

it('truncated cone: V = pi h (R^2 + R r + r^2) / 3, lateral area pi s (R + r)', function (float $r1, float $r2, float $h): void {
    closedForm(
        [['kind' => 'cone', 'by' => 'radius', 'round' => $r1, 'tip' => $r2, 'length' => $h]],
        (M_PI * $h * ($r1 ** 2 + $r1 * $r2 + $r2 ** 2)) / 3,
        M_PI * (hypot($r1 - $r2, $h) * ($r1 + $r2) + $r1 ** 2 + $r2 ** 2),
        [0, 0, (($h / 4) * ($r1 ** 2 + 2 * $r1 * $r2 + 3 * $r2 ** 2)) / ($r1 ** 2 + $r1 * $r2 + $r2 ** 2)],
    );
})->with([[15, 10, 12.5], [4, 9, 20], [50, 49, 1]]);

it('sphere: V = 4 pi R^3 / 3, S = 4 pi R^2', function (float $r): void {
    closedForm([['kind' => 'ball', 'by' => 'radius', 'round' => $r, 'x' => '3']], (4 / 3) * M_PI * $r ** 3, 4 * M_PI * $r ** 2, [3, 0, 0]);
})->with([0.5, 4.0, 60.0]);

it('spherical cap: V = pi h^2 (3 R - h) / 3, curved area 2 pi R h', function (float $r, float $h): void {
    closedForm(
        [
            ['kind' => 'block', 'width' => 4 * $r, 'depth' => 4 * $r, 'height' => 2 * $r],
            ['kind' => 'ball', 'by' => 'radius', 'round' => $r, 'z' => -($r - $h), 'effect' => 'keep'],
        ],
        (M_PI * $h ** 2 * (3 * $r - $h)) / 3,
        2 * M_PI * $r * $h + M_PI * $h * (2 * $r - $h),
    );
})->with([[10, 4], [10, 10], [25, 3]]);

it('spherical layer (zone): V = pi h (3 a^2 + 3 b^2 + h^2) / 6', function (): void {
    // R = 10 between z = -3 and z = 5
    $a2 = 100 - 9;
    $b2 = 100 - 25;
    closedForm(
        [
            ['kind' => 'ball', 'by' => 'radius', 'round' => '10'],
            ['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '8', 'z' => '-3', 'effect' => 'keep'],
        ],
        (M_PI * 8 * (3 * $a2 + 3 * $b2 + 64)) / 6,
        2 * M_PI * 10 * 8 + M_PI * ($a2 + $b2),
    );
});

it('ball with a cylindrical hole of length h: V = pi h^3 / 6, whatever the radius', function (float $r): void {
    $hole = sqrt($r ** 2 - 36);
    closedForm(
        [
            ['kind' => 'ball', 'by' => 'radius', 'round' => $r],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => $hole, 'length' => 4 * $r, 'z' => -2 * $r, 'effect' => 'cut'],
        ],
        (M_PI * 12 ** 3) / 6,
        null,
        [0, 0, 0],
        1e-5,
    );
})->with([7.0, 10.0, 20.0]);

it('drilled plate: V = a b h - pi R^2 h', function (): void {
    closedForm(
        [
            ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
            ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '30', 'x' => '-15', 'z' => '-5', 'effect' => 'cut'],
        ],
        60 * 40 * 12 - M_PI * 16 * 12,
        2 * (60 * 40 + 60 * 12 + 40 * 12) - 2 * M_PI * 16 + 2 * M_PI * 4 * 12,
    );
});

it('drilled plate, turned anyhow: the same volume', function (): void {
    closedForm(
        [
            ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
            ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '30', 'x' => '-15', 'z' => '-5', 'effect' => 'cut'],
            ['kind' => 'turn', 'body' => 'all', 'angle' => '33', 'about' => 'x'],
            ['kind' => 'turn', 'body' => 'all', 'angle' => '71', 'about' => 'z'],
        ],
        60 * 40 * 12 - M_PI * 16 * 12,
    );
});

it('two equal cylinders that cross at right angles: V = 16 R^3 / 3, S = 16 R^2', function (): void {
    // M. Gardner, "The Unexpected Hanging and Other Mathematical Diversions", 1969, chapter 12 (Archimedes, "The Method")
    closedForm(
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '6', 'length' => '40', 'along' => 'x', 'x' => '-20'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '6', 'length' => '40', 'along' => 'y', 'y' => '-20', 'effect' => 'keep'],
        ],
        (16 * 6 ** 3) / 3,
        16 * 36,
        [0, 0, 0],
    );
});

it('obliquely cut cylinder: V = pi R^2 (h1 + h2) / 2', function (): void {
    // a cylinder of radius 5 cut by a plane at 30 degrees through its axis at height 20
    closedForm(
        [
            ['kind' => 'block', 'width' => '100', 'depth' => '100', 'height' => '50'],
            ['kind' => 'turn', 'body' => 'all', 'angle' => '30', 'about' => 'y', 'z' => '20'],
            ['kind' => 'move', 'body' => 'all', 'z' => 0],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '5', 'length' => '20', 'z' => '20 - 20', 'effect' => 'keep'],
        ],
        null,
    );
    $whole = Parts::measure([['kind' => 'cylinder', 'by' => 'radius', 'round' => '5', 'length' => '40']])->mass()->volume;
    $upper = Parts::measure([
        ['kind' => 'block', 'width' => '100', 'depth' => '100', 'height' => '50', 'z' => '20'],
        ['kind' => 'turn', 'body' => 'all', 'angle' => '30', 'about' => 'y', 'z' => '20'],
        ['kind' => 'cylinder', 'by' => 'radius', 'round' => '5', 'length' => '40', 'effect' => 'keep'],
    ])->mass()->volume;
    expect($upper)->toEqualWithDelta(M_PI * 25 * 20, 1e-6 * $whole);
});

it('cylindrical segment (hoof) through the diameter: V = 2 R^2 h / 3', function (): void {
    // between the base and a plane through the base's diameter that meets the side at height h = R tan 40 degrees
    $h = 10 * tan(deg2rad(40));
    $v = Parts::measure([
        [
            'kind' => 'block',
            'from' => 'corner',
            'width' => '100',
            'depth' => '100',
            'height' => '50',
            'x' => '0',
            'y' => '-50',
            'z' => '-50',
        ],
        ['kind' => 'turn', 'body' => 'all', 'angle' => '-40', 'about' => 'y'],
        ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '40', 'effect' => 'keep'],
    ])->mass()->volume;
    expect($v)->toEqualWithDelta((2 / 3) * 100 * $h, 1e-6 * 1000);
});

it('prism over a circular segment: V = h R^2 (alpha - sin alpha) / 2', function (): void {
    // section 3.1.6.3; the segment of a circle of radius 10 beyond a chord at 6: alpha = 2 arccos(0.6)
    $alpha = 2 * acos(0.6);
    closedForm(
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '7'],
            [
                'kind' => 'block',
                'from' => 'corner',
                'width' => '20',
                'depth' => '40',
                'height' => '7',
                'x' => '6',
                'y' => '-20',
                'effect' => 'keep',
            ],
        ],
        (7 * 100 * ($alpha - sin($alpha))) / 2,
    );
});

it('lens of two circles, extruded', function (): void {
    // section 3.1.6.3, twice the segment: circles of radius 10 whose centres are 12 apart
    $alpha = 2 * acos(0.6);
    $sketch = [
        'kind' => 'sketch',
        'shapes' => [
            ['kind' => 'circle', 'u' => '-6', 'by' => 'radius', 'round' => '10'],
            ['kind' => 'circle', 'u' => '6', 'by' => 'radius', 'round' => '10'],
        ],
    ];
    $best = INF;
    foreach ([1, 2, 3] as $region) {
        $v = Parts::measure([$sketch, ['kind' => 'extrude', 'sketch' => 's1', 'regions' => [$region], 'distance' => '7']])->mass()->volume;
        $best = min($best, abs($v / (7 * 100 * ($alpha - sin($alpha))) - 1));
    }
    expect($best)->toBeLessThan(1e-6);
});

it('slot of length 85 from centre distance 65 and width 20', function (): void {
    // length = centre distance + width; area = 65 * 20 + pi * 10^2
    $m = Parts::measure([
        [
            'kind' => 'sketch',
            'shapes' => [
                ['kind' => 'rectangle', 'width' => '65', 'height' => '20'],
                ['kind' => 'circle', 'u' => '-65/2', 'by' => 'radius', 'round' => '10'],
                ['kind' => 'circle', 'u' => '65/2', 'by' => 'radius', 'round' => '10'],
            ],
        ],
        ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '5'],
    ]);
    expect($m->bounds()->size())
        ->toEqualWithDelta([85.0, 20.0, 5.0], 1e-9)
        ->and($m->mass()->volume)
        ->toEqualWithDelta((65 * 20 + M_PI * 100) * 5, 1e-6 * 8000);
});

it('inch and millimetre: 1 in = 25.4 mm exactly', function (): void {
    // ISO 80000-3:2019 and the international yard and pound agreement of 1959
    $inch = (new PartMeasures(
        Parts::build([['kind' => 'cylinder', 'by' => 'radius', 'round' => '1', 'length' => '2']], 'in')->part(),
    ))->mass()->volume;
    $mm = Parts::measure([['kind' => 'cylinder', 'by' => 'radius', 'round' => '25.4', 'length' => '50.8']])->mass()->volume;
    expect($inch)->toEqualWithDelta($mm, 1e-9 * $mm);
});
