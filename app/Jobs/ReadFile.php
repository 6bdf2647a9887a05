<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\PartFile;
use App\Support\FileShelf;
use Cubo\Budget\OverBudget;
use Cubo\Exchange\UnreadableFile;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Queue\TimeoutExceededException;
use Throwable;

/** Reads a file that a student brought, looks for its faults and faces, and makes its picture: nobody's page waits for that. */
final class ReadFile implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    /** s */
    public int $timeout = 90;

    public int $tries = 2;

    public bool $failOnTimeout = true;

    public function __construct(public readonly int $fileId) {}

    public function handle(FileShelf $shelf): void
    {
        $file = PartFile::query()->find($this->fileId);
        if ($file === null || $file->isThrough()) {
            return;
        }
        try {
            $shelf->work($file);
        } catch (UnreadableFile $e) {
            $file->update(['state' => 'refused', 'stage' => '', 'problem' => $e->getMessage()]);
        }
    }

    public function failed(?Throwable $e): void
    {
        PartFile::query()
            ->whereKey($this->fileId)
            ->whereIn('state', ['waiting', 'reading'])
            ->update([
                'state' => 'refused',
                'stage' => '',
                'problem' =>
                    $e instanceof TimeoutExceededException || $e instanceof OverBudget
                        ? 'Reading this file takes too long. Save it coarser, or only the part itself.'
                        : 'Something went wrong on our side while this file was read. Bring it once more; if it happens again, save it coarser.',
            ]);
    }
}
