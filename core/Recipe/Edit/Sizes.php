<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Recipe;
use Cubo\Recipe\SizesTable;

/** The table of named sizes, row by row. */
final class Sizes extends Edit
{
    public function rules(): array
    {
        return ['sizes' => Rule::several(80)];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return SizesTable::set($r, $in->several('sizes'));
    }
}
