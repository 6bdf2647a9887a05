<?php

declare(strict_types=1);

namespace Cubo\Recipe\Groups;

use Cubo\Budget\Limits;
use Cubo\Recipe\Group;
use Cubo\Recipe\GroupOrigin;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Message;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;

/**
 * A group as it lies in a library: a recipe of its own with the groups it is made of, and one instance of it. What is
 * frozen never changes; taking it brings a copy into another recipe that knows where it came from.
 */
final class Frozen
{
    /**
     * @param string|null $part the library's name for the part it becomes a new version of
     *
     * @throws StepProblem when the group would contain an older version of itself
     */
    public static function of(Recipe $r, string $group, ?string $part = null): Recipe
    {
        $main =
            $r->groups[$group] ?? throw new StepProblem(new Message('no-group', 'There is no such group.', 'It was removed meanwhile.'));
        $groups = [];
        foreach ($r->reach($group) as $id) {
            $g = $r->groups[$id];
            if ($part !== null && $id !== $group && $g->from?->part === $part) {
                throw new StepProblem(
                    new Message(
                        'contains-itself',
                        'A part of the library cannot contain itself.',
                        "{$main->name()} is made with {$g->name()}, which is version {$g->from->version} of the same part. Give it another name, or take that out of it.",
                    ),
                );
            }
            $groups[$id] = $id === $group ? new Group($id, $g->recipe, $g->locked) : $g;
        }
        $instance = new Step('s1', Kinds::of('group'), $main->name(), [
            'group' => $group,
            'set' => [],
            'stand' => 'ground',
            'effect' => 'add',
        ]);

        return new Recipe($r->unit, [$instance], $main->name(), 0, [], null, [], [], $groups);
    }

    /**
     * A frozen part in a recipe: the id of its group there, and the recipe with it. Where that version is there already,
     * nothing is added.
     *
     * @return array{Recipe, string}
     *
     * @throws StepProblem when there are too many groups
     */
    public static function taken(Recipe $r, Recipe $frozen, GroupOrigin $from): array
    {
        foreach ($r->groups as $id => $g) {
            if ($g->from?->part === $from->part && $g->from->version === $from->version) {
                return [$r, $id];
            }
        }
        $main = $frozen->steps[0]->text('group');
        [$r, $ids] = self::merged($r, $frozen, array_diff(array_keys($frozen->groups), [$main]));
        $id = Instances::freshId($r);
        $group = $frozen->groups[$main];
        $recipe = self::pointing($group->recipe, $ids)->titled(Instances::freeName($r, '', $group->name()));

        return [$r->withGroups([...$r->groups, $id => new Group($id, $recipe, $group->locked, $from)]), $id];
    }

    /**
     * A group replaced by another version of the part it was taken from; every instance follows.
     *
     * @throws StepProblem
     */
    public static function renewed(Recipe $r, string $group, Recipe $frozen, GroupOrigin $from): Recipe
    {
        $old = $r->groups[$group] ?? throw new StepProblem(new Message('no-group', 'There is no such group.', 'It was removed meanwhile.'));
        $main = $frozen->steps[0]->text('group');
        [$r, $ids] = self::merged($r, $frozen, array_diff(array_keys($frozen->groups), [$main]));
        $new = $frozen->groups[$main];

        return $r->withGroups([
            ...$r->groups,
            $group => new Group($group, self::pointing($new->recipe, $ids)->titled($old->name()), $new->locked, $from),
        ]);
    }

    /**
     * @param list<string>|array<int, string> $which groups of the frozen recipe
     * @return array{Recipe, array<string, string>} with these groups, and their ids there
     */
    private static function merged(Recipe $r, Recipe $frozen, array $which): array
    {
        if (count($r->groups) + count($which) >= Limits::GROUPS) {
            throw new StepProblem(
                new Message(
                    'too-many',
                    'There are too many groups.',
                    'A part has at most ' . Limits::GROUPS . '. Remove one that is placed nowhere.',
                ),
            );
        }
        $ids = [];
        $next = (int) substr(Instances::freshId($r), 1);
        foreach ($which as $id) {
            $ids[$id] = 'g' . $next++;
        }
        foreach ($which as $id) {
            $g = $frozen->groups[$id];
            $r = $r->withGroups([
                ...$r->groups,
                $ids[$id] => new Group(
                    $ids[$id],
                    self::pointing($g->recipe, $ids)->titled(Instances::freeName($r, '', $g->name())),
                    $g->locked,
                    $g->from,
                ),
            ]);
        }

        return [$r, $ids];
    }

    /** @param array<string, string> $ids of the groups that its steps place, old => new */
    private static function pointing(Recipe $group, array $ids): Recipe
    {
        return $group->withSteps(
            array_map(
                static fn(Step $s): Step => isset($ids[$s->text('group')]) ? $s->with('group', $ids[$s->text('group')]) : $s,
                $group->steps,
            ),
        );
    }
}
