<?php

declare(strict_types=1);

use Cubo\Geometry\CubicSpline;
use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Quantity\DensityUnit;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Maker\Loft;
use Cubo\Solid\Maker\Path;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Maker\Revolution;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Maker\SoftBlock;
use Cubo\Solid\Maker\Sweep;
use Tests\Solids;

/*
 * Closed forms for every maker and every piece of edge and face work.
 *
 * Sources, quoted from memory, also the numbers of sections:
 * [B] I. N. Bronshtein, K. A. Semendyayev, G. Musiol, H. Muehlig, "Handbook of Mathematics", 6th edition, Springer 2015:
 *     3.3.2 polyhedra (prism, pyramid, frustum, obelisk), 3.3.4 solids bounded by curved surfaces (cylinder, cone, sphere,
 *     cap, torus), 8.2.2 Guldin's rules (after Pappus): volume = area times the way of its centroid, area = length times
 *     the way of its centroid.
 * [M] "Machinery's Handbook", Industrial Press, "Areas of Plane Figures" (spandrel or fillet: r^2 - pi r^2 / 4, its
 *     centroid 0.2234 r from either side) and "Volumes of Solids" (prismoidal formula: h/6 (A + 4 A_m + B)).
 * [G] A. W. Goodman, G. Goodman, "Generalizations of the Theorems of Pappus", American Mathematical Monthly 76(4), 1969:
 *     the first rule holds along any smooth path that the centroid follows squarely.
 * [S] F. P. Beer, E. R. Johnston, "Vector Mechanics for Engineers: Statics", table of mass moments of inertia.
 */

/** Area of a fillet of radius r and the distance of its centroid from the sharp corner's sides [M]. */
const SPANDREL = 1 - M_PI / 4;

function spandrelCentroid(float $r): float
{
    return ($r * (10 - 3 * M_PI)) / (3 * (4 - M_PI));
}

function prismoid(float $h, float $a, float $middle, float $b): float
{
    return ($h / 6) * ($a + 4 * $middle + $b);
}

it('tube, cap, half cylinder, ring [B 3.3.4]', function (): void {
    Solids::encloses(Shapes::tube('s', 10, 7, 20), M_PI * 51 * 20, area: 2 * M_PI * (17 * 20 + 51));
    Solids::encloses(Shapes::cap('s', 10, 4), (M_PI * 16 * 26) / 3, area: 2 * M_PI * 40 + M_PI * 4 * 16);
    Solids::encloses(Shapes::cap('s', 10, 16), (M_PI * 256 * 14) / 3, area: 2 * M_PI * 160 + M_PI * 16 * 4);
    Solids::encloses(Shapes::halfCylinder('s', 10, 30), M_PI * 50 * 30, area: M_PI * 300 + M_PI * 100 + 600);
    Solids::encloses(Shapes::torus('s', 20, 6), 2 * M_PI ** 2 * 20 * 36, area: 4 * M_PI ** 2 * 120);
    Solids::encloses(Shapes::torus('s', 3, 2.9), 2 * M_PI ** 2 * 3 * 2.9 ** 2, area: 4 * M_PI ** 2 * 3 * 2.9);
});

it('wedge, prism, pyramid, frustum of a pyramid [B 3.3.2]', function (int $n): void {
    $area = ($n / 2) * 100 * sin((2 * M_PI) / $n);
    Solids::encloses(Shapes::prism('s', $n, 10, 5), $area * 5, 1e-12);
    Solids::encloses(Shapes::pyramid('s', $n, 10, 0, 15), $area * 5, 1e-12);
    Solids::encloses(Shapes::pyramid('s', $n, 10, 5, 12), (12 / 3) * $area * (1 + 0.5 + 0.25), 1e-12);
    Solids::encloses(Shapes::wedge('s', 10, 20, 3, 8), 10 * 20 * 5.5, 1e-12);
    Solids::encloses(Shapes::wedge('s', 10, 20, 0, 8), 10 * 20 * 4, 1e-12);
})->with([3, 4, 5, 6, 12]);

it('a knob of frustums [B 3.3.4]', function (): void {
    Solids::encloses(
        Shapes::knob('s', [[5.0, 0.0], [5.0, 3.0], [2.0, 6.0], [4.0, 9.0], [0.0, 12.0]]),
        M_PI * (25 * 3 + (25 + 10 + 4) + (4 + 8 + 16) + 16),
    );
});

it('a block with rounded edges is a block, six plates, twelve quarter cylinders and a ball', function (
    float $a,
    float $b,
    float $c,
    float $r,
): void {
    [$p, $q, $h] = [$a - 2 * $r, $b - 2 * $r, $c - 2 * $r];
    Solids::encloses(
        SoftBlock::rounded('s', [$a, $b, $c], $r),
        $p * $q * $h + 2 * $r * ($p * $q + $q * $h + $h * $p) + M_PI * $r ** 2 * ($p + $q + $h) + (4 / 3) * M_PI * $r ** 3,
        area: 2 * ($p * $q + $q * $h + $h * $p) + 2 * M_PI * $r * ($p + $q + $h) + 4 * M_PI * $r ** 2,
    );
    Solids::encloses(SoftBlock::rounded('s', [$a, $b, $c], $r, false), $c * ($a * $b - (4 - M_PI) * $r ** 2));
    Solids::encloses(SoftBlock::chamfered('s', [$a, $b, $c], $r, false), $c * ($a * $b - 2 * $r ** 2), 1e-12);
    // twelve prisms, of which three overlap in every corner: together they leave a quarter of its cube
    Solids::encloses(SoftBlock::chamfered('s', [$a, $b, $c], $r), $a * $b * $c - 2 * $r ** 2 * ($a + $b + $c) + 6 * $r ** 3, 1e-12);
})->with([[20.0, 14.0, 9.0, 3.0], [50.0, 50.0, 50.0, 24.0], [8.0, 90.0, 3.0, 0.4]]);

it('solids of revolution follow the rules of Pappus [B 8.2.2]', function (float $angle): void {
    $share = $angle / 360;
    foreach (
        [
            [Solids::disc(4, 15, 3), M_PI * 16, 15.0],
            [Solids::rectangle(6, 4, 10, -2), 24.0, 10.0],
            [Solids::slot(8, 2), M_PI * 4 + 32, 0.0],
            [Solids::ring(5, 3), M_PI * 16, 0.0],
        ]
        as [$profile, $area, $at]
    ) {
        // the last two lie around the origin: moved out first
        if ($at === 0.0) {
            $profile = new Profile(
                array_map(
                    static fn(array $loop): array => array_map(
                        static fn(array $p): array => [
                            $p[0] + 20,
                            $p[1],
                            [
                                'name' => $p[2]['name'],
                                'circle' =>
                                    $p[2]['circle'] === null ? null : [$p[2]['circle'][0] + 20, $p[2]['circle'][1], $p[2]['circle'][2]],
                            ],
                        ],
                        $loop,
                    ),
                    $profile->loops,
                ),
            );
            $at = 20.0;
        }
        Solids::encloses(Revolution::of('s', $profile, $angle, Transform::identity()), 2 * M_PI * $at * $area * $share);
    }
    // touching the axis: a cone and a ball
    Solids::encloses(
        Revolution::of('s', new Profile([Solids::polygon([[0, 0], [10, 0], [0, 15]])]), $angle, Transform::identity()),
        M_PI * 500 * $share,
    );
    $half = [...Shapes::arc(0.0, 0.0, 10.0, -90.0, 90.0, 'ball'), [0.0, 10.0, ['name' => 'axis', 'circle' => null]]];
    Solids::encloses(Revolution::of('s', new Profile([$half]), $angle, Transform::identity()), (4 / 3) * M_PI * 1000 * $share);
})->with([360.0, 180.0, 90.0, 17.3]);

it('tapered extrusions are prismoids [M]', function (float $taper): void {
    $t = tan(deg2rad($taper));
    $rectangle = static fn(float $d): float => (10 - 2 * $d) * (6 - 2 * $d);
    $slot = static fn(float $d): float => M_PI * (7 - $d) ** 2 + 2 * (7 - $d) * 30;
    $ring = static fn(float $d): float => M_PI * ((10 - $d) ** 2 - (5 + $d) ** 2);
    foreach ([[Solids::rectangle(10, 6), $rectangle], [Solids::slot(30, 7), $slot], [Solids::ring(10, 5), $ring]] as [$profile, $area]) {
        Solids::encloses(
            Extrusion::tapered('s', $profile, 8, 0, $taper, Transform::identity()),
            prismoid(8, $area(0), $area(4 * $t), $area(8 * $t)),
        );
        Solids::encloses(
            Extrusion::tapered('s', $profile, 8, 3, $taper, Transform::identity()),
            prismoid(8, $area(0), $area(4 * $t), $area(8 * $t)) + prismoid(3, $area(0), $area(1.5 * $t), $area(3 * $t)),
        );
    }
    // half a disc: its sections are segments of circles (3.1.6 of [B])
    $half = new Profile([[...Shapes::arc(0.0, 0.0, 10.0, 0.0, 180.0, 'arc'), [-10.0, 0.0, ['name' => 'flat', 'circle' => null]]]]);
    $segment = static function (float $d): float {
        $angle = 2 * acos($d / (10 - $d));

        return ((10 - $d) ** 2 / 2) * ($angle - sin($angle));
    };
    if ($taper > 0) {
        Solids::encloses(
            Extrusion::tapered('s', $half, 5, 0, $taper, Transform::identity()),
            Solids::integral(static fn(float $z): float => $segment($z * $t), 0, 5),
        );
    }
})->with([3.0, 10.0, -12.0]);

it('sweeps are area times path [B 8.2.2, G]', function (): void {
    $pipe = Solids::ring(3, 2);
    Solids::encloses(
        Sweep::along(
            's',
            $pipe,
            Path::from([0.0, 0.0, 0.0])
                ->lineTo([0.0, 0.0, 20.0])
                ->lineTo([30.0, 0.0, 20.0])
                ->rounded(8),
        ),
        M_PI * 5 * (12 + 22 + M_PI * 4),
    );
    // mitred: what the inside of the corner loses the outside gains
    Solids::encloses(
        Sweep::along(
            's',
            Solids::rectangle(4, 2),
            Path::from([0.0, 0.0, 0.0])
                ->lineTo([20.0, 0.0, 0.0])
                ->lineTo([20.0, 30.0, 0.0]),
        ),
        8 * 50,
        1e-12,
    );
    Solids::encloses(
        Sweep::along(
            's',
            Solids::disc(2),
            Path::from([0.0, 0.0, 0.0])
                ->lineTo([20.0, 0.0, 0.0])
                ->lineTo([20.0, 30.0, 5.0]),
        ),
        M_PI * 4 * (20 + sqrt(925)),
    );
    Solids::encloses(
        Sweep::along(
            's',
            Solids::rectangle(4, 2),
            Path::from([0.0, 0.0, 0.0])
                ->lineTo([20.0, 0.0, 0.0])
                ->lineTo([20.0, 30.0, 0.0])
                ->lineTo([0.0, 30.0, 0.0])
                ->lineTo([0.0, 0.0, 0.0]),
        ),
        8 * 100,
        1e-12,
    );
    Solids::encloses(
        Sweep::along('s', Solids::rectangle(4, 2), Path::from([0.0, 0.0, 0.0])->arcTo([10.0, 10.0, 0.0], [20.0, 0.0, 0.0])),
        8 * M_PI * 10,
    );
    $points = [[10.0, 5.0, 0.0], [20.0, 0.0, 5.0], [30.0, 8.0, 10.0], [45.0, 8.0, 0.0]];
    $spline = new CubicSpline([[0.0, 0.0, 0.0], ...$points]);
    $length = Solids::integral(
        static function (float $t) use ($spline): float {
            [, [$x, $y, $z]] = $spline->at($t);

            return sqrt($x * $x + $y * $y + $z * $z);
        },
        0,
        $spline->knots[4],
        20000,
    );
    Solids::encloses(Sweep::along('s', Solids::disc(2), Path::from([0.0, 0.0, 0.0])->splineThrough($points)), M_PI * 4 * $length);
    Solids::encloses(Sweep::along('s', Solids::rectangle(4, 2), Path::from([0.0, 0.0, 0.0])->splineThrough($points)), 8 * $length);
});

it('ruled lofts are prismoids [M]', function (): void {
    Solids::encloses(
        Loft::through('s', [[Solids::rectangle(10, 6), Solids::lift(0)], [Solids::rectangle(6, 5), Solids::lift(12)]], false),
        prismoid(12, 60, 44, 30),
        1e-12,
    );
    Solids::encloses(
        Loft::through('s', [[Solids::disc(10), Solids::lift(0)], [Solids::disc(5), Solids::lift(9)]], false),
        prismoid(9, M_PI * 100, M_PI * 56.25, M_PI * 25),
    );
    // a square turned by 30 degrees on its way up: half way it is smaller by the cosine of 15 degrees
    Solids::encloses(
        Loft::through(
            's',
            [[Solids::rectangle(10, 10), Solids::lift(0)], [Solids::rectangle(10, 10), Transform::rotation(2, 30)->then(Solids::lift(12))]],
            false,
        ),
        prismoid(12, 100, 100 * cos(deg2rad(15)) ** 2, 100),
    );
    // circle to square: half way between points of equal share of their quarter
    $n = 20000;
    $area = 0.0;
    for ($i = 0; $i < $n; $i++) {
        $at = static function (float $w): array {
            $a = -M_PI / 4 + ($w * M_PI) / 2;

            return [(10 * cos($a) + 6) / 2, (10 * sin($a) - 6 + 12 * $w) / 2];
        };
        [[$x, $y], [$u, $v]] = [$at($i / $n), $at(($i + 1) / $n)];
        $area += (4 * ($x * $v - $y * $u)) / 2;
    }
    Solids::encloses(
        Loft::through('s', [[Solids::disc(10), Solids::lift(0)], [Solids::rectangle(12, 12), Solids::lift(15)]], false),
        prismoid(15, M_PI * 100, $area, 144),
    );
});

it('a smooth loft through circles is a solid of revolution [B 8.2.2]', function (): void {
    $radius = new CubicSpline([[10.0], [15.0], [8.0]], [0.0, 10.0, 25.0]);
    Solids::encloses(
        Loft::through(
            's',
            [[Solids::disc(10), Solids::lift(0)], [Solids::disc(15), Solids::lift(10)], [Solids::disc(8), Solids::lift(25)]],
            true,
        ),
        Solids::integral(static fn(float $z): float => M_PI * $radius->at($z)[0][0] ** 2, 0, 25, 20000),
    );
});

it('rounds the foot of a cone so that both run on smoothly, in area too [M]', function (float $r): void {
    // the arc between the base and the side, turned: zone of a ring; below, a disc as far as the arc's middle
    $cone = Blending::round('r', Primitives::cone('c', 10.0, 5.0, 12.0), ['c:bottom / c:side'], $r);
    [$nx, $nz] = [12 / hypot(12, 5), 5 / hypot(12, 5)];
    $c = 10 - ($r + $nz * $r) / $nx;
    [$x, $z, $a] = [$c + $r * $nx, $r + $r * $nz, atan2($nz, $nx)];
    $turned = static fn(float $t): float => $r *
        ($c * $c * sin($t) + 2 * $c * $r * ($t / 2 + sin(2 * $t) / 4) + $r * $r * (sin($t) - sin($t) ** 3 / 3));
    $m = new MassProperties($cone);
    expect($m->volume / (M_PI * ($turned($a) - $turned(-M_PI / 2)) + ((M_PI * (12 - $z)) / 3) * ($x * $x + 5 * $x + 25)))
        ->toEqualWithDelta(1.0, 1e-8)
        ->and(
            $m->area /
                (M_PI * ($c * $c + 25) +
                    M_PI * ($x + 5) * hypot($x - 5, 12 - $z) +
                    2 * M_PI * $r * ($c * ($a + M_PI / 2) + $r * (sin($a) + 1))),
        )
        ->toEqualWithDelta(1.0, 1e-6);
})->with([0.5, 1.5, 3.0]);

it('rounds and chamfers take their missing cross-section along the edge [M, B 8.2.2]', function (float $r): void {
    $box = Primitives::block('b', [0.0, 0.0, 0.0], [20.0, 14.0, 9.0]);
    Solids::encloses(Blending::round('r', $box, ['b:front / b:top'], $r), 2520 - SPANDREL * $r ** 2 * 20);
    Solids::encloses(Blending::chamfer('r', $box, ['b:front / b:top'], $r), 2520 - ($r ** 2 / 2) * 20, 1e-12);
    Solids::encloses(Blending::chamfer('r', $box, ['b:front / b:top'], $r, 2 * $r), 2520 - $r ** 2 * 20, 1e-12);
    Solids::encloses(
        Blending::chamferAtAngle('r', $box, ['b:front / b:top'], $r, 30),
        2520 - (($r ** 2 * tan(deg2rad(30))) / 2) * 20,
        1e-12,
    );
    $cylinder = Primitives::cylinder('c', 10.0, 20.0);
    Solids::encloses(
        Blending::round('r', $cylinder, ['c:side / c:top'], $r),
        M_PI * 2000 - 2 * M_PI * (10 - spandrelCentroid($r)) * SPANDREL * $r ** 2,
    );
    Solids::encloses(Blending::chamfer('r', $cylinder, ['c:side / c:top'], $r), M_PI * 2000 - (2 * M_PI * (10 - $r / 3) * $r ** 2) / 2);
    $plate = BooleanOperation::difference(
        Primitives::block('p', [-20.0, -20.0, 0.0], [40.0, 40.0, 8.0]),
        Primitives::cylinder('h', 5.0, 20.0)->moved(Solids::lift(-5)),
    );
    $drilled = 12800 - M_PI * 200;
    Solids::encloses(
        Blending::round('r', $plate, ['h:side / p:top'], $r),
        $drilled - 2 * M_PI * (5 + spandrelCentroid($r)) * SPANDREL * $r ** 2,
    );
    Solids::encloses(Blending::chamfer('r', $plate, ['h:side / p:top'], $r), $drilled - (2 * M_PI * (5 + $r / 3) * $r ** 2) / 2);
    // grooves are filled
    $boss = BooleanOperation::union(Primitives::block('p', [-20.0, -20.0, 0.0], [40.0, 40.0, 8.0]), Primitives::cylinder('h', 5.0, 20.0));
    Solids::encloses(
        Blending::round('r', $boss, ['h:side / p:top'], $r),
        12800 + M_PI * 300 + 2 * M_PI * (5 + spandrelCentroid($r)) * SPANDREL * $r ** 2,
    );
    $angle = BooleanOperation::union(
        Primitives::block('p', [0.0, 0.0, 0.0], [40.0, 20.0, 8.0]),
        Primitives::block('w', [0.0, 0.0, 0.0], [8.0, 20.0, 30.0]),
    );
    Solids::encloses(Blending::round('r', $angle, ['p:top / w:right'], $r), 6400 + 3520 + SPANDREL * $r ** 2 * 20);
    // a chain of lines and arcs, from one of its edges
    Solids::encloses(
        Blending::round('r', Extrusion::straight('s', Solids::slot(30, 7), 0, 6, Transform::identity()), ['s:end / s:front'], $r),
        6 * (M_PI * 49 + 420) - SPANDREL * $r ** 2 * 60 - 2 * M_PI * (7 - spandrelCentroid($r)) * SPANDREL * $r ** 2,
    );
})->with([0.5, 2.0, 3.5]);

it('three rounds meet in an eighth of a ball', function (): void {
    // a cube of edge r less an eighth of a ball of radius r remains of every corner
    $corner = static fn(float $r): float => $r ** 3 * (1 - M_PI / 6);
    $box = Primitives::block('b', [0.0, 0.0, 0.0], [20.0, 14.0, 9.0]);
    Solids::encloses(
        Blending::round('r', $box, ['b:front / b:top', 'b:right / b:top', 'b:front / b:right'], 3),
        2520 - SPANDREL * 9 * (17 + 11 + 6) - $corner(3),
    );
    $all = array_keys(Topology::of($box)->edges);
    Solids::alike(Blending::round('r', $box, $all, 3), SoftBlock::rounded('s', [20.0, 14.0, 9.0], 3));
    Solids::alike(Blending::chamfer('r', $box, $all, 3), SoftBlock::chamfered('s', [20.0, 14.0, 9.0], 3));
    // the same in the corners of a pocket
    $pocket = BooleanOperation::difference(
        Primitives::block('p', [0.0, 0.0, 0.0], [40.0, 30.0, 20.0]),
        Primitives::block('k', [10.0, 10.0, 5.0], [20.0, 10.0, 30.0]),
    );
    $inner = array_values(
        array_filter(array_keys(Topology::of($pocket)->edges), static fn(string $e): bool => substr_count($e, 'k:') === 2),
    );
    Solids::encloses(Blending::round('r', $pocket, $inner, 2), 24000 - 3000 + SPANDREL * 4 * (2 * 16 + 2 * 6 + 4 * 13) + 4 * $corner(2));
});

it('two rounds are mitred: the missing parts of both overlap', function (): void {
    // both spandrels at one corner share the integral of (r - sqrt(r^2 - (r-z)^2))^2 = r^3 (5/3 - pi/2)
    $box = Primitives::block('b', [0.0, 0.0, 0.0], [20.0, 14.0, 9.0]);
    Solids::encloses(
        Blending::round('r', $box, ['b:front / b:top', 'b:right / b:top'], 3),
        2520 - SPANDREL * 9 * 34 + 27 * (5 / 3 - M_PI / 2),
    );
});

it('shells, drafts and pulled faces', function (): void {
    $box = Primitives::block('b', [0.0, 0.0, 0.0], [20.0, 14.0, 9.0]);
    $cylinder = Primitives::cylinder('c', 10.0, 20.0);
    Solids::encloses(FaceWork::shell('k', $box, 2, ['b:top']), 2520 - 16 * 10 * 7, 1e-12);
    Solids::encloses(FaceWork::shell('k', $box, 2, []), 2520 - 16 * 10 * 5, 1e-12);
    Solids::encloses(FaceWork::shell('k', $cylinder, 2, ['c:top']), M_PI * 2000 - M_PI * 64 * 18);
    Solids::encloses(FaceWork::shell('k', $cylinder, 2, ['c:top', 'c:bottom']), M_PI * 36 * 20);
    Solids::encloses(FaceWork::shell('k', Primitives::sphere('s', 10.0), 2, []), (4 / 3) * M_PI * (1000 - 512));
    Solids::encloses(FaceWork::shell('k', Shapes::torus('t', 20, 6), 2, []), 2 * M_PI ** 2 * 20 * (36 - 16));
    $plate = BooleanOperation::difference(
        Primitives::block('p', [-20.0, -20.0, 0.0], [40.0, 40.0, 10.0]),
        Primitives::cylinder('h', 5.0, 20.0)->moved(Solids::lift(-5)),
    );
    Solids::encloses(FaceWork::shell('k', $plate, 2, ['p:bottom']), 16000 - M_PI * 250 - (36 * 36 * 8 - M_PI * 49 * 8));
    $boss = BooleanOperation::union(Primitives::block('p', [-20.0, -20.0, 0.0], [40.0, 40.0, 8.0]), Primitives::cylinder('h', 6.0, 20.0));
    Solids::encloses(FaceWork::shell('k', $boss, 2, ['p:bottom']), 12800 + M_PI * 36 * 12 - (36 * 36 * 6 + M_PI * 16 * 12));
    $sides = ['b:front', 'b:back', 'b:left', 'b:right'];
    $area = static fn(float $d): float => (20 - 2 * $d) * (14 - 2 * $d);
    $t = tan(deg2rad(5));
    Solids::encloses(
        FaceWork::draft($box, $sides, [0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 5),
        prismoid(9, $area(0), $area(4.5 * $t), $area(9 * $t)),
        1e-12,
    );
    Solids::encloses(
        FaceWork::draft($box, $sides, [0.0, 0.0, 4.5], [0.0, 0.0, 1.0], 5),
        prismoid(9, $area(-4.5 * $t), $area(0), $area(4.5 * $t)),
        1e-12,
    );
    Solids::encloses(FaceWork::pull($box, 'b:top', 3), 20 * 14 * 12, 1e-12);
    Solids::encloses(FaceWork::pull($plate, 'h:side', -2), 16000 - M_PI * 490);
    Solids::encloses(FaceWork::pull($plate, 'h:side', 2), 16000 - M_PI * 90);
    // a frustum pulled at its top goes on as a cone
    $top = 5 - 5 / 6;
    Solids::encloses(FaceWork::pull(Primitives::cone('c', 10.0, 5.0, 12.0), 'c:top', 2), ((M_PI * 14) / 3) * (100 + 10 * $top + $top ** 2));
});

it('stretched solids have their volume times the factors; an ellipsoid has 4 pi a b c / 3 [B 3.3.4]', function (): void {
    Solids::encloses(Primitives::sphere('s', 5.0)->scaled(2, 1, 1.5), (4 / 3) * M_PI * 10 * 5 * 7.5);
    Solids::encloses(Primitives::cylinder('s', 5.0, 8.0)->scaled(2, 1, 1), M_PI * 50 * 8);
    Solids::encloses(Primitives::cone('s', 5.0, 2.0, 8.0)->scaled(1, 1.3, 1), ((M_PI * 8) / 3) * (25 + 10 + 4) * 1.3);
    Solids::encloses(Shapes::torus('s', 10, 3)->scaled(1, 1.3, 2), 2 * M_PI ** 2 * 90 * 2.6);
    Solids::encloses(Primitives::cylinder('s', 5.0, 8.0)->scaled(3, 3, 3), M_PI * 25 * 8 * 27);
});

it('moments of inertia [S]', function (): void {
    // per unit of mass, about the centroid: least, middle, greatest
    $check = static function (Cubo\Solid\Solid $s, array $perMass): void {
        $m = new MassProperties($s);
        foreach ($m->inertia()->principal() as $k => [$moment]) {
            expect($moment / $m->volume / $perMass[$k])->toEqualWithDelta(1.0, 1e-6);
        }
    };
    $turned = Transform::rotation(0, 33.0)->then(Transform::rotation(2, 71.0))->then(Transform::translation([100.0, -30.0, 7.0]));
    foreach ([Transform::identity(), $turned] as $t) {
        $check(Primitives::block('s', [0.0, 0.0, 0.0], [6.0, 4.0, 2.0])->moved($t), [(16 + 4) / 12, (36 + 4) / 12, (36 + 16) / 12]);
        $check(Primitives::cylinder('s', 5.0, 20.0)->moved($t), [25 / 2, (3 * 25 + 400) / 12, (3 * 25 + 400) / 12]);
        $check(Primitives::sphere('s', 5.0)->moved($t), [10.0, 10.0, 10.0]);
        $check(Primitives::cone('s', 5.0, 0.0, 20.0)->moved($t), [0.3 * 25, 0.15 * 25 + 0.0375 * 400, 0.15 * 25 + 0.0375 * 400]);
        $check(Shapes::torus('s', 20, 6)->moved($t), [200 + (5 / 8) * 36, 200 + (5 / 8) * 36, 400 + 0.75 * 36]);
    }
});

it('mass for densities of handbooks', function (): void {
    // steel 7850 kg/m3, aluminium 2.70 g/cm3, common practice, no source; brass 0.307 lb/in3 = 8.50 g/cm3
    $litre = new MassProperties(Primitives::block('s', [0.0, 0.0, 0.0], [100.0, 100.0, 100.0]));
    expect($litre->mass(DensityUnit::KilogramPerCubicMetre->toKilogramsPerCubicMetre(7850)))
        ->toEqualWithDelta(7.85, 1e-9)
        ->and($litre->mass(DensityUnit::GramPerCubicCentimetre->toKilogramsPerCubicMetre(2.7)))
        ->toEqualWithDelta(2.7, 1e-9)
        // 1 lb/in3 = 27679.9047 kg/m3 (NIST Special Publication 811, table of conversion factors)
        ->and(DensityUnit::PoundPerCubicInch->toKilogramsPerCubicMetre(1))
        ->toEqualWithDelta(27679.9047, 1e-4)
        ->and($litre->mass(DensityUnit::PoundPerCubicInch->toKilogramsPerCubicMetre(0.307)))
        ->toEqualWithDelta(8.4977, 1e-3);
});
