<?php

declare(strict_types=1);

namespace Cubo\Geometry;

use Cubo\Solid\Solid;

/** A box tree over a solid's triangles for ray casting and nearest-point queries. */
final class TriangleTree
{
    private const LEAF = 6;

    /** @var list<int> triangles in tree order */
    private array $order;

    /** @var list<array{float,float,float,float,float,float,int,int,int,int}> box, first, count, left, right (leaf: left = -1) */
    private array $nodes = [];

    public function __construct(private readonly Solid $solid)
    {
        $this->order = array_keys($solid->facet);
        if ($this->order !== []) {
            $centre = [[], [], []];
            foreach ($this->order as $t) {
                [$a, $b, $c] = [$solid->start[3 * $t], $solid->start[3 * $t + 1], $solid->start[3 * $t + 2]];
                $centre[0][] = $solid->x[$a] + $solid->x[$b] + $solid->x[$c];
                $centre[1][] = $solid->y[$a] + $solid->y[$b] + $solid->y[$c];
                $centre[2][] = $solid->z[$a] + $solid->z[$b] + $solid->z[$c];
            }
            $this->split(0, count($this->order), $centre);
        }
    }

    /** @param array{list<float>,list<float>,list<float>} $centre */
    private function split(int $from, int $count, array $centre): int
    {
        $s = $this->solid;
        $box = [INF, INF, INF, -INF, -INF, -INF];
        for ($i = $from; $i < $from + $count; $i++) {
            for ($h = 3 * $this->order[$i], $end = $h + 3; $h < $end; $h++) {
                $v = $s->start[$h];
                foreach ([$s->x[$v], $s->y[$v], $s->z[$v]] as $k => $value) {
                    if ($value < $box[$k]) {
                        $box[$k] = $value;
                    }
                    if ($value > $box[$k + 3]) {
                        $box[$k + 3] = $value;
                    }
                }
            }
        }
        $id = count($this->nodes);
        $this->nodes[] = [...$box, $from, $count, -1, -1];
        if ($count > self::LEAF) {
            $axis = 0;
            for ($k = 1; $k < 3; $k++) {
                if ($box[$k + 3] - $box[$k] > $box[$axis + 3] - $box[$axis]) {
                    $axis = $k;
                }
            }
            $part = array_slice($this->order, $from, $count);
            $keys = array_map(static fn (int $t): float => $centre[$axis][$t], $part);
            array_multisort($keys, $part);
            array_splice($this->order, $from, $count, $part);
            $half = intdiv($count, 2);
            $this->nodes[$id][8] = $this->split($from, $half, $centre);
            $this->nodes[$id][9] = $this->split($from + $half, $count - $half, $centre);
        }

        return $id;
    }

    /**
     * First crossing of the ray p + s d, s in (near, far), with a triangle that $accept takes.
     *
     * @param array{float,float,float} $p
     * @param array{float,float,float} $d
     * @param (callable(int): bool)|null $accept
     * @return array{float,int}|null s and triangle (Moeller and Trumbore, J. Graphics Tools 2(1), 1997)
     */
    public function firstHit(array $p, array $d, float $near, float $far, ?callable $accept = null): ?array
    {
        if ($this->nodes === []) {
            return null;
        }
        $s = $this->solid;
        $inverse = [];
        for ($k = 0; $k < 3; $k++) {
            $inverse[$k] = abs($d[$k]) < 1e-300 ? 1e300 : 1 / $d[$k];
        }
        $best = null;
        $stack = [0];
        while ($stack !== []) {
            $n = $this->nodes[array_pop($stack)];
            $t0 = $near;
            $t1 = $far;
            for ($k = 0; $k < 3; $k++) {
                $a = ($n[$k] - 1e-9 - $p[$k]) * $inverse[$k];
                $b = ($n[$k + 3] + 1e-9 - $p[$k]) * $inverse[$k];
                if ($a > $b) {
                    [$a, $b] = [$b, $a];
                }
                if ($a > $t0) {
                    $t0 = $a;
                }
                if ($b < $t1) {
                    $t1 = $b;
                }
            }
            if ($t0 > $t1) {
                continue;
            }
            if ($n[8] >= 0) {
                $stack[] = $n[8];
                $stack[] = $n[9];

                continue;
            }
            for ($i = $n[6], $end = $i + $n[7]; $i < $end; $i++) {
                $t = $this->order[$i];
                [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
                $ux = $s->x[$b] - $s->x[$a];
                $uy = $s->y[$b] - $s->y[$a];
                $uz = $s->z[$b] - $s->z[$a];
                $wx = $s->x[$c] - $s->x[$a];
                $wy = $s->y[$c] - $s->y[$a];
                $wz = $s->z[$c] - $s->z[$a];
                $px = $d[1] * $wz - $d[2] * $wy;
                $py = $d[2] * $wx - $d[0] * $wz;
                $pz = $d[0] * $wy - $d[1] * $wx;
                $det = $ux * $px + $uy * $py + $uz * $pz;
                if (abs($det) < 1e-14) {
                    continue;
                }
                $ox = $p[0] - $s->x[$a];
                $oy = $p[1] - $s->y[$a];
                $oz = $p[2] - $s->z[$a];
                $u = ($ox * $px + $oy * $py + $oz * $pz) / $det;
                if ($u < -1e-9 || $u > 1 + 1e-9) {
                    continue;
                }
                $qx = $oy * $uz - $oz * $uy;
                $qy = $oz * $ux - $ox * $uz;
                $qz = $ox * $uy - $oy * $ux;
                $v = ($d[0] * $qx + $d[1] * $qy + $d[2] * $qz) / $det;
                if ($v < -1e-9 || $u + $v > 1 + 1e-9) {
                    continue;
                }
                $at = ($wx * $qx + $wy * $qy + $wz * $qz) / $det;
                if ($at > $near && $at < $far && ($accept === null || $accept($t))) {
                    $far = $at;
                    $best = [$at, $t];
                }
            }
        }

        return $best;
    }

    /**
     * The triangle nearest to p and its distance; no triangle when none is nearer than $atMost.
     *
     * @param array{float,float,float} $p
     * @return array{float, int|null}
     */
    public function nearest(array $p, float $atMost = INF): array
    {
        $best = $atMost * $atMost;
        $which = null;
        $stack = $this->nodes === [] ? [] : [[0.0, 0]];
        while ($stack !== []) {
            [$away, $id] = array_pop($stack);
            if ($away >= $best) {
                continue;
            }
            $n = $this->nodes[$id];
            if ($n[8] >= 0) {
                $l = $this->boxDistance($n[8], $p);
                $r = $this->boxDistance($n[9], $p);
                // the nearer child last, so that it is looked at first
                $stack[] = $l > $r ? [$l, $n[8]] : [$r, $n[9]];
                $stack[] = $l > $r ? [$r, $n[9]] : [$l, $n[8]];

                continue;
            }
            for ($i = $n[6], $end = $i + $n[7]; $i < $end; $i++) {
                $d = $this->toTriangle($p, $this->order[$i]);
                if ($d < $best) {
                    $best = $d;
                    $which = $this->order[$i];
                }
            }
        }

        return [sqrt($best), $which];
    }

    /** @param array{float,float,float} $p */
    private function boxDistance(int $id, array $p): float
    {
        $n = $this->nodes[$id];
        $sum = 0.0;
        for ($k = 0; $k < 3; $k++) {
            $d = $p[$k] < $n[$k] ? $n[$k] - $p[$k] : ($p[$k] > $n[$k + 3] ? $p[$k] - $n[$k + 3] : 0.0);
            $sum += $d * $d;
        }

        return $sum;
    }

    /** Squared distance (C. Ericson, "Real-Time Collision Detection", 2005, 5.1.5). @param array{float,float,float} $p */
    private function toTriangle(array $p, int $t): float
    {
        $s = $this->solid;
        [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
        $ab = [$s->x[$b] - $s->x[$a], $s->y[$b] - $s->y[$a], $s->z[$b] - $s->z[$a]];
        $ac = [$s->x[$c] - $s->x[$a], $s->y[$c] - $s->y[$a], $s->z[$c] - $s->z[$a]];
        $ap = [$p[0] - $s->x[$a], $p[1] - $s->y[$a], $p[2] - $s->z[$a]];
        $d1 = $ab[0] * $ap[0] + $ab[1] * $ap[1] + $ab[2] * $ap[2];
        $d2 = $ac[0] * $ap[0] + $ac[1] * $ap[1] + $ac[2] * $ap[2];
        $bb = $ab[0] ** 2 + $ab[1] ** 2 + $ab[2] ** 2;
        $cc = $ac[0] ** 2 + $ac[1] ** 2 + $ac[2] ** 2;
        $bc = $ab[0] * $ac[0] + $ab[1] * $ac[1] + $ab[2] * $ac[2];
        $det = $bb * $cc - $bc * $bc;
        $v = $w = 0.0;
        if ($det > 0) {
            $v = ($cc * $d1 - $bc * $d2) / $det;
            $w = ($bb * $d2 - $bc * $d1) / $det;
        }
        if ($det <= 0 || $v < 0 || $w < 0 || $v + $w > 1) {
            // nearest point lies on one of the sides
            $best = INF;
            $k = $bb > 0 ? max(0.0, min(1.0, $d1 / $bb)) : 0.0;
            $best = min($best, ($ap[0] - $k * $ab[0]) ** 2 + ($ap[1] - $k * $ab[1]) ** 2 + ($ap[2] - $k * $ab[2]) ** 2);
            $k = $cc > 0 ? max(0.0, min(1.0, $d2 / $cc)) : 0.0;
            $best = min($best, ($ap[0] - $k * $ac[0]) ** 2 + ($ap[1] - $k * $ac[1]) ** 2 + ($ap[2] - $k * $ac[2]) ** 2);
            $e = [$ac[0] - $ab[0], $ac[1] - $ab[1], $ac[2] - $ab[2]];
            $bp = [$ap[0] - $ab[0], $ap[1] - $ab[1], $ap[2] - $ab[2]];
            $ee = $e[0] ** 2 + $e[1] ** 2 + $e[2] ** 2;
            $k = $ee > 0 ? max(0.0, min(1.0, ($e[0] * $bp[0] + $e[1] * $bp[1] + $e[2] * $bp[2]) / $ee)) : 0.0;

            return min($best, ($bp[0] - $k * $e[0]) ** 2 + ($bp[1] - $k * $e[1]) ** 2 + ($bp[2] - $k * $e[2]) ** 2);
        }

        return ($ap[0] - $v * $ab[0] - $w * $ac[0]) ** 2 + ($ap[1] - $v * $ab[1] - $w * $ac[1]) ** 2 + ($ap[2] - $v * $ab[2] - $w * $ac[2]) ** 2;
    }
}
