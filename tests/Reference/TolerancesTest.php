<?php

declare(strict_types=1);

use Cubo\Check\Exercise;
use Cubo\Check\ExerciseReader;
use Cubo\Check\Kind\Size\Angle;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Check\Tolerance\Fit;
use Cubo\Check\Tolerance\GeneralTolerances;
use Cubo\Check\Tolerance\Tolerance;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Tests\Parts;

// ISO 2768-1:1989, table 1 (values from memory): at both ends of every range and just past it
it('has the tolerances of lengths of ISO 2768-1', function (string $class, array $rows) {
    $sizes = [[0.5, 3], [3.01, 6], [6.01, 30], [30.01, 120], [120.01, 400], [400.01, 1000], [1000.01, 2000], [2000.01, 4000]];
    foreach ($sizes as $i => [$from, $to]) {
        expect(GeneralTolerances::from($class)->length($from))
            ->toBe($rows[$i], "$class $from")
            ->and(GeneralTolerances::from($class)->length($to))
            ->toBe($rows[$i], "$class $to");
    }
    expect(GeneralTolerances::from($class)->length(0.4))
        ->toBeNull()
        ->and(GeneralTolerances::from($class)->length(4001))
        ->toBeNull();
})->with([
    'fine' => ['f', [0.05, 0.05, 0.1, 0.15, 0.2, 0.3, 0.5, null]],
    'medium' => ['m', [0.1, 0.1, 0.2, 0.3, 0.5, 0.8, 1.2, 2.0]],
    'coarse' => ['c', [0.2, 0.3, 0.5, 0.8, 1.2, 2.0, 3.0, 4.0]],
    'very coarse' => ['v', [null, 0.5, 1.0, 1.5, 2.5, 4.0, 6.0, 8.0]],
]);

// ISO 2768-1:1989, tables 2 and 3 (values from memory)
it('has the tolerances of broken edges and angles of ISO 2768-1', function (string $class, array $edges, array $minutes) {
    $t = GeneralTolerances::from($class);
    expect(array_map($t->brokenEdge(...), [0.5, 3.0, 3.1, 6.0, 6.1, 100.0]))
        ->toBe([$edges[0], $edges[0], $edges[1], $edges[1], $edges[2], $edges[2]])
        ->and(
            array_map(static fn(float $l): float => round(60 * (float) $t->angle($l), 6), [
                0.1,
                10.0,
                10.1,
                50.0,
                50.1,
                120.0,
                120.1,
                400.0,
                401.0,
            ]),
        )
        ->toEqual([$minutes[0], $minutes[0], $minutes[1], $minutes[1], $minutes[2], $minutes[2], $minutes[3], $minutes[3], $minutes[4]]);
})->with([
    ['f', [0.2, 0.5, 1.0], [60, 30, 20, 10, 5]],
    ['m', [0.2, 0.5, 1.0], [60, 30, 20, 10, 5]],
    ['c', [0.4, 1.0, 2.0], [90, 60, 30, 15, 10]],
    ['v', [0.4, 1.0, 2.0], [180, 120, 60, 30, 20]],
]);

// ISO 286-2:2010, limit deviations in micrometres, upper and lower (values from memory of the printed tables, not worked
// out as the code does)
it('has the limits of holes and shafts of ISO 286-2', function (string $class, array $limits) {
    foreach ([3, 6, 10, 18, 30, 50, 80, 120] as $i => $size) {
        [$low, $high] = Fit::of($class, (float) $size) ?? [null, null];
        expect([(int) round(1000 * $high), (int) round(1000 * $low)])->toBe($limits[$i], "$class at $size");
    }
    expect(Fit::of($class, 121.0))->toBeNull()->and(Fit::of($class, 0.0))->toBeNull();
})->with([
    'H7' => ['H7', [[10, 0], [12, 0], [15, 0], [18, 0], [21, 0], [25, 0], [30, 0], [35, 0]]],
    'H8' => ['H8', [[14, 0], [18, 0], [22, 0], [27, 0], [33, 0], [39, 0], [46, 0], [54, 0]]],
    'H11' => ['H11', [[60, 0], [75, 0], [90, 0], [110, 0], [130, 0], [160, 0], [190, 0], [220, 0]]],
    'g6' => ['g6', [[-2, -8], [-4, -12], [-5, -14], [-6, -17], [-7, -20], [-9, -25], [-10, -29], [-12, -34]]],
    'h6' => ['h6', [[0, -6], [0, -8], [0, -9], [0, -11], [0, -13], [0, -16], [0, -19], [0, -22]]],
    'h9' => ['h9', [[0, -25], [0, -30], [0, -36], [0, -43], [0, -52], [0, -62], [0, -74], [0, -87]]],
    'f7' => ['f7', [[-6, -16], [-10, -22], [-13, -28], [-16, -34], [-20, -41], [-25, -50], [-30, -60], [-36, -71]]],
    'k6' => ['k6', [[6, 0], [9, 1], [10, 1], [12, 1], [15, 2], [18, 2], [21, 2], [25, 3]]],
    'p6' => ['p6', [[12, 6], [20, 12], [24, 15], [29, 18], [35, 22], [42, 26], [51, 32], [59, 37]]],
]);

it('reads a tolerance as it is typed', function (string $typed, float $lower, float $upper, string $text, Unit $unit = Unit::Millimetre) {
    $t = Tolerance::typed($typed, 25.0, $unit);
    expect([$t->lower, $t->upper])
        ->toEqualWithDelta([$lower, $upper], 1e-9)
        ->and($t->text($unit))
        ->toBe($text);
})->with([
    'plus and minus' => ['0.2', -0.2, 0.2, '±0.2'],
    'with its sign' => ['±0.2', -0.2, 0.2, '±0.2'],
    'unequal' => ['+0.1 -0.3', -0.3, 0.1, '+0.1 / −0.3'],
    'unequal, with a stroke' => ['+0.1/-0.3', -0.3, 0.1, '+0.1 / −0.3'],
    'limits' => ['24.8 to 25.1', -0.2, 0.1, '+0.1 / −0.2'],
    'a class' => ['m', -0.2, 0.2, '±0.2'],
    'a class with its standard' => ['ISO 2768-f', -0.1, 0.1, '±0.1'],
    'a fit' => ['H7', 0.0, 0.021, '+0.021 / 0'],
    'a shaft' => ['g6', -0.02, -0.007, '−0.007 / −0.02'],
    'in inches' => ['1/64', -25.4 / 64, 25.4 / 64, '±0.0156', Unit::Inch],
]);

it('holds within its limits and not beyond', function () {
    $t = Tolerance::typed('+0.1 -0.3', 25.0, Unit::Millimetre);
    expect(array_map($t->holds(...), [0.1, 0.11, 0.0, -0.3, -0.31]))->toBe([true, false, true, true, false]);
});

it('says in words what is no tolerance', function (string $typed, string $words) {
    expect(fn() => Tolerance::typed($typed, 25.0, Unit::Millimetre))->toThrow(UnreadableExpression::class, $words);
})->with([['H99', 'not in the table'], ['-0.2', 'below zero'], ['26 to 25', 'above the upper'], ['about', 'about']]);

// ISO 2768-1:1989: table 1 for lengths, table 2 for rounds and chamfers, table 3 for angles by their shorter side (values from memory)
it('takes the table that a requirement belongs to', function (
    string $kind,
    array $where,
    float $nominal,
    string $class,
    float $by,
    string $text,
): void {
    $r = ExerciseReader::requirement(['kind' => $kind, 'nominal' => $nominal, 'tolerance' => 0.2, 'where' => $where])->within(
        $class,
        Unit::Millimetre,
    );
    expect($r->tolerance)->toEqualWithDelta($by, 1e-9)->and($r->as)->toBe($class)->and($r->toleranceText(Unit::Millimetre))->toBe($text);
    // and as an exercise's own file it says the same
    $again = ExerciseReader::exercise((new Exercise(Unit::Millimetre, [$r]))->toJson())->requirements[0];
    expect($again->kind->isLength() ? $again->limits(Unit::Millimetre)->upper : $again->tolerance)->toEqualWithDelta($by, 1e-9);
})->with([
    ['size', ['axis' => 0], 40.0, 'm', 0.3, 'm ±0.3'],
    ['rounds', ['count' => 4], 5.0, 'm', 0.5, 'm ±0.5'],
    ['rounds', ['count' => 4], 8.0, 'c', 2.0, 'c ±2'],
    ['chamfers', ['count' => 2], 2.0, 'f', 0.2, 'f ±0.2'],
    ['angle', ['axis' => 2, 'nx' => 0.6, 'ny' => 0, 'nz' => 0.8, 'side' => 60.0], 36.87, 'm', 20 / 60, 'm ±0.33°'],
    ['angle', ['axis' => 2, 'nx' => 0.6, 'ny' => 0, 'nz' => 0.8, 'side' => 8.0], 36.87, 'v', 3.0, 'v ±3°'],
    ['taper', ['axis' => 2, 'u' => 0, 'v' => 0, 'side' => 130.0], 20.0, 'c', 15 / 60, 'c ±0.25°'],
]);

it('reads how long the sides of an angle are from the part', function (): void {
    // a wedge of 30 up and 40 back: its slanting face is 50 long
    $part = Parts::measure([['kind' => 'wedge', 'width' => '20', 'depth' => '40', 'height' => '30']]);
    $angle = array_values(
        array_filter(Proposer::propose($part, Unit::Millimetre), static fn(Requirement $r): bool => $r->kind instanceof Angle),
    )[0];
    expect($angle->number('side'))
        ->toEqualWithDelta(50.0, 1e-6)
        ->and($angle->within('m', Unit::Millimetre)->tolerance)
        ->toEqualWithDelta(0.5, 1e-9);
});
