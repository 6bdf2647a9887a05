<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Exercise;
use App\Models\HandIn;
use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Check\Checker;
use Cubo\Check\Making\Making;
use Cubo\Check\Report;
use Cubo\Exchange\UnreadableFile;
use Cubo\Measure\PartMeasures;
use Cubo\Recipe\PartState;
use Cubo\Solid\Solid;
use Illuminate\Database\Eloquent\Collection;

/** Checks what was handed in, and checks it again after the exercise was corrected. */
final class Marking
{
    public function __construct(private readonly Workbench $bench, private readonly FileShelf $shelf) {}

    /**
     * The facets alone, for what looks at nothing else: faces of a file need not be found for that.
     *
     * @throws UnreadableFile when a file has gone
     * @throws OverBudget (time) when somebody waits and it is not worked out yet
     */
    public function facets(HandIn $handIn): Solid
    {
        return $handIn->file !== null ? $this->shelf->facets($handIn->file) : $this->part($handIn);
    }

    /**
     * @throws UnreadableFile when a file has gone
     * @throws OverBudget (time) when somebody waits and it is not worked out yet
     */
    public function part(HandIn $handIn): Solid
    {
        return $handIn->file !== null ? $this->shelf->solid($handIn->file) : $this->made($handIn)->part();
    }

    /**
     * @throws UnreadableFile when a file has gone
     * @throws OverBudget (time) when somebody waits and it is not worked out yet
     */
    public function glb(HandIn $handIn): string
    {
        return $handIn->file !== null ? $this->shelf->glb($handIn->file) : $this->bench->glb($this->made($handIn));
    }

    /** @throws OverBudget */
    private function made(HandIn $handIn): PartState
    {
        $state = $this->bench->evaluate($handIn->recipe());

        return $state->isFinished() ? $state : throw new OverBudget(Limit::Time);
    }

    /** @throws UnreadableFile when a file has gone */
    public function report(HandIn $handIn): Report
    {
        $exercise = $handIn->work->assignment->exercise;
        $making =
            $handIn->file !== null
                ? null
                : new Making($handIn->recipe(), $this->bench->evaluate(...), $handIn->work->waysHandedIn($handIn->attempt));

        $budget = Checker::budget();

        return Checker::check(
            new PartMeasures($this->part($handIn), $budget),
            $exercise->sheet(),
            $this->reference($exercise, $budget),
            $making,
        );
    }

    public function reference(Exercise $exercise, Budget $budget = new Budget()): ?PartMeasures
    {
        $state = $this->bench->evaluate($exercise->reference->document());

        return $state->isEmpty() ? null : new PartMeasures($state->part(), $budget);
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
        return HandIn::query()
            ->whereHas('work.assignment', static fn($q) => $q->where('exercise_id', $exercise->id))
            ->with('work.student', 'work.assignment.schoolClass')
            ->orderByDesc('attempt')
            ->get()
            ->unique('work_id')
            ->values();
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
                $out[] = [
                    'letter' => $r['letter'],
                    'label' => $r['label'],
                    'from' => $was === null ? 'not asked' : $was['word'],
                    'to' => $r['word'],
                    'measured' => $r['measured'],
                ];
            }
        }
        foreach (array_diff_key($before, array_column($handIn->report, null, 'id')) as $gone) {
            $out[] = ['letter' => '', 'label' => $gone['label'], 'from' => $gone['word'], 'to' => 'not asked', 'measured' => ''];
        }

        return $out;
    }
}
