<?php

declare(strict_types=1);

use Cubo\School\Calendar\CalendarFile;
use Cubo\School\Calendar\DueDay;
use Cubo\Tabular\Csv;
use Cubo\Tabular\XlsxReader;
use Cubo\Tabular\XlsxWriter;
use Tests\Outside;

/*
 * Files for other programs, read by other libraries: papaparse (RFC 4180), read-excel-file (ECMA-376), ical.js (RFC 5545);
 * and a workbook that write-excel-file made, read here.
 */

function outsideReads(string $what, string $bytes): mixed
{
    $path = tempnam(sys_get_temp_dir(), 'school');
    file_put_contents($path, $bytes);
    try {
        return Outside::run('tables.mjs', '', $what, $path);
    } finally {
        unlink($path);
    }
}

it('writes workbooks in which numbers are numbers, days are days and texts are no formulas', function () {
    $bytes = XlsxWriter::write('Marks / 8b', [
        ['pupil', 'points', 'handed in', 'mark'],
        ['Zoë <Müller> & "Co"', 17.5, new DateTimeImmutable('2026-11-29'), '=1+1'],
        ['Bo', 21, new DateTimeImmutable('2026-11-29 13:45:00'), 'well met'],
        ['', null, null, ''],
        ['007', 0, new DateTimeImmutable('1999-12-31'), "two\nlines"],
    ]);
    $rows = outsideReads('xlsx', $bytes);
    expect($rows[0])
        ->toBe(['pupil', 'points', 'handed in', 'mark'])
        ->and($rows[1])
        ->toBe(['Zoë <Müller> & "Co"', 17.5, ['day' => '2026-11-29T00:00:00.000Z'], '=1+1'])
        ->and($rows[2][1])
        ->toBe(21)
        ->and($rows[2][2])
        ->toBe(['day' => '2026-11-29T13:45:00.000Z'])
        ->and(end($rows))
        ->toBe(['007', 0, ['day' => '1999-12-31T00:00:00.000Z'], "two\nlines"]);
});

it('writes CSV that another library reads alike', function () {
    $rows = [['pupil', 'points'], ['Zoë, "Mü"', 17.5], ["a\nb", -3], ['plain', 0]];
    expect(outsideReads('csv', Csv::write($rows)))->toBe([['pupil', 'points'], ['Zoë, "Mü"', '17.5'], ["a\nb", '-3'], ['plain', '0']]);
});

it('reads a workbook that another library wrote', function () {
    $path = tempnam(sys_get_temp_dir(), 'school');
    $rows = [['givenName', 'familyName', 'identifier'], ['Zoë', 'Müller & Co', '1041'], ['Bo', 'Lindqvist', '1042']];
    Outside::run('tables.mjs', (string) json_encode($rows), 'write', $path);
    expect(XlsxReader::read((string) file_get_contents($path)))->toBe($rows);
});

it('writes a calendar whose days stay days', function () {
    $set = new DateTimeImmutable('2026-11-30 10:00');
    $title = 'Mast clamp; bore, and a very long title that has to be folded because it does not fit on one line';
    $ics = CalendarFile::write('Cubo', [
        new DueDay('a-1@cubo', $title, new DateTimeImmutable('2026-12-31'), $set, "First line\nSecond \\ line"),
        new DueDay('a-2@cubo', 'Hub für Windrad', new DateTimeImmutable('2027-02-28'), $set),
    ]);
    expect(outsideReads('ics', $ics))->toBe([
        [
            'uid' => 'a-1@cubo',
            'title' => $title,
            'about' => "First line\nSecond \\ line",
            'from' => '2026-12-31',
            'to' => '2027-01-01',
            'day' => true,
        ],
        ['uid' => 'a-2@cubo', 'title' => 'Hub für Windrad', 'about' => null, 'from' => '2027-02-28', 'to' => '2027-03-01', 'day' => true],
    ]);
});
