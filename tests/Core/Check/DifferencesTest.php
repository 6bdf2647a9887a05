<?php

declare(strict_types=1);

/* Large parts that differ in one place are compared there; the outcome is that of comparing all of them. */

use Cubo\Check\Comparing\Differences;
use Cubo\Geometry\Transform;
use Cubo\Geometry\TriangleDistance;
use Cubo\Geometry\Vector;
use Cubo\Measure\TriangleTree;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/** @param list<array{float, float}> $at */
function perforated(array $at, array $more = []): Solid
{
    $part = Primitives::block('plate', [-60.0, -40.0, 0.0], [120.0, 80.0, 8.0]);
    foreach ($at as $i => [$x, $y]) {
        $part = BooleanOperation::difference(
            $part,
            Primitives::cylinder("hole $i", 9.0, 30.0)->moved(Transform::translation([$x, $y, -10.0])),
        );
    }
    foreach ($more as $cut) {
        $part = BooleanOperation::difference($part, $cut);
    }

    return $part;
}

$grid = [];
foreach ([-44.0, -15.0, 15.0, 44.0] as $x) {
    foreach ([-20.0, 20.0] as $y) {
        $grid[] = [$x, $y];
    }
}

it('finds in one place what all of both would tell', function (callable $change) use ($grid): void {
    static $reference = null;
    $reference ??= perforated($grid);
    $part = $change($grid, $reference);
    expect($part->triangleCount() + $reference->triangleCount())->toBeGreaterThan(1500);
    [$missing, $surplus] = Differences::of($part, $reference);
    expect($missing->facettedVolume())
        ->toEqualWithDelta(BooleanOperation::difference($reference, $part)->facettedVolume(), 1e-6)
        ->and($surplus->facettedVolume())
        ->toEqualWithDelta(BooleanOperation::difference($part, $reference)->facettedVolume(), 1e-6)
        ->and(Differences::common($part, $reference))
        ->toEqualWithDelta(BooleanOperation::intersection($part, $reference)->facettedVolume(), 1e-6);
})->with([
    'a piece cut out' => [
        fn(array $g, Solid $r): Solid => BooleanOperation::difference($r, Primitives::block('b', [54.0, 30.0, -5.0], [9.0, 9.0, 40.0])),
    ],
    'a hole elsewhere' => [fn(array $g, Solid $r): Solid => perforated([...array_slice($g, 1), [-45.0, -22.0]])],
    // differ at both ends: no single place
    'at both ends' => [fn(array $g, Solid $r): Solid => perforated(array_slice($g, 1, -1))],
    // the one corner that is new says little of a cut through three corners that both have
    'a corner cut off' => [
        fn(array $g, Solid $r): Solid => BooleanOperation::difference(
            $r,
            Primitives::block('c', [-10.0, -10.0, -10.0], [20.0, 20.0, 20.0])->moved(
                Transform::rotation(2, 45.0)->then(Transform::translation([60.0, 40.0, 4.0])),
            ),
        ),
    ],
    'the same' => [fn(array $g, Solid $r): Solid => $r],
    'thicker all over' => [
        fn(array $g, Solid $r): Solid => BooleanOperation::union($r, Primitives::block('more', [-60.0, -40.0, -2.0], [120.0, 80.0, 2.0])),
    ],
]);

it('finds the nearest triangle and the first hit of a ray among needles as looking at every triangle does', function () use ($grid): void {
    $s = perforated($grid)->moved(Transform::rotation(2, 33.0));
    $tree = new TriangleTree($s);
    mt_srand(11);
    $corner = static fn(int $t, int $k): array => [
        $s->x[$s->start[3 * $t + $k]],
        $s->y[$s->start[3 * $t + $k]],
        $s->z[$s->start[3 * $t + $k]],
    ];
    for ($i = 0; $i < 24; $i++) {
        $p = [mt_rand(-800, 800) / 10, mt_rand(-600, 600) / 10, mt_rand(-100, 180) / 10];
        $least = INF;
        foreach (array_keys($s->facet) as $t) {
            $least = min($least, TriangleDistance::between([$p, $p, $p], [$corner($t, 0), $corner($t, 1), $corner($t, 2)])[0]);
        }
        expect($tree->nearest($p)[0])->toEqualWithDelta($least, 1e-9);
        $d = Vector::unit([mt_rand(-10, 10) + 0.5, mt_rand(-10, 10) + 0.5, mt_rand(-10, 10) + 0.5]);
        $hit = $tree->firstHit($p, $d, 1e-6, 500.0);
        $first = INF;
        foreach (array_keys($s->facet) as $t) {
            [$a, $b, $c] = [$corner($t, 0), $corner($t, 1), $corner($t, 2)];
            $n = Vector::cross(Vector::sub($b, $a), Vector::sub($c, $a));
            $down = Vector::dot($n, $d);
            if (abs($down) < 1e-12) {
                continue;
            }
            $at = Vector::dot($n, Vector::sub($a, $p)) / $down;
            $q = Vector::add($p, $d, $at);
            $inside = true;
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$u, $v]) {
                $inside = $inside && Vector::dot(Vector::cross(Vector::sub($v, $u), Vector::sub($q, $u)), $n) >= 0;
            }
            if ($inside && $at > 1e-6 && $at < 500) {
                $first = min($first, $at);
            }
        }
        expect($hit === null ? INF : $hit[0])->toEqualWithDelta($first, 1e-6);
    }
});
