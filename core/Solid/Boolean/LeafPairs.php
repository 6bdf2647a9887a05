<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Budget\Budget;

/** The last step of the broad phase: pairs of triangles within pairs of leaves of both trees. */
final class LeafPairs
{
    /** A triangle larger than so many times a leaf is asked for the sides of its own that look at it. */
    private const LARGE = 3;

    /** Pairs of leaves between two looks at the budget, and what each of them costs. */
    private const BATCH = 128;

    /** @var list<array{int,int}> places in the lists of P's and Q's triangles */
    private array $found = [];

    /**
     * @param array<int, int> $pTriangles that may cross some of Q
     * @param array<int, int> $qTriangles
     * @param array<int, float> $pBoxes their boxes, six numbers each
     * @param array<int, float> $qBoxes
     * @param float $margin how far beyond a plane a triangle must lie to be dropped; INF drops nothing
     */
    public function __construct(
        private readonly OperandPair $pair,
        private readonly TriangleSeparation $apart,
        private readonly array $pTriangles,
        private readonly array $qTriangles,
        private readonly array $pBoxes,
        private readonly array $qBoxes,
        private readonly float $margin,
        private readonly Budget $budget,
    ) {}

    /**
     * @param list<int> $leaves of P and Q in turn
     * @param array<int, int> $pOrder
     * @param array<int, int> $qOrder
     * @param array<int, float> $qNode boxes of Q's leaves
     * @return list<array{int,int}> places in the lists of P's and Q's triangles
     */
    public function in(array $leaves, array $pOrder, array $qOrder, array $qNode): array
    {
        $this->found = [];
        [$np, $nq] = [count($pOrder), count($qOrder)];
        $filter = $this->margin < INF;
        for ($l = 0, $count = count($leaves), $before = 0; $l < $count; $l += 2) {
            if ($l % (2 * self::BATCH) === 0) {
                $this->budget->spend(self::BATCH + 2 * (count($this->found) - $before));
                $before = count($this->found);
            }
            $from = $leaves[$l + 1] * BoxTree::LEAF;
            $to = min($nq, $from + BoxTree::LEAF);
            $box = array_slice($qNode, 6 * $leaves[$l + 1], 6);
            $large = $filter ? self::LARGE * ($box[3] - $box[0] + $box[4] - $box[1] + $box[5] - $box[2]) : INF;
            for ($r = $leaves[$l] * BoxTree::LEAF, $last = min($np, $r + BoxTree::LEAF); $r < $last; $r++) {
                if ($this->reaches($pOrder[$r], $box, $large)) {
                    $filter ? $this->filtered($pOrder[$r], $qOrder, $from, $to) : $this->boxed($pOrder[$r], $qOrder, $from, $to);
                }
            }
        }

        return $this->found;
    }

    /**
     * Whether a triangle of P may reach a leaf of Q.
     *
     * @param array<int, float> $leaf its box
     */
    private function reaches(int $i, array $leaf, float $large): bool
    {
        $box = $this->pBoxes;
        [$b0, $b1, $b2, $b3, $b4, $b5] = $leaf;
        $k = 6 * $i;
        $x0 = $box[$k];
        $y0 = $box[$k + 1];
        $z0 = $box[$k + 2];
        $x1 = $box[$k + 3];
        $y1 = $box[$k + 4];
        $z1 = $box[$k + 5];
        if ($b0 > $x1 || $b3 < $x0 || $b1 > $y1 || $b4 < $y0 || $b2 > $z1 || $b5 < $z0) {
            return false;
        }
        // the facet's plane against the leaf's box
        $m = $this->pair;
        $t = $this->pTriangles[$i];
        $f = $m->pFacet[$t];
        $nx = $m->fx[$f];
        $ny = $m->fy[$f];
        $nz = $m->fz[$f];
        $dist = $nx * ($b0 + $b3) + $ny * ($b1 + $b4) + $nz * ($b2 + $b5) - 2 * $m->fd[$f];
        $reach = abs($nx) * ($b3 - $b0) + abs($ny) * ($b4 - $b1) + abs($nz) * ($b5 - $b2) + 2 * $this->margin;
        if ($dist > $reach || $dist < -$reach) {
            return false;
        }
        // of a triangle much larger than the leaf mostly only the box is near it
        if ($x1 - $x0 + $y1 - $y0 + $z1 - $z0 > $large) {
            $planes = $this->apart->edgesOfP($t);
            for ($e = 0, $n = count($planes); $e < $n; $e += 4) {
                $nx = $planes[$e];
                $ny = $planes[$e + 1];
                $nz = $planes[$e + 2];
                if (
                    ($nx > 0 ? $nx * $b0 : $nx * $b3) + ($ny > 0 ? $ny * $b1 : $ny * $b4) + ($nz > 0 ? $nz * $b2 : $nz * $b5) >
                    $planes[$e + 3]
                ) {
                    return false;
                }
            }
        }

        return true;
    }

    /** @param array<int, int> $qOrder */
    private function boxed(int $i, array $qOrder, int $from, int $to): void
    {
        for ($s = $from; $s < $to; $s++) {
            if ($this->boxesMeet(6 * $i, 6 * $qOrder[$s])) {
                $this->found[] = [$i, $qOrder[$s]];
            }
        }
    }

    private function boxesMeet(int $k, int $l): bool
    {
        [$p, $q] = [$this->pBoxes, $this->qBoxes];

        return $q[$l] <= $p[$k + 3] &&
            $q[$l + 3] >= $p[$k] &&
            $q[$l + 1] <= $p[$k + 4] &&
            $q[$l + 4] >= $p[$k + 1] &&
            $q[$l + 2] <= $p[$k + 5] &&
            $q[$l + 5] >= $p[$k + 2];
    }

    /** @param array<int, int> $qOrder */
    private function filtered(int $i, array $qOrder, int $from, int $to): void
    {
        [$box, $qBox, $qTriangles, $margin, $m] = [$this->pBoxes, $this->qBoxes, $this->qTriangles, $this->margin, $this->pair];
        $k = 6 * $i;
        $x0 = $box[$k];
        $y0 = $box[$k + 1];
        $z0 = $box[$k + 2];
        $x1 = $box[$k + 3];
        $y1 = $box[$k + 4];
        $z1 = $box[$k + 5];
        $t = $this->pTriangles[$i];
        $v = $m->pStart[3 * $t];
        [$ax, $ay, $az] = [$m->px[$v], $m->py[$v], $m->pz[$v]];
        $v = $m->pStart[3 * $t + 1];
        [$bx, $by, $bz] = [$m->px[$v], $m->py[$v], $m->pz[$v]];
        $v = $m->pStart[3 * $t + 2];
        [$cx, $cy, $cz] = [$m->px[$v], $m->py[$v], $m->pz[$v]];
        for ($s = $from; $s < $to; $s++) {
            $j = $qOrder[$s];
            $k = 6 * $j;
            if (
                $qBox[$k] > $x1 ||
                $qBox[$k + 3] < $x0 ||
                $qBox[$k + 1] > $y1 ||
                $qBox[$k + 4] < $y0 ||
                $qBox[$k + 2] > $z1 ||
                $qBox[$k + 5] < $z0
            ) {
                continue;
            }
            // all corners of P's triangle beyond the plane of Q's, asked here because it settles most pairs
            $g = $m->qFacet[$qTriangles[$j]];
            $nx = $m->fx[$g];
            $ny = $m->fy[$g];
            $nz = $m->fz[$g];
            $d = $m->fd[$g];
            $k = $nx * $ax + $ny * $ay + $nz * $az - $d;
            if ($k > $margin) {
                if ($nx * $bx + $ny * $by + $nz * $bz - $d > $margin && $nx * $cx + $ny * $cy + $nz * $cz - $d > $margin) {
                    continue;
                }
            } elseif (
                $k < -$margin &&
                $nx * $bx + $ny * $by + $nz * $bz - $d < -$margin &&
                $nx * $cx + $ny * $cy + $nz * $cz - $d < -$margin
            ) {
                continue;
            }
            if (!$this->apart->holds($t, $qTriangles[$j])) {
                $this->found[] = [$i, $j];
            }
        }
    }
}
