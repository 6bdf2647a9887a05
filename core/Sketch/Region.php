<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** One closed area of a sketch: its number, facetted area (mm2) and outlines (counter-clockwise, holes clockwise). */
final readonly class Region
{
    /** @param list<list<array{float,float}>> $loops */
    public function __construct(public int $number, public float $area, public array $loops) {}
}
