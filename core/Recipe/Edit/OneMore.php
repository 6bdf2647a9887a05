<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Arrange\Copies;
use Cubo\Recipe\Recipe;

/** What a step makes, once more. */
final class OneMore extends Edit
{
    public function makesStep(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Copies::oneMore($r, $in->text('step'), $bench->evaluate);
    }
}
