<?php

declare(strict_types=1);

namespace Cubo\Measure\Contact;

use Cubo\Budget\OverBudget;
use Cubo\Geometry\TriangleDistance;
use Cubo\Geometry\Vector;
use SplPriorityQueue;

/**
 * Two sets of triangles against each other: pairs of boxes are opened together, the nearest first, so that of all pairs of
 * triangles only a few are looked at (P. M. Hubbard's and S. Quinlan's searches of two hierarchies; S. Quinlan, "Efficient
 * Distance Computation between Non-Convex Objects", IEEE Conference on Robotics and Automation, 1994).
 *
 * @phpstan-import-type V from TriangleSet
 */
final class Clearance
{
    /** Units a pair of triangles costs. */
    private const PAIR = 25;

    /** Units it costs to see that they are too far apart. */
    private const BALL = 3;

    /** Times a first guess goes to and fro. */
    private const TO_AND_FRO = 3;

    /** Distance below which two triangles meet, and no nearer ones are looked for. */
    private const MEET = 1e-12;

    /**
     * The two nearest triangles.
     *
     * @param float $within mm; none that are farther apart
     * @return array{float, V, V, int, int}|null distance, its ends, and the triangles
     *
     * @throws OverBudget
     */
    public static function nearest(TriangleSet $a, TriangleSet $b, float $within = INF): ?array
    {
        $best = self::guessed($a, $b);
        $best = $best[0] <= $within ? $best : null;
        $least = $best === null ? $within * $within : $best[0] * $best[0];
        /** @var SplPriorityQueue<float, array{int, int, float}> $queue */
        $queue = new SplPriorityQueue();
        $first = TriangleSet::apart2($a->box[0], $b->box[0]);
        $queue->insert([0, 0, $first], -$first);
        while (!$queue->isEmpty()) {
            /** @var array{int, int, float} $pair */
            $pair = $queue->extract();
            [$m, $n, $apart] = $pair;
            if ($apart > $least || ($best !== null && $apart >= $least)) {
                break;
            }
            $a->budget->spend(1);
            if ($a->right[$m] >= 0 || $b->right[$n] >= 0) {
                foreach (self::opened($a, $b, $m, $n) as [$i, $j]) {
                    $d = TriangleSet::apart2($a->box[$i], $b->box[$j]);
                    if ($d <= $least) {
                        $queue->insert([$i, $j, $d], -$d);
                    }
                }

                continue;
            }
            foreach (self::inLeaves($a, $b, $m, $n, $least) as [$d, $t, $u]) {
                if ($d > $least || ($best !== null && $d >= $least)) {
                    break;
                }
                if (self::isFarther($a, $t, $b, $u, $least)) {
                    continue;
                }
                $a->budget->spend(self::PAIR);
                [$length, $p, $q] = TriangleDistance::between($a->corners($t), $b->corners($u));
                if ($length * $length <= $least && ($best === null || $length < $best[0])) {
                    $best = [$length, $p, $q, $t, $u];
                    $least = $length * $length;
                    if ($length <= self::MEET) {
                        return $best;
                    }
                }
            }
        }

        return $best;
    }

    /**
     * A way that may be the shortest, found by going to and fro between nearest points: the search has a bound from the start.
     *
     * @return array{float, V, V, int, int}
     */
    private static function guessed(TriangleSet $a, TriangleSet $b): array
    {
        $box = $a->box[0];
        [$q, $u] = $b->nearest([($box[0] + $box[3]) / 2, ($box[1] + $box[4]) / 2, ($box[2] + $box[5]) / 2]);
        [$p, $t] = $a->nearest($q);
        for ($k = 0; $k < self::TO_AND_FRO; $k++) {
            [$q, $u] = $b->nearest($p);
            [$p, $t] = $a->nearest($q);
        }

        return [Vector::distance($p, $q), $p, $q, $t, $u];
    }

    /**
     * Looks at all pairs of triangles whose boxes are no farther apart than this.
     *
     * @param callable(int, int, float): void $look with the squared distance of their boxes
     * @param callable(int, int): bool $known whether no more need be seen of two faces, by the numbers of their surfaces
     *
     * @throws OverBudget
     */
    public static function each(TriangleSet $a, TriangleSet $b, float $within, callable $look, callable $known): void
    {
        $most = $within * $within;
        for ($stack = [[0, 0]]; $stack !== []; ) {
            [$m, $n] = array_pop($stack);
            $a->budget->spend(1);
            if (
                TriangleSet::apart2($a->box[$m], $b->box[$n]) > $most ||
                ($a->face[$m] >= 0 && $b->face[$n] >= 0 && $known($a->face[$m], $b->face[$n]))
            ) {
                continue;
            }
            if ($a->right[$m] >= 0 || $b->right[$n] >= 0) {
                array_push($stack, ...self::opened($a, $b, $m, $n));

                continue;
            }
            foreach ($a->leaf[$m] as $t) {
                foreach ($b->leaf[$n] as $u) {
                    $apart2 = TriangleSet::apart2($a->boxOf[$t], $b->boxOf[$u]);
                    if ($apart2 <= $most) {
                        $look($t, $u, $apart2);
                    }
                }
            }
        }
    }

    /**
     * Whether two triangles are farther apart for sure: the smaller one lies in a ball around its middle, which is more telling
     * than the box of a long one that lies aslant.
     */
    private static function isFarther(TriangleSet $a, int $t, TriangleSet $b, int $u, float $least): bool
    {
        $a->budget->spend(self::BALL);
        [$m, $r] = $a->around($t);
        [$n, $s] = $b->around($u);
        [$far, $round] =
            $r < $s ? [TriangleDistance::fromPoint($m, $b->corners($u))[0], $r] : [TriangleDistance::fromPoint($n, $a->corners($t))[0], $s];

        return $far > $round && ($far - $round) ** 2 > $least;
    }

    /**
     * The pairs of boxes inside a pair: the larger one is opened.
     *
     * @return list<array{int, int}>
     */
    private static function opened(TriangleSet $a, TriangleSet $b, int $m, int $n): array
    {
        if ($b->right[$n] < 0 || ($a->right[$m] >= 0 && self::size($a->box[$m]) >= self::size($b->box[$n]))) {
            return [[$m + 1, $n], [$a->right[$m], $n]];
        }

        return [[$m, $n + 1], [$m, $b->right[$n]]];
    }

    /**
     * Pairs of triangles of two leaves, those with the nearest boxes first.
     *
     * @return list<array{float, int, int}>
     */
    private static function inLeaves(TriangleSet $a, TriangleSet $b, int $m, int $n, float $least): array
    {
        $pairs = [];
        foreach ($a->leaf[$m] as $t) {
            foreach ($b->leaf[$n] as $u) {
                $d = TriangleSet::apart2($a->boxOf[$t], $b->boxOf[$u]);
                if ($d <= $least) {
                    $pairs[] = [$d, $t, $u];
                }
            }
        }
        $a->budget->spend(4);
        sort($pairs);

        return $pairs;
    }

    /** @param array{float,float,float,float,float,float} $box */
    private static function size(array $box): float
    {
        return max($box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2]);
    }
}
