<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/**
 * Arithmetic of points and directions as arrays of three numbers, for code that is not run per triangle.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Vector
{
    /**
     * @param V $a
     * @param V $b
     * @return V
     */
    public static function add(array $a, array $b, float $times = 1.0): array
    {
        return [$a[0] + $times * $b[0], $a[1] + $times * $b[1], $a[2] + $times * $b[2]];
    }

    /**
     * @param V $a
     * @param V $b
     * @return V a - b
     */
    public static function sub(array $a, array $b): array
    {
        return [$a[0] - $b[0], $a[1] - $b[1], $a[2] - $b[2]];
    }

    /**
     * @param V $a
     * @param V $b
     */
    public static function dot(array $a, array $b): float
    {
        return $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
    }

    /**
     * @param V $a
     * @param V $b
     * @return V
     */
    public static function cross(array $a, array $b): array
    {
        return [$a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0]];
    }

    /** @param V $a */
    public static function length(array $a): float
    {
        return sqrt($a[0] * $a[0] + $a[1] * $a[1] + $a[2] * $a[2]);
    }

    /**
     * @param V $a
     * @param V $b
     */
    public static function distance(array $a, array $b): float
    {
        return sqrt(($a[0] - $b[0]) ** 2 + ($a[1] - $b[1]) ** 2 + ($a[2] - $b[2]) ** 2);
    }

    /**
     * @param V $a not zero
     * @return V
     */
    public static function unit(array $a): array
    {
        $l = self::length($a);

        return [$a[0] / $l, $a[1] / $l, $a[2] / $l];
    }

    /**
     * A unit vector at right angles to a unit vector, always the same one.
     *
     * @param V $a
     * @return V
     */
    public static function across(array $a): array
    {
        return self::unit(self::cross($a, abs($a[0]) < 0.6 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0]));
    }

    /**
     * Turned about a unit axis through the origin (O. Rodrigues, 1840).
     *
     * @param V $a
     * @param V $axis
     * @return V
     */
    public static function turned(array $a, array $axis, float $degrees): array
    {
        [$c, $s] = Angle::cosSin($degrees);
        $x = self::cross($axis, $a);
        $k = self::dot($axis, $a) * (1 - $c);

        return [$a[0] * $c + $x[0] * $s + $axis[0] * $k, $a[1] * $c + $x[1] * $s + $axis[1] * $k, $a[2] * $c + $x[2] * $s + $axis[2] * $k];
    }

    /**
     * The middle of a closed line through points, by length.
     *
     * @param list<V> $points
     * @return V
     */
    public static function middle(array $points): array
    {
        $sum = [0.0, 0.0, 0.0];
        $whole = 0.0;
        foreach ($points as $i => $a) {
            $b = $points[($i + 1) % count($points)];
            $l = self::distance($a, $b);
            $sum = self::add($sum, self::add($a, $b), $l / 2);
            $whole += $l;
        }

        return $whole > 0 ? [$sum[0] / $whole, $sum[1] / $whole, $sum[2] / $whole] : $points[0];
    }

    /**
     * Halfway along an open line through points.
     *
     * @param non-empty-list<V> $points
     * @return V
     */
    public static function halfway(array $points): array
    {
        $left = 0.0;
        for ($i = 1; $i < count($points); $i++) {
            $left += self::distance($points[$i - 1], $points[$i]) / 2;
        }
        for ($i = 1; $i < count($points); $i++) {
            $l = self::distance($points[$i - 1], $points[$i]);
            if ($l >= $left && $l > 0) {
                return self::add($points[$i - 1], self::sub($points[$i], $points[$i - 1]), $left / $l);
            }
            $left -= $l;
        }

        return $points[0];
    }
}
