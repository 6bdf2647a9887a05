<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Exercise;
use App\Support\AskedSizes;
use App\Support\Workbench;
use Cubo\Budget\OverBudget;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Queue\TimeoutExceededException;
use Throwable;

/** Works out a reference part and reads what can be asked of it; the teacher's page asks again until that is there. */
final class ReadReference implements ShouldBeUnique, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    /** s */
    public int $timeout = 160;

    /** s; after that another may be sent, should this one have been lost */
    public int $uniqueFor = 170;

    public bool $failOnTimeout = true;

    public function __construct(public readonly int $exerciseId) {}

    /** Nobody waits for ever: a part that takes too long or too much is not read again and again. */
    public function failed(?Throwable $e): void
    {
        $exercise = Exercise::query()->find($this->exerciseId);
        if ($exercise !== null && ($e instanceof OverBudget || $e instanceof TimeoutExceededException)) {
            $state = app(Workbench::class)->evaluate($exercise->reference->document());
            if (!$state->isEmpty()) {
                app(AskedSizes::class)->giveUp($exercise, $state);
            }
        }
    }

    public function uniqueId(): string
    {
        return (string) $this->exerciseId;
    }

    public function handle(Workbench $bench, AskedSizes $asked): void
    {
        $exercise = Exercise::query()->find($this->exerciseId);
        if ($exercise === null) {
            return;
        }
        $state = $bench->evaluate($exercise->reference->document());
        if (!$state->isEmpty()) {
            $asked->read($exercise, $state);
            $bench->glb($state);
            $bench->readouts($state);
            $bench->sheetSvg($state, $exercise->sheet(), 780, 470);
        }
    }
}
