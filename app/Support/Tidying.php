<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Happening;
use App\Models\Invitation;
use App\Models\School;
use App\Support\School\Removal;
use FilesystemIterator;
use Illuminate\Support\Facades\DB;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Keeps what grows by itself within its size: made parts, logs, and notes that are only needed for a while. */
final class Tidying
{
    /** Bytes after which a log is put aside; three older ones are kept. */
    private const LOG = 10_000_000;

    private const OLD_LOGS = 3;

    private const DAYS_OF_EDITS = 30;

    public static function partsFolder(): string
    {
        return storage_path('app/parts');
    }

    public static function partsMegabytes(): int
    {
        return (int) (array_sum(array_map(static fn(array $f): int => $f[1], self::parts())) / 1048576);
    }

    /** Made parts that nobody asked for longest go first; each is made again when it is needed. @return int files */
    public static function prune(int $megabytes): int
    {
        $files = self::parts();
        $size = array_sum(array_map(static fn(array $f): int => $f[1], $files));
        $most = $megabytes * 1048576;
        if ($size <= $most) {
            return 0;
        }
        usort($files, static fn(array $a, array $b): int => $a[2] <=> $b[2]);
        $n = 0;
        foreach ($files as [$path, $bytes]) {
            // a little more than needed, so that it is not done again at once
            if ($size <= 0.8 * $most) {
                break;
            }
            if (@unlink($path)) {
                $size -= $bytes;
                $n++;
            }
        }

        return $n;
    }

    /** Classes that were put away longer ago than the school keeps them, with all that belongs to them. @return int classes */
    public static function classes(): int
    {
        $n = 0;
        foreach (School::query()->whereNotNull('keep_months')->get() as $school) {
            foreach ($school->classes()->where('archived_at', '<', now()->subMonths((int) $school->keep_months))->get() as $class) {
                Removal::schoolClass($class);
                Happening::tell($school->id, null, 'removed_class', ['class' => $class->name]);
                $n++;
            }
        }
        Invitation::query()->where('ends_at', '<', now()->subDay())->delete();

        return $n;
    }

    /** @return int logs put aside */
    public static function logs(): int
    {
        $n = 0;
        foreach (
            [
                ...glob(storage_path('logs/*.log')) ?: [],
                ...glob(storage_path('run*/*.{log,out}'), GLOB_BRACE) ?: [],
                ...glob(storage_path('pg*/server.log')) ?: [],
            ]
            as $log
        ) {
            if (@filesize($log) > self::LOG) {
                for ($k = self::OLD_LOGS; $k > 0; $k--) {
                    @rename($k === 1 ? "$log.new" : "$log." . ($k - 1), "$log.$k");
                }
                // whoever writes to it holds it open: it is copied and emptied
                if (@copy($log, "$log.1")) {
                    @file_put_contents($log, '');
                    $n++;
                }
            }
        }

        return $n;
    }

    public static function rows(): void
    {
        DB::table('recipe_edits')->where('created_at', '<', now()->subDays(self::DAYS_OF_EDITS))->delete();
        DB::table('sign_in_tries')->where('created_at', '<', now()->subDay())->delete();
        DB::table('known_devices')->where('seen_at', '<', now()->subYear())->delete();
        DB::table('sessions')
            ->where('last_activity', '<', now()->subMinutes((int) config('session.lifetime'))->getTimestamp())
            ->delete();
        DB::table('cache')->where('expiration', '<', now()->getTimestamp())->delete();
    }

    /** @return list<array{string, int, int}> path, bytes, when it was last asked for */
    private static function parts(): array
    {
        if (!is_dir(self::partsFolder())) {
            return [];
        }
        $out = [];
        /** @var SplFileInfo $f */
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(self::partsFolder(), FilesystemIterator::SKIP_DOTS)) as $f) {
            // another process may throw it away meanwhile
            $stat = @stat($f->getPathname());
            if ($stat !== false && $f->isFile()) {
                $out[] = [$f->getPathname(), $stat['size'], max($stat['mtime'], $stat['atime'])];
            }
        }

        return $out;
    }
}
