<?php

declare(strict_types=1);

namespace Cubo\Printing;

use Cubo\Budget\Budget;
use Cubo\Measure\FaceArea;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;

/**
 * Area of faces that hang over while a part is printed as it stands: those that look down and lie at less than an angle
 * to the horizontal, without what lies in the part's lowest plane. On curved faces the border of that area is found by
 * halving facets. Areas are those of the true surfaces where these are flat, cylinders or cones.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Overhang
{
    private const DEEPEST = 6;

    /** What a triangle costs, the faces taken whole included. */
    private const LOOKS = 8;

    private const ON_THE_BED = 1e-4;

    /** @param float $degrees to the horizontal; a face at just that angle does not count */
    public static function area(Solid $s, float $degrees = 45.0, Budget $budget = new Budget()): float
    {
        $budget->spend(self::LOOKS * $s->triangleCount());
        if ($s->isEmpty()) {
            return 0.0;
        }
        $low = $s->vertexBox()[2];
        $limit = -cos(deg2rad($degrees)) - 1e-6;
        $sum = 0.0;
        $whole = [];
        foreach ($s->facet as $t => $f) {
            $c = [];
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $s->start[$h];
                $c[] = [$s->x[$v], $s->y[$v], $s->z[$v]];
            }
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            $surface = $s->surfaces[$s->surfaceOf[$f]];
            $lies = max($c[0][2], $c[1][2], $c[2][2]) < $low + self::ON_THE_BED;
            if ($surface->isFlat()) {
                $hangs = !$lies && $n[2] < $limit;
                // a face of which every facet hangs is taken whole, round rims and all
                $whole[$surface->name] = [
                    ($whole[$surface->name][0] ?? true) && $hangs,
                    ($whole[$surface->name][1] ?? 0.0) + ($hangs ? self::size($c) : 0.0),
                ];
            } elseif (!$lies) {
                $sum += FaceArea::widening($surface, $c) * self::part($surface, $n, $c, $limit, 0, $budget);
            }
        }
        $all = array_filter($whole, static fn(array $w): bool => $w[0]);

        return $sum +
            array_sum(array_column(array_diff_key($whole, $all), 1)) +
            FaceArea::ofAll($s, array_map(strval(...), array_keys($all)));
    }

    /** @return V|null the middle of the largest facet that hangs over */
    public static function spot(Solid $s, float $degrees = 45.0): ?array
    {
        $low = $s->vertexBox()[2];
        $limit = -cos(deg2rad($degrees)) - 1e-6;
        [$most, $at] = [0.0, null];
        foreach ($s->facet as $t => $f) {
            if ($s->nz[$f] >= $limit) {
                continue;
            }
            $c = [];
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $s->start[$h];
                $c[] = [$s->x[$v], $s->y[$v], $s->z[$v]];
            }
            if (max($c[0][2], $c[1][2], $c[2][2]) > $low + self::ON_THE_BED && self::size($c) > $most) {
                $most = self::size($c);
                $at = [($c[0][0] + $c[1][0] + $c[2][0]) / 3, ($c[0][1] + $c[1][1] + $c[2][1]) / 3, ($c[0][2] + $c[1][2] + $c[2][2]) / 3];
            }
        }

        return $at;
    }

    /**
     * @param V $n of the facet
     * @param array{V,V,V} $c
     */
    private static function part(Surface $surface, array $n, array $c, float $limit, int $deep, Budget $budget): float
    {
        $in = 0;
        $budget->spend(3);
        foreach ($c as $p) {
            $in += SurfaceEquation::outward($surface, $p, $n)[2] < $limit ? 1 : 0;
        }
        if ($in === 3 || $in === 0 || $deep === self::DEEPEST) {
            return $in >= 2 ? self::size($c) : 0.0;
        }
        $m = [];
        for ($k = 0; $k < 3; $k++) {
            $q = $c[($k + 1) % 3];
            $m[] = [($c[$k][0] + $q[0]) / 2, ($c[$k][1] + $q[1]) / 2, ($c[$k][2] + $q[2]) / 2];
        }
        $sum = 0.0;
        foreach ([[$c[0], $m[0], $m[2]], [$m[0], $c[1], $m[1]], [$m[2], $m[1], $c[2]], [$m[0], $m[1], $m[2]]] as $quarter) {
            $sum += self::part($surface, $n, $quarter, $limit, $deep + 1, $budget);
        }

        return $sum;
    }

    /** @param array{V,V,V} $c */
    private static function size(array $c): float
    {
        $u = [$c[1][0] - $c[0][0], $c[1][1] - $c[0][1], $c[1][2] - $c[0][2]];
        $w = [$c[2][0] - $c[0][0], $c[2][1] - $c[0][1], $c[2][2] - $c[0][2]];

        return sqrt(($u[1] * $w[2] - $u[2] * $w[1]) ** 2 + ($u[2] * $w[0] - $u[0] * $w[2]) ** 2 + ($u[0] * $w[1] - $u[1] * $w[0]) ** 2) / 2;
    }
}
