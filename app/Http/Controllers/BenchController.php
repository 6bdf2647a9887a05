<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\CheckHandIn;
use App\Jobs\PreparePart;
use App\Models\Assignment;
use App\Models\Exercise;
use App\Models\HandIn;
use App\Models\Person;
use App\Models\Work;
use App\Support\BenchPage;
use App\Support\RecipeBook;
use App\Support\Workbench;
use Cubo\Budget\OverBudget;
use Cubo\Check\Disclosure;
use Cubo\Check\Exercise as Sheet;
use Cubo\School\Lesson\Slips;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;

/** The bench: students build their parts here, teachers their reference parts. */
final class BenchController extends Controller
{
    public function __construct(private readonly Workbench $bench, private readonly RecipeBook $book) {}

    public function work(Request $request, Assignment $assignment): View
    {
        $this->authorize('work', $assignment);
        /** @var Person $student */
        $student = $request->user();
        $work = $this->book->workFor($assignment, $student);
        $this->bench->waits(Workbench::PAGE);

        return view('bench.page', BenchPage::forWork($work, $this->bench, $this->book));
    }

    /** The exercise's drawing at full size, with the state of the last check. */
    public function sheet(Request $request, Assignment $assignment): Response
    {
        $this->authorize('work', $assignment);
        $small = $request->boolean('small');
        $work = Work::query()->where('assignment_id', $assignment->id)->where('student_id', $request->user()?->id)->first();
        $this->bench->waits(Workbench::AGAIN);
        $stale = $work?->last_check !== null && $work->last_check['key'] !== $this->bench->evaluate($work->recipe->document())->key;
        $exercise = $assignment->exercise;

        return response(
            $this->bench->sheetSvg(
                $this->bench->evaluate($exercise->reference->document()),
                $exercise->sheet(),
                $small ? 300 : 1100,
                $small ? 300 : 640,
                BenchPage::states($work?->report()->rows ?? [], $stale),
                $small,
            ),
        );
    }

    public function reference(Exercise $exercise): View
    {
        $this->authorize('edit', $exercise);
        $this->bench->waits(Workbench::PAGE);

        return view('bench.page', BenchPage::forReference($exercise, $this->bench, $this->book));
    }

    /** The drawing of a reference part while it is being built. */
    public function referenceSheet(Exercise $exercise): Response
    {
        $this->authorize('edit', $exercise);

        return response(
            $this->bench->sheetSvg(
                $this->bench->evaluate($exercise->reference->document()),
                new Sheet($exercise->sheet()->unit, [], $exercise->title),
                300,
                330,
            ),
        );
    }

    public function check(Request $request, Work $work): View
    {
        $this->authorize('edit', $work->recipe);
        $assignment = $work->assignment;
        $this->bench->waits(Workbench::AGAIN);
        $state = $this->bench->evaluate($work->recipe->document());
        $reference = $this->bench->evaluate($assignment->exercise->reference->document());
        if (!$state->isFinished() || !$reference->isFinished()) {
            return view('bench.work', [
                ...BenchPage::for($work->recipe, $this->bench, $this->book),
                'said' => 'The part is still being worked out. Check it when it is there.',
            ]);
        }
        if (!$assignment->disclosure()->atEachCheck()) {
            return view('bench.work', [
                ...BenchPage::for($work->recipe, $this->bench, $this->book),
                'picked' => null,
                'fresh' => null,
                'said' => 'Your teacher shows the results ' . Disclosure::WHEN[$assignment->disclosure()->when] . '.',
            ]);
        }
        try {
            $report = $this->bench->check(
                $state,
                $assignment->exercise->sheet(),
                $work->recipe->document(),
                $reference,
                $work->waysHandedIn(),
            );
        } catch (OverBudget) {
            return view('bench.work', [
                ...BenchPage::for($work->recipe, $this->bench, $this->book),
                'said' =>
                    'Measuring this part takes longer than a check waits. No check was counted. Handed in, it is measured all the same.',
            ]);
        }
        $done = DB::transaction(function () use ($work, $assignment, $state, $report): bool {
            $fresh = Work::query()->lockForUpdate()->findOrFail($work->id);
            // the same part once more tells nothing new and costs nothing
            $again = ($fresh->last_check['key'] ?? null) === $state->key;
            if (!$again && $assignment->checks_allowed !== null && $fresh->checks_used >= $assignment->checks_allowed) {
                return false;
            }
            $fresh->checks_used += $again ? 0 : 1;
            if (!$again) {
                $fresh->recent_slips = Slips::after($fresh->recent_slips, ($report->findings[0] ?? null)?->slip->value ?? '');
            }
            $fresh->last_check = [
                'key' => $state->key,
                'at' => now()->toIso8601String(),
                'rows' => $report->toArray(),
                'findings' => $report->findingsToArray(),
            ];

            return $fresh->save();
        });
        $page = BenchPage::for($work->recipe, $this->bench, $this->book);

        return view('bench.work', [
            ...$page,
            'picked' => null,
            'fresh' => null,
            'said' => $done
                ? "{$report->met()} of " . count($report->rows) . ' met.'
                : 'All checks your teacher allows are used. You can still hand in.',
        ]);
    }

    public function handIn(Request $request, Work $work): RedirectResponse
    {
        $this->authorize('edit', $work->recipe);
        $request->validate(['version' => ['required', 'integer']]);
        if ((int) $request->input('version') !== $work->recipe->version) {
            return redirect()
                ->route('work', $work->assignment_id)
                ->withErrors(['hand-in' => 'The part was changed after this page was shown. Look at it once more, then hand it in.']);
        }
        $revision = $work->recipe->head();
        $this->bench->waits(Workbench::PAGE);
        $state = $this->bench->evaluate($revision->recipe());
        if ($state->isFinished() && $state->isEmpty()) {
            return redirect()
                ->route('work', $work->assignment_id)
                ->withErrors(['hand-in' => 'There is no part yet to hand in.']);
        }
        $handIn = HandIn::begin($work, ['revision_id' => $revision->id]);
        if ($handIn->wasRecentlyCreated) {
            CheckHandIn::dispatch($handIn->id);
            PreparePart::dispatch($revision->id);
        }

        return redirect()->route('hand-ins.show', $handIn);
    }
}
