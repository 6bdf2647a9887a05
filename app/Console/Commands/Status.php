<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\Health;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Throwable;

final class Status extends Command
{
    protected $signature = 'cubo:status {--json}';

    protected $description = 'Tells how it stands with the database, the workers, the jobs and the disk';

    public function handle(): int
    {
        $h = Health::now();
        if ($this->option('json')) {
            $this->line((string) json_encode($h));

            return $h['ok'] ? self::SUCCESS : self::FAILURE;
        }
        $this->line("Database      {$h['database']}");
        $this->line("Workers       {$h['workers']}");
        $this->line(
            "Jobs          {$h['waiting_jobs']} waiting" .
                ($h['waiting_jobs'] > 0 ? ", the oldest for {$h['oldest_job_seconds']} s" : '') .
                ", {$h['failed_jobs']} failed",
        );
        $this->line("Disk          {$h['free_disk_mb']} MB free");
        $this->line("Made parts    {$h['parts_mb']} MB of at most " . config('cubo.parts_mb'));
        foreach ($h['notes'] as $note) {
            $this->line("Look at this: $note");
        }
        try {
            foreach (DB::table('failed_jobs')->orderByDesc('failed_at')->limit(5)->get() as $f) {
                $name = json_decode($f->payload, true)['displayName'] ?? 'a job';
                $this->line(
                    "Failed        {$f->failed_at} " .
                        class_basename((string) $name) .
                        ': ' .
                        mb_substr((string) strtok((string) $f->exception, "\n"), 0, 160),
                );
            }
        } catch (Throwable) {
            // told above already
        }

        return $h['ok'] ? self::SUCCESS : self::FAILURE;
    }
}
