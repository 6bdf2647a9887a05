<?php

declare(strict_types=1);

use Cubo\School\Calendar\CalendarFile;
use Cubo\School\Calendar\DueDay;

it('folds lines at 75 octets and never in a letter (RFC 5545, 3.1)', function () {
    $ics = CalendarFile::write('Cubo', [
        new DueDay(
            'a@cubo',
            str_repeat('Mast für Regenmesser; ', 12),
            new DateTimeImmutable('2026-12-31'),
            new DateTimeImmutable('2026-11-30 10:00 +01:00'),
        ),
    ]);
    foreach (explode("\r\n", $ics) as $line) {
        expect(strlen($line))->toBeLessThanOrEqual(75)->and(mb_check_encoding($line, 'UTF-8'))->toBeTrue();
    }
    expect(str_replace("\r\n ", '', $ics))
        ->toContain('SUMMARY:' . str_repeat('Mast für Regenmesser\; ', 12))
        ->toContain("DTSTART;VALUE=DATE:20261231\r\nDTEND;VALUE=DATE:20270101\r\n")
        ->toContain('DTSTAMP:20261130T090000Z');
});
