<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Exercise;
use App\Models\Recipe;
use App\Models\Work;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Check\Row;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\BodyNames;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Measurement;
use Cubo\Recipe\Message;
use Cubo\Recipe\Paint;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\Reliance;
use Cubo\Recipe\StepStatus;

/** All that the bench shows, for a student's work or a teacher's reference part. */
final class BenchPage
{
    /** @return array<string, mixed> */
    public static function for(Recipe $recipe, Workbench $bench, RecipeBook $book): array
    {
        $work = $recipe->work()->first();

        return $work !== null ? self::forWork($work, $bench, $book) : self::forReference($recipe->exercise()->firstOrFail(), $bench, $book);
    }

    /** @return array<string, mixed> */
    public static function forWork(Work $work, Workbench $bench, RecipeBook $book): array
    {
        $work = $work->fresh(['assignment.exercise.reference', 'recipe', 'lastHandIn']) ?? $work;
        $exercise = $work->assignment->exercise;
        $sheet = $exercise->sheet();
        $common = self::common($work->recipe, $bench, $book);
        $seen = $work->report() === null ? null : $work->assignment->disclosure()->applied($work->report());
        $rows = $seen->rows ?? [];
        $stale = $work->last_check !== null && !$common['unfinished'] && $work->last_check['key'] !== $common['key'];
        $states = self::states($rows, $stale);
        $reference = $bench->evaluate($exercise->reference->document());
        // a drawing that is not there yet comes after the page
        $drawn = $bench->isDrawn($reference);

        return [
            ...$common,
            'work' => $work,
            'exercise' => $exercise,
            'sheet' => $sheet,
            'rows' => self::byId($rows),
            'states' => $states,
            'stale' => $stale,
            'drawing' => $drawn ? $bench->sheetSvg($reference, $sheet, 300, 300, $states, true) : '',
            'sheetFrom' => $drawn ? '' : route('work.sheet', [$work->assignment_id, 'small' => 1, 'key' => $common['key']], false),
            'metCount' => $work->report()?->met() ?? 0,
            'handIn' => $work->lastHandIn,
            'findings' => $stale ? [] : $seen->findings ?? [],
            'shownWhen' => $work->assignment->disclosure()->when,
            'checksLeft' =>
                $work->assignment->checks_allowed === null ? null : max(0, $work->assignment->checks_allowed - $work->checks_used),
            // sizes of the whole say nothing about a group that is open
            'marks' =>
                $common['open'] !== null
                    ? []
                    : array_values(
                        array_map(
                            static fn(Row $r): array => [
                                'letter' => $r->letter,
                                'id' => $r->id,
                                'status' => $states[$r->id],
                                'text' => $r->measured,
                                'place' => $r->place,
                            ],
                            array_filter($rows, static fn(Row $r): bool => $r->place !== null && !$stale),
                        ),
                    ),
        ];
    }

    /**
     * How each size stands: what was met before the part changed has to be checked anew.
     *
     * @param list<Row> $rows
     * @return array<string, string> by requirement id
     */
    public static function states(array $rows, bool $stale): array
    {
        $states = [];
        foreach ($rows as $r) {
            $states[$r->id] = $stale && $r->status === 'met' ? 'stale' : $r->status;
        }

        return $states;
    }

    /** @return array<string, mixed> */
    public static function forReference(Exercise $exercise, Workbench $bench, RecipeBook $book): array
    {
        $common = self::common($exercise->reference()->firstOrFail(), $bench, $book);
        $sheet = $exercise->sheet();

        return [
            ...$common,
            'work' => null,
            'exercise' => $exercise,
            'sheet' => $sheet,
            'rows' => [],
            'states' => [],
            'stale' => false,
            // drawn after the page is there: it takes longer than an edit
            'drawing' => '',
            'sheetFrom' => $common['empty'] ? '' : route('exercises.bench.sheet', [$exercise, 'key' => $common['key']], false),
            'metCount' => 0,
            'handIn' => null,
            'checksLeft' => null,
            'marks' => [],
            'findings' => [],
            'shownWhen' => 'check',
        ];
    }

    /** @return array<string, mixed> */
    private static function common(Recipe $recipe, Workbench $bench, RecipeBook $book): array
    {
        $whole = $recipe->document();
        $document = $whole->atHand();
        $state = $bench->evaluate($document);
        $owner = $recipe->owner()->firstOrFail();
        $all = $document === $whole ? $state : $bench->evaluate($whole);

        $names = $state->isEmpty() ? null : self::names($document, $state, $bench);
        $bodies = $state->isEmpty() ? [] : array_keys(BodyNames::of($state->part()));
        [$mass, $massWhy] = [null, ''];
        [$readouts, $measured] = self::readouts($state, $bench);
        try {
            $mass = $readouts === null ? null : $document->material?->mass($readouts['volume']);
        } catch (UnreadableExpression $e) {
            $massWhy = $e->getMessage();
        }

        return [
            'mass' => $mass,
            'massWhy' => $massWhy,
            'pins' => self::pins($document, $state),
            'words' => route('stage.words', $recipe, false),
            'sketchNotes' => self::sketchNotes($document, $state, $bench),
            'names' => $names,
            'reliance' => new Reliance($document),
            // checks and drawings are of the whole, whatever is open
            'key' => $all->key,
            'empty' => $all->isEmpty(),
            'unfinished' => !$state->isFinished() || !$all->isFinished(),
            'measured' => $measured,
            'open' => $whole->groups[$whole->open] ?? null,
            'whole' => $whole,
            'shares' => $owner->isTeacher() ? $owner->classes()->orderBy('name')->get()->all() : [],
            'newer' => Library::newer($whole, $owner),
            'paint' =>
                $names !== null && Paint::any($document) ? Paint::of($document, array_map(strval(...), array_keys($names['faces']))) : [],
            'recipe' => $recipe,
            'document' => $document,
            'state' => $state,
            'unit' => $document->unit,
            'readouts' => $readouts,
            'bodyWords' => self::bodyWords($document, $bodies),
            'bodies' => $bodies,
            'canUndo' => $recipe->current !== 1,
            'canRedo' => $book->canRedo($recipe),
            'glb' => $state->isEmpty() ? '' : route('recipes.glb', [$recipe, $state->key], false),
            'picked' => null,
            'fresh' => null,
            'said' => '',
        ];
    }

    /** @return array{array<string, mixed>|null, string} figures, and how it is with them: there, later or never */
    private static function readouts(PartState $state, Workbench $bench): array
    {
        try {
            return [$state->isEmpty() ? null : $bench->readouts($state), 'there'];
        } catch (OverBudget $e) {
            return [null, $e->limit === Limit::Time ? 'later' : 'never'];
        }
    }

    /**
     * Words for what can be picked in the fields of the log. Those for edges and corners are worked out only where some
     * step wants one: finding them is the most of the work.
     *
     * @return array{faces: array<string, string>, edges: array<string, string>, corners: array<string, string>}
     */
    private static function names(Document $document, PartState $state, Workbench $bench): array
    {
        $edges = [FieldType::Faces, FieldType::Edge, FieldType::Edges, FieldType::Spot];
        foreach ($document->steps as $s) {
            foreach ($s->kind->fields() as $key => $f) {
                if (in_array($f->type, $edges, true) && $s->uses($key)) {
                    return $bench->names($state, $document);
                }
            }
        }

        return ['faces' => PartNames::faces($state->part(), $document), 'edges' => [], 'corners' => []];
    }

    /**
     * @param list<int|string> $bodies
     * @return array<string, string>
     */
    private static function bodyWords(Document $document, array $bodies): array
    {
        $out = [];
        foreach ($bodies as $b) {
            [$id, $piece] = [explode('.', (string) $b)[0], explode('.', (string) $b)[1] ?? null];
            $out[(string) $b] = ($piece === null ? '' : "piece $piece of ") . ($document->step($id)->name ?? $id);
        }

        return $out;
    }

    /** @return list<array{of: list<string>, words: list<string>, read: Measurement}> */
    private static function pins(Document $document, PartState $state): array
    {
        return array_map(
            static fn(array $of): array => [
                'of' => $of,
                'words' => array_map(static fn(string $n): string => PartNames::any($n, $document), $of),
                'read' => Measurement::of($state->part(), $of, $document->unit),
            ],
            $document->pins,
        );
    }

    /** @return array<string, list<Message>> what is left open in the sketches that work, by step */
    private static function sketchNotes(Document $document, PartState $state, Workbench $bench): array
    {
        $out = [];
        foreach ($document->steps as $s) {
            if ($s->kind->draws() && ($state->results[$s->id]->status ?? null) === StepStatus::Done) {
                $out[$s->id] = $bench->sketchNotes($document, $s);
            }
        }

        return $out;
    }

    /**
     * @param list<Row> $rows
     * @return array<string, Row>
     */
    public static function byId(array $rows): array
    {
        $out = [];
        foreach ($rows as $r) {
            $out[$r->id] = $r;
        }

        return $out;
    }
}
