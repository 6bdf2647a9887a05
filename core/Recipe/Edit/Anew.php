<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Editing;
use Cubo\Recipe\Recipe;

/** All steps out, to make the same part another way. */
final class Anew extends Edit
{
    public function isOfWhole(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Editing::anew($r);
    }
}
