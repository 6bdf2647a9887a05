<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

/** Where the pen is set down: a place, and what was caught there, which is kept as relations. */
final readonly class Spot
{
    /**
     * @param string|null $point an existing point it is
     * @param list<string> $on lines, circles, arcs it lies on
     * @param string|null $middleOf a line whose middle it is
     * @param string|null $level a point it is level with
     * @param string|null $plumb a point it is straight above or below
     */
    public function __construct(
        public float $u,
        public float $v,
        public ?string $point = null,
        public array $on = [],
        public ?string $middleOf = null,
        public ?string $level = null,
        public ?string $plumb = null,
    ) {}
}
