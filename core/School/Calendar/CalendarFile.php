<?php

declare(strict_types=1);

namespace Cubo\School\Calendar;

use DateTimeZone;

/** Days as an iCalendar file (RFC 5545): whole days without a time, so that no time zone moves them. */
final class CalendarFile
{
    /** Octets of a line, without its end (RFC 5545, 3.1). */
    private const LINE = 75;

    /** @param list<DueDay> $days */
    public static function write(string $name, array $days): string
    {
        $lines = [
            'BEGIN:VCALENDAR',
            'VERSION:2.0',
            'PRODID:-//Cubo//Cubo//EN',
            'CALSCALE:GREGORIAN',
            'METHOD:PUBLISH',
            'NAME:' . self::text($name),
        ];
        foreach ($days as $d) {
            $lines[] = 'BEGIN:VEVENT';
            $lines[] = 'UID:' . self::text($d->id);
            $lines[] = 'DTSTAMP:' . $d->changed->setTimezone(new DateTimeZone('UTC'))->format('Ymd\THis\Z');
            $lines[] = 'DTSTART;VALUE=DATE:' . $d->day->format('Ymd');
            $lines[] = 'DTEND;VALUE=DATE:' . $d->day->modify('+1 day')->format('Ymd');
            $lines[] = 'SUMMARY:' . self::text($d->title);
            if ($d->about !== '') {
                $lines[] = 'DESCRIPTION:' . self::text($d->about);
            }
            $lines[] = 'TRANSP:TRANSPARENT';
            $lines[] = 'END:VEVENT';
        }
        $lines[] = 'END:VCALENDAR';

        return implode('', array_map(static fn(string $l): string => self::folded($l) . "\r\n", $lines));
    }

    /** A value of type TEXT (RFC 5545, 3.3.11). */
    private static function text(string $value): string
    {
        $plain = (string) preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/', '', mb_scrub($value));

        return str_replace(["\r\n", "\r", "\n"], '\n', addcslashes($plain, '\\;,'));
    }

    /** Long lines go on behind a blank; no letter is cut in two. */
    private static function folded(string $line): string
    {
        $out = '';
        $used = 0;
        foreach (mb_str_split($line) as $letter) {
            if ($used + strlen($letter) > self::LINE) {
                $out .= "\r\n ";
                $used = 1;
            }
            $out .= $letter;
            $used += strlen($letter);
        }

        return $out;
    }
}
