<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Assignment;
use App\Models\Person;
use App\Models\Recipe;
use App\Models\Revision;
use App\Models\Work;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Recipe as Document;
use Illuminate\Support\Facades\DB;

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

            return Work::query()->where('assignment_id', $assignment->id)->where('student_id', $student->id)->first() ?? Work::create([
                'assignment_id' => $assignment->id,
                'student_id' => $student->id,
                'recipe_id' => $this->begin($student, new Document(Unit::from($assignment->exercise->unit), [], $assignment->exercise->title . ', ' . $student->name))->id,
                'checks_used' => 0,
                'last_check' => null,
            ]);
        });
    }

    /**
     * @throws StaleVersion
     */
    public function save(Recipe $recipe, int $version, Document $document): void
    {
        $this->locked($recipe, $version, function (Recipe $r) use ($document): int {
            $number = (int) $r->revisions()->max('number') + 1;
            $this->append($r, $number, $r->current, $document);

            return $number;
        });
    }

    /** @throws StaleVersion */
    public function undo(Recipe $recipe, int $version): void
    {
        $this->locked($recipe, $version, static fn (Recipe $r): int => $r->head()->parent ?? $r->current);
    }

    /** @throws StaleVersion */
    public function redo(Recipe $recipe, int $version): void
    {
        $this->locked($recipe, $version, static fn (Recipe $r): int => (int) ($r->revisions()->where('parent', $r->current)->max('number') ?? $r->current));
    }

    public function canRedo(Recipe $recipe): bool
    {
        return $recipe->revisions()->where('parent', $recipe->current)->exists();
    }

    /** @param callable(Recipe): int $change returns the number of the revision that is current then */
    private function locked(Recipe $recipe, int $version, callable $change): void
    {
        DB::transaction(function () use ($recipe, $version, $change): void {
            $fresh = Recipe::query()->lockForUpdate()->findOrFail($recipe->id);
            if ($fresh->version !== $version) {
                throw new StaleVersion('This part was changed in another window.');
            }
            $fresh->current = $change($fresh);
            $fresh->version++;
            $fresh->save();
            $recipe->setRawAttributes($fresh->getAttributes(), true);
        });
    }

    private function append(Recipe $r, int $number, ?int $parent, Document $document): void
    {
        Revision::create(['recipe_id' => $r->id, 'number' => $number, 'parent' => $parent, 'document' => $document->toJson(), 'created_at' => now()]);
    }
}
