<?php

declare(strict_types=1);

namespace Cubo\Solid;

/**
 * Finds whether the skin of a solid passes through itself: a side of one triangle through another one with which it
 * shares no corner. Triangles are swept along x, so that only those are compared whose boxes meet.
 */
final class SelfCrossing
{
    public static function found(Solid $s): bool
    {
        $boxes = [];
        foreach ($s->facet as $t => $_) {
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $boxes[] = [min($s->x[$a], $s->x[$b], $s->x[$c]), max($s->x[$a], $s->x[$b], $s->x[$c]), min($s->y[$a], $s->y[$b], $s->y[$c]), max($s->y[$a], $s->y[$b], $s->y[$c]), min($s->z[$a], $s->z[$b], $s->z[$c]), max($s->z[$a], $s->z[$b], $s->z[$c]), $t];
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
                if (self::cross($s, $t, $o[6])) {
                    return true;
                }
            }
        }

        return false;
    }

    private static function cross(Solid $s, int $t, int $u): bool
    {
        $p = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
        $q = [$s->start[3 * $u], $s->start[3 * $u + 1], $s->start[3 * $u + 2]];
        if (array_intersect($p, $q) !== []) {
            return false;
        }

        return self::sideThrough($s, $p, $u, $q) || self::sideThrough($s, $q, $t, $p);
    }

    /**
     * @param array{int,int,int} $p corners of the triangle whose sides are tried
     * @param array{int,int,int} $q corners of triangle u
     */
    private static function sideThrough(Solid $s, array $p, int $u, array $q): bool
    {
        $f = $s->facet[$u];
        $height = [];
        foreach ($p as $v) {
            $height[] = $s->nx[$f] * $s->x[$v] + $s->ny[$f] * $s->y[$v] + $s->nz[$f] * $s->z[$v] - $s->offset[$f];
        }
        $eps = 1e-9 * (1 + abs($s->offset[$f]));
        for ($k = 0; $k < 3; $k++) {
            $j = ($k + 1) % 3;
            if (! (($height[$k] > $eps && $height[$j] < -$eps) || ($height[$k] < -$eps && $height[$j] > $eps))) {
                continue;
            }
            $w = $height[$k] / ($height[$k] - $height[$j]);
            $x = $s->x[$p[$k]] + $w * ($s->x[$p[$j]] - $s->x[$p[$k]]);
            $y = $s->y[$p[$k]] + $w * ($s->y[$p[$j]] - $s->y[$p[$k]]);
            $z = $s->z[$p[$k]] + $w * ($s->z[$p[$j]] - $s->z[$p[$k]]);
            $in = true;
            for ($e = 0; $e < 3 && $in; $e++) {
                $a = $q[$e];
                $b = $q[($e + 1) % 3];
                $dx = $s->x[$b] - $s->x[$a];
                $dy = $s->y[$b] - $s->y[$a];
                $dz = $s->z[$b] - $s->z[$a];
                $gx = $x - $s->x[$a];
                $gy = $y - $s->y[$a];
                $gz = $z - $s->z[$a];
                $in = $s->nx[$f] * ($dy * $gz - $dz * $gy) + $s->ny[$f] * ($dz * $gx - $dx * $gz) + $s->nz[$f] * ($dx * $gy - $dy * $gx) >= -$eps;
            }
            if ($in) {
                return true;
            }
        }

        return false;
    }
}
