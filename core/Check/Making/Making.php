<?php

declare(strict_types=1);

namespace Cubo\Check\Making;

use Closure;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;

/** How a part was made: its steps, a way to make it again with others, and how else the same person has made it. */
final readonly class Making
{
    /**
     * @param Closure(Recipe): PartState $evaluate
     * @param list<Recipe> $others ways that were handed in before, newest first
     */
    public function __construct(public Recipe $recipe, public Closure $evaluate, public array $others = []) {}

    /** Another of the ways in place of this one. */
    public function with(Recipe $recipe): self
    {
        return new self($recipe, $this->evaluate);
    }
}
