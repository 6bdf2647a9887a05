<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Geometry\Vector;

/**
 * Whether a round hole goes through: past both its ends its axis comes out of the part, or into a room much wider than
 * the hole, as between the legs of a fork. A narrower or little wider bore that ends is a step of a hole that does not.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Through
{
    /** How much wider than the hole a room must be. */
    private const WIDE = 2.5;

    /**
     * @param V $middle of the hole, on its axis
     * @param V $axis unit
     * @param float $half of its length, mm
     * @param float $far longer than the part
     */
    public static function is(TriangleTree $tree, array $middle, array $axis, float $half, float $radius, float $far): bool
    {
        foreach ([1.0, -1.0] as $sign) {
            $way = [$sign * $axis[0], $sign * $axis[1], $sign * $axis[2]];
            $hit = $tree->firstHit($middle, $way, 0.0, $far);
            if ($hit !== null && !self::leaves($tree, $middle, $way, $half, $hit[0], $radius, $far)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param V $from
     * @param V $way unit
     */
    private static function leaves(TriangleTree $tree, array $from, array $way, float $half, float $end, float $radius, float $far): bool
    {
        $room = $end - $half;
        if ($room < 0.05 * $radius) {
            return false;
        }
        foreach ([0.25, 0.5, 0.75] as $share) {
            $p = Vector::add($from, $way, $half + $share * $room);
            $least = $far;
            foreach (self::around($way) as $side) {
                $hit = $tree->firstHit($p, $side, 0.0, $far);
                if ($hit === null) {
                    return true;
                }
                $least = min($least, $hit[0]);
            }
            if ($least > self::WIDE * $radius && $room > self::WIDE * $radius) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param V $way unit
     * @return list<V> eight directions across it
     */
    private static function around(array $way): array
    {
        $help = abs($way[0]) < 0.6 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0];
        $u = Vector::cross($way, $help);
        $l = Vector::length($u);
        $u = [$u[0] / $l, $u[1] / $l, $u[2] / $l];
        $v = Vector::cross($way, $u);
        $out = [];
        for ($i = 0; $i < 8; $i++) {
            // not along faces that stand square to the hole
            $angle = (($i + 0.37) * M_PI) / 4;
            $out[] = Vector::add(Vector::add([0.0, 0.0, 0.0], $u, cos($angle)), $v, sin($angle));
        }

        return $out;
    }
}
