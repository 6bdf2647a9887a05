<?php

declare(strict_types=1);

namespace Cubo\Measure;

/** The end of a hole that does not go through. */
final class BlindEnd
{
    /** mm past the bottom from which the far side is looked for */
    private const BEYOND = 1e-6;

    /** How much material is left at the end of a hole that does not go through, along its axis, mm. */
    public static function left(PartMeasures $m, Hole $h): float
    {
        $least = INF;
        $size = $m->bounds()->size();
        $far = 2 * array_sum($size) + 1.0;
        foreach ([1.0, -1.0] as $sign) {
            $way = [$sign * $h->axis[0], $sign * $h->axis[1], $sign * $h->axis[2]];
            $bottom = $m->tree()->firstHit($h->point, $way, 0.0, $far);
            if ($bottom === null) {
                continue;
            }
            $out = $m->tree()->firstHit($h->point, $way, $bottom[0] + self::BEYOND, $far);
            if ($out !== null) {
                $least = min($least, $out[0] - $bottom[0]);
            }
        }

        return is_finite($least) ? $least : 0.0;
    }
}
