<?php

declare(strict_types=1);

namespace Cubo\Sketch;

/** What a sketch is drawn with, besides points. */
enum EntityKind: string
{
    /** points: from, to */
    case Line = 'line';

    /** points: middle; size: radius */
    case Circle = 'circle';

    /** points: middle, from, to, counter-clockwise; size: radius */
    case Arc = 'arc';

    /** points: middle, end of the first half axis; size: the other half axis */
    case Ellipse = 'ellipse';

    /** points: those it runs through, at least two; the same first and last point close it */
    case Curve = 'curve';

    /** points: where the base line begins and, if it is not level, where it leads; size: height of a capital letter; text */
    case Text = 'text';

    public function word(): string
    {
        return $this->value;
    }

    public function round(): bool
    {
        return $this === self::Circle || $this === self::Arc;
    }
}
