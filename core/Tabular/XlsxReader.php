<?php

declare(strict_types=1);

namespace Cubo\Tabular;

use XMLReader;
use ZipArchive;

/** The first sheet of a workbook (ECMA-376, SpreadsheetML) as text. Formulas are not worked out; what was kept of them is read. */
final class XlsxReader
{
    /** Bytes of one entry, unpacked: a small file may hold a very large one. */
    private const MOST_BYTES = 20_000_000;

    private const MOST_COLUMNS = 200;

    /** Cells and texts that are looked at: a list of names has no more. */
    private const MOST_CELLS = 60_000;

    private const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

    public static function knows(string $bytes): bool
    {
        return str_starts_with($bytes, "PK\x03\x04");
    }

    /**
     * @return list<list<string>> rows of cells; rows that are left out in the file are empty ones
     *
     * @throws UnreadableTable
     */
    public static function read(string $bytes): array
    {
        $path = tempnam(sys_get_temp_dir(), 'xlsx');
        if ($path === false) {
            throw new UnreadableTable('The list could not be read.');
        }
        $zip = new ZipArchive();
        try {
            file_put_contents($path, $bytes);
            if ($zip->open($path, ZipArchive::RDONLY) !== true) {
                throw new UnreadableTable('This workbook is damaged. Save it once more.');
            }
            $shared = self::entry($zip, 'xl/sharedStrings.xml');
            $sheet = self::entry($zip, self::firstSheet($zip));
            if ($sheet === null) {
                throw new UnreadableTable('This is no workbook with a sheet. Save it as XLSX or CSV.');
            }

            $zip->close();

            return self::cells($sheet, $shared === null ? [] : self::strings($shared));
        } finally {
            @unlink($path);
        }
    }

    /** @throws UnreadableTable */
    private static function entry(ZipArchive $zip, string $name): ?string
    {
        $stat = $zip->statName($name);
        if ($stat === false) {
            return null;
        }
        $bytes = $stat['size'] > self::MOST_BYTES ? false : $zip->getFromName($name, self::MOST_BYTES);
        if ($bytes === false) {
            throw new UnreadableTable('This workbook is too large for a list of names.');
        }

        return $bytes;
    }

    /** @throws UnreadableTable */
    private static function firstSheet(ZipArchive $zip): string
    {
        $id = null;
        foreach (self::elements(self::entry($zip, 'xl/workbook.xml') ?? '', 'sheet') as $x) {
            $id ??= $x->getAttributeNs('id', self::RELATIONS);
        }
        foreach (self::elements(self::entry($zip, 'xl/_rels/workbook.xml.rels') ?? '', 'Relationship') as $x) {
            if ($id !== null && $x->getAttribute('Id') === $id) {
                $target = (string) $x->getAttribute('Target');

                return str_starts_with($target, '/') ? substr($target, 1) : "xl/$target";
            }
        }

        return 'xl/worksheets/sheet1.xml';
    }

    /**
     * @return list<string>
     *
     * @throws UnreadableTable
     */
    private static function strings(string $xml): array
    {
        $out = [];
        foreach (self::elements($xml, 'si') as $x) {
            if (count($out) === self::MOST_CELLS) {
                throw new UnreadableTable('This workbook is too large for a list of names.');
            }
            $out[] = self::text($x);
        }

        return $out;
    }

    /**
     * @param list<string> $strings
     * @return list<list<string>>
     *
     * @throws UnreadableTable
     */
    private static function cells(string $xml, array $strings): array
    {
        $rows = [];
        $count = 0;
        foreach (self::elements($xml, 'c') as $x) {
            if (++$count > self::MOST_CELLS) {
                throw new UnreadableTable('This workbook is too large for a list of names.');
            }
            if (preg_match('/^([A-Z]{1,3})(\d{1,7})$/', (string) $x->getAttribute('r'), $at) !== 1) {
                continue;
            }
            [$row, $column] = [(int) $at[2] - 1, self::column($at[1])];
            if ($row >= Csv::MOST_ROWS) {
                throw new UnreadableTable('The list has more than ' . Csv::MOST_ROWS . ' lines. Bring it in parts.');
            }
            $type = $x->getAttribute('t');
            $value = self::text($x, $type === 'inlineStr' ? 't' : 'v');
            $value = $type === 's' ? $strings[(int) $value] ?? '' : $value;
            if ($column < self::MOST_COLUMNS && $value !== '') {
                $rows[$row][$column] = trim((string) preg_replace('/[\s\x{00A0}]+/u', ' ', $value));
            }
        }
        $out = [];
        for ($r = 0, $last = $rows === [] ? -1 : max(array_keys($rows)); $r <= $last; $r++) {
            $line = $rows[$r] ?? [];
            $out[] = $line === [] ? [''] : array_map(static fn(int $c): string => $line[$c] ?? '', range(0, max(array_keys($line))));
        }

        return $out;
    }

    /** A is 0, Z 25, AA 26. */
    private static function column(string $letters): int
    {
        $n = 0;
        foreach (str_split($letters) as $l) {
            $n = 26 * $n + ord($l) - 64;
        }

        return $n - 1;
    }

    /** All text within the elements of a name inside the one the reader stands on. */
    private static function text(XMLReader $x, string $of = 't'): string
    {
        $out = '';
        foreach (self::elements($x->readOuterXml(), $of) as $y) {
            $out .= $y->readString();
        }

        return $out;
    }

    /** @return iterable<XMLReader> standing on each element of that name */
    private static function elements(string $xml, string $name): iterable
    {
        $x = $xml === '' ? false : XMLReader::XML($xml, null, LIBXML_NONET | LIBXML_NOERROR | LIBXML_NOWARNING);
        if (!($x instanceof XMLReader)) {
            return;
        }
        while (@$x->read()) {
            if ($x->nodeType === XMLReader::ELEMENT && $x->localName === $name) {
                yield $x;
            }
        }
        $x->close();
    }
}
