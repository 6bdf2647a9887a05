<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Assignment;
use App\Models\HandIn;
use App\Models\Person;
use App\Models\Work;
use Cubo\Check\Requirement;

/** Students by requirement, for one assignment: those who wait for the teacher's word first. */
final readonly class ClassTable
{
    /** @var list<array{student: Person, work: ?Work, handIn: ?HandIn, cells: array<string, string>, words: array<string, string>, group: int, state: string}> */
    public array $lines;

    /** @var array<string, int> how many met each requirement, by id */
    public array $met;

    /** @var list<array{requirement: Requirement, count: int, diagnosis: string}> most common mistakes */
    public array $mistakes;

    public function __construct(Assignment $assignment)
    {
        $works = $assignment->works->keyBy('student_id');
        $asked = $assignment->exercise->sheet()->asked();
        $lines = $met = $wrong = [];
        foreach ($assignment->schoolClass->students as $student) {
            $work = $works[$student->id] ?? null;
            $handIn = $work?->lastHandIn;
            $rows = BenchPage::byId($handIn?->frozenReport()->rows ?? $work?->report()->rows ?? []);
            $cells = $words = [];
            foreach ($asked as $r) {
                $row = $rows[$r->id] ?? null;
                $status = $row?->status ?? 'open';
                if ($handIn !== null && isset($handIn->overrules[$r->id])) {
                    $status = $handIn->overrules[$r->id]['met'] ? 'met' : 'off';
                }
                $cells[$r->id] = $status;
                $words[$r->id] = $row?->word ?? 'Not checked';
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
            $lines[] = ['student' => $student, 'work' => $work, 'handIn' => $handIn, 'cells' => $cells, 'words' => $words, 'group' => $group, 'state' => $state];
        }
        usort($lines, static fn (array $a, array $b): int => $a['group'] <=> $b['group'] ?: ($a['student']->bench ?? 0) <=> ($b['student']->bench ?? 0));
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
        usort($mistakes, static fn (array $a, array $b): int => $b['count'] <=> $a['count']);
        $this->mistakes = array_slice($mistakes, 0, 5);
    }
}
