<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

use Cubo\Words\Words;

/** What a tolerance of a requirement means. */
enum Sort
{
    /** a length, whose tolerance may be unequal, limits, a class or a fit */
    case Length;
    /** degrees, or a class */
    case Angle;
    /** a share of the nominal value, percent */
    case Share;
    /** how far something may lie off its place, or off itself */
    case Off;
    /** it has none */
    case Exact;

    /** What its tolerance is given in. */
    public function words(): string
    {
        return Words::maybe('checks/shared.sorts.' . strtolower($this->name)) ?? '';
    }

    public function hasTolerance(): bool
    {
        return $this !== self::Exact;
    }
}
