<?php

declare(strict_types=1);

namespace Tests;

/** Drawings of sketches, as a recipe holds them. */
final class Drawn
{
    /** @return array<string, mixed> a rectangle about a point */
    public static function rectangle(float $w, float $h, float $u = 0.0, float $v = 0.0): array
    {
        return self::closed([
            [$u - $w / 2, $v - $h / 2],
            [$u + $w / 2, $v - $h / 2],
            [$u + $w / 2, $v + $h / 2],
            [$u - $w / 2, $v + $h / 2],
        ]);
    }

    /** @param list<array{float,float}> $points @return array<string, mixed> lines from point to point */
    public static function lines(array $points): array
    {
        $p = $lines = [];
        foreach ($points as $i => $at) {
            $p['p' . $i] = $at;
            if ($i > 0) {
                $lines[] = ['id' => 'l' . $i, 'kind' => 'line', 'points' => ['p' . ($i - 1), 'p' . $i]];
            }
        }

        return ['points' => $p, 'lines' => $lines, 'relations' => []];
    }

    /** @param list<array{float,float}> $points @return array<string, mixed> the same, and back to the first */
    public static function closed(array $points): array
    {
        $open = self::lines($points);
        $n = count($points);
        $open['lines'][] = ['id' => 'l' . $n, 'kind' => 'line', 'points' => ['p' . ($n - 1), 'p0']];

        return $open;
    }
}
