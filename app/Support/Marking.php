<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Exercise;
use App\Models\HandIn;
use Cubo\Check\Checker;
use Cubo\Check\Making\Making;
use Cubo\Check\Report;
use Cubo\Exchange\UnreadableFile;
use Cubo\Measure\PartMeasures;
use Cubo\Solid\Solid;
use Illuminate\Database\Eloquent\Collection;

/** Checks what was handed in, and checks it again after the exercise was corrected. */
final class Marking
{
    public function __construct(private readonly Workbench $bench, private readonly FileShelf $shelf) {}

    /** @throws UnreadableFile when a file has gone */
    public function part(HandIn $handIn): Solid
    {
        return $handIn->file !== null ? $this->shelf->solid($handIn->file) : $this->bench->evaluate($handIn->recipe())->part();
    }

    public function glb(HandIn $handIn): string
    {
        return $handIn->file !== null ? $this->shelf->glb($handIn->file) : $this->bench->glb($this->bench->evaluate($handIn->recipe()));
    }

    /** @throws UnreadableFile when a file has gone */
    public function report(HandIn $handIn): Report
    {
        $exercise = $handIn->work->assignment->exercise;
        $making = $handIn->file !== null ? null : new Making($handIn->recipe(), $this->bench->evaluate(...), $handIn->work->waysHandedIn($handIn->attempt));

        return Checker::check(new PartMeasures($this->part($handIn)), $exercise->sheet(), $this->reference($exercise), $making);
    }

    public function reference(Exercise $exercise): ?PartMeasures
    {
        $state = $this->bench->evaluate($exercise->reference->document());

        return $state->isEmpty() ? null : new PartMeasures($state->part());
    }

    /** A first or a further check of what was handed in; the report that stood before is kept. */
    public function mark(HandIn $handIn): void
    {
        $report = $this->report($handIn);
        HandIn::marked($handIn->id, $report);
    }

    /** @return Collection<int, HandIn> the last hand-in of everyone, over all classes the exercise is set for */
    public static function last(Exercise $exercise): Collection
    {
        return HandIn::query()->whereHas('work.assignment', static fn ($q) => $q->where('exercise_id', $exercise->id))->with('work.student', 'work.assignment.schoolClass')
            ->orderByDesc('attempt')->get()->unique('work_id')->values();
    }

    /** @return list<array{letter: string, label: string, from: string, to: string, measured: string}> what changed at the last marking */
    public static function changes(HandIn $handIn): array
    {
        $before = array_column($handIn->earlier[count($handIn->earlier) - 1]['rows'] ?? [], null, 'id');
        if ($before === []) {
            return [];
        }
        $out = [];
        foreach ($handIn->report as $r) {
            $was = $before[$r['id']] ?? null;
            if ($was === null || $was['status'] !== $r['status']) {
                $out[] = ['letter' => $r['letter'], 'label' => $r['label'], 'from' => $was === null ? 'not asked' : $was['word'], 'to' => $r['word'], 'measured' => $r['measured']];
            }
        }
        foreach (array_diff_key($before, array_column($handIn->report, null, 'id')) as $gone) {
            $out[] = ['letter' => '', 'label' => $gone['label'], 'from' => $gone['word'], 'to' => 'not asked', 'measured' => ''];
        }

        return $out;
    }
}
