<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Recipe;

/** The open group closed. */
final class Close extends Edit
{
    public function isOfWhole(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return $r->opened('');
    }
}
