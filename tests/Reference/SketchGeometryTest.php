<?php

declare(strict_types=1);

/*
 * Sketches solved against plane geometry.
 *
 * [E] Euclid, Elements: III.3 (a diameter across a chord halves it), III.14 (equal chords lie equally far from the
 *     middle), III.31 (the angle in a half circle is right), IV.4 (the circle in a triangle), I.47.
 * [C] H. S. M. Coxeter, "Introduction to Geometry", 2nd ed., 1969: 1.5 (radius of the incircle: area by half the
 *     circumference), 1.5 exercise and p. 13 (Descartes' circle theorem: 2 (a2 + b2 + c2 + d2) = (a + b + c + d)2 for the
 *     curvatures of four circles that touch each other).
 * [P] common practice, no source: a slot's overall length is the distance of its centres and its width.
 */

use Cubo\Sketch\EntityKind;
use Cubo\Sketch\RelationKind as K;
use Cubo\Sketch\Sketch;
use Tests\Sketches;

/** @param array{float,float} $a a right angle at the origin when the sides are 3, 4 and 5 */
function triangleOf(Sketches $s, array $a, array $b, array $c, float $ab, float $bc, float $ca): array
{
    $p = [$s->point(...$a), $s->point(...$b), $s->point(...$c)];
    $l = [$s->line($p[0], $p[1]), $s->line($p[1], $p[2]), $s->line($p[2], $p[0])];
    $s->ask(K::Coincident, $p[0], Sketch::ORIGIN);
    $s->ask(K::Horizontal, $l[0]);
    foreach ([$ab, $bc, $ca] as $i => $length) {
        $s->size(K::Length, $length, $l[$i]);
    }

    return [$p, $l];
}

it('finds the incircle of 3-4-5 with radius 1 [E IV.4, C 1.5]', function () {
    $s = new Sketches();
    [$p, $l] = triangleOf($s, [0.1, 0.2], [3.6, 0.4], [0.4, 3.1], 4.0, 5.0, 3.0);
    $c = $s->circle($m = $s->point(1.4, 0.7), 0.5);
    foreach ($l as $side) {
        $s->ask(K::Tangent, $side, $c);
    }
    $r = $s->solved();
    expect($r->free)
        ->toBe(0)
        ->and($r->idle)
        ->toBe([])
        ->and($r->sketch->entities[$c]->size)
        ->toEqualWithDelta(1.0, 1e-12)
        ->and($r->sketch->point($m)[0])
        ->toEqualWithDelta(1.0, 1e-12)
        // I.47: the sides make a right angle of themselves
        ->and($r->sketch->point($p[2])[0])
        ->toEqualWithDelta(0.0, 1e-12);
});

it('finds incircles by area over half the circumference [C 1.5]', function (float $a, float $b, float $c) {
    $s = new Sketches();
    $half = ($a + $b + $c) / 2;
    [, $l] = triangleOf($s, [0, 0], [$a, 0.1], [0.4 * $a, 0.7 * $b], $a, $b, $c);
    $circle = $s->circle($s->point(0.45 * $a, 0.2 * $b), 0.1 * $a);
    foreach ($l as $side) {
        $s->ask(K::Tangent, $side, $circle);
    }
    $area = sqrt($half * ($half - $a) * ($half - $b) * ($half - $c));
    expect($s->solved()->sketch->entities[$circle]->size)->toEqualWithDelta($area / $half, 1e-10);
})->with([[13.0, 14.0, 15.0], [40.0, 37.0, 39.0], [20.0, 21.0, 29.0]]);

it('finds the fourth of four circles that touch each other [C p. 13]', function (array $radii, bool $around) {
    $s = new Sketches();
    $at = [[0.0, 0.0], [$radii[0] + $radii[1], 0.3], [0.4 * $radii[0], $radii[0] + $radii[2]]];
    $circles = [];
    foreach ($radii as $i => $r) {
        $circles[] = $s->circle($s->point(...$at[$i]), $r);
        $s->size(K::Radius, $r, $circles[$i]);
    }
    $k = array_map(static fn(float $r): float => 1 / $r, $radii);
    $root = 2 * sqrt($k[0] * $k[1] + $k[1] * $k[2] + $k[2] * $k[0]);
    $curvature = array_sum($k) + ($around ? -$root : $root);
    // drawn in the gap between them, nearer to the smaller ones
    $gap = [0.0, 0.0];
    foreach ($at as $i => [$u, $v]) {
        $gap = [$gap[0] + ($u * $k[$i]) / array_sum($k), $gap[1] + ($v * $k[$i]) / array_sum($k)];
    }
    $fourth = $s->circle($s->point(...$gap), $around ? (2.2 * array_sum($radii)) / 3 : 0.2);
    foreach ([[0, 1], [1, 2], [2, 0]] as [$i, $j]) {
        $s->ask(K::Tangent, $circles[$i], $circles[$j]);
    }
    foreach ($circles as $c) {
        $s->ask(K::Tangent, $c, $fourth);
    }
    $r = $s->solved();
    expect($r->clash)
        ->toBe([])
        ->and($r->sketch->entities[$fourth]->size)
        ->toEqualWithDelta(abs(1 / $curvature), 1e-9);
})->with([
    'between 1, 2, 3: 6/23' => [[3.0, 2.0, 1.0], false],
    'around 1, 2, 3: 6' => [[3.0, 2.0, 1.0], true],
    'between three equal ones' => [[5.0, 5.0, 5.0], false],
    'between 4, 5, 6' => [[6.0, 5.0, 4.0], false],
]);

it('gives a circle that touches two lines and has a radius its place', function (float $degrees) {
    // in an angle the middle stands at radius over sine of half the angle from the corner [E IV.4]
    $s = new Sketches();
    $o = $s->point(0, 0);
    $l = $s->line($o, $s->point(40, 0));
    $m = $s->line($o, $s->point(38 * cos(deg2rad($degrees)), 42 * sin(deg2rad($degrees))));
    $s->ask(K::Coincident, $o, Sketch::ORIGIN);
    $s->ask(K::Horizontal, $l);
    $s->size(K::Angle, $degrees, $l, $m);
    $c = $s->circle($p = $s->point(15, 15 * tan(deg2rad($degrees / 2)) + 1), 4);
    $s->size(K::Radius, 6, $c);
    $s->ask(K::Tangent, $l, $c);
    $s->ask(K::Tangent, $m, $c);
    [$u, $v] = $s->solved()->sketch->point($p);
    expect(hypot($u, $v))
        ->toEqualWithDelta(6 / sin(deg2rad($degrees / 2)), 1e-10)
        ->and($v)
        ->toEqualWithDelta(6.0, 1e-10);
})->with([30.0, 60.0, 90.0, 120.0]);

it('makes a slot as long as its centres and its width together: 65 + 20 = 85 [P]', function () {
    $s = new Sketches();
    [$a, $b] = [$s->point(-30, 1), $s->point(33, -1)];
    $q = [$s->point(-30, 9), $s->point(-31, -11), $s->point(32, -9), $s->point(33, 12)];
    $left = $s->arc($a, $q[0], $q[1]);
    $right = $s->arc($b, $q[2], $q[3]);
    $low = $s->line($q[1], $q[2]);
    $high = $s->line($q[3], $q[0]);
    foreach ([[$low, $left], [$low, $right], [$high, $left], [$high, $right]] as [$l, $c]) {
        $s->ask(K::Tangent, $l, $c);
    }
    $s->ask(K::Equal, $left, $right);
    $s->ask(K::Horizontal, $low);
    $s->ask(K::Midpoint, Sketch::ORIGIN, $s->line($a, $b));
    $s->size(K::Distance, 65, $a, $b);
    $s->size(K::Radius, 10, $left);
    $r = $s->solved();
    $high = max(array_map(static fn(string $p): float => $r->sketch->point($p)[1], $q));
    expect($r->clash)
        ->toBe([])
        ->and($r->free)
        ->toBe(0)
        ->and($r->sketch->point($b)[0] + $r->sketch->entities[$right]->size - $r->sketch->point($a)[0] + $r->sketch->entities[$left]->size)
        ->toEqualWithDelta(85.0, 1e-10)
        ->and($high)
        ->toEqualWithDelta(10.0, 1e-10);
});

it('sees a right angle in the half circle [E III.31]', function () {
    $s = new Sketches();
    [$a, $b, $c] = [$s->point(-24, 1), $s->point(26, -1), $s->point(9, 22)];
    $circle = $s->circle($m = $s->point(1, 1), 24);
    $d = $s->line($a, $b);
    $s->size(K::Diameter, 50, $circle);
    foreach ([$a, $b, $c] as $p) {
        $s->ask(K::Coincident, $p, $circle);
    }
    $s->ask(K::Midpoint, $m, $d);
    [$l, $k] = [$s->line($c, $a), $s->line($c, $b)];
    $r = $s->solved();
    [$p, $q, $o] = [$r->sketch->point($a), $r->sketch->point($b), $r->sketch->point($c)];
    expect(($p[0] - $o[0]) * ($q[0] - $o[0]) + ($p[1] - $o[1]) * ($q[1] - $o[1]))->toEqualWithDelta(0.0, 1e-9);
    // so asking for it adds nothing, and another angle clashes
    $right = $s->ask(K::Perpendicular, $l, $k);
    expect($s->solved()->idle)->toContain($right);
    $other = $s->size(K::Angle, 80, $l, $k);
    expect($s->solved()->clash)->toContain($other);
});

it('lays equal chords equally far from the middle [E III.14], halved by the diameter across [E III.3]', function () {
    $s = new Sketches();
    $circle = $s->circle($m = $s->point(0, 0), 25);
    $s->ask(K::Fixed, $m);
    $s->size(K::Radius, 25, $circle);
    $chords = [];
    foreach ([[0.3, 1.6], [2.6, 4.1]] as [$from, $to]) {
        $p = [$s->point(24 * cos($from), 24 * sin($from)), $s->point(26 * cos($to), 26 * sin($to))];
        foreach ($p as $end) {
            $s->ask(K::Coincident, $end, $circle);
        }
        $chords[] = $s->line(...$p);
    }
    $s->size(K::Length, 30, $chords[0]);
    $s->ask(K::Equal, ...$chords);
    $foot = $s->point(1, 1);
    $s->ask(K::Coincident, $foot, $chords[0]);
    $across = $s->line($m, $foot);
    $s->ask(K::Perpendicular, $across, $chords[0]);
    $r = $s->solved();
    $far = static function (string $l) use ($r): float {
        [$a, $b] = array_map($r->sketch->point(...), $r->sketch->entities[$l]->points);

        return abs($a[0] * $b[1] - $a[1] * $b[0]) / hypot($b[0] - $a[0], $b[1] - $a[1]);
    };
    [$a, $b] = array_map($r->sketch->point(...), $r->sketch->entities[$chords[0]]->points);
    [$u, $v] = $r->sketch->point($foot);
    expect($far($chords[0]))
        ->toEqualWithDelta(20.0, 1e-10)
        ->and($far($chords[1]))
        ->toEqualWithDelta(20.0, 1e-10)
        ->and(hypot($u - ($a[0] + $b[0]) / 2, $v - ($a[1] + $b[1]) / 2))
        ->toBeLessThan(1e-9);
});

it('puts points on an ellipse: the sum of the distances from its foci is its length [C 6.6 for conics by focus]', function () {
    $s = new Sketches();
    [$m, $end] = [$s->point(0, 0), $s->point(25, 0)];
    $e = $s->entity(EntityKind::Ellipse, [$m, $end], 15.0);
    $s->ask(K::Fixed, $e);
    $p = $s->point(9, 18);
    $s->ask(K::Coincident, $p, $e);
    [$u, $v] = $s->solved()->sketch->point($p);
    expect(hypot($u - 20, $v) + hypot($u + 20, $v))->toEqualWithDelta(50.0, 1e-9);
});
