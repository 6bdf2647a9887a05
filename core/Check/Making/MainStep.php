<?php

declare(strict_types=1);

namespace Cubo\Check\Making;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Measure\MassProperties;
use Cubo\Recipe\PartState;
use Cubo\Recipe\PlacedSketch;
use Cubo\Recipe\Step;

/**
 * The step that brings most of a part, which practitioners look for first: the one after which the volume has grown most,
 * the earlier one of two that bring as much. Its manner is what tells two ways of making a part apart: its kind and, where
 * it works on a sketch, across which axis the sketch lies.
 */
final readonly class MainStep
{
    /** A later step counts as larger only when it brings more by this share: a mirrored half brings as much as the half. */
    private const MORE = 1.01;

    private const ACROSS = ['seen from the side', 'seen from the front', 'seen from the top'];

    private function __construct(public Step $step, public string $manner) {}

    /**
     * @return self|null null where no step brings any volume
     *
     * @throws OverBudget
     */
    public static function of(Making $making, Budget $budget = new Budget()): ?self
    {
        $before = $most = 0.0;
        $main = $state = null;
        foreach ($making->recipe->steps as $step) {
            if ($step->off || $step->kind->draws()) {
                continue;
            }
            $now = $making->made($making->recipe->upTo($step->id), $budget);
            $volume = $now->isEmpty() ? 0.0 : (new MassProperties($now->part(), $budget))->volume;
            if ($volume - $before > self::MORE * $most + 1e-9) {
                $most = $volume - $before;
                [$main, $state] = [$step, $now];
            }
            $before = $volume;
        }

        return $main === null || $state === null ? null : new self($main, self::manner($main, $state));
    }

    private static function manner(Step $step, PartState $state): string
    {
        $sketch = array_key_exists('sketch', $step->kind->fields()) ? $state->sketches[$step->text('sketch')] ?? null : null;

        return '“' . $step->kind->label() . '”' . ($sketch === null ? '' : ' of a sketch ' . self::across($sketch));
    }

    private static function across(PlacedSketch $sketch): string
    {
        // the third column of the placement: where the sketch's own upright points to
        $r = $sketch->placement->r;
        foreach (self::ACROSS as $axis => $words) {
            if (abs($r[3 * $axis + 2]) > 1 - 1e-6) {
                return $words;
            }
        }

        return 'on a slant';
    }
}
