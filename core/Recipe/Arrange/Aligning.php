<?php

declare(strict_types=1);

namespace Cubo\Recipe\Arrange;

use Cubo\Recipe\FacePlane;
use Cubo\Recipe\Make\Making;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/**
 * Ready solids lined up, spaced and stacked. Lining up and spacing change where each one is placed, by as much as the boxes
 * around them say; stacking lets each one stand on the one before, so that it is carried from then on.
 *
 * @phpstan-type Box array{float,float,float,float,float,float}
 */
final class Aligning
{
    public const WAYS = ['x', 'y', 'z'];

    public const SIDES = ['low', 'middle', 'high'];

    /**
     * @param list<string> $ids steps that are moved
     * @param string $against the step they are lined up with; it stays
     * @param 'x'|'y'|'z' $way
     * @param 'low'|'middle'|'high' $side left, front or low; the middle; right, behind or high
     * @param callable(Recipe): PartState $evaluate
     */
    public static function align(Recipe $recipe, array $ids, string $against, string $way, string $side, callable $evaluate): Recipe
    {
        $k = (int) array_search($way, self::WAYS, true);
        $to = self::box($recipe, $against, $evaluate);
        if ($to === null) {
            return $recipe;
        }
        $place = static fn(array $b): float => match ($side) {
            'low' => $b[$k],
            'high' => $b[$k + 3],
            default => ($b[$k] + $b[$k + 3]) / 2,
        };
        foreach ($ids as $id) {
            // each anew: moving one may carry others
            $box = $id === $against ? null : self::box($recipe, $id, $evaluate);
            if ($box !== null) {
                $recipe = self::moved($recipe, $id, $way, $place($to) - $place($box), $evaluate);
            }
        }

        return $recipe;
    }

    /**
     * Equal gaps between the outermost two, which stay.
     *
     * @param list<string> $ids
     * @param 'x'|'y'|'z' $way
     * @param callable(Recipe): PartState $evaluate
     */
    public static function space(Recipe $recipe, array $ids, string $way, callable $evaluate): Recipe
    {
        $k = (int) array_search($way, self::WAYS, true);
        $boxes = array_filter(array_combine($ids, array_map(static fn(string $id): ?array => self::box($recipe, $id, $evaluate), $ids)));
        if (count($boxes) < 3) {
            return $recipe;
        }
        uasort($boxes, static fn(array $a, array $b): int => $a[$k] + $a[$k + 3] <=> $b[$k] + $b[$k + 3]);
        $order = array_map(strval(...), array_keys($boxes));
        [$first, $last] = [$boxes[$order[0]], $boxes[$order[count($order) - 1]]];
        $filled = array_sum(array_map(static fn(array $b): float => $b[$k + 3] - $b[$k], array_slice(array_values($boxes), 1, -1)));
        $gap = ($last[$k] - $first[$k + 3] - $filled) / (count($order) - 1);
        $at = $first[$k + 3] + $gap;
        foreach (array_slice($order, 1, -1) as $id) {
            $recipe = self::moved($recipe, $id, $way, $at - $boxes[$id][$k], $evaluate);
            $at += $boxes[$id][$k + 3] - $boxes[$id][$k] + $gap;
        }

        return $recipe;
    }

    /**
     * Each one on top of the one before it in the log, centred. What has no flat top carries nothing.
     *
     * @param list<string> $ids
     * @param callable(Recipe): PartState $evaluate
     */
    public static function stack(Recipe $recipe, array $ids, callable $evaluate): Recipe
    {
        $ordered = array_values(
            array_filter(
                array_map(static fn(Step $s): string => $s->id, $recipe->steps),
                static fn(string $id): bool => in_array($id, $ids, true),
            ),
        );
        for ($i = 1; $i < count($ordered); $i++) {
            $step = $recipe->step($ordered[$i]);
            $below = "{$ordered[$i - 1]}:top";
            if (
                $step === null ||
                !$step->kind->has('stand') ||
                FacePlane::placement($evaluate($recipe->before($step->id))->part(), $below) === null
            ) {
                continue;
            }
            foreach (
                ['stand' => 'face', 'on' => $below, 'alignx' => 'middle', 'aligny' => 'middle', 'x' => '0', 'y' => '0', 'sink' => '0']
                as $key => $value
            ) {
                $step = $step->with($key, $value);
            }
            $recipe = $recipe->withStep($step);
        }

        return $recipe;
    }

    /**
     * The box around what a ready solid is of itself.
     *
     * @param callable(Recipe): PartState $evaluate
     * @return Box|null
     */
    public static function box(Recipe $recipe, string $id, callable $evaluate): ?array
    {
        $step = $recipe->step($id);
        if ($step === null || !$step->kind->has('stand')) {
            return null;
        }
        try {
            $solid = Making::tool(Task::inLog($recipe, $step, $evaluate)) ?? new Solid();
        } catch (StepProblem) {
            return null;
        }

        return $solid->isEmpty() ? null : $solid->vertexBox();
    }

    /** @param callable(Recipe): PartState $evaluate */
    private static function moved(Recipe $recipe, string $id, string $way, float $by, callable $evaluate): Recipe
    {
        $along = [0.0, 0.0, 0.0];
        $along[(int) array_search($way, self::WAYS, true)] = $by;

        return Nudging::by($recipe, $id, [$along[0], $along[1], $along[2]], $evaluate(...));
    }
}
