<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Exercise;
use App\Models\Recipe;
use App\Models\Work;
use Cubo\Check\Exercise as Sheet;
use Cubo\Check\Row;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\BodyNames;
use Cubo\Recipe\Field;
use Cubo\Recipe\FieldType;
use Cubo\Recipe\Measurement;
use Cubo\Recipe\Message;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe as Document;
use Cubo\Recipe\Reliance;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepKind;

/** All that the bench shows, for a student's work or a teacher's reference part. */
final class BenchPage
{
    /** @return array<string, mixed> */
    public static function forWork(Work $work, Workbench $bench, RecipeBook $book): array
    {
        $work = $work->fresh(['assignment.exercise.reference', 'recipe', 'lastHandIn']) ?? $work;
        $exercise = $work->assignment->exercise;
        $sheet = $exercise->sheet();
        $common = self::common($work->recipe, $bench, $book);
        $rows = $work->report()?->rows ?? [];
        $stale = $work->last_check !== null && $work->last_check['key'] !== $common['state']->key;
        $states = self::states($rows, $stale);
        $reference = $bench->evaluate($exercise->reference->document());

        return [...$common,
            'work' => $work, 'exercise' => $exercise, 'sheet' => $sheet, 'rows' => self::byId($rows), 'states' => $states, 'stale' => $stale,
            'drawing' => $bench->sheetSvg($reference, $sheet, 300, 300, $states, true), 'sheetFrom' => '',
            'metCount' => $work->report()?->met() ?? 0,
            'handIn' => $work->lastHandIn,
            'checksLeft' => $work->assignment->checks_allowed === null ? null : max(0, $work->assignment->checks_allowed - $work->checks_used),
            'marks' => array_values(array_map(static fn (Row $r): array => ['letter' => $r->letter, 'id' => $r->id, 'status' => $states[$r->id], 'text' => $r->measured, 'place' => $r->place],
                array_filter($rows, static fn (Row $r): bool => $r->place !== null && ! $stale))),
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

        return [...$common,
            'work' => null, 'exercise' => $exercise, 'sheet' => $sheet, 'rows' => [], 'states' => [], 'stale' => false,
            // drawn after the page is there: it takes longer than an edit
            'drawing' => '', 'sheetFrom' => $common['state']->isEmpty() ? '' : route('exercises.bench.sheet', [$exercise, 'key' => $common['state']->key], false),
            'metCount' => 0, 'handIn' => null, 'checksLeft' => null, 'marks' => [],
        ];
    }

    /** @return array<string, mixed> */
    private static function common(Recipe $recipe, Workbench $bench, RecipeBook $book): array
    {
        $document = $recipe->document();
        $state = $bench->evaluate($document);

        // words for what can be picked on the stage, where some step wants something picked
        $picks = array_filter($document->steps, static fn (Step $s): bool => array_filter($s->kind->fields(), static fn (Field $f): bool => in_array($f->type, [FieldType::Face, FieldType::Faces, FieldType::Edge, FieldType::Edges, FieldType::Spot], true)) !== []);

        $bodies = $state->isEmpty() ? [] : array_keys(BodyNames::of($state->part()));
        [$mass, $massWhy] = [null, ''];
        try {
            $mass = $state->isEmpty() ? null : $document->material?->mass($bench->readouts($state)['volume']);
        } catch (UnreadableExpression $e) {
            $massWhy = $e->getMessage();
        }

        return [
            'mass' => $mass, 'massWhy' => $massWhy,
            'pins' => self::pins($document, $state),
            'words' => route('stage.words', $recipe, false),
            'sketchNotes' => self::sketchNotes($document, $state, $bench),
            'names' => $picks === [] || $state->isEmpty() ? null : $bench->names($state, $document),
            'reliance' => new Reliance($document),
            'recipe' => $recipe, 'document' => $document, 'state' => $state, 'unit' => $document->unit,
            'readouts' => $state->isEmpty() ? null : $bench->readouts($state),
            'bodyWords' => self::bodyWords($document, $bodies),
            'bodies' => $bodies,
            'canUndo' => $recipe->current !== 1, 'canRedo' => $book->canRedo($recipe),
            'glb' => $state->isEmpty() ? '' : route('recipes.glb', [$recipe, $state->key], false),
            'picked' => null, 'fresh' => null, 'said' => '',
        ];
    }

    /**
     * @param list<int|string> $bodies
     * @return array<string, string>
     */
    private static function bodyWords(Document $document, array $bodies): array
    {
        $out = [];
        foreach ($bodies as $b) {
            [$id, $piece] = explode('.', (string) $b) + [1 => null];
            $out[(string) $b] = ($piece === null ? '' : "piece $piece of ") . ($document->step($id)->name ?? $id);
        }

        return $out;
    }

    /** @return list<array{of: list<string>, words: list<string>, read: Measurement}> */
    private static function pins(Document $document, PartState $state): array
    {
        return array_map(static fn (array $of): array => ['of' => $of, 'words' => array_map(static fn (string $n): string => PartNames::any($n, $document), $of), 'read' => Measurement::of($state->part(), $of, $document->unit)], $document->pins);
    }

    /** @return array<string, list<Message>> what is left open in the sketches that work, by step */
    private static function sketchNotes(Document $document, PartState $state, Workbench $bench): array
    {
        $out = [];
        foreach ($document->steps as $s) {
            if ($s->kind === StepKind::Sketch && ($state->results[$s->id]->status ?? '') === 'done') {
                $out[$s->id] = $bench->sketchNotes($document, $s);
            }
        }

        return $out;
    }

    /** @param list<Row> $rows @return array<string, Row> */
    public static function byId(array $rows): array
    {
        $out = [];
        foreach ($rows as $r) {
            $out[$r->id] = $r;
        }

        return $out;
    }
}
