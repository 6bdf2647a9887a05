<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Recipe\Message;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;

/** What one step of a recipe may cost, and what is said of one that would cost more. */
final class StepBudget
{
    /**
     * Units for making one step. What classes build stays under a tenth of it; on two slow cores it is some seconds.
     * `./cubo bench --steps` prints what the demo parts spend.
     */
    public const MOST = 3_000_000;

    /** Units for what is only said about a step: warnings, previews. */
    public const ASIDE = 500_000;

    /** Facets of a solid on the way; a union may need fewer in the end. */
    public const MOST_FACETS = 80_000;

    /** Seconds that one step may take by itself, where counted work did not end it before. */
    public const LAST_GUARD = 25.0;

    /** @param float $until moment up to which somebody waits */
    public static function fresh(float $until = INF): Budget
    {
        return new Budget(self::MOST, min($until, microtime(true) + self::LAST_GUARD), Budget::ownMemory(), self::MOST_FACETS);
    }

    /** For what goes along with a step and may be left out. */
    public static function aside(float $until = INF): Budget
    {
        return new Budget(self::ASIDE, min($until, microtime(true) + self::LAST_GUARD), Budget::ownMemory(), self::MOST_FACETS);
    }

    /** Whether a step that ran out of time had all the time a step may have, so that waiting longer would not help. */
    public static function hadAllTime(float $began): bool
    {
        return microtime(true) - $began >= 0.98 * self::LAST_GUARD;
    }

    public static function problem(Step $step, OverBudget $e): StepProblem
    {
        if ($e->limit === Limit::Time) {
            return new StepProblem(
                new Message(
                    StepProblem::TOO_LONG,
                    'This takes too long.',
                    'Cubo stopped working on this step after ' .
                        (int) self::LAST_GUARD .
                        ' seconds. ' .
                        $step->kind->tooMuch($step->text(...)) .
                        ' The part is shown without this step.',
                    $step->kind->tooMuchAt(),
                ),
            );
        }

        return new StepProblem(
            new Message(
                StepProblem::TOO_MUCH,
                'This is too much work.',
                $step->kind->tooMuch($step->text(...)) . ' The part is shown without this step.',
                $step->kind->tooMuchAt(),
            ),
        );
    }
}
