<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

use Cubo\Quantity\Expression;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;

/** In what a teacher states a limit. */
enum LimitUnit
{
    case Length;
    case Area;
    case Degrees;
    case Percent;
    case Count;

    /**
     * What was typed, as mm, mm2, degrees, percent or a count.
     *
     * @throws UnreadableExpression
     */
    public function read(string $typed, Unit $unit): float
    {
        return match ($this) {
            self::Length => Expression::length($typed, $unit),
            self::Area => Expression::number($typed) * $unit->inMillimetres() ** 2,
            default => Expression::number(rtrim($typed, ' %°')),
        };
    }

    /** As it is typed, without its unit. */
    public function shown(float $value, Unit $unit): string
    {
        return match ($this) {
            self::Length => $unit->brief($value),
            self::Area => Number::brief($value / $unit->inMillimetres() ** 2, 3),
            default => Number::brief($value, 1),
        };
    }

    /** What stands behind the number; nothing behind a length, whose unit the sheet has. */
    public function sign(Unit $unit): string
    {
        return match ($this) {
            self::Area => " {$unit->value}²",
            self::Degrees => '°',
            self::Percent => ' %',
            default => '',
        };
    }
}
