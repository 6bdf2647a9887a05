<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Recipe\Message;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepKind;
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
            return new StepProblem(new Message(StepProblem::TOO_LONG, 'This takes too long.', 'Cubo stopped working on this step after ' . (int) self::LAST_GUARD . ' seconds. ' . self::hint($step) . ' The part is shown without this step.', self::field($step)));
        }

        return new StepProblem(new Message(StepProblem::TOO_MUCH, 'This is too much work.', self::hint($step) . ' The part is shown without this step.', self::field($step)));
    }

    private static function hint(Step $step): string
    {
        return match ($step->kind) {
            StepKind::Repeat => $step->text('way') === 'around'
                ? 'The copies would cross each other in very many places. Use fewer copies, or turn about an axis that does not go through the shape: a round shape turned about its own middle is the same shape.'
                : 'The copies would cross each other in very many places. Use fewer copies, or set them further apart than the shape is wide.',
            StepKind::Copy => 'The copies would cross each other in very many places. Use fewer copies, or set them further apart.',
            StepKind::Mirror => 'The mirror image would cross the part in very many places. Mirror half of the part, not all of it.',
            StepKind::Round, StepKind::Chamfer => 'There is too much around these edges. Pick fewer of them in one step, or round them before the part gets so fine.',
            StepKind::Hollow, StepKind::Draft, StepKind::Pull => 'The part has too many faces for this. Do it before the part gets so fine.',
            StepKind::Sketch => 'The lines cross in too many places, or too many sizes depend on each other. Spread the drawing over several sketches.',
            StepKind::Hole => 'These holes would cross each other or the part in very many places. Make fewer in one step.',
            StepKind::Letters, StepKind::Text => 'The letters would cross the part in very many places. Write less, or larger.',
            default => 'It would cross the part in very many places. Use fewer copies or fewer round shapes before it, or move it so that it meets less of the part.',
        };
    }

    private static function field(Step $step): ?string
    {
        return match ($step->kind) {
            StepKind::Repeat => 'count',
            StepKind::Copy => 'times',
            StepKind::Round, StepKind::Chamfer => 'edges',
            default => null,
        };
    }
}
