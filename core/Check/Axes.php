<?php

declare(strict_types=1);

namespace Cubo\Check;

/** What people call the three axes of a part, and where things lie across one of them. */
final class Axes
{
    public const LETTER = ['x', 'y', 'z'];

    public const SIZE = ['Width', 'Depth', 'Height'];

    /** the face that distances along the axis are taken from */
    public const FIRST = ['left', 'front', 'bottom'];

    public const HALVES = [['left', 'right'], ['front', 'back'], ['bottom', 'top']];

    /** mm: a place closer to an axis or a plane lies in it */
    public const NOTHING = 1e-6;

    /** Decimals of a mm that are kept where only noise stands behind them, and how much of that there may be. */
    private const DECIMALS = 7;

    private const NOISE = 1e-8;

    /** @return array{int,int} the two axes across the given one, in order */
    public static function others(int $axis): array
    {
        return [[1, 2], [0, 2], [0, 1]][$axis];
    }

    /** Removes the last digits' noise: 11.999999999 is 12. */
    public static function clean(float $v): float
    {
        $near = round($v, self::DECIMALS);

        return abs($v - $near) < self::NOISE * max(1.0, abs($v)) ? $near + 0.0 : $v;
    }
}
