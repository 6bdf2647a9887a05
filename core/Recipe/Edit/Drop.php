<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Arrange\Dropping;
use Cubo\Recipe\Recipe;

/** A shape let down onto what is below it. */
final class Drop extends Edit
{
    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Dropping::drop($r, $in->text('step'), $bench->evaluate);
    }
}
