<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Recipe\Kind\Changes;
use Cubo\Recipe\Kind\Effect;
use Cubo\Recipe\Kind\Makes;
use Cubo\Recipe\Kind\Recurs;
use Cubo\Recipe\Message;
use Cubo\Recipe\NamedSizes;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Recipe\StepValues;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Boolean\Operation;
use Cubo\Solid\Change\Together;
use Cubo\Solid\Solid;
use LogicException;

/** One step done on the part before it: what it makes of its own is put together with the part, or the part is changed. */
final class Making
{
    private const MOST_TRIANGLES = 60000;

    /**
     * @param Closure(Recipe): PartState $before evaluates what stands before another step
     */
    public function __construct(private readonly Closure $before) {}

    /**
     * The part with the step done.
     *
     * @throws StepProblem
     */
    public function of(Task $task, Recipe $recipe): Solid
    {
        $step = $task->step;
        if ($step->text('of') === 'step') {
            return $this->again($task, $recipe);
        }
        $tool = self::tool($task);
        if ($tool !== null) {
            try {
                return $this->combine($task, $tool, $step->effect() ?? Effect::Add);
            } catch (StepProblem $p) {
                throw $p->note->code === 'cuts-nothing' ? $this->orTheOtherWay($task, $p) : $p;
            }
        }

        return self::withinLimits(
            self::guarded(
                static fn(): Solid => $step->kind instanceof Changes
                    ? $step->kind->change($task)
                    : throw new LogicException("A {$step->kind->id()} neither makes nor changes anything."),
            ),
        );
    }

    /** A cut that misses the part: whether it would meet it in the other direction. */
    private function orTheOtherWay(Task $t, StepProblem $p): StepProblem
    {
        if (!$t->step->kind->has('direction')) {
            return $p;
        }
        try {
            $turned = $t->step->with('direction', $t->text('direction') === 'down' ? 'up' : 'down');
            $this->combine($t, self::tool($t->for($turned)) ?? new Solid(), Effect::Cut);
        } catch (StepProblem) {
            return $p;
        }

        return new StepProblem(
            new Message(
                'cuts-nothing',
                $p->note->what,
                'In the other direction it would take something away. The part is shown without this step.',
                'direction',
                false,
                ['words' => 'Turn it round', 'values' => ['direction' => $turned->text('direction')]],
            ),
        );
    }

    /** What a step makes of its own; null for one that only changes the part. @throws StepProblem */
    public static function tool(Task $t): ?Solid
    {
        $kind = $t->step->kind;

        return $kind instanceof Makes ? self::guarded(static fn(): Solid => $kind->tool($t)) : null;
    }

    /** Mirrors or repeats what another step makes. */
    private function again(Task $t, Recipe $recipe): Solid
    {
        $source = $recipe->step($t->text('source'));
        $before = true;
        foreach ($recipe->steps as $s) {
            $before = $before && $s->id !== $t->step->id;
            if ($s->id === $source?->id && !$before) {
                $source = null;
            }
        }
        if ($source === null || $source->off || !$source->kind->makes()) {
            throw new StepProblem(
                new Message(
                    'no-step',
                    'There is no such step here.',
                    'Pick an earlier step that adds something or takes something away, and that is switched on.',
                    'source',
                ),
            );
        }
        $was = $this->asItWas($source, $recipe, $t->budget);
        $tool = self::tool($was) ?? new Solid();
        // a copy is made anew only where the step counts
        $counts =
            preg_match(
                '/(?<![a-z0-9_])' . NamedSizes::COUNTER . '(?![a-z0-9_])/',
                (string) json_encode([array_filter($source->values, is_string(...)), $source->sizes()]),
            ) === 1;
        $kind = $t->step->kind;
        $copies = !($kind instanceof Recurs)
            ? []
            : $kind->again($t, static function (int $n) use ($counts, $was, $tool, $t): Solid {
                $t->budget->spend(10);

                return $counts && $n > 0 ? self::copy($was, $n) : $tool;
            });
        $effect = $source->effect() ?? Effect::Add;
        if ($effect === Effect::Keep || $effect === Effect::Apart) {
            foreach ($copies as $one) {
                $t = $t->on($this->combine($t, $one, $effect));
            }

            return $t->part;
        }

        // all copies become one first, so that the part is gone through once
        return $copies === []
            ? $t->part
            : $this->combine($t, self::guarded(static fn(): Solid => Together::of($copies, $t->budget)), $effect);
    }

    /** A step as it is in its n-th copy. */
    private static function copy(Task $was, int $n): Solid
    {
        try {
            return self::tool($was->counting($n)) ?? new Solid();
        } catch (StepProblem $p) {
            if ($p->note->code === StepProblem::TOO_LONG) {
                throw $p;
            }
            throw new StepProblem(
                new Message(
                    $p->note->code,
                    'A copy cannot be made.',
                    "In copy $n of {$was->step->name}: {$p->note->what} {$p->note->why}",
                    'source',
                ),
            );
        }
    }

    /** A step as it was made: what goes up to a face or grows to a wall had the part before it, not the part there is now. */
    private function asItWas(Step $source, Recipe $recipe, Budget $budget): Task
    {
        $before = ($this->before)($recipe->before($source->id));
        foreach ($before->results as $r) {
            foreach ($r->messages as $m) {
                // what was given up in a busy moment must not be remembered as the part it was made on
                if ($m->code === StepProblem::TOO_LONG) {
                    throw new StepProblem($m);
                }
            }
        }

        return Task::of($recipe, $source, $before->part(), $before->sketches, $this->before, null, $budget);
    }

    private function combine(Task $t, Solid $tool, Effect $effect): Solid
    {
        [$part, $id] = [$t->part, $t->step->id];
        if ($part->isEmpty()) {
            if ($effect->begins()) {
                return self::withinLimits($tool);
            }
            throw new StepProblem(
                new Message(
                    'nothing-there',
                    'There is nothing yet.',
                    'This step ' . $effect->words() . ', but no earlier step has made a part. Let it add, or put a step before it.',
                    'effect',
                ),
            );
        }
        $t->budget->spend($tool->triangleCount());
        if ($effect === Effect::Apart) {
            return self::withinLimits(
                self::guarded(
                    static fn(): Solid => Joining::apart($part, $tool, $t->budget) ??
                        throw new StepProblem(
                            new Message(
                                'vanishes',
                                'Nothing of it would be seen.',
                                'All of it lies inside the part, and bodies do not overlap. Move it, or let it add.',
                                'effect',
                            ),
                        ),
                ),
            );
        }
        $op = match ($effect) {
            Effect::Cut => Operation::Difference,
            Effect::Keep => Operation::Intersection,
            default => Operation::Union,
        };
        $result = self::guarded(
            static fn(): Solid => match (true) {
                !$t->apart => BooleanOperation::run($part, $tool, $op, $t->budget),
                $op === Operation::Union => Joining::added($part, $tool, $t->budget),
                default => Joining::each($part, $tool, $op, $t->budget),
            },
        );
        if ($result->isEmpty()) {
            throw new StepProblem(
                new Message(
                    'vanishes',
                    'Nothing would be left.',
                    $effect === Effect::Cut
                        ? 'This cut takes the whole part away. The part is shown without this step.'
                        : 'The part and this shape share nothing. The part is shown without this step.',
                    'effect',
                ),
            );
        }
        if ($effect === Effect::Cut && !self::hasWallsOf($result, $id)) {
            $before = $part->facettedVolume();
            if ($before - $result->facettedVolume() < 1e-9 * $before) {
                throw new StepProblem(
                    new Message(
                        'cuts-nothing',
                        'This cut touches nothing.',
                        'The shape lies beside the part or only against its surface. Look at its place and direction. The part is shown without this step.',
                    ),
                );
            }
        }

        return self::withinLimits($result);
    }

    /** A cut that leaves a wall has taken something away; one that swallows a whole body leaves none. */
    private static function hasWallsOf(Solid $result, string $id): bool
    {
        foreach ($result->surfaces as $surface) {
            if (str_starts_with($surface->name, "$id:")) {
                return true;
            }
        }

        return false;
    }

    /** @param callable(): Solid $work */
    private static function guarded(callable $work): Solid
    {
        try {
            return $work();
        } catch (BooleanFailed) {
            throw new StepProblem(
                new Message(
                    'too-complex',
                    'This could not be worked out.',
                    'The part and this shape are too fine to be combined. Use fewer copies or fewer round shapes. The part is shown without this step.',
                ),
            );
        }
    }

    private static function withinLimits(Solid $s): Solid
    {
        if ($s->triangleCount() > self::MOST_TRIANGLES) {
            throw new StepProblem(
                new Message(
                    'too-complex',
                    'This part becomes too fine.',
                    'More than ' . self::MOST_TRIANGLES . ' facets would be needed. Use fewer copies or fewer round shapes.',
                ),
            );
        }
        foreach ($s->vertexBox() as $v) {
            if (abs($v) > 2 * StepValues::MOST) {
                throw new StepProblem(
                    new Message(
                        'too-far',
                        'This goes too far out.',
                        'The part would reach more than 20 metres away from the origin. The part is shown without this step.',
                    ),
                );
            }
        }

        return $s;
    }
}
