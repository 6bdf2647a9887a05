<?php

declare(strict_types=1);

namespace Cubo\Check;

use Closure;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;

/** How a part was made: its steps, and a way to make it again with others. */
final readonly class Making
{
    /** @param Closure(Recipe): PartState $evaluate */
    public function __construct(public Recipe $recipe, public Closure $evaluate) {}
}
