<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\BenchEdit;
use App\Models\EditOutcome;
use App\Models\Recipe;
use App\Support\BenchEdits;
use App\Support\BenchPage;
use App\Support\EditDesk;
use App\Support\Move;
use App\Support\RecipeBook;
use App\Support\SentEdit;
use App\Support\StaleVersion;
use App\Support\TakenEdit;
use App\Support\Workbench;
use Cubo\Budget\OverBudget;
use Cubo\Recipe\Difference;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The door for edits of the bench: each is taken in once, and answered with the bench as it is then. */
final class EditController extends Controller
{
    /** Edits after which the step that is new gets the focus. */
    private const MAKES = ['add', 'one-more', 'around', 'group', 'place', 'take'];

    public function __construct(private readonly Workbench $bench, private readonly RecipeBook $book, private readonly EditDesk $desk, private readonly BenchEdits $edits) {}

    public function edit(BenchEdit $request, Recipe $recipe): Response|JsonResponse
    {
        $this->authorize('edit', $recipe);
        $this->bench->waits(Workbench::EDIT);
        $in = $request->validated();
        $focus = null;
        try {
            $taken = $this->desk->take($recipe, $request->sent(), function (Recipe $r) use ($in, &$focus): Move {
                return $this->move($r, $in, $focus);
            });
        } catch (StepProblem $p) {
            $taken = new TakenEdit(EditOutcome::Refused, $recipe->version, "{$p->note->what} {$p->note->why}");
        } catch (StaleVersion) {
            $taken = new TakenEdit(EditOutcome::Elsewhere, $recipe->refresh()->version);
        }

        return $this->answer($recipe, $taken, $in, $focus);
    }

    /** How far the edits of a window have come, for when an answer did not. */
    public function arrived(Request $request, Recipe $recipe): JsonResponse
    {
        $this->authorize('edit', $recipe);
        $sent = SentEdit::of(['line' => $request->query('line'), 'number' => 1]);
        abort_unless($sent->hasId(), 422);

        return response()->json(EditDesk::arrived($recipe, $sent->line))->header('Cache-Control', 'no-store');
    }

    /** The bench as it is now. */
    public function now(Request $request, Recipe $recipe): Response
    {
        $this->authorize('edit', $recipe);
        $step = $request->query('step');
        $this->bench->waits(Workbench::AGAIN);

        return response()->view('bench.work', [...BenchPage::for($recipe, $this->bench, $this->book), 'picked' => is_string($step) ? $step : null]);
    }

    /** @param array<string, mixed> $in */
    private function move(Recipe $recipe, array $in, ?string &$focus): Move
    {
        if ($in['do'] === 'undo' || $in['do'] === 'redo') {
            $other = $in['do'] === 'undo' ? $this->book->before($recipe) : $this->book->after($recipe);
            if ($other === null) {
                return Move::nowhere($in['do'] === 'undo' ? 'There is nothing to take back.' : 'Nothing was taken back.');
            }
            $words = Difference::words($recipe->document(), $other);

            return $in['do'] === 'undo' ? Move::back("Taken back. $words") : Move::forth("Done again. $words");
        }
        $before = $recipe->document();
        try {
            $after = $in['do'] === 'leave' ? $before : $this->edits->of($recipe, $before, $in);
        } catch (OverBudget $e) {
            throw new StepProblem(new Message('too-much', 'This cannot be worked out now.', 'The part has too many faces for it, or is still being made.'));
        }
        if ($after->toJson() === $before->toJson()) {
            return Move::nowhere();
        }
        if (in_array($in['do'], self::MAKES, true)) {
            $focus = array_values(array_diff(array_column($after->atHand()->steps, 'id'), array_column($before->atHand()->steps, 'id')))[0] ?? null;
        }

        return Move::to($after);
    }

    /** @param array<string, mixed> $in */
    private function answer(Recipe $recipe, TakenEdit $taken, array $in, ?string $focus): Response|JsonResponse
    {
        $status = in_array($taken->outcome, [EditOutcome::Kept, EditOutcome::Same], true) ? 200 : 409;
        $brief = isset($in['brief']) ? (string) $in['brief'] : null;
        if ($status === 409 || $brief !== null) {
            $words = match ($taken->outcome) {
                EditOutcome::Refused => "{$taken->words} Nothing was changed.",
                EditOutcome::Elsewhere => 'This part was changed in another window. Nothing was overwritten.',
                default => $taken->words,
            };
            $json = ['outcome' => $taken->outcome->value, 'words' => $words, 'version' => $recipe->version];
            if ($status === 200 && $brief === '1') {
                // the part comes first; the log is asked for when the shape rests
                $state = $this->bench->evaluate($recipe->atHand());
                $json['glb'] = $state->isEmpty() ? '' : route('recipes.glb', [$recipe, $state->key], false);
            }

            return response()->json($json, $status)->header('Cubo-Edit', $taken->outcome->value);
        }
        // a step that is tried out stays so while its values change
        $tried = in_array($in['do'], ['set', 'pick', 'region', 'add-shape', 'drop-shape'], true) && ($in['trial'] ?? false) ? $in['step'] ?? null : null;

        return response()->view('bench.work', [...BenchPage::for($recipe, $this->bench, $this->book), 'said' => $taken->words, 'told' => true, 'picked' => $focus ?? ($in['step'] ?? null), 'fresh' => in_array($in['do'], ['group', 'one-more', 'around'], true) ? null : ($focus ?? $tried)])
            ->header('Cubo-Edit', $taken->outcome->value);
    }
}
