<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Recipe\Attempt;

/**
 * Notes which processes are at work on what, in a file each: number of the process, when it began (so that a number used
 * again is not taken for it), and how often work on this ended without a word. A worker that is killed, or runs out of
 * memory where nothing counted it, leaves its note behind; after the second time the work is not tried again.
 */
final class Attempts
{
    private const MOST_LOST = 2;

    public static function begin(string $path): Attempt
    {
        [$pid, $began, $lost] = self::read($path);
        if ($pid !== null) {
            if ($pid !== getmypid() && self::startOf($pid) === $began) {
                return Attempt::Elsewhere;
            }
            $lost++;
        }
        if ($lost >= self::MOST_LOST) {
            return Attempt::Fatal;
        }
        @mkdir(dirname($path), 0775, true);
        @file_put_contents($path, (string) json_encode([getmypid(), self::startOf((int) getmypid()), $lost]));

        return Attempt::First;
    }

    public static function end(string $path): void
    {
        [$pid] = self::read($path);
        if ($pid === getmypid()) {
            @unlink($path);
        }
    }

    /** @return array{?int, ?string, int} */
    private static function read(string $path): array
    {
        $a = is_file($path) ? json_decode((string) @file_get_contents($path), true) : null;

        return is_array($a) && is_int($a[0] ?? null) && is_int($a[2] ?? null)
            ? [$a[0], is_string($a[1] ?? null) ? $a[1] : null, $a[2]]
            : [null, null, 0];
    }

    /** When a process began, in clock ticks since the machine did (field 22 of proc(5)); null for one that is not there. */
    public static function startOf(int $pid): ?string
    {
        $stat = @file_get_contents("/proc/$pid/stat");

        return $stat === false ? null : explode(' ', substr($stat, (int) strrpos($stat, ')') + 2))[19] ?? null;
    }
}
