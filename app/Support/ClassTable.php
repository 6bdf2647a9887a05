<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Assignment;
use App\Models\HandIn;
use App\Models\Person;
use App\Models\Work;
use Cubo\Check\Requirement;
use Cubo\Check\Slip\Slip;
use Cubo\School\Lesson\Slips;
use Illuminate\Support\Carbon;

/** Students by requirement, for one assignment: those who wait for the teacher's word first. */
final readonly class ClassTable
{
    /** @var list<array{student: Person, work: ?Work, handIn: ?HandIn, cells: array<string, string>, words: array<string, string>, group: int, state: string, live: array{steps: int, at: Carbon, works: bool}|null, stuck: bool}> */
    public array $lines;

    /** @var array<string, int> how many met each requirement, by id */
    public array $met;

    /** @var list<array{requirement: Requirement, count: int, diagnosis: string}> most common mistakes */
    public array $mistakes;

    /** @var list<array{slip: Slip, names: list<string>, words: string}> likely slips of the last hand-ins and checks, most common first */
    public array $slips;

    public function __construct(Assignment $assignment)
    {
        $works = $assignment->works->keyBy('student_id');
        $live = LiveClass::of($assignment);
        $asked = $assignment->exercise->sheet()->asked();
        $lines = $met = $wrong = $slips = [];
        foreach ($assignment->schoolClass->students as $student) {
            $work = $works[$student->id] ?? null;
            $handIn = $work?->lastHandIn;
            $report = $handIn?->isChecked() ? $handIn->frozenReport() : $work?->report();
            $rows = BenchPage::byId($report->rows ?? []);
            foreach ($report->findings ?? [] as $f) {
                // what is less than likely is no news for a whole class
                if ($f->confidence >= 0.7) {
                    $slips[$f->slip->value]['names'][$student->name] = true;
                    $slips[$f->slip->value]['words'] ??= $f->words;
                }
            }
            $cells = $words = [];
            foreach ($asked as $r) {
                $row = $rows[$r->id] ?? null;
                $status = $row->status ?? 'open';
                if ($handIn !== null && isset($handIn->overrules[$r->id])) {
                    $status = $handIn->overrules[$r->id]['met'] ? 'met' : 'off';
                }
                $cells[$r->id] = $status;
                $words[$r->id] = $row->word ?? 'Not checked';
                $met[$r->id] = ($met[$r->id] ?? 0) + ($status === 'met' ? 1 : 0);
                if ($row !== null && $status !== 'met') {
                    $wrong[$r->id]['count'] = ($wrong[$r->id]['count'] ?? 0) + 1;
                    $wrong[$r->id]['diagnoses'][] = $row->diagnosis;
                }
            }
            $group = match ($handIn?->state) {
                'waiting' => 0,
                'accepted' => 2,
                default => 1,
            };
            $state = match (true) {
                $handIn?->state === 'waiting' => 'Handed in',
                $handIn?->state === 'accepted' => 'Accepted',
                $handIn?->state === 'returned' => 'Sent back',
                $work?->last_check !== null => 'Working',
                $work !== null => 'Working, no check yet',
                default => 'Not begun',
            };
            $lines[] = [
                'student' => $student,
                'work' => $work,
                'handIn' => $handIn,
                'cells' => $cells,
                'words' => $words,
                'group' => $group,
                'state' => $state,
                'live' => $work === null ? null : $live[$work->id] ?? null,
                'stuck' => $work !== null && $group !== 2 && Slips::areStuck($work->recent_slips),
            ];
        }
        uasort($slips, static fn(array $a, array $b): int => count($b['names']) <=> count($a['names']));
        $this->slips = array_map(
            static fn(string $slip, array $s): array => [
                'slip' => Slip::from($slip),
                'names' => array_map(strval(...), array_keys($s['names'])),
                'words' => $s['words'],
            ],
            array_keys($slips),
            $slips,
        );
        usort(
            $lines,
            static fn(array $a, array $b): int => $a['group'] <=> $b['group'] ?:
            ($a['student']->bench ?? 0) <=> ($b['student']->bench ?? 0),
        );
        $this->lines = $lines;
        $this->met = $met;
        $mistakes = [];
        foreach ($asked as $r) {
            if (isset($wrong[$r->id])) {
                $counts = array_count_values($wrong[$r->id]['diagnoses']);
                arsort($counts);
                $mistakes[] = ['requirement' => $r, 'count' => $wrong[$r->id]['count'], 'diagnosis' => (string) array_key_first($counts)];
            }
        }
        usort($mistakes, static fn(array $a, array $b): int => $b['count'] <=> $a['count']);
        $this->mistakes = array_slice($mistakes, 0, 5);
    }
}
