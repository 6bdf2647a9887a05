<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Arrange\Nudging;
use Cubo\Recipe\Recipe;

/** A shape put at a corner, an edge or a face. */
final class PutAt extends Edit
{
    public function rules(): array
    {
        return ['of' => Rule::names(Limits::NAME)];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Nudging::to($r, $in->text('step'), $in->names()[0] ?? '', $bench->evaluate);
    }
}
