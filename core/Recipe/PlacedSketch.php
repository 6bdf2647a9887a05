<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\Region;
use Cubo\Sketch\Sketch;

/** A sketch, its regions, and where they lie. */
final readonly class PlacedSketch
{
    /**
     * @param Transform $placement takes (u, v, height above the sketch) to (x, y, z)
     * @param Sketch $drawn what is drawn in it, with its relations kept
     */
    public function __construct(public Transform $placement, public Arrangement $areas, public Sketch $drawn) {}

    public function region(int|string $pick): ?Region
    {
        return RegionPicks::find($this->areas->regions, $pick);
    }
}
