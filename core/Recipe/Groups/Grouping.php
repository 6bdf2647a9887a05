<?php

declare(strict_types=1);

namespace Cubo\Recipe\Groups;

use Closure;
use Cubo\Budget\Limits;
use Cubo\Quantity\Number;
use Cubo\Recipe\Arrange\Aligning;
use Cubo\Recipe\Group;
use Cubo\Recipe\Kind\Effect;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Make\Making;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Reliance;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/**
 * Steps put under one name as a group. What cannot be done is a StepProblem with the reason in words; nothing is changed
 * then.
 */
final class Grouping
{
    /**
     * Puts steps into a new group and one instance of it in their place, where everything stays as it is.
     *
     * @param list<string> $ids
     * @param Closure(Recipe): PartState $evaluate
     *
     * @throws StepProblem
     */
    public static function group(Recipe $r, array $ids, string $name, Closure $evaluate): Recipe
    {
        $members = self::members($r, $ids);
        $name = Instances::freeName($r, $name, self::nextName($r));
        $inside = array_fill_keys(array_map(static fn(Step $s): string => $s->id, $members), true);
        $floor = self::stayTogether($r, $members, $inside);
        $makes = array_values(array_filter($members, static fn(Step $s): bool => !$s->kind->draws()));
        $effects = array_values(
            array_unique(
                array_map(
                    static fn(Step $s): string => $s->text('effect'),
                    array_filter($makes, static fn(Step $s): bool => $s->kind->has('effect')),
                ),
            ),
        );
        $cuts = $effects === ['cut'];
        if ($cuts) {
            $members = array_map(static fn(Step $s): Step => $s->kind->has('effect') ? $s->with('effect', 'add') : $s, $members);
        } elseif (in_array($makes[0]->effect(), [Effect::Cut, Effect::Keep], true)) {
            throw new StepProblem(
                new Message(
                    'group',
                    'These cannot be one group.',
                    "{$makes[0]->name} takes away, but nothing in the group stands before it. Take the shape it cuts into the group as well.",
                ),
            );
        }
        if ($floor !== null) {
            $members = self::setDown($r, $members, $floor, $evaluate);
        }
        $used = self::sizesUsed($r, $members);
        $spent = $r->toArray()['spent'] ?? 0;
        $id = Instances::freshId($r);
        $made = new Recipe(
            $r->unit,
            array_map(static fn(Step $s): Step => $s->headed(''), $members),
            $name,
            is_int($spent) ? $spent : 0,
            $used,
            null,
            array_filter($r->paint, static fn(string $face): bool => isset($inside[explode(':', $face)[0]]), ARRAY_FILTER_USE_KEY),
        );
        $group = new Group($id, $made);
        $instance = new Step($r->freshId(), Kinds::of('group'), $name, [
            'group' => $id,
            'set' => array_combine(array_keys($used), array_map(strval(...), array_keys($used))),
            'stand' => 'place',
            'effect' => $cuts ? 'cut' : ($effects === ['apart'] ? 'apart' : 'add'),
        ]);

        $out = self::inPlaceOf($r, $members, $instance, $group, $floor, $evaluate);
        if (!Instances::alike($evaluate($r)->part(), $evaluate($out)->part())) {
            throw new StepProblem(
                new Message(
                    'group',
                    'These cannot be one group.',
                    'The part would change, because ' .
                        self::between($r, $inside) .
                        ' works on them too. Take that into the group as well.',
                ),
            );
        }

        return $out;
    }

    /**
     * Words for the steps between members that are none themselves.
     *
     * @param array<string, true> $inside
     */
    private static function between(Recipe $r, array $inside): string
    {
        $ids = array_keys(array_filter(array_column($r->steps, 'id'), static fn(string $id): bool => isset($inside[$id])));
        $names = [];
        foreach ($r->steps as $i => $s) {
            if ($ids !== [] && $i > min($ids) && !isset($inside[$s->id]) && !$s->kind->draws() && !$s->off) {
                $names[] = $s->name;
            }
        }

        return $names === [] ? 'another step' : implode(' or ', array_slice($names, 0, 3));
    }

    private static function nextName(Recipe $r): string
    {
        return 'Group ' . (count($r->groups) + 1);
    }

    /**
     * The chosen steps in their order, with the sketches that only they use.
     *
     * @param list<string> $ids
     * @return non-empty-list<Step>
     */
    private static function members(Recipe $r, array $ids): array
    {
        $reliance = new Reliance($r);
        foreach ($r->steps as $s) {
            if ($s->kind->draws() && ($on = $reliance->on($s->id)) !== [] && array_diff($on, $ids) === []) {
                $ids[] = $s->id;
            }
        }
        $members = array_values(array_filter($r->steps, static fn(Step $s): bool => in_array($s->id, $ids, true) && !$s->off));
        $makes = array_filter($members, static fn(Step $s): bool => $s->kind->makes());
        if ($makes === []) {
            throw new StepProblem(new Message('group', 'Nothing is chosen.', 'Choose the shapes that belong together first.'));
        }
        if (count($r->groups) >= Limits::GROUPS) {
            throw new StepProblem(
                new Message(
                    'too-many',
                    'There are too many groups.',
                    'A part has at most ' . Limits::GROUPS . '. Remove one that is placed nowhere.',
                ),
            );
        }

        return $members === [] ? [array_values($makes)[0]] : $members;
    }

    /**
     * Whether the members need nothing from outside: null, or the one level face outside that all of them stand on.
     *
     * @param non-empty-list<Step> $members
     * @param array<string, true> $inside
     */
    private static function stayTogether(Recipe $r, array $members, array $inside): ?string
    {
        $reliance = new Reliance($r);
        $floor = null;
        $free = false;
        foreach ($members as $s) {
            $outside = array_values(array_filter($reliance->of($s->id), static fn(string $id): bool => !isset($inside[$id])));
            $body = $s->kind->has('body') && $s->text('of') !== 'step';
            if ($body && $s->text('body') === 'all') {
                throw new StepProblem(
                    new Message('group', 'These cannot be one group.', "{$s->name} works on the whole part. Leave it out of the group."),
                );
            }
            $stands = $s->text('stand') === 'face' ? $s->text('on') : null;
            if ($outside !== [] && ($stands === null || $outside !== [explode(':', $stands)[0]] || ($floor ?? $stands) !== $stands)) {
                $names = implode(', ', array_map(static fn(string $id): string => $r->step($id)->name ?? $id, $outside));
                throw new StepProblem(
                    new Message(
                        'group',
                        'These cannot be one group.',
                        "{$s->name} rests on $names. Take that into the group as well, or let it stand on the ground.",
                    ),
                );
            }
            if ($outside !== []) {
                $floor = $stands;
            } elseif ($s->kind->makes() && $reliance->of($s->id) === []) {
                $free = true;
            }
        }
        if ($floor !== null && $free) {
            throw new StepProblem(
                new Message(
                    'group',
                    'These cannot be one group.',
                    'Some of them stand on another shape and some do not. Take that shape into the group as well, or let all of them stand on it.',
                ),
            );
        }

        return $floor;
    }

    /**
     * Members that stand on a level face of another shape, with the same places on the ground of the group's own frame.
     *
     * @param non-empty-list<Step> $members
     * @param Closure(Recipe): PartState $evaluate
     * @return non-empty-list<Step>
     */
    private static function setDown(Recipe $r, array $members, string $floor, Closure $evaluate): array
    {
        $out = [];
        foreach ($members as $s) {
            if ($s->text('stand') !== 'face' || $s->text('on') !== $floor) {
                $out[] = $s;

                continue;
            }
            $task = Task::inLog($r, $s, $evaluate);
            $plane = $task->flatFace('on');
            if ($plane->direction([0.0, 0.0, 1.0])[2] < 1 - 1e-9) {
                throw new StepProblem(
                    new Message(
                        'group',
                        'These cannot be one group.',
                        'They stand on a face that is not level. Let them stand on the ground first.',
                    ),
                );
            }
            $box = (Making::tool($task) ?? new Solid())->vertexBox();
            $u = $r->unit->inMillimetres();
            $corner = $s->text('from') === 'corner';
            $at = static fn(int $k): string => Number::typed(($corner ? $box[$k] : ($box[$k] + $box[$k + 3]) / 2) / $u, 9);
            foreach (
                [
                    'stand' => 'ground',
                    'on' => '',
                    'x' => $at(0),
                    'y' => $at(1),
                    'z' => Number::typed(($box[2] - $plane->t[2]) / $u, 9),
                    'alignx' => 'origin',
                    'aligny' => 'origin',
                    'sink' => '0',
                ]
                as $key => $v
            ) {
                $s = $s->with($key, $v);
            }
            $out[] = $s;
        }

        return $out;
    }

    /**
     * @param non-empty-list<Step> $members
     * @param Closure(Recipe): PartState $evaluate
     */
    private static function inPlaceOf(Recipe $r, array $members, Step $instance, Group $group, ?string $floor, Closure $evaluate): Recipe
    {
        $inside = $ids = [];
        foreach ($members as $s) {
            $inside[$s->id] = true;
            $ids[$s->id] = "$instance->id:in/$s->id";
        }
        $reliance = new Reliance($r);
        $steps = [];
        $left = count($inside);
        $placed = false;
        foreach ($r->steps as $s) {
            if (isset($inside[$s->id])) {
                $left--;
                $instance = $s->heading === '' ? $instance : $instance->headed($s->heading);
            } else {
                $needs = array_values(array_filter($reliance->of($s->id), static fn(string $id): bool => isset($inside[$id])));
                $named = array_values(
                    array_intersect(
                        [
                            $s->text('source'),
                            $s->text('sketch'),
                            $s->text('path'),
                            $s->text('guide'),
                            $s->text('across'),
                            ...$s->names('sketches'),
                        ],
                        array_keys($inside),
                    ),
                );
                if ($named !== []) {
                    throw new StepProblem(
                        new Message(
                            'group',
                            'These cannot be one group.',
                            "{$s->name} needs " . ($r->step($named[0])->name ?? '') . '. Take it into the group as well.',
                        ),
                    );
                }
                // what stands on them comes after them
                if ($needs !== [] && !$placed) {
                    $steps[] = $instance;
                    $placed = true;
                }
                $steps[] = $s;
            }
            if ($left === 0 && !$placed) {
                $steps[] = $instance;
                $placed = true;
            }
        }
        $renaming = new Renaming($ids);
        $spent = $r;
        foreach (array_keys($inside) as $id) {
            $spent = $spent->without($id);
        }
        $out = $spent->withSteps(array_map($renaming->step(...), $steps))->withGroups([...$r->groups, $group->id => $group]);
        $out = $out
            ->painted(
                array_filter(
                    $renaming->paint($r->paint),
                    static fn(string $face): bool => !str_starts_with($face, "$instance->id:"),
                    ARRAY_FILTER_USE_KEY,
                ),
            )
            ->pinned(array_map(static fn(array $pin): array => array_map($renaming->name(...), $pin), $r->pins))
            ->onGround($renaming->name($r->ground));
        if ($floor !== null) {
            $step = $out->step($instance->id) ?? $instance;
            $box = Aligning::box($out, $step->id, $evaluate);
            $u = $r->unit->inMillimetres();
            if ($box !== null) {
                foreach (
                    [
                        'stand' => 'face',
                        'on' => $floor,
                        'x' => Number::typed(($box[0] + $box[3]) / 2 / $u, 9),
                        'y' => Number::typed(($box[1] + $box[4]) / 2 / $u, 9),
                        'sink' => Number::typed(-$box[2] / $u, 9),
                    ]
                    as $key => $v
                ) {
                    $step = $step->with($key, $v);
                }
                $out = $out->withStep($step);
            }
        }

        return $out;
    }

    /**
     * The named sizes that steps use, with those they are built on.
     *
     * @param list<Step> $steps
     * @return array<string, string>
     */
    private static function sizesUsed(Recipe $r, array $steps): array
    {
        $text = (string) json_encode(array_map(static fn(Step $s): array => $s->values, $steps));
        $used = [];
        do {
            $before = count($used);
            preg_match_all('/[a-z][a-z0-9_]*/', $text, $m);
            foreach (array_intersect(array_keys($r->sizes), $m[0]) as $name) {
                $used[$name] = $r->sizes[$name];
                $text .= ' ' . $r->sizes[$name];
            }
        } while (count($used) > $before);

        return $used;
    }
}
