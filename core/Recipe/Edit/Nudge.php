<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Arrange\Nudging;
use Cubo\Recipe\Recipe;

/** A step pushed by a way in space. */
final class Nudge extends Edit
{
    public function rules(): array
    {
        return ['by' => Rule::several(3)];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Nudging::by($r, $in->text('step'), $in->way(), $bench->evaluate);
    }
}
