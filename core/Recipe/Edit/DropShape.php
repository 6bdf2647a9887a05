<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Editing;
use Cubo\Recipe\Recipe;

/** An outline of a sketch taken out. */
final class DropShape extends Edit
{
    public function rules(): array
    {
        return ['letter' => Rule::text(2)];
    }

    public function keepsTrial(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Editing::dropShape($r, $in->text('step'), $in->text('letter'));
    }
}
