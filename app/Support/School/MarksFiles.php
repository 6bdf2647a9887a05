<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Support\PdfPages;
use Cubo\Drawing\SvgPage;
use Cubo\Tabular\Csv;
use Cubo\Tabular\XlsxWriter;
use DateTimeInterface;
use RuntimeException;
use ZipArchive;

/** A marks book as files: just what is shown, with its scale in the first lines. */
final class MarksFiles
{
    /** Points of paper around a page, and its rows. */
    private const MARGIN = 36.0;

    private const ROW = 17.0;

    private const NAME = 120.0;

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
    private static function word(string $key, array $with = []): string
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

    /**
     * Line items and results in the columns of OneRoster 1.2 (1EdTech, “OneRoster CSV Binding”, gradebook files; from memory),
     * in one ZIP with its manifest.
     */
    public static function oneRoster(MarksBook $book): string
    {
        $now = now()->utc()->format('Y-m-d\TH:i:s.v\Z');
        $id = static fn(string $of, int $n): string => "cubo-$of-$n";
        $items = [
            [
                'sourcedId',
                'status',
                'dateLastModified',
                'title',
                'description',
                'assignDate',
                'dueDate',
                'classSourcedId',
                'categorySourcedId',
                'gradingPeriodSourcedId',
                'resultValueMin',
                'resultValueMax',
                'schoolSourcedId',
            ],
        ];
        $results = [
            [
                'sourcedId',
                'status',
                'dateLastModified',
                'lineItemSourcedId',
                'studentSourcedId',
                'scoreStatus',
                'score',
                'scoreDate',
                'comment',
                'textScore',
                'inProgress',
                'incomplete',
                'late',
                'missing',
            ],
        ];
        foreach ($book->assignments as $a) {
            $items[] = [
                $id('item', $a->id),
                'active',
                $now,
                $a->exercise->title,
                '',
                $a->created_at?->format('Y-m-d'),
                $a->due_on->format('Y-m-d'),
                $id('class', $book->class->id),
                $id('category', 1),
                '',
                0,
                MarksBook::most($a),
                $id('school', $book->class->school_id),
            ];
            foreach ($book->students as $s) {
                $cell = $book->cells[$s->id][$a->id];
                $h = $cell->handIn();
                $status = match ($h?->state) {
                    null => 'not submitted',
                    'accepted' => 'fully graded',
                    default => 'submitted',
                };
                $results[] = [
                    $id('result', $a->id) . "-$s->id",
                    'active',
                    $now,
                    $id('item', $a->id),
                    $s->identifier ?? $id('user', $s->id),
                    $status,
                    $cell->counted?->points,
                    $h?->created_at?->format('Y-m-d'),
                    $h->comment ?? '',
                    $cell->mark,
                    $h === null && $cell->works ? 'true' : 'false',
                    'false',
                    $cell->counted?->late ? 'true' : 'false',
                    $h === null ? 'true' : 'false',
                ];
            }
        }
        $categories = [['sourcedId', 'status', 'dateLastModified', 'title'], [$id('category', 1), 'active', $now, 'Cubo']];
        $manifest = [['propertyName', 'value'], ['manifest.version', '1.0'], ['oneroster.version', '1.2'], ['source.systemName', 'Cubo']];
        foreach (
            [
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
            ]
            as $absent
        ) {
            $manifest[] = ["file.$absent", 'absent'];
        }
        foreach (['categories', 'lineItems', 'results'] as $there) {
            $manifest[] = ["file.$there", 'bulk'];
        }

        return self::zip([
            'manifest.csv' => $manifest,
            'categories.csv' => $categories,
            'lineItems.csv' => $items,
            'results.csv' => $results,
        ]);
    }

    /** @param array<string, list<list<string|int|float|null>>> $files */
    private static function zip(array $files): string
    {
        $path = tempnam(sys_get_temp_dir(), 'marks');
        $zip = new ZipArchive();
        if ($path === false || $zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('no room for an archive');
        }
        foreach ($files as $name => $rows) {
            // the binding wants no byte order mark
            $zip->addFromString($name, substr(Csv::write($rows), 3));
        }
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    /** The class on sheets of A4 lying: as many exercises beside each other as fit. */
    public static function pdf(MarksBook $book): string
    {
        $pages = [];
        foreach (array_chunk($book->assignments, 6) ?: [[]] as $some) {
            foreach (array_chunk($book->students, 26) ?: [[]] as $students) {
                $page = SvgPage::a4(lying: true);
                $y = self::title($page, $book);
                $w = ($page->width - 2 * self::MARGIN - self::NAME - 90) / 6;
                foreach ($some as $k => $a) {
                    $x = self::MARGIN + self::NAME + $k * $w;
                    $page
                        ->text($x, $y, 9, SvgPage::fitted($a->exercise->title, $w - 6, 9), 't b')
                        ->text($x, $y + 11, 8, self::word('points_of', ['most' => MarksBook::most($a)]), 't quiet');
                }
                $page->text($page->width - self::MARGIN, $y, 9, self::word('sum'), 't b', 'end');
                $y += 16;
                foreach ($students as $s) {
                    $page->line(self::MARGIN, $y, $page->width - self::MARGIN, $y);
                    $page->text(self::MARGIN, $y + 12, 10, SvgPage::fitted($s->name, self::NAME, 10));
                    foreach ($some as $k => $a) {
                        $cell = $book->cells[$s->id][$a->id];
                        $text =
                            $cell->counted === null
                                ? ($cell->works
                                    ? self::word('works')
                                    : '–')
                                : self::plain($cell->counted->points) . "  ·  $cell->mark";
                        $page->text(self::MARGIN + self::NAME + $k * $w, $y + 12, 10, $text, $cell->isAccepted() ? 't b' : 't');
                    }
                    $sum = $book->sums[$s->id];
                    $page->text(
                        $page->width - self::MARGIN,
                        $y + 12,
                        10,
                        $sum === null ? '–' : self::plain($sum['points']) . ' / ' . self::plain($sum['most']) . "  ·  {$sum['mark']}",
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
                        ? self::word('works')
                        : '–')
                    : self::plain($cell->counted->points) . " / {$cell->counted->most}  ·  $cell->mark",
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
                $page->text($right, $y + 11, 9, self::plain($h->points()) . ' / ' . $h->frozenReport()->mostPoints(), 't quiet', 'end');
                $y += 14;
            }
            $y += 8;
        }
        $sum = $book->sums[$student->id];
        $page->line(self::MARGIN, $y, $right, $y, 'strong')->text(self::MARGIN, $y + 18, 12, self::word('sum'), 't b');
        $page->text(
            $right,
            $y + 18,
            12,
            $sum === null ? '–' : self::plain($sum['points']) . ' / ' . self::plain($sum['most']) . "  ·  {$sum['mark']}",
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
            ->text(self::MARGIN, 66, 8.5, SvgPage::fitted(self::scale($book), $page->width - 2 * self::MARGIN, 8.5), 't quiet');

        return 92.0;
    }
}
