<?php

declare(strict_types=1);

namespace Cubo\School\Roster;

/** A line of a list and what it would do. */
final readonly class Planned
{
    /**
     * @param Known|null $known whom it is of
     * @param int|null $like number of the line before that it is like
     */
    public function __construct(public Line $line, public LineState $state, public ?Known $known = null, public ?int $like = null) {}
}
