<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Arrange\Nudging;
use Cubo\Recipe\Recipe;

/** A shape turned about its middle. */
final class Spin extends Edit
{
    public function rules(): array
    {
        return ['degrees' => Rule::real(-360, 360)];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Nudging::turn($r, $in->text('step'), $in->real('degrees'));
    }
}
