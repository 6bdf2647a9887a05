<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\SizesTable;

/** One named size: its value, its name, or both. */
final class Size extends Edit
{
    public function rules(): array
    {
        return ['of' => Rule::names(Limits::NAME), 'name' => Rule::text(Limits::WORD), 'value' => Rule::text(Limits::TYPED + 1)];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return SizesTable::change($r, $in->text('of'), $in->given('name'), $in->given('value'));
    }
}
