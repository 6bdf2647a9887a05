<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\Limits;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Rebasing;
use Cubo\Recipe\Recipe;

/** Values of a step as they were typed, its name, remark and heading. */
final class Set extends Edit
{
    public function rules(): array
    {
        return [
            'values' => Rule::several(40),
            'name' => Rule::text(Limits::WORD),
            'note' => Rule::text(Limits::NOTE),
            'heading' => Rule::text(Limits::WORD),
        ];
    }

    public function keepsTrial(): bool
    {
        return true;
    }

    public function apply(Recipe $r, Input $in, Bench $bench): Recipe
    {
        $id = $in->text('step');
        $set = Editing::set($r, $id, $in->several('values'), $in->maybe('name'), $in->given('note'), $in->given('heading'));

        return self::rebased($r, LastingPicks::in($set, $id, $bench), $id, $bench);
    }

    /** When a sketch moves to another plane, what was built on the faces of its part turns with it. */
    private static function rebased(Recipe $before, Recipe $after, string $id, Bench $bench): Recipe
    {
        [$old, $new] = [$before->step($id), $after->step($id)];
        $moved =
            $new?->kind->draws() &&
            $old !== null &&
            [$old->text('plane'), $old->text('face')] !== [$new->text('plane'), $new->text('face')];
        if (!$moved) {
            return $after;
        }
        // "on a face" is chosen before the face is: then where the sketch lay stands a few revisions back
        if (!Rebasing::lies($before, $id, $bench->evaluate)) {
            foreach ($bench->earlier() as $was) {
                $before = $was->step($id) === null ? $before : $was;
                if (Rebasing::lies($before, $id, $bench->evaluate)) {
                    break;
                }
            }
        }

        return Rebasing::follow($before, $after, $id, $bench->evaluate);
    }
}
