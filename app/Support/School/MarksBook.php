<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\Assignment;
use App\Models\HandIn;
use App\Models\MarkNote;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Models\Work;
use Cubo\School\Marks\MarkingRules;
use Cubo\School\Marks\TryHandedIn;
use Illuminate\Database\Eloquent\Collection;

/** The marks of a class over the year: pupils by exercises. */
final readonly class MarksBook
{
    public MarkingRules $rules;

    /** @var list<Assignment> by the day they are due */
    public array $assignments;

    /** @var list<Person> */
    public array $students;

    /** @var array<int, array<int, MarksCell>> by student and assignment */
    public array $cells;

    /** @var array<int, array{points: float, most: float, share: float, mark: string}|null> by student */
    public array $sums;

    /** @var array<int, string> notes on students as a whole */
    public array $notes;

    /**
     * @param string $q part of a name
     * @param 'list'|'name'|'sum' $order
     * @param Person|null $only one student's own
     */
    public function __construct(public SchoolClass $class, public string $q = '', public string $order = 'list', ?Person $only = null)
    {
        $this->rules = $class->markingRules();
        $this->assignments = array_values(
            Assignment::query()
                ->where('class_id', $class->id)
                ->whereNull('taken_back_at')
                ->with('exercise:id,title,unit,requirements')
                ->orderBy('due_on')
                ->orderBy('id')
                ->get()
                ->all(),
        );
        $students = $class
            ->students()
            ->when($only !== null, static fn($s) => $s->whereKey($only?->id))
            ->get()
            ->filter(static fn(Person $p): bool => $q === '' || mb_stripos($p->name, $q) !== false);
        $notes = MarkNote::query()->where('class_id', $class->id)->get();
        $works = Work::query()
            ->whereIn('assignment_id', array_map(static fn(Assignment $a): int => $a->id, $this->assignments))
            ->whereIn('student_id', $students->modelKeys())
            ->with([
                'handIns' => static fn($h) => $h->select(
                    'id',
                    'work_id',
                    'attempt',
                    'state',
                    'report',
                    'findings',
                    'overrules',
                    'comment',
                    'checked_at',
                    'decided_at',
                    'created_at',
                ),
            ])
            ->get()
            ->groupBy('student_id');
        $cells = $sums = [];
        foreach ($students as $s) {
            /** @var Collection<int, Work> $own */
            $own = ($works[$s->id] ?? new Collection())->keyBy('assignment_id');
            $counted = [];
            foreach ($this->assignments as $a) {
                $note = $notes->first(static fn(MarkNote $n): bool => $n->student_id === $s->id && $n->assignment_id === $a->id);
                $cell = $cells[$s->id][$a->id] = $this->cell($own[$a->id] ?? null, $a, $note->text ?? '');
                if ($cell->counted !== null) {
                    $counted[] = [$cell->counted, (float) $a->weight];
                }
            }
            $sums[$s->id] = $this->rules->sum($counted);
        }
        $this->cells = $cells;
        $this->sums = $sums;
        $this->notes = $notes->whereNull('assignment_id')->pluck('text', 'student_id')->all();
        $this->students = self::ordered(array_values($students->all()), $sums, $order);
    }

    private function cell(?Work $work, Assignment $a, string $note): MarksCell
    {
        $measured = array_values($work?->handIns->filter(static fn(HandIn $h): bool => $h->isChecked())->all() ?? []);
        $due = $a->due_on->copy()->endOfDay();
        $tries = array_map(
            static fn(HandIn $h): TryHandedIn => new TryHandedIn(
                $h->attempt,
                $h->points(),
                $h->frozenReport()->mostPoints(),
                $h->created_at?->gt($due) ?? false,
            ),
            $measured,
        );
        $counted = $this->rules->counted($tries);
        $states = [];
        foreach ($measured as $h) {
            if ($h->attempt === $counted?->number) {
                $states = array_map(
                    static fn(array $row): string => $h->rowMet($row['id'], $row['status'])
                        ? 'met'
                        : ($row['status'] === 'met'
                            ? 'off'
                            : $row['status']),
                    $h->report,
                );
            }
        }

        return new MarksCell(
            $measured,
            $counted,
            $counted === null ? null : $this->rules->scale->mark($counted->share()),
            $states,
            $work !== null,
            $work?->checks_used,
            $note,
        );
    }

    /**
     * @param list<Person> $students
     * @param array<int, array{points: float, most: float, share: float, mark: string}|null> $sums
     * @return list<Person>
     */
    private static function ordered(array $students, array $sums, string $order): array
    {
        match ($order) {
            'name' => usort($students, static fn(Person $a, Person $b): int => strnatcasecmp($a->name, $b->name)),
            'sum' => usort(
                $students,
                static fn(Person $a, Person $b): int => ($sums[$b->id]['share'] ?? -1) <=> ($sums[$a->id]['share'] ?? -1),
            ),
            default => null,
        };

        return $students;
    }

    /** Points there are in an exercise as it is asked now. */
    public static function most(Assignment $a): int
    {
        return (int) array_sum(array_map(static fn(array $r): int => $r['asked'] ? (int) $r['points'] : 0, $a->exercise->requirements));
    }

    /** @return array{handedIn: int, accepted: int, points: float, mean: ?float} of an exercise over the students shown */
    public function of(Assignment $a): array
    {
        $counted = [];
        $accepted = 0;
        foreach ($this->students as $s) {
            $cell = $this->cells[$s->id][$a->id];
            if ($cell->counted !== null) {
                $counted[] = $cell->counted->points;
                $accepted += $cell->isAccepted() ? 1 : 0;
            }
        }

        return [
            'handedIn' => count($counted),
            'accepted' => $accepted,
            'points' => array_sum($counted),
            'mean' => $counted === [] ? null : array_sum($counted) / count($counted),
        ];
    }
}
