<?php

declare(strict_types=1);

namespace Cubo\Recipe;

/** Letters for outlines (a, b, c ...) and sizes (A, B, C ... without I and O). */
final class Letters
{
    public static function small(int $i): string
    {
        return ($i >= 26 ? self::small(intdiv($i, 26) - 1) : '') . chr(97 + ($i % 26));
    }

    public static function size(int $i): string
    {
        $set = 'ABCDEFGHJKLMNPQRSTUVWXYZ';

        return ($i >= 24 ? self::size(intdiv($i, 24) - 1) : '') . $set[$i % 24];
    }
}
