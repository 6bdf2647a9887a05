<?php

declare(strict_types=1);

namespace Cubo\Recipe\Arrange;

use Cubo\Budget\Budget;
use Cubo\Geometry\Transform;
use Cubo\Measure\TriangleTree;
use Cubo\Quantity\Number;
use Cubo\Recipe\FacePlane;
use Cubo\Recipe\Make\Making;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Recipe\StepValues;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Solid;

/**
 * A ready solid let down until it meets what is below it. On a level face it stands from then on, so that it is carried;
 * on anything else, and on the ground, it only lies as low.
 *
 * How far it falls: the shortest way from a corner of either straight to the other; where edges meet before any corner
 * does, that way is shortened by halving until nothing overlaps.
 */
final class Dropping
{
    private const NEAR = 1e-6;

    /** @param callable(Recipe): PartState $evaluate */
    public static function drop(Recipe $recipe, string $id, callable $evaluate): Recipe
    {
        $step = $recipe->step($id);
        if ($step === null || !$step->kind->has('stand')) {
            return $recipe;
        }
        $task = Task::inLog($recipe, $step, $evaluate);
        $part = $task->part;
        try {
            $solid = Making::tool($task) ?? new Solid();
        } catch (StepProblem) {
            return $recipe;
        }
        if ($solid->isEmpty()) {
            return $recipe;
        }
        $box = $solid->vertexBox();
        [$way, $face] = $part->isEmpty() ? [INF, null] : self::fall($solid, $part, $task->budget);
        // the ground lies below everything that stands above it
        if ($way === INF) {
            [$way, $face] = [max(0.0, $box[2]), null];
        }
        $plane = $face === null ? null : FacePlane::placement($part, $face);
        $corner = $step->text('from') === 'corner';
        $at = static fn(int $k): string => Number::typed(
            ($corner ? $box[$k] : ($box[$k] + $box[$k + 3]) / 2) / $recipe->unit->inMillimetres(),
        );
        $step = $step->with('x', self::kept($step, 'x', $at(0)))->with('y', self::kept($step, 'y', $at(1)));
        if ($plane !== null && $plane->direction([0.0, 0.0, 1.0])[2] > 1 - 1e-9) {
            return $recipe->withStep(
                $step->with('stand', 'face')->with('on', $face)->with('alignx', 'origin')->with('aligny', 'origin')->with('sink', '0'),
            );
        }

        return $recipe->withStep(
            $step->with('stand', 'ground')->with('z', Number::typed(($box[2] - $way) / $recipe->unit->inMillimetres())),
        );
    }

    /**
     * @return array{float, string|null} how far down, mm; INF where nothing is below; the face it meets first
     */
    private static function fall(Solid $solid, Solid $part, Budget $budget): array
    {
        $best = INF;
        $face = null;
        $reach = 2 * StepValues::MOST;
        foreach ([[$solid, $part, -1.0], [$part, $solid, 1.0]] as [$from, $onto, $sign]) {
            $tree = new TriangleTree($onto);
            foreach ($from->x as $v => $x) {
                $hit = $tree->firstHit([$x, $from->y[$v], $from->z[$v]], [0.0, 0.0, $sign], -self::NEAR, min($reach, $best));
                if ($hit !== null && $hit[0] < $best) {
                    $best = max(0.0, $hit[0]);
                    $face = $sign < 0 ? $onto->surfaceOfTriangle($hit[1])->name : null;
                }
            }
        }
        // where edges cross before corners meet
        if (self::overlaps($solid, $part, $budget, $best === INF ? max(0.0, $solid->vertexBox()[2]) : $best - self::NEAR)) {
            [$low, $high] = [0.0, $best === INF ? max(0.0, $solid->vertexBox()[2]) : $best];
            for ($i = 0; $i < 40 && $high - $low > self::NEAR / 10; $i++) {
                $middle = ($low + $high) / 2;
                self::overlaps($solid, $part, $budget, $middle) ? ($high = $middle) : ($low = $middle);
            }
            [$best, $face] = [$low, null];
        }

        return [$best, $face ?? self::under($solid, $part, $best)];
    }

    private static function overlaps(Solid $solid, Solid $part, Budget $budget, float $down): bool
    {
        try {
            return !BooleanOperation::intersection($solid->moved(Transform::translation([0.0, 0.0, -$down])), $part, $budget)->isEmpty();
        } catch (BooleanFailed) {
            return false;
        }
    }

    /** A level face of the part at the height where the solid comes to lie, below its box. */
    private static function under(Solid $solid, Solid $part, float $down): ?string
    {
        if ($down === INF) {
            return null;
        }
        $box = $solid->vertexBox();
        foreach ($part->facet as $t => $f) {
            if ($part->nz[$f] < 1 - 1e-9 || abs($part->offset[$f] - ($box[2] - $down)) > 1e-5 || !$part->surfaceOfTriangle($t)->isFlat()) {
                continue;
            }
            $x = $y = [];
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $x[] = $part->x[$part->start[$h]];
                $y[] = $part->y[$part->start[$h]];
            }
            if (min($x) < $box[3] && max($x) > $box[0] && min($y) < $box[4] && max($y) > $box[1]) {
                return $part->surfaceOfTriangle($t)->name;
            }
        }

        return null;
    }

    /** What was typed stays where it meant the same place already. */
    private static function kept(Step $step, string $key, string $now): string
    {
        return $step->text('stand') === 'ground' ? $step->text($key) : $now;
    }
}
