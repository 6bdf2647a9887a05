<?php

declare(strict_types=1);

namespace Cubo\Quantity;

/** Units in which the density of a material is given. */
enum DensityUnit: string
{
    case KilogramPerCubicMetre = 'kg/m3';
    case GramPerCubicCentimetre = 'g/cm3';
    case PoundPerCubicInch = 'lb/in3';

    /** 1 lb = 0.45359237 kg and 1 in = 25.4 mm exactly (international yard and pound agreement of 1959). */
    public function toKilogramsPerCubicMetre(float $value): float
    {
        return match ($this) {
            self::KilogramPerCubicMetre => $value,
            self::GramPerCubicCentimetre => 1000 * $value,
            self::PoundPerCubicInch => ($value * 0.45359237) / 0.0254 ** 3,
        };
    }
}
