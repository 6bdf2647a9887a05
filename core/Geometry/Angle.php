<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/** Angles in degrees. */
final class Angle
{
    private const QUARTER = 90.0;

    /** Quarters of a turn that differ by less are the same: rounding. */
    private const ROUNDING = 1e-12;

    /** @return array{float,float} cosine and sine, exact at multiples of 90 degrees */
    public static function cosSin(float $degrees): array
    {
        $quarter = $degrees / self::QUARTER;
        if (abs($quarter - round($quarter)) < self::ROUNDING) {
            return [[1.0, 0.0], [0.0, 1.0], [-1.0, 0.0], [0.0, -1.0]][((((int) round($quarter)) % 4) + 4) % 4];
        }

        return [cos(deg2rad($degrees)), sin(deg2rad($degrees))];
    }
}
