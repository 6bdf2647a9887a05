<?php

declare(strict_types=1);

namespace Cubo\Tabular;

use DateTimeImmutable;
use DateTimeInterface;
use XMLWriter;

/**
 * A workbook with one sheet (ECMA-376, SpreadsheetML): numbers are numbers, days are days, texts are texts and never
 * formulas. The first rows stay in view.
 */
final class XlsxWriter
{
    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';

    private const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

    private const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';

    private const TYPE = 'application/vnd.openxmlformats-officedocument.spreadsheetml.';

    /** Numbers of the styles below: plain, bold, a day, a day with its time. */
    private const PLAIN = 0;

    private const BOLD = 1;

    private const DAY = 2;

    private const MOMENT = 3;

    /** Day 0 of the 1900 date system, as all programs count it. */
    private const EPOCH = '1899-12-30';

    private const LONGEST_NAME = 31;

    /**
     * @param list<list<string|int|float|DateTimeInterface|null>> $rows a date at midnight is written as a day
     * @param int $heads rows at the top that stay in view, in bold
     */
    public static function write(string $title, array $rows, int $heads = 1): string
    {
        return Zip::of([
            '[Content_Types].xml' => self::contentTypes(),
            '_rels/.rels' => self::relations(['rId1' => ['officeDocument', 'xl/workbook.xml']]),
            'xl/workbook.xml' => self::workbook($title),
            'xl/_rels/workbook.xml.rels' => self::relations([
                'rId1' => ['worksheet', 'worksheets/sheet1.xml'],
                'rId2' => ['styles', 'styles.xml'],
            ]),
            'xl/styles.xml' => self::styles(),
            'xl/worksheets/sheet1.xml' => self::sheet($rows, $heads),
        ]);
    }

    private static function document(): XMLWriter
    {
        $x = new XMLWriter();
        $x->openMemory();
        $x->startDocument('1.0', 'UTF-8', 'yes');

        return $x;
    }

    private static function done(XMLWriter $x): string
    {
        while ($x->endElement());
        $x->endDocument();

        return $x->outputMemory();
    }

    /** @param array<string, string> $attributes */
    private static function begin(XMLWriter $x, string $name, array $attributes = []): void
    {
        $x->startElement($name);
        foreach ($attributes as $key => $value) {
            $x->writeAttribute($key, $value);
        }
    }

    /** @param array<string, string> $attributes */
    private static function empty(XMLWriter $x, string $name, array $attributes): void
    {
        self::begin($x, $name, $attributes);
        $x->endElement();
    }

    private static function contentTypes(): string
    {
        $x = self::document();
        self::begin($x, 'Types', ['xmlns' => self::PACKAGE . '/content-types']);
        self::empty($x, 'Default', ['Extension' => 'rels', 'ContentType' => 'application/vnd.openxmlformats-package.relationships+xml']);
        self::empty($x, 'Default', ['Extension' => 'xml', 'ContentType' => 'application/xml']);
        foreach (
            ['/xl/workbook.xml' => 'sheet.main+xml', '/xl/worksheets/sheet1.xml' => 'worksheet+xml', '/xl/styles.xml' => 'styles+xml']
            as $part => $type
        ) {
            self::empty($x, 'Override', ['PartName' => $part, 'ContentType' => self::TYPE . $type]);
        }

        return self::done($x);
    }

    /** @param array<string, array{string, string}> $to type and target by id */
    private static function relations(array $to): string
    {
        $x = self::document();
        self::begin($x, 'Relationships', ['xmlns' => self::PACKAGE . '/relationships']);
        foreach ($to as $id => [$type, $target]) {
            self::empty($x, 'Relationship', ['Id' => $id, 'Type' => self::RELATIONS . "/$type", 'Target' => $target]);
        }

        return self::done($x);
    }

    private static function workbook(string $title): string
    {
        // signs that the name of a sheet may not have
        $name = mb_substr(trim((string) preg_replace('/[\[\]:*?\/\\\\\']+/u', ' ', $title)) ?: 'Sheet', 0, self::LONGEST_NAME);
        $x = self::document();
        self::begin($x, 'workbook', ['xmlns' => self::MAIN, 'xmlns:r' => self::RELATIONS]);
        self::begin($x, 'sheets');
        self::empty($x, 'sheet', ['name' => $name, 'sheetId' => '1', 'r:id' => 'rId1']);

        return self::done($x);
    }

    private static function styles(): string
    {
        $x = self::document();
        self::begin($x, 'styleSheet', ['xmlns' => self::MAIN]);
        self::begin($x, 'numFmts', ['count' => '1']);
        self::empty($x, 'numFmt', ['numFmtId' => '164', 'formatCode' => 'yyyy-mm-dd hh:mm']);
        $x->endElement();
        self::begin($x, 'fonts', ['count' => '2']);
        foreach ([false, true] as $bold) {
            self::begin($x, 'font');
            $bold && self::empty($x, 'b', []);
            self::empty($x, 'sz', ['val' => '11']);
            self::empty($x, 'name', ['val' => 'Calibri']);
            $x->endElement();
        }
        $x->endElement();
        foreach (['fills' => 'fill', 'borders' => 'border'] as $all => $one) {
            self::begin($x, $all, ['count' => '1']);
            self::begin($x, $one);
            $one === 'fill' && self::empty($x, 'patternFill', ['patternType' => 'none']);
            $x->endElement();
            $x->endElement();
        }
        self::begin($x, 'cellStyleXfs', ['count' => '1']);
        self::empty($x, 'xf', ['numFmtId' => '0', 'fontId' => '0', 'fillId' => '0', 'borderId' => '0']);
        $x->endElement();
        self::begin($x, 'cellXfs', ['count' => '4']);
        // 14 is the day of every program's own country
        foreach ([['0', '0'], ['0', '1'], ['14', '0'], ['164', '0']] as [$format, $font]) {
            self::empty($x, 'xf', [
                'numFmtId' => $format,
                'fontId' => $font,
                'fillId' => '0',
                'borderId' => '0',
                'xfId' => '0',
                'applyNumberFormat' => '1',
                'applyFont' => '1',
            ]);
        }

        return self::done($x);
    }

    /** @param list<list<string|int|float|DateTimeInterface|null>> $rows */
    private static function sheet(array $rows, int $heads): string
    {
        $x = self::document();
        self::begin($x, 'worksheet', ['xmlns' => self::MAIN]);
        self::begin($x, 'sheetViews');
        self::begin($x, 'sheetView', ['workbookViewId' => '0']);
        $heads > 0 &&
            self::empty($x, 'pane', [
                'ySplit' => (string) $heads,
                'topLeftCell' => 'A' . ($heads + 1),
                'activePane' => 'bottomLeft',
                'state' => 'frozen',
            ]);
        $x->endElement();
        $x->endElement();
        self::begin($x, 'sheetData');
        foreach ($rows as $r => $row) {
            self::begin($x, 'row', ['r' => (string) ($r + 1)]);
            foreach ($row as $c => $value) {
                self::cell($x, self::name($c) . ($r + 1), $value, $r < $heads ? self::BOLD : self::PLAIN);
            }
            $x->endElement();
        }

        return self::done($x);
    }

    private static function cell(XMLWriter $x, string $at, string|int|float|DateTimeInterface|null $value, int $style): void
    {
        if ($value === null || $value === '') {
            return;
        }
        if (is_string($value)) {
            self::begin($x, 'c', ['r' => $at, 's' => (string) $style, 't' => 'inlineStr']);
            self::begin($x, 'is');
            self::begin($x, 't', ['xml:space' => 'preserve']);
            $x->text((string) preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F\x{FFFE}\x{FFFF}]/u', '', mb_scrub($value)));
            $x->endElement();
            $x->endElement();
            $x->endElement();

            return;
        }
        if ($value instanceof DateTimeInterface) {
            $style = $value->format('H:i:s') === '00:00:00' ? self::DAY : self::MOMENT;
            $value = self::serial($value);
        }
        self::begin($x, 'c', ['r' => $at, 's' => (string) $style]);
        $x->writeElement('v', rtrim(rtrim(sprintf('%.10F', $value), '0'), '.'));
        $x->endElement();
    }

    /** Days since the epoch, as the clock on the wall shows it there. */
    private static function serial(DateTimeInterface $at): float
    {
        $wall = new DateTimeImmutable($at->format('Y-m-d H:i:s') . ' UTC');

        return ($wall->getTimestamp() - (new DateTimeImmutable(self::EPOCH . ' UTC'))->getTimestamp()) / 86400;
    }

    /** 0 is A, 25 Z, 26 AA. */
    private static function name(int $column): string
    {
        $name = '';
        for ($n = $column + 1; $n > 0; $n = intdiv($n - 1, 26)) {
            $name = chr(65 + (($n - 1) % 26)) . $name;
        }

        return $name;
    }
}
