<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Recipe;

/** A new step of a kind. */
final class Add extends Edit
{
    public function rules(): array
    {
        return ['kind' => Rule::text(20), 'after' => Rule::text(Limits::ID)];
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
        $kind = Kinds::find($in->text('kind'));

        return $kind === null ? $r : Editing::add($r, $kind, $in->after($r));
    }
}
