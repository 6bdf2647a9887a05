<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Reliance;

/** A step some places earlier or later, where nothing that rests on it is in the way. */
final class Shift extends Edit
{
    public function rules(): array
    {
        return ['places' => Rule::whole(-Limits::STEPS, Limits::STEPS)];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        [$id, $places] = [$in->text('step'), $in->whole('places')];

        return (new Reliance($r))->inTheWay($id, $places) === null ? $r->shifted($id, $places) : $r;
    }
}
