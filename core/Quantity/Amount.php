<?php

declare(strict_types=1);

namespace Cubo\Quantity;

/** Areas, volumes and masses as people read them in a unit. */
final class Amount
{
    /** g in a pound avoirdupois (international yard and pound, 1959) */
    private const POUND = 453.59237;

    public static function mass(float $g, Unit $unit): string
    {
        return $unit === Unit::Inch ? Number::show($g / self::POUND, 4) . ' lb' : Number::show($g, 2) . ' g';
    }

    public static function volume(float $mm3, Unit $unit): string
    {
        return $unit === Unit::Inch ? Number::show($mm3 / $unit->inMillimetres() ** 3, 3) . ' in³' : Number::large($mm3) . ' mm³';
    }

    public static function area(float $mm2, Unit $unit): string
    {
        return $unit === Unit::Inch ? Number::show($mm2 / $unit->inMillimetres() ** 2, 3) . ' in²' : Number::large($mm2) . ' mm²';
    }
}
