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

    /** @var array<int, int>|null */
    private ?array $pLeaving = null;

    /** @var array<int, array<int, float>> planes through a triangle's edges, four numbers each, by triangle */
    public array $pEdgePlanes = [];

    /** @var array<int, array<int, float>> */
    public array $qEdgePlanes = [];

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
        $this->pTriangles = $this->reaching($common, $m->px, $m->py, $m->pz, $m->pStart, $m->pFacet, $this->pBoxes);
        // a small Q lies in P's box as a whole: what counts is where P's faces are
        $this->qTriangles = $this->reaching(self::narrowed($common, $this->pBoxes), $m->qx, $m->qy, $m->qz, $m->qStart, $m->qFacet, $this->qBoxes);
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

    /**
     * Planes through the triangle's edges, upright on its facet, pushed out by the margin: nx, ny, nz, d each.
     *
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @param array<int, int> $start
     * @return array<int, float>
     */
    private function edgePlanes(array $x, array $y, array $z, array $start, int $h, int $facet): array
    {
        $nx = $this->pair->fx[$facet];
        $ny = $this->pair->fy[$facet];
        $nz = $this->pair->fz[$facet];
        $out = [];
        for ($k = 0; $k < 3; $k++) {
            $a = $start[$h + $k];
            $b = $start[$h + ($k + 1) % 3];
            $c = $start[$h + ($k + 2) % 3];
            $ex = $x[$b] - $x[$a];
            $ey = $y[$b] - $y[$a];
            $ez = $z[$b] - $z[$a];
            $ux = $ey * $nz - $ez * $ny;
            $uy = $ez * $nx - $ex * $nz;
            $uz = $ex * $ny - $ey * $nx;
            $l = sqrt($ux * $ux + $uy * $uy + $uz * $uz);
            if ($l < $this->margin) {
                continue;
            }
            $ux /= $l;
            $uy /= $l;
            $uz /= $l;
            $d = $ux * $x[$a] + $uy * $y[$a] + $uz * $z[$a];
            if ($ux * $x[$c] + $uy * $y[$c] + $uz * $z[$c] > $d + 0.1 * $this->margin) {
                continue; // inverted sliver: its planes would lie
            }
            $out[] = $ux;
            $out[] = $uy;
            $out[] = $uz;
            $out[] = $d + $this->margin;
        }

        return $out;
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
            if ($pNode[$o] > $qNode[$u + 3] || $pNode[$o + 3] < $qNode[$u] || $pNode[$o + 1] > $qNode[$u + 4] || $pNode[$o + 4] < $qNode[$u + 1] || $pNode[$o + 2] > $qNode[$u + 5] || $pNode[$o + 5] < $qNode[$u + 2]) {
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

        return $this->inLeaves($leaves, $pOrder, $np, $qOrder, $nq, array_slice($qNode, 6 * $qLeaves));
    }

    /**
     * @param list<int> $leaves of P and Q in turn
     * @param array<int, int> $pOrder
     * @param array<int, int> $qOrder
     * @param array<int, float> $qNode boxes of Q's leaves
     * @return list<array{int,int}>
     */
    private function inLeaves(array $leaves, array $pOrder, int $np, array $qOrder, int $nq, array $qNode): array
    {
        $box = $this->pBoxes;
        $qBox = $this->qBoxes;
        $m = $this->pair;
        $margin = $this->margin;
        $filter = $margin < INF;
        $fx = $m->fx;
        $fy = $m->fy;
        $fz = $m->fz;
        $fd = $m->fd;
        $px = $m->px;
        $py = $m->py;
        $pz = $m->pz;
        $pStart = $m->pStart;
        $pFacet = $m->pFacet;
        $qFacet = $m->qFacet;
        $pTriangles = $this->pTriangles;
        $qTriangles = $this->qTriangles;
        $found = [];
        for ($l = 0, $count = count($leaves), $before = 0; $l < $count; $l += 2) {
            if (($l & 255) === 0) {
                $this->budget->spend(128 + 2 * (count($found) - $before));
                $before = count($found);
            }
            $r = $leaves[$l] * BoxTree::LEAF;
            $from = $leaves[$l + 1] * BoxTree::LEAF;
            $o = 6 * $leaves[$l + 1];
            $b0 = $qNode[$o];
            $b1 = $qNode[$o + 1];
            $b2 = $qNode[$o + 2];
            $b3 = $qNode[$o + 3];
            $b4 = $qNode[$o + 4];
            $b5 = $qNode[$o + 5];
            $large = $filter ? 3 * ($b3 - $b0 + $b4 - $b1 + $b5 - $b2) : INF;
            $to = min($nq, $from + BoxTree::LEAF);
            for ($last = min($np, $r + BoxTree::LEAF); $r < $last; $r++) {
                $i = $pOrder[$r];
                $k = 6 * $i;
                $x0 = $box[$k];
                $y0 = $box[$k + 1];
                $z0 = $box[$k + 2];
                $x1 = $box[$k + 3];
                $y1 = $box[$k + 4];
                $z1 = $box[$k + 5];
                if ($b0 > $x1 || $b3 < $x0 || $b1 > $y1 || $b4 < $y0 || $b2 > $z1 || $b5 < $z0) {
                    continue;
                }
                // the facet's plane against the leaf's box
                $t = $pTriangles[$i];
                $f = $pFacet[$t];
                $nx = $fx[$f];
                $ny = $fy[$f];
                $nz = $fz[$f];
                $dist = $nx * ($b0 + $b3) + $ny * ($b1 + $b4) + $nz * ($b2 + $b5) - 2 * $fd[$f];
                $reach = abs($nx) * ($b3 - $b0) + abs($ny) * ($b4 - $b1) + abs($nz) * ($b5 - $b2) + 2 * $margin;
                if ($dist > $reach || $dist < -$reach) {
                    continue;
                }
                // of a triangle much larger than the leaf mostly only the box is near it
                if ($x1 - $x0 + $y1 - $y0 + $z1 - $z0 > $large) {
                    $planes = $this->pEdgePlanes[$t] ??= $this->edgePlanes($m->px, $m->py, $m->pz, $m->pStart, 3 * $t, $f);
                    for ($e = 0, $n = count($planes); $e < $n; $e += 4) {
                        $nx = $planes[$e];
                        $ny = $planes[$e + 1];
                        $nz = $planes[$e + 2];
                        if (($nx > 0 ? $nx * $b0 : $nx * $b3) + ($ny > 0 ? $ny * $b1 : $ny * $b4) + ($nz > 0 ? $nz * $b2 : $nz * $b5) > $planes[$e + 3]) {
                            continue 2;
                        }
                    }
                }
                $h = 3 * $t;
                $v = $pStart[$h];
                $ax = $px[$v];
                $ay = $py[$v];
                $az = $pz[$v];
                $v = $pStart[$h + 1];
                $bx = $px[$v];
                $by = $py[$v];
                $bz = $pz[$v];
                $v = $pStart[$h + 2];
                $cx = $px[$v];
                $cy = $py[$v];
                $cz = $pz[$v];
                for ($s = $from; $s < $to; $s++) {
                    $j = $qOrder[$s];
                    $k = 6 * $j;
                    if ($qBox[$k] > $x1 || $qBox[$k + 3] < $x0 || $qBox[$k + 1] > $y1 || $qBox[$k + 4] < $y0 || $qBox[$k + 2] > $z1 || $qBox[$k + 5] < $z0) {
                        continue;
                    }
                    if ($filter) {
                        // all corners of P's triangle beyond the plane of Q's, asked here because it settles most pairs
                        $g = $qFacet[$qTriangles[$j]];
                        $nx = $fx[$g];
                        $ny = $fy[$g];
                        $nz = $fz[$g];
                        $k = $nx * $ax + $ny * $ay + $nz * $az - $fd[$g];
                        if ($k > $margin) {
                            if ($nx * $bx + $ny * $by + $nz * $bz - $fd[$g] > $margin && $nx * $cx + $ny * $cy + $nz * $cz - $fd[$g] > $margin) {
                                continue;
                            }
                        } elseif ($k < -$margin && $nx * $bx + $ny * $by + $nz * $bz - $fd[$g] < -$margin && $nx * $cx + $ny * $cy + $nz * $cz - $fd[$g] < -$margin) {
                            continue;
                        }
                        if ($this->separated($t, $qTriangles[$j])) {
                            continue;
                        }
                    }
                    $found[] = [$i, $j];
                }
            }
        }

        return $found;
    }

    /**
     * Whether two triangles certainly do not cross: one lies beyond the other's plane, or the stretches in which they
     * meet the line of both planes lie apart (T. Moeller, "A Fast Triangle-Triangle Intersection Test", Journal of
     * Graphics Tools 2(2), 1997), or one lies beyond a plane through the other's edge.
     */
    private function separated(int $f, int $g): bool
    {
        $m = $this->pair;
        $margin = $this->margin;
        $x = $m->px;
        $y = $m->py;
        $z = $m->pz;
        $a = $m->pStart[3 * $f];
        $b = $m->pStart[3 * $f + 1];
        $c = $m->pStart[3 * $f + 2];
        $k = $m->qFacet[$g];
        $gx = $m->fx[$k];
        $gy = $m->fy[$k];
        $gz = $m->fz[$k];
        $d = $m->fd[$k];
        $a0 = $gx * $x[$a] + $gy * $y[$a] + $gz * $z[$a] - $d;
        $a1 = $gx * $x[$b] + $gy * $y[$b] + $gz * $z[$b] - $d;
        $a2 = $gx * $x[$c] + $gy * $y[$c] + $gz * $z[$c] - $d;
        if (($a0 > $margin && $a1 > $margin && $a2 > $margin) || ($a0 < -$margin && $a1 < -$margin && $a2 < -$margin)) {
            return true;
        }
        $qx = $m->qx;
        $qy = $m->qy;
        $qz = $m->qz;
        $u = $m->qStart[3 * $g];
        $v = $m->qStart[3 * $g + 1];
        $w = $m->qStart[3 * $g + 2];
        $k = $m->pFacet[$f];
        $nx = $m->fx[$k];
        $ny = $m->fy[$k];
        $nz = $m->fz[$k];
        $d = $m->fd[$k];
        $b0 = $nx * $qx[$u] + $ny * $qy[$u] + $nz * $qz[$u] - $d;
        $b1 = $nx * $qx[$v] + $ny * $qy[$v] + $nz * $qz[$v] - $d;
        $b2 = $nx * $qx[$w] + $ny * $qy[$w] + $nz * $qz[$w] - $d;
        if (($b0 > $margin && $b1 > $margin && $b2 > $margin) || ($b0 < -$margin && $b1 < -$margin && $b2 < -$margin)) {
            return true;
        }
        $dx = $ny * $gz - $nz * $gy;
        $dy = $nz * $gx - $nx * $gz;
        $dz = $nx * $gy - $ny * $gx;
        $s = $dx * $dx + $dy * $dy + $dz * $dz;
        if ($s > 1e-4) {
            // places of the corners along the line, and where the sides pass through the other's plane
            $pa = $dx * $x[$a] + $dy * $y[$a] + $dz * $z[$a];
            $pb = $dx * $x[$b] + $dy * $y[$b] + $dz * $z[$b];
            $pc = $dx * $x[$c] + $dy * $y[$c] + $dz * $z[$c];
            $pu = $dx * $qx[$u] + $dy * $qy[$u] + $dz * $qz[$u];
            $pv = $dx * $qx[$v] + $dy * $qy[$v] + $dz * $qz[$v];
            $pw = $dx * $qx[$w] + $dy * $qy[$w] + $dz * $qz[$w];
            // the corner alone on its side of the plane comes first
            if (($a1 > 0) === ($a2 > 0)) {
                $r0 = $pa + ($pb - $pa) * self::share($a0, $a1);
                $r1 = $pa + ($pc - $pa) * self::share($a0, $a2);
            } elseif (($a0 > 0) === ($a2 > 0)) {
                $r0 = $pb + ($pa - $pb) * self::share($a1, $a0);
                $r1 = $pb + ($pc - $pb) * self::share($a1, $a2);
            } else {
                $r0 = $pc + ($pa - $pc) * self::share($a2, $a0);
                $r1 = $pc + ($pb - $pc) * self::share($a2, $a1);
            }
            if (($b1 > 0) === ($b2 > 0)) {
                $s0 = $pu + ($pv - $pu) * self::share($b0, $b1);
                $s1 = $pu + ($pw - $pu) * self::share($b0, $b2);
            } elseif (($b0 > 0) === ($b2 > 0)) {
                $s0 = $pv + ($pu - $pv) * self::share($b1, $b0);
                $s1 = $pv + ($pw - $pv) * self::share($b1, $b2);
            } else {
                $s0 = $pw + ($pu - $pw) * self::share($b2, $b0);
                $s1 = $pw + ($pv - $pw) * self::share($b2, $b1);
            }
            // only where no corner lies near the other's plane is the stretch known that well
            if (abs($a0) > $margin && abs($a1) > $margin && abs($a2) > $margin && abs($b0) > $margin && abs($b1) > $margin && abs($b2) > $margin) {
                $reach = 100 * $margin;
                if (($r0 > $s0 + $reach && $r0 > $s1 + $reach && $r1 > $s0 + $reach && $r1 > $s1 + $reach)
                    || ($r0 < $s0 - $reach && $r0 < $s1 - $reach && $r1 < $s0 - $reach && $r1 < $s1 - $reach)) {
                    return true;
                }
            }
        }
        $e = $this->pEdgePlanes[$f] ??= $this->edgePlanes($x, $y, $z, $m->pStart, 3 * $f, $m->pFacet[$f]);
        if (self::outside($qx, $qy, $qz, $u, $v, $w, $e)) {
            return true;
        }
        $e = $this->qEdgePlanes[$g] ??= $this->edgePlanes($qx, $qy, $qz, $m->qStart, 3 * $g, $m->qFacet[$g]);

        return self::outside($x, $y, $z, $a, $b, $c, $e);
    }

    /** Where on the way from a to b the height is none. */
    private static function share(float $a, float $b): float
    {
        $l = $a - $b;

        return $l == 0.0 ? 0.5 : $a / $l;
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @param array<int, float> $planes
     */
    private static function outside(array $x, array $y, array $z, int $a, int $b, int $c, array $planes): bool
    {
        for ($k = 0, $n = count($planes); $k < $n; $k += 4) {
            $u = $planes[$k];
            $v = $planes[$k + 1];
            $w = $planes[$k + 2];
            $d = $planes[$k + 3];
            if ($u * $x[$a] + $v * $y[$a] + $w * $z[$a] > $d && $u * $x[$b] + $v * $y[$b] + $w * $z[$b] > $d && $u * $x[$c] + $v * $y[$c] + $w * $z[$c] > $d) {
                return true;
            }
        }

        return false;
    }
}
