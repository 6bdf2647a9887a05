<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Cubo\Budget\OverBudget;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepProblem;

/**
 * An edit a person makes to a recipe: what it reads of what was sent, and the recipe it gives. What names nothing that is
 * there changes nothing. Edits lists them.
 */
abstract class Edit
{
    /** As it is sent: the name of its class in small letters, its words joined by "-". */
    public function id(): string
    {
        return strtolower((string) preg_replace('/(?<!^)[A-Z]/', '-$0', substr((string) strrchr(static::class, '\\'), 1)));
    }

    /**
     * What it reads beside the step it is of.
     *
     * @return array<string, Rule> by key
     */
    public function rules(): array
    {
        return [];
    }

    /** Whether it is of the whole recipe, whatever group is open in it; else of the steps at hand. */
    public function isOfWhole(): bool
    {
        return false;
    }

    /** Whether the step that is new gets the focus after it. */
    public function makesStep(): bool
    {
        return false;
    }

    /** Whether the step that is new is tried out first. */
    public function triesStep(): bool
    {
        return false;
    }

    /** Whether a step that is tried out stays so after it. */
    public function keepsTrial(): bool
    {
        return false;
    }

    /**
     * @throws StepProblem where it cannot be done, in words
     * @throws OverBudget where the part is too fine for it, or still being made
     */
    abstract public function apply(Recipe $r, Input $in, Bench $bench): Recipe;
}
