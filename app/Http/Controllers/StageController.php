<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Recipe;
use App\Support\PreviewJson;
use App\Support\Workbench;
use Cubo\Exchange\GlbFile;
use Cubo\Recipe\Arrange\Nudging;
use Cubo\Recipe\Edit\Input;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Measurement;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\Preview;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepProblem;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What the stage asks for while somebody looks, picks, measures and tries values. Nothing here changes a recipe. */
final class StageController extends Controller
{
    public function __construct(private readonly Workbench $bench)
    {
        $bench->waits(Workbench::EDIT);
    }

    /** Words and places of everything that can be picked. */
    public function words(Recipe $recipe): JsonResponse
    {
        $this->authorize('view', $recipe);
        $document = $recipe->atHand();
        $state = $this->bench->evaluate($document);
        $none = ['faces' => [], 'edges' => [], 'corners' => []];

        return response()->json([
            'words' => $state->isEmpty() ? $none : $this->bench->names($state, $document),
            ...$state->isEmpty() ? ['corners' => [], 'bodies' => []] : $this->bench->places($state),
        ]);
    }

    /** What a step adds and takes away. */
    public function does(Request $request, Recipe $recipe, string $step): JsonResponse
    {
        $this->authorize('view', $recipe);
        $document = $recipe->atHand();

        return response()->json($this->bench->preview($document, self::step($document, $step), $request->query('differences') !== '0'));
    }

    /** The part as it is after a step, for going through the log. */
    public function after(Request $request, Recipe $recipe, string $step): Response
    {
        $this->authorize('view', $recipe);
        $document = $recipe->atHand();
        self::step($document, $step);
        $state = $this->bench->evaluate($document->upTo($step));

        return PartController::file(
            $state->isEmpty() ? GlbFile::write($state->part()) : $this->bench->glb($state),
            'model/gltf-binary',
        )->header('Cache-Control', (int) $request->query('version') === $recipe->version ? 'private, max-age=86400' : 'no-store');
    }

    /** Shapes of which nothing is seen. */
    public function unseen(Recipe $recipe): JsonResponse
    {
        $this->authorize('view', $recipe);

        return response()->json((object) $this->bench->unseen($recipe->atHand()));
    }

    public function measure(Request $request, Recipe $recipe): JsonResponse
    {
        $this->authorize('view', $recipe);
        $of = (new Input(['of' => $request->query('of')]))->names();
        $document = $recipe->atHand();
        $at = $request->query('at');
        $at =
            is_string($at) && preg_match('/^(-?\d{1,6}(?:\.\d{1,6})?),(-?\d{1,6}(?:\.\d{1,6})?),(-?\d{1,6}(?:\.\d{1,6})?)$/', $at, $n)
                ? [(float) $n[1], (float) $n[2], (float) $n[3]]
                : null;
        $m = Measurement::of($this->bench->evaluate($document)->part(), $of, $document->unit, $at);

        return response()->json([
            'of' => array_map(static fn(string $n): string => PartNames::any($n, $document), $of),
            'rows' => $m->rows,
            'lines' => $m->lines,
            'problem' => $m->problem,
        ]);
    }

    /** What other values of a step would do: the part where it is the last one, else what the step makes of itself. */
    public function tries(Request $request, Recipe $recipe, string $step): JsonResponse
    {
        $this->authorize('edit', $recipe);
        $input = $request->validate(['values' => ['nullable', 'array', 'max:40'], 'by' => ['nullable', 'array', 'size:3']]);
        $document = $recipe->atHand();
        self::step($document, $step);
        $tried = Editing::set($document, $step, (array) ($input['values'] ?? []));
        $trying = $this->bench->trying();
        $tried = isset($input['by']) ? Nudging::by($tried, $step, (new Input($input))->way(), $trying->evaluate(...)) : $tried;
        $it = self::step($tried, $step);
        $glb = null;
        $message = null;
        $last = $document->steps[count($document->steps) - 1]->id === $step;
        if ($last) {
            $state = $trying->evaluate($tried);
            $message = $state->results[$step]->messages[0] ?? null;
            $glb = $state->isEmpty() ? null : base64_encode(GlbFile::write($state->part()));
        }
        try {
            $seen = PreviewJson::of(Preview::quick($tried, $it, $trying->evaluate(...)));
        } catch (StepProblem $p) {
            $seen = ['added' => null, 'removed' => null, 'arrows' => [], 'areas' => [], 'lies' => ''];
            $message ??= $p->note;
        }

        return response()->json([...$seen, 'part' => $glb, 'says' => $message === null ? null : "$message->what $message->why"]);
    }

    private static function step(Document $document, string $id): Step
    {
        return $document->step($id) ?? abort(404);
    }
}
