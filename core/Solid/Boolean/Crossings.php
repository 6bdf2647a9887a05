<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Budget\Budget;

/**
 * Every point where an edge of one solid passes through a face of the other, with the change of inclusion there,
 * filed by edge and by pair of faces.
 */
final class Crossings
{
    /** Units of work that a pair of triangles takes on the average, measured over the demo parts. */
    private const COST_OF_A_PAIR = 10;

    /** @var array<int, float> */
    public array $x = [];

    /** @var array<int, float> */
    public array $y = [];

    /** @var array<int, float> */
    public array $z = [];

    /** @var array<int, int> change of inclusion along the edge's own direction: positive starts a piece, negative ends it */
    public array $weight = [];

    /** @var array<int, int> summed crossings by canonical half-edge of P */
    public array $pWinding = [];

    /** @var array<int, int> */
    public array $qWinding = [];

    /** @var array<int, array<int, int>> crossings by canonical half-edge */
    public array $onP = [];

    /** @var array<int, array<int, int>> */
    public array $onQ = [];

    /** @var array<int, array<int, int>> by P triangle * count of Q triangles + Q triangle: crossing, weight, crossing, weight ... */
    public array $byPair = [];

    /** @var array<int, array{bool,int,int}> crossing => edge is P's, half-edge, face */
    public array $origin = [];

    public function __construct(
        private readonly OperandPair $pair,
        ShadowPredicates $shadow,
        BroadPhase $broad,
        Operation $op,
        private readonly float $margin,
        Budget $budget,
    ) {
        $m = $pair;
        $sign = $op === Operation::Intersection ? 1 : -1;
        $nq = count($m->qFacet);
        $count = 0;
        foreach ($broad->pairs() as $n => [$i, $j]) {
            if (($n & 63) === 0) {
                $budget->spend(64 * self::COST_OF_A_PAIR);
            }
            $f = $broad->pTriangles[$i];
            $g = $broad->qTriangles[$j];
            for ($h = 3 * $f, $end = $h + 3; $h < $end; $h++) {
                $t = $m->pTwin[$h];
                if (
                    $t < $h ||
                    $this->misses(
                        $m->px,
                        $m->py,
                        $m->pz,
                        $m->pStart[$h],
                        $m->pStart[$h + 1 < $end ? $h + 1 : $h - 2],
                        $broad->qBoxes,
                        6 * $j,
                        $m->qFacet[$g],
                        $broad->apart->qEdges[$g] ?? [],
                    )
                ) {
                    continue;
                }
                $c = $shadow->edgeFace($h, $g);
                if ($c === 0) {
                    continue;
                }
                $w = -$sign * $c;
                $this->pWinding[$h] = ($this->pWinding[$h] ?? 0) + $c;
                $this->onP[$h][] = $count;
                $this->note($shadow, $w, [true, $h, $g]);
                $this->byPair[$f * $nq + $g][] = $count;
                $this->byPair[$f * $nq + $g][] = -$w;
                $r = intdiv($t, 3) * $nq + $g;
                $this->byPair[$r][] = $count++;
                $this->byPair[$r][] = $w;
            }
            for ($h = 3 * $g, $end = $h + 3; $h < $end; $h++) {
                $t = $m->qTwin[$h];
                if (
                    $t < $h ||
                    $this->misses(
                        $m->qx,
                        $m->qy,
                        $m->qz,
                        $m->qStart[$h],
                        $m->qStart[$h + 1 < $end ? $h + 1 : $h - 2],
                        $broad->pBoxes,
                        6 * $i,
                        $m->pFacet[$f],
                        $broad->apart->pEdges[$f] ?? [],
                    )
                ) {
                    continue;
                }
                $c = $shadow->faceEdge($f, $h);
                if ($c === 0) {
                    continue;
                }
                $w = $sign * $c;
                $this->qWinding[$h] = ($this->qWinding[$h] ?? 0) + $c;
                $this->onQ[$h][] = $count;
                $this->note($shadow, $w, [false, $h, $f]);
                $this->byPair[$f * $nq + $g][] = $count;
                $this->byPair[$f * $nq + $g][] = $w;
                $r = $f * $nq + intdiv($t, 3);
                $this->byPair[$r][] = $count++;
                $this->byPair[$r][] = -$w;
            }
        }
    }

    /** @param array{bool,int,int} $origin */
    private function note(ShadowPredicates $s, int $weight, array $origin): void
    {
        $this->x[] = $s->outX;
        $this->y[] = $s->outY;
        $this->z[] = $s->outZ;
        $this->weight[] = $weight;
        $this->origin[] = $origin;
    }

    /**
     * True if the edge u v certainly does not reach the triangle with that box, facet and those edge planes.
     *
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @param array<int, float> $box
     * @param array<int, float> $planes
     */
    private function misses(array $x, array $y, array $z, int $u, int $v, array $box, int $k, int $facet, array $planes): bool
    {
        $a = $x[$u];
        $b = $x[$v];
        if (($a < $box[$k] && $b < $box[$k]) || ($a > $box[$k + 3] && $b > $box[$k + 3])) {
            return true;
        }
        $c = $y[$u];
        $d = $y[$v];
        if (($c < $box[$k + 1] && $d < $box[$k + 1]) || ($c > $box[$k + 4] && $d > $box[$k + 4])) {
            return true;
        }
        $e = $z[$u];
        $f = $z[$v];
        if (($e < $box[$k + 2] && $f < $box[$k + 2]) || ($e > $box[$k + 5] && $f > $box[$k + 5])) {
            return true;
        }
        $margin = $this->margin;
        if ($margin === INF) {
            return false;
        }
        $m = $this->pair;
        $nx = $m->fx[$facet];
        $ny = $m->fy[$facet];
        $nz = $m->fz[$facet];
        $d0 = $a * $nx + $c * $ny + $e * $nz - $m->fd[$facet];
        $d1 = $b * $nx + $d * $ny + $f * $nz - $m->fd[$facet];
        if (($d0 > $margin && $d1 > $margin) || ($d0 < -$margin && $d1 < -$margin)) {
            return true;
        }
        $ex = $b - $a;
        $ey = $d - $c;
        $ez = $f - $e;
        $l = $d0 - $d1;
        if ($l * $l > 1e-4 * ($ex * $ex + $ey * $ey + $ez * $ez)) {
            // steep enough that the crossing's place is known well
            $t = max(0.0, min(1.0, $d0 / $l));
            $a += $t * $ex;
            $c += $t * $ey;
            $e += $t * $ez;
            for ($i = 0, $n = count($planes); $i < $n; $i += 4) {
                if ($planes[$i] * $a + $planes[$i + 1] * $c + $planes[$i + 2] * $e > $planes[$i + 3]) {
                    return true;
                }
            }

            return false;
        }
        // lying along the facet: both ends beyond one of its sides
        for ($i = 0, $n = count($planes); $i < $n; $i += 4) {
            $nx = $planes[$i];
            $ny = $planes[$i + 1];
            $nz = $planes[$i + 2];
            $k = $planes[$i + 3];
            if ($nx * $a + $ny * $c + $nz * $e > $k && $nx * $b + $ny * $d + $nz * $f > $k) {
                return true;
            }
        }

        return false;
    }
}
