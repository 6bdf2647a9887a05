<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Budget\Budget;
use Cubo\Solid\Solid;

/**
 * All measures of one part, each computed when first asked for; any of them may throw OverBudget.
 *
 * @phpstan-import-type Fault from MeshFaults
 */
final class PartMeasures
{
    /**
     * Triangles up to which faces are looked for, rays are shot and pictures are drawn. Of what is finer only is measured what
     * one look at every triangle tells: a desk computer's memory ends there, and no part of a lesson is that fine.
     */
    public const FINE = 120_000;

    private const LOOKS_FOR_FAULTS = 5;

    private ?MassProperties $mass = null;

    private ?Bounds $bounds = null;

    private ?Features $features = null;

    private ?TriangleTree $tree = null;

    private ?WallThickness $wall = null;

    private ?WallThickness $gap = null;

    private ?int $bodies = null;

    private ?bool $closed = null;

    /** @var list<Fault>|null */
    private ?array $faults = null;

    /** @var array<int, Symmetry> */
    private array $symmetry = [];

    public function __construct(public readonly Solid $solid, public readonly Budget $budget = new Budget()) {}

    public function isFine(): bool
    {
        return $this->solid->triangleCount() > self::FINE;
    }

    public function mass(): MassProperties
    {
        return $this->mass ??= new MassProperties($this->solid, $this->budget);
    }

    public function bounds(): Bounds
    {
        return $this->bounds ??= Bounds::of($this->solid, $this->budget);
    }

    public function features(): Features
    {
        return $this->features ??= Features::of($this->solid, $this->tree(), $this->budget);
    }

    public function tree(): TriangleTree
    {
        return $this->tree ??= new TriangleTree($this->solid, $this->budget);
    }

    public function wall(): WallThickness
    {
        return $this->wall ??= WallThickness::of($this->solid, $this->tree());
    }

    /** About the plane across an axis through the part's middle. */
    public function symmetry(int $axis): Symmetry
    {
        return $this->symmetry[$axis] ??= Symmetry::across($this->solid, $axis, $this->bounds(), $this->tree());
    }

    /** About the plane across an axis at a place of it, mm. */
    public function symmetryAt(int $axis, float $at): Symmetry
    {
        return Symmetry::across($this->solid, $axis, $this->bounds(), $this->tree(), $at);
    }

    /** The narrowest gap of the part. */
    public function gap(): WallThickness
    {
        return $this->gap ??= WallThickness::gap($this->solid, $this->tree());
    }

    public function bodyCount(): int
    {
        return $this->bodies ??= count(Bodies::of($this->solid, $this->budget));
    }

    /** Says that something looks at every triangle so many times. @throws OverBudget */
    public function spend(int $looks = 1): void
    {
        $this->budget->spend($looks * $this->solid->triangleCount());
    }

    /** The surface has no gap and no fault of another kind, and encloses something. */
    public function isClosed(): bool
    {
        return $this->closed ??=
            !in_array(-1, $this->solid->twin, true) &&
            !$this->solid->isEmpty() &&
            $this->solid->facettedVolume() > 0 &&
            $this->faults() === [];
    }

    /**
     * What is wrong with the surface.
     *
     * @return list<Fault>
     */
    public function faults(): array
    {
        if ($this->faults === null) {
            $this->spend(self::LOOKS_FOR_FAULTS);
        }

        return $this->faults ??= MeshFaults::of($this->solid);
    }
}
