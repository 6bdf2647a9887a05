<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;

/** All measures of one part, each computed when first asked for. */
final class PartMeasures
{
    private ?MassProperties $mass = null;

    private ?Bounds $bounds = null;

    private ?Features $features = null;

    private ?TriangleTree $tree = null;

    private ?WallThickness $wall = null;

    private ?int $bodies = null;

    public function __construct(public readonly Solid $solid) {}

    public function mass(): MassProperties
    {
        return $this->mass ??= new MassProperties($this->solid);
    }

    public function bounds(): Bounds
    {
        return $this->bounds ??= Bounds::of($this->solid);
    }

    public function features(): Features
    {
        return $this->features ??= Features::of($this->solid, $this->tree());
    }

    public function tree(): TriangleTree
    {
        return $this->tree ??= new TriangleTree($this->solid);
    }

    public function wall(): WallThickness
    {
        return $this->wall ??= WallThickness::of($this->solid, $this->tree());
    }

    public function symmetry(int $axis): Symmetry
    {
        return Symmetry::across($this->solid, $axis, $this->bounds(), $this->tree());
    }

    public function bodyCount(): int
    {
        return $this->bodies ??= count(Bodies::of($this->solid));
    }

    /** Every half-edge has its twin running the other way, and the whole encloses something. */
    public function isClosed(): bool
    {
        $s = $this->solid;
        foreach ($s->twin as $h => $o) {
            if (($s->twin[$o] ?? -1) !== $h || $s->start[$o] !== $s->start[$h % 3 === 2 ? $h - 2 : $h + 1]) {
                return false;
            }
        }

        return ! $s->isEmpty() && $s->facettedVolume() > 0;
    }

    /** Flat area in the part's lowest plane, facing down, mm2. */
    public function standingArea(): float
    {
        return Standing::of($this)->base;
    }
}
