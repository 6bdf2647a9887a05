<?php

declare(strict_types=1);

use Cubo\Exchange\GlbFile;
use Cubo\Exchange\StlFile;
use Cubo\Exchange\ThreeMfFile;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\RecipeReader;
use Cubo\Solid\Solid;
use Tests\Outside;
use Tests\Parts;

/*
 * Files are read back by outside readers: the STL and 3MF loaders of three.js 0.187.0 and the glTF validator of the
 * Khronos Group (npm gltf-validator 2.0.0-dev.3.10, for the glTF 2.0 specification, ISO/IEC 12113:2022).
 */

/** @return array<string, array{Solid}> */
function exported(): array
{
    $out = [
        'two bodies' => [
            Parts::build([
                ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10'],
                ['kind' => 'ball', 'round' => '9', 'x' => '60'],
            ])->part(),
        ],
    ];
    foreach (glob(dirname(__DIR__, 2) . '/docs/examples/*.json') ?: [] as $file) {
        if (!str_contains((string) file_get_contents($file), 'cubo-recipe')) {
            continue;
        }
        $out[basename($file)] = [(new Evaluator())->evaluate(RecipeReader::fromJson((string) file_get_contents($file)))->part()];
    }

    return $out;
}

it('writes STL that an outside reader takes for the same part', function (Solid $s): void {
    $read = Outside::read('read.mjs', StlFile::write($s), '.stl');
    expect($read['triangles'])
        ->toBe($s->triangleCount())
        ->and($read['volume'])
        ->toEqualWithDelta($s->facettedVolume(), 1e-5 * $s->facettedVolume())
        ->and([...$read['min'], ...$read['max']])
        ->toEqualWithDelta($s->vertexBox(), 1e-4);
})->with(exported(...));

it('writes 3MF that an outside reader takes for the same part', function (Solid $s): void {
    $read = Outside::read('read.mjs', ThreeMfFile::write($s), '.3mf');
    expect($read['triangles'])
        ->toBe($s->triangleCount())
        ->and($read['volume'])
        ->toEqualWithDelta($s->facettedVolume(), 1e-5 * $s->facettedVolume())
        ->and($read['bodies'])
        ->toBe(count(\Cubo\Measure\Bodies::of($s)));
})->with(exported(...));

it('writes glTF that the validator accepts', function (Solid $s): void {
    $report = Outside::read('gltf.mjs', GlbFile::write($s), '.glb');
    expect($report['errors'])->toBe(0, (string) json_encode($report['messages']))->and($report['triangles'])->toBe($s->triangleCount());
})->with(exported(...));

it('writes an empty scene for an empty part', function (): void {
    expect(Outside::read('gltf.mjs', GlbFile::write(new Solid()), '.glb')['errors'])->toBe(0);
});
