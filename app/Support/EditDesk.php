<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\EditOutcome;
use App\Models\Recipe;
use App\Models\RecipeEdit;
use Closure;
use Cubo\Recipe\StepProblem;
use Illuminate\Database\UniqueConstraintViolationException;

/**
 * Takes in the edits that windows send. Each is done once and in the order of its window, however often it is sent and
 * whatever came of the answer: what became of it is written down together with what it changed.
 */
final class EditDesk
{
    /** Edits of one window that are remembered. */
    private const KEPT = 400;

    /** Another edit may come in between while this one is worked out; then it is worked out again. */
    private const MOST_TURNS = 3;

    public function __construct(private readonly RecipeBook $book) {}

    /**
     * @param Closure(Recipe): Move $work what the edit comes to on the recipe as it is
     *
     * @throws StaleVersion for an edit without an id that stands on another version
     * @throws StepProblem for an edit without an id that cannot be done
     */
    public function take(Recipe $recipe, SentEdit $sent, Closure $work): TakenEdit
    {
        if (!$sent->hasId()) {
            $move = $work($recipe);
            $this->book->move($recipe, $sent->version, $move);

            return new TakenEdit($move->isNothing() ? EditOutcome::Same : EditOutcome::Kept, $recipe->version, $move->said);
        }
        for ($turn = 1; ; $turn++) {
            $known = $this->known($recipe, $sent);
            if ($known !== null) {
                return $known;
            }
            $recipe->refresh();
            if ($recipe->version !== $sent->version && $this->others($recipe, $sent)) {
                return $this->noted($recipe, $sent, EditOutcome::Elsewhere, '');
            }
            try {
                $move = $work($recipe);
                $version = $recipe->version;
                $this->book->move($recipe, $version, $move, static function (Recipe $r) use ($sent, $move): void {
                    self::write($r, $sent, $move->isNothing() ? EditOutcome::Same : EditOutcome::Kept, $move->said);
                });
                $this->clear($recipe, $sent);

                return new TakenEdit($move->isNothing() ? EditOutcome::Same : EditOutcome::Kept, $recipe->version, $move->said);
            } catch (StepProblem $p) {
                return $this->noted($recipe, $sent, EditOutcome::Refused, "{$p->note->what} {$p->note->why}");
            } catch (StaleVersion $e) {
                if ($turn >= self::MOST_TURNS) {
                    throw $e;
                }
            } catch (UniqueConstraintViolationException) {
                // the same edit, sent twice, was quicker here
                $recipe->refresh();
            }
        }
    }

    /**
     * How far the edits of a window have come.
     *
     * @return array{last: int, version: int, outcomes: array<int, array{outcome: string, words: string}>}
     */
    public static function arrived(Recipe $recipe, string $line): array
    {
        $edits = RecipeEdit::query()
            ->where('recipe_id', $recipe->id)
            ->where('line', $line)
            ->orderByDesc('number')
            ->limit(self::KEPT)
            ->get();

        return [
            'last' => (int) ($edits->first()->number ?? 0),
            'version' => $recipe->version,
            'outcomes' => $edits
                ->mapWithKeys(static fn(RecipeEdit $e): array => [$e->number => ['outcome' => $e->outcome->value, 'words' => $e->words]])
                ->all(),
        ];
    }

    private function known(Recipe $recipe, SentEdit $sent): ?TakenEdit
    {
        $last = (int) RecipeEdit::query()->where('recipe_id', $recipe->id)->where('line', $sent->line)->max('number');
        if ($sent->number > $last + 1) {
            return new TakenEdit(EditOutcome::Early, $recipe->version, '', true);
        }
        if ($sent->number === $last + 1) {
            return null;
        }
        $e = RecipeEdit::query()->where('recipe_id', $recipe->id)->where('line', $sent->line)->where('number', $sent->number)->first();
        $recipe->refresh();

        // what was done so long ago that nobody remembers how was done
        return new TakenEdit($e->outcome ?? EditOutcome::Same, $recipe->version, $e->words ?? '', true);
    }

    /** Whether somebody else than this window has changed the recipe since the version it stands on. */
    private function others(Recipe $recipe, SentEdit $sent): bool
    {
        if ($recipe->version < $sent->version) {
            return true;
        }
        $own = RecipeEdit::query()
            ->where('recipe_id', $recipe->id)
            ->where('outcome', EditOutcome::Kept)
            ->where('version', '>', $sent->version)
            ->whereIn('line', [$sent->line, ...$sent->own])
            ->distinct()
            ->count('version');

        return $own < $recipe->version - $sent->version;
    }

    private function noted(Recipe $recipe, SentEdit $sent, EditOutcome $outcome, string $words): TakenEdit
    {
        try {
            self::write($recipe, $sent, $outcome, $words);
        } catch (UniqueConstraintViolationException) {
            return $this->known($recipe, $sent) ?? new TakenEdit($outcome, $recipe->version, $words);
        }

        return new TakenEdit($outcome, $recipe->version, $words);
    }

    private static function write(Recipe $r, SentEdit $sent, EditOutcome $outcome, string $words): void
    {
        RecipeEdit::create([
            'recipe_id' => $r->id,
            'line' => $sent->line,
            'number' => $sent->number,
            'version' => $r->version,
            'outcome' => $outcome,
            'words' => mb_substr($words, 0, 1000),
            'created_at' => now(),
        ]);
    }

    private function clear(Recipe $recipe, SentEdit $sent): void
    {
        if ($sent->number % 100 === 0) {
            RecipeEdit::query()
                ->where('recipe_id', $recipe->id)
                ->where('line', $sent->line)
                ->where('number', '<', $sent->number - self::KEPT)
                ->delete();
        }
    }
}
