<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Recipe;
use Cubo\Recipe\RegionPicks;

/** One area of a sketch taken or left. */
final class Region extends Edit
{
    public function rules(): array
    {
        return ['index' => Rule::whole(0, 200)];
    }

    public function keepsTrial(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        $step = $in->step($r);

        return $step === null ? $r : $r->withStep(RegionPicks::toggled($step, $bench->regionsFor($r, $step), $in->whole('index')));
    }
}
