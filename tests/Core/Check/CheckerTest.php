<?php

declare(strict_types=1);

use Cubo\Check\Checker;
use Cubo\Check\Exercise;
use Cubo\Check\ExerciseReader;
use Cubo\Check\Kind\Whole\Closed;
use Cubo\Check\Proposer;
use Cubo\Check\Report;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\UnreadableExercise;
use Cubo\Exchange\StlFile;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Quantity\Unit;
use Opis\JsonSchema\Validator;
use Tests\Parts;

/** A plate 60 x 40 x 12 with a hole of 8 at 15, 20 and a step of 6 at the right. */
const PLATE = [
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

/** @param array<int, array<string, mixed>|null> $changes by step index; null leaves the step out */
function plate(array $changes = [], array $more = []): array
{
    $steps = PLATE;
    foreach ($changes as $i => $c) {
        $steps[$i] = $c === null ? null : [...$steps[$i], ...$c];
    }

    return [...array_values(array_filter($steps)), ...$more];
}

function row(Report $r, string $id): Row
{
    foreach ($r->rows as $row) {
        if ($row->id === $id) {
            return $row;
        }
    }
    throw new LogicException("no row $id, only " . implode(', ', array_map(fn($x) => $x->id, $r->rows)));
}

it('finds everything met on the reference part itself', function (): void {
    $r = Parts::check(PLATE, PLATE);
    expect($r->allMet())
        ->toBeTrue(implode(', ', array_map(fn($x) => "{$x->id} {$x->status}", $r->rows)))
        ->and($r->points())
        ->toBe($r->mostPoints());
});

it('reads every nominal value from the reference part', function (): void {
    $list = [];
    foreach (Proposer::propose(Parts::measure(PLATE), Unit::Millimetre) as $r) {
        $list[$r->id] = $r;
    }
    expect($list['size-x']->nominal)
        ->toBe(60.0)
        ->and($list['size-z']->nominal)
        ->toBe(12.0)
        ->and($list['hole-0-diameter']->nominal)
        ->toBe(8.0)
        ->and([$list['hole-0-place']->where['u'], $list['hole-0-place']->where['v']])
        ->toBe([15.0, 20.0])
        ->and($list['step-z-6']->nominal)
        ->toBe(6.0)
        ->and($list['bodies']->nominal)
        ->toBe(1.0)
        ->and($list['volume']->nominal)
        ->toEqualWithDelta(60 * 40 * 12 - 20 * 40 * 6 - M_PI * 16 * 12, 1e-3)
        ->and($list)
        ->toHaveKey('symmetry-y')
        ->not->toHaveKey('symmetry-x');
});

it('tells each requirement on its own', function (array $part, string $id, string $status, string $measured, string $diagnosis): void {
    $row = row(Parts::check(PLATE, $part), $id);
    expect($row->status)->toBe($status)->and($row->measured)->toBe($measured)->and($row->diagnosis)->toContain($diagnosis);
})->with([
    'too wide' => [plate([0 => ['width' => '61']]), 'size-x', 'off', '61.00', '60 is asked'],
    'too wide, within the tolerance' => [plate([0 => ['width' => '60.2']]), 'size-x', 'met', '60.20', ''],
    'a hair beyond the tolerance' => [plate([0 => ['width' => '60.21']]), 'size-x', 'off', '60.21', ''],
    'ten times too wide' => [plate([0 => ['width' => '600']]), 'size-x', 'off', '600.00', 'millimetres as centimetres'],
    'typed as inches' => [plate([0 => ['width' => '60 in']]), 'size-x', 'off', '1524.00', 'millimetres as inches'],
    'half as wide' => [plate([0 => ['width' => '30']]), 'size-x', 'off', '30.00', 'half of it'],
    'axes swapped' => [plate([0 => ['width' => '40', 'depth' => '60'], 2 => null]), 'size-x', 'off', '40.00', 'other way round'],
    'twice as high' => [plate([0 => ['height' => '24']]), 'size-z', 'off', '24.00', 'twice as much'],
    'radius typed as diameter' => [plate([1 => ['round' => '4']]), 'hole-0-diameter', 'off', '⌀ 4.00', 'radius as the diameter'],
    'diameter typed as radius' => [plate([1 => ['by' => 'radius']]), 'hole-0-diameter', 'off', '⌀ 16.00', 'diameter as the radius'],
    'no hole' => [plate([1 => null]), 'hole-0-diameter', 'missing', '', 'no round hole'],
    'hole in another direction' => [
        plate([1 => ['along' => 'y', 'y' => '-30', 'z' => '3', 'round' => '4', 'length' => '60']]),
        'hole-0-diameter',
        'missing',
        '',
        'another direction',
    ],
    'hole off its place' => [plate([1 => ['x' => '-13']]), 'hole-0-place', 'off', '17.00, 20.00', 'drawing asks 15 and 20'],
    'hole from the other side' => [plate([1 => ['x' => '15']], []), 'hole-0-place', 'off', '45.00, 20.00', 'opposite side'],
    'step too high' => [plate([2 => ['z' => '8', 'height' => '4']]), 'step-z-6', 'off', '8.00', 'asks 6'],
    'no step' => [plate([2 => null]), 'step-z-6', 'missing', '', 'no flat face'],
    'not symmetric' => [plate([1 => ['y' => '3']]), 'symmetry-y', 'off', '6.00 apart', 'halves differ'],
    'two pieces' => [plate([], [['kind' => 'ball', 'round' => '5', 'x' => '60', 'z' => '5']]), 'bodies', 'off', '2', '2 loose pieces'],
    'touching along an edge only' => [
        plate(
            [2 => null],
            [
                [
                    'kind' => 'block',
                    'from' => 'corner',
                    'width' => '10',
                    'depth' => '10',
                    'height' => '5',
                    'x' => '30',
                    'y' => '20',
                    'z' => '0',
                ],
            ],
        ),
        'bodies',
        'off',
        '2',
        'not only along an edge',
    ],
    'below the ground' => [
        [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12', 'z' => '-12']],
        'standing',
        'off',
        '12.00 below',
        'All of it lies below',
    ],
    'half below the ground' => [
        [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12', 'z' => '-6']],
        'standing',
        'off',
        '6.00 below',
        'Half its height',
    ],
    'above the ground' => [
        [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12', 'z' => '3']],
        'standing',
        'off',
        '3.00 above',
        'above the ground',
    ],
    'standing on a ball' => [[['kind' => 'ball', 'round' => '40', 'z' => '20']], 'standing', 'off', "0.00 mm\u{b2}", 'Too little'],
    'too large for the bed' => [plate([0 => ['width' => '200']]), 'fits-bed', 'off', '200.00 × 40.00 × 12.00', 'larger than the printer'],
    'a wall too thin' => [plate([1 => ['x' => '-25.5']]), 'wall', 'off', '0.50', 'may not print'],
]);

// the volume of a part in another unit is told by its factor, which needs the same shape
it('sees a part drawn in the wrong unit', function (): void {
    $inches = array_map(fn($s) => array_map(fn($v) => is_string($v) && is_numeric($v) ? "$v in" : $v, $s), PLATE);
    expect(row(Parts::check(PLATE, $inches), 'volume')->diagnosis)->toContain('inches for millimetres');
});

it('marks the place on the part', function (): void {
    $r = Parts::check(PLATE, plate([1 => ['round' => '4']]));
    $place = row($r, 'hole-0-diameter')->place;
    expect($place['kind'])
        ->toBe('ring')
        ->and($place['centre'])
        ->toEqualWithDelta([-15.0, 0.0, 12.0], 1e-9)
        ->and($place['radius'])
        ->toBe(2.0)
        ->and($place['asked'])
        ->toBe(4.0);
    $span = row($r, 'size-x')->place;
    expect([$span['kind'], $span['a'][0], $span['b'][0]])->toBe(['span', -30.0, 30.0]);
});

it('gives no points for what is off and all for what is met', function (): void {
    $r = Parts::check(PLATE, plate([1 => ['round' => '4']]));
    $off = array_sum(array_map(fn($x) => $x->status === 'met' ? 0 : $x->points, $r->rows));
    expect($off)
        ->toBeGreaterThan(0)
        ->and($r->points())
        ->toBe($r->mostPoints() - $off)
        ->and($r->allMet())
        ->toBeFalse();
});

it('finds nothing on an empty part, without any fault', function (): void {
    $r = Parts::check(PLATE, []);
    foreach ($r->rows as $row) {
        expect($row->status)->toBe('missing')->and($row->diagnosis)->toBe('There is no part yet.');
    }
});

it('tells which of several holes is missing', function (): void {
    $holes = fn(array $xs) => [
        PLATE[0],
        ...array_map(
            fn($x) => [
                'kind' => 'cylinder',
                'round' => '5',
                'length' => '30',
                'x' => (string) $x,
                'y' => '10',
                'z' => '-5',
                'effect' => 'cut',
            ],
            $xs,
        ),
    ];
    $r = Parts::check($holes([-20, 0, 20]), $holes([-20, 20]));
    expect(row($r, 'hole-1-diameter')->diagnosis)->toContain('2 of 3 holes')->toContain('30 from the left');
});

it('does not care where the part lies, unless it must stand', function (): void {
    $moved = [...PLATE, ['kind' => 'move', 'body' => 'all', 'x' => '100', 'y' => '-50']];
    expect(Parts::check(PLATE, $moved)->allMet())->toBeTrue();
});

it('does not care how the part was made', function (): void {
    $other = [
        [
            'kind' => 'sketch',
            'plane' => 'front',
            'shapes' => [
                ['kind' => 'rectangle', 'from' => 'corner', 'u' => '-30', 'v' => '0', 'width' => '40', 'height' => '12'],
                ['kind' => 'rectangle', 'from' => 'corner', 'u' => '10', 'v' => '0', 'width' => '20', 'height' => '6'],
            ],
        ],
        ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '20', 'direction' => 'up'],
        ['kind' => 'extrude', 'sketch' => 's1', 'regions' => 'all', 'distance' => '20', 'direction' => 'down'],
        ['kind' => 'sketch', 'plane' => 'ground', 'shapes' => [['kind' => 'circle', 'u' => '-15', 'by' => 'radius', 'round' => '4']]],
        ['kind' => 'extrude', 'sketch' => 's4', 'regions' => 'all', 'distance' => '12', 'direction' => 'up', 'effect' => 'cut'],
    ];
    $r = Parts::check(PLATE, $other);
    expect($r->allMet())->toBeTrue(implode(', ', array_map(fn($x) => "{$x->id} {$x->word}", $r->rows)));
});

it('letters what is asked, without I and O', function (): void {
    $list = Exercise::lettered(array_map(fn(int $i) => new Requirement("r$i", new Closed(), 'x', 1, 0, 1, $i !== 3), range(0, 26)));
    expect(array_map(fn($r) => $r->letter, $list))->toBe([
        'A',
        'B',
        'C',
        '',
        'D',
        'E',
        'F',
        'G',
        'H',
        'J',
        'K',
        'L',
        'M',
        'N',
        'P',
        'Q',
        'R',
        'S',
        'T',
        'U',
        'V',
        'W',
        'X',
        'Y',
        'Z',
        'AA',
        'AB',
    ]);
});

it('writes and reads exercises that fit the schema', function (): void {
    $e = new Exercise(Unit::Inch, Exercise::lettered(Proposer::propose(Parts::measure(PLATE), Unit::Inch)), 'Plate');
    $validator = new Validator();
    $validator->resolver()?->registerFile('urn:cubo:exercise:1', dirname(__DIR__, 3) . '/docs/exercise.schema.json');
    expect($validator->validate(json_decode($e->toJson()), 'urn:cubo:exercise:1')->isValid())
        ->toBeTrue()
        ->and(ExerciseReader::exercise($e->toJson()))
        ->toEqual($e);
});

it('refuses what is no exercise', function (string $json): void {
    expect(fn() => ExerciseReader::exercise($json))->toThrow(UnreadableExercise::class);
})->with([
    '{',
    '[]',
    '{"format":"cubo-exercise/1","unit":"mm"}',
    '{"format":"cubo-exercise/1","unit":"yd","requirements":[]}',
    '{"format":"cubo-exercise/1","unit":"mm","requirements":[{"kind":"beauty","nominal":1,"tolerance":0}]}',
    '{"format":"cubo-exercise/1","unit":"mm","requirements":[{"kind":"size","nominal":"60","tolerance":0}]}',
    '{"format":"cubo-exercise/1","unit":"mm","requirements":[{"kind":"size","nominal":60,"tolerance":0.2}]}',
    '{"format":"cubo-exercise/1","unit":"mm","requirements":[{"kind":"size","nominal":60,"tolerance":0.2,"where":{"axis":7}}]}',
    '{"format":"cubo-exercise/1","unit":"mm","requirements":["size"]}',
]);

it('checks a mesh from elsewhere like a part built here', function (array $steps): void {
    $mesh = SurfaceRecognition::of(StlFile::read(StlFile::write(Parts::build($steps)->part())));
    $e = new Exercise(
        Unit::Millimetre,
        Exercise::lettered(array_map(fn($r) => $r->change(asked: true), Proposer::propose(Parts::measure($steps), Unit::Millimetre))),
    );
    $r = Checker::check(new PartMeasures($mesh), $e, Parts::measure($steps));
    expect($r->allMet())->toBeTrue(implode(', ', array_map(fn($x) => "{$x->id} {$x->word}", $r->rows)));
})->with([
    'a block' => [[['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12']]],
    'a drilled and stepped plate' => [PLATE],
    'a bush' => [
        [
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '8'],
            ['kind' => 'cylinder', 'by' => 'radius', 'round' => '6', 'length' => '30', 'z' => '-10', 'effect' => 'cut'],
        ],
    ],
    'holes that cross' => [
        [
            ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '40'],
            ['kind' => 'cylinder', 'round' => '20', 'length' => '60', 'z' => '-10', 'effect' => 'cut'],
            ['kind' => 'cylinder', 'round' => '6', 'length' => '60', 'along' => 'x', 'x' => '5', 'z' => '20', 'effect' => 'cut'],
        ],
    ],
]);

it('does not take a prism for a round', function (): void {
    // an octagon: two square rods, one turned by 45 degrees, sharing what both have
    $steps = [
        ['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '30'],
        ['kind' => 'turn', 'body' => 'all', 'angle' => '45'],
        ['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '30', 'effect' => 'keep'],
    ];
    $mesh = SurfaceRecognition::of(StlFile::read(StlFile::write(Parts::build($steps)->part())));
    expect(array_filter($mesh->surfaces, fn($s) => !$s->isFlat()))->toBe([])->and($mesh->surfaces)->toHaveCount(10);
});

it('keeps a report through its array form', function (): void {
    $r = Parts::check(PLATE, plate([1 => ['round' => '4']]));
    expect($r->findings)
        ->not->toBe([])
        ->and(
            Report::fromArray(
                json_decode((string) json_encode($r->toArray()), true),
                json_decode((string) json_encode($r->findingsToArray()), true),
            ),
        )
        ->toEqual($r);
});

it('holds a size to unequal deviations, limits, classes and fits', function (string $as, string $diameter, string $word) {
    $reference = [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
        ['kind' => 'cylinder', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
    ];
    $part = [$reference[0], ['round' => $diameter] + $reference[1]];
    $sheet = Cubo\Check\ExerciseReader::exercise(
        (string) json_encode([
            'format' => 'cubo-exercise/1',
            'unit' => 'mm',
            'requirements' => [
                [
                    'kind' => 'hole-diameter',
                    'id' => 'd',
                    'label' => 'Bore',
                    'nominal' => 8,
                    'tolerance' => 0.2,
                    'as' => $as,
                    'where' => ['axis' => 2, 'u' => 30, 'v' => 20, 'siblings' => 1],
                ],
            ],
        ]),
    );
    $row = Cubo\Check\Checker::check(new Cubo\Measure\PartMeasures(Tests\Parts::build($part)->part()), $sheet)->rows[0];
    expect($row->word)
        ->toBe($word)
        ->and(Cubo\Check\ExerciseReader::exercise($sheet->toJson())->toJson())
        ->toBe($sheet->toJson());
})->with([
    ['H7', '8.01', 'Met'],
    ['H7', '8.02', '0.02 too large'],
    ['H7', '7.99', '0.01 too small'],
    // f7 at 8: -0.013 and -0.028
    ['f7', '7.98', 'Met'],
    ['f7', '8', '0.01 too large'],
    ['f7', '7.95', '0.02 too small'],
    ['+0.1 -0.3', '7.75', 'Met'],
    ['+0.1 -0.3', '8.15', '0.15 too large'],
    ['7.9 to 8.3', '8.3', 'Met'],
    ['7.9 to 8.3', '7.89', '0.11 too small'],
    // m at 8: 0.2
    ['m', '8.2', 'Met'],
    ['m', '8.21', '0.21 too large'],
]);

it('refuses an exercise whose tolerance cannot be read', function () {
    expect(
        fn() => Cubo\Check\ExerciseReader::exercise(
            (string) json_encode([
                'format' => 'cubo-exercise/1',
                'unit' => 'mm',
                'requirements' => [
                    ['kind' => 'size', 'label' => 'Width', 'nominal' => 60, 'tolerance' => 0.2, 'as' => 'X9', 'where' => ['axis' => 0]],
                ],
            ]),
        ),
    )->toThrow(Cubo\Check\UnreadableExercise::class, 'X9');
});

it('asks a hole to go through or to end, and says how much is left', function (
    float $nominal,
    array $hole,
    string $word,
    string $diagnosis,
) {
    $part = Tests\Parts::build([['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'], $hole])->part();
    $sheet = Cubo\Check\ExerciseReader::exercise(
        (string) json_encode([
            'format' => 'cubo-exercise/1',
            'unit' => 'mm',
            'requirements' => [
                [
                    'kind' => 'hole-depth',
                    'id' => 'd',
                    'label' => 'Bore',
                    'nominal' => $nominal,
                    'tolerance' => 0.2,
                    'where' => ['axis' => 2, 'u' => 30, 'v' => 20, 'siblings' => 1],
                ],
            ],
        ]),
    );
    $row = Cubo\Check\Checker::check(new Cubo\Measure\PartMeasures($part), $sheet)->rows[0];
    expect($row->word)->toBe($word)->and($row->diagnosis)->toContain($diagnosis);
})->with([
    'through' => [0, ['kind' => 'cylinder', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'], 'Met', ''],
    'not through, from above' => [
        0,
        ['kind' => 'cylinder', 'round' => '8', 'length' => '30', 'z' => '1.5', 'effect' => 'cut'],
        'Not through',
        '1.50 mm are left',
    ],
    'not through, from below' => [
        0,
        ['kind' => 'cylinder', 'round' => '8', 'length' => '10', 'effect' => 'cut'],
        'Not through',
        '2.00 mm are left',
    ],
    'as deep as asked' => [9, ['kind' => 'cylinder', 'round' => '8', 'length' => '30', 'z' => '3', 'effect' => 'cut'], 'Met', ''],
    'too deep' => [
        5,
        ['kind' => 'cylinder', 'round' => '8', 'length' => '30', 'z' => '3', 'effect' => 'cut'],
        '4.00 too large',
        '9.00 deep',
    ],
    'through where it should end' => [
        5,
        ['kind' => 'cylinder', 'round' => '8', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
        'Goes through',
        'right through',
    ],
    'with a drill point' => [
        9,
        ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'round' => '8', 'extent' => 'depth', 'depth' => '9'],
        'Met',
        '',
    ],
    'none' => [0, ['kind' => 'ball', 'x' => '200', 'effect' => 'add'], 'Not found', 'hole'],
]);
