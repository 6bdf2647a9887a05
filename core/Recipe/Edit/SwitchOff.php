<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Recipe\Recipe;

/** A step switched off, or on again. */
final class SwitchOff extends Edit
{
    public function id(): string
    {
        return 'switch';
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        $step = $in->step($r);

        return $step === null ? $r : $r->withStep($step->switched(!$step->off));
    }
}
