<?php

declare(strict_types=1);

namespace Cubo\Recipe\Edit;

use Closure;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;
use Cubo\Sketch\Area\Region;

/** What an edit may ask: the part as it is, and how the recipe was before. */
final readonly class Bench
{
    /**
     * @param Closure(Recipe): PartState $evaluate
     * @param Closure(PartState): array<string, string> $bodies the body each face is of, where it is of one
     * @param Closure(): iterable<Recipe> $earlier the recipe at hand as it was, newest first
     */
    public function __construct(public Closure $evaluate, private Closure $bodies, private Closure $earlier) {}

    public function made(Recipe $r): PartState
    {
        return ($this->evaluate)($r);
    }

    /** @return array<string, string> body by face, of faces that are of one body only */
    public function bodies(PartState $state): array
    {
        return ($this->bodies)($state);
    }

    /** @return iterable<Recipe> */
    public function earlier(): iterable
    {
        return ($this->earlier)();
    }

    /** @return list<Region> what a step may take of its sketch */
    public function regionsFor(Recipe $r, Step $s): array
    {
        return $this->made($r)->results[$s->text('sketch')]->regions ?? [];
    }
}
