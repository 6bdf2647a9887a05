<?php

declare(strict_types=1);

namespace App\Support\School;

use Cubo\Tabular\Csv;
use Cubo\Tabular\XlsxWriter;
use DateTimeInterface;

/** A marks book as files: just what is shown, with its scale in the first lines. */
final class MarksFiles
{
    public static function csv(MarksBook $book): string
    {
        return Csv::write(
            array_map(
                static fn(array $row): array => array_map(
                    static fn(mixed $v): mixed => $v instanceof DateTimeInterface ? $v->format('Y-m-d') : $v,
                    $row,
                ),
                [...self::head($book), ...self::rows($book)],
            ),
        );
    }

    public static function xlsx(MarksBook $book): string
    {
        $head = self::head($book);

        return XlsxWriter::write($book->class->name, [...$head, ...self::rows($book)], count($head) + 2);
    }

    /** @return list<list<string|int|float|DateTimeInterface|null>> */
    private static function head(MarksBook $book): array
    {
        return [
            [self::word('title'), $book->class->name, now()->startOfDay()],
            [self::word('scale_is'), self::scale($book)],
            [
                self::word('counts_is'),
                __('marks.counts.' . $book->rules->counts->value),
                __('marks.late_is', ['late' => $book->rules->late]),
            ],
            [],
        ];
    }

    public static function scale(MarksBook $book): string
    {
        return implode(
            ', ',
            array_map(
                static fn(array $r): string => __('marks.from', ['from' => self::plain($r['from']), 'mark' => $r['word']]),
                $book->rules->scale->rows,
            ),
        );
    }

    /** @param array<string, string|int> $with */
    public static function word(string $key, array $with = []): string
    {
        $word = __("marks.$key", $with);

        return is_string($word) ? $word : $key;
    }

    public static function plain(float $v): string
    {
        return rtrim(rtrim(number_format($v, 2, '.', ''), '0'), '.');
    }

    /** @return list<list<string|int|float|DateTimeInterface|null>> two lines of headings, then one for each pupil */
    private static function rows(MarksBook $book): array
    {
        $one = [self::word('pupil'), self::word('number')];
        $two = ['', ''];
        foreach ($book->assignments as $a) {
            array_push($one, $a->exercise->title, '', '', '');
            array_push(
                $two,
                self::word('points_of', ['most' => MarksBook::most($a)]),
                self::word('mark'),
                self::word('handed_in'),
                self::word('state'),
            );
        }
        array_push($one, self::word('sum'), '', '');
        array_push($two, self::word('points'), self::word('of'), self::word('mark'));
        $rows = [$one, $two];
        foreach ($book->students as $s) {
            $row = [$s->name, $s->identifier ?? ''];
            foreach ($book->assignments as $a) {
                $cell = $book->cells[$s->id][$a->id];
                $row[] = $cell->counted?->points;
                $row[] = self::number($cell->mark);
                $row[] = $cell->handIn()?->created_at;
                $row[] =
                    $cell->handIn() === null ? ($cell->works ? self::word('works') : '') : self::word('states.' . $cell->handIn()->state);
            }
            $sum = $book->sums[$s->id];
            array_push($row, $sum['points'] ?? null, $sum['most'] ?? null, self::number($sum['mark'] ?? null));
            $rows[] = $row;
        }

        return $rows;
    }

    /** A mark that is a number stays one in a table. */
    private static function number(?string $mark): string|float|null
    {
        return $mark !== null && preg_match('/^\d{1,6}(\.\d{1,4})?$/', $mark) === 1 ? (float) $mark : $mark;
    }
}
