<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

/**
 * Where two faces of a solid meet: a line of vertices, or a ring of them. Walking along it with the outside up, the
 * first face lies on the left. Its name is those of both faces in order of the alphabet, joined by " / ", with " 2",
 * " 3" ... behind where the same two faces meet again.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Edge
{
    /**
     * @param int $left number of the left face's surface
     * @param int $right number of the right face's surface
     * @param list<int> $vertices in order; a ring does not repeat its first
     * @param list<int> $halfEdges those that have the left face on their left, one per piece
     * @param bool $closed a ring
     */
    public function __construct(
        public string $name,
        public int $left,
        public int $right,
        public array $vertices,
        public array $halfEdges,
        public bool $closed,
    ) {}
}
