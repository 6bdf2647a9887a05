<?php

declare(strict_types=1);

namespace Cubo\School\Roster;

/**
 * Reads a list of names out of a table: in the columns of users.csv of OneRoster 1.2 (1EdTech, "OneRoster CSV Binding", from
 * memory), under headings people write, or without any heading.
 */
final readonly class NameList
{
    /**
     * Headings, in small letters without blanks, dashes and points. OneRoster's own come first in each row.
     */
    private const HEADINGS = [
        'given' => [
            'givenname',
            'firstname',
            'forename',
            'givennames',
            'first',
            'given',
            'vorname',
            'prenom',
            'prénom',
            'nombre',
            'voornaam',
            'nome',
        ],
        'preferred' => ['preferredgivenname', 'preferredname', 'knownas', 'rufname'],
        'family' => [
            'familyname',
            'lastname',
            'surname',
            'last',
            'family',
            'nachname',
            'familienname',
            'nom',
            'apellido',
            'apellidos',
            'achternaam',
            'cognome',
        ],
        'name' => [
            'name',
            'names',
            'fullname',
            'pupil',
            'pupils',
            'student',
            'students',
            'studentname',
            'pupilname',
            'schüler',
            'schülerin',
            'élève',
        ],
        'identifier' => [
            'identifier',
            'sourcedid',
            'id',
            'number',
            'studentid',
            'pupilid',
            'admissionnumber',
            'upn',
            'nummer',
            'schülernummer',
        ],
        'role' => ['role'],
        'status' => ['status'],
    ];

    /** Roles and states of lines that are no pupils to be kept; users.csv names everybody. */
    private const OTHERS = [
        'role' => ['teacher', 'administrator', 'parent', 'guardian', 'aide', 'proctor', 'relative'],
        'status' => ['tobedeleted', 'inactive'],
    ];

    /**
     * @param list<Line> $lines
     * @param list<string> $read headings that were taken for something
     * @param list<string> $unread headings that were not
     * @param int $others lines of people who are no pupils, left out
     */
    private function __construct(public array $lines, public array $read, public array $unread, public int $others) {}

    /** @param list<list<string>> $rows */
    public static function of(array $rows): self
    {
        $first = 0;
        while ($first < count($rows) && implode('', $rows[$first]) === '') {
            $first++;
        }
        $columns = self::columns($rows[$first] ?? []);
        if ($columns === []) {
            return self::withoutHead($rows);
        }
        $head = $rows[$first];
        $lines = [];
        $others = 0;
        foreach (array_slice($rows, $first + 1, null, true) as $i => $row) {
            if (implode('', $row) === '') {
                continue;
            }
            // under a single heading a comma belongs to the name
            $row = count($head) === 1 ? [implode(', ', array_filter($row, static fn(string $c): bool => $c !== ''))] : $row;
            $cell = static fn(string $of): string => isset($columns[$of]) ? $row[$columns[$of]] ?? '' : '';
            foreach (self::OTHERS as $of => $words) {
                if (in_array(strtolower($cell($of)), $words, true)) {
                    $others++;

                    continue 2;
                }
            }
            $given = $cell('preferred') !== '' ? $cell('preferred') : $cell('given');
            $name = trim("$given {$cell('family')}");
            $lines[] = new Line($i + 1, self::turned($name !== '' ? $name : $cell('name')), $cell('identifier'));
        }
        $used = array_map(static fn(int $c): string => $head[$c], array_values($columns));

        return new self(
            $lines,
            $used,
            array_values(array_filter(array_diff($head, $used), static fn(string $h): bool => $h !== '')),
            $others,
        );
    }

    /**
     * @param list<string> $head
     * @return array<string, int> column by what it holds; nothing where no heading is one of a name
     */
    private static function columns(array $head): array
    {
        $out = [];
        foreach (self::HEADINGS as $of => $words) {
            foreach ($words as $word) {
                foreach ($head as $c => $text) {
                    if (!isset($out[$of]) && self::plain($text) === $word) {
                        $out[$of] = $c;
                    }
                }
            }
        }

        return array_intersect_key($out, ['given' => 0, 'family' => 0, 'name' => 0]) === [] ? [] : $out;
    }

    private static function plain(string $heading): string
    {
        return (string) preg_replace('/[\s_.\-]+/u', '', mb_strtolower($heading));
    }

    /**
     * A name a line; of several cells the one with digits is the identifier, the others are the name in their order.
     *
     * @param list<list<string>> $rows
     */
    private static function withoutHead(array $rows): self
    {
        $lines = [];
        foreach ($rows as $i => $row) {
            $cells = array_values(array_filter($row, static fn(string $c): bool => $c !== ''));
            if ($cells === []) {
                continue;
            }
            $numbers = array_values(array_filter($cells, static fn(string $c): bool => preg_match('/\d/', $c) === 1));
            $words = array_values(array_diff($cells, $numbers));
            // a list cut at its commas was “family, given”
            $name = count($words) === 2 ? implode(', ', $words) : implode(' ', $words);
            $lines[] = new Line($i + 1, self::turned($name), $words === [] ? '' : $numbers[0] ?? '');
        }

        return new self($lines, [], [], 0);
    }

    /** “Thorne, Alba” is Alba Thorne. */
    private static function turned(string $name): string
    {
        $parts = array_map(trim(...), explode(',', $name));

        return count($parts) === 2 && $parts[0] !== '' && $parts[1] !== '' ? "$parts[1] $parts[0]" : trim($name, ' ,');
    }
}
