<?php

declare(strict_types=1);

namespace Cubo\Printing;

use Cubo\Solid\Solid;

/**
 * Places where a print would begin in the air: lowest spots of the surface, each a corner, an edge or a level patch with
 * everything around it higher and with material above, that do not lie on the bed.
 */
final class Islands
{
    /** Heights that differ by less than this share of the size are level. */
    private const LEVEL = 1e-6;

    /** @return list<array{float,float,float}> a point of each */
    public static function of(Solid $s): array
    {
        if ($s->isEmpty()) {
            return [];
        }
        $low = $s->vertexBox()[2];
        $eps = self::LEVEL * max(1.0, $s->vertexBox()[5] - $low);
        // corners joined by level edges are one spot
        $root = array_keys($s->x);
        $find = static function (int $v) use (&$root): int {
            while ($root[$v] !== $v) {
                $v = $root[$v] = $root[$root[$v]];
            }

            return $v;
        };
        foreach ($s->start as $h => $a) {
            $b = $s->start[$h % 3 === 2 ? $h - 2 : $h + 1];
            if (abs($s->z[$a] - $s->z[$b]) <= $eps) {
                $root[$find($a)] = $find($b);
            }
        }
        $higher = $facing = [];
        foreach ($s->start as $h => $a) {
            $b = $s->start[$h % 3 === 2 ? $h - 2 : $h + 1];
            foreach ([[$a, $b], [$b, $a]] as [$p, $q]) {
                if ($s->z[$q] < $s->z[$p] - $eps) {
                    $higher[$find($p)] = false;
                }
            }
            $f = $s->facet[intdiv($h, 3)];
            $facing[$find($a)] = ($facing[$find($a)] ?? 0.0) + $s->nz[$f] * self::angle($s, $h);
        }
        $out = [];
        foreach ($facing as $v => $up) {
            if (($higher[$v] ?? true) && $up < 0 && $s->z[$v] > $low + $eps) {
                $out[] = [$s->x[$v], $s->y[$v], $s->z[$v]];
            }
        }

        return $out;
    }

    /** The angle of a triangle at the beginning of a half-edge: how much that triangle says about its corner. */
    private static function angle(Solid $s, int $h): float
    {
        $v = $s->start[$h];
        $p = $s->start[$h % 3 === 2 ? $h - 2 : $h + 1];
        $q = $s->start[$h % 3 === 0 ? $h + 2 : $h - 1];
        $u = [$s->x[$p] - $s->x[$v], $s->y[$p] - $s->y[$v], $s->z[$p] - $s->z[$v]];
        $w = [$s->x[$q] - $s->x[$v], $s->y[$q] - $s->y[$v], $s->z[$q] - $s->z[$v]];
        $l = sqrt(($u[0] ** 2 + $u[1] ** 2 + $u[2] ** 2) * ($w[0] ** 2 + $w[1] ** 2 + $w[2] ** 2));

        return $l > 0 ? acos(max(-1.0, min(1.0, ($u[0] * $w[0] + $u[1] * $w[1] + $u[2] * $w[2]) / $l))) : 0.0;
    }
}
