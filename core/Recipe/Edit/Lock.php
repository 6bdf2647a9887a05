<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Groups\Instances;
use Cubo\Recipe\Recipe;

/** A named size of a group that no place may set, or may again. */
final class Lock extends Edit
{
    public function rules(): array
    {
        return ['group' => Rule::text(Limits::ID), 'of' => Rule::names(Limits::NAME), 'on' => Rule::flag()];
    }

    public function isOfWhole(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Instances::lock($r, $in->text('group'), $in->text('of'), $in->is('on'));
    }
}
