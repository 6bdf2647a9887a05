<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\Assignment;
use App\Models\Person;
use Cubo\Tabular\Csv;
use Cubo\Tabular\Zip;

/**
 * Line items and results of a marks book in the columns of OneRoster 1.2 (1EdTech, “OneRoster CSV Binding”, gradebook files;
 * from memory), in one ZIP with its manifest.
 */
final readonly class OneRosterFiles
{
    private const FILES = ['categories', 'lineItems', 'results'];

    private const ABSENT = [
        'academicSessions',
        'classResources',
        'classes',
        'courseResources',
        'courses',
        'demographics',
        'enrollments',
        'orgs',
        'resources',
        'roles',
        'users',
        'userProfiles',
        'userResources',
        'lineItemLearningObjectiveIds',
        'lineItemScoreScales',
        'resultLearningObjectiveIds',
        'resultScoreScales',
        'scoreScales',
    ];

    private string $now;

    private function __construct(private MarksBook $book)
    {
        $this->now = now()->utc()->format('Y-m-d\TH:i:s.v\Z');
    }

    public static function of(MarksBook $book): string
    {
        $files = new self($book);
        $items = $results = [];
        foreach ($book->assignments as $a) {
            $items[] = $files->lineItem($a);
            foreach ($book->students as $s) {
                $results[] = $files->result($a, $s);
            }
        }

        return Zip::of([
            'manifest.csv' => self::table(self::manifest()),
            'categories.csv' => self::table([$files->record('category', '1', ['title' => 'Cubo'])]),
            'lineItems.csv' => self::table($items),
            'results.csv' => self::table($results),
        ]);
    }

    /** @return array<string, string|int|float|null> */
    private function lineItem(Assignment $a): array
    {
        return $this->record('item', (string) $a->id, [
            'title' => $a->exercise->title,
            'description' => '',
            'assignDate' => $a->created_at?->format('Y-m-d'),
            'dueDate' => $a->due_on->format('Y-m-d'),
            'classSourcedId' => self::id('class', (string) $this->book->class->id),
            'categorySourcedId' => self::id('category', '1'),
            'gradingPeriodSourcedId' => '',
            'resultValueMin' => 0,
            'resultValueMax' => MarksBook::most($a),
            'schoolSourcedId' => self::id('school', (string) $this->book->class->school_id),
        ]);
    }

    /** @return array<string, string|int|float|null> */
    private function result(Assignment $a, Person $s): array
    {
        $cell = $this->book->cells[$s->id][$a->id];
        $h = $cell->handIn();

        return $this->record('result', "$a->id-$s->id", [
            'lineItemSourcedId' => self::id('item', (string) $a->id),
            'studentSourcedId' => $s->identifier ?? self::id('user', (string) $s->id),
            'scoreStatus' => match ($h?->state) {
                null => 'not submitted',
                'accepted' => 'fully graded',
                default => 'submitted',
            },
            'score' => $cell->counted?->points,
            'scoreDate' => $h?->created_at?->format('Y-m-d'),
            'comment' => $h->comment ?? '',
            'textScore' => $cell->mark,
            'inProgress' => $h === null && $cell->works ? 'true' : 'false',
            'incomplete' => 'false',
            'late' => $cell->counted?->late ? 'true' : 'false',
            'missing' => $h === null ? 'true' : 'false',
        ]);
    }

    /** @return list<array<string, string>> */
    private static function manifest(): array
    {
        $values = ['manifest.version' => '1.0', 'oneroster.version' => '1.2', 'source.systemName' => 'Cubo'];
        foreach (self::ABSENT as $file) {
            $values["file.$file"] = 'absent';
        }
        foreach (self::FILES as $file) {
            $values["file.$file"] = 'bulk';
        }

        return array_map(
            static fn(string $name, string $value): array => ['propertyName' => $name, 'value' => $value],
            array_keys($values),
            $values,
        );
    }

    /**
     * @param array<string, string|int|float|null> $values
     * @return array<string, string|int|float|null>
     */
    private function record(string $of, string $key, array $values): array
    {
        return ['sourcedId' => self::id($of, $key), 'status' => 'active', 'dateLastModified' => $this->now] + $values;
    }

    private static function id(string $of, string $key): string
    {
        return "cubo-$of-$key";
    }

    /**
     * The binding wants no byte order mark.
     *
     * @param list<array<string, string|int|float|null>> $records
     */
    private static function table(array $records): string
    {
        $rows = array_map(array_values(...), $records);

        return substr(Csv::write([array_keys($records[0] ?? []), ...$rows]), 3);
    }
}
