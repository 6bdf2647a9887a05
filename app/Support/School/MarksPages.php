<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Support\PdfPages;
use Cubo\Drawing\SvgPage;

/** A marks book on paper: the class, or one pupil with every try. */
final class MarksPages
{
    /** Points of paper around a page, its rows, and the columns of names and of sums. */
    private const MARGIN = 36.0;

    private const ROW = 17.0;

    private const NAME = 120.0;

    private const SUM = 90.0;

    /** Exercises beside each other, and pupils on a page. */
    private const COLUMNS = 6;

    private const ROWS = 26;

    /** The class on sheets of A4 lying: as many exercises beside each other as fit. */
    public static function of(MarksBook $book): string
    {
        $pages = [];
        foreach (array_chunk($book->assignments, self::COLUMNS) ?: [[]] as $some) {
            foreach (array_chunk($book->students, self::ROWS) ?: [[]] as $students) {
                $page = SvgPage::a4(lying: true);
                $y = self::title($page, $book);
                $w = ($page->width - 2 * self::MARGIN - self::NAME - self::SUM) / self::COLUMNS;
                foreach ($some as $k => $a) {
                    $x = self::MARGIN + self::NAME + $k * $w;
                    $page
                        ->text($x, $y, 9, SvgPage::fitted($a->exercise->title, $w - 6, 9), 't b')
                        ->text($x, $y + 11, 8, MarksFiles::word('points_of', ['most' => MarksBook::most($a)]), 't quiet');
                }
                $page->text($page->width - self::MARGIN, $y, 9, MarksFiles::word('sum'), 't b', 'end');
                $y += 16;
                foreach ($students as $s) {
                    $page->line(self::MARGIN, $y, $page->width - self::MARGIN, $y);
                    $page->text(self::MARGIN, $y + 12, 10, SvgPage::fitted($s->name, self::NAME, 10));
                    foreach ($some as $k => $a) {
                        $cell = $book->cells[$s->id][$a->id];
                        $text =
                            $cell->counted === null
                                ? ($cell->works
                                    ? MarksFiles::word('works')
                                    : '–')
                                : MarksFiles::plain($cell->counted->points) . "  ·  $cell->mark";
                        $page->text(self::MARGIN + self::NAME + $k * $w, $y + 12, 10, $text, $cell->isAccepted() ? 't b' : 't');
                    }
                    $sum = $book->sums[$s->id];
                    $page->text(
                        $page->width - self::MARGIN,
                        $y + 12,
                        10,
                        $sum === null
                            ? '–'
                            : MarksFiles::plain($sum['points']) . ' / ' . MarksFiles::plain($sum['most']) . "  ·  {$sum['mark']}",
                        't b',
                        'end',
                    );
                    $y += self::ROW;
                }
                $pages[] = $page->svg();
            }
        }

        return PdfPages::of($pages);
    }

    /** One pupil's own page: every exercise with its tries. */
    public static function pupil(MarksBook $book): string
    {
        $student = $book->students[0];
        $page = SvgPage::a4();
        $y = self::title($page, $book, $student->name);
        $right = $page->width - self::MARGIN;
        $pages = [];
        foreach ($book->assignments as $a) {
            $cell = $book->cells[$student->id][$a->id];
            if ($y > $page->height - 90) {
                $pages[] = $page->svg();
                $page = SvgPage::a4();
                $y = self::title($page, $book, $student->name);
            }
            $page
                ->line(self::MARGIN, $y, $right, $y)
                ->text(self::MARGIN, $y + 14, 11, SvgPage::fitted($a->exercise->title, 300, 11), 't b');
            $page->text(
                $right,
                $y + 14,
                11,
                $cell->counted === null
                    ? ($cell->works
                        ? MarksFiles::word('works')
                        : '–')
                    : MarksFiles::plain($cell->counted->points) . " / {$cell->counted->most}  ·  $cell->mark",
                't b',
                'end',
            );
            $y += 18;
            foreach ($cell->handIns as $h) {
                $page->text(
                    self::MARGIN + 12,
                    $y + 11,
                    9,
                    __('marks.try', ['number' => $h->attempt]) .
                        ', ' .
                        $h->created_at?->format('Y-m-d H:i') .
                        ', ' .
                        __("marks.states.$h->state"),
                    't quiet',
                );
                $page->text(
                    $right,
                    $y + 11,
                    9,
                    MarksFiles::plain($h->points()) . ' / ' . $h->frozenReport()->mostPoints(),
                    't quiet',
                    'end',
                );
                $y += 14;
            }
            $y += 8;
        }
        $sum = $book->sums[$student->id];
        $page->line(self::MARGIN, $y, $right, $y, 'strong')->text(self::MARGIN, $y + 18, 12, MarksFiles::word('sum'), 't b');
        $page->text(
            $right,
            $y + 18,
            12,
            $sum === null ? '–' : MarksFiles::plain($sum['points']) . ' / ' . MarksFiles::plain($sum['most']) . "  ·  {$sum['mark']}",
            't b',
            'end',
        );
        $pages[] = $page->svg();

        return PdfPages::of($pages);
    }

    private static function title(SvgPage $page, MarksBook $book, string $name = ''): float
    {
        $page
            ->text(self::MARGIN, 50, 15, $name === '' ? __('marks.of_class', ['class' => $book->class->name]) : $name, 't b')
            ->text($page->width - self::MARGIN, 50, 10, $book->class->name . ', ' . now()->format('Y-m-d'), 't quiet', 'end')
            ->text(self::MARGIN, 66, 8.5, SvgPage::fitted(MarksFiles::scale($book), $page->width - 2 * self::MARGIN, 8.5), 't quiet');

        return 92.0;
    }
}
