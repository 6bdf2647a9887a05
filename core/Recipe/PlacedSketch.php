<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Sketch\Area\Arrangement;

/** A sketch's regions and the plane they lie in. */
final readonly class PlacedSketch
{
    public function __construct(public SketchPlane $plane, public Arrangement $areas) {}
}
