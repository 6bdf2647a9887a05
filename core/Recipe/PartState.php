<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Closure;
use Cubo\Solid\Solid;

/** The part a recipe makes, and how each step went. `key` names the part's geometry for caches. */
final class PartState
{
    /**
     * @param Solid|Closure(): Solid $part the solid, or where to get it: many pages need only the key and the messages
     * @param array<string, StepResult> $results by step id
     * @param array<string, PlacedSketch> $sketches those that work, by step id
     */
    public function __construct(
        private Solid|Closure $part,
        private readonly bool $empty,
        public readonly array $results,
        public readonly string $key,
        public readonly array $sketches = [],
    ) {}

    public function part(): Solid
    {
        return $this->part = $this->part instanceof Closure ? ($this->part)() : $this->part;
    }

    public function isEmpty(): bool
    {
        return $this->empty;
    }

    /** Whether all steps were worked out; if not, the part is the one before the first step that was not. */
    public function isFinished(): bool
    {
        foreach ($this->results as $r) {
            if ($r->status === StepStatus::Waiting) {
                return false;
            }
        }

        return true;
    }

    /** Every step that is switched on works, and there is a part. */
    public function isSound(): bool
    {
        foreach ($this->results as $r) {
            if ($r->status === StepStatus::Failed || $r->status === StepStatus::Waiting) {
                return false;
            }
        }

        return !$this->empty;
    }
}
