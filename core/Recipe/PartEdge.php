<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Sketch\EntityKind;

/** An edge of a part as it is seen straight onto a plane: a line, a circle or an arc in (u, v), mm. */
final readonly class PartEdge
{
    /**
     * @param string $name as Topology gives it: both faces, and which of their common edges
     * @param list<string> $faces flat faces it bounds, the one nearest to level with the plane first
     * @param list<array{float,float}> $points as the entity of its kind has them
     * @param float $size radius, 0 for a line
     */
    public function __construct(
        public string $name,
        public array $faces,
        public EntityKind $kind,
        public array $points,
        public float $size = 0.0,
    ) {}
}
