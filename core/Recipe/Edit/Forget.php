<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Groups\Instances;
use Cubo\Recipe\Recipe;

/** A group that is placed nowhere taken out. */
final class Forget extends Edit
{
    public function rules(): array
    {
        return ['group' => Rule::text(Limits::ID)];
    }

    public function isOfWhole(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Instances::forget($r, $in->text('group'));
    }
}
