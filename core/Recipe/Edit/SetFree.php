<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Groups\Instances;
use Cubo\Recipe\Recipe;

/** A placed group that no longer follows the others. */
final class SetFree extends Edit
{
    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Instances::setFree($r, $in->text('step'));
    }
}
