<?php

declare(strict_types=1);

namespace Cubo\Solid;

/** Where the true surfaces of two facets meet. */
final class SurfaceMeeting
{
    /** Steps of Newton's method, each of which doubles the digits that are right. */
    private const STEPS = 8;

    /** Sine of the angle between two surfaces that touch too flatly to tell where they meet. */
    private const FLAT = 1e-4;

    /** mm2: a step shorter than the root of this is the last one */
    private const SMALL = 1e-16;

    /**
     * The point on both surfaces nearest p in the plane p + span(e1, e2), by Newton's method; null where they touch
     * too flatly to tell.
     *
     * @param array{float,float,float} $p
     * @param array{float,float,float} $e1
     * @param array{float,float,float} $e2
     * @return array{float,float,float}|null
     */
    public static function meet(Solid $m, Surface $sa, int $fa, Surface $sb, int $fb, array $p, array $e1, array $e2): ?array
    {
        $qx = $p[0];
        $qy = $p[1];
        $qz = $p[2];
        for ($i = 0; $i < self::STEPS; $i++) {
            $q = [$qx, $qy, $qz];
            [$va, $ga] = self::value($m, $sa, $fa, $q);
            [$vb, $gb] = self::value($m, $sb, $fb, $q);
            $a = $ga[0] * $e1[0] + $ga[1] * $e1[1] + $ga[2] * $e1[2];
            $b = $ga[0] * $e2[0] + $ga[1] * $e2[1] + $ga[2] * $e2[2];
            $c = $gb[0] * $e1[0] + $gb[1] * $e1[1] + $gb[2] * $e1[2];
            $d = $gb[0] * $e2[0] + $gb[1] * $e2[1] + $gb[2] * $e2[2];
            $det = $a * $d - $b * $c;
            if ($det < self::FLAT && $det > -self::FLAT) {
                return null;
            }
            $s1 = ($va * $d - $vb * $b) / $det;
            $s2 = ($a * $vb - $c * $va) / $det;
            $qx -= $s1 * $e1[0] + $s2 * $e2[0];
            $qy -= $s1 * $e1[1] + $s2 * $e2[1];
            $qz -= $s1 * $e1[2] + $s2 * $e2[2];
            // the next step would be the square of this one
            if ($s1 * $s1 + $s2 * $s2 < self::SMALL) {
                break;
            }
        }

        return [$qx, $qy, $qz];
    }

    /**
     * @param array{float,float,float} $p
     * @return array{float, array{float,float,float}}
     */
    private static function value(Solid $m, Surface $s, int $f, array $p): array
    {
        if ($s->isFlat()) {
            $n = [$m->nx[$f], $m->ny[$f], $m->nz[$f]];

            return [$n[0] * $p[0] + $n[1] * $p[1] + $n[2] * $p[2] - $m->offset[$f], $n];
        }
        [$v, $g] = SurfaceEquation::at($s, $p);

        return [$v, $g];
    }
}
