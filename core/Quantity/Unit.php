<?php

declare(strict_types=1);

namespace Cubo\Quantity;

/** The unit a part is drawn in. Inside, everything is millimetres. */
enum Unit: string
{
    case Millimetre = 'mm';
    case Inch = 'in';

    /** Millimetres per unit; the inch is exact since 1959 (ISO 80000-3:2019, annex C). */
    public function inMillimetres(): float
    {
        return $this === self::Inch ? 25.4 : 1.0;
    }

    public function word(): string
    {
        return $this === self::Inch ? 'inch' : 'mm';
    }

    /** A length as read on a drawing: two decimals in mm, three in inches, with the true minus sign. */
    public function show(float $mm, ?int $decimals = null): string
    {
        return Number::show($mm / $this->inMillimetres(), $decimals ?? $this->decimals());
    }

    /** Without needless zeros, for required sizes. */
    public function brief(float $mm): string
    {
        return Number::brief($mm / $this->inMillimetres(), 4);
    }

    public function decimals(): int
    {
        return $this === self::Inch ? 3 : 2;
    }
}
