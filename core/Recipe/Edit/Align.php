<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Arrange\Aligning;
use Cubo\Recipe\Recipe;

/** Shapes lined up, spaced evenly or stacked. */
final class Align extends Edit
{
    public function rules(): array
    {
        return [
            'steps' => Rule::several(Limits::SIZES),
            'against' => Rule::text(Limits::ID),
            'how' => Rule::text(12),
            'way' => Rule::text(1),
        ];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        $ids = $in->steps($r);
        [$way, $how] = [$in->text('way'), $in->text('how')];
        if ($how === 'stack') {
            return Aligning::stack($r, $ids, $bench->evaluate);
        }
        if (!in_array($way, Aligning::WAYS, true)) {
            return $r;
        }

        return match (true) {
            $how === 'space' => Aligning::space($r, $ids, $way, $bench->evaluate),
            in_array($how, Aligning::SIDES, true) => Aligning::align($r, $ids, $in->text('against'), $way, $how, $bench->evaluate),
            default => $r,
        };
    }
}
