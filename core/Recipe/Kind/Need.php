<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

/** What must be there before a step of a kind can be added. */
enum Need
{
    case Nothing;
    case Sketch;
    case Part;
    case SketchAndPart;

    public function isMet(bool $sketch, bool $part): bool
    {
        return match ($this) {
            self::Nothing => true,
            self::Sketch => $sketch,
            self::Part => $part,
            self::SketchAndPart => $sketch && $part,
        };
    }
}
