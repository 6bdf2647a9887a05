<?php

declare(strict_types=1);

namespace Cubo\Recipe\Groups;

use Cubo\Recipe\Editing;
use Cubo\Recipe\Group;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Message;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/** The groups of a recipe, their names, and the steps that place them. */
final class Instances
{
    /** Gives an instance a group of its own, which no longer follows the others. @throws StepProblem */
    public static function setFree(Recipe $r, string $id): Recipe
    {
        [$step, $group] = self::instance($r, $id);
        $new = self::freshId($r);
        $free = new Group($new, $group->recipe->titled(self::freeName($r, '', $group->name())), $group->locked, $group->from);

        return $r->withGroups([...$r->groups, $new => $free])->withStep($step->with('group', $new));
    }

    /** Another instance of a group, on the ground. @throws StepProblem when that would put it into itself */
    public static function place(Recipe $r, string $group, ?string $after = null): Recipe
    {
        $g = $r->groups[$group] ?? throw new StepProblem(new Message('no-group', 'There is no such group.', 'It was removed meanwhile.'));
        if (array_intersect($r->reach($group), $r->within) !== []) {
            throw new StepProblem(
                new Message(
                    'contains-itself',
                    'A group cannot contain itself.',
                    "{$g->name()} is open here, or made of what is open here, so it cannot be placed in here. Close the group first.",
                ),
            );
        }
        $before = array_column($r->steps, 'id');
        $added = Editing::add($r, Kinds::of('group'), $after);
        $new = array_values(array_diff(array_column($added->steps, 'id'), $before))[0] ?? null;
        $step = $new === null ? null : $added->step($new);
        $same = count(array_filter($r->steps, static fn(Step $s): bool => $s->text('group') === $group));

        return $step === null
            ? $r
            : $added->withStep($step->with('group', $group)->named(mb_substr($g->name(), 0, 55) . ($same > 0 ? ' ' . ($same + 1) : '')));
    }

    /** @throws StepProblem when the name is taken */
    public static function rename(Recipe $r, string $group, string $name): Recipe
    {
        $g = $r->groups[$group] ?? null;
        $name = trim(mb_substr($name, 0, 60));
        if ($g === null || $name === '' || $name === $g->name()) {
            return $r;
        }

        return $r->withGroups([...$r->groups, $group => $g->with($g->recipe->titled(self::freeName($r, $name, $name)))]);
    }

    /** Takes a group that is placed nowhere out of the recipe. @throws StepProblem when it is still placed */
    /** Locks one named size of a group against its instances, or sets it free. */
    public static function lock(Recipe $r, string $group, string $size, bool $locked): Recipe
    {
        $g = $r->groups[$group] ?? null;
        $others = $g === null ? [] : array_values(array_filter($g->locked, static fn(string $n): bool => $n !== $size));

        return $g === null ? $r : $r->withGroups([...$r->groups, $group => $g->locking($locked ? [...$others, $size] : $others)]);
    }

    public static function forget(Recipe $r, string $group): Recipe
    {
        $steps = array_merge($r->steps, ...array_values(array_map(static fn(Group $g): array => $g->recipe->steps, $r->groups)));
        foreach ($steps as $s) {
            if ($s->text('group') === $group) {
                throw new StepProblem(
                    new Message('in-use', 'This group is still placed.', "{$s->name} is an instance of it. Delete that step first."),
                );
            }
        }
        $groups = $r->groups;
        unset($groups[$group]);

        return $r->withGroups($groups);
    }

    public static function freshId(Recipe $r): string
    {
        $most = 0;
        foreach ([...array_keys($r->groups), ...$r->within] as $id) {
            $most = max($most, (int) substr((string) $id, 1));
        }

        return 'g' . ($most + 1);
    }

    /**
     * The name that is wanted, or one with a number after it where none is.
     *
     * @throws StepProblem when a group has it
     */
    public static function freeName(Recipe $r, string $wanted, string $else): string
    {
        $names = array_map(static fn(Group $g): string => mb_strtolower($g->name()), $r->groups);
        $wanted = trim(mb_substr((string) preg_replace('/[\x00-\x1F\x7F]+/', ' ', mb_scrub($wanted, 'UTF-8')), 0, 60));
        if ($wanted !== '') {
            if (in_array(mb_strtolower($wanted), $names, true)) {
                throw new StepProblem(
                    new Message(
                        'name-taken',
                        "There is a group called {$wanted} already.",
                        'Give this one another name, so that both can be told apart.',
                    ),
                );
            }

            return $wanted;
        }
        for ($k = 1, $name = $else; in_array(mb_strtolower($name), $names, true); $name = mb_substr($else, 0, 55) . ' ' . $k) {
            $k++;
        }

        return $name;
    }

    /** @return array{Step, Group} */
    public static function instance(Recipe $r, string $id): array
    {
        $step = $r->step($id);
        $group = $step?->kind->placesGroup() ? $r->groups[$step->text('group')] ?? null : null;

        return $step === null || $group === null
            ? throw new StepProblem(new Message('no-group', 'There is no group here.', 'It was removed meanwhile.'))
            : [$step, $group];
    }

    /** Whether two parts are the same as far as their volume and the box around them tell. */
    public static function alike(Solid $a, Solid $b): bool
    {
        if ($a->isEmpty() || $b->isEmpty()) {
            return $a->isEmpty() === $b->isEmpty();
        }
        $v = $a->facettedVolume();
        $d = array_map(static fn(float $p, float $q): float => abs($p - $q), $a->vertexBox(), $b->vertexBox());

        return abs($v - $b->facettedVolume()) < 1e-6 * $v && max($d) < 1e-5;
    }
}
