<?php

declare(strict_types=1);

/** @return array{int, string, string} exit status, output, errors */
function cubo(string ...$arguments): array
{
    $root = dirname(__DIR__, 2);
    $p = proc_open(["$root/cubo", ...$arguments], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes, $root);
    $out = [stream_get_contents($pipes[1]), stream_get_contents($pipes[2])];

    return [proc_close($p), ...$out];
}

function temporary(string $content, string $ending): string
{
    $path = sys_get_temp_dir() . '/cubo-test-' . bin2hex(random_bytes(6)) . $ending;
    file_put_contents($path, $content);

    return $path;
}

const PLATE_JSON = '{"format":"cubo-recipe/1","unit":"in","steps":[{"id":"s1","kind":"block","width":"2","depth":"1","height":"1/2"}]}';

it('builds, measures and checks without the browser', function (): void {
    $recipe = temporary(PLATE_JSON, '.json');
    $stl = sys_get_temp_dir() . '/cubo-test-' . bin2hex(random_bytes(6)) . '.stl';
    [$status, $out] = cubo('build', $recipe, '--out', $stl);
    expect($status)->toBe(0)->and($out)->toContain('12 triangles');

    [$status, $out] = cubo('measure', $recipe, '--json');
    $m = json_decode($out, true);
    expect($status)->toBe(0)->and($m['bodies'])->toBe(1)->and($m['closed'])->toBeTrue()
        ->and($m['volume'])->toEqualWithDelta(25.4 ** 3, 1e-6)
        ->and($m['area'])->toEqualWithDelta(2 * (2 + 1 + 0.5) * 25.4 ** 2, 1e-6)
        ->and($m['centroid'])->toEqualWithDelta([0, 0, 6.35], 1e-9)
        ->and($m['bounds'])->toEqual(['min' => [-25.4, -12.7, 0.0], 'max' => [25.4, 12.7, 12.7]]);

    // an STL file has no unit of its own
    [, $out] = cubo('measure', $stl, '--json');
    expect(json_decode($out, true)['source'])->toContain('STL taken as mm')->and(json_decode($out, true)['volume'])->toEqualWithDelta(25.4 ** 3, 0.01);
    [, $out] = cubo('measure', $stl, '--unit', 'in');
    expect($out)->toContain('STL taken as in');

    $exercise = fn (float $width) => temporary('{"format":"cubo-exercise/1","unit":"in","requirements":[{"kind":"size","label":"Width","nominal":' . $width . ',"tolerance":0.2,"where":{"axis":0}}]}', '.json');
    [$status, $out] = cubo('check', $exercise(50.8), $recipe);
    expect($status)->toBe(0)->and($out)->toContain('1 of 1 met');
    [$status, $out] = cubo('check', $exercise(60.0), $stl, '--json');
    expect($status)->toBe(1)->and(json_decode($out, true)['rows'][0]['status'])->toBe('off');
});

it('exits with 2 and one clear line when it cannot read', function (array $arguments, string $part): void {
    [$status, , $errors] = cubo(...$arguments);
    expect($status)->toBe(2)->and($errors)->toContain($part)->not->toContain('Stack trace')->not->toContain('PHP ');
})->with([
    'no file' => [['measure', '/nowhere/part.json'], 'cannot be read'],
    'no arguments' => [['measure'], 'usage'],
    'an unknown option' => [['measure', 'x.stl', '--loud'], 'no option'],
    'an unknown unit' => [['measure', 'x.stl', '--unit', 'ft'], '--unit is mm or in'],
    'a broken recipe' => [fn () => ['measure', temporary('{"format":', '.json')], 'not JSON'],
    'a broken STL file' => [fn () => ['measure', temporary('nonsense', '.stl')], 'not an STL file'],
    'a recipe as an exercise' => [fn () => ['check', temporary(PLATE_JSON, '.json'), temporary(PLATE_JSON, '.json')], 'not an exercise'],
    'nowhere to write' => [fn () => ['build', temporary(PLATE_JSON, '.json'), '--out', '/nowhere/x.stl'], 'cannot be written'],
    'an unknown ending' => [fn () => ['build', temporary(PLATE_JSON, '.json'), '--out', '/tmp/x.docx'], '--out ends in'],
    'an unknown verb' => [['melt'], 'there is no "melt"'],
]);

it('says when a recipe makes no part', function (): void {
    $empty = temporary('{"format":"cubo-recipe/1","unit":"mm","steps":[]}', '.json');
    $out = sys_get_temp_dir() . '/cubo-test-' . bin2hex(random_bytes(6)) . '.stl';
    [$status, , $errors] = cubo('build', $empty, '--out', $out);
    expect($status)->toBe(1)->and($errors)->toContain('makes no part')->and(is_file($out))->toBeFalse();
    [$status, $json] = cubo('measure', $empty, '--json');
    expect($status)->toBe(0)->and(json_decode($json, true))->toMatchArray(['bodies' => 0, 'closed' => false, 'bounds' => null]);
});

it('says which step does not work and still writes the last good part', function (): void {
    $recipe = temporary('{"format":"cubo-recipe/1","unit":"mm","steps":[{"id":"s1","kind":"block"},{"id":"s2","kind":"ball","round":"12..5"}]}', '.json');
    $out = sys_get_temp_dir() . '/cubo-test-' . bin2hex(random_bytes(6)) . '.3mf';
    [$status, , $errors] = cubo('build', $recipe, '--out', $out);
    expect($status)->toBe(1)->and($errors)->toContain('step s2')->toContain('decimal point')->and(filesize($out))->toBeGreaterThan(500);
});
