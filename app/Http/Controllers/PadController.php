<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\EditOutcome;
use App\Models\Recipe;
use App\Support\EditDesk;
use App\Support\Move;
use App\Support\Pad\PadPage;
use App\Support\Pad\PadSketch;
use App\Support\Pad\Squares;
use App\Support\RecipeBook;
use App\Support\SentEdit;
use App\Support\StaleVersion;
use App\Support\TakenEdit;
use App\Support\Workbench;
use Cubo\Recipe\Message;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\Draw\PadEdit;
use Cubo\Sketch\Draw\Refusal;
use Cubo\Sketch\SketchFormat;
use Cubo\Sketch\Solve\SolvedSketch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The pad: a sketch step is drawn and settled here. */
final class PadController extends Controller
{
    public function __construct(
        private readonly RecipeBook $book,
        private readonly Workbench $bench,
        private readonly EditDesk $desk,
        private readonly PadSketch $pad,
    ) {
        $bench->waits(Workbench::EDIT);
    }

    public function show(Recipe $recipe, string $step): View
    {
        $this->authorize('edit', $recipe);
        $s = $this->sketch($recipe, $step);
        $work = $recipe->work()->first();
        $exercise = $work?->assignment->exercise ?? $recipe->exercise()->firstOrFail();

        return view('pad.page', [
            'recipe' => $recipe,
            'step' => $s,
            'exercise' => $exercise,
            'unit' => $recipe->atHand()->unit,
            'drawing' => $this->bench->sheetSvg(
                $this->bench->evaluate($exercise->reference()->firstOrFail()->document()),
                $exercise->sheet(),
                300,
                300,
                [],
                true,
            ),
            'back' => $work === null ? route('exercises.bench', $exercise) : route('work', $work->assignment_id),
            ...$this->pad->behind($recipe, $s),
            'squares' => Squares::of(session()->driver(), $recipe->atHand()->unit),
            'state' => $this->state($recipe, $s, ''),
        ]);
    }

    public function edit(Request $request, Recipe $recipe, string $step): JsonResponse
    {
        $this->authorize('edit', $recipe);
        $s = $this->sketch($recipe, $step);
        $in = (array) $request->json()->all();
        $do = is_string($in['do'] ?? null) ? $in['do'] : '';
        if ($do === 'squares') {
            $wrong = Squares::take($request->session(), $recipe->atHand()->unit, $in['value'] ?? null);

            return response()->json($this->state($recipe, $s, $wrong), $wrong === '' ? 200 : 422);
        }
        if ($do === 'way' || ($in['keep'] ?? true) === false) {
            return $this->shown($recipe, $s, $in, $do);
        }
        $solved = null;
        $clash = [];
        try {
            $taken = $this->desk->take($recipe, SentEdit::of($in), function (Recipe $r) use ($step, $in, $do, &$solved, &$clash): Move {
                return $this->move($r, $step, $in, $do, $solved, $clash);
            });
        } catch (StepProblem $p) {
            $taken = new TakenEdit(EditOutcome::Refused, $recipe->version, trim("{$p->note->what} {$p->note->why}"));
        } catch (StaleVersion) {
            $taken = new TakenEdit(EditOutcome::Elsewhere, $recipe->refresh()->version);
        }

        return $this->answer($recipe, $step, $taken, $solved, $clash);
    }

    /** The sketch as it is now, after an answer did not come. */
    public function now(Recipe $recipe, string $step): JsonResponse
    {
        $this->authorize('edit', $recipe);
        $s = $this->pad->step($recipe, $step);

        return $s === null
            ? response()->json(['gone' => true])
            : response()->json($this->state($recipe, $s, ''))->header('Cache-Control', 'no-store');
    }

    /**
     * What is only shown and not saved: a way the sketch can still move, or what is dragged just now.
     *
     * @param array<array-key, mixed> $in
     */
    private function shown(Recipe $recipe, Step $s, array $in, string $do): JsonResponse
    {
        [$unit, $named] = [$recipe->atHand()->unit, $recipe->atHand()->named()];
        if ($do === 'way') {
            return response()->json([
                'ghost' => PadPage::ghost(
                    PadEdit::solved($s->drawn(), $unit, $named),
                    is_int($in['n'] ?? null) ? $in['n'] : 0,
                    $unit,
                    $named,
                ),
            ]);
        }
        try {
            return response()->json(['drawing' => PadPage::drawing(PadEdit::make($s->drawn(), $in, $unit, $named), $unit)]);
        } catch (Refusal $e) {
            return response()->json([...$this->state($recipe, $s, $e->getMessage()), 'clash' => $e->clash], 422);
        }
    }

    /**
     * @param array<array-key, mixed> $in
     * @param list<string> $clash
     *
     * @throws StepProblem
     */
    private function move(Recipe $recipe, string $step, array $in, string $do, ?SolvedSketch &$solved, array &$clash): Move
    {
        if ($do === 'undo' || $do === 'redo') {
            $other = $do === 'undo' ? $this->book->before($recipe) : $this->book->after($recipe);
            if (!$this->pad->leads($recipe, $other, $step)) {
                return Move::nowhere(
                    $do === 'undo'
                        ? 'Nothing more was done in this sketch. What was done before it is taken back on the bench.'
                        : 'Nothing was taken back in this sketch.',
                );
            }

            return $do === 'undo' ? Move::back() : Move::forth();
        }
        if ($do === 'leave') {
            return Move::nowhere();
        }
        $s = $this->sketch($recipe, $step);
        try {
            $solved = $this->pad->edited($recipe, $s, $in);
        } catch (Refusal $e) {
            $clash = $e->clash;
            throw new StepProblem(new Message('refused', $e->getMessage(), ''));
        }
        $written = SketchFormat::write($solved->sketch);
        if ($written == SketchFormat::write($s->drawn())) {
            return Move::nowhere();
        }

        return Move::to($recipe->document()->withAtHand($recipe->atHand()->withStep($s->with('drawn', $written)->with('shapes', []))));
    }

    /** @param list<string> $clash */
    private function answer(Recipe $recipe, string $step, TakenEdit $taken, ?SolvedSketch $solved, array $clash): JsonResponse
    {
        $s = $this->pad->step($recipe, $step);
        if ($s === null) {
            return response()
                ->json(['gone' => true])
                ->header('Cubo-Edit', $taken->outcome->value);
        }
        $said = match ($taken->outcome) {
            EditOutcome::Elsewhere => 'The part was changed in another window. The sketch is shown as it is now; draw that once more.',
            default => $taken->words,
        };
        $state = $this->state($recipe, $s, $said, $taken->before || $taken->outcome !== EditOutcome::Kept ? null : $solved);

        return response()
            ->json(
                [...$state, 'outcome' => $taken->outcome->value, 'clash' => $clash],
                match ($taken->outcome) {
                    EditOutcome::Kept, EditOutcome::Same => 200,
                    EditOutcome::Refused => 422,
                    default => 409,
                },
            )
            ->header('Cubo-Edit', $taken->outcome->value);
    }

    private function sketch(Recipe $recipe, string $step): Step
    {
        return $this->pad->step($recipe, $step) ?? abort(404);
    }

    /** @return array<string, mixed> */
    private function state(Recipe $recipe, Step $step, string $said, ?SolvedSketch $solved = null): array
    {
        return $this->pad->state($recipe, $step, $said, Squares::of(session()->driver(), $recipe->atHand()->unit), $solved);
    }
}
