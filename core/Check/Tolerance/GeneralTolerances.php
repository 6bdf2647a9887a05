<?php

declare(strict_types=1);

namespace Cubo\Check\Tolerance;

/**
 * Tolerances of sizes without an indication of their own: ISO 2768-1:1989, tables 1 to 3 (values from memory). Lengths in
 * mm, angles in degrees. Null where the standard gives none.
 */
enum GeneralTolerances: string
{
    case Fine = 'f';
    case Medium = 'm';
    case Coarse = 'c';
    case VeryCoarse = 'v';

    /** up to this size, mm; the first range begins at 0.5 */
    private const LENGTHS = [3, 6, 30, 120, 400, 1000, 2000, 4000];

    private const BROKEN_EDGES = [3, 6, INF];

    private const ANGLES = [10, 50, 120, 400, INF];

    /** The class a text names, as "m" or "ISO 2768-m"; null when it names none. */
    public static function named(string $text): ?self
    {
        return preg_match('/^(?:ISO\s*)?(?:2768\s*-?\s*)?([fmcv])$/i', trim($text), $m) ? self::from(strtolower($m[1])) : null;
    }

    /** Plus and minus, for a length. */
    public function length(float $nominal): ?float
    {
        return self::at(
            $nominal,
            self::LENGTHS,
            match ($this) {
                self::Fine => [0.05, 0.05, 0.1, 0.15, 0.2, 0.3, 0.5, null],
                self::Medium => [0.1, 0.1, 0.2, 0.3, 0.5, 0.8, 1.2, 2.0],
                self::Coarse => [0.2, 0.3, 0.5, 0.8, 1.2, 2.0, 3.0, 4.0],
                self::VeryCoarse => [null, 0.5, 1.0, 1.5, 2.5, 4.0, 6.0, 8.0],
            },
        );
    }

    /** Plus and minus, for an external radius or a chamfer's height. */
    public function brokenEdge(float $nominal): ?float
    {
        return self::at(
            $nominal,
            self::BROKEN_EDGES,
            match ($this) {
                self::Fine, self::Medium => [0.2, 0.5, 1.0],
                self::Coarse, self::VeryCoarse => [0.4, 1.0, 2.0],
            },
        );
    }

    /** Plus and minus in degrees, for an angle whose shorter side has a length. */
    public function angle(float $shorterSide): ?float
    {
        return $shorterSide <= 0
            ? null
            : self::at(
                max(0.5, $shorterSide),
                self::ANGLES,
                match ($this) {
                    self::Fine, self::Medium => [1.0, 30 / 60, 20 / 60, 10 / 60, 5 / 60],
                    self::Coarse => [1.5, 1.0, 30 / 60, 15 / 60, 10 / 60],
                    self::VeryCoarse => [3.0, 2.0, 1.0, 30 / 60, 20 / 60],
                },
            );
    }

    /**
     * @param list<float|int> $upTo
     * @param list<float|null> $values
     */
    private static function at(float $size, array $upTo, array $values): ?float
    {
        foreach ($size < 0.5 ? [] : $upTo as $i => $most) {
            if ($size <= $most) {
                return $values[$i];
            }
        }

        return null;
    }
}
