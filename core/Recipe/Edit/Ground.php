<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\FacePlane;
use Cubo\Recipe\Message;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepProblem;

/** The flat face new shapes stand on for a while, or the ground again. */
final class Ground extends Edit
{
    public function rules(): array
    {
        return ['face' => Rule::text(Limits::NAME)];
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        $face = $in->text('face');
        if ($face !== '' && FacePlane::placement($bench->made($r)->part(), $face) === null) {
            throw new StepProblem(new Message('no-face', 'This cannot be the ground.', 'Only a flat face can. Pick one that is flat.'));
        }

        return $r->onGround($face);
    }
}
