<?php

declare(strict_types=1);

namespace Cubo\Budget;

/** What was used up. */
enum Limit: string
{
    /** Counted work: the same everywhere, on a slow machine too. */
    case Work = 'work';

    /** Facets that a solid has on the way. */
    case Facets = 'facets';

    /** Memory of the process; the guard behind counted work. */
    case Memory = 'memory';

    /** The moment up to which somebody waits. Says nothing about the work itself: another time it may be done. */
    case Time = 'time';

    /** Whether it says something about the part: counted work is the same everywhere, time and memory are not. */
    public function isOfThePart(): bool
    {
        return $this === self::Work || $this === self::Facets;
    }
}
