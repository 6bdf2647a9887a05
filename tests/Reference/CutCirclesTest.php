<?php

declare(strict_types=1);

/*
 * Rounds and chamfers on circles that other faces cut off: rims of shafts with flats, half discs, sectors, notches. What is
 * taken away stands over the top face at a distance rho from the axis with a height that the section gives; its volume is
 * that height's integral, in closed form along rho and by Simpson's rule round the axis.
 */

use Cubo\Measure\Bodies;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Solid;
use Tests\Parts;
use Tests\Soundness;

/** Integral of rho z(rho) from the touching circle to rho, for a round or a chamfer of a rim of radius R. */
function takenAlong(string $how, float $R, float $r, float $rho): float
{
    $a = $R - $r;
    $s = max(0.0, min($rho, $R) - $a);
    if ($how === 'chamfer') {
        return ($a * $s ** 2) / 2 + $s ** 3 / 3;
    }
    $root = sqrt(max(0.0, $r * $r - $s * $s));

    return $a * $r * $s +
        ($r * $s * $s) / 2 -
        $a * (($s / 2) * $root + (($r * $r) / 2) * asin(min(1.0, $s / $r))) +
        ($root ** 3 - $r ** 3) / 3;
}

/**
 * @param Closure(float): float $reach how far the top face goes from the axis at an angle
 * @param list<float> $stops angles where that has a corner, ascending, the first and the last a full turn apart
 */
function takenAway(string $how, float $R, float $r, Closure $reach, array $stops): float
{
    $sum = 0.0;
    for ($k = 1; $k < count($stops); $k++) {
        [$a, $b, $n] = [$stops[$k - 1], $stops[$k], 400];
        for ($i = 0; $i < $n; $i++) {
            $h = ($b - $a) / $n;
            // a hair inside: at a corner either side may be meant
            $f = static fn(float $t): float => takenAlong($how, $R, $r, $reach(max($a + 1e-12, min($b - 1e-12, $t))));
            $sum += ($h / 6) * ($f($a + $i * $h) + 4 * $f($a + ($i + 0.5) * $h) + $f($a + ($i + 1) * $h));
        }
    }

    return $sum;
}

/** @param list<string> $edges */
function taken(Solid $part, string $how, float $r, ?array $edges = null): float
{
    $edges ??= array_values(
        array_filter(array_keys(Topology::of($part)->edges), static fn(string $n): bool => str_starts_with($n, 's1:side / s1:top')),
    );
    $out = $how === 'round' ? Blending::round('x', $part, $edges, $r) : Blending::chamfer('x', $part, $edges, $r);
    expect(Soundness::faults($out))->toBe([])->and(count(Bodies::of($out)))->toBe(1);

    return (new MassProperties($part))->volume - (new MassProperties($out))->volume;
}

$shaft = static fn(array ...$cuts): Solid => Parts::build([
    ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '30'],
    ...array_map(
        static fn(array $c): array => $c + [
            'kind' => 'block',
            'from' => 'corner',
            'width' => '40',
            'depth' => '40',
            'height' => '50',
            'y' => '-20',
            'z' => '-10',
            'effect' => 'cut',
        ],
        $cuts,
    ),
])->part();

it('rounds and chamfers the rim of a shaft with a flat', function (string $how, float $flat, float $r) use ($shaft): void {
    $end = acos($flat / 10);
    $reach = static fn(float $t): float => abs(fmod($t + 3 * M_PI, 2 * M_PI) - M_PI) < $end ? $flat / cos($t) : 10.0;
    expect(taken($shaft(['x' => (string) $flat]), $how, $r))->toEqualWithDelta(
        takenAway($how, 10, $r, $reach, [-$end, 0.0, $end, M_PI, 2 * M_PI - $end]),
        2e-4,
    );
})->with(function (): iterable {
    foreach (['round', 'chamfer'] as $how) {
        foreach ([9.7, 8.0, 6.1, 3.3, 0.7] as $flat) {
            foreach ([0.4, 1.0, 2.5, 4.0] as $r) {
                yield "$how $r, flat at $flat" => [$how, $flat, $r];
            }
        }
    }
});

it('rounds less than half a disc', function (string $how, float $flat, float $r) use ($shaft): void {
    // only what lies beyond the flat is left, on the far side of the axis
    $end = acos($flat / 10);
    $whole = takenAway($how, 10, $r, static fn(float $t): float => 10.0, [-$end, 0.0, $end]);
    $inner = takenAway($how, 10, $r, static fn(float $t): float => $flat / cos($t), [-$end, 0.0, $end]);
    expect(taken($shaft(['x' => (string) -$flat]), $how, $r))->toEqualWithDelta($whole - $inner, 2e-4);
})->with([['round', 4.2, 1.5], ['chamfer', 4.2, 1.5], ['round', 1.0, 3.0], ['chamfer', 7.0, 0.8]]);

it('rounds both rims beside two flats that are not alike', function (string $how, float $r) use ($shaft): void {
    [$a, $b] = [acos(0.81), acos(0.69)];
    $reach = static function (float $t) use ($a, $b): float {
        $t = fmod($t + 3 * M_PI, 2 * M_PI) - M_PI;

        return abs($t) < $a ? 8.1 / cos($t) : (abs($t) > M_PI - $b ? -6.9 / cos($t) : 10.0);
    };
    expect(taken($shaft(['x' => '8.1'], ['x' => '-46.9']), $how, $r))->toEqualWithDelta(
        takenAway($how, 10, $r, $reach, [-$a, 0.0, $a, M_PI - $b, M_PI, M_PI + $b, 2 * M_PI - $a]),
        4e-4,
    );
})->with([['round', 0.8], ['chamfer', 0.8], ['round', 1.7], ['round', 2.9], ['chamfer', 2.9]]);

it('rounds the rim beside a notch', function (string $how, float $r, string $z) use ($shaft): void {
    // 5 wide, not in the middle, down to x = 6
    [$lo, $hi] = [-2.3, 2.7];
    $part = $shaft(['x' => '6', 'y' => '-2.3', 'width' => '9', 'depth' => '5', 'z' => $z]);
    $sum = 0.0;
    // over the whole disc less what lies over the notch: x from 6, y between its walls
    $whole = takenAway($how, 10, $r, static fn(float $t): float => 10.0, [0.0, M_PI, 2 * M_PI]);
    $n = 2000;
    for ($i = 0; $i < $n; $i++) {
        $y = $lo + (($hi - $lo) * ($i + 0.5)) / $n;
        $m = 400;
        [$x0, $x1] = [max(6.0, sqrt(max(0.0, (10 - $r) ** 2 - $y * $y))), sqrt(100 - $y * $y)];
        for ($j = 0; $j < $m && $x1 > $x0; $j++) {
            $s = hypot($x0 + (($x1 - $x0) * ($j + 0.5)) / $m, $y) - (10 - $r);
            $sum += (((($how === 'chamfer' ? $s : $r - sqrt(max(0.0, $r * $r - $s * $s))) * ($x1 - $x0)) / $m) * ($hi - $lo)) / $n;
        }
    }
    expect(taken($part, $how, $r))->toEqualWithDelta($whole - $sum, 2e-3);
})->with([['round', 0.5, '-10'], ['round', 2.0, '-10'], ['chamfer', 1.0, '-10'], ['round', 1.0, '22'], ['round', 4.0, '-10']]);

it('rounds one rim alone, at both ends of the shaft', function () use ($shaft): void {
    $part = $shaft(['x' => '5']);
    $names = array_values(
        array_filter(
            array_keys(Topology::of($part)->edges),
            static fn(string $n): bool => str_contains($n, 's1:side') && (str_contains($n, 's1:top') || str_contains($n, 's1:bottom')),
        ),
    );
    expect($names)
        ->toHaveCount(2)
        ->and(taken($part, 'round', 1.5, [$names[0]]))
        ->toEqualWithDelta(taken($part, 'round', 1.5, [$names[1]]), 1e-6)
        ->and(taken($part, 'round', 1.5, $names))
        ->toEqualWithDelta(2 * taken($part, 'round', 1.5, [$names[0]]), 1e-6);
});

it('rounds the edges along a shaft with a flat', function (float $h, float $r) use ($shaft): void {
    $part = $shaft(['x' => (string) $h]);
    $out = Blending::round('x', $part, ['s1:side / s2:left'], $r);
    expect(Soundness::faults($out))->toBe([])->and(count(Bodies::of($out)))->toBe(1);
    // the rolling circle touches the flat and the shaft from inside; what it leaves out lies between both, less its own segment
    [$c, $edge] = [[$h - $r, sqrt((10 - $r) ** 2 - ($h - $r) ** 2)], [$h, sqrt(100 - $h * $h)]];
    $onFlat = [$h, $c[1]];
    $onShaft = [($c[0] * 10) / (10 - $r), ($c[1] * 10) / (10 - $r)];
    $segment = static fn(float $radius, array $m, array $p, array $q): float => (($turn = abs(
        atan2(
            ($p[0] - $m[0]) * ($q[1] - $m[1]) - ($p[1] - $m[1]) * ($q[0] - $m[0]),
            ($p[0] - $m[0]) * ($q[0] - $m[0]) + ($p[1] - $m[1]) * ($q[1] - $m[1]),
        ),
    )) *
        $radius ** 2) /
        2 -
        (sin($turn) * $radius ** 2) / 2;
    $triangle = abs(($onShaft[0] - $edge[0]) * ($onFlat[1] - $edge[1]) - ($onShaft[1] - $edge[1]) * ($onFlat[0] - $edge[0])) / 2;
    $area = $triangle + $segment(10, [0.0, 0.0], $edge, $onShaft) - $segment($r, $c, $onShaft, $onFlat);
    expect((new MassProperties($part))->volume - (new MassProperties($out))->volume)->toEqualWithDelta(30 * $area, 2e-2);
})->with(function (): iterable {
    foreach ([9.0, 6.0, 3.3, 0.0, -3.0, -6.0] as $h) {
        foreach ([0.4, 1.0, 1.9, 3.1, 4.4] as $r) {
            // above that it would touch the shaft past the middle; a blunt edge needs a round as wide as facets stray
            if (($h < 9.0 || $r > 0.4) && (10 - $r) ** 2 > ($h - $r) ** 2 + 0.01 && 2 * $r < 10 + $h - 0.2) {
                yield "flat at $h, $r" => [$h, $r];
            }
        }
    }
});

it('rounds and chamfers the rim of half a ball', function (string $how, float $r): void {
    $part = Parts::build([['kind' => 'halfball', 'by' => 'radius', 'round' => '10']])->part();
    $edge = array_key_first(Topology::of($part)->edges);
    $out = $how === 'round' ? Blending::round('x', $part, [$edge], $r) : Blending::chamfer('x', $part, [$edge], $r);
    expect(Soundness::faults($out))->toBe([])->and(count(Bodies::of($out)))->toBe(1);
    // level by level: rings between the ball and what is left of it
    if ($how === 'round') {
        $rho = sqrt((10 - $r) ** 2 - $r ** 2);
        $top = ($r * 10) / (10 - $r);
        $inner = static fn(float $z): float => $rho + sqrt(max(0.0, $r * $r - ($z - $r) ** 2));
    } else {
        // the point of the ball so far from its rim
        $angle = 2 * asin($r / 20);
        $top = 10 * sin($angle);
        $inner = static fn(float $z): float => 10 - $r + (($r - 10 + 10 * cos($angle)) * $z) / $top;
    }
    $n = 20000;
    $sum = 0.0;
    for ($i = 0; $i < $n; $i++) {
        $z = ($top * ($i + 0.5)) / $n;
        $sum += (M_PI * (100 - $z * $z - $inner($z) ** 2) * $top) / $n;
    }
    expect((new MassProperties($part))->volume - (new MassProperties($out))->volume)->toEqualWithDelta($sum, 0.03);
})->with([['round', 0.5], ['round', 1.5], ['round', 3.0], ['chamfer', 0.5], ['chamfer', 1.5], ['chamfer', 3.0]]);
