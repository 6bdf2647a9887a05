<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Recipe\Make\Handles;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Solid;

/**
 * What one step does, for the eye: what it adds and what it takes away, the regions it may take, and where its values can
 * be taken hold of.
 *
 * @phpstan-import-type Handle from Handles
 */
final readonly class Preview
{
    /**
     * @param list<Handle> $handles
     * @param list<array{number: int, taken: bool, loops: list<list<array{float,float,float}>>}> $areas regions of its sketch in space
     */
    private function __construct(public ?Solid $added, public ?Solid $removed, public array $handles, public array $areas) {}

    /**
     * Exactly: the difference between the part before and after the step.
     *
     * @param callable(Recipe): PartState $evaluate
     */
    public static function of(Recipe $recipe, Step $step, callable $evaluate): self
    {
        $task = self::task($recipe, $step, $evaluate);
        $after = $evaluate($recipe->upTo($step->id));
        $added = $removed = null;
        if (! $step->off && ($after->results[$step->id]->status ?? '') === 'done' && $step->kind !== StepKind::Sketch && ! $after->isEmpty()) {
            $effect = isset($step->kind->fields()['of']) && $step->text('of') === 'step' ? 'any' : ($step->kind->makes() ? Evaluator::effect($step) : 'any');
            $added = $effect === 'cut' || $effect === 'keep' ? null : self::over($after->part(), $task->part);
            $removed = $effect === 'add' ? null : self::over($task->part, $after->part());
        }

        return new self($added, $removed, Handles::of($task), self::areas($task));
    }

    /**
     * Quickly, while a value changes: the whole of what the step makes, wherever it meets the part. Nothing for a step
     * that only changes the part.
     *
     * @param callable(Recipe): PartState $evaluate
     *
     * @throws StepProblem
     */
    public static function quick(Recipe $recipe, Step $step, callable $evaluate): self
    {
        $task = self::task($recipe, $step, $evaluate);
        $tool = Evaluator::tool($task);
        $cuts = $step->kind->makes() && Evaluator::effect($step) === 'cut';

        return new self($cuts ? null : $tool, $cuts ? $tool : null, Handles::of($task), []);
    }

    /** @param callable(Recipe): PartState $evaluate */
    private static function task(Recipe $recipe, Step $step, callable $evaluate): Task
    {
        $steps = [];
        foreach ($recipe->steps as $s) {
            if ($s->id === $step->id) {
                break;
            }
            $steps[] = $s;
        }
        $before = $evaluate($recipe->withSteps($steps));

        return new Task($before->part(), $step, new StepValues($step, $recipe->unit, $recipe->named()), $recipe->unit, $before->sketches);
    }

    /** What the first solid has over the second; null when it is nothing or cannot be told. */
    private static function over(Solid $a, Solid $b): ?Solid
    {
        if ($a->isEmpty() || $b->isEmpty()) {
            return $a->isEmpty() ? null : $a;
        }
        try {
            $d = BooleanOperation::difference($a, $b);
        } catch (BooleanFailed) {
            return null;
        }

        return $d->isEmpty() ? null : $d;
    }

    /** @return list<array{number: int, taken: bool, loops: list<list<array{float,float,float}>>}> */
    private static function areas(Task $t): array
    {
        if (! isset($t->step->kind->fields()['regions'])) {
            return [];
        }
        try {
            $sketch = $t->sketch();
        } catch (StepProblem) {
            return [];
        }
        $regions = $sketch->areas->regions;
        $taken = RegionPicks::numbers($t->step, $regions);
        $out = [];
        foreach ($regions as $r) {
            $out[] = ['number' => $r->number, 'taken' => $taken === null || in_array($r->number, $taken, true),
                'loops' => array_map(static fn (array $loop): array => array_map(static fn (array $p): array => $sketch->placement->point([$p[0], $p[1], 0.0]), $loop), $r->loops)];
        }

        return $out;
    }
}
