<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceKind;

/**
 * Cuts the triangles of a cone along the circle from where its normals, as long as the wall is thick, just reach the axis:
 * on one side of it points fall onto the axis, on the other they do not.
 */
final class ConeLevels
{
    /** @param Closure(string): float $by mm that a face of that name is moved along its outward normal */
    public static function cut(Solid $s, Closure $by): Solid
    {
        foreach ((new Skin($s, $by))->faces as $face) {
            $u = $face->surface;
            $out = $face->sign * $face->by;
            if ($u->kind !== SurfaceKind::Cone || $out >= 0 || $u->slope == 0.0) {
                continue;
            }
            $level = (-$out / sqrt(1 + $u->slope ** 2) - $u->radius) / $u->slope;
            // several faces of one cone are cut at once
            $s = LevelCut::at(
                $s,
                static fn(int $t): bool => $s->surfaceOfTriangle($t)->geometryKey() === $u->geometryKey(),
                static fn(array $p): float => Vector::dot(Vector::sub($p, $u->point), $u->axis) - $level,
            );
        }

        return $s;
    }
}
