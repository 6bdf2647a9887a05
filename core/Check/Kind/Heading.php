<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

use Cubo\Words\Words;

/** Under which heading a requirement is offered. */
enum Heading: string
{
    case Sizes = 'sizes';
    case Holes = 'holes';
    case Rounds = 'rounds';
    case Form = 'form';
    case Whole = 'whole';
    case Printing = 'printing';
    case Making = 'making';

    /** Whether what stands under it is read from the faces of a part. */
    public function isOfFaces(): bool
    {
        return in_array($this, [self::Sizes, self::Holes, self::Rounds], true);
    }

    public function label(): string
    {
        return Words::of("checks/shared.headings.$this->value");
    }
}
