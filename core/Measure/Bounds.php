<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/** The smallest axis-parallel box around a solid's true surfaces, millimetres. */
final readonly class Bounds
{
    /**
     * @param array{float,float,float} $min
     * @param array{float,float,float} $max
     */
    public function __construct(public array $min, public array $max) {}

    /** Units for one of the finer and finer meshes on which a highest point is looked for. */
    private const SEARCH = 250;

    private const ROUNDS = 14;

    /** Units for a look at six points of a surface. */
    private const LOOK = 50;

    private const LATTICE = 8;

    /** mm by which nothing is reached beyond what is known */
    private const NOTHING = 1e-9;

    /** @throws OverBudget */
    public static function of(Solid $s, Budget $budget = new Budget()): self
    {
        $budget->spend($s->triangleCount());
        $box = $s->vertexBox();
        $min = [$box[0], $box[1], $box[2]];
        $max = [$box[3], $box[4], $box[5]];
        $p = [$s->x, $s->y, $s->z];
        $seen = [];
        foreach ($s->facet as $t => $f) {
            $surface = $s->surfaces[$s->surfaceOf[$f]];
            if ($surface->isFlat()) {
                continue;
            }
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            $corners = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            for ($k = 0; $k < 3; $k++) {
                foreach ([-1, 1] as $sign) {
                    // only facets that face that way nearly enough can carry the extreme
                    if ($sign * $n[$k] < 0.9) {
                        continue;
                    }
                    $d = [0.0, 0.0, 0.0];
                    $d[$k] = (float) $sign;
                    $reach = match ($surface->kind) {
                        SurfaceKind::Sphere => self::ballExtreme($p, $corners, $surface->point, $surface->radius, $d, $k),
                        SurfaceKind::Torus => abs($surface->axis[$k]) > 1 - 1e-12
                            ? self::ringExtreme($p, $corners, $surface, (float) $sign, $k)
                            : self::searchedExtreme(
                                $p,
                                $corners,
                                $surface,
                                (float) $sign,
                                $k,
                                $sign > 0 ? $max[$k] : -$min[$k],
                                $budget,
                                $seen,
                            ),
                        SurfaceKind::Patch => self::searchedExtreme(
                            $p,
                            $corners,
                            $surface,
                            (float) $sign,
                            $k,
                            $sign > 0 ? $max[$k] : -$min[$k],
                            $budget,
                            $seen,
                        ),
                        default => self::roundExtreme(
                            $p,
                            $corners,
                            $surface->point,
                            $surface->axis,
                            $surface->radius,
                            $surface->slope,
                            $d,
                            $k,
                        ),
                    };
                    if ($reach !== null) {
                        $sign > 0 ? ($max[$k] = max($max[$k], $reach)) : ($min[$k] = min($min[$k], $reach));
                    }
                }
            }
        }

        $corners = new TrueCorners($s, $budget);
        for ($k = 0; $k < 3; $k++) {
            $extent = $max[$k] - $min[$k];
            $max[$k] = $corners->farthest($k, 1.0, $max[$k], $extent);
            $min[$k] = $corners->farthest($k, -1.0, $min[$k], $extent);
        }

        return new self($min, $max);
    }

    /**
     * A ring seen along its axis is highest over its middle circle; a triangle that lies wholly inside or outside of that
     * has its highest point at a corner.
     *
     * @param array{array<int, float>,array<int, float>,array<int, float>} $p
     * @param array{int,int,int} $corners
     */
    private static function ringExtreme(array $p, array $corners, Surface $s, float $sign, int $k): ?float
    {
        [$i, $j] = [($k + 1) % 3, ($k + 2) % 3];
        // on the far side of the middle (the bottom of a groove) nothing reaches farther than a corner
        if ($sign * ($p[$k][$corners[0]] + $p[$k][$corners[1]] + $p[$k][$corners[2]] - 3 * $s->point[$k]) <= 0) {
            return null;
        }
        $low = INF;
        $high = -INF;
        foreach ($corners as $v) {
            $r = hypot($p[$i][$v] - $s->point[$i], $p[$j][$v] - $s->point[$j]);
            $low = min($low, $r);
            $high = max($high, $r);
        }
        $near = 1e-9 * (1 + $s->radius);

        return $low < $s->radius - $near && $high > $s->radius + $near ? $s->point[$k] + $sign * $s->tube : null;
    }

    /**
     * The highest point over a triangle of a surface without a formula for it: looked for on finer and finer meshes, as
     * long as more than what is reached already may come of it.
     *
     * @param array{array<int, float>,array<int, float>,array<int, float>} $p
     * @param array{int,int,int} $corners
     * @param float $known what is reached already, times the sign
     * @param array<string, array{float,float,float}> $seen
     * @return float|null null where nothing is reached beyond that
     */
    private static function searchedExtreme(
        array $p,
        array $corners,
        Surface $s,
        float $sign,
        int $k,
        float $known,
        Budget $budget,
        array &$seen,
    ): ?float {
        $high = max($sign * $p[$k][$corners[0]], $sign * $p[$k][$corners[1]], $sign * $p[$k][$corners[2]]);
        $long = self::longestSide($p, $corners);
        // a surface that leans by less than 26 degrees over its facet rises above it by less than this
        if ($high + $long / 8 <= $known) {
            return null;
        }
        $budget->spend(self::LOOK);
        if (self::likely($p, $corners, $s, $sign, $k, $seen) <= $known + self::NOTHING) {
            return null;
        }
        $best = -INF;
        [$bu, $bv, $width] = [1 / 3, 1 / 3, 0.5];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            // facets looked at lean by 26 degrees at the most and their surface hardly more: it rises by less than this over what
            // is left to look at; before the first mesh, over all of the facet
            $most = $round === 0 ? $high + $long / 2 : $best + $width * $long;
            if ($most <= $known) {
                return null;
            }
            $budget->spend(self::SEARCH);
            [$mu, $mv] = [$bu, $bv];
            for ($i = -1; $i <= 1; $i++) {
                for ($j = -1; $j <= 1; $j++) {
                    $u = max(0.0, min(1.0, $mu + ($i * $width) / 2));
                    $v = max(0.0, min(1.0 - $u, $mv + ($j * $width) / 2));
                    $q = [0.0, 0.0, 0.0];
                    for ($c = 0; $c < 3; $c++) {
                        $q[$c] = (1 - $u - $v) * $p[$c][$corners[0]] + $u * $p[$c][$corners[1]] + $v * $p[$c][$corners[2]];
                    }
                    $reach = $sign * SurfaceEquation::project($s, $q)[$k];
                    if ($reach > $best) {
                        $best = $reach;
                        [$bu, $bv] = [$u, $v];
                    }
                }
            }
            $width /= 2;
        }

        return $sign * $best;
    }

    /**
     * How far a surface likely reaches over a triangle: the highest point of the polynomial of second degree through its places
     * over the corners and the middles of the sides (O. C. Zienkiewicz, "The Finite Element Method", the six-node triangle).
     *
     * @param array{array<int, float>,array<int, float>,array<int, float>} $p
     * @param array{int,int,int} $corners
     * @param array<string, array{float,float,float}> $seen middles of sides on the surface
     */
    private static function likely(array $p, array $corners, Surface $s, float $sign, int $k, array &$seen): float
    {
        // corners inside a face lie on it; those on cut edges are looked at apart (TrueCorners)
        [$a, $b, $c] = [$sign * $p[$k][$corners[0]], $sign * $p[$k][$corners[1]], $sign * $p[$k][$corners[2]]];
        $middle = [];
        foreach ([[0, 1], [1, 2], [2, 0]] as [$i, $j]) {
            [$v, $w] = [min($corners[$i], $corners[$j]), max($corners[$i], $corners[$j])];
            $seen["$v $w $s->name"] ??= SurfaceEquation::project($s, [
                ($p[0][$v] + $p[0][$w]) / 2,
                ($p[1][$v] + $p[1][$w]) / 2,
                ($p[2][$v] + $p[2][$w]) / 2,
            ]);
            $middle[] = $sign * $seen["$v $w $s->name"][$k];
        }
        [$d, $e, $f] = $middle;
        $best = -INF;
        for ($i = 0; $i <= self::LATTICE; $i++) {
            for ($j = 0; $j + $i <= self::LATTICE; $j++) {
                [$u, $v] = [$i / self::LATTICE, $j / self::LATTICE];
                $w = 1 - $u - $v;
                $best = max(
                    $best,
                    $u * (2 * $u - 1) * $a +
                        $v * (2 * $v - 1) * $b +
                        $w * (2 * $w - 1) * $c +
                        4 * ($u * $v * $d + $v * $w * $e + $w * $u * $f),
                );
            }
        }

        return $best;
    }

    /**
     * @param array{array<int, float>,array<int, float>,array<int, float>} $p
     * @param array{int,int,int} $corners
     */
    private static function longestSide(array $p, array $corners): float
    {
        $most = 0.0;
        foreach ([[0, 1], [1, 2], [2, 0]] as [$i, $j]) {
            [$a, $b] = [$corners[$i], $corners[$j]];
            $most = max($most, ($p[0][$a] - $p[0][$b]) ** 2 + ($p[1][$a] - $p[1][$b]) ** 2 + ($p[2][$a] - $p[2][$b]) ** 2);
        }

        return sqrt($most);
    }

    /** @return array{float,float,float} */
    public function size(): array
    {
        return [$this->max[0] - $this->min[0], $this->max[1] - $this->min[1], $this->max[2] - $this->min[2]];
    }

    /** @return array{float,float,float} */
    public function middle(): array
    {
        return [($this->max[0] + $this->min[0]) / 2, ($this->max[1] + $this->min[1]) / 2, ($this->max[2] + $this->min[2]) / 2];
    }

    /**
     * Where the ray from the centre in direction d passes through the triangle, the ball reaches centre + r d.
     *
     * @param array{array<int, float>,array<int, float>,array<int, float>} $p
     * @param array{int,int,int} $corners
     * @param array{float,float,float} $c
     * @param array{float,float,float} $d
     */
    private static function ballExtreme(array $p, array $corners, array $c, float $r, array $d, int $k): ?float
    {
        // on the far side of the centre (a dimple) the ray never meets the triangle
        if ($d[$k] * ($p[$k][$corners[0]] + $p[$k][$corners[1]] + $p[$k][$corners[2]] - 3 * $c[$k]) <= 0) {
            return null;
        }
        $sign = 0;
        $i1 = ($k + 1) % 3;
        $i2 = ($k + 2) % 3;
        for ($e = 0; $e < 3; $e++) {
            $a = $corners[$e];
            $b = $corners[($e + 1) % 3];
            $cross = ($p[$i1][$a] - $c[$i1]) * ($p[$i2][$b] - $c[$i2]) - ($p[$i2][$a] - $c[$i2]) * ($p[$i1][$b] - $c[$i1]);
            if (abs($cross) < 1e-12) {
                continue;
            }
            if ($sign !== 0 && $cross > 0 !== $sign > 0) {
                return null;
            }
            $sign = $cross > 0 ? 1 : -1;
        }

        return $c[$k] + $r * $d[$k];
    }

    /**
     * Cylinder and cone: the extreme lies in the half-plane from the axis towards d; where an edge of the triangle
     * crosses it, the true surface at that height is asked.
     *
     * @param array{array<int, float>,array<int, float>,array<int, float>} $p
     * @param array{int,int,int} $corners
     * @param array{float,float,float} $c
     * @param array{float,float,float} $axis
     * @param array{float,float,float} $d
     */
    private static function roundExtreme(
        array $p,
        array $corners,
        array $c,
        array $axis,
        float $radius,
        float $slope,
        array $d,
        int $k,
    ): ?float {
        $along = $d[$k] * $axis[$k];
        $u = [$d[0] - $along * $axis[0], $d[1] - $along * $axis[1], $d[2] - $along * $axis[2]];
        $l = sqrt($u[0] ** 2 + $u[1] ** 2 + $u[2] ** 2);
        if ($l < 1e-9) {
            return null;
        }
        $u = [$u[0] / $l, $u[1] / $l, $u[2] / $l];
        $v = [$axis[1] * $u[2] - $axis[2] * $u[1], $axis[2] * $u[0] - $axis[0] * $u[2], $axis[0] * $u[1] - $axis[1] * $u[0]];
        $local = [];
        foreach ($corners as $i) {
            $q = [$p[0][$i] - $c[0], $p[1][$i] - $c[1], $p[2][$i] - $c[2]];
            $local[] = [
                $q[0] * $u[0] + $q[1] * $u[1] + $q[2] * $u[2],
                $q[0] * $v[0] + $q[1] * $v[1] + $q[2] * $v[2],
                $q[0] * $axis[0] + $q[1] * $axis[1] + $q[2] * $axis[2],
            ];
        }
        $best = null;
        for ($e = 0; $e < 3; $e++) {
            [$u0, $v0, $h0] = $local[$e];
            [$u1, $v1, $h1] = $local[($e + 1) % 3];
            if ($v0 * $v1 > 0 || $v0 == $v1 || max($u0, $u1) <= 0) {
                continue;
            }
            $t = $v0 / ($v0 - $v1);
            $h = $h0 + $t * ($h1 - $h0);
            $r = $radius + $slope * $h;
            $at = $c[$k] + $h * $axis[$k] + $r * $u[$k];
            $best = $best === null ? $at : ($d[$k] > 0 ? max($best, $at) : min($best, $at));
        }

        return $best;
    }
}
