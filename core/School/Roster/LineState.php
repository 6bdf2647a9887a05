<?php

declare(strict_types=1);

namespace Cubo\School\Roster;

/** What a line of a list would do to a class. */
enum LineState: string
{
    case Added = 'added';
    case Kept = 'kept';
    case Renamed = 'renamed';
    /** like a line before it */
    case Twice = 'twice';
    case WithoutName = 'without-name';
    case TooLong = 'too-long';

    public function changes(): bool
    {
        return $this === self::Added || $this === self::Renamed;
    }
}
