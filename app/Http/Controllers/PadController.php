<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Recipe;
use App\Support\PadPage;
use App\Support\RecipeBook;
use App\Support\StaleVersion;
use App\Support\Workbench;
use Cubo\Quantity\Unit;
use Cubo\Recipe\FacePlane;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\ShapesDrawn;
use Cubo\Recipe\SketchPlane;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepKind;
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
    public function __construct(private readonly RecipeBook $book, private readonly Workbench $bench) {}

    public function show(Recipe $recipe, string $step): View
    {
        $this->authorize('edit', $recipe);
        $s = $this->sketch($recipe, $step);
        $work = $recipe->work()->first();
        $exercise = $work?->assignment->exercise ?? $recipe->exercise()->firstOrFail();

        return view('pad.page', [
            'recipe' => $recipe, 'step' => $s, 'exercise' => $exercise, 'unit' => $recipe->document()->unit,
            'drawing' => $this->bench->sheetSvg($this->bench->evaluate($exercise->reference()->firstOrFail()->document()), $exercise->sheet(), 300, 300, [], true),
            'back' => $work === null ? route('exercises.bench', $exercise) : route('work', $work->assignment_id),
            'behind' => $this->behind($recipe, $s),
            'state' => $this->state($recipe, $s, ''),
        ]);
    }

    public function edit(Request $request, Recipe $recipe, string $step): JsonResponse
    {
        $this->authorize('edit', $recipe);
        $s = $this->sketch($recipe, $step);
        $in = (array) $request->json()->all();
        $unit = $recipe->document()->unit;
        try {
            if (in_array($in['do'] ?? '', ['undo', 'redo'], true)) {
                $in['do'] === 'undo' ? $this->book->undo($recipe, (int) ($in['version'] ?? 0)) : $this->book->redo($recipe, (int) ($in['version'] ?? 0));
                $document = $recipe->fresh()?->document();
                if ($document?->step($step)?->kind !== StepKind::Sketch) {
                    return response()->json(['gone' => true]);
                }

                return response()->json($this->state($recipe, $this->sketch($recipe, $step), ''));
            }
            $after = PadEdit::make($s->drawn(), $in, $unit);
            if (($in['keep'] ?? true) === false) {
                // while something is dragged nothing is saved
                return response()->json(['drawing' => PadPage::drawing($after, $unit)]);
            }
            $written = SketchFormat::write($after->sketch);
            if ($written != SketchFormat::write($s->drawn())) {
                $this->book->save($recipe, (int) ($in['version'] ?? 0), $recipe->document()->withStep($s->with('drawn', $written)->with('shapes', [])));
            }
        } catch (Refusal $e) {
            return response()->json([...$this->state($recipe, $s, $e->getMessage()), 'clash' => $e->clash], 422);
        } catch (StaleVersion) {
            return response()->json([...$this->state($recipe->fresh() ?? $recipe, $this->sketch($recipe->fresh() ?? $recipe, $step), 'The part was changed in another window. The sketch is shown as it is now; draw that once more.'), 'clash' => []], 409);
        }

        return response()->json($this->state($recipe, $this->sketch($recipe, $step), '', $after));
    }

    private function sketch(Recipe $recipe, string $step): Step
    {
        $s = $recipe->document()->step($step);
        abort_if($s === null || $s->kind !== StepKind::Sketch, 404);

        // outlines given by numbers alone are drawn here like all others, with these numbers as their sizes
        return ShapesDrawn::of($s, $recipe->document()->unit);
    }

    /** @return array<string, mixed> */
    private function state(Recipe $recipe, Step $step, string $said, ?SolvedSketch $solved = null): array
    {
        $unit = $recipe->document()->unit;
        $sketch = $step->drawn();
        try {
            $solved ??= PadEdit::solved($sketch, $unit);
        } catch (Refusal $e) {
            // a file may hold what cannot be settled: shown as drawn, with the reason
            $solved = new SolvedSketch($sketch, $e->clash);
            $said = $said !== '' ? $said : $e->getMessage();
        }

        return [
            'version' => $recipe->version, 'said' => $said,
            'canUndo' => $recipe->current !== 1, 'canRedo' => $this->book->canRedo($recipe),
            'drawing' => PadPage::drawing($solved, $unit),
            'freedom' => PadPage::freedom($solved),
            'list' => view('pad.list', ['sketch' => $solved->sketch, 'solved' => $solved, 'unit' => $unit])->render(),
        ];
    }

    /**
     * The edges of the part as it is before the sketch, seen straight onto its plane.
     *
     * @return string path in mm
     */
    private function behind(Recipe $recipe, Step $step): string
    {
        $document = $recipe->document();
        $steps = [];
        foreach ($document->steps as $s) {
            $steps[] = $s;
            if ($s->id === $step->id) {
                break;
            }
        }
        $state = $this->bench->evaluate(new Document($document->unit, $steps));
        $placement = SketchPlane::tryFrom($step->text('plane'))?->placement() ?? FacePlane::placement($state->part(), $step->text('face'));

        return $state->isEmpty() || $placement === null ? '' : PadPage::behind($state->part(), $placement);
    }

    /** The size of the paper's squares, mm. */
    public static function pitch(Unit $unit): float
    {
        return $unit === Unit::Inch ? 25.4 / 4 : 5.0;
    }
}
