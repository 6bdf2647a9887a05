<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Recipe;

/** A step taken out. */
final class Delete extends Edit
{
    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return $r->without($in->text('step'));
    }
}
