<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\GridPatch;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;
use Cubo\Solid\SurfaceMeeting;

/**
 * Volume (mm3), area (mm2), centroid (mm) and moments of inertia (mm5) of a solid over its true surfaces.
 *
 * The flat triangles are integrated exactly (divergence theorem; B. Mirtich, "Fast and Accurate Computation of
 * Polyhedral Mass Properties", J. Graphics Tools 1(2), 1996, for the idea). To that comes, per curved triangle, the
 * lens between facet and true surface along columns normal to it, on cones to the axis (7-point rule of degree 5; A. Stroud, "Approximate
 * Calculation of Multiple Integrals", 1971, T2: 5-1), and, per crease of a curved facet, the wedge between the radial
 * wall over the chord and the true curve where the two surfaces meet (3-point Gauss along the edge).
 */
final class MassProperties
{
    /** Places of the two points of Gauss and Legendre between 0 and 1: (1 ∓ 1/√3) / 2, each of weight 1/2. */
    private const GAUSS = [0.21132486540518713, 0.7886751345948129];

    /** Cones are integrated finely where their least width falls below this share of the greatest. */
    private const SMOOTH = 0.65;

    /** Units for a curved facet with its edges, and for one of a free surface. */
    private const ROUND = 20;

    private const FREE = 400;

    public readonly float $volume;

    public readonly float $area;

    /** @var array{float,float,float} */
    public readonly array $centroid;

    private float $v = 0.0;

    private float $a = 0.0;

    private readonly LensColumn $column;

    // first and second moments of volume about the first vertex; numbers of their own, they are added to for every column
    private float $mx = 0.0;

    private float $my = 0.0;

    private float $mz = 0.0;

    private float $ixx = 0.0;

    private float $iyy = 0.0;

    private float $izz = 0.0;

    private float $ixy = 0.0;

    private float $iyz = 0.0;

    private float $izx = 0.0;

    /** @var array{float,float,float} the first vertex: parts far from the origin lose no digits */
    private array $o = [0.0, 0.0, 0.0];

    /** @var array<int, array<int, array{float, float}|null>> parameters of free surfaces, by surface and vertex */
    private array $spot = [];

    /** @throws OverBudget */
    public function __construct(private readonly Solid $solid, Budget $budget = new Budget())
    {
        $this->column = new LensColumn();
        if ($solid->isEmpty()) {
            $this->volume = $this->area = 0.0;
            $this->centroid = [0.0, 0.0, 0.0];

            return;
        }
        $this->o = [$solid->x[0], $solid->y[0], $solid->z[0]];
        $this->flat();
        $budget->spend($solid->triangleCount());
        foreach ($solid->facet as $t => $f) {
            $s = $solid->surfaces[$solid->surfaceOf[$f]];
            if (!$s->isFlat()) {
                $budget->spend($s->patch === null ? self::ROUND : self::FREE);
                $this->lens($t, $s);
            }
        }
        $this->wedges();
        $this->volume = $this->v;
        $this->area = $this->a;
        $this->centroid =
            $this->v == 0.0
                ? [0.0, 0.0, 0.0]
                : [$this->o[0] + $this->mx / $this->v, $this->o[1] + $this->my / $this->v, $this->o[2] + $this->mz / $this->v];
    }

    /** Mass in kg for a density in kg/m3. */
    public function mass(float $density): float
    {
        return $this->volume * 1e-9 * $density;
    }

    /** Moments of inertia about the centroid, for a density of 1 (mm5). */
    public function inertia(): Inertia
    {
        if ($this->v == 0.0) {
            return new Inertia([0.0, 0.0, 0.0, 0.0, 0.0, 0.0]);
        }
        [$mx, $my, $mz] = [$this->mx, $this->my, $this->mz];
        $v = $this->v;
        [$xx, $yy, $zz, $xy, $yz, $zx] = [$this->ixx, $this->iyy, $this->izz, $this->ixy, $this->iyz, $this->izx];
        $xx -= ($mx * $mx) / $v;
        $yy -= ($my * $my) / $v;
        $zz -= ($mz * $mz) / $v;

        return new Inertia([$yy + $zz, $zz + $xx, $xx + $yy, ($mx * $my) / $v - $xy, ($my * $mz) / $v - $yz, ($mz * $mx) / $v - $zx]);
    }

    private function flat(): void
    {
        $s = $this->solid;
        $x = $s->x;
        $y = $s->y;
        $z = $s->z;
        [$ox, $oy, $oz] = $this->o;
        $flat = array_map(static fn(Surface $u): bool => $u->isFlat(), $s->surfaces);
        $v = $mx = $my = $mz = $area = 0.0;
        $ixx = $iyy = $izz = $ixy = $iyz = $izx = 0.0;
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
            $sx = $ax + $bx + $cx;
            $sy = $ay + $by + $cy;
            $sz = $az + $bz + $cz;
            $mx += $six * $sx;
            $my += $six * $sy;
            $mz += $six * $sz;
            $ixx += $six * ($ax * $ax + $bx * $bx + $cx * $cx + $sx * $sx);
            $iyy += $six * ($ay * $ay + $by * $by + $cy * $cy + $sy * $sy);
            $izz += $six * ($az * $az + $bz * $bz + $cz * $cz + $sz * $sz);
            $ixy += $six * ($ax * $ay + $bx * $by + $cx * $cy + $sx * $sy);
            $iyz += $six * ($ay * $az + $by * $bz + $cy * $cz + $sy * $sz);
            $izx += $six * ($az * $ax + $bz * $bx + $cz * $cx + $sz * $sx);
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
        [$this->mx, $this->my, $this->mz] = [$mx / 24, $my / 24, $mz / 24];
        [$this->ixx, $this->iyy, $this->izz, $this->ixy, $this->iyz, $this->izx] = [
            $ixx / 120,
            $iyy / 120,
            $izz / 120,
            $ixy / 120,
            $iyz / 120,
            $izx / 120,
        ];
    }

    /** A little volume at a spot: adds to all moments. */
    private function add(float $volume, float $x, float $y, float $z): void
    {
        $x -= $this->o[0];
        $y -= $this->o[1];
        $z -= $this->o[2];
        $this->v += $volume;
        $this->mx += $volume * $x;
        $this->my += $volume * $y;
        $this->mz += $volume * $z;
        $this->ixx += $volume * $x * $x;
        $this->iyy += $volume * $y * $y;
        $this->izz += $volume * $z * $z;
        $this->ixy += $volume * $x * $y;
        $this->iyz += $volume * $y * $z;
        $this->izx += $volume * $z * $x;
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

        return $rule = [
            [1 / 3, 1 / 3, 9 / 40],
            [$a, $a, $wa],
            [1 - 2 * $a, $a, $wa],
            [$a, 1 - 2 * $a, $wa],
            [$b, $b, $wb],
            [1 - 2 * $b, $b, $wb],
            [$b, 1 - 2 * $b, $wb],
        ];
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
            $points = [
                [0.2386191860831969, 0.467913934572691],
                [0.6612093864662645, 0.3607615730481386],
                [0.9324695142031521, 0.1713244923791704],
            ];
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

    /** What lies between a triangle and the true surface it stands for, in columns from the rule's points. */
    private function lens(int $t, Surface $s): void
    {
        $m = $this->solid;
        [[$i, $j, $k], $rule] = $this->ruled([$m->start[3 * $t], $m->start[3 * $t + 1], $m->start[3 * $t + 2]], $s);
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
        $patch = $s->kind === SurfaceKind::Patch ? $s->patch : null;
        $spots = $patch instanceof GridPatch ? $this->spots($patch, $m->surfaceOf[$m->facet[$t]], [$i, $j, $k]) : null;
        $slant = sqrt(1 + $s->slope ** 2);
        $x0 = $m->x[$i] - $cx;
        $y0 = $m->y[$i] - $cy;
        $z0 = $m->z[$i] - $cz;
        // about the first vertex, as all moments are
        $ox = $cx - $this->o[0];
        $oy = $cy - $this->o[1];
        $oz = $cz - $this->o[2];
        $column = $this->column;
        foreach ($rule as [$u, $v, $weight]) {
            $px = $x0 + $u * $ux + $v * $wx;
            $py = $y0 + $u * $uy + $v * $wy;
            $pz = $z0 + $u * $uz + $v * $wz;
            if ($patch === null) {
                $stands = $column->toRound($s, $px, $py, $pz);
            } else {
                if ($spots !== null) {
                    $patch->expect(
                        $spots[0][0] + $u * ($spots[1][0] - $spots[0][0]) + $v * ($spots[2][0] - $spots[0][0]),
                        $spots[0][1] + $u * ($spots[1][1] - $spots[0][1]) + $v * ($spots[2][1] - $spots[0][1]),
                    );
                }
                $stands = $column->toPatch($patch, $px, $py, $pz);
            }
            if ($stands) {
                // share of the triangle seen along the column, times the rule's weight
                $this->addColumn(
                    $ox + $px,
                    $oy + $py,
                    $oz + $pz,
                    $weight * ($nx * $column->dx + $ny * $column->dy + $nz * $column->dz),
                    $slant,
                );
            }
        }
    }

    /**
     * The corners of a triangle in the turn its rule wants, and the rule: a cone is integrated from its narrowest corner, and
     * finely near its apex only.
     *
     * @param array{int,int,int} $corners
     * @return array{array{int,int,int}, list<array{float,float,float}>} rule: shares of both sides from the first corner, weight
     */
    private function ruled(array $corners, Surface $s): array
    {
        if ($s->kind !== SurfaceKind::Cone) {
            return [$corners, self::rule()];
        }
        [$i, $j, $k] = $corners;
        $m = $this->solid;
        $width = static fn(int $v): float => abs(
            $s->radius +
                $s->slope *
                    (($m->x[$v] - $s->point[0]) * $s->axis[0] +
                        ($m->y[$v] - $s->point[1]) * $s->axis[1] +
                        ($m->z[$v] - $s->point[2]) * $s->axis[2]),
        );
        if ($width($j) < $width($i) && $width($j) <= $width($k)) {
            [$i, $j, $k] = [$j, $k, $i];
        } elseif ($width($k) < $width($i)) {
            [$i, $j, $k] = [$k, $i, $j];
        }

        // away from the apex the lens is smooth
        return [[$i, $j, $k], $width($i) < self::SMOOTH * max($width($j), $width($k)) ? self::coneRule() : self::rule()];
    }

    /**
     * Moments of one column by two Gauss points along it, and the area at its far end.
     *
     * @param float $px its foot (with $py and $pz), from the first vertex of the solid
     * @param float $seen area of the facet that the column stands on, seen along it
     * @param float $slant how much larger the true surface is than what is seen along the column
     */
    private function addColumn(float $px, float $py, float $pz, float $seen, float $slant): void
    {
        $c = $this->column;
        [$dx, $dy, $dz, $length, $a, $b] = [$c->dx, $c->dy, $c->dz, $c->length, $c->a, $c->b];
        $this->a += abs($seen * $slant * (1 + $a * $length + $b * $length * $length));
        $near = self::GAUSS[0] * $length;
        $far = self::GAUSS[1] * $length;
        $dv = (($seen * $length) / 2) * (1 + $a * $near + $b * $near * $near);
        $dw = (($seen * $length) / 2) * (1 + $a * $far + $b * $far * $far);
        $x = $px + $near * $dx;
        $y = $py + $near * $dy;
        $z = $pz + $near * $dz;
        $u = $px + $far * $dx;
        $v = $py + $far * $dy;
        $w = $pz + $far * $dz;
        $this->v += $dv + $dw;
        $this->mx += $dv * $x + $dw * $u;
        $this->my += $dv * $y + $dw * $v;
        $this->mz += $dv * $z + $dw * $w;
        $this->ixx += $dv * $x * $x + $dw * $u * $u;
        $this->iyy += $dv * $y * $y + $dw * $v * $v;
        $this->izz += $dv * $z * $z + $dw * $w * $w;
        $this->ixy += $dv * $x * $y + $dw * $u * $v;
        $this->iyz += $dv * $y * $z + $dw * $v * $w;
        $this->izx += $dv * $z * $x + $dw * $w * $u;
    }

    /**
     * Parameters of a free surface at the corners of a triangle, in one turn: points between begin their search there.
     *
     * @param array{int,int,int} $corners
     * @return list<array{float, float}>|null
     */
    private function spots(GridPatch $patch, int $surface, array $corners): ?array
    {
        $out = [];
        $turn = $patch->period();
        foreach ($corners as $v) {
            if (!isset($this->spot[$surface][$v])) {
                $patch->foot([$this->solid->x[$v], $this->solid->y[$v], $this->solid->z[$v]]);
                $this->spot[$surface][$v] = $patch->lastFoot();
            }
            $at = $this->spot[$surface][$v];
            if ($at === null) {
                return null;
            }
            if ($turn > 0 && $out !== []) {
                $at[0] -= $turn * round(($at[0] - $out[0][0]) / $turn);
            }
            $out[] = $at;
        }

        return $out;
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
            // beside a flat face the true curve lies in its plane
            $flat = $sa->isFlat() ? $e1 : ($sb->isFlat() ? [$m->nx[$fb], $m->ny[$fb], $m->nz[$fb]] : null);
            $in =
                $flat === null
                    ? null
                    : [$t[1] * $flat[2] - $t[2] * $flat[1], $t[2] * $flat[0] - $t[0] * $flat[2], $t[0] * $flat[1] - $t[1] * $flat[0]];
            foreach ($gauss as [$u, $weight]) {
                $p = [$m->x[$a] + $u * $l * $t[0], $m->y[$a] + $u * $l * $t[1], $m->z[$a] + $u * $l * $t[2]];
                // round faces that only touch each other run on into each other: any place on one of them near the edge lies on both
                $onBoth =
                    $in === null
                        ? SurfaceMeeting::meet($m, $sa, $fa, $sb, $fb, $p, $e1, $e2) ??
                            SurfaceEquation::foot($sa, SurfaceEquation::project($sb, $p))
                        : SurfaceEquation::along($sa->isFlat() ? $sb : $sa, $p, $in);
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
        if (!$s->isFlat()) {
            [$onOwn, $n] = SurfaceEquation::projected($s, $p, $n);
            $r = [$onOwn[0] - $p[0], $onOwn[1] - $p[1], $onOwn[2] - $p[2]];
            $wedge =
                $length *
                0.5 *
                (($r[1] * $q[2] - $r[2] * $q[1]) * $t[0] +
                    ($r[2] * $q[0] - $r[0] * $q[2]) * $t[1] +
                    ($r[0] * $q[1] - $r[1] * $q[0]) * $t[2]);
            $this->add($wedge, $p[0] + ($q[0] + $r[0]) / 3, $p[1] + ($q[1] + $r[1]) / 3, $p[2] + ($q[2] + $r[2]) / 3);
        }
        // the strip of surface between the projected chord and the true curve, outside to the right of the edge
        $this->a +=
            $length *
            (($q[0] - $r[0]) * ($t[1] * $n[2] - $t[2] * $n[1]) +
                ($q[1] - $r[1]) * ($t[2] * $n[0] - $t[0] * $n[2]) +
                ($q[2] - $r[2]) * ($t[0] * $n[1] - $t[1] * $n[0]));
    }
}
