<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;
use Throwable;

/** How it stands with what Cubo needs to run. */
final class Health
{
    /** Free megabytes below which something will soon go wrong. */
    private const LITTLE_ROOM = 300;

    /** Seconds a job may wait before somebody should look. */
    private const LONG_WAIT = 120;

    /** @return array{ok: bool, database: string, workers: int, oldest_job_seconds: int, waiting_jobs: int, failed_jobs: int, free_disk_mb: int, parts_mb: int, notes: list<string>} */
    public static function now(): array
    {
        $notes = [];
        $oldest = $waiting = $failed = 0;
        $database = 'answers';
        try {
            $row = DB::selectOne('select count(*) as n, min(available_at) as oldest from jobs');
            $waiting = (int) ($row->n ?? 0);
            $oldest = $row?->oldest === null ? 0 : max(0, now()->getTimestamp() - (int) $row->oldest);
            $failed = (int) DB::table('failed_jobs')->count();
        } catch (Throwable) {
            $database = 'does not answer';
            $notes[] = 'The database does not answer.';
        }
        $workers = WorkerSigns::count();
        $free = (int) ((@disk_free_space(storage_path()) ?: 0) / 1048576);
        if ($workers === 0) {
            $notes[] = 'No worker gives a sign: hand-ins are not measured.';
        }
        if ($oldest > self::LONG_WAIT) {
            $notes[] = "The oldest job has waited for $oldest seconds.";
        }
        if ($free < self::LITTLE_ROOM) {
            $notes[] = "Only $free MB are free on the disk.";
        }
        if ($failed > 0) {
            $notes[] = "$failed " . ($failed === 1 ? 'job has' : 'jobs have') . ' failed for good; ./cubo status lists them.';
        }

        return [
            'ok' => $database === 'answers' && $free >= self::LITTLE_ROOM,
            'database' => $database,
            'workers' => $workers,
            'oldest_job_seconds' => $oldest,
            'waiting_jobs' => $waiting,
            'failed_jobs' => $failed,
            'free_disk_mb' => $free,
            'parts_mb' => Tidying::partsMegabytes(),
            'notes' => $notes,
        ];
    }
}
