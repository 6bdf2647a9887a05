<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Recipe\Kind\Effect;
use Cubo\Recipe\Kind\HasArrows;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Make\Making;
use Cubo\Recipe\Make\Task;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/**
 * What one step does, for the eye: what it adds and what it takes away, the regions it may take, and where its values can
 * be taken hold of.
 */
final readonly class Preview
{
    /** mm around what differs */
    private const MARGIN = 0.5;

    /** Of both solids together; finding the difference of larger ones takes longer than anybody waits for a picture. */
    private const MOST_TRIANGLES = 4000;

    /**
     * @param list<Arrow> $arrows
     * @param list<array{number: int, taken: bool, loops: list<list<array{float,float,float}>>}> $areas regions of its sketch in space
     * @param string $lies how a shape lies to what is there already, in words
     */
    private function __construct(
        public ?Solid $added,
        public ?Solid $removed,
        public array $arrows,
        public array $areas,
        public string $lies = '',
    ) {}

    /**
     * Exactly: the difference between the part before and after the step; neither part of it where the step changes most of
     * a very fine part.
     *
     * @param bool $differences whether what is added and taken away is wanted; finding it is the most of the work
     * @param callable(Recipe): PartState $evaluate
     */
    public static function of(Recipe $recipe, Step $step, callable $evaluate, bool $differences = true): self
    {
        $task = Task::inLog($recipe, $step, $evaluate);
        $added = $removed = null;
        $after = $differences ? $evaluate($recipe->upTo($step->id)) : null;
        if (
            $after !== null &&
            !$step->off &&
            ($after->results[$step->id]->status ?? null) === StepStatus::Done &&
            !$step->kind->draws() &&
            !$after->isEmpty()
        ) {
            $effect = $step->kind->has('of') && $step->text('of') === 'step' ? null : $step->effect();
            [$was, $is] = self::whereTheyDiffer($task->part, $after->part(), $task->budget);
            if ($was->triangleCount() + $is->triangleCount() <= self::MOST_TRIANGLES) {
                $added = $effect === Effect::Cut || $effect === Effect::Keep ? null : self::over($is, $was, $task->budget);
                $removed = $effect === Effect::Add || $effect === Effect::Apart ? null : self::over($was, $is, $task->budget);
            }
        }

        return new self($added, $removed, self::arrows($task), self::areas($task), self::lies($task, $recipe, Neighbours::AT_REST));
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
        $task = Task::inLog($recipe, $step, $evaluate);
        $tool = Making::tool($task);
        $cuts = $step->effect() === Effect::Cut;

        return new self($cuts ? null : $tool, $cuts ? $tool : null, self::arrows($task), [], self::lies($task, $recipe, Neighbours::QUICK));
    }

    /**
     * Both solids cut down to where corners of one are not corners of the other: a step that works on one edge of a large
     * part needs only that edge looked at.
     *
     * @return array{Solid, Solid}
     */
    private static function whereTheyDiffer(Solid $a, Solid $b, Budget $budget): array
    {
        if ($a->isEmpty() || $b->isEmpty()) {
            return [$a, $b];
        }
        $lo = [INF, INF, INF];
        $hi = [-INF, -INF, -INF];
        $known = [];
        foreach ([$a, $b] as $k => $s) {
            foreach ($s->x as $v => $x) {
                $known[$k][sprintf('%.7F %.7F %.7F', $x, $s->y[$v], $s->z[$v])] = [$x, $s->y[$v], $s->z[$v]];
            }
        }
        foreach ([array_diff_key($known[0], $known[1]), array_diff_key($known[1], $known[0])] as $only) {
            foreach ($only as $p) {
                foreach ($p as $k => $c) {
                    $lo[$k] = min($lo[$k], $c - self::MARGIN);
                    $hi[$k] = max($hi[$k], $c + self::MARGIN);
                }
            }
        }
        $box = $a->vertexBox();
        $size = array_map(static fn(float $l, float $h): float => $h - $l, $lo, $hi);
        $whole = ($box[3] - $box[0]) * ($box[4] - $box[1]) * ($box[5] - $box[2]);
        if (!is_finite($lo[0]) || $size[0] * $size[1] * $size[2] > 0.6 * $whole) {
            return [$a, $b];
        }
        $crop = Primitives::block('crop', [$lo[0], $lo[1], $lo[2]], [$size[0], $size[1], $size[2]]);
        try {
            return [BooleanOperation::intersection($a, $crop, $budget), BooleanOperation::intersection($b, $crop, $budget)];
        } catch (BooleanFailed | OverBudget) {
            return [$a, $b];
        }
    }

    /** @return list<Arrow> */
    private static function arrows(Task $t): array
    {
        try {
            return $t->step->kind instanceof HasArrows ? $t->step->kind->arrows($t) : [];
        } catch (StepProblem) {
            return [];
        }
    }

    private static function lies(Task $t, Recipe $recipe, int $pairs): string
    {
        if ($t->step->off || !$t->step->kind->stands()) {
            return '';
        }
        try {
            return Neighbours::words(Making::tool($t) ?? new Solid(), $t->part, $recipe, $pairs, $t->budget);
        } catch (StepProblem | OverBudget) {
            return '';
        }
    }

    /** What the first solid has over the second; null when it is nothing or cannot be told. */
    private static function over(Solid $a, Solid $b, Budget $budget): ?Solid
    {
        if ($a->isEmpty() || $b->isEmpty()) {
            return $a->isEmpty() ? null : $a;
        }
        try {
            $d = BooleanOperation::difference($a, $b, $budget);
        } catch (BooleanFailed | OverBudget) {
            return null;
        }

        return $d->isEmpty() ? null : $d;
    }

    /** @return list<array{number: int, taken: bool, loops: list<list<array{float,float,float}>>}> */
    private static function areas(Task $t): array
    {
        if (!$t->step->kind->has('regions')) {
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
            $out[] = [
                'number' => $r->number,
                'taken' => $taken === null || in_array($r->number, $taken, true),
                'loops' => array_map(
                    static fn(array $loop): array => array_map(
                        static fn(array $p): array => $sketch->placement->point([$p[0], $p[1], 0.0]),
                        $loop,
                    ),
                    $r->loops,
                ),
            ];
        }

        return $out;
    }
}
