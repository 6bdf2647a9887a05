<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * Volume (mm3), area (mm2) and centroid (mm) of a solid over its true surfaces.
 *
 * The flat triangles are integrated exactly (divergence theorem; B. Mirtich, "Fast and Accurate Computation of
 * Polyhedral Mass Properties", J. Graphics Tools 1(2), 1996, for the idea). To that comes, per curved triangle, the
 * lens between facet and true surface along radial columns (7-point rule of degree 5; A. Stroud, "Approximate
 * Calculation of Multiple Integrals", 1971, T2: 5-1), and, per crease of a curved facet, the wedge between the radial
 * wall over the chord and the true curve where the two surfaces meet (3-point Gauss along the edge).
 */
final class MassProperties
{
    public readonly float $volume;

    public readonly float $area;

    /** @var array{float,float,float} */
    public readonly array $centroid;

    private float $v = 0.0;

    private float $a = 0.0;

    /** @var array{float,float,float} first moment of volume */
    private array $m = [0.0, 0.0, 0.0];

    public function __construct(private readonly Solid $solid)
    {
        if ($solid->isEmpty()) {
            $this->volume = $this->area = 0.0;
            $this->centroid = [0.0, 0.0, 0.0];

            return;
        }
        $this->flat();
        foreach ($solid->facet as $t => $f) {
            $s = $solid->surfaces[$solid->surfaceOf[$f]];
            if (! $s->isFlat()) {
                $this->lens($t, $s);
            }
        }
        $this->wedges();
        $this->volume = $this->v;
        $this->area = $this->a;
        $this->centroid = $this->v == 0.0 ? [0.0, 0.0, 0.0] : [$this->m[0] / $this->v, $this->m[1] / $this->v, $this->m[2] / $this->v];
    }

    private function flat(): void
    {
        $s = $this->solid;
        $x = $s->x;
        $y = $s->y;
        $z = $s->z;
        // about the first vertex, so that parts far from the origin lose no digits
        $ox = $x[0];
        $oy = $y[0];
        $oz = $z[0];
        $flat = array_map(static fn (Surface $u): bool => $u->isFlat(), $s->surfaces);
        $v = $mx = $my = $mz = $area = 0.0;
        for ($h = 0, $n = count($s->start); $h < $n; $h += 3) {
            $a = $s->start[$h];
            $b = $s->start[$h + 1];
            $c = $s->start[$h + 2];
            $ax = $x[$a] - $ox;
            $ay = $y[$a] - $oy;
            $az = $z[$a] - $oz;
            $bx = $x[$b] - $ox;
            $by = $y[$b] - $oy;
            $bz = $z[$b] - $oz;
            $cx = $x[$c] - $ox;
            $cy = $y[$c] - $oy;
            $cz = $z[$c] - $oz;
            $six = $ax * ($by * $cz - $bz * $cy) + $ay * ($bz * $cx - $bx * $cz) + $az * ($bx * $cy - $by * $cx);
            $v += $six;
            $mx += $six * ($ax + $bx + $cx);
            $my += $six * ($ay + $by + $cy);
            $mz += $six * ($az + $bz + $cz);
            if ($flat[$s->surfaceOf[$s->facet[intdiv($h, 3)]]]) {
                $ux = $bx - $ax;
                $uy = $by - $ay;
                $uz = $bz - $az;
                $wx = $cx - $ax;
                $wy = $cy - $ay;
                $wz = $cz - $az;
                $area += sqrt(($uy * $wz - $uz * $wy) ** 2 + ($uz * $wx - $ux * $wz) ** 2 + ($ux * $wy - $uy * $wx) ** 2) / 2;
            }
        }
        $this->v = $v / 6;
        $this->a = $area;
        $this->m = [$mx / 24 + $this->v * $ox, $my / 24 + $this->v * $oy, $mz / 24 + $this->v * $oz];
    }

    /** @return list<array{float,float,float}> barycentric u, v and weight of the 7-point rule */
    private static function rule(): array
    {
        static $rule = null;
        if ($rule !== null) {
            return $rule;
        }
        $q = sqrt(15.0);
        $a = (6 - $q) / 21;
        $b = (6 + $q) / 21;
        $wa = (155 - $q) / 1200;
        $wb = (155 + $q) / 1200;

        return $rule = [[1 / 3, 1 / 3, 9 / 40], [$a, $a, $wa], [1 - 2 * $a, $a, $wa], [$a, 1 - 2 * $a, $wa], [$b, $b, $wb], [1 - 2 * $b, $b, $wb], [$b, 1 - 2 * $b, $wb]];
    }

    /**
     * Collapsed 6 x 6 Gauss-Legendre rule with the collapse at the first corner: near the apex of a cone the lens is
     * homogeneous in the distance from it, but no polynomial across the triangle.
     *
     * @return list<array{float,float,float}>
     */
    private static function coneRule(): array
    {
        static $rule = null;
        if ($rule === null) {
            $rule = [];
            $points = [[0.2386191860831969, 0.4679139345726910], [0.6612093864662645, 0.3607615730481386], [0.9324695142031521, 0.1713244923791704]];
            $line = [];
            foreach ($points as [$at, $w]) {
                $line[] = [(1 - $at) / 2, $w / 2];
                $line[] = [(1 + $at) / 2, $w / 2];
            }
            foreach ($line as [$r, $wr]) {
                foreach ($line as [$q, $wq]) {
                    $rule[] = [$r * (1 - $q), $r * $q, 2 * $r * $wr * $wq];
                }
            }
        }

        return $rule;
    }

    private function lens(int $t, Surface $s): void
    {
        $m = $this->solid;
        [$i, $j, $k] = [$m->start[3 * $t], $m->start[3 * $t + 1], $m->start[3 * $t + 2]];
        $rule = self::rule();
        if ($s->kind === SurfaceKind::Cone) {
            $rule = self::coneRule();
            $width = fn (int $v): float => abs($s->radius + $s->slope * (($m->x[$v] - $s->point[0]) * $s->axis[0] + ($m->y[$v] - $s->point[1]) * $s->axis[1] + ($m->z[$v] - $s->point[2]) * $s->axis[2]));
            if ($width($j) < $width($i) && $width($j) <= $width($k)) {
                [$i, $j, $k] = [$j, $k, $i];
            } elseif ($width($k) < $width($i)) {
                [$i, $j, $k] = [$k, $i, $j];
            }
        }
        $ux = $m->x[$j] - $m->x[$i];
        $uy = $m->y[$j] - $m->y[$i];
        $uz = $m->z[$j] - $m->z[$i];
        $wx = $m->x[$k] - $m->x[$i];
        $wy = $m->y[$k] - $m->y[$i];
        $wz = $m->z[$k] - $m->z[$i];
        $nx = ($uy * $wz - $uz * $wy) / 2;
        $ny = ($uz * $wx - $ux * $wz) / 2;
        $nz = ($ux * $wy - $uy * $wx) / 2;
        [$cx, $cy, $cz] = $s->point;
        [$ax, $ay, $az] = $s->axis;
        $ball = $s->kind === SurfaceKind::Sphere;
        $slant = sqrt(1 + $s->slope ** 2);
        $x0 = $m->x[$i] - $cx;
        $y0 = $m->y[$i] - $cy;
        $z0 = $m->z[$i] - $cz;
        $sumV = $sumA = $sumX = $sumY = $sumZ = 0.0;
        foreach ($rule as [$u, $v, $weight]) {
            $px = $x0 + $u * $ux + $v * $wx;
            $py = $y0 + $u * $uy + $v * $wy;
            $pz = $z0 + $u * $uz + $v * $wz;
            $h = 0.0;
            if (! $ball) {
                $h = $px * $ax + $py * $ay + $pz * $az;
                $px -= $h * $ax;
                $py -= $h * $ay;
                $pz -= $h * $az;
            }
            $rho2 = $px * $px + $py * $py + $pz * $pz;
            $rho = sqrt($rho2);
            if ($rho < 1e-12) {
                continue; // the apex of a cone
            }
            // share of the triangle seen along the radius, times the rule's weight
            $seen = $weight * ($nx * $px + $ny * $py + $nz * $pz) / $rho;
            $r = $s->radius + $s->slope * $h;
            if ($ball) {
                $volume = ($r * $r * $r - $rho2 * $rho) / 3 * $seen / $rho2;
                $reach = ($r * $r * $r * $r - $rho2 * $rho2) / 4 * $seen / $rho2;
                $sumA += abs($r * $r / $rho2 * $seen);
            } else {
                $volume = ($r * $r - $rho2) / 2 * $seen / $rho;
                $reach = ($r * $r * $r - $rho2 * $rho) / 3 * $seen / $rho;
                $sumA += abs($r * $slant / $rho * $seen);
            }
            $sumV += $volume;
            $sumX += $volume * ($cx + $h * $ax) + $reach * $px / $rho;
            $sumY += $volume * ($cy + $h * $ay) + $reach * $py / $rho;
            $sumZ += $volume * ($cz + $h * $az) + $reach * $pz / $rho;
        }
        $this->v += $sumV;
        $this->a += $sumA;
        $this->m[0] += $sumX;
        $this->m[1] += $sumY;
        $this->m[2] += $sumZ;
    }

    private function wedges(): void
    {
        $m = $this->solid;
        $gauss = [[0.5 - sqrt(0.15), 5 / 18], [0.5, 8 / 18], [0.5 + sqrt(0.15), 5 / 18]];
        foreach ($m->twin as $h => $o) {
            // both sides of an edge share the true curve: it is found once
            if ($o < $h) {
                continue;
            }
            $fa = $m->facet[intdiv($h, 3)];
            $fb = $m->facet[intdiv($o, 3)];
            if ($m->surfaceOf[$fa] === $m->surfaceOf[$fb]) {
                continue;
            }
            $sa = $m->surfaces[$m->surfaceOf[$fa]];
            $sb = $m->surfaces[$m->surfaceOf[$fb]];
            if ($sa->isFlat() && $sb->isFlat()) {
                continue;
            }
            $a = $m->start[$h];
            $b = $m->start[$o];
            $t = [$m->x[$b] - $m->x[$a], $m->y[$b] - $m->y[$a], $m->z[$b] - $m->z[$a]];
            $l = sqrt($t[0] * $t[0] + $t[1] * $t[1] + $t[2] * $t[2]);
            if ($l < 1e-12) {
                continue;
            }
            $t = [$t[0] / $l, $t[1] / $l, $t[2] / $l];
            $e1 = [$m->nx[$fa], $m->ny[$fa], $m->nz[$fa]];
            $e2 = [$t[1] * $e1[2] - $t[2] * $e1[1], $t[2] * $e1[0] - $t[0] * $e1[2], $t[0] * $e1[1] - $t[1] * $e1[0]];
            foreach ($gauss as [$u, $weight]) {
                $p = [$m->x[$a] + $u * $l * $t[0], $m->y[$a] + $u * $l * $t[1], $m->z[$a] + $u * $l * $t[2]];
                $onBoth = SurfaceEquation::meet($m, $sa, $fa, $sb, $fb, $p, $e1, $e2);
                if ($onBoth !== null) {
                    $q = [$onBoth[0] - $p[0], $onBoth[1] - $p[1], $onBoth[2] - $p[2]];
                    $this->wedge($sa, $fa, $p, $q, $t, $weight * $l);
                    $this->wedge($sb, $fb, $p, $q, [-$t[0], -$t[1], -$t[2]], $weight * $l);
                }
            }
        }
    }

    /**
     * One side's share at a spot of an edge.
     *
     * @param array{float,float,float} $p on the chord
     * @param array{float,float,float} $q from there to the true curve
     * @param array{float,float,float} $t direction of the edge as this side's facet runs along it
     */
    private function wedge(Surface $s, int $f, array $p, array $q, array $t, float $length): void
    {
        $m = $this->solid;
        $n = [$m->nx[$f], $m->ny[$f], $m->nz[$f]];
        $r = [0.0, 0.0, 0.0];
        if (! $s->isFlat()) {
            $onOwn = SurfaceEquation::project($s, $p);
            $r = [$onOwn[0] - $p[0], $onOwn[1] - $p[1], $onOwn[2] - $p[2]];
            $n = SurfaceEquation::outward($s, $p, $n);
            $wedge = $length * 0.5 * (($r[1] * $q[2] - $r[2] * $q[1]) * $t[0] + ($r[2] * $q[0] - $r[0] * $q[2]) * $t[1] + ($r[0] * $q[1] - $r[1] * $q[0]) * $t[2]);
            $this->v += $wedge;
            for ($c = 0; $c < 3; $c++) {
                $this->m[$c] += $wedge * ($p[$c] + ($q[$c] + $r[$c]) / 3);
            }
        }
        // the strip of surface between the projected chord and the true curve, outside to the right of the edge
        $this->a += $length * (($q[0] - $r[0]) * ($t[1] * $n[2] - $t[2] * $n[1]) + ($q[1] - $r[1]) * ($t[2] * $n[0] - $t[0] * $n[2]) + ($q[2] - $r[2]) * ($t[0] * $n[1] - $t[1] * $n[0]));
    }
}
