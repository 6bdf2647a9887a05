<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;

/** The part as it is before a sketch, and the plane the sketch lies in. */
final readonly class PartBefore
{
    /** @param Transform|null $plane takes (u, v, height above the sketch) to (x, y, z); null when the part has no such face */
    private function __construct(public PartState $state, public ?Transform $plane) {}

    /** @param callable(Recipe): PartState $evaluate */
    public static function of(Recipe $recipe, Step $sketch, callable $evaluate): self
    {
        $state = $evaluate($recipe->before($sketch->id));
        try {
            $plane = SketchPlacement::of($sketch, $state->part(), new StepValues($sketch, $recipe->unit, $recipe->named()));
        } catch (StepProblem) {
            // a value that cannot be read is told at the step; until then the sketch is drawn on the bare plane
            $plane =
                SketchPlane::tryFrom($sketch->text('plane'))?->placement() ?? FacePlane::placement($state->part(), $sketch->text('face'));
        }

        return new self($state, $plane);
    }

    /** @return array<string, PartEdge> what can be taken over */
    public function edges(): array
    {
        return $this->plane === null || $this->state->isEmpty() ? [] : PartEdges::seenOnto($this->state->part(), $this->plane);
    }
}
