<?php

declare(strict_types=1);

use Cubo\Tabular\Csv;
use Cubo\Tabular\UnreadableTable;
use Cubo\Tabular\XlsxReader;
use Cubo\Tabular\XlsxWriter;

it('writes CSV that no program takes for a formula', function () {
    expect(Csv::write([['=1+1', '+49', '-x', '@a', 'O"Neil', "a\nb", 'c,d', 12, -1.5, null, '']]))
        ->toBe("\xEF\xBB\xBF'=1+1,'+49,'-x,'@a,\"O\"\"Neil\",\"a\nb\",\"c,d\",12,-1.5,,\r\n")
        ->and(Csv::read(Csv::write([['name', 'points'], ['Zoë; Müller', 3.5]])))
        ->toBe([['name', 'points'], ['Zoë; Müller', '3.5']]);
});

it('reads back any table it writes', function (int $seed) {
    $r = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    $words = ['', 'Alba', 'Zoë "the" fox', 'a,b;c', "tab\there", 'ü€😀', '0', '007', '<&>'];
    $rows = [];
    for ($i = 0; $i < 12; $i++) {
        $rows[] = array_map(static fn(): string => $words[$r->getInt(0, 8)], range(0, 4));
    }
    $rows[] = ['end', 'end', 'end', 'end', 'end'];
    $plain = static fn(array $t): array => array_map(
        static fn(array $row): array => array_map(static fn(string $c): string => str_replace("\t", ' ', $c), array_pad($row, 5, '')),
        $t,
    );
    expect($plain(XlsxReader::read(XlsxWriter::write('Any', $rows))))->toBe($plain($rows));
})->with(range(1, 10));

it('refuses what is no table, in words', function (string $bytes, string $words) {
    expect(fn() => XlsxReader::knows($bytes) ? XlsxReader::read($bytes) : Csv::read($bytes))->toThrow(UnreadableTable::class, $words);
})->with([
    'a program' => ["\x7FELF\0\0\0", 'no list'],
    'a broken workbook' => ["PK\x03\x04 nothing", 'damaged'],
    'an endless list' => [str_repeat("a\n", 5001), '5000 lines'],
    'a zip of something else' => [
        (static function (): string {
            $p = tempnam(sys_get_temp_dir(), 't');
            $z = new ZipArchive();
            $z->open($p, ZipArchive::OVERWRITE);
            $z->addFromString('readme.txt', 'x');
            $z->close();

            return (string) file_get_contents($p);
        })(),
        'no workbook',
    ],
]);

it('does not read a workbook of more cells than a list can have', function () {
    $rows = array_fill(0, 1300, array_fill(0, 50, 'a'));
    expect(fn() => XlsxReader::read(XlsxWriter::write('Large', $rows)))->toThrow(UnreadableTable::class, 'too large');
});

it('does not unpack what is too large, and follows no outside entity', function () {
    $p = tempnam(sys_get_temp_dir(), 't');
    $make = static function (string $sheet) use ($p): string {
        $z = new ZipArchive();
        $z->open($p, ZipArchive::OVERWRITE);
        $z->addFromString('xl/worksheets/sheet1.xml', $sheet);
        $z->close();

        return (string) file_get_contents($p);
    };
    expect(fn() => XlsxReader::read($make(str_repeat(' ', 21_000_000))))->toThrow(UnreadableTable::class, 'too large');
    $secret = tempnam(sys_get_temp_dir(), 's');
    file_put_contents($secret, 'SECRET');
    $rows = XlsxReader::read(
        $make(
            "<!DOCTYPE x [<!ENTITY e SYSTEM \"file://$secret\">]><worksheet><sheetData><row r=\"1\"><c r=\"A1\" t=\"inlineStr\"><is><t>a&e;b</t></is></c></row></sheetData></worksheet>",
        ),
    );
    expect(json_encode($rows))->not->toContain('SECRET');
});
