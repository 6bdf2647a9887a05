<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Quantity\DensityUnit;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Recipe;

/** What the part is thought to be made of. */
final class Material extends Edit
{
    public function rules(): array
    {
        return [
            'material' => Rule::text(30),
            'density' => Rule::text(Limits::TYPED),
            'density_unit' => Rule::choice(array_column(DensityUnit::cases(), 'value')),
        ];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        return Editing::material($r, $in->text('material'), $in->maybe('density'), DensityUnit::tryFrom($in->text('density_unit')));
    }
}
