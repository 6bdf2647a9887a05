<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** A line, circle, arc, ellipse or curve of a sketch. */
final readonly class Entity
{
    /**
     * @param list<string> $points ids, in the order the kind says
     * @param float $size radius, half axis or height, mm; 0 for kinds without one
     * @param string $edge the edge of the part it is taken over from: such a line stands where the edge is
     */
    public function __construct(
        public string $id,
        public EntityKind $kind,
        public array $points,
        public float $size = 0.0,
        public Role $role = Role::Outline,
        public string $text = '',
        public string $edge = '',
    ) {}

    public function sized(float $size): self
    {
        return new self($this->id, $this->kind, $this->points, $size, $this->role, $this->text, $this->edge);
    }

    public function as(Role $role): self
    {
        return new self($this->id, $this->kind, $this->points, $this->size, $role, $this->text, $this->edge);
    }
}
