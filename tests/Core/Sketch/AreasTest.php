<?php

declare(strict_types=1);

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\CubicSpline;
use Cubo\Measure\MassProperties;
use Cubo\Recipe\SketchPlane;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\Curve;
use Cubo\Sketch\Area\Region;
use Cubo\Sketch\Area\Round;
use Cubo\Sketch\Area\Smooth;
use Cubo\Sketch\Area\Straight;
use Cubo\Sketch\Area\TooManyPieces;
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Maker\Fineness;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Soundness;

/** @return list<float> areas of all regions, smallest first */
function regionAreas(Curve ...$curves): array
{
    $areas = array_map(static fn(Region $r): float => $r->area, (new Arrangement(array_values($curves)))->regions);
    sort($areas);

    return $areas;
}

/** @param list<array{float,float}> $points @return list<Curve> */
function closedLine(string $name, array $points): array
{
    return array_map(
        static fn(array $p, int $i): Curve => new Straight($name . $i, $p, $points[($i + 1) % count($points)]),
        $points,
        array_keys($points),
    );
}

/** Area of the segment a line at distance d cuts off a circle. */
function segmentArea(float $r, float $d): float
{
    return $r * $r * acos($d / $r) - $d * sqrt($r * $r - $d * $d);
}

it('finds a lens and two moons', function (float $r, float $s, float $d) {
    $x = ($d * $d + $r * $r - $s * $s) / (2 * $d);
    $lens = segmentArea($r, $x) + segmentArea($s, $d - $x);
    $areas = [$lens, M_PI * $r * $r - $lens, M_PI * $s * $s - $lens];
    sort($areas);
    expect(regionAreas(new Round('a', [3, 2], $r), new Round('b', [3 + $d, 2], $s)))->toEqualWithDelta($areas, 1e-9 * $r * $r);
})->with([[10.0, 10.0, 12.0], [10.0, 4.0, 8.0], [10.0, 4.0, 11.0], [25.0, 24.0, 2.0], [0.5, 0.4, 0.6]]);

it('cuts a circle by a line into two segments', function (float $d) {
    $areas = [segmentArea(10, abs($d)), 100 * M_PI - segmentArea(10, abs($d))];
    expect(regionAreas(new Round('a', [0, 0], 10), new Straight('b', [-20, $d], [20, $d])))->toEqualWithDelta($areas, 1e-9);
})->with([0.5, 3.0, -7.0, 9.99]);

it('counts a line that only touches as crossing nothing', function (float $off) {
    expect(regionAreas(new Round('a', [0, 0], 10), new Straight('b', [-20, 10 + $off], [20, 10 + $off])))->toEqualWithDelta(
        [100 * M_PI],
        1e-9,
    );
})->with([0.0, 1e-9, -1e-9, 5e-8, -5e-8, 1e-3]);

it('finds rings and islands', function () {
    expect(
        regionAreas(new Round('a', [0, 0], 10), new Round('b', [0, 0], 6), new Round('c', [1, 1], 2), new Round('d', [30, 0], 1)),
    )->toEqualWithDelta([M_PI, 4 * M_PI, 32 * M_PI, 64 * M_PI], 1e-9);
});

it('takes circles that touch from inside and outside for what they are', function () {
    expect(regionAreas(new Round('a', [0, 0], 10), new Round('b', [4, 0], 6), new Round('c', [14, 0], 4)))->toEqualWithDelta(
        [16 * M_PI, 36 * M_PI, 64 * M_PI],
        1e-9,
    );
});

it('finds a slot of lines and arcs that run smoothly into each other', function () {
    $slot = [
        new Straight('low', [-32.5, -10], [32.5, -10]),
        Round::arc('right', [32.5, 0], 10, [32.5, -10], [32.5, 10]),
        new Straight('high', [32.5, 10], [-32.5, 10]),
        Round::arc('left', [-32.5, 0], 10, [-32.5, 10], [-32.5, -10]),
    ];
    expect(regionAreas(...$slot))->toEqualWithDelta([65 * 20 + 100 * M_PI], 1e-9);
    // the full circles inside change nothing but the pieces
    expect(array_sum(regionAreas(...$slot, ...[new Round('c', [-32.5, 0], 10), new Round('d', [32.5, 0], 10)])))->toEqualWithDelta(
        65 * 20 + 100 * M_PI,
        1e-9,
    );
});

it('takes what lies on each other once', function () {
    $a = new Arrangement([
        new Round('a', [0, 0], 10),
        new Round('b', [0, 0], 10),
        Round::arc('c', [0, 0], 10, [10, 0], [0, 10]),
        new Straight('d', [-10, 0], [10, 0]),
        new Straight('e', [-4, 0], [14, 0]),
    ]);
    expect(array_map(static fn(Region $r): float => $r->area, $a->regions))
        ->toEqualWithDelta([50 * M_PI, 50 * M_PI], 1e-9)
        ->and($a->doubled())
        ->toEqualCanonicalizing([['a', 'b'], ['a', 'c'], ['d', 'e']]);
});

it('keeps the chords of an ellipse within the fineness, whatever its size', function (float $long, float $short): void {
    $e = Smooth::ellipse('e', [3.0, -2.0], [3.0 + $long, -2.0], $short);
    $stops = [$e->from(), ...$e->inner($e->from(), $e->to()), $e->to()];
    $most = 0.0;
    for ($i = 1; $i < count($stops); $i++) {
        [$p, $q] = [$e->at($stops[$i - 1]), $e->at($stops[$i])];
        for ($k = 1; $k < 8; $k++) {
            $r = $e->at($stops[$i - 1] + (($stops[$i] - $stops[$i - 1]) * $k) / 8);
            $most = max(
                $most,
                abs(($q[0] - $p[0]) * ($r[1] - $p[1]) - ($q[1] - $p[1]) * ($r[0] - $p[0])) / hypot($q[0] - $p[0], $q[1] - $p[1]),
            );
        }
    }
    expect($most)
        ->toBeLessThan(Fineness::CHORD * 1.25)
        ->and(count($stops))
        ->toBeLessThan(1600);
    // a piece of it has the same corners
    expect($e->inner($stops[3] + 1e-6, $stops[9] - 1e-6))->toBe(array_slice($stops, 4, 5));
})->with([[40.0, 30.0], [2.0, 1.0], [0.05, 0.02], [300.0, 20.0], [1000.0, 900.0], [60.0, 59.0]]);

it('finds the pieces of ellipses and splines', function () {
    $e = Smooth::ellipse('e', [0, 0], [20, 0], 10);
    expect(regionAreas($e))->toEqualWithDelta([200 * M_PI], 1e-8);
    // stretched to a circle, the line x = 10 cuts a segment at half the radius
    expect(regionAreas($e, new Straight('l', [10, -20], [10, 20])))->toEqualWithDelta(
        [200 * segmentArea(1, 0.5), 200 * M_PI - 200 * segmentArea(1, 0.5)],
        1e-8,
    );
    // a circle between both half axes crosses it in four places; the union is both less what they share
    $r = regionAreas($e, new Round('c', [0, 0], 15));
    expect($r)
        ->toHaveCount(5)
        ->and(array_sum($r))
        ->toEqualWithDelta(200 * M_PI + 225 * M_PI - $r[4], 1e-7);
    // turned by a quarter they share what is symmetric: 4 ab atan(b/a)
    $f = Smooth::ellipse('f', [0, 0], [0, 20], 10);
    $both = regionAreas($e, $f);
    expect(max($both))->toEqualWithDelta(4 * 200 * atan(0.5), 1e-8);
});

it('bounds areas with splines', function () {
    // points of a parabola whose second derivative a natural spline cannot have at its ends: exact between its own points
    $spline = new CubicSpline([[0.0, 0.0], [10.0, 8.0], [20.0, 2.0], [30.0, 9.0]]);
    $c = new Smooth(
        's',
        static fn(float $t): array => $spline->at($t),
        array_merge(
            ...array_map(
                static fn(int $i): array => array_slice(Smooth::even($spline->knots[$i], $spline->knots[$i + 1], 8), $i === 0 ? 0 : 1),
                [0, 1, 2],
            ),
        ),
    );
    $sum = 0.0;
    for ($i = 0; $i < 200000; $i++) {
        $t = ($c->to() * ($i + 0.5)) / 200000;
        $sum += (($c->at($t)[1] + 5) * $c->slope($t)[0] * $c->to()) / 200000;
    }
    $areas = regionAreas(
        $c,
        new Straight('a', [0, 0], [0, -5]),
        new Straight('b', [0, -5], [30, -5]),
        new Straight('d', [30, -5], [30, 9]),
    );
    expect($areas)->toEqualWithDelta([$sum], 1e-6);
    // and a line through it makes pieces that add up; a fourth lies above the dip, under the line
    $cut = regionAreas(
        $c,
        new Straight('a', [0, 0], [0, -5]),
        new Straight('b', [0, -5], [30, -5]),
        new Straight('d', [30, -5], [30, 9]),
        new Straight('e', [-1, 4], [31, 4]),
    );
    $total = array_sum($cut);
    expect($cut)->toHaveCount(4)->and(min(array_map(static fn(float $dip): float => abs($total - $dip - $sum), $cut)))->toBeLessThan(1e-6);
});

it('names loose ends and gaps, and finds the areas all the same', function () {
    $a = new Arrangement([
        ...closedLine('a', [[0.0, 0.0], [10.0, 0.0], [10.0, 10.0], [0.0, 10.0]]),
        new Straight('tail', [10.0, 10.0], [14.0, 12.0]),
        new Straight('across', [5.0, -3.0], [5.0, 13.0]),
    ]);
    expect(array_map(static fn(Region $r): float => $r->area, $a->regions))
        ->toEqualWithDelta([50.0, 50.0], 1e-12)
        ->and($a->looseEnds())
        ->toHaveCount(3);
    $open = new Arrangement([
        new Straight('a', [0, 0], [10, 0]),
        new Straight('b', [10, 0], [10, 10]),
        new Straight('c', [10, 10], [0.2, 0.1]),
    ]);
    [[$p, $q, $d]] = $open->gaps(1.0);
    expect($open->regions)
        ->toBe([])
        ->and($d)
        ->toEqualWithDelta(hypot(0.2, 0.1), 1e-12)
        ->and([$p, $q])
        ->toEqualCanonicalizing([[0.0, 0.0], [0.2, 0.1]]);
});

it('knows an area again when sizes change', function () {
    $draw = static fn(float $w, float $d): Arrangement => new Arrangement([
        ...closedLine('a', [[0.0, 0.0], [$w, 0.0], [$w, 20.0], [0.0, 20.0]]),
        new Round('b', [$d, 20], 6),
        new Round('c', [$d, 8], 3),
    ]);
    $before = array_column($draw(40, 12)->regions, 'key');
    $after = array_column($draw(55, 31)->regions, 'key');
    sort($before);
    sort($after);
    expect($before)->toBe($after)->and(array_unique($before))->toHaveCount(4);
});

it('makes profiles of any areas together, whole and sound', function () {
    for ($seed = 0; $seed < 300; $seed++) {
        $random = new Randomizer(new Mt19937($seed));
        $curves = [];
        for ($i = 0; $i < 6; $i++) {
            [$u, $v, $w] = [$random->getInt(0, 20), $random->getInt(0, 20), $random->getInt(2, 9)];
            array_push(
                $curves,
                ...$random->getInt(0, 1) === 0
                    ? [new Round("c$i", [(float) $u, (float) $v], (float) $w)]
                    : closedLine("l$i", [[(float) $u, (float) $v], [$u + 2.0 * $w, (float) $v], [$u + 1.5 * $w, $v + 1.0 * $w]]),
            );
        }
        $a = new Arrangement($curves);
        $chosen = array_values(array_filter(array_column($a->regions, 'number'), static fn(): bool => $random->getInt(0, 2) > 0)) ?: [1];
        $s = Extrusion::straight('s', $a->profile($chosen), 0.0, 2.0, SketchPlane::Ground->placement());
        $area = array_sum(array_map(static fn(int $n): float => $a->regions[$n - 1]->area, $chosen));
        expect(Soundness::faults($s))
            ->toBe([], "seed $seed")
            ->and((new MassProperties($s))->volume)
            ->toEqualWithDelta(2 * $area, 1e-6 * $area, "seed $seed");
    }
});

it('gives up in words where lines cross too often', function () {
    $lines = [];
    for ($i = 0; $i < 500; $i++) {
        $lines[] = new Straight("h$i", [0, $i * 0.1], [60, $i * 0.1]);
        $lines[] = new Straight("v$i", [$i * 0.1, -1], [$i * 0.1, 60]);
    }
    expect(fn() => new Arrangement($lines))->toThrow(TooManyPieces::class);
});

it('finds areas of smooth curves that lie on each other or nearly do', function (float $shift, int $regions) {
    $a = Smooth::ellipse('a', [0.0, 0.0], [15.0, 0.0], 10.0);
    $b = Smooth::ellipse('b', [$shift, 0.0], [$shift + 15.0, 0.0], 10.0);
    // counted work, so that a busy machine says the same
    $found = new Arrangement([$a, $b], new Budget(2_000_000));
    expect($found->regions)
        ->toHaveCount($regions)
        // twice the ellipse less the lens both share: that of two circles, squeezed
        ->and(array_sum(array_map(static fn(Region $r): float => $r->area, $found->regions)))
        ->toEqualWithDelta(300 * M_PI - (10 / 15) * (450 * acos($shift / 30) - ($shift / 2) * sqrt(900 - $shift ** 2)), 1e-6);
})->with([[0.0, 1], [0.0001, 3], [0.001, 3], [0.1, 3], [5.0, 3]]);

it('takes an ellipse with equal half axes for the circle it lies on', function () {
    $found = new Arrangement([Smooth::ellipse('a', [0.0, 0.0], [10.0, 0.0], 10.0), new Round('b', [0.0, 0.0], 10.0)]);
    expect($found->regions)
        ->toHaveCount(1)
        ->and($found->regions[0]->area)
        ->toEqualWithDelta(100 * M_PI, 1e-6);
});

it('gives up by counting where many smooth curves run along each other', function (): void {
    $many = [];
    for ($i = 0; $i < 40; $i++) {
        $many[] = Smooth::ellipse("e$i", [$i * 1e-4, 0.0], [$i * 1e-4 + 15.0, 0.0], 10.0);
    }
    $budget = new Budget(3_000_000);
    expect(fn() => new Arrangement($many, $budget))->toThrow(OverBudget::class)->and($budget->spent())->toBeLessThan(3_100_000);
});
