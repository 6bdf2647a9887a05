<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** A relation or dimension between points and entities of a sketch. */
final readonly class Relation
{
    /**
     * @param string $id also its name in the values of other dimensions
     * @param list<string> $of ids of points and entities; Sketch::ORIGIN and the axes count as such
     * @param string $value what was typed, for dimensions
     * @param bool $measured true for a value in brackets, which follows the drawing and asks nothing of it
     */
    public function __construct(
        public string $id,
        public RelationKind $kind,
        public array $of,
        public string $value = '',
        public bool $measured = false,
    ) {}

    public function valued(string $value): self
    {
        return new self($this->id, $this->kind, $this->of, $value, $this->measured);
    }
}
