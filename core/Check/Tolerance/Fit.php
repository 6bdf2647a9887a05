<?php

declare(strict_types=1);

namespace Cubo\Check\Tolerance;

/**
 * Limits of holes and shafts by ISO 286-2:2010 up to 120 mm, for the classes a school uses: worked out from the standard
 * tolerance grades and fundamental deviations of ISO 286-1 (values from memory, in micrometres).
 */
final class Fit
{
    /** up to this size, mm */
    private const RANGES = [3, 6, 10, 18, 30, 50, 80, 120];

    /** width of the grade */
    private const GRADES = [
        6 => [6, 8, 9, 11, 13, 16, 19, 22],
        7 => [10, 12, 15, 18, 21, 25, 30, 35],
        8 => [14, 18, 22, 27, 33, 39, 46, 54],
        9 => [25, 30, 36, 43, 52, 62, 74, 87],
        11 => [60, 75, 90, 110, 130, 160, 190, 220],
    ];

    /** the upper deviation of shafts below the line, the lower one of shafts above it */
    private const SHAFTS = [
        'f' => [-6, -10, -13, -16, -20, -25, -30, -36],
        'g' => [-2, -4, -5, -6, -7, -9, -10, -12],
        'h' => [0, 0, 0, 0, 0, 0, 0, 0],
        'k' => [0, 1, 1, 1, 2, 2, 2, 3],
        'p' => [6, 12, 15, 18, 22, 26, 32, 37],
    ];

    /** classes there are: letter and grade; capital for holes */
    public const CLASSES = ['H7', 'H8', 'H9', 'H11', 'f7', 'g6', 'h6', 'h7', 'h9', 'h11', 'k6', 'p6'];

    /**
     * Lower and upper deviation in mm; null for a class or size that is not in the table.
     *
     * @return array{float,float}|null
     */
    public static function of(string $class, float $nominal): ?array
    {
        if (!in_array($class, self::CLASSES, true) || $nominal <= 0) {
            return null;
        }
        foreach (self::RANGES as $i => $most) {
            if ($nominal > $most) {
                continue;
            }
            $letter = $class[0];
            $wide = self::GRADES[(int) substr($class, 1)][$i];
            [$low, $high] = match ($letter) {
                'H' => [0, $wide],
                'k', 'p' => [self::SHAFTS[$letter][$i], self::SHAFTS[$letter][$i] + $wide],
                default => [self::SHAFTS[$letter][$i] - $wide, self::SHAFTS[$letter][$i]],
            };

            return [$low / 1000, $high / 1000];
        }

        return null;
    }
}
