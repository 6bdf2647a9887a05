<?php

declare(strict_types=1);

use Cubo\Measure\TriangleTree;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Solid;
use Tests\Parts;
use Tests\RandomParts;

/** Distance from a point to a triangle by sampling it finely: slow and simple. */
function sampledDistance(Solid $s, array $p, int $n = 60): float
{
    $best = INF;
    foreach ($s->facet as $t => $_) {
        [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
        for ($i = 0; $i <= $n; $i++) {
            for ($j = 0; $i + $j <= $n; $j++) {
                [$u, $v] = [$i / $n, $j / $n];
                $w = 1 - $u - $v;
                $best = min(
                    $best,
                    ($u * $s->x[$a] + $v * $s->x[$b] + $w * $s->x[$c] - $p[0]) ** 2 +
                        ($u * $s->y[$a] + $v * $s->y[$b] + $w * $s->y[$c] - $p[1]) ** 2 +
                        ($u * $s->z[$a] + $v * $s->z[$b] + $w * $s->z[$c] - $p[2]) ** 2,
                );
            }
        }
    }

    return sqrt($best);
}

it('finds the nearest triangle', function (): void {
    $s = BooleanOperation::difference(Parts::box(4, 3, 2), Parts::box(2, 2, 2, 1, 1, 1, 'b'));
    $tree = new TriangleTree($s);
    mt_srand(3);
    for ($i = 0; $i < 30; $i++) {
        $p = [mt_rand(-30, 70) / 10, mt_rand(-30, 60) / 10, mt_rand(-30, 50) / 10];
        [$d, $t] = $tree->nearest($p);
        $slow = sampledDistance($s, $p);
        expect($d)
            ->toBeLessThanOrEqual($slow + 1e-12)
            ->toBeGreaterThan($slow - 0.08)
            ->and($t)
            ->toBeGreaterThanOrEqual(0);
    }
});

it('finds nothing beyond the distance it is told', function (): void {
    $tree = new TriangleTree(Parts::box(1, 1, 1));
    expect($tree->nearest([5.0, 0.5, 0.5], 3.9)[1])
        ->toBeNull()
        ->and($tree->nearest([5.0, 0.5, 0.5], 4.1)[0])
        ->toEqualWithDelta(4.0, 1e-12);
});

it('follows a ray in and out as often as it enters', function (): void {
    // a ray from far outside crosses a closed surface an even number of times; half of it lies inside
    for ($seed = 0; $seed < 15; $seed++) {
        [$a, $b] = RandomParts::pair(900 + $seed);
        $s = BooleanOperation::union($a, $b);
        $tree = new TriangleTree($s);
        mt_srand($seed);
        for ($k = 0; $k < 10; $k++) {
            $p = [-50.0, mt_rand(-300, 300) / 100 + 0.0137, mt_rand(-300, 300) / 100 + 0.0071];
            $crossings = 0;
            $at = 0.0;
            while (($hit = $tree->firstHit($p, [1.0, 0.0, 0.0], $at + 1e-9, 1e3)) !== null) {
                $crossings++;
                $at = $hit[0];
            }
            expect($crossings % 2)->toBe(0, "seed $seed, ray $k");
        }
    }
});

it('takes only the triangles it is asked for', function (): void {
    $s = Parts::box(2, 2, 2);
    $tree = new TriangleTree($s);
    $first = $tree->firstHit([-5.0, 1.1, 1.2], [1.0, 0.0, 0.0], 0.0, 100.0);
    $far = $tree->firstHit([-5.0, 1.1, 1.2], [1.0, 0.0, 0.0], 0.0, 100.0, fn(int $t) => $s->nx[$s->facet[$t]] > 0);
    expect($first[0])->toEqualWithDelta(5.0, 1e-12)->and($far[0])->toEqualWithDelta(7.0, 1e-12);
});

it('is empty for an empty solid', function (): void {
    $tree = new TriangleTree(new Solid());
    expect($tree->firstHit([0.0, 0.0, 0.0], [1.0, 0.0, 0.0], 0.0, 1.0))
        ->toBeNull()
        ->and($tree->nearest([0.0, 0.0, 0.0])[1])
        ->toBeNull();
});
