<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Recipe;

/** A group opened, to change its steps. */
final class Open extends Edit
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
        return $r->opened($in->text('group'));
    }
}
