<?php

declare(strict_types=1);

namespace Cubo\School\Marks;

/** One try at an exercise, as far as marks are concerned. */
final readonly class TryHandedIn
{
    /**
     * @param int $number 1 for the first
     * @param int $most points there are
     * @param bool $late handed in after the day it was due
     */
    public function __construct(public int $number, public float $points, public int $most, public bool $late = false) {}

    public function share(): float
    {
        return $this->most > 0 ? $this->points / $this->most : 0.0;
    }
}
