<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Check\Comparing\LikelyPose;
use Cubo\Check\Making\Making;
use Cubo\Check\Measuring\AmountRows;
use Cubo\Check\Measuring\DistanceRows;
use Cubo\Check\Measuring\MakingRows;
use Cubo\Check\Measuring\PatternRows;
use Cubo\Check\Measuring\PrintRows;
use Cubo\Check\Measuring\RoundRows;
use Cubo\Check\Measuring\ShapeRows;
use Cubo\Check\Measuring\SizeRows;
use Cubo\Check\Slip\Diagnoser;
use Cubo\Measure\PartMeasures;

/**
 * Measures a part against an exercise. Looks at geometry only, except where the exercise asks how it was made. A row that
 * would cost too much says so, and the others are measured.
 */
final class Checker
{
    /** Units that one row may cost, that finding how the part lies may cost, and all slips together. */
    private const ROW = 20_000_000;

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
        if ($exercise->turned && ! $part->solid->isEmpty() && ! $part->isFine()) {
            $subject = self::inLikelyPose($subject);
        }
        $rows = self::rows($subject, $exercise->asked());

        return new Report($rows, $subject->within(self::SLIPS, static fn (): array => Diagnoser::of($subject, $rows)));
    }

    private static function inLikelyPose(Subject $subject): Subject
    {
        try {
            return $subject->within(self::POSE, static fn (): Subject => $subject->inPose(LikelyPose::of($subject)));
        } catch (OverBudget $e) {
            return $e->limit->isOfThePart() ? $subject : throw $e;
        }
    }

    /**
     * @param list<Requirement> $asked
     * @return list<Row>
     */
    public static function rows(Subject $subject, array $asked): array
    {
        $rows = new Rows($subject->unit);
        $sizes = new SizeRows($subject, $rows);
        $distances = new DistanceRows($subject, $rows);
        $rounds = new RoundRows($subject, $rows, $asked);
        $patterns = new PatternRows($subject, $rows);
        $amounts = new AmountRows($subject, $rows);
        $shape = new ShapeRows($subject, $rows);
        $print = new PrintRows($subject, $rows);
        $making = new MakingRows($subject, $rows);
        $closed = null;

        $row = static function (Requirement $r) use ($subject, $rows, $sizes, $distances, $rounds, $patterns, $amounts, $shape, $print, $making, &$closed): Row {
            if ($r->kind->isMaking()) {
                return $making->row($r);
            }
            if ($subject->part->solid->isEmpty()) {
                return $rows->missing($r, 'There is no part yet.');
            }
            if ($subject->part->isFine() && ! $r->kind->isPlain()) {
                return $rows->unknown($r, 'The file has more than ' . number_format(PartMeasures::FINE, 0, '.', ' ') . ' triangles. Of so fine a one only sizes and amounts are measured; save it coarser and hand it in again.');
            }
            if ($r->kind->needsClosed() && ! ($closed ??= $subject->part->isClosed())) {
                return $rows->unknown($r, 'The surface of the part is open, so it encloses nothing that could be measured.');
            }
            if ($r->kind->isPrinting()) {
                return $print->row($r);
            }

            return $sizes->row($r) ?? $distances->row($r) ?? $rounds->row($r) ?? $patterns->row($r) ?? $amounts->row($r) ?? $shape->row($r) ?? throw new \LogicException("Nobody measures {$r->kind->value}.");
        };

        return array_map(static function (Requirement $r) use ($subject, $rows, $row): Row {
            try {
                return $subject->within(self::ROW, static fn (): Row => $row($r));
            } catch (OverBudget $e) {
                return $e->limit->isOfThePart() ? $rows->unknown($r, 'The part has too many faces for this to be measured. Everything else was measured.') : throw $e;
            }
        }, $asked);
    }
}
