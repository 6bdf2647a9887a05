<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Quantity\Unit;

/** What a wrong number tells: the ways a person mistypes one. */
final class Numbers
{
    /** Within this share two numbers are the same slip. */
    private const NEAR = 0.004;

    /**
     * The slip that makes the got size from the asked one, mm.
     *
     * @return array{Slip, float, string}|null slip, confidence and words
     */
    public static function slip(float $got, float $asked, Unit $unit): ?array
    {
        $k = abs($asked) > 1e-9 ? $got / $asked : INF;
        foreach ([25.4, 1 / 25.4] as $f) {
            if (self::near($k, $f)) {
                return [
                    Slip::OneUnit,
                    0.93,
                    $f > 1
                        ? 'It is 25.4 times as much: inches instead of millimetres.'
                        : 'It is 25.4 times too little: millimetres instead of inches.',
                ];
            }
        }
        foreach (
            [[10.0, 'ten times as much'], [100.0, 'a hundred times as much'], [0.1, 'a tenth'], [0.01, 'a hundredth']]
            as [$f, $words]
        ) {
            if (self::near($k, $f)) {
                return [Slip::DecimalPoint, 0.92, "It is $words of it: did the decimal point slip?"];
            }
        }
        if (self::near($k, 2.0) || self::near($k, 0.5)) {
            return [
                Slip::TotalAsHalf,
                0.85,
                $k > 1
                    ? 'It is twice as much: extruded to both sides, or a whole size typed for a half?'
                    : 'It is half of it: a half size typed for the whole?',
            ];
        }
        if (self::swapped($unit->brief($got), $unit->brief($asked))) {
            return [Slip::DigitsSwapped, 0.88, "{$unit->brief($got)} and {$unit->brief($asked)} have the same digits in another order."];
        }

        return null;
    }

    public static function near(float $a, float $b): bool
    {
        return is_finite($a) && abs($a - $b) <= self::NEAR * abs($b);
    }

    /** Whether two numbers, as written, have two neighbouring digits swapped. */
    private static function swapped(string $a, string $b): bool
    {
        if ($a === $b) {
            return false;
        }
        // 9 for 09.0: the same number of digits before the point
        foreach ([$a, $b] as $n) {
            if (!preg_match('/^\d+(\.\d+)?$/', $n)) {
                return false;
            }
        }
        for ($i = 0; $i < strlen($b) - 1; $i++) {
            for ($j = $i + 1; $j < strlen($b) && $j < $i + 3; $j++) {
                $s = $b;
                [$s[$i], $s[$j]] = [$s[$j], $s[$i]];
                if (is_numeric($s) && ctype_digit($b[$i]) && ctype_digit($b[$j]) && (float) $s === (float) $a) {
                    return true;
                }
            }
        }

        return false;
    }
}
