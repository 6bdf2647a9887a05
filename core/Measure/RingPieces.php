<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceKind;

/** Gathers the facets of rings. */
final class RingPieces
{
    /** @return list<RingPiece> in the order of their faces */
    public static function of(Solid $s): array
    {
        $turns = $hollow = [];
        foreach ($s->facet as $t => $f) {
            $i = $s->surfaceOf[$f];
            $u = $s->surfaces[$i];
            if ($u->kind !== SurfaceKind::Torus) {
                continue;
            }
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $s->start[$h];
                $d = Vector::sub([$s->x[$v], $s->y[$v], $s->z[$v]], $u->point);
                $z = Vector::dot($d, $u->axis);
                $rho = Vector::length(Vector::add($d, $u->axis, -$z));
                $turns[$i][(string) round(atan2($z, $rho - $u->radius), 4)] = true;
                // from the middle of the tube to the corner, against the way the facet looks
                $middle = $rho > 1e-9 ? Vector::add($u->point, Vector::add($d, $u->axis, -$z), $u->radius / $rho) : $u->point;
                $from = Vector::sub([$s->x[$v], $s->y[$v], $s->z[$v]], $middle);
                $hollow[$i] = ($hollow[$i] ?? 0.0) - Vector::dot($from, [$s->nx[$f], $s->ny[$f], $s->nz[$f]]);
            }
        }
        $out = [];
        foreach ($turns as $i => $at) {
            $u = $s->surfaces[$i];
            $out[] = new RingPiece(
                $u->axis,
                $u->point,
                $u->radius,
                $u->tube,
                self::span(array_map(floatval(...), array_keys($at))),
                $hollow[$i] > 0,
            );
        }

        return $out;
    }

    /**
     * How far round angles reach: all but the widest gap between them.
     *
     * @param list<float> $angles
     */
    private static function span(array $angles): float
    {
        sort($angles);
        $gap = 2 * M_PI - ($angles[count($angles) - 1] - $angles[0]);
        for ($k = 1; $k < count($angles); $k++) {
            $gap = max($gap, $angles[$k] - $angles[$k - 1]);
        }

        return 2 * M_PI - $gap;
    }
}
