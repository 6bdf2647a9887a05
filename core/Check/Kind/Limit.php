<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

/** A limit that the teacher states rather than a size of the reference part. */
final readonly class Limit
{
    private function __construct(public bool $least, public LimitUnit $unit, public bool $aboveZero) {}

    /** @param bool $aboveZero whether nothing at all is no limit */
    public static function atLeast(LimitUnit $unit, bool $aboveZero = false): self
    {
        return new self(true, $unit, $aboveZero);
    }

    public static function atMost(LimitUnit $unit): self
    {
        return new self(false, $unit, false);
    }

    public function words(): string
    {
        return $this->least ? 'at least' : 'at most';
    }
}
