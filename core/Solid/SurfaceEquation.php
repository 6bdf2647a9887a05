<?php

declare(strict_types=1);

namespace Cubo\Solid;

/** Implicit equations of true surfaces: signed radial distance, its gradient, and points on one or two of them. */
final class SurfaceEquation
{
    /**
     * @param array{float,float,float} $p
     * @return array{float, array{float,float,float}, array{float,float,float}} value, gradient, radial unit vector
     */
    public static function at(Surface $s, array $p): array
    {
        if ($s->patch !== null) {
            [$q, $n] = $s->patch->foot($p);

            return [($p[0] - $q[0]) * $n[0] + ($p[1] - $q[1]) * $n[1] + ($p[2] - $q[2]) * $n[2], $n, $n];
        }
        $d = [$p[0] - $s->point[0], $p[1] - $s->point[1], $p[2] - $s->point[2]];
        $r = $s->radius;
        if ($s->kind === SurfaceKind::Torus) {
            $d = self::fromTube($s, $d);
            $r = $s->tube;
        } elseif ($s->kind !== SurfaceKind::Sphere) {
            $h = $d[0] * $s->axis[0] + $d[1] * $s->axis[1] + $d[2] * $s->axis[2];
            $d = [$d[0] - $h * $s->axis[0], $d[1] - $h * $s->axis[1], $d[2] - $h * $s->axis[2]];
            $r += $s->slope * $h;
        }
        $l = sqrt($d[0] * $d[0] + $d[1] * $d[1] + $d[2] * $d[2]) ?: 1e-300;
        $radial = [$d[0] / $l, $d[1] / $l, $d[2] / $l];
        $k = $s->slope;

        return [$l - $r, [$radial[0] - $k * $s->axis[0], $radial[1] - $k * $s->axis[1], $radial[2] - $k * $s->axis[2]], $radial];
    }

    /**
     * The way from the nearest point of a torus' middle circle.
     *
     * @param array{float,float,float} $d from the centre
     * @return array{float,float,float}
     */
    public static function fromTube(Surface $s, array $d): array
    {
        $h = $d[0] * $s->axis[0] + $d[1] * $s->axis[1] + $d[2] * $s->axis[2];
        $e = [$d[0] - $h * $s->axis[0], $d[1] - $h * $s->axis[1], $d[2] - $h * $s->axis[2]];
        $k = $s->radius / (sqrt($e[0] * $e[0] + $e[1] * $e[1] + $e[2] * $e[2]) ?: 1e-300);

        return [$d[0] - $k * $e[0], $d[1] - $k * $e[1], $d[2] - $k * $e[2]];
    }

    /**
     * Signed distance from a curved surface, positive outside of it.
     *
     * @param array{float,float,float} $p
     */
    public static function distance(Surface $s, array $p): float
    {
        // along the normal: on a cone shorter than along the radius
        return self::at($s, $p)[0] / sqrt(1 + $s->slope ** 2);
    }

    /**
     * The point moved radially onto the surface; unchanged for a plane.
     *
     * @param array{float,float,float} $p
     * @return array{float,float,float}
     */
    public static function project(Surface $s, array $p): array
    {
        if ($s->isFlat()) {
            return $p;
        }
        [$v, , $r] = self::at($s, $p);

        return [$p[0] - $v * $r[0], $p[1] - $v * $r[1], $p[2] - $v * $r[2]];
    }

    /**
     * The point of a curved surface nearest to p; unlike project() also on cones along the normal.
     *
     * @param array{float,float,float} $p
     * @return array{float,float,float}
     */
    public static function foot(Surface $s, array $p): array
    {
        if ($s->patch !== null) {
            return $s->patch->foot($p)[0];
        }
        [$v, $g] = self::at($s, $p);
        $k = $v / ($g[0] * $g[0] + $g[1] * $g[1] + $g[2] * $g[2]);

        return [$p[0] - $k * $g[0], $p[1] - $k * $g[1], $p[2] - $k * $g[2]];
    }

    /**
     * Unit normal of the true surface, on the side of the facet normal $facet; nothing on its axis or in its centre.
     *
     * @param array{float,float,float} $p
     * @param array{float,float,float} $facet
     * @return array{float,float,float}
     */
    public static function outward(Surface $s, array $p, array $facet): array
    {
        if ($s->isFlat()) {
            return $facet;
        }
        [, $g] = self::at($s, $p);
        $l = sqrt($g[0] * $g[0] + $g[1] * $g[1] + $g[2] * $g[2]) ?: 1.0;
        $sign = $g[0] * $facet[0] + $g[1] * $facet[1] + $g[2] * $facet[2] < 0 ? -1 : 1;

        return [($sign * $g[0]) / $l, ($sign * $g[1]) / $l, ($sign * $g[2]) / $l];
    }

    /**
     * Both of the above at once: where project() moves a point of a curved surface, and outward() there.
     *
     * @param array{float,float,float} $p
     * @param array{float,float,float} $facet
     * @return array{array{float,float,float}, array{float,float,float}}
     */
    public static function projected(Surface $s, array $p, array $facet): array
    {
        [$v, $g, $r] = self::at($s, $p);
        $l = sqrt($g[0] * $g[0] + $g[1] * $g[1] + $g[2] * $g[2]);
        $l = $g[0] * $facet[0] + $g[1] * $facet[1] + $g[2] * $facet[2] < 0 ? -$l : $l;

        return [[$p[0] - $v * $r[0], $p[1] - $v * $r[1], $p[2] - $v * $r[2]], [$g[0] / $l, $g[1] / $l, $g[2] / $l]];
    }

    /**
     * The point of a curved surface on the line p + s e, by Newton's method; null where the line runs along it too
     * flatly to tell.
     *
     * @param array{float,float,float} $p
     * @param array{float,float,float} $e unit
     * @return array{float,float,float}|null
     */
    public static function along(Surface $surface, array $p, array $e): ?array
    {
        for ($i = 0; $i < 8; $i++) {
            [$v, $g] = self::at($surface, $p);
            $slope = $g[0] * $e[0] + $g[1] * $e[1] + $g[2] * $e[2];
            if ($slope < 1e-4 && $slope > -1e-4) {
                return null;
            }
            $s = $v / $slope;
            $p = [$p[0] - $s * $e[0], $p[1] - $s * $e[1], $p[2] - $s * $e[2]];
            // the next step would be the square of this one
            if ($s * $s < 1e-16) {
                break;
            }
        }

        return $p;
    }
}
