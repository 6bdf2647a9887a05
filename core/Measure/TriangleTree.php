<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\Solid;

/**
 * A tree of boxes over the triangles of a solid, for rays and nearest distances. Triangles are kept in leaf order as
 * corner and two sides, boxes as flat arrays: the loops below touch nothing else. A long slanting triangle stands in
 * several leaves, each with the box of a stretch of it.
 */
final class TriangleTree
{
    private const LEAF = 4;

    /** Units that building costs a box. */
    private const BUILT = 8;

    /** Boxes that are looked at for a unit. */
    private const A_UNIT = 4;

    /** Squared distance below which a point lies on a triangle, and no nearer one is looked for. */
    private const ON = 1e-20;

    /** @var array<int, int> triangles in leaf order */
    private array $order;

    /** @var array<int, float> boxes by node, least and greatest x, y, z */
    private array $lx = [];

    /** @var array<int, float> */
    private array $ly = [];

    /** @var array<int, float> */
    private array $lz = [];

    /** @var array<int, float> */
    private array $hx = [];

    /** @var array<int, float> */
    private array $hy = [];

    /** @var array<int, float> */
    private array $hz = [];

    /** @var array<int, int> first triangle of a leaf; the left child of an inner node is the next node */
    private array $first = [];

    /** @var array<int, int> number of triangles of a leaf; 0 for an inner node */
    private array $count = [];

    /** @var array<int, int> right child of an inner node */
    private array $right = [];

    /** @var array<int, float> nine numbers a triangle: corner a, sides b - a and c - a */
    private array $sides = [];

    /** @var array<int, float> four numbers a triangle: unit normal and offset of its plane */
    private array $plane = [];

    /**
     * @param Budget $budget spent by building it and by every box and leaf that is looked at later
     *
     * @throws OverBudget
     */
    public function __construct(Solid $solid, private readonly Budget $budget = new Budget())
    {
        if ($solid->facet === []) {
            $this->order = [];

            return;
        }
        [$of, $box] = TriangleBoxes::of($solid);
        $this->budget->spend(self::BUILT * count($box));
        $centre = [];
        foreach ($box as $i => $b) {
            $centre[0][$i] = $b[0] + $b[3];
            $centre[1][$i] = $b[1] + $b[4];
            $centre[2][$i] = $b[2] + $b[5];
        }
        $this->order = array_keys($box);
        $this->split(0, count($this->order), $box, $centre);
        $this->order = array_map(static fn(int $i): int => $of[$i], $this->order);
        foreach ($this->order as $t) {
            [$a, $b, $c] = [$solid->start[3 * $t], $solid->start[3 * $t + 1], $solid->start[3 * $t + 2]];
            array_push(
                $this->sides,
                $solid->x[$a],
                $solid->y[$a],
                $solid->z[$a],
                $solid->x[$b] - $solid->x[$a],
                $solid->y[$b] - $solid->y[$a],
                $solid->z[$b] - $solid->z[$a],
                $solid->x[$c] - $solid->x[$a],
                $solid->y[$c] - $solid->y[$a],
                $solid->z[$c] - $solid->z[$a],
            );
            $f = $solid->facet[$t];
            array_push($this->plane, $solid->nx[$f], $solid->ny[$f], $solid->nz[$f], $solid->offset[$f]);
        }
    }

    /**
     * @param array<int, array{float,float,float,float,float,float}> $box
     * @param array<int, array<int, float>> $centre by axis and box
     */
    private function split(int $from, int $count, array $box, array $centre): void
    {
        $lx = $ly = $lz = INF;
        $hx = $hy = $hz = -INF;
        for ($i = $from; $i < $from + $count; $i++) {
            [$a, $b, $c, $d, $e, $f] = $box[$this->order[$i]];
            $lx = $a < $lx ? $a : $lx;
            $ly = $b < $ly ? $b : $ly;
            $lz = $c < $lz ? $c : $lz;
            $hx = $d > $hx ? $d : $hx;
            $hy = $e > $hy ? $e : $hy;
            $hz = $f > $hz ? $f : $hz;
        }
        $id = count($this->lx);
        $this->lx[] = $lx;
        $this->ly[] = $ly;
        $this->lz[] = $lz;
        $this->hx[] = $hx;
        $this->hy[] = $hy;
        $this->hz[] = $hz;
        $this->first[] = $from;
        $this->count[] = $count <= self::LEAF ? $count : 0;
        $this->right[] = -1;
        if ($count <= self::LEAF) {
            return;
        }
        $axis = $hy - $ly > $hx - $lx ? ($hz - $lz > $hy - $ly ? 2 : 1) : ($hz - $lz > $hx - $lx ? 2 : 0);
        $half = intdiv($count, 2);
        $keys = [];
        $middles = $centre[$axis];
        for ($i = $from; $i < $from + $count; $i++) {
            $keys[$this->order[$i]] = $middles[$this->order[$i]];
        }
        asort($keys);
        $i = $from;
        foreach ($keys as $b => $_) {
            $this->order[$i++] = $b;
        }
        $this->split($from, $half, $box, $centre);
        $this->right[$id] = count($this->lx);
        $this->split($from + $half, $count - $half, $box, $centre);
    }

    /**
     * First crossing of the ray p + s d, s in (near, far), with a triangle that $accept takes.
     *
     * @param array{float,float,float} $p
     * @param array{float,float,float} $d
     * @param (callable(int): bool)|null $accept
     * @return array{float,int}|null s and triangle (Moeller and Trumbore, J. Graphics Tools 2(1), 1997)
     *
     * @throws OverBudget
     */
    public function firstHit(array $p, array $d, float $near, float $far, ?callable $accept = null): ?array
    {
        if ($this->order === []) {
            return null;
        }
        [$px, $py, $pz] = $p;
        [$dx, $dy, $dz] = $d;
        $ix = abs($dx) < 1e-300 ? 1e300 : 1 / $dx;
        $iy = abs($dy) < 1e-300 ? 1e300 : 1 / $dy;
        $iz = abs($dz) < 1e-300 ? 1e300 : 1 / $dz;
        // the box sides met first and last, by the signs of the direction
        $nx = $ix >= 0 ? $this->lx : $this->hx;
        $fx = $ix >= 0 ? $this->hx : $this->lx;
        $ny = $iy >= 0 ? $this->ly : $this->hy;
        $fy = $iy >= 0 ? $this->hy : $this->ly;
        $nz = $iz >= 0 ? $this->lz : $this->hz;
        $fz = $iz >= 0 ? $this->hz : $this->lz;
        $sx = $ix >= 0 ? 1e-9 : -1e-9;
        $sy = $iy >= 0 ? 1e-9 : -1e-9;
        $sz = $iz >= 0 ? 1e-9 : -1e-9;
        $sides = $this->sides;
        $counts = $this->count;
        $best = null;
        $stack = [0];
        $top = 1;
        $seen = 0;
        while ($top > 0) {
            $n = $stack[--$top];
            $seen++;
            $t0 = ($nx[$n] - $sx - $px) * $ix;
            $a = ($ny[$n] - $sy - $py) * $iy;
            $t0 = $a > $t0 ? $a : $t0;
            $a = ($nz[$n] - $sz - $pz) * $iz;
            $t0 = $a > $t0 ? $a : $t0;
            if ($t0 > $far) {
                continue;
            }
            $t1 = ($fx[$n] + $sx - $px) * $ix;
            $a = ($fy[$n] + $sy - $py) * $iy;
            $t1 = $a < $t1 ? $a : $t1;
            $a = ($fz[$n] + $sz - $pz) * $iz;
            $t1 = $a < $t1 ? $a : $t1;
            if ($t1 < $near || $t0 > $t1) {
                continue;
            }
            $count = $counts[$n];
            if ($count === 0) {
                $stack[$top++] = $this->right[$n];
                $stack[$top++] = $n + 1;

                continue;
            }
            for ($i = $this->first[$n], $end = $i + $count, $k = 9 * $i; $i < $end; $i++, $k += 9) {
                $ux = $sides[$k + 3];
                $uy = $sides[$k + 4];
                $uz = $sides[$k + 5];
                $wx = $sides[$k + 6];
                $wy = $sides[$k + 7];
                $wz = $sides[$k + 8];
                $cx = $dy * $wz - $dz * $wy;
                $cy = $dz * $wx - $dx * $wz;
                $cz = $dx * $wy - $dy * $wx;
                $det = $ux * $cx + $uy * $cy + $uz * $cz;
                if ($det < 1e-14 && $det > -1e-14) {
                    continue;
                }
                $ox = $px - $sides[$k];
                $oy = $py - $sides[$k + 1];
                $oz = $pz - $sides[$k + 2];
                $u = ($ox * $cx + $oy * $cy + $oz * $cz) / $det;
                if ($u < -1e-9 || $u > 1.000000001) {
                    continue;
                }
                $qx = $oy * $uz - $oz * $uy;
                $qy = $oz * $ux - $ox * $uz;
                $qz = $ox * $uy - $oy * $ux;
                $v = ($dx * $qx + $dy * $qy + $dz * $qz) / $det;
                if ($v < -1e-9 || $u + $v > 1.000000001) {
                    continue;
                }
                $at = ($wx * $qx + $wy * $qy + $wz * $qz) / $det;
                if ($at > $near && $at < $far && ($accept === null || $accept($this->order[$i]))) {
                    $far = $at;
                    $best = [$at, $this->order[$i]];
                }
            }
        }
        $this->budget->spend(1 + intdiv($seen, self::A_UNIT));

        return $best;
    }

    /**
     * The triangle nearest to p and its distance; no triangle when none is nearer than $atMost.
     *
     * @param array{float,float,float} $p
     * @return array{float, int|null}
     *
     * @throws OverBudget
     */
    public function nearest(array $p, float $atMost = INF): array
    {
        $best = $atMost * $atMost;
        $which = null;
        $plane = $this->plane;
        $counts = $this->count;
        $rights = $this->right;
        [$lx, $ly, $lz, $hx, $hy, $hz] = [$this->lx, $this->ly, $this->lz, $this->hx, $this->hy, $this->hz];
        [$px, $py, $pz] = $p;
        $stack = [0];
        $aways = [0.0];
        $top = $this->order === [] ? 0 : 1;
        $seen = 0;
        while ($top > 0) {
            $seen++;
            if ($aways[--$top] >= $best) {
                continue;
            }
            $n = $stack[$top];
            $count = $counts[$n];
            if ($count === 0) {
                $l = $n + 1;
                $r = $rights[$n];
                $a = $px < $lx[$l] ? $lx[$l] - $px : ($px > $hx[$l] ? $px - $hx[$l] : 0.0);
                $b = $py < $ly[$l] ? $ly[$l] - $py : ($py > $hy[$l] ? $py - $hy[$l] : 0.0);
                $c = $pz < $lz[$l] ? $lz[$l] - $pz : ($pz > $hz[$l] ? $pz - $hz[$l] : 0.0);
                $toL = $a * $a + $b * $b + $c * $c;
                $a = $px < $lx[$r] ? $lx[$r] - $px : ($px > $hx[$r] ? $px - $hx[$r] : 0.0);
                $b = $py < $ly[$r] ? $ly[$r] - $py : ($py > $hy[$r] ? $py - $hy[$r] : 0.0);
                $c = $pz < $lz[$r] ? $lz[$r] - $pz : ($pz > $hz[$r] ? $pz - $hz[$r] : 0.0);
                $toR = $a * $a + $b * $b + $c * $c;
                // the nearer child last, so that it is looked at first
                if ($toL > $toR) {
                    [$l, $r, $toL, $toR] = [$r, $l, $toR, $toL];
                }
                if ($toR < $best) {
                    $stack[$top] = $r;
                    $aways[$top++] = $toR;
                }
                if ($toL < $best) {
                    $stack[$top] = $l;
                    $aways[$top++] = $toL;
                }

                continue;
            }
            for ($i = $this->first[$n], $end = $i + $count; $i < $end; $i++) {
                $off = $plane[4 * $i] * $px + $plane[4 * $i + 1] * $py + $plane[4 * $i + 2] * $pz - $plane[4 * $i + 3];
                if ($off * $off >= $best) {
                    continue;
                }
                $d = $this->toTriangle($px, $py, $pz, 9 * $i);
                if ($d < $best) {
                    $best = $d;
                    $which = $this->order[$i];
                    if ($d < self::ON) {
                        break 2;
                    }
                }
            }
        }

        $this->budget->spend(1 + intdiv($seen, self::A_UNIT));

        return [sqrt($best), $which];
    }

    /** Squared distance (C. Ericson, "Real-Time Collision Detection", 2005, 5.1.5) to the triangle at $k in the sides. */
    private function toTriangle(float $px, float $py, float $pz, int $k): float
    {
        $s = $this->sides;
        [$ux, $uy, $uz, $wx, $wy, $wz] = [$s[$k + 3], $s[$k + 4], $s[$k + 5], $s[$k + 6], $s[$k + 7], $s[$k + 8]];
        $ax = $px - $s[$k];
        $ay = $py - $s[$k + 1];
        $az = $pz - $s[$k + 2];
        $d1 = $ux * $ax + $uy * $ay + $uz * $az;
        $d2 = $wx * $ax + $wy * $ay + $wz * $az;
        $bb = $ux * $ux + $uy * $uy + $uz * $uz;
        $cc = $wx * $wx + $wy * $wy + $wz * $wz;
        $bc = $ux * $wx + $uy * $wy + $uz * $wz;
        $det = $bb * $cc - $bc * $bc;
        if ($det > 0) {
            $v = ($cc * $d1 - $bc * $d2) / $det;
            $w = ($bb * $d2 - $bc * $d1) / $det;
            if ($v >= 0 && $w >= 0 && $v + $w <= 1) {
                return ($ax - $v * $ux - $w * $wx) ** 2 + ($ay - $v * $uy - $w * $wy) ** 2 + ($az - $v * $uz - $w * $wz) ** 2;
            }
        }
        // nearest point lies on one of the sides
        $t = $bb > 0 ? max(0.0, min(1.0, $d1 / $bb)) : 0.0;
        $best = ($ax - $t * $ux) ** 2 + ($ay - $t * $uy) ** 2 + ($az - $t * $uz) ** 2;
        $t = $cc > 0 ? max(0.0, min(1.0, $d2 / $cc)) : 0.0;
        $best = min($best, ($ax - $t * $wx) ** 2 + ($ay - $t * $wy) ** 2 + ($az - $t * $wz) ** 2);
        [$ex, $ey, $ez, $bx, $by, $bz] = [$wx - $ux, $wy - $uy, $wz - $uz, $ax - $ux, $ay - $uy, $az - $uz];
        $ee = $ex * $ex + $ey * $ey + $ez * $ez;
        $t = $ee > 0 ? max(0.0, min(1.0, ($ex * $bx + $ey * $by + $ez * $bz) / $ee)) : 0.0;

        return min($best, ($bx - $t * $ex) ** 2 + ($by - $t * $ey) ** 2 + ($bz - $t * $ez) ** 2);
    }
}
