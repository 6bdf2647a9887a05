<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Revision;
use App\Support\Workbench;
use Cubo\Budget\OverBudget;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Makes the 3D file, the measures and the views of a part in the background, so that whoever opens it need not wait. */
final class PreparePart implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public function __construct(public readonly int $revisionId) {}

    public function handle(Workbench $bench): void
    {
        $revision = Revision::query()->find($this->revisionId);
        if ($revision === null) {
            return;
        }
        $state = $bench->evaluate($revision->recipe());
        if ($state->isEmpty()) {
            return;
        }
        $bench->glb($state);
        $bench->readouts($state);
        try {
            $bench->drawing($state);
        } catch (OverBudget) {
            // too fine to be drawn; whoever opens it is told
        }
    }
}
