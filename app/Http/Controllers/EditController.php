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
use Cubo\Recipe\Edit\Edit;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The door for edits of the bench: each is taken in once, and answered with the bench as it is then. */
final class EditController extends Controller
{
    public function __construct(
        private readonly Workbench $bench,
        private readonly RecipeBook $book,
        private readonly EditDesk $desk,
        private readonly BenchEdits $edits,
    ) {}

    public function edit(BenchEdit $request, Recipe $recipe): Response|JsonResponse
    {
        $this->authorize('edit', $recipe);
        $this->bench->waits(Workbench::EDIT);
        $in = $request->validated();
        $edit = $request->sentEdit();
        $focus = null;
        try {
            $taken = $this->desk->take($recipe, $request->sent(), function (Recipe $r) use ($edit, $in, &$focus): Move {
                return $edit === null ? $this->back($r, $in['do'] === 'undo') : $this->move($r, $edit, $in, $focus);
            });
        } catch (StepProblem $p) {
            $taken = new TakenEdit(EditOutcome::Refused, $recipe->version, "{$p->note->what} {$p->note->why}");
        } catch (StaleVersion) {
            $taken = new TakenEdit(EditOutcome::Elsewhere, $recipe->refresh()->version);
        }

        return $this->answer($recipe, $taken, $edit, $in, $focus);
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

        return response()->view('bench.work', [
            ...BenchPage::for($recipe, $this->bench, $this->book),
            'picked' => is_string($step) ? $step : null,
        ]);
    }

    /** One revision back, or forth again. */
    private function back(Recipe $recipe, bool $undo): Move
    {
        $other = $undo ? $this->book->before($recipe) : $this->book->after($recipe);
        if ($other === null) {
            return Move::nowhere($undo ? 'There is nothing to take back.' : 'Nothing was taken back.');
        }
        $words = Difference::words($recipe->document(), $other);

        return $undo ? Move::back("Taken back. $words") : Move::forth("Done again. $words");
    }

    /** @param array<string, mixed> $in */
    private function move(Recipe $recipe, Edit $edit, array $in, ?string &$focus): Move
    {
        $before = $recipe->document();
        try {
            $after = $this->edits->of($recipe, $before, $edit, $in);
        } catch (OverBudget) {
            throw new StepProblem(
                new Message('too-much', 'This cannot be worked out now.', 'The part has too many faces for it, or is still being made.'),
            );
        }
        if ($after->toJson() === $before->toJson()) {
            return Move::nowhere();
        }
        if ($edit->makesStep()) {
            $focus =
                array_values(array_diff(array_column($after->atHand()->steps, 'id'), array_column($before->atHand()->steps, 'id')))[0] ??
                null;
        }

        return Move::to($after);
    }

    /** @param array<string, mixed> $in */
    private function answer(Recipe $recipe, TakenEdit $taken, ?Edit $edit, array $in, ?string $focus): Response|JsonResponse
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
        $tried = $edit?->keepsTrial() === true && ($in['trial'] ?? false) ? $in['step'] ?? null : null;

        return response()
            ->view('bench.work', [
                ...BenchPage::for($recipe, $this->bench, $this->book),
                'said' => $taken->words,
                'told' => true,
                'picked' => $focus ?? ($in['step'] ?? null),
                'fresh' => $edit?->triesStep() === true ? $focus : $tried,
            ])
            ->header('Cubo-Edit', $taken->outcome->value);
    }
}
