<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;
use Cubo\Quantity\Expression;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Solid\Solid;

/** The part as it is before a sketch, and the plane the sketch lies in. */
final readonly class PartBefore
{
    /** @param Transform|null $plane takes (u, v, height above the sketch) to (x, y, z); null when the part has no such face */
    private function __construct(public Solid $part, public ?Transform $plane) {}

    /** @param callable(Recipe): PartState $evaluate */
    public static function of(Recipe $recipe, Step $sketch, callable $evaluate): self
    {
        $steps = [];
        foreach ($recipe->steps as $s) {
            if ($s->id === $sketch->id) {
                break;
            }
            $steps[] = $s;
        }
        $part = $steps === [] ? new Solid : $evaluate(new Recipe($recipe->unit, $steps))->part();
        $plane = SketchPlane::tryFrom($sketch->text('plane'))?->placement() ?? FacePlane::placement($part, $sketch->text('face'));
        try {
            $height = Expression::length($sketch->text('offset') === '' ? '0' : $sketch->text('offset'), $recipe->unit);
        } catch (UnreadableExpression) {
            $height = 0.0;
        }

        return new self($part, $plane === null ? null : Transform::translation([0.0, 0.0, $height])->then($plane));
    }

    /** @return array<string, PartEdge> what can be taken over */
    public function edges(): array
    {
        return $this->plane === null || $this->part->isEmpty() ? [] : PartEdges::seenOnto($this->part, $this->plane);
    }
}
