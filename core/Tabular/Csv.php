<?php

declare(strict_types=1);

namespace Cubo\Tabular;

/**
 * Comma-separated values (RFC 4180), read as programs really write them: with commas, semicolons or tabs, in UTF-8, UTF-16
 * or Windows-1252, with and without a byte order mark.
 */
final class Csv
{
    /** Rows that are read; a school's list has no more. */
    public const MOST_ROWS = 5000;

    private const BOM = "\xEF\xBB\xBF";

    /** Signs by which a cell would become a formula in a spreadsheet (OWASP, "CSV Injection"). */
    private const FORMULA = ['=', '+', '-', '@', "\t", "\r"];

    /**
     * @return list<list<string>> rows of cells without blanks around them; empty rows are kept, so that line numbers are right
     *
     * @throws UnreadableTable
     */
    public static function read(string $bytes): array
    {
        $text = self::utf8($bytes);
        $separator = self::separator($text);
        $stream = fopen('php://temp', 'r+');
        if ($stream === false) {
            throw new UnreadableTable('The list could not be read.');
        }
        fwrite($stream, str_replace(["\r\n", "\r"], "\n", $text));
        rewind($stream);
        $rows = [];
        while (($cells = fgetcsv($stream, null, $separator, '"', '')) !== false) {
            if (count($rows) === self::MOST_ROWS) {
                throw new UnreadableTable('The list has more than ' . self::MOST_ROWS . ' lines. Bring it in parts.');
            }
            $rows[] = array_map(static fn(?string $c): string => self::trimmed($c ?? ''), $cells);
        }
        fclose($stream);
        while ($rows !== [] && implode('', $rows[count($rows) - 1]) === '') {
            array_pop($rows);
        }

        return $rows;
    }

    /**
     * With a byte order mark, so that spreadsheets know the letters, and safe from formulas: a text that would be one gets an
     * apostrophe in front. Numbers stay numbers.
     *
     * @param list<list<string|int|float|null>> $rows
     */
    public static function write(array $rows): string
    {
        $out = self::BOM;
        foreach ($rows as $row) {
            $out .= implode(',', array_map(self::cell(...), $row)) . "\r\n";
        }

        return $out;
    }

    private static function cell(string|int|float|null $value): string
    {
        if (!is_string($value)) {
            return (string) $value;
        }
        $safe = $value !== '' && in_array($value[0], self::FORMULA, true) ? "'$value" : $value;

        return strpbrk($safe, ",\"\r\n") === false ? $safe : '"' . str_replace('"', '""', $safe) . '"';
    }

    /** @throws UnreadableTable */
    private static function utf8(string $bytes): string
    {
        if (str_starts_with($bytes, "\xFF\xFE") || str_starts_with($bytes, "\xFE\xFF")) {
            return mb_convert_encoding(substr($bytes, 2), 'UTF-8', $bytes[0] === "\xFF" ? 'UTF-16LE' : 'UTF-16BE');
        }
        $text = str_starts_with($bytes, self::BOM) ? substr($bytes, 3) : $bytes;
        if (str_contains($text, "\0")) {
            throw new UnreadableTable('This is no list of text. Save it as CSV or XLSX.');
        }

        return mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }

    /** What stands in most lines, and equally often in them. */
    private static function separator(string $text): string
    {
        $lines = array_slice(array_filter(explode("\n", $text), static fn(string $l): bool => trim($l) !== ''), 0, 20);
        $best = ',';
        $most = 0;
        foreach (["\t", ';', ','] as $s) {
            $with = count(array_filter($lines, static fn(string $l): bool => str_contains($l, $s)));
            if ($with > $most) {
                [$best, $most] = [$s, $with];
            }
        }

        return $best;
    }

    private static function trimmed(string $cell): string
    {
        return trim((string) preg_replace('/[\s\x{00A0}]+/u', ' ', $cell));
    }
}
