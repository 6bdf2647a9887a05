<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Budget\Budget;
use Cubo\Check\Comparing\Alignment;
use Cubo\Check\Making\Making;
use Cubo\Check\Subject;
use Cubo\Measure\PartMeasures;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Step;

/**
 * Whether the part would be the drawing's with other areas of a sketch: they are taken along or left out in the student's
 * own steps, and the part made again. What each area changes is told by its volume; the right ones are then tried.
 */
final class OtherAreas
{
    /** Areas of a sketch that are tried; more would keep people waiting. */
    private const MOST = 8;

    /**
     * @param float $same mm: surfaces closer than this are the same
     * @return array{Step, bool}|null the extrusion, and whether it took too many areas; null when no other areas help
     */
    public static function of(Subject $subject, float $same): ?array
    {
        $making = $subject->making;
        $ref = $subject->reference;
        if ($making === null || $ref === null) {
            return null;
        }
        $budget = $subject->part->budget;
        $state = $making->made($making->recipe, $budget);
        $now = self::volume($state, $budget);
        $wanted = $ref->mass()->volume;
        foreach ($making->recipe->steps as $s) {
            $n = count($state->sketches[$s->text('sketch')]->areas->regions ?? []);
            if ($s->off || !$s->kind->has('regions') || $n < 2 || $n > self::MOST) {
                continue;
            }
            $taken = $s->regions() ?? range(1, $n);
            $change = [];
            for ($i = 1; $i <= $n; $i++) {
                $change[$i] = self::volume(self::with($making, $s, self::toggled($taken, [$i]), $budget), $budget) - $now;
            }
            $toggle = self::subset($change, $wanted - $now, 1e-3 * $wanted);
            if ($toggle === []) {
                continue;
            }
            $other = self::with($making, $s, self::toggled($taken, $toggle), $budget);
            if ($other->isEmpty()) {
                continue;
            }
            $fit = Alignment::asItLies(new PartMeasures($other->part(), $budget), $ref);
            if ($fit->within($same)) {
                return [$s, count(array_intersect($toggle, $taken)) > 0];
            }
        }

        return null;
    }

    /**
     * @param list<int|string> $taken
     * @param list<int> $by
     * @return list<int|string>
     */
    private static function toggled(array $taken, array $by): array
    {
        return [...array_values(array_diff($taken, $by)), ...array_values(array_diff($by, $taken))];
    }

    /** @param list<int|string> $regions */
    private static function with(Making $making, Step $s, array $regions, Budget $budget): PartState
    {
        $steps = array_map(static fn(Step $q): Step => $q->id === $s->id ? $q->with('regions', $regions) : $q, $making->recipe->steps);

        return $making->made($making->recipe->withSteps($steps), $budget);
    }

    private static function volume(PartState $state, Budget $budget): float
    {
        return $state->isEmpty() ? 0.0 : (new PartMeasures($state->part(), $budget))->mass()->volume;
    }

    /**
     * The fewest areas whose changes make up the difference.
     *
     * @param array<int, float> $change
     * @return list<int>
     */
    private static function subset(array $change, float $wanted, float $within): array
    {
        $best = [];
        for ($bits = 1; $bits < 1 << count($change); $bits++) {
            $sum = 0.0;
            $picked = [];
            foreach (array_keys($change) as $k => $i) {
                if (($bits >> $k) & 1) {
                    $sum += $change[$i];
                    $picked[] = $i;
                }
            }
            if (abs($sum - $wanted) <= $within && ($best === [] || count($picked) < count($best))) {
                $best = $picked;
            }
        }

        return $best;
    }
}
