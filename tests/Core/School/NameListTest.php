<?php

declare(strict_types=1);

use Cubo\School\Roster\Known;
use Cubo\School\Roster\LineState;
use Cubo\School\Roster\NameList;
use Cubo\School\Roster\Planned;
use Cubo\School\Roster\RosterPlan;
use Cubo\Tabular\Csv;

/** @return list<string> */
function namesIn(string $text): array
{
    return array_map(static fn($l): string => trim("$l->name $l->identifier"), NameList::of(Csv::read($text))->lines);
}

it('reads names as people bring them', function (string $text, array $names) {
    expect(namesIn($text))->toBe($names);
})->with([
    'a name a line' => ["Alba Thorne\nBo Lindqvist\n\nCleo Marsh\n", ['Alba Thorne', 'Bo Lindqvist', 'Cleo Marsh']],
    'family name first' => ["Thorne, Alba\nLindqvist, Bo", ['Alba Thorne', 'Bo Lindqvist']],
    'with numbers' => ["Alba Thorne;1041\nBo Lindqvist;1042", ['Alba Thorne 1041', 'Bo Lindqvist 1042']],
    'headings of one’s own' => ["No;Surname;First name;Bus\n7;Thorne;Alba;12\n8;Lindqvist;Bo;", ['Alba Thorne', 'Bo Lindqvist']],
    'German headings, tabs' => ["Nachname\tVorname\tNummer\nThörne\tÄlba\t9", ['Älba Thörne 9']],
    'one column with a heading' => ["Name\nAlba Thorne\nThorne, Ben", ['Alba Thorne', 'Ben Thorne']],
    'quotes and commas' => ["name,id\n\"Thorne, Alba\",A7\n\"O'Neil \"\"Bo\"\"\",A8", ['Alba Thorne A7', 'O\'Neil "Bo" A8']],
    'Windows-1252' => [mb_convert_encoding("Zoë Müller\nJosé", 'Windows-1252', 'UTF-8'), ['Zoë Müller', 'José']],
    'UTF-16 with its mark' => ["\xFF\xFE" . mb_convert_encoding("Name\r\nZoë\r\n", 'UTF-16LE', 'UTF-8'), ['Zoë']],
    'with a byte order mark' => ["\xEF\xBB\xBFName\nAlba", ['Alba']],
    'blanks of all kinds' => ["  Alba \xC2\xA0  Thorne \n\t\n", ['Alba Thorne']],
]);

it('knows the columns of OneRoster, and leaves out who is no pupil', function () {
    $list = NameList::of(
        Csv::read(
            "sourcedId,status,dateLastModified,enabledUser,username,userIds,givenName,familyName,middleName,identifier,role,preferredGivenName\n" .
                "u1,active,2026-08-01,true,athorne,,Albertina,Thorne,,1041,student,Alba\n" .
                "u2,active,2026-08-01,true,blind,,Bo,Lindqvist,,1042,student,\n" .
                "u3,tobedeleted,2026-08-01,true,gone,,Gone,Already,,1043,student,\n" .
                "u4,active,2026-08-01,true,ines,,Ines,Halloran,,T1,teacher,\n",
        ),
    );
    expect(array_map(static fn($l): array => [$l->number, $l->name, $l->identifier], $list->lines))
        ->toBe([[2, 'Alba Thorne', '1041'], [3, 'Bo Lindqvist', '1042']])
        ->and($list->others)
        ->toBe(2)
        ->and($list->read)
        ->toContain('givenName', 'identifier')
        ->and($list->unread)
        ->toContain('username')
        ->not->toContain('givenName');
});

/** @return list<string> */
function planned(RosterPlan $plan): array
{
    return array_map(
        static fn(Planned $p): string => $p->state->value .
            ($p->known === null ? '' : " {$p->known->id}") .
            ($p->like === null ? '' : " like $p->like"),
        $plan->lines,
    );
}

it('says what a list would do before it is done', function () {
    $known = [
        new Known(1, 'Alba Thorne', '1041'),
        new Known(2, 'Bo Lindqvist'),
        new Known(3, 'Cleo Marsh', '1043'),
        new Known(4, 'Dov Petrak'),
    ];
    $plan = RosterPlan::of(
        NameList::of(
            Csv::read(
                "name;id\nAlba Thorne-Voss;1041\nbo lindqvist;1042\nElin Foss;1045\nElin Foss;1045\nElin Foss;1046\n;9\n" .
                    str_repeat('x', 61) .
                    ';1047',
            ),
        )->lines,
        $known,
    );
    expect(planned($plan))
        ->toBe(['renamed 1', 'renamed 2', 'added', 'twice like 4', 'added', 'without-name', 'too-long'])
        ->and(array_map(static fn(Known $k): string => $k->name, $plan->left))
        ->toBe(['Cleo Marsh', 'Dov Petrak'])
        ->and($plan->count(LineState::Added))
        ->toBe(2);
});

it('does nothing when the same list is brought again', function () {
    $lines = NameList::of(Csv::read("Alba Thorne\nBo Lindqvist\nAlba Thorne"))->lines;
    $plan = RosterPlan::of($lines, [new Known(1, 'Alba Thorne'), new Known(2, 'Bo Lindqvist')]);
    expect(planned($plan))
        ->toBe(['kept 1', 'kept 2', 'twice 1 like 1'])
        ->and($plan->left)
        ->toBe([]);
});

it('tells two of one name apart by their numbers only', function () {
    $lines = NameList::of(Csv::read("name,id\nAlba Thorne,1\nAlba Thorne,2"))->lines;
    expect(planned(RosterPlan::of($lines, [])))
        ->toBe(['added', 'added'])
        // the class has one of them already
        ->and(planned(RosterPlan::of($lines, [new Known(7, 'Alba Thorne', '2')])))
        ->toBe(['added', 'kept 7'])
        ->and(planned(RosterPlan::of(NameList::of(Csv::read("Alba Thorne\nAlba Thorne"))->lines, [])))
        ->toBe(['added', 'twice like 1']);
});

it('takes any list to the same end when it is taken twice', function (int $seed) {
    $r = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    $names = ['Alba Thorne', 'Bo Lindqvist', 'alba  thorne', 'Cleo', '', 'Zoë', "Zoe\u{0308}"];
    $lines = [];
    for ($i = 0; $i < 30; $i++) {
        $lines[] = new Cubo\School\Roster\Line($i + 1, $names[$r->getInt(0, 6)], $r->getInt(0, 2) === 0 ? (string) $r->getInt(1, 6) : '');
    }
    $class = [];
    foreach (RosterPlan::of($lines, [])->in(LineState::Added) as $k => $p) {
        $class[] = new Known($k + 1, $p->line->name, $p->line->identifier);
    }
    $again = RosterPlan::of($lines, $class);
    expect($again->count(LineState::Added))
        ->toBe(0, "seed $seed")
        ->and(count($again->left))
        ->toBe(0, "seed $seed");
})->with(range(1, 20));
