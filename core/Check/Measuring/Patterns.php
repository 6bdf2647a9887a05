<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Axes;
use Cubo\Measure\Flat;
use Cubo\Measure\Hole;
use Cubo\Measure\PartMeasures;

/** What repeats in a part: holes of one diameter, on a circle or in an even row; chamfers of one width. */
final class Patterns
{
    /** Diameters and places that differ by less, mm, are alike. */
    private const ALIKE = 0.02;

    /** @return list<Hole> holes along an axis with about this diameter */
    public static function holes(PartMeasures $m, int $axis, float $diameter, float $within): array
    {
        return array_values(
            array_filter(
                $m->features()->holes,
                static fn(Hole $h): bool => $h->principal() === $axis && abs(2 * $h->radius - $diameter) <= $within,
            ),
        );
    }

    /**
     * The circle the axes lie on.
     *
     * @param list<Hole> $holes
     * @return array{float, float, float}|null middle (of the two axes across) and diameter
     */
    public static function circle(array $holes, int $axis): ?array
    {
        if (count($holes) < 3) {
            return null;
        }
        [$a, $b] = Axes::others($axis);
        $p = array_map(static fn(Hole $h): array => [$h->point[$a], $h->point[$b]], $holes);
        $n = count($p);
        $c = [array_sum(array_column($p, 0)) / $n, array_sum(array_column($p, 1)) / $n];
        $radii = array_map(static fn(array $q): float => hypot($q[0] - $c[0], $q[1] - $c[1]), $p);
        $mean = array_sum($radii) / $n;

        return $mean > 1e-6 && max($radii) - min($radii) <= self::ALIKE + 0.05 * $mean ? [$c[0], $c[1], 2 * $mean] : null;
    }

    /**
     * The greatest and the least step of holes that lie in a row.
     *
     * @param list<Hole> $holes
     * @return array{float, float}|null
     */
    public static function row(array $holes, int $axis): ?array
    {
        if (count($holes) < 3) {
            return null;
        }
        [$a, $b] = Axes::others($axis);
        $p = array_map(static fn(Hole $h): array => [$h->point[$a], $h->point[$b]], $holes);
        sort($p);
        $n = count($p);
        $d = [$p[$n - 1][0] - $p[0][0], $p[$n - 1][1] - $p[0][1]];
        $long = hypot($d[0], $d[1]);
        $steps = [];
        for ($i = 1; $i < $n; $i++) {
            if (abs(($p[$i][0] - $p[0][0]) * $d[1] - ($p[$i][1] - $p[0][1]) * $d[0]) > self::ALIKE * $long) {
                return null;
            }
            $steps[] = hypot($p[$i][0] - $p[$i - 1][0], $p[$i][1] - $p[$i - 1][1]);
        }

        return [max($steps), min($steps)];
    }

    /** @return list<array{float, Flat}> widths of narrow faces at 45 degrees between two directions of the axes, mm */
    public static function chamfers(PartMeasures $m): array
    {
        $out = [];
        $size = $m->bounds()->size();
        foreach ($m->features()->flats as $f) {
            $n = array_map(abs(...), $f->normal);
            $axes = array_keys(array_filter($n, static fn(float $v): bool => abs($v - M_SQRT1_2) < 1e-4));
            if (count($axes) !== 2 || $f->box === null) {
                continue;
            }
            $wide = $f->box[1][$axes[0]] - $f->box[0][$axes[0]];
            $other = $f->box[1][$axes[1]] - $f->box[0][$axes[1]];
            $along = $f->box[1][3 - $axes[0] - $axes[1]] - $f->box[0][3 - $axes[0] - $axes[1]];
            if (abs($wide - $other) < 1e-4 && $wide < 0.3 * max($size) && $along > $wide) {
                $out[] = [$wide, $f];
            }
        }

        return $out;
    }
}
