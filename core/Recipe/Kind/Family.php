<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use Cubo\Words\Words;

/** How the kinds of steps are told apart where one is chosen. */
enum Family: string
{
    case Solid = 'solid';
    case Sketch = 'sketch';
    case Face = 'face';
    case Whole = 'whole';

    public function label(): string
    {
        return Words::of("steps/shared.families.$this->value");
    }
}
