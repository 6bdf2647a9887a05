<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\HandIn;
use App\Support\Marking;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Checks a hand-in in the background: a class that hands in at once must not hold up anybody's bench. */
final class CheckHandIn implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public function __construct(public readonly int $handInId) {}

    public function handle(Marking $marking): void
    {
        $handIn = HandIn::query()->find($this->handInId);
        if ($handIn !== null) {
            $marking->mark($handIn);
            // drawn now, so that whoever opens it need not wait
            $marking->glb($handIn);
        }
    }
}
