<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Recipe;

/** One thing taken into a list of a step, or out of it. */
final class Pick extends Edit
{
    public function rules(): array
    {
        return ['key' => Rule::text(20), 'face' => Rule::text(Limits::NAME), 'on' => Rule::flag()];
    }

    public function keepsTrial(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        $id = $in->text('step');

        return LastingPicks::in(Editing::pick($r, $id, $in->text('key'), $in->text('face'), $in->is('on')), $id, $bench);
    }
}
