<?php

declare(strict_types=1);

use Cubo\Exchange\Format\Formats;
use Cubo\Exchange\Guess;
use Cubo\Exchange\MeshFile;
use Cubo\Exchange\UnreadableFile;
use Cubo\Quantity\Unit;
use Tests\Pace;

/* Files that are small and would take a server's time or memory, and files that are something else. */

function package(string $model): string
{
    $path = (string) tempnam(sys_get_temp_dir(), 'bad');
    $zip = new ZipArchive();
    $zip->open($path, ZipArchive::OVERWRITE);
    $zip->addFromString('3D/3dmodel.model', $model);
    $zip->close();
    $bytes = (string) file_get_contents($path);
    unlink($path);

    return $bytes;
}

$model = static fn(
    string $inside,
    string $items,
): string => '<?xml version="1.0"?><model unit="millimeter" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><resources>' .
    $inside .
    '</resources><build>' .
    $items .
    '</build></model>';

it('refuses in words, soon and in little memory, what would hold up a server', function (Closure $make, string $words): void {
    $bytes = $make();
    $before = memory_get_usage();
    $said = '';
    $took = Pace::of(static function () use ($bytes, &$said): void {
        try {
            MeshFile::read($bytes, Unit::Millimetre);
        } catch (UnreadableFile $e) {
            $said = $e->getMessage();
        }
    });
    expect($said)
        ->toContain($words)
        ->and($took)
        ->toBeLessThan(12.0)
        ->and(memory_get_usage() - $before)
        ->toBeLessThan(30_000_000);
})->with([
    'empty components in each other, 2 to the 16th' => [
        fn() => package(
            $model(
                implode(
                    '',
                    array_map(
                        static fn(int $i): string => "<object id=\"$i\"><components>" .
                            str_repeat('<component objectid="' . ($i + 1) . '"/>', 6) .
                            '</components></object>',
                        range(1, 15),
                    ),
                ) . '<object id="16"><mesh><vertices/><triangles/></mesh></object>',
                '<item objectid="1"/>',
            ),
        ),
        'objects',
    ],
    '2.9 million corners in a small package' => [
        fn() => package(
            $model(
                '<object id="1"><mesh><vertices>' .
                    str_repeat('<vertex x="0" y="0" z="0"/>', 2_900_000) .
                    '</vertices><triangles/></mesh></object>',
                '<item objectid="1"/>',
            ),
        ),
        'corners',
    ],
    'an OBJ of corners alone' => [fn() => str_repeat("v 1 2 3\n", 3_000_000), 'corners'],
    'a PLY of things without bytes' => [
        fn() => "ply\nformat binary_little_endian 1.0\nelement nothing 99999999\nend_header\n",
        'more than a part',
    ],
    'many empty objects' => [
        fn() => package($model(implode('', array_map(static fn(int $i): string => "<object id=\"$i\"/>", range(1, 60_000))), '')),
        'objects',
    ],
]);

it('says what a file seems to be instead, and what to do', function (string $bytes, string $words): void {
    expect(Guess::words($bytes, Formats::names(Formats::read())))
        ->toContain($words)
        ->and(fn() => MeshFile::read($bytes, Unit::Millimetre))
        ->toThrow(UnreadableFile::class);
})->with([
    // the first line as ISO 10303-21, clause 5.3, has it
    ["ISO-10303-21;\nHEADER;\n", 'solid-model exchange file'],
    ["  0\nSECTION\n  2\nHEADER\n", 'flat drawing (DXF)'],
    ['%PDF-1.7', 'a page (PDF)'],
    ["\x89PNG\r\n\x1a\n", 'a picture'],
    ["\xFF\xD8\xFF\xE0", 'a picture'],
    ['<?xml version="1.0"?><svg width="10"/>', 'flat drawing (SVG)'],
    ['<!DOCTYPE html><html>', 'web page'],
    ["; a print\nG28\nG1 X10 Y10 F900\n", 'instructions for a printer'],
    ["The gauge is 40 wide.\n", 'a text'],
    ['', 'empty'],
    ["\x00\x01\x02\x03", 'does not know'],
]);
