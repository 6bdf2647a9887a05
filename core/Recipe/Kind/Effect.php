<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Cubo\Words\Words;

/** What becomes of the part with what a step makes. */
enum Effect: string
{
    case Add = 'add';
    case Cut = 'cut';
    case Keep = 'keep';
    case Apart = 'apart';

    /** As a field with all of them. */
    public static function field(): Field
    {
        return Field::choice('effect', array_column(self::cases(), 'value'));
    }

    public function words(): string
    {
        return Words::of("steps/shared.choices.effect.$this->value");
    }

    /** Whether it can be done where there is no part yet. */
    public function begins(): bool
    {
        return $this === self::Add || $this === self::Apart;
    }
}
