<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Budget\Budget;

/**
 * Finds the pairs of triangles that may cross: those whose boxes meet and that are not separated by the other's
 * plane or by a plane through one of the other's edges.
 */
final class BroadPhase
{
    /** @var array<int, int> triangles of P that reach the common box */
    public array $pTriangles = [];

    /** @var array<int, int> */
    public array $qTriangles = [];

    /** @var array<int, float> their boxes, six numbers each, widened by the tolerance */
    public array $pBoxes = [];

    /** @var array<int, float> */
    public array $qBoxes = [];

    public readonly TriangleSeparation $apart;

    /** @var array<int, int>|null */
    private ?array $pLeaving = null;

    /**
     * @param array{float,float,float,float,float,float} $common the box both solids share
     * @param float $margin how far beyond a plane a triangle must lie to be dropped; INF drops nothing
     */
    public function __construct(
        private readonly OperandPair $pair,
        public readonly array $common,
        private readonly float $widen,
        private readonly float $margin,
        private readonly Budget $budget,
    ) {
        $m = $pair;
        $this->apart = new TriangleSeparation($pair, $margin);
        $this->pTriangles = $this->reaching($common, $m->px, $m->py, $m->pz, $m->pStart, $m->pFacet, $this->pBoxes);
        // a small Q lies in P's box as a whole: what counts is where P's faces are
        $this->qTriangles = $this->reaching(
            self::narrowed($common, $this->pBoxes),
            $m->qx,
            $m->qy,
            $m->qz,
            $m->qStart,
            $m->qFacet,
            $this->qBoxes,
        );
    }

    /**
     * The part of a box that other boxes reach.
     *
     * @param array{float,float,float,float,float,float} $box
     * @param array<int, float> $boxes six numbers each
     * @return array{float,float,float,float,float,float}
     */
    private static function narrowed(array $box, array $boxes): array
    {
        $x0 = $y0 = $z0 = INF;
        $x1 = $y1 = $z1 = -INF;
        for ($k = 0, $n = count($boxes); $k < $n; $k += 6) {
            $x0 = $boxes[$k] < $x0 ? $boxes[$k] : $x0;
            $y0 = $boxes[$k + 1] < $y0 ? $boxes[$k + 1] : $y0;
            $z0 = $boxes[$k + 2] < $z0 ? $boxes[$k + 2] : $z0;
            $x1 = $boxes[$k + 3] > $x1 ? $boxes[$k + 3] : $x1;
            $y1 = $boxes[$k + 4] > $y1 ? $boxes[$k + 4] : $y1;
            $z1 = $boxes[$k + 5] > $z1 ? $boxes[$k + 5] : $z1;
        }

        return [max($box[0], $x0), max($box[1], $y0), max($box[2], $z0), min($box[3], $x1), min($box[4], $y1), min($box[5], $z1)];
    }

    /** @return array<int, int> a half-edge leaving each vertex of P that may lie in the common box */
    public function pLeaving(): array
    {
        if ($this->pLeaving === null) {
            $this->pLeaving = [];
            $start = $this->pair->pStart;
            foreach ($this->pTriangles as $t) {
                $h = 3 * $t;
                $this->pLeaving[$start[$h]] = $h;
                $this->pLeaving[$start[$h + 1]] = $h + 1;
                $this->pLeaving[$start[$h + 2]] = $h + 2;
            }
        }

        return $this->pLeaving;
    }

    /**
     * @param array{float,float,float,float,float,float} $within
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @param array<int, int> $start
     * @param array<int, int> $facet
     * @param array<int, float> $boxes filled
     * @return array<int, int>
     */
    private function reaching(array $within, array $x, array $y, array $z, array $start, array $facet, array &$boxes): array
    {
        [$ax, $ay, $az, $cx, $cy, $cz] = $within;
        $fx = $this->pair->fx;
        $fy = $this->pair->fy;
        $fz = $this->pair->fz;
        $fd = $this->pair->fd;
        $mx = ($ax + $cx) / 2;
        $my = ($ay + $cy) / 2;
        $mz = ($az + $cz) / 2;
        $hx = $cx - $mx;
        $hy = $cy - $my;
        $hz = $cz - $mz;
        $w = $this->widen;
        // on which sides of the box each vertex lies, one bit per side
        $beyond = [];
        foreach ($x as $v => $k) {
            $bits = $k < $ax ? 1 : ($k > $cx ? 2 : 0);
            $k = $y[$v];
            if ($k < $ay) {
                $bits |= 4;
            } elseif ($k > $cy) {
                $bits |= 8;
            }
            $k = $z[$v];
            if ($k < $az) {
                $bits |= 16;
            } elseif ($k > $cz) {
                $bits |= 32;
            }
            $beyond[] = $bits;
        }
        $found = [];
        $out = [];
        for ($h = 0, $t = 0, $n = count($start); $h < $n; $h += 3, $t++) {
            $a = $start[$h];
            $b = $start[$h + 1];
            $c = $start[$h + 2];
            if (($beyond[$a] & $beyond[$b] & $beyond[$c]) !== 0) {
                continue;
            }
            $f = $facet[$t];
            $d = $fx[$f] * $mx + $fy[$f] * $my + $fz[$f] * $mz - $fd[$f];
            $reach = abs($fx[$f]) * $hx + abs($fy[$f]) * $hy + abs($fz[$f]) * $hz + $this->margin;
            if ($d > $reach || $d < -$reach) {
                continue;
            }
            $found[] = $t;
            $u = $x[$a];
            $v = $x[$b];
            $k = $x[$c];
            $x0 = $u < $v ? ($u < $k ? $u : $k) : ($v < $k ? $v : $k);
            $x1 = $u > $v ? ($u > $k ? $u : $k) : ($v > $k ? $v : $k);
            $u = $y[$a];
            $v = $y[$b];
            $k = $y[$c];
            $y0 = $u < $v ? ($u < $k ? $u : $k) : ($v < $k ? $v : $k);
            $y1 = $u > $v ? ($u > $k ? $u : $k) : ($v > $k ? $v : $k);
            $u = $z[$a];
            $v = $z[$b];
            $k = $z[$c];
            $z0 = $u < $v ? ($u < $k ? $u : $k) : ($v < $k ? $v : $k);
            $z1 = $u > $v ? ($u > $k ? $u : $k) : ($v > $k ? $v : $k);
            $out[] = $x0 - $w;
            $out[] = $y0 - $w;
            $out[] = $z0 - $w;
            $out[] = $x1 + $w;
            $out[] = $y1 + $w;
            $out[] = $z1 + $w;
        }
        $boxes = $out;

        return $found;
    }

    /** @return list<array{int,int}> places in the lists of P's and Q's triangles */
    public function pairs(): array
    {
        $np = count($this->pTriangles);
        $nq = count($this->qTriangles);
        if ($np === 0 || $nq === 0) {
            return [];
        }
        [$pOrder, $pNode, $pLeaves] = BoxTree::build($this->pBoxes, $np, $this->common);
        [$qOrder, $qNode, $qLeaves] = BoxTree::build($this->qBoxes, $nq, $this->common);
        $leaves = [];
        // both trees together: pairs of nodes whose boxes meet
        $stack = [1, 1];
        $top = 2;
        while ($top > 0) {
            $b = $stack[--$top];
            $a = $stack[--$top];
            $o = 6 * $a;
            $u = 6 * $b;
            if (
                $pNode[$o] > $qNode[$u + 3] ||
                $pNode[$o + 3] < $qNode[$u] ||
                $pNode[$o + 1] > $qNode[$u + 4] ||
                $pNode[$o + 4] < $qNode[$u + 1] ||
                $pNode[$o + 2] > $qNode[$u + 5] ||
                $pNode[$o + 5] < $qNode[$u + 2]
            ) {
                continue;
            }
            if ($a < $pLeaves) {
                if ($b < $qLeaves) {
                    $stack[$top++] = 2 * $a;
                    $stack[$top++] = 2 * $b;
                    $stack[$top++] = 2 * $a;
                    $stack[$top++] = 2 * $b + 1;
                    $stack[$top++] = 2 * $a + 1;
                    $stack[$top++] = 2 * $b;
                    $stack[$top++] = 2 * $a + 1;
                    $stack[$top++] = 2 * $b + 1;
                } else {
                    $stack[$top++] = 2 * $a;
                    $stack[$top++] = $b;
                    $stack[$top++] = 2 * $a + 1;
                    $stack[$top++] = $b;
                }
            } elseif ($b < $qLeaves) {
                $stack[$top++] = $a;
                $stack[$top++] = 2 * $b;
                $stack[$top++] = $a;
                $stack[$top++] = 2 * $b + 1;
            } else {
                $leaves[] = $a - $pLeaves;
                $leaves[] = $b - $qLeaves;
            }
        }

        return (new LeafPairs(
            $this->pair,
            $this->apart,
            $this->pTriangles,
            $this->qTriangles,
            $this->pBoxes,
            $this->qBoxes,
            $this->margin,
            $this->budget,
        ))->in($leaves, $pOrder, $qOrder, array_slice($qNode, 6 * $qLeaves));
    }
}
