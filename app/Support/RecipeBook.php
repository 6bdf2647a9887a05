<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Assignment;
use App\Models\Person;
use App\Models\Recipe;
use App\Models\Revision;
use App\Models\Work;
use Closure;
use Cubo\Budget\Limits;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Message;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\StepProblem;
use Cubo\Recipe\UnreadableRecipe;
use Illuminate\Support\Facades\DB;
use LogicException;

/** Writes recipes: every change appends a revision; undo and redo only move the current one. */
final class RecipeBook
{
    public function begin(Person $owner, Document $document): Recipe
    {
        return DB::transaction(function () use ($owner, $document): Recipe {
            $r = Recipe::create(['owner_id' => $owner->id, 'current' => 1, 'version' => 1]);
            $this->append($r, 1, null, $document);

            return $r;
        });
    }

    /** A student's work for an assignment; begun, with an empty part, when there is none yet. */
    public function workFor(Assignment $assignment, Person $student): Work
    {
        return DB::transaction(function () use ($assignment, $student): Work {
            // two windows opened at once must not begin two parts
            Person::query()->lockForUpdate()->findOrFail($student->id);

            return Work::query()->where('assignment_id', $assignment->id)->where('student_id', $student->id)->first() ??
                Work::create([
                    'assignment_id' => $assignment->id,
                    'student_id' => $student->id,
                    'recipe_id' => $this->begin(
                        $student,
                        new Document(Unit::from($assignment->exercise->unit), [], $assignment->exercise->title . ', ' . $student->name),
                    )->id,
                    'checks_used' => 0,
                    'last_check' => null,
                ]);
        });
    }

    /** @throws StaleVersion */
    public function save(Recipe $recipe, int $version, Document $document): void
    {
        $this->move($recipe, $version, Move::to($document));
    }

    /**
     * @param int $version the one the move was worked out on
     * @param (Closure(Recipe): void)|null $also is done together with it or not at all
     *
     * @throws StaleVersion
     */
    public function move(Recipe $recipe, int $version, Move $move, ?Closure $also = null): void
    {
        DB::transaction(function () use ($recipe, $version, $move, $also): void {
            $fresh = Recipe::query()->lockForUpdate()->findOrFail($recipe->id);
            if ($fresh->version !== $version) {
                throw new StaleVersion('This part was changed in another window.');
            }
            if (!$move->isNothing()) {
                $fresh->current = match ($move->way) {
                    'back' => $fresh->head()->parent ?? $fresh->current,
                    'forth' => self::next($fresh) ?? $fresh->current,
                    default => $this->appended($fresh, $move->document ?? throw new LogicException('A move to nowhere.')),
                };
                $fresh->version++;
                $fresh->save();
            }
            if ($also !== null) {
                $also($fresh);
            }
            $recipe->setRawAttributes($fresh->getAttributes(), true);
        });
    }

    /** The revision that undoing leads to; null at the first one. */
    public function before(Recipe $recipe): ?Document
    {
        $parent = $recipe->head()->parent;

        return $parent === null ? null : $recipe->revisions()->where('number', $parent)->firstOrFail()->recipe();
    }

    /** The revision that redoing leads to; null where nothing was taken back. */
    public function after(Recipe $recipe): ?Document
    {
        $next = self::next($recipe);

        return $next === null ? null : $recipe->revisions()->where('number', $next)->firstOrFail()->recipe();
    }

    private static function next(Recipe $recipe): ?int
    {
        $number = $recipe->revisions()->where('parent', $recipe->current)->max('number');

        return $number === null ? null : (int) $number;
    }

    public function canRedo(Recipe $recipe): bool
    {
        return $recipe->revisions()->where('parent', $recipe->current)->exists();
    }

    private function appended(Recipe $r, Document $document): int
    {
        $number = (int) $r->revisions()->max('number') + 1;
        $this->append($r, $number, $r->current, $document);

        return $number;
    }

    /** @throws StepProblem for a document that could not be read again */
    private function append(Recipe $r, int $number, ?int $parent, Document $document): void
    {
        $json = $document->toJson();
        try {
            if (strlen($json) > Limits::DOCUMENT) {
                throw new UnreadableRecipe('It would be larger than ' . intdiv(Limits::DOCUMENT, 1_000_000) . ' MB.');
            }
            RecipeReader::fromJson($json);
        } catch (UnreadableRecipe $e) {
            throw new StepProblem(new Message('too-large', 'This is more than a part can hold.', $e->getMessage()));
        }
        Revision::create(['recipe_id' => $r->id, 'number' => $number, 'parent' => $parent, 'document' => $json, 'created_at' => now()]);
    }
}
