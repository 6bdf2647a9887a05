<?php

declare(strict_types=1);

namespace Cubo\School\Lesson;

/** What checks said one after the other: whoever makes the same slip three times needs somebody. */
final class Slips
{
    /** Checks in a row with the same slip. */
    public const STUCK = 3;

    /**
     * @param list<string> $before codes of the likeliest slips of the last checks, the newest last
     * @param string $slip of the check now; nothing where all was met or nothing was found
     * @return list<string> to be kept
     */
    public static function after(array $before, string $slip): array
    {
        return array_slice([...$before, $slip], -self::STUCK);
    }

    /** @param list<string> $slips */
    public static function areStuck(array $slips): bool
    {
        return count($slips) === self::STUCK && $slips[0] !== '' && count(array_unique($slips)) === 1;
    }
}
