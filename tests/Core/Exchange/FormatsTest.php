<?php

declare(strict_types=1);

use Cubo\Exchange\Format\Format;
use Cubo\Exchange\Format\Formats;
use Cubo\Exchange\Format\Reads;
use Cubo\Exchange\Format\StlText;
use Cubo\Exchange\Format\Writes;
use Cubo\Exchange\StlFile;
use Cubo\Measure\Bodies;
use Tests\Parts;

it('lists every file of a format, with endings of its own', function (): void {
    $files = array_map(
        static fn(string $f): string => basename($f, '.php'),
        glob(dirname(__DIR__, 3) . '/core/Exchange/Format/*.php') ?: [],
    );
    $listed = array_map(static fn(Format $f): string => substr((string) strrchr($f::class, '\\'), 1), Formats::all());
    expect(array_diff($files, $listed))
        ->toEqualCanonicalizing(['Format', 'Formats', 'Reads', 'Writes'])
        ->and(Formats::endings(Formats::all()))
        ->toHaveCount(array_sum(array_map(static fn(Format $f): int => count($f->endings()), Formats::all())));
    foreach (Formats::all() as $f) {
        expect($f instanceof Reads || $f instanceof Writes)
            ->toBeTrue()
            ->and($f->name())
            ->not->toBe('')
            ->and($f->type())
            ->toStartWith('model/');
    }
});

it('reads what it writes, told by what it holds', function (Format $f): void {
    $s = Parts::build([
        ['kind' => 'block', 'width' => '30.5', 'depth' => '20', 'height' => '10'],
        ['kind' => 'block', 'width' => '5', 'depth' => '5', 'height' => '5', 'x' => '40', 'effect' => 'apart'],
    ])->part();
    assert($f instanceof Writes);
    $bytes = $f->write($s, 'solid part of a vane');
    $knows = array_values(array_filter(Formats::read(), static fn(Reads $r): bool => $r->knows($bytes)));
    expect($bytes)->toBe($f->write($s, 'solid part of a vane'));
    if ($knows !== []) {
        $back = $knows[0]->read($bytes, 1.0, null);
        expect($back->facettedVolume())
            ->toEqualWithDelta(6225.0, 1e-3)
            ->and($back->triangleCount())
            ->toBe($s->triangleCount())
            ->and(Bodies::of($back))
            ->toHaveCount(2);
    } else {
        expect($f instanceof Reads)->toBeFalse();
    }
})->with(fn() => array_map(static fn(Format $f): array => [$f], Formats::written()));

it('chooses the format by the name of a file, the longest ending first', function (): void {
    foreach (Formats::written() as $f) {
        expect(Formats::writtenAs('a/plate.v2.' . strtoupper($f->ending())))->toBe($f);
    }
    expect(Formats::writtenAs('plate.doc'))
        ->toBeNull()
        ->and(Formats::writtenAs('plate'))
        ->toBeNull()
        ->and(Formats::names(Formats::read()))
        ->toMatch('/^[A-Z0-9]+(, [A-Z0-9]+)* or [A-Z0-9]+$/');
});

it('writes STL as text that people can read', function (): void {
    $s = Parts::build([['kind' => 'block', 'width' => '30.5', 'depth' => '20', 'height' => '10']])->part();
    $text = (new StlText())->write($s, 'Fuß, "vane" 2');
    expect($text)
        ->toStartWith("solid Fu vane 2\n  facet normal ")
        ->toEndWith("  endfacet\nendsolid Fu vane 2\n")
        ->and(substr_count($text, 'endloop'))
        ->toBe(12)
        ->and($text)
        ->toMatch('/^      vertex [-\d.]+e[+-]\d+ [-\d.]+e[+-]\d+ [-\d.]+e[+-]\d+$/m')
        ->toContain('1.52500000e+1')
        ->and(StlFile::read($text)->facettedVolume())
        ->toEqualWithDelta(6100.0, 1e-6);
});

it('has documentation that follows from the list', function (): void {
    $is = (string) file_get_contents(dirname(__DIR__, 3) . '/docs/formats.md');
    expect(Formats::page($is))->toBe($is, 'docs/formats.md is not what ./cubo schema writes');
});
