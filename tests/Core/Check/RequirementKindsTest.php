<?php

declare(strict_types=1);

use Cubo\Check\ExerciseReader;
use Cubo\Check\Kind\ExerciseDocs;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Kinds;
use Cubo\Check\Kind\LimitUnit;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Sort;
use Cubo\Quantity\Unit;

/** A requirement of a kind that says just what it must. @return array<string, mixed> */
function leastOf(Kind $kind): array
{
    $words = ['step' => 'mirror', 'size' => 'w', 'becomes' => '40', 'from' => 'face', 'to' => 'face'];
    $where = array_combine($kind->needs(), array_map(static fn(string $key): string|int => $words[$key] ?? 1, $kind->needs()));

    return ['kind' => $kind->id(), 'nominal' => 3, 'tolerance' => 0.5, 'where' => $where];
}

it('lists every file of a kind, and each is measured', function (): void {
    $root = dirname(__DIR__, 3) . '/core/Check/Kind';
    $files = array_map(
        static fn(string $f): string => strtolower((string) preg_replace('/(?<!^)[A-Z]/', '-$0', basename($f, '.php'))),
        glob("$root/*/*.php") ?: [],
    );
    // what several share is no kind of its own
    expect(array_keys(Kinds::all()))->toEqualCanonicalizing(array_values(array_diff($files, ['at-place'])));
    foreach (Kinds::all() as $kind) {
        expect($kind)->toBeInstanceOf(Measured::class);
    }
    expect(fn() => Kinds::of('nothing'))->toThrow(InvalidArgumentException::class);
});

it('reads and writes a requirement of every kind, and misses what it must say', function (Kind $kind): void {
    $r = ExerciseReader::requirement(leastOf($kind));
    expect($r->kind)
        ->toBe($kind)
        ->and($r->askedText(Unit::Millimetre))
        ->not->toBe('')
        ->and(ExerciseReader::requirement($r->toArray()))
        ->toEqual($r)
        ->and($r->toleranceText(Unit::Millimetre) !== '')
        ->toBe($kind->hasTolerance());
    foreach ($kind->needs() as $key) {
        $less = leastOf($kind);
        unset($less['where'][$key]);
        expect(fn() => ExerciseReader::requirement($less))->toThrow(Cubo\Check\UnreadableExercise::class, $key);
    }
})->with(fn() => array_map(static fn(Kind $k): array => [$k], Kinds::all()));

it('has documentation that follows from the kinds', function (string $file, Closure $write): void {
    $is = (string) file_get_contents(dirname(__DIR__, 3) . "/docs/$file");
    expect($write($is))->toBe($is, "docs/$file is not what ./cubo schema writes");
})->with(['the schema' => ['exercise.schema.json', ExerciseDocs::schema(...)], 'the page' => ['checks.md', ExerciseDocs::page(...)]]);

it('names every kind on the page about checks, with how it is measured', function (): void {
    $page = (string) file_get_contents(dirname(__DIR__, 3) . '/docs/checks.md');
    // what is written by hand, without the list that follows from the kinds
    $table = (string) preg_replace('/<!-- kinds:.*?<!-- \/kinds -->/s', '', $page);
    expect(array_filter(array_keys(Kinds::all()), static fn(string $id): bool => !str_contains($table, "`$id`")))->toBe([]);
});

it('reads and shows limits in the units people type', function (
    LimitUnit $of,
    string $typed,
    Unit $unit,
    float $value,
    string $shown,
    string $sign,
): void {
    expect($of->read($typed, $unit))
        ->toEqualWithDelta($value, 1e-9)
        ->and($of->shown($value, $unit))
        ->toBe($shown)
        ->and($of->sign($unit))
        ->toBe($sign);
})->with([
    'a length' => [LimitUnit::Length, '3/2', Unit::Millimetre, 1.5, '1.5', ''],
    'a length in inches' => [LimitUnit::Length, '1/8', Unit::Inch, 3.175, '0.125', ''],
    'an area in square inches' => [LimitUnit::Area, '2', Unit::Inch, 1290.32, '2', ' in²'],
    'degrees' => [LimitUnit::Degrees, '10°', Unit::Millimetre, 10.0, '10', '°'],
    'percent' => [LimitUnit::Percent, '98 %', Unit::Millimetre, 98.0, '98', ' %'],
    'a count' => [LimitUnit::Count, '7', Unit::Millimetre, 7.0, '7', ''],
]);

it('has a heading in words for all, and no tolerance where none can be', function (): void {
    foreach (Heading::cases() as $h) {
        expect($h->label())
            ->not->toBe('')
            ->and(array_filter(Kinds::all(), static fn(Kind $k): bool => $k->heading() === $h))
            ->not->toBe([]);
    }
    expect(array_map(static fn(Sort $s): bool => $s->hasTolerance(), Sort::cases()))->toBe([true, true, true, true, false]);
});
