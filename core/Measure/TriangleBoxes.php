<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;

/**
 * Boxes around the triangles of a solid. A triangle that is long and lies aslant fills its box badly and would stand in the
 * way of every ray there: it gets several boxes, each around a stretch of it (M. Ernst and G. Greiner, "Early Split Clipping
 * for Bounding Volume Hierarchies", IEEE Symposium on Interactive Ray Tracing, 2007).
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Box array{float,float,float,float,float,float}
 */
final class TriangleBoxes
{
    /** A box is cut while it is longer than this share of the whole, and less of it is filled than FULL. */
    private const LONG = 1 / 10;

    private const FULL = 0.3;

    /** Cuts of one triangle after another. */
    private const DEEP = 5;

    /** Boxes in all, as a multiple of the triangles. */
    private const MOST = 3;

    /** @return array{list<int>, list<Box>} the triangle each box is of, and the boxes, least and greatest x, y, z */
    public static function of(Solid $s): array
    {
        $of = $boxes = [];
        $whole = $s->vertexBox();
        $long = self::LONG * max($whole[3] - $whole[0], $whole[4] - $whole[1], $whole[5] - $whole[2]);
        $left = (self::MOST - 1) * count($s->facet);
        foreach ($s->facet as $t => $_) {
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            [$ax, $ay, $az, $bx, $by, $bz, $cx, $cy, $cz] = [
                $s->x[$a],
                $s->y[$a],
                $s->z[$a],
                $s->x[$b],
                $s->y[$b],
                $s->z[$b],
                $s->x[$c],
                $s->y[$c],
                $s->z[$c],
            ];
            $box = [min($ax, $bx, $cx), min($ay, $by, $cy), min($az, $bz, $cz), max($ax, $bx, $cx), max($ay, $by, $cy), max($az, $bz, $cz)];
            [$dx, $dy, $dz] = [$box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2]];
            if ($left > 0 && ($dx > $long || $dy > $long || $dz > $long)) {
                $ux = ($by - $ay) * ($cz - $az) - ($bz - $az) * ($cy - $ay);
                $uy = ($bz - $az) * ($cx - $ax) - ($bx - $ax) * ($cz - $az);
                $uz = ($bx - $ax) * ($cy - $ay) - ($by - $ay) * ($cx - $ax);
                // twice the area against the box's largest side
                if (sqrt($ux * $ux + $uy * $uy + $uz * $uz) < 2 * self::FULL * max($dx * $dy, $dy * $dz, $dx * $dz)) {
                    $parts = self::cut([[$ax, $ay, $az], [$bx, $by, $bz], [$cx, $cy, $cz]], $box, $long, self::DEEP);
                    $left -= count($parts) - 1;
                    foreach ($parts as $part) {
                        $of[] = $t;
                        $boxes[] = $part;
                    }

                    continue;
                }
            }
            $of[] = $t;
            $boxes[] = $box;
        }

        return [$of, $boxes];
    }

    /**
     * @param list<V> $polygon
     * @param Box $box around it
     * @return list<Box>
     */
    private static function cut(array $polygon, array $box, float $long, int $deep): array
    {
        $size = [$box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2]];
        $axis = $size[0] >= $size[1] && $size[0] >= $size[2] ? 0 : ($size[1] >= $size[2] ? 1 : 2);
        if ($deep === 0 || $size[$axis] <= $long) {
            return [$box];
        }
        $at = ($box[$axis] + $box[$axis + 3]) / 2;
        $low = $high = [];
        foreach ($polygon as $i => $p) {
            $q = $polygon[($i + 1) % count($polygon)];
            if ($p[$axis] <= $at) {
                $low[] = $p;
            }
            if ($p[$axis] >= $at) {
                $high[] = $p;
            }
            if (($p[$axis] - $at) * ($q[$axis] - $at) < 0) {
                $f = ($at - $p[$axis]) / ($q[$axis] - $p[$axis]);
                $m = [$p[0] + $f * ($q[0] - $p[0]), $p[1] + $f * ($q[1] - $p[1]), $p[2] + $f * ($q[2] - $p[2])];
                $low[] = $m;
                $high[] = $m;
            }
        }
        if (count($low) < 3 || count($high) < 3) {
            return [$box];
        }

        return [...self::cut($low, self::around($low), $long, $deep - 1), ...self::cut($high, self::around($high), $long, $deep - 1)];
    }

    /**
     * @param non-empty-list<V> $points
     * @return Box
     */
    private static function around(array $points): array
    {
        $box = [INF, INF, INF, -INF, -INF, -INF];
        foreach ($points as $p) {
            for ($k = 0; $k < 3; $k++) {
                $box[$k] = min($box[$k], $p[$k]);
                $box[$k + 3] = max($box[$k + 3], $p[$k]);
            }
        }

        return $box;
    }
}
