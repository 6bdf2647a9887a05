<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Recipe\SketchPlane;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\Outline;
use Cubo\Solid\Maker\Extrusion;
use Tests\Soundness;

/** Outlines of a random staircase-shaped polygon as overlapping rectangles: their union has many corners and holes. */
function randomRectangles(int $seed, int $n): array
{
    mt_srand($seed);
    $out = [];
    for ($k = 0; $k < $n; $k++) {
        $out[] = Outline::rectangle(chr(97 + $k), mt_rand(0, 30), mt_rand(0, 30), mt_rand(2, 12), mt_rand(2, 12));
    }

    return $out;
}

it('triangulates regions with holes without losing or doubling any area', function (int $n): void {
    for ($seed = 0; $seed < 25; $seed++) {
        $a = new Arrangement(array_merge(...randomRectangles($seed, $n)));
        foreach ($a->regions as $r) {
            $s = Extrusion::straight('s', $a->profile([$r->number]), 0.0, 1.0, SketchPlane::Ground->placement());
            expect(Soundness::faults($s))
                ->toBe([], "seed $seed, region {$r->number}")
                ->and($s->facettedVolume())
                ->toEqualWithDelta($r->area, 1e-9 * max(1.0, $r->area), "seed $seed, region {$r->number}");
        }
        $all = Extrusion::straight(
            's',
            $a->profile(array_map(fn($r) => $r->number, $a->regions)),
            0.0,
            1.0,
            SketchPlane::Ground->placement(),
        );
        $total = array_sum(array_map(fn($r) => $r->area, $a->regions));
        expect(Soundness::faults($all))
            ->toBe([], "seed $seed, all")
            ->and($all->facettedVolume())
            ->toEqualWithDelta($total, 1e-9 * $total);
    }
})->with([2, 5, 9]);

it('triangulates a plate with many holes', function (): void {
    $outlines = [Outline::rectangle('a', 0, 0, 100, 60)];
    for ($i = 0; $i < 9; $i++) {
        for ($j = 0; $j < 5; $j++) {
            $outlines[] = Outline::circle("h$i$j", 10 + 10 * $i, 10 + 10 * $j, 3);
        }
    }
    $a = new Arrangement(array_merge(...$outlines));
    $plate = array_values(array_filter($a->regions, fn($r) => count($r->loops) === 46));
    expect($plate)->toHaveCount(1);
    $s = Extrusion::straight('s', $a->profile([$plate[0]->number]), 0.0, 4.0, SketchPlane::Ground->placement());
    expect(Soundness::faults($s))
        ->toBe([])
        ->and((new MassProperties($s))->volume)
        ->toEqualWithDelta(4 * $plate[0]->area, 1e-3)
        ->and($plate[0]->area)
        ->toEqualWithDelta(6000 - 45 * 9 * M_PI, 1e-8);
});
