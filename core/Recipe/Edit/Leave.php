<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Recipe;

/** Nothing: the number of an edit that was given up. */
final class Leave extends Edit
{
    public function isOfWhole(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return $r;
    }
}
