<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Check\Comparing\LikelyPose;
use Cubo\Check\Making\Making;
use Cubo\Check\Measuring\AllRows;
use Cubo\Check\Slip\Diagnoser;
use Cubo\Measure\PartMeasures;

/**
 * Measures a part against an exercise. Looks at geometry only, except where the exercise asks how it was made. A row that
 * would cost too much says so, and the others are measured.
 */
final class Checker
{
    /** Units that finding how the part lies may cost, and all slips together. */
    private const POSE = 20_000_000;

    private const SLIPS = 30_000_000;

    /** Units of a whole check. */
    private const MOST_WORK = 90_000_000;

    /** What a check may cost altogether; part and reference part share it. */
    public static function budget(float $until = INF): Budget
    {
        return new Budget(self::MOST_WORK, $until, Budget::ownMemory());
    }

    /** @param PartMeasures|null $reference the part the exercise was read from, for what is compared with it */
    public static function check(PartMeasures $part, Exercise $exercise, ?PartMeasures $reference = null, ?Making $making = null): Report
    {
        $subject = new Subject($part, $exercise, $reference, $making);
        if ($exercise->turned && !$part->solid->isEmpty() && !$part->isFine()) {
            $subject = self::inLikelyPose($subject);
        }
        $rows = AllRows::of($subject, $exercise->asked());

        return new Report($rows, $subject->within(self::SLIPS, static fn(): array => Diagnoser::of($subject, $rows)));
    }

    private static function inLikelyPose(Subject $subject): Subject
    {
        try {
            return $subject->within(self::POSE, static fn(): Subject => $subject->inPose(LikelyPose::of($subject)));
        } catch (OverBudget $e) {
            return $e->limit->isOfThePart() ? $subject : throw $e;
        }
    }
}
