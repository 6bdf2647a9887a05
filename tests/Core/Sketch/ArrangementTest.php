<?php

declare(strict_types=1);

use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\Outline;

/** @return list<float> areas of the regions, smallest first */
function areas(array ...$outlines): array
{
    $list = array_map(fn($r) => $r->area, (new Arrangement(array_merge(...$outlines)))->regions);
    sort($list);

    return $list;
}

it('finds the areas of a sketch', function (array $outlines, array $areas): void {
    expect(areas(...$outlines))->toEqualWithDelta($areas, 1e-9);
})->with([
    'one rectangle' => [[Outline::rectangle('a', 0, 0, 4, 3)], [12.0]],
    'two apart' => [[Outline::rectangle('a', 0, 0, 4, 3), Outline::rectangle('b', 9, 0, 1, 1)], [1.0, 12.0]],
    'two that overlap' => [[Outline::rectangle('a', 0, 0, 4, 4), Outline::rectangle('b', 2, 2, 4, 4)], [4.0, 12.0, 12.0]],
    'a cross' => [[Outline::rectangle('a', -3, -1, 6, 2), Outline::rectangle('b', -1, -3, 2, 6)], [4.0, 4.0, 4.0, 4.0, 4.0]],
    'a hole' => [[Outline::rectangle('a', 0, 0, 4, 4), Outline::rectangle('b', 1, 1, 2, 2)], [4.0, 12.0]],
    'an island in a hole' => [
        [Outline::rectangle('a', 0, 0, 10, 10), Outline::rectangle('b', 2, 2, 6, 6), Outline::rectangle('c', 4, 4, 2, 2)],
        [4.0, 32.0, 64.0],
    ],
    'sharing a side' => [[Outline::rectangle('a', 0, 0, 4, 4), Outline::rectangle('b', 4, 0, 4, 4)], [16.0, 16.0]],
    'sharing part of a side' => [[Outline::rectangle('a', 0, 0, 4, 4), Outline::rectangle('b', 4, 1, 4, 2)], [8.0, 16.0]],
    'touching in a corner' => [[Outline::rectangle('a', 0, 0, 2, 2), Outline::rectangle('b', 2, 2, 2, 2)], [4.0, 4.0]],
    'the same twice' => [[Outline::rectangle('a', 0, 0, 4, 4), Outline::rectangle('b', 0, 0, 4, 4)], [16.0]],
    'inside, flush with a side' => [[Outline::rectangle('a', 0, 0, 4, 4), Outline::rectangle('b', 0, 1, 2, 2)], [4.0, 12.0]],
    'nothing' => [[], []],
]);

it('fills the union of all outlines', function (): void {
    mt_srand(99);
    for ($i = 0; $i < 30; $i++) {
        $outlines = [];
        $cells = [];
        for ($k = 0; $k < 4; $k++) {
            [$u, $v, $w, $h] = [mt_rand(0, 8), mt_rand(0, 8), mt_rand(1, 6), mt_rand(1, 6)];
            $outlines[] = Outline::rectangle(chr(97 + $k), $u, $v, $w, $h);
            for ($x = $u; $x < $u + $w; $x++) {
                for ($y = $v; $y < $v + $h; $y++) {
                    $cells["$x,$y"] = true;
                }
            }
        }
        // besides the union, areas that are enclosed by it count too
        $filled = enclosedToo($cells);
        expect(array_sum(areas(...$outlines)))->toEqualWithDelta((float) count($filled), 1e-9, "case $i");
    }
});

/** @param array<string, true> $cells @return array<string, true> */
function enclosedToo(array $cells): array
{
    $outside = ['-1,-1' => true];
    $stack = [[-1, -1]];
    while ($stack !== []) {
        [$x, $y] = array_pop($stack);
        foreach ([[1, 0], [-1, 0], [0, 1], [0, -1]] as [$dx, $dy]) {
            [$p, $q] = [$x + $dx, $y + $dy];
            if ($p >= -1 && $q >= -1 && $p <= 15 && $q <= 15 && !isset($cells["$p,$q"]) && !isset($outside["$p,$q"])) {
                $outside["$p,$q"] = true;
                $stack[] = [$p, $q];
            }
        }
    }
    for ($x = 0; $x <= 14; $x++) {
        for ($y = 0; $y <= 14; $y++) {
            if (!isset($outside["$x,$y"])) {
                $cells["$x,$y"] = true;
            }
        }
    }

    return $cells;
}

it('joins chosen areas to one outline', function (): void {
    $a = new Arrangement([...Outline::rectangle('a', 0, 0, 4, 4), ...Outline::rectangle('b', 2, 2, 4, 4)]);
    $all = $a->profile([1, 2, 3]);
    expect($all->loops)->toHaveCount(1)->and($all->loops[0])->toHaveCount(8);
});

it('numbers areas from the lowest up, whatever the order of the outlines', function (): void {
    $one = new Arrangement([...Outline::rectangle('a', 0, 0, 2, 2), ...Outline::rectangle('b', 5, 3, 3, 3)]);
    $two = new Arrangement([...Outline::rectangle('b', 5, 3, 3, 3), ...Outline::rectangle('a', 0, 0, 2, 2)]);
    expect(array_map(fn($r) => $r->area, $one->regions))
        ->toBe([4.0, 9.0])
        ->and(array_map(fn($r) => $r->area, $two->regions))
        ->toBe([4.0, 9.0]);
});

it('puts the number of an area well inside it', function (): void {
    [$ring] = (new Arrangement([...Outline::circle('a', 0, 0, 10), ...Outline::circle('b', 0, 0, 6)]))->regions;
    [$u, $v] = $ring->spot();
    expect(hypot($u, $v))->toBeGreaterThan(7.0)->toBeLessThan(9.0);
});
