<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\EditOutcome;
use App\Models\Recipe;
use App\Support\EditDesk;
use App\Support\Move;
use App\Support\PadPage;
use App\Support\RecipeBook;
use App\Support\SentEdit;
use App\Support\StaleVersion;
use App\Support\TakenEdit;
use App\Support\Workbench;
use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\Difference;
use Cubo\Recipe\EdgesTakenOver;
use Cubo\Recipe\Message;
use Cubo\Recipe\PartBefore;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\ShapesDrawn;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\Draw\PadEdit;
use Cubo\Sketch\Draw\Refusal;
use Cubo\Sketch\SketchFormat;
use Cubo\Sketch\Solve\SolvedSketch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use InvalidArgumentException;

/** The pad: a sketch step is drawn and settled here. */
final class PadController extends Controller
{
    public function __construct(private readonly RecipeBook $book, private readonly Workbench $bench, private readonly EditDesk $desk)
    {
        $bench->waits(Workbench::EDIT);
    }

    public function show(Recipe $recipe, string $step): View
    {
        $this->authorize('edit', $recipe);
        $s = $this->sketch($recipe, $step);
        $work = $recipe->work()->first();
        $exercise = $work?->assignment->exercise ?? $recipe->exercise()->firstOrFail();

        return view('pad.page', [
            'recipe' => $recipe, 'step' => $s, 'exercise' => $exercise, 'unit' => $recipe->atHand()->unit,
            'drawing' => $this->bench->sheetSvg($this->bench->evaluate($exercise->reference()->firstOrFail()->document()), $exercise->sheet(), 300, 300, [], true),
            'back' => $work === null ? route('exercises.bench', $exercise) : route('work', $work->assignment_id),
            ...$this->behind($recipe, $s),
            'squares' => $this->squares($recipe->atHand()->unit),
            'state' => $this->state($recipe, $s, ''),
        ]);
    }

    public function edit(Request $request, Recipe $recipe, string $step): JsonResponse
    {
        $this->authorize('edit', $recipe);
        $s = $this->sketch($recipe, $step);
        $in = (array) $request->json()->all();
        $do = is_string($in['do'] ?? null) ? $in['do'] : '';
        $unit = $recipe->atHand()->unit;
        $named = $recipe->atHand()->named();
        if ($do === 'squares') {
            return $this->withSquares($request, $recipe, $s);
        }
        if ($do === 'way') {
            return response()->json(['ghost' => PadPage::ghost(PadEdit::solved($s->drawn(), $unit, $named), is_int($in['n'] ?? null) ? $in['n'] : 0, $unit, $named)]);
        }
        if (($in['keep'] ?? true) === false) {
            // while something is dragged nothing is saved
            try {
                return response()->json(['drawing' => PadPage::drawing(PadEdit::make($s->drawn(), $in, $unit, $named), $unit)]);
            } catch (Refusal $e) {
                return response()->json([...$this->state($recipe, $s, $e->getMessage()), 'clash' => $e->clash], 422);
            }
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
            if ($other === null || ! Difference::onlyDrawing($recipe->document(), $other, $step)) {
                return Move::nowhere($do === 'undo' ? 'Nothing more was done in this sketch. What was done before it is taken back on the bench.' : 'Nothing was taken back in this sketch.');
            }

            return $do === 'undo' ? Move::back() : Move::forth();
        }
        if ($do === 'leave') {
            return Move::nowhere();
        }
        $s = $this->sketch($recipe, $step);
        try {
            $solved = $do === 'take' ? $this->taken($recipe, $s, $in) : PadEdit::make($s->drawn(), $in, $recipe->atHand()->unit, $recipe->atHand()->named());
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
        if ($recipe->atHand()->step($step)?->kind->draws() !== true) {
            return response()->json(['gone' => true])->header('Cubo-Edit', $taken->outcome->value);
        }
        $said = match ($taken->outcome) {
            EditOutcome::Elsewhere => 'The part was changed in another window. The sketch is shown as it is now; draw that once more.',
            default => $taken->words,
        };
        $state = $this->state($recipe, $this->sketch($recipe, $step), $said, $taken->before || $taken->outcome !== EditOutcome::Kept ? null : $solved);

        return response()->json([...$state, 'outcome' => $taken->outcome->value, 'clash' => $clash], match ($taken->outcome) {
            EditOutcome::Kept, EditOutcome::Same => 200,
            EditOutcome::Refused => 422,
            default => 409,
        })->header('Cubo-Edit', $taken->outcome->value);
    }

    /** The sketch as it is now, after an answer did not come. */
    public function now(Recipe $recipe, string $step): JsonResponse
    {
        $this->authorize('edit', $recipe);
        if ($recipe->atHand()->step($step)?->kind->draws() !== true) {
            return response()->json(['gone' => true]);
        }

        return response()->json($this->state($recipe, $this->sketch($recipe, $step), ''))->header('Cache-Control', 'no-store');
    }

    private function sketch(Recipe $recipe, string $step): Step
    {
        $s = $recipe->atHand()->step($step);
        abort_if($s === null || ! $s->kind->draws(), 404);

        // outlines given by numbers alone are drawn here like all others, with these numbers as their sizes
        $s = ShapesDrawn::of($s, $recipe->atHand()->unit, $recipe->atHand()->named());
        if (! EdgesTakenOver::any($s->drawn())) {
            return $s;
        }
        [$drawn] = EdgesTakenOver::renewed($s->drawn(), $this->bench->edges($this->before($recipe, $s)));

        return $s->with('drawn', SketchFormat::write($drawn));
    }

    /**
     * @param array<array-key, mixed> $in
     *
     * @throws Refusal
     */
    private function taken(Recipe $recipe, Step $s, array $in): SolvedSketch
    {
        $keys = array_values(array_filter(is_array($in['of'] ?? null) ? array_slice($in['of'], 0, 200) : [], is_string(...)));
        try {
            return PadEdit::held(EdgesTakenOver::take($s->drawn(), $this->bench->edges($this->before($recipe, $s)), $keys), $recipe->atHand()->unit, $recipe->atHand()->named());
        } catch (InvalidArgumentException $e) {
            throw new Refusal($e->getMessage());
        }
    }

    /** The squares of the paper are as large as someone likes them, until they sign out. */
    private function withSquares(Request $request, Recipe $recipe, Step $s): JsonResponse
    {
        $unit = $recipe->atHand()->unit;
        $typed = $request->json('value');
        try {
            $size = Expression::length(is_string($typed) ? mb_substr($typed, 0, 40) : '', $unit);
        } catch (UnreadableExpression $e) {
            return response()->json($this->state($recipe, $s, $e->getMessage()), 422);
        }
        if ($size < 0.1 || $size > 200) {
            return response()->json($this->state($recipe, $s, 'The squares are 0.1 to 200 mm wide.'), 422);
        }
        $request->session()->put("squares.{$unit->value}", [$size, trim((string) $typed)]);

        return response()->json($this->state($recipe, $s, ''));
    }

    /** @return array{float, string} side of the paper's squares in mm, and as it was typed */
    private function squares(Unit $unit): array
    {
        $own = session("squares.{$unit->value}");

        return is_array($own) && is_float($own[0] ?? null) && is_string($own[1] ?? null) ? [$own[0], $own[1]] : ($unit === Unit::Inch ? [25.4 / 4, '1/4'] : [5.0, '5']);
    }

    /** @return array<string, mixed> */
    private function state(Recipe $recipe, Step $step, string $said, ?SolvedSketch $solved = null): array
    {
        $unit = $recipe->atHand()->unit;
        $sketch = $step->drawn();
        try {
            $solved ??= PadEdit::solved($sketch, $unit, $recipe->atHand()->named());
        } catch (Refusal $e) {
            // a file may hold what cannot be settled: shown as drawn, with the reason
            $solved = new SolvedSketch($sketch, $e->clash);
            $said = $said !== '' ? $said : $e->getMessage();
        }

        return [
            'version' => $recipe->version, 'said' => $said,
            'canUndo' => $this->leads($recipe, $this->book->before($recipe), $step->id), 'canRedo' => $this->leads($recipe, $this->book->after($recipe), $step->id),
            'squares' => $this->squares($unit),
            'drawing' => PadPage::drawing($solved, $unit),
            'freedom' => PadPage::freedom($solved),
            'list' => view('pad.list', ['sketch' => $solved->sketch, 'solved' => $solved, 'unit' => $unit])->render(),
        ];
    }

    /** Whether another state is one of this sketch alone. */
    private function leads(Recipe $recipe, ?Document $other, string $step): bool
    {
        return $other !== null && Difference::onlyDrawing($recipe->document(), $other, $step);
    }

    /**
     * The part as it is before the sketch, seen straight onto its plane.
     *
     * @return array{face: string, behind: string, edges: list<array{key: string, faces: list<string>, words: string, d: string}>} all edges as a path in mm, and those that can be taken over
     */
    private function behind(Recipe $recipe, Step $step): array
    {
        $before = $this->before($recipe, $step);

        return ['face' => $step->text('face') === '' ? 'face of the part' : PartNames::face($step->text('face'), $recipe->atHand()), 'behind' => $before->plane === null || $before->state->isEmpty() ? '' : PadPage::behind($before->state->part(), $before->plane), 'edges' => PadPage::edges($this->bench->edges($before), $recipe->atHand())];
    }

    private function before(Recipe $recipe, Step $step): PartBefore
    {
        return PartBefore::of($recipe->atHand(), $step, $this->bench->evaluate(...));
    }
}
