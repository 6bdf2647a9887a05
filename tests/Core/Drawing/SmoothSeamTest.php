<?php

declare(strict_types=1);

use Cubo\Drawing\FeatureEdges;
use Tests\Parts;

it('keeps the seam where a face runs smoothly into a round, for the outline to go along', function () {
    $s = Parts::build([
        ['kind' => 'cylinder', 'round' => '40', 'length' => '10'],
        ['kind' => 'round', 'edges' => ['s1:side / s1:top'], 'radius' => '1'],
    ])->part();
    $seams = [];
    foreach (FeatureEdges::of($s)->round as $h) {
        $names = [$s->surfaceOfTriangle(intdiv($h, 3))->name, $s->surfaceOfTriangle(intdiv($s->twin[$h], 3))->name];
        sort($names);
        if ($names[0] !== $names[1]) {
            $seams[implode(' / ', $names)] =
                ($seams[implode(' / ', $names)] ?? 0.0) +
                hypot($s->x[$s->start[$h]] - $s->x[$s->start[$s->twin[$h]]], $s->y[$s->start[$h]] - $s->y[$s->start[$s->twin[$h]]]);
        }
    }
    // both seams all around: circles of 20 and 19
    expect($seams)
        ->toHaveCount(2)
        ->and(max($seams))
        ->toEqualWithDelta(2 * M_PI * 20, 0.5)
        ->and(min($seams))
        ->toEqualWithDelta(2 * M_PI * 19, 0.5)
        ->and(FeatureEdges::of(Parts::box(10, 10, 10))->round)
        ->toBe([]);
});
