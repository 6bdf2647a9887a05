<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Sketch\Sketch;

/** A sketch whose relations hold, or what keeps them from holding. */
final readonly class SolvedSketch
{
    /**
     * @param Sketch $sketch as solved; where relations clash, their group as it was drawn
     * @param list<string> $clash relations that cannot hold together, the hardest pressed first
     * @param int $free independent movements left
     * @param list<string> $idle relations that add nothing to those before them
     * @param array<string, list<string>> $follows by idle relation: those it follows from
     * @param array<string, Movement> $movements of the points and entities that can still move
     * @param list<Way> $ways the independent movements
     */
    public function __construct(
        public Sketch $sketch,
        public array $clash,
        public int $free = 0,
        public array $idle = [],
        public array $follows = [],
        public array $movements = [],
        public array $ways = [],
    ) {}

    public function holds(): bool
    {
        return $this->clash === [];
    }
}
