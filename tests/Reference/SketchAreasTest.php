<?php

declare(strict_types=1);

/*
 * Areas of random outlines that cross, against the general-purpose library polygon-clipping (npm, MIT), and of arcs and
 * ellipses against polygons with so many corners that the difference is known.
 */

use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\Curve;
use Cubo\Sketch\Area\Round;
use Cubo\Sketch\Area\Straight;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Outside;

/** @return list<array{float,float}> a star-shaped polygon, on a grid in half of the cases so that sides lie on each other */
function starShape(Randomizer $random, bool $grid): array
{
    $n = $random->getInt(3, 14);
    [$u, $v] = [$random->getInt(-15, 15), $random->getInt(-15, 15)];
    $points = [];
    for ($i = 0; $i < $n; $i++) {
        $r = $random->getInt(5, 30);
        $p = [$u + $r * cos((2 * M_PI * $i) / $n), $v + $r * sin((2 * M_PI * $i) / $n)];
        $p = $grid ? [round($p[0] / 5) * 5, round($p[1] / 5) * 5] : $p;
        if ($points === [] || ($p !== $points[count($points) - 1] && $p !== $points[0])) {
            $points[] = $p;
        }
    }

    return $points;
}

/** @param list<array{float,float}> $polygon @param array{float,float} $p */
function isInside(array $polygon, array $p): bool
{
    $in = false;
    foreach ($polygon as $i => [$au, $av]) {
        [$bu, $bv] = $polygon[($i + 1) % count($polygon)];
        if ($av > $p[1] !== $bv > $p[1] && $p[0] < $au + (($p[1] - $av) / ($bv - $av)) * ($bu - $au)) {
            $in = !$in;
        }
    }

    return $in;
}

/** @param list<array{float,float}> $p @return list<Curve> */
function sidesOf(string $name, array $p): array
{
    return array_map(static fn(array $a, int $i): Curve => new Straight("$name$i", $a, $p[($i + 1) % count($p)]), $p, array_keys($p));
}

/** Whether no side of the polygon meets another but in their common corner. */
function isSimple(array $p): bool
{
    $a = new Arrangement(sidesOf('a', $p));

    return count($a->regions) === 1 && count($a->regions[0]->loops[0]) === count($p) && $a->looseEnds() === [];
}

it('finds what two outlines share and what each has alone', function () {
    $pairs = [];
    for ($seed = 0; count($pairs) < 300; $seed++) {
        $random = new Randomizer(new Mt19937($seed));
        [$a, $b] = [starShape($random, $seed % 2 === 0), starShape($random, $seed % 2 === 0)];
        if (count($a) > 2 && count($b) > 2 && isSimple($a) && isSimple($b)) {
            $pairs[$seed] = [$a, $b];
        }
    }
    $theirs = Outside::run('areas.mjs', (string) json_encode(array_values($pairs)));
    $k = 0;
    $shared = 0;
    foreach ($pairs as $seed => [$a, $b]) {
        $ours = [0.0, 0.0, 0.0];
        foreach ((new Arrangement([...sidesOf('a', $a), ...sidesOf('b', $b)]))->regions as $r) {
            $p = $r->spot();
            $at = [isInside($a, $p), isInside($b, $p)];
            if ($at !== [false, false]) {
                $ours[$at === [true, true] ? 0 : ($at[0] ? 1 : 2)] += $r->area;
            }
        }
        $shared += $ours[0] > 0 ? 1 : 0;
        expect($ours)->toEqualWithDelta($theirs[$k++], 1e-7, "seed $seed");
    }
    expect($shared)->toBeGreaterThan(200);
});

it('agrees about arcs with polygons of 20,000 corners', function () {
    $pairs = $rounds = [];
    for ($seed = 0; $seed < 12; $seed++) {
        $random = new Randomizer(new Mt19937(1000 + $seed));
        $star = starShape($random, false);
        [$u, $v, $r] = [$random->getInt(-10, 10), $random->getInt(-10, 10), $random->getInt(8, 20)];
        if (isSimple($star)) {
            $rounds[] = [$star, [$u, $v, $r]];
            $pairs[] = [
                $star,
                array_map(
                    static fn(int $i): array => [$u + $r * cos((2 * M_PI * $i) / 20000), $v + $r * sin((2 * M_PI * $i) / 20000)],
                    range(0, 19999),
                ),
            ];
        }
    }
    $theirs = Outside::run('areas.mjs', (string) json_encode($pairs));
    foreach ($rounds as $k => [$star, [$u, $v, $r]]) {
        $both = 0.0;
        foreach ((new Arrangement([...sidesOf('a', $star), new Round('c', [(float) $u, (float) $v], (float) $r)]))->regions as $x) {
            $p = $x->spot();
            $both += isInside($star, $p) && hypot($p[0] - $u, $p[1] - $v) < $r ? $x->area : 0.0;
        }
        // the polygon lacks r2 (2 pi / n)3 n / 12 of its circle
        expect($both)->toEqualWithDelta($theirs[$k][0], ($r * $r * 8 * M_PI ** 3) / 12 / 20000 ** 2 + 1e-7);
    }
});
