<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Quantity\Unit;

/** The unit a file without one was probably made in: the one whose sizes come nearest to what is asked. */
final class LikelyUnit
{
    /**
     * @param array{float,float,float} $sizes of the file, in its own unit
     * @param array{float,float,float}|null $asked mm
     */
    public static function of(array $sizes, ?array $asked, Unit $exercise): Unit
    {
        if ($asked === null || max($sizes) <= 0) {
            return $exercise;
        }
        $off = static fn(Unit $u): float => abs(log((max($sizes) * $u->inMillimetres()) / max($asked)));

        // the drawing's unit unless the other one is clearly nearer
        $other = $exercise === Unit::Inch ? Unit::Millimetre : Unit::Inch;

        return $off($other) + 0.5 < $off($exercise) ? $other : $exercise;
    }
}
