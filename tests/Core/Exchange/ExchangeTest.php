<?php

declare(strict_types=1);

use Cubo\Exchange\GlbFile;
use Cubo\Exchange\StlFile;
use Cubo\Exchange\ThreeMfFile;
use Cubo\Exchange\UnreadableFile;
use Cubo\Measure\PartMeasures;
use Tests\Parts;
use Tests\Soundness;

const DRILLED = [
    ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10'],
    ['kind' => 'cylinder', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
];

it('writes STL that it reads back as a closed solid of the same volume', function (): void {
    $s = Parts::build(DRILLED)->part();
    $back = StlFile::read(StlFile::write($s));
    expect(Soundness::faults($back))
        ->toBe([])
        ->and($back->triangleCount())
        ->toBe($s->triangleCount())
        ->and($back->facettedVolume())
        ->toEqualWithDelta($s->facettedVolume(), 1e-6 * $s->facettedVolume());
});

it('has the size that its header says', function (): void {
    $bytes = StlFile::write(Parts::build(DRILLED)->part());
    expect(strlen($bytes))
        ->toBe(84 + 50 * unpack('V', substr($bytes, 80, 4))[1])
        ->and(str_starts_with($bytes, 'solid'))
        ->toBeFalse();
});

it('scales an STL file in inches', function (): void {
    $bytes = StlFile::write(Parts::build([['kind' => 'block', 'width' => '1', 'depth' => '1', 'height' => '1']])->part());
    expect(StlFile::read($bytes, 25.4)->facettedVolume())->toEqualWithDelta(25.4 ** 3, 1e-3);
});

it('reads text STL', function (): void {
    $corners = [[0, 0, 0], [1, 0, 0], [0, 1, 0], [0, 0, 1]];
    $text = "solid tetra\n";
    foreach ([[0, 2, 1], [0, 1, 3], [0, 3, 2], [1, 2, 3]] as $t) {
        $text .=
            "facet normal 0 0 0\nouter loop\n" .
            implode('', array_map(fn($i) => 'vertex ' . implode(' ', $corners[$i]) . "\n", $t)) .
            "endloop\nendfacet\n";
    }
    expect(StlFile::read($text . 'endsolid')->facettedVolume())->toEqualWithDelta(1 / 6, 1e-12);
});

it('tells an open mesh from a closed one', function (): void {
    $bytes = StlFile::write(Parts::build(DRILLED)->part());
    $n = unpack('V', substr($bytes, 80, 4))[1];
    $open = substr($bytes, 0, 80) . pack('V', $n - 1) . substr($bytes, 84, 50 * ($n - 1));
    expect((new PartMeasures(StlFile::read($open)))->isClosed())->toBeFalse();
});

it('refuses what is no STL file and says why', function (string $bytes): void {
    expect(fn() => StlFile::read($bytes))->toThrow(UnreadableFile::class);
})->with([
    'nothing' => [''],
    'text' => ['hello'],
    'cut short' => [str_repeat("\0", 80) . pack('V', 3) . 'abc'],
    'no triangles' => ["solid x\nendsolid x"],
    'letters as numbers' => ["solid x\nfacet\nouter loop\nvertex a b c\nvertex 0 0 0\nvertex 1 0 0\nendloop\nendfacet\nendsolid"],
    'half a triangle' => ["solid x\nouter loop\nvertex 0 0 0\nvertex 1 0 0\n"],
    'not a number' => [str_repeat("\0", 80) . pack('V', 1) . pack('g12', ...array_fill(0, 12, NAN)) . "\0\0"],
]);

it('writes 3MF as a package with one object a body', function (): void {
    $s = Parts::build([...DRILLED, ['kind' => 'ball', 'round' => '5', 'x' => '60']])->part();
    $bytes = ThreeMfFile::write($s, 'Foot & <plate>');
    $path = tempnam(sys_get_temp_dir(), 'cubo');
    file_put_contents($path, $bytes);
    $zip = new ZipArchive();
    expect($zip->open($path))->toBeTrue();
    $model = simplexml_load_string((string) $zip->getFromName('3D/3dmodel.model'));
    expect($zip->getFromName('[Content_Types].xml'))
        ->toContain('model+xml')
        ->and((string) $model['unit'])
        ->toBe('millimeter')
        ->and(count($model->resources->object))
        ->toBe(2)
        ->and(count($model->build->item))
        ->toBe(2)
        ->and((string) $model->metadata)
        ->toBe('Foot & <plate>');
    $zip->close();
    unlink($path);
});

it('gives the same bytes for the same part', function (): void {
    $s = Parts::build(DRILLED)->part();
    expect(sha1(ThreeMfFile::write($s)))
        ->toBe(sha1(ThreeMfFile::write($s)))
        ->and(sha1(StlFile::write($s)))
        ->toBe(sha1(StlFile::write($s)))
        ->and(sha1(GlbFile::write($s)))
        ->toBe(sha1(GlbFile::write($s)));
});

it('leaves no temporary file behind', function (): void {
    $before = count(glob(sys_get_temp_dir() . '/cubo*') ?: []);
    ThreeMfFile::write(Parts::build(DRILLED)->part());
    expect(count(glob(sys_get_temp_dir() . '/cubo*') ?: []))->toBe($before);
});

it('names the faces in glTF', function (): void {
    $glb = GlbFile::write(Parts::build(DRILLED)->part());
    $json = json_decode(substr($glb, 20, unpack('V', substr($glb, 12, 4))[1]), true);
    expect($json['meshes'][0]['primitives'][0]['extras']['faces'])->toContain('s1:top', 's2:side');
});
