<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Person;
use App\Models\Recipe;
use App\Support\Edits\Renew;
use App\Support\Edits\Take;
use Cubo\Budget\OverBudget;
use Cubo\Recipe\Edit\Bench;
use Cubo\Recipe\Edit\Edit;
use Cubo\Recipe\Edit\Edits;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\StepProblem;

/** The edits of the bench: those of a recipe, and those that need the library. */
final class BenchEdits
{
    /** Revisions that are looked through for how a recipe was. */
    private const BACK = 4;

    public function __construct(private readonly Workbench $bench, private readonly Library $library) {}

    /** @return array<string, Edit> by id */
    public function all(Recipe $recipe): array
    {
        $owner = static fn(): Person => $recipe->owner()->firstOrFail();
        $own = [new Take($this->library, $owner), new Renew($this->library, $owner)];

        return Edits::all() + array_combine(array_map(static fn(Edit $e): string => $e->id(), $own), $own);
    }

    /**
     * The recipe after an edit; the same where what was sent names nothing that is there.
     *
     * @param Document $whole whatever group is open in it
     * @param array<string, mixed> $in as validated
     *
     * @throws StepProblem where it cannot be done, in words
     * @throws OverBudget where the part is too fine for it, or still being made
     */
    public function of(Recipe $recipe, Document $whole, Edit $edit, array $in): Document
    {
        $bench = new Bench(
            $this->bench->evaluate(...),
            fn($state): array => $this->bench->places($state)['bodies'],
            static fn(): iterable => self::earlier($recipe),
        );

        return Edits::applied($edit, $whole, $in, $bench);
    }

    /** @return iterable<Document> newest first */
    private static function earlier(Recipe $recipe): iterable
    {
        $parent = $recipe->head()->parent;
        for ($back = 0; $back < self::BACK && $parent !== null; $back++) {
            $revision = $recipe->revisions()->where('number', $parent)->firstOrFail();
            yield $revision->recipe()->atHand();
            $parent = $revision->parent;
        }
    }
}
