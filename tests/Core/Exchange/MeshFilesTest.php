<?php

declare(strict_types=1);

use Cubo\Exchange\GlbFile;
use Cubo\Exchange\MeshFile;
use Cubo\Exchange\MeshRepair;
use Cubo\Exchange\MeshWelding;
use Cubo\Exchange\StlFile;
use Cubo\Exchange\ThreeMfFile;
use Cubo\Exchange\UnreadableFile;
use Cubo\Measure\MeshFaults;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Printing\Overhang;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;
use Tests\Parts;

/** An OBJ, PLY or 3MF model of a solid, in millimetres. */
function meshText(Solid $s, string $format): string
{
    $points = $faces = [];
    foreach ($s->x as $v => $x) {
        $points[] = [$x, $s->y[$v], $s->z[$v]];
    }
    foreach ($s->facet as $t => $_) {
        $faces[] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
    }
    $line = static fn(array $l): string => implode(' ', $l);
    $head = static fn(string $f): string => "ply\nformat $f 1.0\ncomment of a test\nelement vertex " .
        count($points) .
        "\nproperty float x\nproperty float y\nproperty double z\nproperty uchar red\nelement face " .
        count($faces) .
        "\nproperty list uchar int vertex_indices\nend_header\n";

    return match ($format) {
        'obj' => "# of a test\nmtllib none.mtl\n" .
            implode("\n", array_map(static fn(array $p): string => 'v ' . $line($p), $points)) .
            "\nvn 0 0 1\nusemtl wood\n" .
            implode(
                "\n",
                array_map(static fn(array $f): string => 'f ' . $line(array_map(static fn(int $i): string => $i + 1 . '//1', $f)), $faces),
            ) .
            "\n",
        'obj counted back' => implode("\r\n", array_map(static fn(array $p): string => 'v ' . $line($p), $points)) .
            "\r\n" .
            implode(
                "\r\n",
                array_map(
                    static fn(array $f): string => 'f ' . $line(array_map(static fn(int $i): int => $i - count($points), $f)),
                    $faces,
                ),
            ),
        'ply' => $head('ascii') .
            implode("\n", array_map(static fn(array $p): string => $line($p) . ' 200', $points)) .
            "\n" .
            implode("\n", array_map(static fn(array $f): string => '3 ' . $line($f), $faces)) .
            "\n",
        'ply little' => $head('binary_little_endian') .
            implode('', array_map(static fn(array $p): string => pack('ggeC', $p[0], $p[1], $p[2], 200), $points)) .
            implode('', array_map(static fn(array $f): string => pack('CVVV', 3, ...$f), $faces)),
        'ply big' => $head('binary_big_endian') .
            implode('', array_map(static fn(array $p): string => pack('GGEC', $p[0], $p[1], $p[2], 200), $points)) .
            implode('', array_map(static fn(array $f): string => pack('CNNN', 3, ...$f), $faces)),
        'stl' => StlFile::write($s),
        'stl text' => "solid of a test\n" .
            implode(
                "\n",
                array_map(
                    static fn(array $f): string => "facet normal 0 0 0\nouter loop\n" .
                        implode("\n", array_map(static fn(int $i): string => 'vertex ' . $line($points[$i]), $f)) .
                        "\nendloop\nendfacet",
                    $faces,
                ),
            ) .
            "\nendsolid of a test\n",
        default => ThreeMfFile::write($s),
    };
}

/** A 3MF package with a model of one's own. */
function package(string $model, string $name = '3D/3dmodel.model'): string
{
    $path = (string) tempnam(sys_get_temp_dir(), 'test');
    $zip = new ZipArchive();
    $zip->open($path, ZipArchive::OVERWRITE);
    $zip->addFromString($name, $model);
    $zip->close();
    $bytes = (string) file_get_contents($path);
    unlink($path);

    return $bytes;
}

$tetrahedron =
    '<vertices><vertex x="0" y="0" z="0"/><vertex x="3" y="0" z="0"/><vertex x="0" y="3" z="0"/><vertex x="0" y="0" z="3"/></vertices><triangles><triangle v1="0" v2="2" v3="1"/><triangle v1="0" v2="1" v3="3"/><triangle v1="0" v2="3" v3="2"/><triangle v1="1" v2="2" v3="3"/></triangles>';

it('reads the same part from every format', function (string $format) {
    $s = Parts::build([
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12', 'x' => '7'],
        ['kind' => 'cylinder', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
        ['kind' => 'ball', 'round' => '9', 'x' => '60', 'effect' => 'apart'],
    ])->part();
    [$mesh, $note] = MeshFile::read(meshText($s, $format), Unit::Millimetre);
    $m = new PartMeasures($mesh);
    expect($m->isClosed())
        ->toBeTrue()
        ->and($m->bodyCount())
        ->toBe(2)
        ->and($mesh->facettedVolume() / $s->facettedVolume())
        ->toEqualWithDelta(1.0, 1e-5)
        ->and($note)
        ->toStartWith(strtoupper(substr($format, 0, 3)));
    if ($format !== '3mf') {
        expect(MeshFile::read(meshText($s, $format), Unit::Inch)[0]->facettedVolume() / $s->facettedVolume() / 25.4 ** 3)->toEqualWithDelta(
            1.0,
            1e-5,
        );
    }
})->with(['obj', 'obj counted back', 'ply', 'ply little', 'ply big', 'stl', 'stl text', '3mf']);

it('says of a binary STL that ends too early how much is there, and minds no bytes behind its end', function (): void {
    $bytes = StlFile::write(Parts::build([['kind' => 'block']])->part());
    expect(fn() => MeshFile::read(substr($bytes, 0, 84 + 50 * 7 + 11), Unit::Millimetre))
        ->toThrow(UnreadableFile::class, 'it should hold 12 triangles and holds 7')
        ->and(MeshFile::read("$bytes made by nobody", Unit::Millimetre)[0]->triangleCount())
        ->toBe(12);
});

it('cuts faces with more corners into fans', function () {
    $cube =
        "v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nv 0 0 1\nv 1 0 1\nv 1 1 1\nv 0 1 1\nf 4 3 2 1\nf 5 6 7 8\nf 1 2 6 5\nf 2 3 7 6\nf 3 4 8 7\nf 4 1 5 8\n";
    expect(MeshFile::read($cube, Unit::Millimetre)[0]->facettedVolume())->toEqualWithDelta(1.0, 1e-12);
});

it('welds corners on both sides of nought', function () {
    $cube = "v 0 0 0\nv 1 -0.0 0\nv 1 1 -1e-12\nv 0 1 0\nv 0 0 1\nv 1 1e-13 1\nv 1 1 1\nv 0 1 1\nv -1e-13 -1e-13 -0\nv 1 0 1e-13\n";
    $s = MeshFile::read($cube . "f 4 3 2 1\nf 5 6 7 8\nf 9 10 6 5\nf 2 3 7 6\nf 3 4 8 7\nf 4 9 5 8\n", Unit::Millimetre)[0];
    expect((new PartMeasures($s))->isClosed())->toBeTrue()->and(count($s->x))->toBe(8);
});

it('takes the unit and the transforms that a 3MF model states', function (string $unit, float $mm) use ($tetrahedron) {
    $model = "<model unit=\"$unit\" xmlns=\"http://schemas.microsoft.com/3dmanufacturing/core/2015/02\"><resources><object id=\"1\"><mesh>$tetrahedron</mesh></object><object id=\"2\"><components><component objectid=\"1\"/><component objectid=\"1\" transform=\"2 0 0 0 2 0 0 0 2 10 0 0\"/></components></object></resources><build><item objectid=\"2\" transform=\"1 0 0 0 1 0 0 0 1 0 0 5\"/></build></model>";
    [$s] = MeshFile::read(package($model), Unit::Inch);
    expect($s->facettedVolume() / $mm ** 3)
        ->toEqualWithDelta(4.5 + 36.0, 1e-9)
        ->and(array_map(static fn(float $v): float => $v / $mm, $s->vertexBox()))
        ->toEqualWithDelta([0.0, 0.0, 5.0, 16.0, 6.0, 11.0], 1e-9);
})->with([['millimeter', 1.0], ['inch', 25.4], ['centimeter', 10.0], ['micron', 0.001], ['foot', 304.8], ['meter', 1000.0]]);

it('refuses in words what is no mesh, or more than one', function (Closure $bytes, string $words) {
    expect(fn() => MeshFile::read($bytes(), Unit::Millimetre))->toThrow(UnreadableFile::class, $words);
})->with([
    'nothing' => [fn() => '', 'is empty'],
    'a face of two corners' => [fn() => "v 0 0 0\nv 1 0 0\nf 1 2\n", 'fewer than three'],
    'a face of corners that are not there' => [fn() => "v 0 0 0\nv 1 0 0\nf 1 2 9\n", 'not there'],
    'a corner before the first' => [fn() => "v 0 0 0\nv 1 0 0\nf -9 1 2\n", 'names no corner'],
    'no numbers' => [fn() => "v 0 0 0\nv a b c\nf 1 2 3\n", 'no number'],
    'no faces' => [fn() => "v 0 0 0\nv 1 0 0\nv 0 1 0\n", 'no triangles'],
    'a corner in infinity' => [fn() => "v 0 0 0\nv 1e300 0 0\nv 0 1 0\nf 1 2 3\n", 'no coordinate'],
    'a PLY header without end' => [fn() => "ply\nformat ascii 1.0\n", 'header'],
    'a PLY of a type nobody knows' => [
        fn() => "ply\nformat ascii 1.0\nelement vertex 1\nproperty quad x\nend_header\n",
        'type that is not known',
    ],
    'a PLY that ends early' => [
        fn() => "ply\nformat binary_little_endian 1.0\nelement vertex 3\nproperty float x\nproperty float y\nproperty float z\nend_header\nabc",
        'ends too early',
    ],
    'a PLY that promises too much' => [
        fn() => "ply\nformat ascii 1.0\nelement vertex 99999999\nproperty float x\nproperty float y\nproperty float z\nend_header\n1 2 3 4",
        'ends too early',
    ],
    'a package of something else' => [fn() => package('hello', 'hello.txt'), 'not one of a part'],
    'half a package' => [fn() => substr(package('x'), 0, 30), 'not one of a part'],
    'a model that does not end' => [fn() => package('<model><resources><object id="1"><mesh>'), 'damaged'],
    'entities of another file' => [
        fn() => package('<!DOCTYPE m [<!ENTITY x SYSTEM "file:///etc/passwd">]><model>&x;</model>'),
        'document type',
    ],
    'entities that grow' => [
        fn() => package(
            '<?xml version="1.0"?>' . str_repeat(' ', 5000) . '<!DOCTYPE m [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><model>&b;</model>',
        ),
        'document type',
    ],
    'a unit nobody knows' => [fn() => package('<model unit="ell"/>'), 'unit'],
    'an object in itself' => [
        fn() => package(
            '<model><resources><object id="1"><components><component objectid="1"/></components></object></resources><build><item objectid="1"/></build></model>',
        ),
        'without end',
    ],
    'an object that is not there' => [fn() => package('<model><build><item objectid="7"/></build></model>'), 'not there'],
    'a package that unpacks without end' => [fn() => package(str_repeat(' ', 81_000_000)), 'unpacks to more'],
]);

it('leaves no temporary file behind when it refuses', function () {
    $files = static fn(): array => glob(sys_get_temp_dir() . '/cubo*') ?: [];
    $before = $files();
    try {
        MeshFile::read(package('hello', 'hello.txt'), Unit::Millimetre);
    } catch (UnreadableFile) {
        // meant
    }
    expect($files())->toBe($before);
});

it('survives damaged files of every format with words alone', function (string $format) {
    mt_srand(crc32($format));
    $whole = meshText(
        Parts::build([['kind' => 'block'], ['kind' => 'cylinder', 'length' => '30', 'z' => '-5', 'effect' => 'cut']])->part(),
        $format,
    );
    // DAMAGED=2000 for a long run
    $many = (int) (getenv('DAMAGED') ?: 120);
    set_error_handler(
        static fn(int $n, string $what, string $file, int $line): never => throw new ErrorException($what, 0, $n, $file, $line),
    );
    $before = memory_get_usage();
    memory_reset_peak_usage();
    for ($i = 0; $i < $many; $i++) {
        $bytes = $whole;
        for ($k = mt_rand(1, 6); $k > 0; $k--) {
            $at = mt_rand(0, strlen($bytes) - 1);
            $bytes = match (mt_rand(0, 3)) {
                0 => substr($bytes, 0, max(1, $at)),
                1 => substr_replace($bytes, chr(mt_rand(0, 255)), $at, 1),
                2 => substr_replace($bytes, (string) mt_rand(), $at, mt_rand(0, 4)),
                default => substr($bytes, 0, $at) . substr($bytes, $at, 40) . substr($bytes, $at),
            };
        }
        try {
            $mesh = MeshFile::read($bytes, Unit::Millimetre)[0];
            expect($mesh)->toBeInstanceOf(Solid::class);
            // whatever it is by now, it can be described, mended or not, recognised and measured
            MeshFaults::of($mesh);
            MeshRepair::of($mesh);
            $known = SurfaceRecognition::of($mesh);
            $m = new PartMeasures($known);
            expect($m->features()->flats)
                ->toBeArray()
                ->and($m->isClosed())
                ->toBeBool()
                ->and(Overhang::area($known))
                ->toBeGreaterThanOrEqual(0.0);
            GlbFile::write($known);
        } catch (UnreadableFile $e) {
            expect($e->getMessage())->not->toBe('');
        }
    }
    restore_error_handler();
    // a number that was damaged into a large one takes no more room than a small one
    expect(memory_get_peak_usage() - $before)->toBeLessThan(60_000_000);
})->with(['obj', 'ply', 'ply little', 'ply big', 'stl', 'stl text', '3mf']);

it('takes no more triangles than it can work on', function () {
    $w = new MeshWelding();
    for ($i = 0; $i < MeshWelding::MOST_TRIANGLES; $i++) {
        $w->triangle(0, 1, 2);
    }
    expect(fn() => $w->triangle(0, 1, 2))->toThrow(UnreadableFile::class, 'more than 500 000');
});
