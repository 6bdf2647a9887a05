<?php

declare(strict_types=1);

use Cubo\Measure\FaceArea;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Measurement;
use Tests\Parts;

/** @param list<string> $names @return array<string, string> */
function read(array $steps, array $names, Unit $unit = Unit::Millimetre): array
{
    $m = Measurement::of(Parts::build($steps, $unit->value)->part(), $names, $unit);

    return $m->problem === '' ? array_column($m->rows, 1, 0) : ['problem' => $m->problem];
}

$plate = [
    ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '10'],
    ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'u' => '-20', 'v' => '5', 'round' => '8'],
    ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'u' => '10', 'v' => '-5', 'by' => 'radius', 'round' => '3'],
];

it('reads one thing', function (array|string $names, array $rows) use ($plate) {
    $got = read($plate, (array) $names);
    foreach ($rows as $label => $value) {
        expect($got[$label] ?? 'not read')->toBe($value, $label);
    }
})->with([
    'a wall of a hole' => ['s2:wall', ['diameter' => '8.00 mm', 'radius' => '4.00 mm', 'depth' => '10.00 mm', 'area' => '251 mm²']],
    'a face' => ['s1:front', ['area' => '600 mm²', 'wall behind its middle' => '40.00 mm']],
    'an edge' => ['s1:front / s1:top', ['length' => '60.00 mm']],
    'a round edge' => ['s1:top / s2:wall', ['diameter' => '8.00 mm', 'length' => '25.13 mm']],
    'a corner' => [
        's1:back / s1:right / s1:top',
        ['right of the origin' => '30.00 mm', 'behind the origin' => '20.00 mm', 'above the ground' => '10.00 mm'],
    ],
]);

it('reads what lies between two things, with its parts', function (array $names, array $rows) use ($plate) {
    $got = read($plate, $names);
    foreach ($rows as $label => $value) {
        expect($got[$label] ?? 'not read')->toBe($value, $label);
    }
})->with([
    'two faces' => [
        ['s1:left', 's1:right'],
        ['distance' => '60.00 mm', 'to the right' => '60.00 mm', 'up' => '0.00 mm', 'angle' => '0.00°'],
    ],
    'faces at right angles' => [['s1:left', 's1:top'], ['distance' => '0.00 mm', 'angle' => '90.00°']],
    // axes 30 to the right and 10 to the front apart
    'two holes' => [['s2:wall', 's3:wall'], ['axis to axis' => '31.62 mm', 'distance' => '24.62 mm']],
    'a hole and a side' => [['s2:wall', 's1:left'], ['axis to face' => '10.00 mm', 'distance' => '6.00 mm']],
    'two corners' => [
        ['s1:bottom / s1:front / s1:left', 's1:back / s1:right / s1:top'],
        ['to the right' => '60.00 mm', 'to the back' => '40.00 mm', 'up' => '10.00 mm', 'distance' => '72.80 mm'],
    ],
]);

it('reads the angle of three corners, and says what it cannot', function () use ($plate) {
    expect(read($plate, ['s1:back / s1:right / s1:top', 's1:front / s1:right / s1:top', 's1:front / s1:left / s1:top']))
        ->toBe(['angle at the second' => '90.00°'])
        ->and(read($plate, ['s1:top', 's1:left', 's1:right'])['problem'])
        ->toContain('three corners')
        ->and(read($plate, ['s9:top'])['problem'])
        ->toContain('not there')
        ->and(read([], ['s1:top'])['problem'])
        ->toContain('nothing');
});

it('reads inches in inches', function () {
    expect(read([['kind' => 'cylinder', 'by' => 'diameter', 'round' => '3/4', 'length' => '5/8']], ['s1:side'], Unit::Inch))->toMatchArray([
        'diameter' => '0.750 in',
        'radius' => '0.375 in',
        'area' => '1.473 in²',
    ]);
});

it('knows the area of faces with round edges', function () use ($plate) {
    $part = Parts::build($plate)->part();
    expect(FaceArea::of($part, 's1:top'))
        ->toEqualWithDelta(2400 - M_PI * (16 + 9), 1e-6)
        ->and(FaceArea::of($part, 's2:wall'))
        ->toEqualWithDelta(2 * M_PI * 4 * 10, 1e-6);
    $disc = Parts::build([['kind' => 'cylinder', 'round' => '50', 'length' => '4']])->part();
    expect(FaceArea::of($disc, 's1:top'))->toEqualWithDelta(M_PI * 625, 1e-6);
    $cone = Parts::build([['kind' => 'cone', 'round' => '40', 'tip' => '20', 'length' => '30']])->part();
    expect(FaceArea::of($cone, 's1:side'))->toEqualWithDelta(M_PI * 30 * hypot(30, 10), 0.5);
});

it('reads the wall behind a point that is picked', function () use ($plate) {
    $part = Parts::build($plate)->part();
    $wall = static fn(string $face, ?array $at): ?string => array_column(
        Measurement::of($part, [$face], Unit::Millimetre, $at)->rows,
        1,
        0,
    )[$at === null ? 'wall behind its middle' : 'wall behind that point'] ?? null;
    // in front of the smaller hole the wall ends at the hole: its axis lies 15 behind the front face, its radius is 3
    expect($wall('s1:front', [10.0, -20.0, 5.0]))
        ->toBe('12.00 mm')
        ->and($wall('s1:front', [0.0, -20.0, 5.0]))
        ->toBe('40.00 mm')
        ->and($wall('s1:top', [25.0, 15.0, 10.0]))
        ->toBe('10.00 mm');
});
