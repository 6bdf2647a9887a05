<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Groups\Instances;
use Cubo\Recipe\Recipe;

/** A group called otherwise. */
final class GroupName extends Edit
{
    public function rules(): array
    {
        return ['group' => Rule::text(Limits::ID), 'name' => Rule::text(Limits::WORD)];
    }

    public function isOfWhole(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Instances::rename($r, $in->text('group'), $in->text('name'));
    }
}
