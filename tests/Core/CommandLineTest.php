<?php

declare(strict_types=1);

use Cubo\Exchange\StlFile;
use Tests\Parts;

/** @param list<string> $arguments @return array{int, string, string} exit code, what it says, and what it complains about */
function cubo(array $arguments): array
{
    $p = proc_open([PHP_BINARY, dirname(__DIR__, 2) . '/bin/model.php', ...$arguments], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes);
    [$out, $err] = [(string) stream_get_contents($pipes[1]), (string) stream_get_contents($pipes[2])];

    return [proc_close($p), $out, $err];
}

beforeEach(function (): void {
    $this->folder = sys_get_temp_dir() . '/cubo-cli-' . bin2hex(random_bytes(4));
    mkdir($this->folder);
    $this->plate = Parts::recipe([
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
        ['kind' => 'cylinder', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
        ['kind' => 'cylinder', 'round' => '6', 'length' => '9', 'x' => '20', 'z' => '12'],
    ]);
    file_put_contents("{$this->folder}/plate.json", $this->plate->toJson());
    $this->part = (new Cubo\Recipe\Evaluator())->evaluate($this->plate)->part();
});
afterEach(function (): void {
    array_map(unlink(...), glob("{$this->folder}/*") ?: []);
    rmdir($this->folder);
});

it('measures features, symmetry and how a part prints, of a recipe and of a file', function (): void {
    file_put_contents("{$this->folder}/plate.stl", StlFile::write($this->part));
    foreach (['json', 'stl'] as $ending) {
        [$code, $out] = cubo(['measure', "{$this->folder}/plate.$ending", '--json']);
        $m = json_decode($out, true);
        expect($code)
            ->toBe(0)
            ->and($m['holes'])
            ->toHaveCount(1)
            ->and($m['holes'][0]['diameter'])
            ->toEqualWithDelta(8.0, 0.008)
            ->and($m['holes'][0]['through'])
            ->toBeTrue()
            ->and($m['holes'][0]['depth'])
            ->toEqualWithDelta(12.0, 1e-4)
            ->and(array_map(static fn(float $v): float => abs(round($v, 4)), $m['holes'][0]['axis']['direction']))
            ->toEqual([0.0, 0.0, 1.0])
            ->and($m['bosses'])
            ->toHaveCount(1)
            ->and($m['bosses'][0]['diameter'])
            ->toEqualWithDelta(6.0, 0.006)
            ->and($m['symmetry'])
            ->toBe(['x' => false, 'y' => true, 'z' => false])
            ->and($m['shells'])
            ->toBe(1)
            ->and($m['problems'])
            ->toBe([])
            ->and($m['print']['overhangArea'])
            ->toEqualWithDelta(0.0, 1e-6)
            ->and($m['print']['baseArea'])
            ->toEqualWithDelta(2400 - 16 * M_PI, $ending === 'json' ? 1e-6 : 0.5)
            ->and($m['print']['islands'])
            ->toBe(0)
            ->and($m['print']['minWall'])
            ->toBeGreaterThan(5.0);
    }
});

it('tells what is wrong with an open mesh', function (): void {
    file_put_contents("{$this->folder}/open.obj", "v 0 0 0\nv 9 0 0\nv 0 9 0\nv 0 0 9\nf 1 3 2\nf 1 2 4\nf 1 4 3\n");
    [$code, $out] = cubo(['measure', "{$this->folder}/open.obj", '--json']);
    $m = json_decode($out, true);
    expect($code)
        ->toBe(0)
        ->and($m['closed'])
        ->toBeFalse()
        ->and($m['problems'][0]['kind'])
        ->toBe('open')
        ->and($m['problems'][0]['count'])
        ->toBe(3)
        ->and($m['source'])
        ->toBe('OBJ taken as mm');
});

it('checks a folder, a line for each model, and goes on past what cannot be read', function (): void {
    $sheet = [
        'format' => 'cubo-exercise/1',
        'unit' => 'mm',
        'requirements' => [
            ['kind' => 'size', 'label' => 'Width', 'nominal' => 60, 'tolerance' => 0.2, 'points' => 2, 'where' => ['axis' => 0]],
        ],
    ];
    file_put_contents("{$this->folder}/sheet.json", (string) json_encode($sheet));
    file_put_contents("{$this->folder}/=cmd.stl", StlFile::write($this->part->scaled(1 / 25.4, 1 / 25.4, 1 / 25.4)));
    file_put_contents("{$this->folder}/broken.ply", 'ply');
    [$code, $out] = cubo(['check', "{$this->folder}/sheet.json", $this->folder, '--csv']);
    $rows = array_map(static fn(string $l): array => str_getcsv($l, ',', '"', ''), array_filter(explode("\n", $out)));
    expect($code)
        ->toBe(1)
        ->and(array_column($rows, 0))
        ->toEqualCanonicalizing(['file', "'=cmd.stl", 'broken.ply', 'plate.json']);
    $by = array_column($rows, null, 0);
    expect(array_slice($by['plate.json'], 1, 6))
        ->toBe(['1', '1', '2', '2', '', 'Met'])
        ->and($by["'=cmd.stl"][5])
        ->toBe('One size in the wrong unit')
        ->and($by["'=cmd.stl"][1])
        ->toBe('0')
        ->and($by['broken.ply'][array_key_last($by['broken.ply'])])
        ->toContain('STL')
        ->and(cubo(['check', "{$this->folder}/sheet.json", $this->folder])[0])
        ->toBe(2);
});

it('names the likely slip, with the reference part where the exercise carries it', function (): void {
    $steps = [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '30', 'x' => '-15', 'z' => '-5', 'effect' => 'cut'],
        [
            'kind' => 'block',
            'from' => 'corner',
            'width' => '20',
            'depth' => '40',
            'height' => '6',
            'x' => '10',
            'y' => '-20',
            'z' => '6',
            'effect' => 'cut',
        ],
    ];
    $recipe = Tests\Parts::recipe($steps);
    $asked = Cubo\Check\Exercise::lettered(Cubo\Check\Proposer::propose(Tests\Parts::measure($steps), Cubo\Quantity\Unit::Millimetre));
    file_put_contents(
        "{$this->folder}/sheet.json",
        (new Cubo\Check\Exercise(Cubo\Quantity\Unit::Millimetre, $asked, 'Plate', false, $recipe))->toJson(),
    );
    file_put_contents(
        "{$this->folder}/turned.stl",
        StlFile::write(Tests\Parts::build($steps)->part()->moved(Cubo\Geometry\Transform::rotation(2, 90))),
    );
    [$code, $out] = cubo(['check', "{$this->folder}/sheet.json", "{$this->folder}/turned.stl", '--json']);
    expect($code)
        ->toBe(1)
        ->and(json_decode($out, true)['findings'][0])
        ->toMatchArray(['slip' => 'turned'])
        ->and(cubo(['check', "{$this->folder}/sheet.json", "{$this->folder}/turned.stl"])[1])
        ->toContain('Probably: The part lies another way (very likely).');
});
