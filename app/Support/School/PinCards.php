<?php

declare(strict_types=1);

namespace App\Support\School;

use App\Models\Person;
use App\Models\SchoolClass;
use App\Support\PdfPages;
use Cubo\Drawing\SvgPage;

/** Cards to cut, ten on a page of A4: address, class code, own code and the PIN as long as it was not used. */
final class PinCards
{
    private const COLUMNS = 2;

    private const ROWS = 5;

    /** points */
    private const MARGIN = 36.0;

    /** @param list<Person> $students */
    public static function pdf(SchoolClass $class, array $students, string $address): string
    {
        return PdfPages::of(self::pages($class, $students, $address));
    }

    /**
     * @param list<Person> $students
     * @return list<string> SVG
     */
    public static function pages(SchoolClass $class, array $students, string $address): array
    {
        $pages = [];
        foreach (array_chunk($students, self::COLUMNS * self::ROWS) as $some) {
            $page = SvgPage::a4();
            $w = ($page->width - 2 * self::MARGIN) / self::COLUMNS;
            $h = ($page->height - 2 * self::MARGIN) / self::ROWS;
            for ($i = 0; $i <= self::COLUMNS; $i++) {
                $page->line(self::MARGIN + $i * $w, self::MARGIN / 2, self::MARGIN + $i * $w, $page->height - self::MARGIN / 2, 'cut');
            }
            for ($i = 0; $i <= self::ROWS; $i++) {
                $page->line(self::MARGIN / 2, self::MARGIN + $i * $h, $page->width - self::MARGIN / 2, self::MARGIN + $i * $h, 'cut');
            }
            foreach ($some as $k => $student) {
                self::card(
                    $page,
                    self::MARGIN + ($k % self::COLUMNS) * $w,
                    self::MARGIN + intdiv($k, self::COLUMNS) * $h,
                    $w,
                    $class,
                    $student,
                    $address,
                );
            }
            $pages[] = $page->svg();
        }

        return $pages === [] ? [SvgPage::a4()->text(self::MARGIN, 60, 12, __('school.cards.nobody'))->svg()] : $pages;
    }

    private static function card(SvgPage $page, float $x, float $y, float $w, SchoolClass $class, Person $student, string $address): void
    {
        $left = $x + 16;
        $page
            ->text($left, $y + 26, 14, SvgPage::fitted($student->name, $w - 90, 14), 't b')
            ->text($x + $w - 16, $y + 26, 10, SvgPage::fitted($class->name, 60, 10), 't quiet', 'end')
            ->text($left, $y + 42, 9, $address, 't quiet')
            ->line($left, $y + 52, $x + $w - 16, $y + 52);
        foreach (
            [
                [__('school.cards.class'), $class->code],
                [__('school.cards.own'), (string) $student->code],
                [__('school.cards.pin'), $student->first_pin ?? __('school.cards.used')],
            ]
            as $i => [$label, $value]
        ) {
            $page
                ->text($left, $y + 74 + 24 * $i, 10, $label, 't quiet')
                ->text(
                    $left + 84,
                    $y + 75 + 24 * $i,
                    $i === 2 && $student->first_pin === null ? 9 : 15,
                    $value,
                    $i === 2 && $student->first_pin === null ? 't quiet' : 't b num',
                );
        }
    }
}
