<?php

declare(strict_types=1);

namespace Cubo\Measure\Recognition;

/**
 * The circle through points of a plane by least squares (I. Kasa, "A circle fitting procedure and its error analysis", IEEE
 * Trans. Instrum. Meas. 25, 1976).
 */
final class CircleFit
{
    /**
     * @param non-empty-array<array{float, float}> $points
     * @return array{float, float, float}|null middle and radius; null for points on one line
     */
    public static function of(array $points): ?array
    {
        $n = count($points);
        $cx = array_sum(array_column($points, 0)) / $n;
        $cy = array_sum(array_column($points, 1)) / $n;
        $xx = $yy = $xy = $xz = $yz = 0.0;
        foreach ($points as [$x, $y]) {
            [$x, $y] = [$x - $cx, $y - $cy];
            $z = $x * $x + $y * $y;
            $xx += $x * $x;
            $yy += $y * $y;
            $xy += $x * $y;
            $xz += $x * $z;
            $yz += $y * $z;
        }
        $det = 2 * ($xx * $yy - $xy * $xy);
        if (abs($det) < 1e-12 * ($xx + $yy) ** 2) {
            return null;
        }
        $a = ($xz * $yy - $yz * $xy) / $det;
        $b = ($yz * $xx - $xz * $xy) / $det;

        return [$a + $cx, $b + $cy, sqrt($a * $a + $b * $b + ($xx + $yy) / $n)];
    }
}
