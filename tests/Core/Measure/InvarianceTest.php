<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\PartMeasures;
use Cubo\Solid\Boolean\BooleanOperation;
use Tests\RandomParts;

/** @return list<\Cubo\Solid\Solid> random cut parts that have something left */
function cutParts(int $from, int $count): array
{
    $out = [];
    for ($seed = $from; count($out) < $count; $seed++) {
        [$a, $b] = RandomParts::pair($seed);
        $s = BooleanOperation::difference($a, $b);
        if (!$s->isEmpty()) {
            $out[$seed] = $s;
        }
    }

    return $out;
}

it('measures the same wherever the part lies', function (): void {
    $t = Transform::rotation(1, 23.0)->then(Transform::rotation(2, 140.0))->then(Transform::translation([120.0, -40.0, 7.0]));
    foreach (cutParts(3000, 30) as $seed => $s) {
        $here = new PartMeasures($s);
        $there = new PartMeasures($s->moved($t));
        $scale = max(1.0, $here->mass()->volume);
        expect($there->mass()->volume)
            ->toEqualWithDelta($here->mass()->volume, 1e-7 * $scale, "seed $seed")
            ->and($there->mass()->area)
            ->toEqualWithDelta($here->mass()->area, 1e-6 * $here->mass()->area, "seed $seed")
            ->and($there->mass()->centroid)
            ->toEqualWithDelta($t->point($here->mass()->centroid), 1e-6, "seed $seed")
            ->and($there->bodyCount())
            ->toBe($here->bodyCount(), "seed $seed");
    }
});

it('measures quarter turns to the last digits', function (): void {
    foreach (cutParts(3100, 20) as $seed => $s) {
        $here = (new PartMeasures($s))->bounds()->size();
        $there = (new PartMeasures($s->moved(Transform::rotation(2, 90.0))))->bounds()->size();
        expect([$there[1], $there[0], $there[2]])->toEqualWithDelta($here, 1e-12, "seed $seed");
    }
});

it('finds a part and its mirror image joined symmetric', function (): void {
    foreach (cutParts(3200, 12) as $seed => $s) {
        $whole = BooleanOperation::union($s, $s->moved(Transform::mirror(0, 0.5))->renamed(fn($n) => "m/$n"));
        // beside creases between round faces the facets' rise remains: 0.02 mm each way on a ball
        expect((new PartMeasures($whole))->symmetry(0)->deviation)->toBeLessThan(0.03, "seed $seed");
    }
});

it('adds the volumes of what a cut divides', function (): void {
    for ($seed = 3300; $seed < 3330; $seed++) {
        [$a, $b] = RandomParts::pair($seed);
        $v = fn($s) => (new PartMeasures($s))->mass()->volume;
        // over the true surfaces, not over the facets
        expect($v(BooleanOperation::difference($a, $b)) + $v(BooleanOperation::intersection($a, $b)))->toEqualWithDelta(
            $v($a),
            1e-4 * max(1.0, $v($a)),
            "seed $seed",
        );
    }
});
