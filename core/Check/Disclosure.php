<?php

declare(strict_types=1);

namespace Cubo\Check;

use DateTimeInterface;

/** What a student sees of a report, and when: the teacher chooses both. */
final readonly class Disclosure
{
    public const SHOWS = [
        'verdict' => 'met or not',
        'values' => 'met or not, and what was measured',
        'hints' => 'what was measured, and hints',
    ];

    public const WHEN = ['check' => 'at each check', 'handed-in' => 'after handing in', 'due' => 'after the day it is due'];

    /**
     * @param 'verdict'|'values'|'hints' $shows
     * @param 'check'|'handed-in'|'due' $when
     */
    public function __construct(public string $shows = 'hints', public string $when = 'check') {}

    public static function of(string $shows, string $when): self
    {
        return new self(
            in_array($shows, ['verdict', 'values', 'hints'], true) ? $shows : 'hints',
            in_array($when, ['check', 'handed-in', 'due'], true) ? $when : 'check',
        );
    }

    /** Whether a student may check before handing in. */
    public function atEachCheck(): bool
    {
        return $this->when === 'check';
    }

    /** Whether the report on what was handed in is open by now. */
    public function isOpen(DateTimeInterface $now, DateTimeInterface $due): bool
    {
        return $this->when !== 'due' || $now->format('Y-m-d') > $due->format('Y-m-d');
    }

    /** The report as a student may see it. */
    public function applied(Report $report): Report
    {
        if ($this->shows === 'hints') {
            return $report;
        }
        $bare = $this->shows === 'verdict';

        return new Report(
            array_map(
                static fn(Row $r): Row => new Row(
                    $r->id,
                    $r->letter,
                    $r->label,
                    $r->kind,
                    $r->asked,
                    $r->tolerance,
                    $bare ? '' : $r->measured,
                    $bare ? null : $r->deviation,
                    $r->allowed,
                    $bare ? '' : $r->deviationText,
                    $r->status,
                    match (true) {
                        !$bare, $r->status === 'met' => $r->word,
                        $r->status === 'missing' => 'Not found',
                        $r->status === 'unknown' => 'Not measured',
                        default => 'Not met',
                    },
                    $r->status === 'unknown' ? $r->diagnosis : '',
                    $r->points,
                    $bare ? null : $r->place,
                ),
                $report->rows,
            ),
        );
    }
}
