<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Check\Comparing\Alignment;
use Cubo\Check\Subject;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Measure\PartMeasures;
use Cubo\Recipe\Step;

/**
 * Whether the part would be the drawing's with one direction turned round: each step that has one is turned in the student's
 * own steps, and the part made again. So a direction is found even where later cuts have hidden what it did.
 */
final class OtherDirections
{
    /** Steps that are tried; more would keep people waiting. */
    private const MOST = 8;

    /** Volumes that differ by more than this share are not of the same part. */
    private const SAME = 2e-3;

    /**
     * @param float $same mm: surfaces closer than this are the same
     * @return Step|null the step that goes the wrong way
     */
    public static function of(Subject $subject, float $same): ?Step
    {
        $making = $subject->making;
        $ref = $subject->reference;
        if ($making === null || $ref === null) {
            return null;
        }
        $budget = $subject->part->budget;
        $turning = array_values(array_filter($making->recipe->steps, static fn(Step $s): bool => !$s->off && $s->kind->has('direction')));
        foreach (array_slice($turning, 0, self::MOST) as $step) {
            $other = $step->text('direction') === 'down' ? 'up' : 'down';
            $state = $making->made(
                $making->recipe->withSteps(
                    array_map(
                        static fn(Step $s): Step => $s->id === $step->id ? $s->with('direction', $other) : $s,
                        $making->recipe->steps,
                    ),
                ),
                $budget,
            );
            if (!$state->isSound()) {
                continue;
            }
            $part = new PartMeasures($state->part(), $budget);
            if (abs($part->mass()->volume / $ref->mass()->volume - 1) > self::SAME) {
                continue;
            }
            $shift = Transform::translation(Vector::sub($ref->bounds()->middle(), $part->bounds()->middle()));
            if (Alignment::asItLies($part, $ref, $shift)->within($same)) {
                return $step;
            }
        }

        return null;
    }
}
