<?php

declare(strict_types=1);

namespace Cubo\Check\Making;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;

/** How a part was made: its steps, a way to make it again with others, and how else the same person has made it. */
final readonly class Making
{
    /** Units a step costs on the average, and a triangle of the part. */
    private const STEP = 3000;

    private const FACET = 20;

    /**
     * @param Closure(Recipe): PartState $evaluate
     * @param list<Recipe> $others ways that were handed in before, newest first
     */
    public function __construct(public Recipe $recipe, private Closure $evaluate, public array $others = []) {}

    /**
     * Makes the part with other steps. Making has limits of its own; what it costs here is reckoned from its size, so that a
     * check that makes many of them ends.
     *
     * @throws OverBudget
     */
    public function made(Recipe $recipe, Budget $budget): PartState
    {
        $budget->spend(self::STEP * count($recipe->steps));
        $state = ($this->evaluate)($recipe);
        if (!$state->isEmpty()) {
            $budget->spend(self::FACET * $state->part()->triangleCount());
        }

        return $state;
    }

    /** @return list<Step> steps that are switched on, those of groups included */
    public function steps(): array
    {
        return self::on($this->recipe);
    }

    /** How many of them are of a kind. */
    public function count(string $kind): int
    {
        return count(array_filter($this->steps(), static fn(Step $s): bool => $s->kind->id() === $kind));
    }

    /** @return list<Step> */
    private static function on(Recipe $recipe): array
    {
        $out = array_values(array_filter($recipe->steps, static fn(Step $s): bool => !$s->off));
        foreach ($recipe->groups as $g) {
            array_push($out, ...self::on($g->recipe));
        }

        return $out;
    }

    /** Another of the ways in place of this one. */
    public function with(Recipe $recipe): self
    {
        return new self($recipe, $this->evaluate);
    }
}
