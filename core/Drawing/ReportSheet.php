<?php

declare(strict_types=1);

namespace Cubo\Drawing;

use Cubo\Check\Report;
use Cubo\Check\Row;

/** A report as pages to print: A4 upright, in points. Long ones go on over several pages; nothing is cut off. */
final class ReportSheet
{
    public const WIDTH = 595.0;

    public const HEIGHT = 842.0;

    private const MARGIN = 42.0;

    private const COLUMNS = [0.0, 22.0, 196.0, 306.0, 386.0, 446.0];

    /** @var list<string> */
    private array $pages = [];

    private string $page = '';

    private float $y = 0.0;

    /**
     * @param list<string> $head exercise, who and when, result
     * @param array<string, string> $states by requirement id, after the teacher's word
     * @param string $drawing an <svg> of about 430 x 300, or nothing
     */
    private function __construct(
        private readonly array $head,
        private readonly Report $report,
        private readonly array $states,
        private readonly string $comment,
        private readonly string $drawing,
    ) {}

    /**
     * @param list<string> $head
     * @param array<string, string> $states
     * @return list<string> pages as SVG
     */
    public static function pages(array $head, Report $report, array $states, string $comment, string $drawing): array
    {
        $s = new self($head, $report, $states, $comment, $drawing);
        $s->all();

        return $s->pages;
    }

    private function all(): void
    {
        $this->begin();
        if ($this->drawing !== '') {
            // laid in at its own size, scaled to the width between the margins
            $this->page .= sprintf(
                '<g transform="translate(%.1f %.1f)">%s</g>',
                self::MARGIN,
                $this->y,
                (string) preg_replace('/<svg /', '<svg width="511" height="356" ', $this->drawing, 1),
            );
            $this->y += 368;
        }
        if ($this->report->findings !== []) {
            $this->line('What probably happened', 11, 'h');
            foreach ($this->report->findings as $f) {
                $this->words($f->slip->title() . ' (' . $f->sure() . '): ' . $f->words, self::MARGIN, 114, 9);
            }
            $this->y += 8;
        }
        $this->columns();
        foreach ($this->report->rows as $r) {
            $this->row($r);
        }
        if ($this->comment !== '') {
            $this->y += 8;
            $this->line('Your teacher says', 11, 'h');
            $this->words($this->comment, self::MARGIN, 108, 9.5);
        }
        $this->end();
    }

    private function row(Row $r): void
    {
        $this->room(16);
        $met = ($this->states[$r->id] ?? $r->status) === 'met';
        foreach (
            [$r->letter, $r->label, trim("$r->asked $r->tolerance"), $r->measured, $r->deviationText, $met ? 'Met' : $r->word]
            as $i => $text
        ) {
            // the widths of the columns hold about so many letters
            $most = [3, 36, 24, 17, 14, 19][$i];
            $this->text(
                mb_strlen($text) > $most ? mb_substr($text, 0, $most - 1) . '…' : $text,
                self::MARGIN + self::COLUMNS[$i],
                $this->y,
                9,
                $i === 5 ? ($met ? 'met' : 'off') : ($i === 0 ? 'b' : ''),
            );
        }
        $this->y += 13;
        if (!$met && $r->diagnosis !== '') {
            $this->words($r->diagnosis, self::MARGIN + self::COLUMNS[1], 112, 8.5);
        }
        $this->page .= sprintf('<path d="M%.1f %.1fH%.1f" class="rule"/>', self::MARGIN, $this->y - 9, self::WIDTH - self::MARGIN);
        $this->y += 3;
    }

    private function columns(): void
    {
        $this->room(30);
        foreach (['', 'Size', 'Asked', 'Measured', 'Off by', 'State'] as $i => $text) {
            $this->text($text, self::MARGIN + self::COLUMNS[$i], $this->y, 9, 'b');
        }
        $this->page .= sprintf('<path d="M%.1f %.1fH%.1f" class="strong"/>', self::MARGIN, $this->y + 4, self::WIDTH - self::MARGIN);
        $this->y += 17;
    }

    private function begin(): void
    {
        $this->page = '';
        $this->y = self::MARGIN + 8;
        foreach ($this->head as $i => $text) {
            $this->text($text, self::MARGIN, $this->y, $i === 0 ? 16 : 10, $i === 0 ? 'b' : '');
            $this->y += $i === 0 ? 17 : 14;
        }
        $this->page .= sprintf('<path d="M%.1f %.1fH%.1f" class="strong"/>', self::MARGIN, $this->y - 6, self::WIDTH - self::MARGIN);
        $this->y += 10;
    }

    private function end(): void
    {
        $this->text('Page ' . (count($this->pages) + 1), self::WIDTH - self::MARGIN - 36, self::HEIGHT - 24, 8, '');
        $this->pages[] = sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$.0fpt" height="%2$.0fpt" viewBox="0 0 %1$.0f %2$.0f"><rect width="100%%" height="100%%" fill="#fff"/>%3$s</svg>',
            self::WIDTH,
            self::HEIGHT,
            $this->page,
        );
    }

    /** Goes on on a new page where this one is full. */
    private function room(float $height): void
    {
        if ($this->y + $height > self::HEIGHT - self::MARGIN) {
            $this->end();
            $this->begin();
        }
    }

    private function line(string $text, float $size, string $class): void
    {
        $this->room($size + 12);
        $this->text($text, self::MARGIN, $this->y, $size, $class === 'h' ? 'b' : $class);
        $this->y += $size + 4;
    }

    /** @param int $letters on a line */
    private function words(string $text, float $x, int $letters, float $size): void
    {
        foreach (explode("\n", wordwrap(str_replace("\r", '', $text), $letters, "\n", true)) as $line) {
            $this->room($size + 4);
            $this->text($line, $x, $this->y, $size, 'quiet');
            $this->y += $size + 3;
        }
    }

    private function text(string $text, float $x, float $y, float $size, string $class): void
    {
        if ($text !== '') {
            $this->page .= sprintf(
                '<text x="%.1f" y="%.1f" font-size="%.1f" class="%s">%s</text>',
                $x,
                $y,
                $size,
                $class === '' ? 't' : "t $class",
                htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE),
            );
        }
    }
}
