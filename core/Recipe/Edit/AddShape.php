<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Editing;
use Cubo\Recipe\Recipe;

/** An outline more in a sketch. */
final class AddShape extends Edit
{
    public function rules(): array
    {
        return ['kind' => Rule::text(20)];
    }

    public function keepsTrial(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Editing::addShape($r, $in->text('step'), $in->text('kind'));
    }
}
