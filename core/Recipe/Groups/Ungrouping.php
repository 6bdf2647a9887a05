<?php

declare(strict_types=1);

namespace Cubo\Recipe\Groups;

use Closure;
use Cubo\Budget\Limits;
use Cubo\Recipe\Arrange\Aligning;
use Cubo\Recipe\Arrange\Nudging;
use Cubo\Recipe\Group;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Make\Groups;
use Cubo\Recipe\Make\Placing;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\Message;
use Cubo\Recipe\NamedSizes;
use Cubo\Recipe\Paint;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\SketchPlane;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;

/** The steps of a group taken out of it again, to where an instance of it stands. */
final class Ungrouping
{
    /**
     * Takes the steps of a group out of it again, where this instance stands. Other instances stay.
     *
     * @param Closure(Recipe): PartState $evaluate
     *
     * @throws StepProblem
     */
    public static function of(Recipe $r, string $id, Closure $evaluate): Recipe
    {
        [$step, $group] = Instances::instance($r, $id);
        if ($group->locked !== []) {
            throw new StepProblem(
                new Message(
                    'locked',
                    'This group is locked.',
                    'Some of its sizes are locked by ' . ($group->from->author ?? 'whoever made it') . ', so it stays in one piece.',
                ),
            );
        }
        if ($step->text('facing') !== '0' || $step->text('leans') !== 'none') {
            throw new StepProblem(
                new Message(
                    'turned',
                    'A turned group cannot be taken apart.',
                    'Set its turn to 0 and let it stand upright first; or open it and change its shapes inside.',
                    'facing',
                ),
            );
        }
        if ($group->recipe->unit !== $r->unit) {
            throw new StepProblem(
                new Message(
                    'unit',
                    'This group cannot be taken apart here.',
                    "Its unit is {$group->recipe->unit->word()}, that of this part is {$r->unit->word()}.",
                ),
            );
        }
        $task = Task::inLog($r, $step, $evaluate);
        $by = Placing::motion($task, Groups::solid($task))->t;
        $ids = [];
        foreach ($group->recipe->steps as $s) {
            // the numbers of steps that were deleted are not given away again
            $ids[$s->id] = 's' . ((int) substr($r->freshId(), 1) + count($ids));
        }
        $renaming = new Renaming($ids);
        $cuts = $step->text('effect') === 'cut';
        $sizes = self::sizesOutside($r, $step, $group);
        $steps = [];
        foreach ($group->recipe->steps as $s) {
            $s = $renaming->step(self::withId($s, $ids[$s->id]));
            foreach ($s->kind->fields() as $key => $f) {
                if ($f->type->isTyped() && is_string($s->values[$key] ?? null)) {
                    $s = $s->with($key, NamedSizes::renamed($s->text($key), $sizes['names']));
                }
            }
            // what stood on the ground of the group stands on the face the group stood on
            if ($step->text('stand') === 'face' && $s->text('stand') === 'ground') {
                foreach (
                    ['stand' => 'face', 'on' => $step->text('on'), 'alignx' => 'origin', 'aligny' => 'origin', 'sink' => '0']
                    as $key => $v
                ) {
                    $s = $s->with($key, $v);
                }
            }
            $steps[] =
                $cuts && $s->text('effect') === 'add'
                    ? $s->with('effect', 'cut')
                    : ($step->text('effect') === 'apart' && $s->text('effect') === 'add' && $steps === []
                        ? $s->with('effect', 'apart')
                        : $s);
        }
        $all = [];
        foreach ($r->steps as $s) {
            array_push($all, ...$s->id === $id ? $steps : [$s]);
        }
        // faces inside the group lose what stood before their names
        $back = static fn(string $name): string => (string) preg_replace_callback(
            '#' . preg_quote($id, '#') . ':in/([a-z0-9]+):#',
            static fn(array $m): string => ($ids[$m[1]] ?? $m[1]) . ':',
            $name,
        );
        $out = self::replaced($r->without($id)->withSteps($all)->withSizes($sizes['all']), $back);
        $all = $r->paint["$id:" . Paint::ALL] ?? null;
        $paint =
            $all === null
                ? $renaming->paint($group->recipe->paint)
                : array_fill_keys(array_map(static fn(string $new): string => "$new:" . Paint::ALL, array_values($ids)), $all);
        $out = $out->painted([...array_diff_key($out->paint, ["$id:" . Paint::ALL => '']), ...$paint]);
        self::within($out);
        $out = self::shifted($out, Groups::recipe($task), $ids, $by, $evaluate);
        if (!Instances::alike($evaluate($r)->part(), $evaluate($out)->part())) {
            throw new StepProblem(
                new Message(
                    'moved',
                    'This group cannot be taken apart here.',
                    'Some of its steps cannot be moved along with it. Let it stand at the place 0, 0, 0 first; or open it and change its shapes inside.',
                ),
            );
        }

        return $out;
    }

    /**
     * The sizes of a group in the table outside: those that are set to a name are that name, others come in with their
     * value, under another name where theirs is taken.
     *
     * @return array{all: array<string, string>, names: array<string, string>} names inside => outside
     */
    private static function sizesOutside(Recipe $r, Step $step, Group $group): array
    {
        $all = $r->sizes;
        $names = [];
        $set = array_intersect_key($step->sizes(), $group->settable());
        foreach ($group->recipe->sizes as $name => $value) {
            $name = (string) $name;
            $value = trim($set[$name] ?? '') === '' ? $value : $set[$name];
            if (isset($all[trim($value)])) {
                $names[$name] = trim($value);

                continue;
            }
            $new = $name;
            for ($k = 2; isset($all[$new]) && !($all[$new] === $value && $value === $group->recipe->sizes[$name]); $k++) {
                $new = mb_substr($name, 0, 20) . "_$k";
            }
            $names[$name] = $new;
            // what is set is written in the names outside already, what is not in those inside
            $all[$new] = isset($set[$name]) && trim($set[$name]) !== '' ? $value : NamedSizes::renamed($value, $names);
        }
        if (count($all) > Limits::SIZES) {
            throw new StepProblem(
                new Message('too-many', 'There would be too many named sizes.', 'The table holds at most ' . Limits::SIZES . '.'),
            );
        }

        return [
            'all' => $all,
            'names' => array_filter($names, static fn(string $new, string $old): bool => $new !== $old, ARRAY_FILTER_USE_BOTH),
        ];
    }

    private static function withId(Step $s, string $id): Step
    {
        return new Step($id, $s->kind, $s->name, $s->values, $s->off, $s->note, $s->heading);
    }

    /** @param Closure(string): string $new names of faces, edges and corners */
    private static function replaced(Recipe $r, Closure $new): Recipe
    {
        $steps = array_map(static function (Step $s) use ($new): Step {
            foreach ($s->kind->fields() as $key => $f) {
                $v = $s->values[$key] ?? null;
                if (is_string($v) && in_array($f->type, [FieldType::Face, FieldType::Edge, FieldType::Spot], true)) {
                    $s = $s->with($key, $new($v));
                } elseif (is_array($v) && in_array($f->type, [FieldType::Faces, FieldType::Edges], true)) {
                    $s = $s->with($key, array_map($new, $s->names($key)));
                }
            }

            return $s;
        }, $r->steps);
        $paint = [];
        foreach ($r->paint as $face => $colour) {
            $paint[$new($face)] = $colour;
        }

        return $r
            ->withSteps($steps)
            ->painted($paint)
            ->pinned(array_map(static fn(array $pin): array => array_map($new, $pin), $r->pins))
            ->onGround($new($r->ground));
    }

    private static function within(Recipe $r): void
    {
        if (count($r->steps) > Limits::STEPS) {
            throw new StepProblem(
                new Message(
                    'too-many',
                    'There would be too many steps.',
                    'A part has at most ' . Limits::STEPS . '. Leave this group together.',
                ),
            );
        }
    }

    /**
     * Steps that were taken out of a group, moved to where they stood in it. What stands on others is carried already.
     *
     * @param Recipe $group as it was placed
     * @param array<string, string> $ids of the steps, in the group => outside
     * @param array{float,float,float} $by mm the group's own frame lies off
     * @param Closure(Recipe): PartState $evaluate
     */
    private static function shifted(Recipe $r, Recipe $group, array $ids, array $by, Closure $evaluate): Recipe
    {
        foreach ($group->steps as $in) {
            $s = $r->step($ids[$in->id]);
            $was = Aligning::box($group, $in->id, $evaluate);
            if ($s === null || $was === null) {
                $r = $s === null ? $r : $r->withStep(self::shiftedAxis($s, $by, $r));

                continue;
            }
            $is = Aligning::box($r, $s->id, $evaluate);
            $r =
                $is === null
                    ? $r
                    : Nudging::by($r, $s->id, [$was[0] + $by[0] - $is[0], $was[1] + $by[1] - $is[1], $was[2] + $by[2] - $is[2]], $evaluate);
        }

        return $r;
    }

    /**
     * Axes that steps turn about and the planes of sketches, moved on.
     *
     * @param array{float,float,float} $by mm
     */
    private static function shiftedAxis(Step $s, array $by, Recipe $r): Step
    {
        $u = $r->unit->inMillimetres();
        $along = [];
        $axis = $s->kind->axisAt($s->text(...));
        if ($axis !== []) {
            $along = array_combine($axis, $by);
        } elseif ($s->kind->draws() && $s->text('plane') !== 'face') {
            [$right, $up, $out] = SketchPlane::tryFrom($s->text('plane'))?->placement()->local($by) ?? [0.0, 0.0, 0.0];
            $along = ['u' => $right, 'v' => $up, 'offset' => $out];
        }
        foreach ($along as $key => $mm) {
            $s = abs($mm) < 1e-9 ? $s : $s->with($key, Nudging::sum($s->text($key), $mm / $u));
        }

        return $s;
    }
}
