<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/**
 * Signs of life that queue workers leave in files: that they are there, and which job they are at. So a page can tell how
 * many work, and what a killed worker was at is given to another one at once.
 */
final class WorkerSigns
{
    /** Seconds after which a worker that gave no sign counts as gone; a job may take nearly three minutes. */
    private const SILENT = 200;

    private static float $last = 0.0;

    public static function alive(): void
    {
        if (microtime(true) - self::$last > 3) {
            self::$last = microtime(true);
            @mkdir(self::folder(), 0775, true);
            @touch(self::folder() . '/' . getmypid());
        }
    }

    public static function begins(string $job): void
    {
        @mkdir(self::folder(), 0775, true);
        @file_put_contents(self::folder() . "/job-$job", (string) json_encode([getmypid(), Attempts::startOf((int) getmypid())]));
    }

    public static function ends(string $job): void
    {
        @unlink(self::folder() . "/job-$job");
    }

    /** How many workers gave a sign lately and are there. */
    public static function count(): int
    {
        $n = 0;
        foreach (glob(self::folder() . '/[0-9]*') ?: [] as $file) {
            if (Attempts::startOf((int) basename($file)) === null) {
                @unlink($file);
            } elseif (time() - (int) @filemtime($file) < self::SILENT) {
                $n++;
            }
        }

        return $n;
    }

    /** Gives back what workers that are gone were at. @return int jobs */
    public static function release(): int
    {
        $n = 0;
        foreach (glob(self::folder() . '/job-*') ?: [] as $file) {
            $a = json_decode((string) @file_get_contents($file), true);
            if (is_array($a) && is_int($a[0] ?? null) && Attempts::startOf($a[0]) === ($a[1] ?? '')) {
                continue;
            }
            $n += DB::table('jobs')
                ->where('id', (int) substr(basename($file), 4))
                ->whereNotNull('reserved_at')
                ->update(['reserved_at' => null]);
            @unlink($file);
        }

        return $n;
    }

    private static function folder(): string
    {
        return storage_path('framework/workers');
    }
}
