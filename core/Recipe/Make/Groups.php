<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Quantity\Number;
use Cubo\Recipe\Group;
use Cubo\Recipe\Message;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** What a group makes in its own frame, with the sizes an instance of it sets. */
final class Groups
{
    /** Groups in groups, at most. */
    private const DEEPEST = 8;

    public static function solid(Task $t): Solid
    {
        $state = $t->made(self::recipe($t));
        foreach ($state->results as $r) {
            foreach ($r->messages as $m) {
                // half a group is no group, and must not be kept as one
                if ($m->code === StepProblem::TOO_LONG) {
                    throw new StepProblem($m);
                }
            }
        }
        $solid = $state->part();
        if ($solid->isEmpty()) {
            throw new StepProblem(
                new Message(
                    'nothing-there',
                    'This group makes nothing.',
                    'None of its steps makes a part. Open the group to see why.',
                    'group',
                ),
            );
        }
        $id = $t->step->id;

        return $solid->renamed(static fn(string $name): string => "$id:in/$name");
    }

    /** The group's recipe as this step places it. */
    public static function recipe(Task $t): Recipe
    {
        $g =
            $t->recipe->groups[$t->text('group')] ??
            throw new StepProblem(new Message('no-group', 'There is no group here.', 'Pick one of the groups of this part.', 'group'));
        if (in_array($g->id, $t->recipe->within, true)) {
            throw new StepProblem(
                new Message(
                    'contains-itself',
                    'A group cannot contain itself.',
                    "{$g->name()} is being made here, so it cannot be placed in here.",
                    'group',
                ),
            );
        }
        if (count($t->recipe->within) >= self::DEEPEST) {
            throw new StepProblem(
                new Message('too-deep', 'Too many groups lie inside each other.', 'At most ' . self::DEEPEST . ' may.', 'group'),
            );
        }
        $recipe = $g->within($t->recipe);
        $set = self::set($t, $g);

        return $set === [] ? $recipe : $recipe->withSizes([...$recipe->sizes, ...$set]);
    }

    /**
     * The sizes that are set, worked out here and written so that the group reads the same: lengths in millimetres, plain
     * numbers as they are, which there count in the unit of the group.
     *
     * @return array<string, string>
     */
    private static function set(Task $t, Group $g): array
    {
        $out = [];
        foreach (array_intersect_key($t->step->sizes(), $g->settable()) as $name => $typed) {
            if (trim($typed) === '') {
                continue;
            }
            [$v, $dimension] = $t->v->named($typed, $name, $g->recipe->unit);
            $out[$name] = Number::typed($v, 9) . ($dimension === 1 ? ' mm' : '');
        }

        return $out;
    }
}
