<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\Angle;

/**
 * How many facets a full turn gets: chord height at most CHORD, always a multiple of eight, so that every circle has
 * a vertex at its quadrants and equal circles match wherever they come from.
 */
final class Fineness
{
    /** Greatest distance of a chord from its arc, mm. */
    public const CHORD = 0.02;

    private const LEAST = 32;

    private const MOST = 128;

    public static function facets(float $radius): int
    {
        if ($radius <= self::CHORD) {
            return self::LEAST;
        }
        $n = M_PI / acos(1 - self::CHORD / $radius);

        return (int) max(self::LEAST, min(self::MOST, 8 * ceil($n / 8)));
    }

    /** @return list<array{float,float}> cosine and sine of each vertex of a full turn, exact at the quadrants */
    public static function circle(int $n): array
    {
        $out = [];
        for ($i = 0; $i < $n; $i++) {
            $out[] = Angle::cosSin((360.0 * $i) / $n);
        }

        return $out;
    }

    /**
     * Cosines and sines along an arc from angle 0: the points of the full circle as far as they lie on it, and its end.
     *
     * @param int $n facets of the full turn
     * @param float $angle degrees; a full turn does not repeat its first point
     * @return list<array{float,float}>
     */
    public static function arc(int $n, float $angle): array
    {
        if ($angle >= 360) {
            return self::circle($n);
        }
        $out = [];
        for ($i = 0; (360.0 * $i) / $n < $angle - 1e-9; $i++) {
            $out[] = Angle::cosSin((360.0 * $i) / $n);
        }
        $out[] = Angle::cosSin($angle);

        return $out;
    }
}
