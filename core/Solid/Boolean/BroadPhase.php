<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

/**
 * Finds the pairs of triangles that may cross: those whose boxes meet and that are not separated by the other's
 * plane or by a plane through one of the other's edges. Boxes are kept in a Morton-ordered implicit tree
 * (C. Lauterbach et al., "Fast BVH Construction on GPUs", Computer Graphics Forum 28(2), 2009, the sort only).
 */
final class BroadPhase
{
    private const LEAF = 4;

    /** @var array<int, int> triangles of P that reach the common box */
    public array $pTriangles = [];

    /** @var array<int, int> */
    public array $qTriangles = [];

    /** @var array<int, float> their boxes, six numbers each, widened by the tolerance */
    public array $pBoxes = [];

    /** @var array<int, float> */
    public array $qBoxes = [];

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
        private readonly array $common,
        private readonly float $widen,
        private readonly float $margin,
    ) {
        $m = $pair;
        $this->pTriangles = $this->reaching($m->px, $m->py, $m->pz, $m->pStart, $m->pFacet, $this->pBoxes);
        $this->qTriangles = $this->reaching($m->qx, $m->qy, $m->qz, $m->qStart, $m->qFacet, $this->qBoxes);
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @param array<int, int> $start
     * @param array<int, int> $facet
     * @param array<int, float> $boxes filled
     * @return array<int, int>
     */
    private function reaching(array $x, array $y, array $z, array $start, array $facet, array &$boxes): array
    {
        [$ax, $ay, $az, $cx, $cy, $cz] = $this->common;
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
        $found = [];
        $out = [];
        for ($h = 0, $t = 0, $n = count($start); $h < $n; $h += 3, $t++) {
            $a = $start[$h];
            $b = $start[$h + 1];
            $c = $start[$h + 2];
            $u = $x[$a];
            $v = $x[$b];
            $k = $x[$c];
            $x0 = $u < $v ? ($u < $k ? $u : $k) : ($v < $k ? $v : $k);
            if ($x0 > $cx) {
                continue;
            }
            $x1 = $u > $v ? ($u > $k ? $u : $k) : ($v > $k ? $v : $k);
            if ($x1 < $ax) {
                continue;
            }
            $u = $y[$a];
            $v = $y[$b];
            $k = $y[$c];
            $y0 = $u < $v ? ($u < $k ? $u : $k) : ($v < $k ? $v : $k);
            if ($y0 > $cy) {
                continue;
            }
            $y1 = $u > $v ? ($u > $k ? $u : $k) : ($v > $k ? $v : $k);
            if ($y1 < $ay) {
                continue;
            }
            $u = $z[$a];
            $v = $z[$b];
            $k = $z[$c];
            $z0 = $u < $v ? ($u < $k ? $u : $k) : ($v < $k ? $v : $k);
            if ($z0 > $cz) {
                continue;
            }
            $z1 = $u > $v ? ($u > $k ? $u : $k) : ($v > $k ? $v : $k);
            if ($z1 < $az) {
                continue;
            }
            $f = $facet[$t];
            $d = $fx[$f] * $mx + $fy[$f] * $my + $fz[$f] * $mz - $fd[$f];
            $reach = abs($fx[$f]) * $hx + abs($fy[$f]) * $hy + abs($fz[$f]) * $hz + $this->margin;
            if ($d > $reach || $d < -$reach) {
                continue;
            }
            $found[] = $t;
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
        [$order, $node, $leaves] = $this->tree($this->qBoxes, $nq);
        $box = $this->pBoxes;
        $qBox = $this->qBoxes;
        $m = $this->pair;
        $found = [];
        for ($i = 0, $k = 0; $i < $np; $i++, $k += 6) {
            $x0 = $box[$k];
            $y0 = $box[$k + 1];
            $z0 = $box[$k + 2];
            $x1 = $box[$k + 3];
            $y1 = $box[$k + 4];
            $z1 = $box[$k + 5];
            $f = $m->pFacet[$this->pTriangles[$i]];
            $nx = $m->fx[$f];
            $ny = $m->fy[$f];
            $nz = $m->fz[$f];
            $twice = 2 * $m->fd[$f];
            $ax = abs($nx);
            $ay = abs($ny);
            $az = abs($nz);
            $stack = [1];
            $top = 1;
            while ($top > 0) {
                $d = $stack[--$top];
                $o = 6 * $d;
                $b0 = $node[$o];
                $b1 = $node[$o + 1];
                $b2 = $node[$o + 2];
                $b3 = $node[$o + 3];
                $b4 = $node[$o + 4];
                $b5 = $node[$o + 5];
                if ($b0 > $x1 || $b3 < $x0 || $b1 > $y1 || $b4 < $y0 || $b2 > $z1 || $b5 < $z0) {
                    continue;
                }
                $dist = $nx * ($b0 + $b3) + $ny * ($b1 + $b4) + $nz * ($b2 + $b5) - $twice;
                $reach = $ax * ($b3 - $b0) + $ay * ($b4 - $b1) + $az * ($b5 - $b2) + 2 * $this->margin;
                if ($dist > $reach || $dist < -$reach) {
                    continue;
                }
                if ($d < $leaves) {
                    $stack[$top++] = 2 * $d;
                    $stack[$top++] = 2 * $d + 1;

                    continue;
                }
                $s = ($d - $leaves) * self::LEAF;
                $end = min($nq, $s + self::LEAF);
                for (; $s < $end; $s++) {
                    $j = $order[$s];
                    $o = 6 * $j;
                    if ($qBox[$o] > $x1 || $qBox[$o + 3] < $x0 || $qBox[$o + 1] > $y1 || $qBox[$o + 4] < $y0 || $qBox[$o + 2] > $z1 || $qBox[$o + 5] < $z0) {
                        continue;
                    }
                    if ($this->margin < INF && $this->separated($this->pTriangles[$i], $this->qTriangles[$j])) {
                        continue;
                    }
                    $found[] = [$i, $j];
                }
            }
        }

        return $found;
    }

    private function separated(int $f, int $g): bool
    {
        $m = $this->pair;
        $pf = $m->pFacet[$f];
        $qf = $m->qFacet[$g];
        $a = $m->pStart[3 * $f];
        $b = $m->pStart[3 * $f + 1];
        $c = $m->pStart[3 * $f + 2];
        $u = $m->qStart[3 * $g];
        $v = $m->qStart[3 * $g + 1];
        $w = $m->qStart[3 * $g + 2];
        if ($this->beyond($m->px, $m->py, $m->pz, $a, $b, $c, $m->fx[$qf], $m->fy[$qf], $m->fz[$qf], $m->fd[$qf])
            || $this->beyond($m->qx, $m->qy, $m->qz, $u, $v, $w, $m->fx[$pf], $m->fy[$pf], $m->fz[$pf], $m->fd[$pf])) {
            return true;
        }
        $e = $this->pEdgePlanes[$f] ??= $this->edgePlanes($m->px, $m->py, $m->pz, $m->pStart, 3 * $f, $pf);
        if (self::outside($m->qx, $m->qy, $m->qz, $u, $v, $w, $e)) {
            return true;
        }
        $e = $this->qEdgePlanes[$g] ??= $this->edgePlanes($m->qx, $m->qy, $m->qz, $m->qStart, 3 * $g, $qf);

        return self::outside($m->px, $m->py, $m->pz, $a, $b, $c, $e);
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     */
    private function beyond(array $x, array $y, array $z, int $a, int $b, int $c, float $nx, float $ny, float $nz, float $d): bool
    {
        $s = $nx * $x[$a] + $ny * $y[$a] + $nz * $z[$a] - $d;
        if ($s > $this->margin) {
            return $nx * $x[$b] + $ny * $y[$b] + $nz * $z[$b] - $d > $this->margin && $nx * $x[$c] + $ny * $y[$c] + $nz * $z[$c] - $d > $this->margin;
        }
        $low = -$this->margin;

        return $s < $low && $nx * $x[$b] + $ny * $y[$b] + $nz * $z[$b] - $d < $low && $nx * $x[$c] + $ny * $y[$c] + $nz * $z[$c] - $d < $low;
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

    /**
     * @param array<int, float> $box
     * @return array{array<int, int>, array<int, float>, int} order, node boxes, number of leaves
     */
    private function tree(array $box, int $n): array
    {
        [$ax, $ay, $az, $cx, $cy, $cz] = $this->common;
        $sx = 1023 / max(1e-300, $cx - $ax);
        $sy = 1023 / max(1e-300, $cy - $ay);
        $sz = 1023 / max(1e-300, $cz - $az);
        $keys = [];
        for ($i = 0, $k = 0; $i < $n; $i++, $k += 6) {
            $keys[] = ((self::spread((($box[$k] + $box[$k + 3]) * 0.5 - $ax) * $sx) << 2
                | self::spread((($box[$k + 1] + $box[$k + 4]) * 0.5 - $ay) * $sy) << 1
                | self::spread((($box[$k + 2] + $box[$k + 5]) * 0.5 - $az) * $sz)) << 24) | $i;
        }
        sort($keys);
        $leaves = 1;
        while ($leaves * self::LEAF < $n) {
            $leaves *= 2;
        }
        $order = [];
        foreach ($keys as $key) {
            $order[] = $key & 0xFFFFFF;
        }
        $node = array_fill(0, 12 * $leaves, 0.0);
        for ($l = 0; $l < $leaves; $l++) {
            $low = [INF, INF, INF];
            $high = [-INF, -INF, -INF];
            for ($i = $l * self::LEAF, $end = min($n, $i + self::LEAF); $i < $end; $i++) {
                $k = 6 * $order[$i];
                for ($c = 0; $c < 3; $c++) {
                    if ($box[$k + $c] < $low[$c]) {
                        $low[$c] = $box[$k + $c];
                    }
                    if ($box[$k + 3 + $c] > $high[$c]) {
                        $high[$c] = $box[$k + 3 + $c];
                    }
                }
            }
            $o = 6 * ($leaves + $l);
            for ($c = 0; $c < 3; $c++) {
                $node[$o + $c] = $low[$c];
                $node[$o + 3 + $c] = $high[$c];
            }
        }
        for ($i = $leaves - 1; $i >= 1; $i--) {
            $a = 12 * $i;
            $o = 6 * $i;
            for ($c = 0; $c < 3; $c++) {
                $node[$o + $c] = min($node[$a + $c], $node[$a + 6 + $c]);
                $node[$o + 3 + $c] = max($node[$a + 3 + $c], $node[$a + 9 + $c]);
            }
        }

        return [$order, $node, $leaves];
    }

    /** Ten bits of a coordinate, spread to every third bit. */
    private static function spread(float $v): int
    {
        $a = $v <= 0 ? 0 : ($v >= 1023 ? 1023 : (int) $v);
        $a = ($a | ($a << 16)) & 0x030000FF;
        $a = ($a | ($a << 8)) & 0x0300F00F;
        $a = ($a | ($a << 4)) & 0x030C30C3;

        return ($a | ($a << 2)) & 0x09249249;
    }
}
