<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Recipe;

/** A measurement kept in view, or not any more. */
final class Pin extends Edit
{
    public function rules(): array
    {
        return ['of' => Rule::names(Limits::NAME)];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Editing::pin($r, $in->names());
    }
}
