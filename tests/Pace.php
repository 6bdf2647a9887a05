<?php

declare(strict_types=1);

namespace Tests;

use Closure;

/**
 * How long something takes, whatever else the machine does meanwhile: processor time of this process, as a share of what a
 * fixed piece of work takes just before and just after it. A limit is then one on the code, not on the machine of the day.
 */
final class Pace
{
    /** The fixed piece of work took 0.1 s where the limits were written down. */
    private const STANDARD = 0.1;

    /** @return float seconds of a machine that is at rest */
    public static function of(Closure $work): float
    {
        $before = self::fixed();
        $began = self::used();
        $work();
        $took = self::used() - $began;

        return ($took * self::STANDARD) / max($before, self::fixed());
    }

    /** @return float how many times slower than at rest this machine is at this moment, never below 1 */
    public static function slowness(): float
    {
        return max(1.0, self::fixed() / self::STANDARD);
    }

    /** Numbers in an array, sums and text: what the core does all the time. */
    private static function fixed(): float
    {
        $began = self::used();
        for ($round = 0, $sum = 0.0; $round < 8; $round++) {
            $a = [];
            for ($i = 0; $i < 60_000; $i++) {
                $a[] = sqrt($i + $sum * 1e-9);
            }
            foreach ($a as $i => $v) {
                $sum += $v * $a[($i * 7919) % 60_000];
            }
            $sum += strlen(implode(',', array_map(strval(...), array_slice($a, 0, 2000))));
        }

        return max(1e-3, self::used() - $began);
    }

    private static function used(): float
    {
        $u = getrusage() ?: [];

        return ($u['ru_utime.tv_sec'] ?? 0) +
            ($u['ru_stime.tv_sec'] ?? 0) +
            1e-6 * (($u['ru_utime.tv_usec'] ?? 0) + ($u['ru_stime.tv_usec'] ?? 0));
    }
}
