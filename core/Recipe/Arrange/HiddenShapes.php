<?php

declare(strict_types=1);

namespace Cubo\Recipe\Arrange;

use Closure;
use Cubo\Budget\OverBudget;
use Cubo\Recipe\Make\Making;
use Cubo\Recipe\Make\StepBudget;
use Cubo\Recipe\Make\Task;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Solid;

/** Shapes of which nothing is seen: those exactly in the place of another one, and those that lie wholly inside one. */
final class HiddenShapes
{
    /** Facets of both that are compared; larger ones would keep people waiting. */
    private const MOST = 12_000;

    /**
     * @param Closure(Recipe): PartState $evaluate
     * @return array<string, string> words by step
     */
    public static function of(Recipe $r, Closure $evaluate): array
    {
        $shapes = [];
        foreach ($r->steps as $s) {
            if ($s->off || !$s->kind->stands() || $s->text('effect') !== 'add') {
                continue;
            }
            try {
                $solid = Making::tool(Task::inLog($r, $s, $evaluate)) ?? new Solid();
            } catch (StepProblem) {
                continue;
            }
            if (!$solid->isEmpty()) {
                $shapes[$s->id] = [$s, $solid, $solid->vertexBox()];
            }
        }
        $out = [];
        foreach ($shapes as $id => [$s, $solid, $box]) {
            foreach ($shapes as $other => [$o, $around, $outer]) {
                if ($other === $id || !self::fits($box, $outer) || !self::covered($solid, $around)) {
                    continue;
                }
                if (!self::fits($outer, $box) || !self::covered($around, $solid)) {
                    $out[(string) $id] = "lies hidden inside {$o->name}";
                    break;
                }
                // of two in one place the later one is told
                if (array_search($id, array_keys($shapes), true) > array_search($other, array_keys($shapes), true)) {
                    $out[(string) $id] = "lies exactly on {$o->name}";
                    break;
                }
            }
        }

        return $out;
    }

    /**
     * @param array{float,float,float,float,float,float} $in
     * @param array{float,float,float,float,float,float} $out
     */
    private static function fits(array $in, array $out): bool
    {
        for ($k = 0; $k < 3; $k++) {
            if ($in[$k] < $out[$k] - 1e-6 || $in[$k + 3] > $out[$k + 3] + 1e-6) {
                return false;
            }
        }

        return true;
    }

    private static function covered(Solid $in, Solid $out): bool
    {
        if ($in->triangleCount() + $out->triangleCount() > self::MOST) {
            return false;
        }
        try {
            $left = BooleanOperation::difference($in, $out, StepBudget::aside());
        } catch (BooleanFailed | OverBudget) {
            return false;
        }

        return $left->isEmpty() || $left->facettedVolume() < 1e-9 * $in->facettedVolume();
    }
}
