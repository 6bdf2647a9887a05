<?php

declare(strict_types=1);

namespace Cubo\Drawing;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Measure\Bounds;
use Cubo\Measure\PartMeasures;

/** The views of one part, ready to be laid on a sheet. A value that caches may keep. */
final readonly class Drawing
{
    /** @param array<string, ViewLines> $views by view name */
    public function __construct(public array $views, public Bounds $bounds) {}

    /** Units that the views of a part may cost; a part that a class builds takes a hundredth of it. */
    private const MOST_WORK = 8_000_000;

    /** @throws OverBudget for a part with more edges than anybody can read */
    public static function of(PartMeasures $part, ?Budget $budget = null): self
    {
        $budget ??= new Budget(self::MOST_WORK, memory: Budget::ownMemory());
        $edges = FeatureEdges::of($part->solid);
        $views = [];
        foreach (View::cases() as $view) {
            $views[$view->value] = HiddenLines::draw($part->solid, $view, $part->tree(), $edges, $budget);
        }

        return new self($views, $part->bounds());
    }
}
