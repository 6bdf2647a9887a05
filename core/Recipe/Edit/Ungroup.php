<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Groups\Ungrouping;
use Cubo\Recipe\Recipe;

/** A group taken apart. */
final class Ungroup extends Edit
{
    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Ungrouping::of($r, $in->text('step'), $bench->evaluate);
    }
}
