<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Recipe;
use Cubo\Recipe\RegionPicks;

/** Numbers of regions hold only until the sketch changes; what bounds a region holds longer. */
final class LastingPicks
{
    public static function in(Recipe $r, string $id, Bench $bench): Recipe
    {
        $step = $r->step($id);

        return $step === null || array_filter($step->regions() ?? [], is_int(...)) === []
            ? $r
            : $r->withStep(RegionPicks::lasting($step, $bench->regionsFor($r, $step)));
    }
}
