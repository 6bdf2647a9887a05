<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/**
 * The shortest way between two triangles (which may be sides or points, with corners repeated): between a corner and
 * the other triangle, between two sides, or none where a side goes through the other (C. Ericson, "Real-Time Collision
 * Detection", 2005, sections 5.1.5, 5.1.9 and 5.1.10).
 *
 * @phpstan-type V array{float,float,float}
 */
final class TriangleDistance
{
    /**
     * @param array{V, V, V} $s
     * @param array{V, V, V} $t
     * @return array{float, V, V} distance and its ends on the first and the second
     */
    public static function between(array $s, array $t): array
    {
        $best = [INF, $s[0], $t[0]];
        for ($i = 0; $i < 3; $i++) {
            for ($j = 0; $j < 3; $j++) {
                self::keep($best, ...self::sides($s[$i], $s[($i + 1) % 3], $t[$j], $t[($j + 1) % 3]));
            }
            self::keep($best, $s[$i], self::onTriangle($s[$i], $t));
            self::keep($best, self::onTriangle($t[$i], $s), $t[$i]);
        }
        if ($best[0] > 0) {
            foreach ([[$s, $t], [$t, $s]] as [$u, $w]) {
                for ($i = 0; $i < 3; $i++) {
                    $p = self::through($u[$i], $u[($i + 1) % 3], $w);
                    if ($p !== null) {
                        return [0.0, $p, $p];
                    }
                }
            }
        }

        return $best;
    }

    /**
     * How far a point is from a triangle, and where on it that is measured from (C. Ericson, 5.1.5).
     *
     * @param V $p
     * @param array{V, V, V} $t
     * @return array{float, V}
     */
    public static function fromPoint(array $p, array $t): array
    {
        [[$ax, $ay, $az], [$bx, $by, $bz], [$cx, $cy, $cz]] = $t;
        [$ux, $uy, $uz, $wx, $wy, $wz] = [$bx - $ax, $by - $ay, $bz - $az, $cx - $ax, $cy - $ay, $cz - $az];
        [$dx, $dy, $dz] = [$p[0] - $ax, $p[1] - $ay, $p[2] - $az];
        $uu = $ux * $ux + $uy * $uy + $uz * $uz;
        $ww = $wx * $wx + $wy * $wy + $wz * $wz;
        $uw = $ux * $wx + $uy * $wy + $uz * $wz;
        $du = $dx * $ux + $dy * $uy + $dz * $uz;
        $dw = $dx * $wx + $dy * $wy + $dz * $wz;
        $det = $uu * $ww - $uw * $uw;
        $v = $det > 0 ? ($ww * $du - $uw * $dw) / $det : -1.0;
        $w = $det > 0 ? ($uu * $dw - $uw * $du) / $det : -1.0;
        if ($v < 0 || $w < 0 || $v + $w > 1) {
            // on one of the sides
            $best = INF;
            $s = $uu > 0 ? max(0.0, min(1.0, $du / $uu)) : 0.0;
            $r = $ww > 0 ? max(0.0, min(1.0, $dw / $ww)) : 0.0;
            $e = $uu + $ww - 2 * $uw;
            $q = $e > 0 ? max(0.0, min(1.0, ($dw - $du + $uu - $uw) / $e)) : 0.0;
            foreach ([[$s, 0.0], [0.0, $r], [1 - $q, $q]] as [$i, $j]) {
                $d = ($dx - $i * $ux - $j * $wx) ** 2 + ($dy - $i * $uy - $j * $wy) ** 2 + ($dz - $i * $uz - $j * $wz) ** 2;
                if ($d < $best) {
                    [$best, $v, $w] = [$d, $i, $j];
                }
            }
        }
        $on = [$ax + $v * $ux + $w * $wx, $ay + $v * $uy + $w * $wy, $az + $v * $uz + $w * $wz];

        return [sqrt(($p[0] - $on[0]) ** 2 + ($p[1] - $on[1]) ** 2 + ($p[2] - $on[2]) ** 2), $on];
    }

    /**
     * @param array{float, V, V} $best
     * @param V $p
     * @param V $q
     */
    private static function keep(array &$best, array $p, array $q): void
    {
        $d = Vector::distance($p, $q);
        if ($d < $best[0]) {
            $best = [$d, $p, $q];
        }
    }

    /**
     * @param V $p0
     * @param V $p1
     * @param V $q0
     * @param V $q1
     * @return array{V, V}
     */
    public static function sides(array $p0, array $p1, array $q0, array $q1): array
    {
        $d1 = Vector::sub($p1, $p0);
        $d2 = Vector::sub($q1, $q0);
        $r = Vector::sub($p0, $q0);
        $a = Vector::dot($d1, $d1);
        $e = Vector::dot($d2, $d2);
        $f = Vector::dot($d2, $r);
        $clamp = static fn(float $v): float => max(0.0, min(1.0, $v));
        if ($a < 1e-300 && $e < 1e-300) {
            return [$p0, $q0];
        }
        if ($a < 1e-300) {
            return [$p0, Vector::add($q0, $d2, $clamp($f / $e))];
        }
        $c = Vector::dot($d1, $r);
        if ($e < 1e-300) {
            return [Vector::add($p0, $d1, $clamp(-$c / $a)), $q0];
        }
        $b = Vector::dot($d1, $d2);
        $den = $a * $e - $b * $b;
        $s = $den > 1e-14 * $a * $e ? $clamp(($b * $f - $c * $e) / $den) : 0.0;
        $t = ($b * $s + $f) / $e;
        if ($t < 0) {
            $t = 0.0;
            $s = $clamp(-$c / $a);
        } elseif ($t > 1) {
            $t = 1.0;
            $s = $clamp(($b - $c) / $a);
        }

        return [Vector::add($p0, $d1, $s), Vector::add($q0, $d2, $t)];
    }

    /**
     * The point of a triangle's inside straight below or above p; a corner where that lies outside.
     *
     * @param V $p
     * @param array{V, V, V} $t
     * @return V
     */
    private static function onTriangle(array $p, array $t): array
    {
        $u = Vector::sub($t[1], $t[0]);
        $w = Vector::sub($t[2], $t[0]);
        $n = Vector::cross($u, $w);
        $n2 = Vector::dot($n, $n);
        if ($n2 < 1e-300) {
            return $t[0];
        }
        $r = Vector::sub($p, $t[0]);
        $b = Vector::dot(Vector::cross($r, $w), $n) / $n2;
        $c = Vector::dot(Vector::cross($u, $r), $n) / $n2;

        return $b < 0 || $c < 0 || $b + $c > 1 ? $t[0] : Vector::add(Vector::add($t[0], $u, $b), $w, $c);
    }

    /**
     * @param V $p
     * @param V $q
     * @param array{V, V, V} $t
     * @return V|null
     */
    private static function through(array $p, array $q, array $t): ?array
    {
        $n = Vector::cross(Vector::sub($t[1], $t[0]), Vector::sub($t[2], $t[0]));
        $a = Vector::dot($n, Vector::sub($p, $t[0]));
        $b = Vector::dot($n, Vector::sub($q, $t[0]));
        if ($a * $b >= 0) {
            return null;
        }
        $x = Vector::add($p, Vector::sub($q, $p), $a / ($a - $b));
        for ($i = 0; $i < 3; $i++) {
            if (Vector::dot(Vector::cross(Vector::sub($t[($i + 1) % 3], $t[$i]), Vector::sub($x, $t[$i])), $n) < 0) {
                return null;
            }
        }

        return $x;
    }
}
