<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** A line, circle, arc, ellipse or curve of a sketch. */
final readonly class Entity
{
    /**
     * @param list<string> $points ids, in the order the kind says
     * @param float $size radius or half axis, mm; 0 for kinds without one
     */
    public function __construct(
        public string $id,
        public EntityKind $kind,
        public array $points,
        public float $size = 0.0,
        public Role $role = Role::Outline,
    ) {}

    public function sized(float $size): self
    {
        return new self($this->id, $this->kind, $this->points, $size, $this->role);
    }
}
