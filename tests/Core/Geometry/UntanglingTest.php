<?php

declare(strict_types=1);

use Cubo\Geometry\EarClipping;
use Cubo\Geometry\Untangling;

/**
 * Untangles polygons given as loops of points (equal points are one corner) and fills what comes out.
 *
 * @param list<array{list<list<array{float|int, float|int}>>, bool}> $polygons loops, whether they face up
 * @return array{up: float, down: float, regions: int, narrow: int, glued: int, inverted: float}
 */
function untangled(array $polygons): array
{
    $u = $w = $number = [];
    $token = 0;
    $in = [];
    foreach ($polygons as $label => [$loops, $up]) {
        $out = [];
        foreach ($loops as $loop) {
            $corners = [];
            foreach ($loop as [$a, $b]) {
                $v = $number["$a $b"] ??= count($number);
                $u[$v] = (float) $a;
                $w[$v] = (float) $b;
                $corners[] = $v;
            }
            // downward polygons run clockwise
            $corners = $up ? $corners : array_reverse($corners);
            $out[] = [
                $corners,
                array_map(static function (int $i) use (&$token): int {
                    $token += 2;

                    return $token - 2;
                }, $corners),
            ];
        }
        $in[] = [$out, $up, $label];
    }
    $made = count($number);
    $open = new Untangling($in, $u, $w, $token, 1e-9, static function (int $a, int $b, float $t) use (&$made, &$u, &$w): int {
        $u[$made] = $u[$a] + $t * ($u[$b] - $u[$a]);
        $w[$made] = $w[$a] + $t * ($w[$b] - $w[$a]);

        return $made++;
    });
    $area = [true => 0.0, false => 0.0];
    $inverted = 0.0;
    foreach ($open->regions as [$loops, $up]) {
        [$p, $q] = $up ? [$u, $w] : [$w, $u];
        foreach ((new EarClipping($loops, $p, $q, $open->nextToken))->triangles as [$a, $b, $c]) {
            $twice = ($p[$b] - $p[$a]) * ($q[$c] - $q[$a]) - ($q[$b] - $q[$a]) * ($p[$c] - $p[$a]);
            $area[$up] += $twice / 2;
            $inverted += $twice < -1e-12 ? -$twice : 0.0;
        }
    }

    return [
        'up' => $area[true],
        'down' => $area[false],
        'regions' => count($open->regions),
        'narrow' => count($open->narrow),
        'glued' => count($open->glued),
        'inverted' => $inverted,
    ];
}

$square = static fn(float $x, float $y, float $s): array => [[$x, $y], [$x + $s, $y], [$x + $s, $y + $s], [$x, $y + $s]];

it('leaves a simple polygon as it is', function () use ($square): void {
    expect(untangled([[[$square(0, 0, 4)], true]]))->toEqual([
        'up' => 16.0,
        'down' => 0.0,
        'regions' => 1,
        'narrow' => 0,
        'glued' => 0,
        'inverted' => 0.0,
    ]);
});

it('takes away where an upward and a downward polygon cover each other', function () use ($square): void {
    // the same square twice: nothing is left, and its sides meet
    expect(untangled([[[$square(0, 0, 4)], true], [[$square(0, 0, 4)], false]]))
        ->toMatchArray(['up' => 0.0, 'down' => 0.0, 'glued' => 4])
        // a smaller one inside
        ->and(untangled([[[$square(0, 0, 4)], true], [[$square(1, 1, 2)], false]]))
        ->toMatchArray(['up' => 12.0, 'down' => 0.0, 'inverted' => 0.0])
        // overlapping by a corner: an L faces up, an L faces down
        ->and(untangled([[[$square(0, 0, 4)], true], [[$square(2, 2, 4)], false]]))
        ->toMatchArray(['up' => 12.0, 'down' => 12.0, 'inverted' => 0.0])
        // side by side with a common piece of side
        ->and(untangled([[[$square(0, 0, 4)], true], [[$square(4, 1, 2)], false]]))
        ->toMatchArray(['up' => 16.0, 'down' => 4.0, 'inverted' => 0.0]);
});

it('keeps sheets that lie over each other', function () use ($square): void {
    expect(untangled([[[$square(0, 0, 4)], true], [[$square(1, 1, 2)], true]]))
        ->toMatchArray(['up' => 20.0, 'inverted' => 0.0])
        ->and(untangled([[[$square(0, 0, 4)], true], [[$square(2, 2, 4)], true]]))
        ->toMatchArray(['up' => 32.0, 'inverted' => 0.0]);
});

it('opens outlines that touch themselves in a corner or along a side', function (): void {
    // two squares that share a corner, drawn in one go
    expect(untangled([[[[[0, 0], [2, 0], [2, 2], [4, 2], [4, 4], [2, 4], [2, 2], [0, 2]]], true]]))
        ->toMatchArray(['up' => 8.0, 'inverted' => 0.0])
        // a square with a slit without width
        ->and(untangled([[[[[0, 0], [4, 0], [4, 4], [2, 4], [2, 2], [2, 4], [0, 4]]], true]]))
        ->toMatchArray(['up' => 16.0, 'glued' => 1, 'inverted' => 0.0])
        // a hole whose corner touches the outline in the middle of a side
        ->and(untangled([[[[[0, 0], [6, 0], [6, 6], [0, 6]], [[3, 0], [2, 2], [4, 2]]], true]]))
        ->toMatchArray(['up' => 34.0, 'inverted' => 0.0]);
});

it('parts an outline that crosses itself', function (): void {
    // a bow: one wing faces up, the other one down
    expect(untangled([[[[[0, 0], [4, 4], [4, 0], [0, 4]]], true]]))->toMatchArray(['up' => 4.0, 'down' => 4.0, 'inverted' => 0.0]);
});

it('covers what was covered, over random polygons', function (): void {
    for ($seed = 0; $seed < 200; $seed++) {
        mt_srand($seed);
        $polygons = [];
        $sum = 0.0;
        for ($i = 0; $i < 3; $i++) {
            $points = [];
            $n = mt_rand(3, 6);
            for ($k = 0; $k < $n; $k++) {
                $a = (2 * M_PI * ($k + mt_rand(0, 80) / 100)) / $n;
                $r = mt_rand(10, 40) / 10;
                $points[] = [round($i + $r * cos($a), 3), round($r * sin($a), 3)];
            }
            $area = 0.0;
            foreach ($points as $k => [$x, $y]) {
                [$p, $q] = $points[($k + 1) % $n];
                $area += ($x * $q - $p * $y) / 2;
            }
            $up = mt_rand(0, 2) > 0;
            if ($area < 0.1) {
                continue;
            }
            $sum += $up ? $area : -$area;
            $polygons[] = [[$points], $up];
        }
        $result = untangled($polygons);
        expect($result['up'] - $result['down'])->toEqualWithDelta($sum, 1e-6, "seed $seed");
    }
});
