<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Solid\Solid;

/** The part a recipe makes, and how each step went. `key` names the part's geometry for caches. */
final readonly class PartState
{
    /** @param array<string, StepResult> $results by step id */
    public function __construct(public Solid $part, public array $results, public string $key) {}

    public function isSound(): bool
    {
        foreach ($this->results as $r) {
            if ($r->status === 'failed') {
                return false;
            }
        }

        return ! $this->part->isEmpty();
    }
}
