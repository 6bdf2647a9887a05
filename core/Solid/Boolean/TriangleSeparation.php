<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

/** Whether two triangles certainly lie apart; what cannot be told for sure counts as crossing. */
final class TriangleSeparation
{
    /** Square of the sine of the angle between two planes below which their line is not well known. */
    private const PARALLEL = 1e-4;

    /** Stretches on that line must lie apart by so many times the margin. */
    private const FAR = 100;

    /** Share of the margin by which the third corner may lie outside a side of its own triangle. */
    private const INVERTED = 0.1;

    /** @var array<int, array<int, float>> planes through a triangle's edges, four numbers each, by triangle; those needed so far */
    public array $pEdges = [];

    /** @var array<int, array<int, float>> */
    public array $qEdges = [];

    /** @param float $margin mm: how far beyond a plane a triangle must lie */
    public function __construct(private readonly OperandPair $pair, private readonly float $margin) {}

    /**
     * Whether two triangles certainly do not cross: one lies beyond the other's plane, or the stretches in which they
     * meet the line of both planes lie apart (T. Moeller, "A Fast Triangle-Triangle Intersection Test", Journal of
     * Graphics Tools 2(2), 1997), or one lies beyond a plane through the other's edge.
     */
    public function holds(int $f, int $g): bool
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
        // only where no corner lies near the other's plane are the stretches known well
        if (
            abs($a0) > $margin &&
            abs($a1) > $margin &&
            abs($a2) > $margin &&
            abs($b0) > $margin &&
            abs($b1) > $margin &&
            abs($b2) > $margin
        ) {
            $dx = $ny * $gz - $nz * $gy;
            $dy = $nz * $gx - $nx * $gz;
            $dz = $nx * $gy - $ny * $gx;
            if ($dx * $dx + $dy * $dy + $dz * $dz > self::PARALLEL) {
                [$r0, $r1] = self::stretch(
                    $dx * $x[$a] + $dy * $y[$a] + $dz * $z[$a],
                    $dx * $x[$b] + $dy * $y[$b] + $dz * $z[$b],
                    $dx * $x[$c] + $dy * $y[$c] + $dz * $z[$c],
                    $a0,
                    $a1,
                    $a2,
                );
                [$s0, $s1] = self::stretch(
                    $dx * $qx[$u] + $dy * $qy[$u] + $dz * $qz[$u],
                    $dx * $qx[$v] + $dy * $qy[$v] + $dz * $qz[$v],
                    $dx * $qx[$w] + $dy * $qy[$w] + $dz * $qz[$w],
                    $b0,
                    $b1,
                    $b2,
                );
                $reach = self::FAR * $margin;
                if (min($r0, $r1) > max($s0, $s1) + $reach || max($r0, $r1) < min($s0, $s1) - $reach) {
                    return true;
                }
            }
        }
        if (self::outside($qx, $qy, $qz, $u, $v, $w, $this->edgesOfP($f))) {
            return true;
        }
        $this->qEdges[$g] ??= $this->planes($qx, $qy, $qz, $m->qStart, 3 * $g, $m->qFacet[$g]);

        return self::outside($x, $y, $z, $a, $b, $c, $this->qEdges[$g]);
    }

    /**
     * Where two sides of a triangle pass through the other's plane, as places along the line of both planes.
     *
     * @param float $a place of the first corner along the line, $b and $c of the others
     * @param float $ha its height over the other's plane, $hb and $hc of the others
     * @return array{float,float} the corner alone on its side of the plane comes first
     */
    private static function stretch(float $a, float $b, float $c, float $ha, float $hb, float $hc): array
    {
        if ($hb > 0 === $hc > 0) {
            return [$a + ($b - $a) * self::share($ha, $hb), $a + ($c - $a) * self::share($ha, $hc)];
        }
        if ($ha > 0 === $hc > 0) {
            return [$b + ($a - $b) * self::share($hb, $ha), $b + ($c - $b) * self::share($hb, $hc)];
        }

        return [$c + ($a - $c) * self::share($hc, $ha), $c + ($b - $c) * self::share($hc, $hb)];
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
            if (
                $u * $x[$a] + $v * $y[$a] + $w * $z[$a] > $d &&
                $u * $x[$b] + $v * $y[$b] + $w * $z[$b] > $d &&
                $u * $x[$c] + $v * $y[$c] + $w * $z[$c] > $d
            ) {
                return true;
            }
        }

        return false;
    }

    /** @return array<int, float> planes through the edges of a triangle of P */
    public function edgesOfP(int $t): array
    {
        $m = $this->pair;

        return $this->pEdges[$t] ??= $this->planes($m->px, $m->py, $m->pz, $m->pStart, 3 * $t, $m->pFacet[$t]);
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
    private function planes(array $x, array $y, array $z, array $start, int $h, int $facet): array
    {
        $nx = $this->pair->fx[$facet];
        $ny = $this->pair->fy[$facet];
        $nz = $this->pair->fz[$facet];
        $out = [];
        for ($k = 0; $k < 3; $k++) {
            $a = $start[$h + $k];
            $b = $start[$h + (($k + 1) % 3)];
            $c = $start[$h + (($k + 2) % 3)];
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
            if ($ux * $x[$c] + $uy * $y[$c] + $uz * $z[$c] > $d + self::INVERTED * $this->margin) {
                continue; // inverted sliver: its planes would lie
            }
            $out[] = $ux;
            $out[] = $uy;
            $out[] = $uz;
            $out[] = $d + $this->margin;
        }

        return $out;
    }
}
