<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;
use Cubo\Solid\Solid;

/**
 * The plane of a flat face as a place to sketch: up is away from the material, u runs level to the right as seen from
 * there (on faces that lie level: to the right as on the ground), and the sketch's origin is the part's origin, seen
 * straight onto the face. So what is drawn stays where it is when the face gets larger.
 */
final class FacePlane
{
    /** Takes (u, v, height above the face) to (x, y, z); null when there is no flat face of that name. */
    public static function placement(Solid $part, string $face): ?Transform
    {
        foreach ($part->surfaceOf as $f => $s) {
            if ($part->surfaces[$s]->name !== $face || !$part->surfaces[$s]->isFlat()) {
                continue;
            }

            return self::facet($part, $f);
        }

        return null;
    }

    /** The same for one facet. */
    public static function facet(Solid $part, int $f): Transform
    {
        $n = [$part->nx[$f], $part->ny[$f], $part->nz[$f]];
        $level = hypot($n[0], $n[1]);
        $u = $level < 1e-9 ? [1.0, 0.0, 0.0] : [-$n[1] / $level, $n[0] / $level, 0.0];
        $v = [$n[1] * $u[2] - $n[2] * $u[1], $n[2] * $u[0] - $n[0] * $u[2], $n[0] * $u[1] - $n[1] * $u[0]];
        $d = $part->offset[$f];

        return new Transform([$u[0], $v[0], $n[0], $u[1], $v[1], $n[1], $u[2], $v[2], $n[2]], [$d * $n[0], $d * $n[1], $d * $n[2]]);
    }

    /**
     * How far a face reaches along the u and v of a plane, mm.
     *
     * @return array{array{float,float}, array{float,float}}
     */
    public static function extent(Solid $part, string $face, Transform $plane): array
    {
        [$u, $v] = [[INF, -INF], [INF, -INF]];
        foreach ($part->facet as $t => $f) {
            if ($part->surfaces[$part->surfaceOf[$f]]->name !== $face) {
                continue;
            }
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $i = $part->start[$h];
                [$pu, $pv] = $plane->local([$part->x[$i], $part->y[$i], $part->z[$i]]);
                $u = [min($u[0], $pu), max($u[1], $pu)];
                $v = [min($v[0], $pv), max($v[1], $pv)];
            }
        }

        return [$u, $v];
    }
}
