<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Groups\Instances;
use Cubo\Recipe\Recipe;

/** A group placed once more. */
final class Place extends Edit
{
    public function rules(): array
    {
        return ['group' => Rule::text(Limits::ID), 'after' => Rule::text(Limits::ID)];
    }

    public function makesStep(): bool
    {
        return true;
    }

    public function triesStep(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Instances::place($r, $in->text('group'), $in->after($r));
    }
}
