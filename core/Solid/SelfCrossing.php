<?php

declare(strict_types=1);

namespace Cubo\Solid;

/**
 * Finds whether the skin of a solid passes through itself: two triangles that share no corner reach to both sides of each
 * other and meet along a stretch. Touching is no crossing. Triangles are swept along x, so that only those are compared
 * whose boxes meet.
 */
final class SelfCrossing
{
    public static function found(Solid $s): bool
    {
        foreach (self::pairs($s) as $_) {
            return true;
        }

        return false;
    }

    /**
     * @param float $slack share of the size below which nothing counts as reaching to the other side; files in single
     *     precision need more than solids made here
     * @return iterable<array{int, int}> triangles that pass through each other
     */
    public static function pairs(Solid $s, float $slack = 1e-9): iterable
    {
        $boxes = [];
        foreach ($s->facet as $t => $_) {
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $boxes[] = [
                min($s->x[$a], $s->x[$b], $s->x[$c]),
                max($s->x[$a], $s->x[$b], $s->x[$c]),
                min($s->y[$a], $s->y[$b], $s->y[$c]),
                max($s->y[$a], $s->y[$b], $s->y[$c]),
                min($s->z[$a], $s->z[$b], $s->z[$c]),
                max($s->z[$a], $s->z[$b], $s->z[$c]),
                $t,
            ];
        }
        sort($boxes);
        $n = count($boxes);
        for ($i = 0; $i < $n; $i++) {
            [, $right, $y0, $y1, $z0, $z1, $t] = $boxes[$i];
            for ($j = $i + 1; $j < $n && $boxes[$j][0] <= $right; $j++) {
                $o = $boxes[$j];
                if ($o[2] > $y1 || $o[3] < $y0 || $o[4] > $z1 || $o[5] < $z0) {
                    continue;
                }
                if (self::cross($s, $t, $o[6], $slack)) {
                    yield [$t, $o[6]];
                }
            }
        }
    }

    private static function cross(Solid $s, int $t, int $u, float $slack): bool
    {
        $p = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
        $q = [$s->start[3 * $u], $s->start[3 * $u + 1], $s->start[3 * $u + 2]];
        if (array_intersect($p, $q) !== []) {
            return false;
        }
        $f = $s->facet[$t];
        $g = $s->facet[$u];
        $line = [
            $s->ny[$f] * $s->nz[$g] - $s->nz[$f] * $s->ny[$g],
            $s->nz[$f] * $s->nx[$g] - $s->nx[$f] * $s->nz[$g],
            $s->nx[$f] * $s->ny[$g] - $s->ny[$f] * $s->nx[$g],
        ];
        $eps = $slack * (1 + abs($s->offset[$f]) + abs($s->offset[$g]));
        $a = self::stretch($s, $p, $g, $line, $eps);
        $b = $a === null ? null : self::stretch($s, $q, $f, $line, $eps);

        return $a !== null && $b !== null && min($a[1], $b[1]) - max($a[0], $b[0]) > $eps;
    }

    /**
     * The stretch of the line of both planes that lies in a triangle; null when it does not reach to both sides of the
     * other's plane (T. Moeller, "A Fast Triangle-Triangle Intersection Test", Journal of Graphics Tools 2(2), 1997).
     *
     * @param array{int,int,int} $p
     * @param array{float,float,float} $line
     * @return array{float,float}|null
     */
    private static function stretch(Solid $s, array $p, int $plane, array $line, float $eps): ?array
    {
        $height = $along = [];
        $above = $below = false;
        foreach ($p as $v) {
            $h = $s->nx[$plane] * $s->x[$v] + $s->ny[$plane] * $s->y[$v] + $s->nz[$plane] * $s->z[$v] - $s->offset[$plane];
            $above = $above || $h > $eps;
            $below = $below || $h < -$eps;
            $height[] = $h;
            $along[] = $line[0] * $s->x[$v] + $line[1] * $s->y[$v] + $line[2] * $s->z[$v];
        }
        if (!$above || !$below) {
            return null;
        }
        $low = INF;
        $high = -INF;
        for ($k = 0; $k < 3; $k++) {
            $j = ($k + 1) % 3;
            if ($height[$k] > 0 !== $height[$j] > 0) {
                $at = $along[$k] + (($along[$j] - $along[$k]) * $height[$k]) / ($height[$k] - $height[$j]);
                $low = min($low, $at);
                $high = max($high, $at);
            }
        }

        return [$low, $high];
    }
}
