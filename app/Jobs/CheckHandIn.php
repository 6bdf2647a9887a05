<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\HandIn;
use App\Support\Marking;
use Cubo\Budget\OverBudget;
use Cubo\Check\Report;
use Cubo\Exchange\UnreadableFile;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Queue\MaxAttemptsExceededException;
use Illuminate\Queue\TimeoutExceededException;
use Throwable;

/** Checks a hand-in in the background: a class that hands in at once must not hold up anybody's bench. */
final class CheckHandIn implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    /** s; the finest files take longest */
    public int $timeout = 160;

    /** A worker may be killed, which is no fault of the part. */
    public int $tries = 3;

    public bool $failOnTimeout = true;

    public function __construct(public readonly int $handInId) {}

    public function handle(Marking $marking): void
    {
        $handIn = HandIn::query()->find($this->handInId);
        if ($handIn !== null) {
            $marking->mark($handIn);
            // drawn now, so that whoever opens it need not wait
            if ($handIn->isShown()) {
                $marking->glb($handIn);
            }
        }
    }

    /** Nobody waits for ever: what could not be measured is reported as such, with what stood there before kept. */
    public function failed(?Throwable $e): void
    {
        $handIn = HandIn::query()->with('work.assignment.exercise')->find($this->handInId);
        if ($handIn !== null && !$handIn->isChecked()) {
            HandIn::marked(
                $handIn->id,
                Report::unmeasured(
                    $handIn->work->assignment->exercise->sheet(),
                    match (true) {
                        $e instanceof UnreadableFile => $e->getMessage(),
                        $e instanceof OverBudget
                            => 'This part is too fine to be measured here. Save it coarser, or with fewer faces, and hand it in again.',
                        $e instanceof TimeoutExceededException => 'Measuring this part took too long. Is it far finer than it need be?',
                        $e instanceof MaxAttemptsExceededException
                            => 'Measuring this part was broken off three times on our side. Your teacher can have it measured again.',
                        default
                            => 'Something went wrong on our side while this part was measured. Your teacher can have it measured again.',
                    },
                ),
            );
        }
    }
}
