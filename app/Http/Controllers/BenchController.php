<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\CheckHandIn;
use App\Jobs\PreparePart;
use App\Models\Assignment;
use App\Models\Exercise;
use App\Models\HandIn;
use App\Models\Person;
use App\Models\Recipe;
use App\Models\Work;
use App\Support\BenchEdits;
use App\Support\BenchPage;
use App\Support\RecipeBook;
use App\Support\StaleVersion;
use App\Support\Workbench;
use Cubo\Check\Disclosure;
use Cubo\Check\Exercise as Sheet;
use Cubo\Quantity\DensityUnit;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\StepProblem;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\View\View;

/** The bench: students build their parts here, teachers their reference parts. */
final class BenchController extends Controller
{
    public function __construct(private readonly Workbench $bench, private readonly RecipeBook $book, private readonly BenchEdits $edits) {}

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

        return response($this->bench->sheetSvg($this->bench->evaluate($exercise->reference->document()), $exercise->sheet(), $small ? 300 : 1100, $small ? 300 : 640, BenchPage::states($work?->report()->rows ?? [], $stale), $small));
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

        return response($this->bench->sheetSvg($this->bench->evaluate($exercise->reference->document()), new Sheet($exercise->sheet()->unit, [], $exercise->title), 300, 330));
    }

    public function edit(Request $request, Recipe $recipe): View|Response|JsonResponse
    {
        $this->authorize('edit', $recipe);
        $this->bench->waits(Workbench::EDIT);
        $input = $request->validate([
            'version' => ['required', 'integer'],
            'do' => ['required', Rule::in(['add', 'set', 'delete', 'shift', 'switch', 'add-shape', 'drop-shape', 'region', 'sizes', 'material', 'paint', 'pin', 'align', 'drop', 'undo', 'redo', 'nudge', 'spin', 'put-at', 'ground', 'one-more', 'around', 'group', 'ungroup', 'set-free', 'place', 'take', 'open', 'close', 'group-name', 'lock', 'forget', 'renew', 'anew'])],
            'step' => ['nullable', 'string', 'max:12'],
            'kind' => ['nullable', 'string', 'max:20'],
            'name' => ['nullable', 'string', 'max:60'],
            'note' => ['nullable', 'string', 'max:' . Document::LONGEST_NOTE],
            'heading' => ['nullable', 'string', 'max:60'],
            'after' => ['nullable', 'string', 'max:12'],
            'trial' => ['nullable', 'boolean'],
            'brief' => ['nullable', 'boolean'],
            'of' => ['nullable', 'array', 'max:3'],
            'what' => ['nullable', 'string', 'max:10'],
            'by' => ['nullable', 'array', 'size:3'],
            'degrees' => ['nullable', 'numeric', 'between:-360,360'],
            'face' => ['nullable', 'string', 'max:' . Document::LONGEST_NAME],
            'count' => ['nullable', 'integer', 'between:1,50'],
            'group' => ['nullable', 'string', 'max:12'],
            'locked' => ['nullable', 'array', 'max:60'],
            'part' => ['nullable', 'integer'],
            'steps' => ['nullable', 'array', 'max:60'],
            'against' => ['nullable', 'string', 'max:12'],
            'how' => ['nullable', 'string', 'max:12'],
            'way' => ['nullable', 'string', 'max:1'],
            'colour' => ['nullable', 'string', 'max:20'],
            'places' => ['nullable', 'integer', 'between:-200,200'],
            'index' => ['nullable', 'integer', 'between:0,200'],
            'values' => ['nullable', 'array', 'max:40'],
            'sizes' => ['nullable', 'array', 'max:80'],
            'material' => ['nullable', 'string', 'max:30'],
            'density' => ['nullable', 'string', 'max:40'],
            'density_unit' => ['nullable', Rule::enum(DensityUnit::class)],
        ]);
        $version = (int) $input['version'];
        $focus = null;
        try {
            if ($input['do'] === 'undo') {
                $this->book->undo($recipe, $version);
            } elseif ($input['do'] === 'redo') {
                $this->book->redo($recipe, $version);
            } else {
                $before = $recipe->document();
                $after = $this->edits->of($recipe, $before, $input);
                if ($after->toJson() !== $before->toJson()) {
                    $this->book->save($recipe, $version, $after);
                    if (in_array($input['do'], ['add', 'one-more', 'around', 'group', 'place', 'take'], true)) {
                        $focus = array_values(array_diff(array_column($after->atHand()->steps, 'id'), array_column($before->atHand()->steps, 'id')))[0] ?? null;
                    }
                }
            }
        } catch (StepProblem $p) {
            return response()->view('bench.refused', ['problem' => $p->note], 409)->header('HX-Retarget', '#notice')->header('HX-Reswap', 'innerHTML');
        } catch (StaleVersion) {
            // told in the notice; the bench and what is typed in it stay as they are
            return response()->view('bench.stale', ['typed' => $this->unlike($recipe, $input)], 409)->header('HX-Retarget', '#notice')->header('HX-Reswap', 'innerHTML');
        }

        if ($input['brief'] ?? false) {
            // the part comes first; the log is asked for when the shape rests
            $state = $this->bench->evaluate($recipe->atHand());

            return response()->json(['version' => $recipe->version, 'glb' => $state->isEmpty() ? '' : route('recipes.glb', [$recipe, $state->key], false)]);
        }
        // a step that is tried out stays so while its values change
        $tried = in_array($input['do'], ['set', 'region', 'add-shape', 'drop-shape'], true) && ($input['trial'] ?? false) ? $input['step'] ?? null : null;

        return view('bench.work', [...$this->pageFor($recipe), 'picked' => $focus ?? ($input['step'] ?? null), 'fresh' => in_array($input['do'], ['group', 'one-more', 'around'], true) ? null : ($focus ?? $tried)]);
    }

    /** The bench as it is now, after edits that were answered with the part alone. */
    public function now(Request $request, Recipe $recipe): View
    {
        $this->authorize('edit', $recipe);
        $step = $request->query('step');
        $this->bench->waits(Workbench::AGAIN);

        return view('bench.work', [...$this->pageFor($recipe), 'picked' => is_string($step) ? $step : null]);
    }

    /**
     * What was typed that the part does not have by now, so that nobody has to remember it.
     *
     * @param array<string, mixed> $in
     * @return list<string>
     */
    private function unlike(Recipe $recipe, array $in): array
    {
        $step = $recipe->fresh()?->atHand()->step((string) ($in['step'] ?? ''));
        $has = $step === null ? [] : Arr::flatten([$step->shapes(), array_map($step->text(...), array_keys($step->kind->fields()))]);

        return array_values(array_filter(Arr::flatten((array) ($in['values'] ?? [])), static fn (mixed $v): bool => is_string($v) && ! in_array($v, $has, true)));
    }

    public function check(Request $request, Work $work): View
    {
        $this->authorize('edit', $work->recipe);
        $assignment = $work->assignment;
        $this->bench->waits(Workbench::AGAIN);
        $state = $this->bench->evaluate($work->recipe->document());
        $reference = $this->bench->evaluate($assignment->exercise->reference->document());
        if (! $state->isFinished() || ! $reference->isFinished()) {
            return view('bench.work', [...$this->pageFor($work->recipe), 'said' => 'The part is still being worked out. Check it when it is there.']);
        }
        if (! $assignment->disclosure()->atEachCheck()) {
            return view('bench.work', [...$this->pageFor($work->recipe), 'picked' => null, 'fresh' => null, 'said' => 'Your teacher shows the results ' . Disclosure::WHEN[$assignment->disclosure()->when] . '.']);
        }
        $report = $this->bench->check($state, $assignment->exercise->sheet(), $work->recipe->document(), $reference, $work->waysHandedIn());
        $done = DB::transaction(function () use ($work, $assignment, $state, $report): bool {
            $fresh = Work::query()->lockForUpdate()->findOrFail($work->id);
            if ($assignment->checks_allowed !== null && $fresh->checks_used >= $assignment->checks_allowed) {
                return false;
            }
            $fresh->checks_used++;
            $fresh->last_check = ['key' => $state->key, 'at' => now()->toIso8601String(), 'rows' => $report->toArray(), 'findings' => $report->findingsToArray()];

            return $fresh->save();
        });
        $page = $this->pageFor($work->recipe);

        return view('bench.work', [...$page, 'picked' => null, 'fresh' => null, 'said' => $done
            ? "{$report->met()} of " . count($report->rows) . ' met.'
            : 'All checks your teacher allows are used. You can still hand in.']);
    }

    public function handIn(Request $request, Work $work): RedirectResponse
    {
        $this->authorize('edit', $work->recipe);
        $request->validate(['version' => ['required', 'integer']]);
        if ((int) $request->input('version') !== $work->recipe->version) {
            return redirect()->route('work', $work->assignment_id)->withErrors(['hand-in' => 'The part was changed in another window since. Look at it once more, then hand it in.']);
        }
        $revision = $work->recipe->head();
        $this->bench->waits(Workbench::PAGE);
        $state = $this->bench->evaluate($revision->recipe());
        if ($state->isFinished() && $state->isEmpty()) {
            return redirect()->route('work', $work->assignment_id)->withErrors(['hand-in' => 'There is no part yet to hand in.']);
        }
        $handIn = HandIn::begin($work, ['revision_id' => $revision->id]);
        CheckHandIn::dispatch($handIn->id);
        PreparePart::dispatch($revision->id);

        return redirect()->route('hand-ins.show', $handIn);
    }

    /** @return array<string, mixed> */
    private function pageFor(Recipe $recipe): array
    {
        $work = $recipe->work()->first();
        if ($work !== null) {
            return BenchPage::forWork($work, $this->bench, $this->book);
        }

        return BenchPage::forReference($recipe->exercise()->firstOrFail(), $this->bench, $this->book);
    }
}
