<?php

declare(strict_types=1);

/* Every kind of requirement beyond the first ones: met by the reference part itself (SlipMatrixTest and CheckerTest ask all), off with the right words. */

use Cubo\Check\Checker;
use Cubo\Check\Exercise;
use Cubo\Check\ExerciseReader;
use Cubo\Check\Making\Making;
use Cubo\Check\Measuring\AllRows;
use Cubo\Check\Proposer;
use Cubo\Check\Report;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Recipe;
use Tests\Parts;

function bore(string $round, string $x, string $y, array $more = []): array
{
    return $more + [
        'kind' => 'cylinder',
        'by' => 'diameter',
        'round' => $round,
        'length' => '60',
        'x' => $x,
        'y' => $y,
        'z' => '-20',
        'effect' => 'cut',
    ];
}

/** Checks a part against what a reference part asks, of which only some is looked at. */
function asked(array $reference, array $part, string $begins): Row
{
    $r = Parts::check($reference, $part);
    foreach ($r->rows as $row) {
        if (str_starts_with($row->id, $begins)) {
            return $row;
        }
    }
    throw new LogicException("nothing begins with $begins: " . implode(', ', array_map(static fn(Row $x): string => $x->id, $r->rows)));
}

$plate = ['kind' => 'block', 'width' => '80', 'depth' => '60', 'height' => '10'];
$ring = static fn(string $r, int $n = 4): array => array_map(
    static fn(int $i): array => bore(
        '6',
        sprintf('%.6f', (float) $r * cos((2 * M_PI * $i) / $n)),
        sprintf('%.6f', (float) $r * sin((2 * M_PI * $i) / $n)),
    ),
    range(0, $n - 1),
);
$row = static fn(array $xs): array => array_map(static fn(string $x): array => bore('5', $x, '0'), $xs);
$slot = static fn(string $half, string $round): array => [
    ['kind' => 'block', 'width' => (string) (2 * (float) $half), 'depth' => $round, 'height' => '40', 'z' => '-10', 'effect' => 'cut'],
    bore($round, $half, '0'),
    bore($round, "-$half", '0'),
];
$sunk = static fn(string $wide, string $deep): array => [
    bore('6', '0', '0'),
    [
        'kind' => 'cone',
        'by' => 'diameter',
        'round' => '6',
        'tip' => $wide,
        'length' => $deep,
        'z' => (string) (10 - (float) $deep),
        'effect' => 'cut',
    ],
];
$pin = static fn(string $round, string $long, string $x = '20'): array => [
    'kind' => 'cylinder',
    'by' => 'diameter',
    'round' => $round,
    'length' => $long,
    'x' => $x,
    'y' => '5',
    'z' => '10',
];

$apart = static fn(string $x): array => [
    'kind' => 'block',
    'width' => '100',
    'depth' => '60',
    'height' => '10',
    'x' => $x,
    'effect' => 'apart',
];
$ball = static fn(string $x, string $y): array => ['kind' => 'ball', 'round' => '20', 'x' => $x, 'y' => $y];

it('measures what it is asked to', function (array $reference, array $part, string $id, string $status, string $words): void {
    expect(asked($reference, $reference, $id)->status)->toBe('met');
    $r = asked($reference, $part, $id);
    expect($r->status)
        ->toBe($status)
        ->and("$r->word $r->diagnosis")
        ->toContain($words);
})->with([
    'pieces too far apart' => [[$plate, $apart('100')], [$plate, $apart('102')], 'body-distance', 'off', '12.00 apart; 10 is asked'],
    'pieces that touch' => [[$plate, $apart('100')], [$plate, $apart('90')], 'body-distance', 'off', 'Two pieces touch'],
    'pieces that are one' => [
        [$plate, $apart('100')],
        [$plate, ['effect' => 'add'] + $apart('85')],
        'body-distance',
        'missing',
        'one piece',
    ],
    'round pieces aslant' => [
        [$ball('0', '0'), $ball('30', '40')],
        [$ball('0', '0'), $ball('30', '30')],
        'body-distance',
        'off',
        '22.43 apart; 30 is asked',
    ],
    'pin, diameter' => [[$plate, $pin('12', '20')], [$plate, $pin('6', '20')], 'pin-0-diameter', 'off', 'radius as the diameter'],
    'pin, place' => [[$plate, $pin('12', '20')], [$plate, $pin('12', '20', '-20')], 'pin-0-place', 'off', 'opposite side'],
    'pin, height' => [[$plate, $pin('12', '20')], [$plate, $pin('12', '10')], 'pin-0-height', 'off', 'half of it'],
    'no pin' => [[$plate, $pin('12', '20')], [$plate], 'pin-0-diameter', 'missing', 'No full round stands this way'],
    'between two axes' => [[$plate, ...$row(['-20', '20'])], [$plate, ...$row(['-20', '15'])], 'between', 'off', '35.00 apart'],
    'from rim to rim' => [[$plate, ...$row(['-20', '20'])], [$plate, ...$row(['-22.5', '22.5'])], 'between', 'off', 'from rim to rim'],
    'sinking, diameter' => [
        [$plate, ...$sunk('12', '3')],
        [$plate, ...$sunk('9', '1.5')],
        'sink-0-diameter',
        'off',
        'The hole is 9.00 across',
    ],
    'sinking, angle' => [[$plate, ...$sunk('12', '3')], [$plate, ...$sunk('12', '5')], 'sink-0-angle', 'off', '90° is asked'],
    'no sinking' => [[$plate, ...$sunk('12', '3')], [$plate, bore('6', '0', '0')], 'sink-0-diameter', 'missing', 'no conical sinking'],
    'slot, length' => [[$plate, ...$slot('11', '8')], [$plate, ...$slot('15', '8')], 'slot-0-length', 'off', 'from middle to middle'],
    'slot, width' => [[$plate, ...$slot('11', '8')], [$plate, ...$slot('11', '7')], 'slot-0-width', 'off', '7.00 wide'],
    'how many holes' => [[$plate, ...$row(['-20', '0', '20'])], [$plate, ...$row(['-20', '20'])], 'count', 'off', '1 missing'],
    'pitch circle' => [[$plate, ...$ring('20')], [$plate, ...$ring('10')], 'circle', 'off', 'radius as the diameter'],
    'pitch' => [
        [$plate, ...$row(['-20', '0', '20'])],
        [$plate, ...$row(['-10', '0', '10'])],
        'pitch',
        'off',
        'From one hole to the next it is 10.00',
    ],
    'uneven pitch' => [[$plate, ...$row(['-20', '0', '20'])], [$plate, ...$row(['-20', '3', '20'])], 'pitch', 'off', 'The steps differ'],
    'rounded edges' => [
        [$plate, ['kind' => 'round', 'edges' => ['s1:front / s1:left', 's1:back / s1:left'], 'radius' => '5']],
        [$plate, ['kind' => 'round', 'edges' => ['s1:front / s1:left', 's1:back / s1:left'], 'radius' => '4']],
        'round-5',
        'off',
        'measures 4.00',
    ],
    'one rounded edge of two' => [
        [$plate, ['kind' => 'round', 'edges' => ['s1:front / s1:left', 's1:back / s1:left'], 'radius' => '5']],
        [$plate, ['kind' => 'round', 'edges' => ['s1:front / s1:left'], 'radius' => '5']],
        'round-5',
        'off',
        '1 missing',
    ],
    'chamfers' => [
        [$plate, ['kind' => 'chamfer', 'edges' => ['s1:front / s1:top'], 'distance' => '3']],
        [$plate, ['kind' => 'chamfer', 'edges' => ['s1:front / s1:top'], 'distance' => '2']],
        'chamfer',
        'off',
        'A chamfer measures 2.00',
    ],
    'a slanting face' => [
        [['kind' => 'wedge', 'width' => '40', 'depth' => '20', 'height' => '20']],
        [['kind' => 'wedge', 'width' => '40', 'depth' => '20', 'height' => '30']],
        'angle',
        'off',
        'The slanting face lies at',
    ],
    'a cone' => [
        [['kind' => 'cone', 'by' => 'diameter', 'round' => '30', 'tip' => '10', 'length' => '20']],
        [['kind' => 'cone', 'by' => 'diameter', 'round' => '10', 'tip' => '30', 'length' => '20']],
        'taper',
        'off',
        'wide where it should be narrow',
    ],
    'mass' => [[$plate], [[...$plate, 'height' => '12']], 'mass', 'off', 'weighs'],
    'surface' => [[$plate], [[...$plate, 'height' => '12']], 'area', 'off', 'The surface of the part'],
    'centre of mass' => [
        [$plate, bore('20', '20', '0')],
        [$plate, bore('20', '-20', '0')],
        'centroid',
        'off',
        'Material is missing on one side',
    ],
    'turned on itself' => [
        [$plate, ...$ring('20')],
        [$plate, ...array_slice($ring('20'), 0, 3)],
        'rotation',
        'off',
        'does not come to lie on itself',
    ],
    'should differ' => [[$plate, bore('6', '20', '0')], [$plate, bore('6', '0', '0')], 'differs-x', 'off', 'mirrored that should differ'],
    'lies another way' => [
        [$plate, $pin('12', '20')],
        [$plate, $pin('12', '20'), ['kind' => 'turn', 'angle' => '90']],
        'pose',
        'off',
        'turned by 90° about the upright',
    ],
    'shape' => [
        [$plate, $pin('12', '20')],
        [$plate, ['kind' => 'block', 'width' => '30', 'depth' => '30', 'height' => '20', 'x' => '20', 'z' => '10']],
        'shape',
        'off',
        'too much',
    ],
    'narrow gap' => [[$plate, bore('6', '20', '0')], [$plate, bore('0.2', '20', '0')], 'gap', 'off', 'may grow together'],
    'hangs over' => [
        [$plate],
        [$plate, ['kind' => 'block', 'width' => '80', 'depth' => '80', 'height' => '5', 'z' => '10']],
        'overhang',
        'off',
        'need support',
    ],
    'too long a bridge' => [
        [$plate],
        [
            ['kind' => 'block', 'width' => '80', 'depth' => '60', 'height' => '30'],
            ['kind' => 'block', 'width' => '40', 'depth' => '60', 'height' => '20', 'effect' => 'cut'],
        ],
        'bridge',
        'off',
        '30.00 too far',
    ],
    'begins in the air' => [
        [$plate],
        [
            $plate,
            ['kind' => 'block', 'width' => '5', 'depth' => '60', 'height' => '40', 'x' => '37', 'z' => '10'],
            ['kind' => 'block', 'width' => '40', 'depth' => '10', 'height' => '5', 'x' => '20', 'z' => '45'],
            ['kind' => 'block', 'width' => '5', 'depth' => '5', 'height' => '20', 'x' => '5', 'z' => '25'],
        ],
        'islands',
        'off',
        'begins in the air',
    ],
    'falls over' => [[$plate], [['kind' => 'block', 'width' => '4', 'depth' => '60', 'height' => '80']], 'tips', 'off', 'Tips easily'],
    'closed inside' => [
        [$plate],
        [
            ['kind' => 'block', 'width' => '80', 'depth' => '60', 'height' => '30'],
            ['kind' => 'ball', 'round' => '12', 'z' => '15', 'effect' => 'cut'],
        ],
        'hollow',
        'off',
        '1 closed space',
    ],
    'only an edge' => [
        [$plate],
        [$plate, ['kind' => 'block', 'from' => 'corner', 'width' => '20', 'depth' => '20', 'height' => '10', 'x' => '40', 'y' => '30']],
        'edge-contact',
        'off',
        'touch only along a line of 10 mm',
    ],
]);

it('measures two holes on one axis apart, as in a counterbore', function () use ($plate): void {
    $bored = static fn(string $wide, string $deep): array => [
        [...$plate, 'height' => '20'],
        bore('6', '10', '0'),
        [
            'kind' => 'cylinder',
            'by' => 'diameter',
            'round' => $wide,
            'length' => '40',
            'x' => '10',
            'z' => (string) (20 - (float) $deep),
            'effect' => 'cut',
        ],
    ];
    $r = Parts::check($bored('12', '8'), $bored('11', '7'));
    $words = array_column(array_map(static fn(Row $x): array => [$x->id, "$x->asked: $x->measured"], $r->rows), 1, 0);
    expect(array_filter($words, static fn(string $w): bool => $w === '⌀ 12: ⌀ 11.00'))
        ->toHaveCount(1)
        ->and(array_filter($words, static fn(string $w): bool => $w === '⌀ 6: ⌀ 6.00'))
        ->toHaveCount(1);
});

it('finds a part that lies another way, with the reference part and without it', function (bool $known, int $axis): void {
    $steps = [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '24'],
        [
            'kind' => 'block',
            'from' => 'corner',
            'width' => '20',
            'depth' => '40',
            'height' => '12',
            'x' => '10',
            'y' => '-20',
            'z' => '12',
            'effect' => 'cut',
        ],
        bore('8', '-15', '5'),
    ];
    $asked = array_map(
        static fn(Requirement $r): Requirement => $r->change(
            asked: in_array($r->kind->id(), ['size', 'hole-diameter', 'hole-place', 'face-distance'], true),
        ),
        Proposer::propose(Parts::measure($steps), Unit::Millimetre),
    );
    $turned = new PartMeasures(Parts::build($steps)->part()->moved(Cubo\Geometry\Transform::rotation($axis, 90)));
    $reference = $known ? Parts::measure($steps) : null;
    expect(Checker::check($turned, new Exercise(Unit::Millimetre, $asked, '', true), $reference)->allMet())
        ->toBeTrue()
        ->and(Checker::check($turned, new Exercise(Unit::Millimetre, $asked), $reference)->allMet())
        ->toBeFalse();
})->with([[true, 0], [true, 1], [true, 2], [false, 0], [false, 1], [false, 2]]);

it('says what cannot be measured, and why', function () use ($plate): void {
    $open = Tests\Meshes::solid(array_slice(Tests\Meshes::turned([[0.0, 0.0], [20.0, 0.0], [20.0, 12.0], [0.0, 12.0]], 32), 3));
    $asked = array_map(
        static fn(Requirement $r): Requirement => $r->change(asked: true),
        Proposer::propose(Parts::measure([$plate]), Unit::Millimetre),
    );
    $asked[] = new Requirement('uses', new Cubo\Check\Kind\Making\StepUsed(), 'Mirror', 1, 0, 1, true, ['step' => 'mirror']);
    $rows = array_column(Checker::check(new PartMeasures($open), new Exercise(Unit::Millimetre, $asked))->rows, null, 'id');
    expect($rows['volume']->status)
        ->toBe('unknown')
        ->and($rows['volume']->diagnosis)
        ->toContain('open')
        ->and($rows['uses']->status)
        ->toBe('unknown')
        ->and($rows['uses']->diagnosis)
        ->toContain('does not tell how it was made')
        ->and($rows['shape']->status)
        ->toBe('unknown')
        ->and($rows['closed']->status)
        ->toBe('off')
        ->and($rows['closed']->diagnosis)
        ->toContain('nothing on their other side');
});

/** @param list<array<string, mixed>> $steps @param list<Requirement> $asked */
function made(array $steps, array $asked, array $sizes = []): Report
{
    $recipe = Parts::recipe($steps)->withSizes($sizes);
    $evaluate = static fn(Recipe $r) => (new Evaluator())->evaluate($r);

    return Checker::check(
        new PartMeasures($evaluate($recipe)->part()),
        new Exercise(Unit::Millimetre, Exercise::lettered($asked)),
        null,
        new Making($recipe, $evaluate),
    );
}

it('looks at the steps where it is asked', function () use ($plate): void {
    $ask = static fn(string $kind, array $where = [], float $nominal = 0.0): Requirement => ExerciseReader::requirement([
        'id' => $kind,
        'kind' => $kind,
        'nominal' => $nominal,
        'tolerance' => 0,
        'where' => $where,
    ]);
    $status = static fn(array $steps, Requirement $r): string => made($steps, [$r])->rows[0]->status;
    $mirror = ['kind' => 'mirror', 'of' => 'body', 'plane' => 'side'];
    expect($status([$plate, $mirror], $ask('step-used', ['step' => 'mirror'], 1)))
        ->toBe('met')
        ->and($status([$plate], $ask('step-used', ['step' => 'mirror'], 1)))
        ->toBe('off')
        ->and($status([$plate], $ask('step-avoided', ['step' => 'mirror'])))
        ->toBe('met')
        ->and($status([$plate, $mirror], $ask('step-avoided', ['step' => 'mirror'])))
        ->toBe('off')
        // a step that is switched off does not count
        ->and($status([$plate, $mirror + ['off' => true]], $ask('step-used', ['step' => 'mirror'], 1)))
        ->toBe('off')
        ->and($status([$plate, bore('5', '0', '0')], $ask('steps-most', [], 2)))
        ->toBe('met')
        ->and($status([$plate, bore('5', '0', '0'), bore('5', '9', '0')], $ask('steps-most', [], 2)))
        ->toBe('off')
        ->and($status([$plate], $ask('sketch-tied')))
        ->toBe('missing');
});

it('changes a size in the student’s own steps and measures again', function (
    array $steps,
    array $sizes,
    string $status,
    string $words,
): void {
    $asked = [
        ExerciseReader::requirement([
            'id' => 'through',
            'kind' => 'hole-depth',
            'label' => 'Hole goes through',
            'nominal' => 0,
            'tolerance' => 0.2,
            'where' => ['axis' => 2, 'u' => 40, 'v' => 30],
        ]),
        ExerciseReader::requirement([
            'id' => 'if',
            'kind' => 'what-if',
            'nominal' => 0,
            'tolerance' => 0,
            'where' => ['size' => 'thickness', 'was' => '10', 'becomes' => '14'],
        ]),
    ];
    $r = made($steps, $asked, $sizes)->rows[1];
    expect($r->status)
        ->toBe($status, $r->diagnosis)
        ->and("$r->word $r->diagnosis")
        ->toContain($words);
})->with([
    'a depth that follows' => [
        [
            ['kind' => 'block', 'width' => '80', 'depth' => '60', 'height' => 'thickness'],
            bore('6', '0', '0', ['length' => 'thickness + 2', 'z' => '-1']),
        ],
        ['thickness' => '10'],
        'met',
        '',
    ],
    'a depth that stays' => [
        [
            ['kind' => 'block', 'width' => '80', 'depth' => '60', 'height' => 'thickness'],
            bore('6', '0', '0', ['length' => '12', 'z' => '-1']),
        ],
        ['thickness' => '10'],
        'off',
        'is no longer met',
    ],
    'found by its value' => [[$plate, bore('6', '0', '0', ['length' => '12', 'z' => '-1'])], [], 'off', 'is no longer met'],
    'two of that value' => [[[...$plate, 'depth' => '10'], bore('6', '0', '0')], [], 'unknown', '2 values of 10'],
    'none of that value' => [[[...$plate, 'height' => '11'], bore('6', '0', '0')], [], 'unknown', 'No value of the steps is 10'],
    'a step that breaks' => [
        [
            ['kind' => 'block', 'width' => '80', 'depth' => '60', 'height' => 'thickness'],
            bore('6', '0', '0'),
            ['kind' => 'block', 'width' => '5', 'depth' => '5', 'height' => '12 - thickness', 'z' => 'thickness'],
        ],
        ['thickness' => '10'],
        'off',
        'no longer works',
    ],
]);

/** @param list<array<string, mixed>> $steps @param list<list<array<string, mixed>>> $before */
function ways(array $steps, array $before): Row
{
    $evaluate = static fn(Recipe $r) => (new Evaluator())->evaluate($r);
    $recipe = Parts::recipe($steps);
    $asked = [ExerciseReader::requirement(['id' => 'two', 'kind' => 'two-ways', 'nominal' => 0, 'tolerance' => 0])];

    return Checker::check(
        new PartMeasures($evaluate($recipe)->part()),
        new Exercise(Unit::Millimetre, $asked),
        null,
        new Making($recipe, $evaluate, array_map(Parts::recipe(...), $before)),
    )->rows[0];
}

it('knows whether a part was made in two ways', function () use ($plate): void {
    $sketch = static fn(string $plane, string $w, string $h): array => [
        'kind' => 'sketch',
        'plane' => $plane,
        'shapes' => [
            ['kind' => 'rectangle', 'from' => 'middle', 'u' => '0', 'v' => $plane === 'ground' ? '0' : '5', 'width' => $w, 'height' => $h],
        ],
    ];
    $extrude = static fn(string $distance, string $extent): array => [
        'kind' => 'extrude',
        'sketch' => 's1',
        'distance' => $distance,
        'extent' => $extent,
    ];
    $ground = [$sketch('ground', '80', '60'), $extrude('10', 'distance'), bore('6', '20', '0')];
    $front = [$sketch('front', '80', '10'), $extrude('60', 'middle'), bore('6', '20', '0')];
    $half = [
        [...$plate, 'width' => '40', 'from' => 'corner', 'y' => '-30'],
        ['kind' => 'mirror', 'of' => 'body', 'plane' => 'side'],
        bore('6', '20', '0'),
    ];
    expect(Parts::unlike(Parts::build($ground)->part(), Parts::build($front)->part()))->toBeLessThan(1e-6);
    $solid = [$plate, bore('6', '20', '0')];
    expect(ways($solid, [])->word)
        ->toBe('One way so far')
        ->and(ways($solid, [$ground])->status)
        ->toBe('met')
        ->and(ways($solid, [$ground])->measured)
        ->toContain('“block”')
        ->toContain('“extrude” of a sketch seen from the top')
        // the same kind of step, with the profile of another view
        ->and(ways($front, [$ground])->status)
        ->toBe('met')
        ->and(ways($front, [$ground])->measured)
        ->toContain('seen from the front')
        ->toContain('seen from the top')
        ->and(ways([$sketch('side', '60', '10'), $extrude('80', 'middle'), bore('6', '20', '0')], [$front])->measured)
        ->toContain('seen from the side')
        ->toContain('seen from the front')
        // half modelled and mirrored is still the block
        ->and(ways($half, [$solid])->word)
        ->toBe('The same way again')
        ->and(ways($solid, [$solid, $ground])->status)
        ->toBe('met')
        ->and(ways([$plate, bore('6', '-20', '0')], [$ground])->word)
        ->toBe('Not the same part')
        ->and(ways([$plate, bore('7', '20', '0')], [$ground])->diagnosis)
        ->toContain('mm³');
});

it('measures rounds along circular edges, of steps and of a file', function (): void {
    $disc = static fn(string $r): array => [
        ['kind' => 'cylinder', 'by' => 'radius', 'round' => '20', 'length' => '10'],
        ['kind' => 'round', 'edges' => ['s1:side / s1:top'], 'radius' => $r],
    ];
    $reference = Parts::measure($disc('3'));
    $asked = array_values(
        array_filter(
            Proposer::propose($reference, Unit::Millimetre),
            static fn(Requirement $r): bool => $r->kind instanceof Cubo\Check\Kind\Edge\Rounds,
        ),
    );
    expect($asked)->toHaveCount(1)->and($asked[0]->nominal)->toEqualWithDelta(3.0, 1e-9)->and($asked[0]->number('count'))->toEqual(1);
    $row = static fn(PartMeasures $p): Row => AllRows::of(
        new Cubo\Check\Subject($p, new Exercise(Unit::Millimetre, []), $reference),
        $asked,
    )[0];
    $file = static fn(string $r): PartMeasures => new PartMeasures(
        Cubo\Measure\SurfaceRecognition::of(
            Cubo\Exchange\MeshFile::read(Cubo\Exchange\StlFile::write(Parts::build($disc($r))->part()), Unit::Millimetre)[0],
        ),
    );
    expect($row($reference)->status)
        ->toBe('met')
        ->and($row($file('3'))->status)
        ->toBe('met')
        ->and($row($file('2'))->status)
        ->toBe('off')
        ->and($row($file('2'))->measured)
        ->toContain('2.00');
});

it('makes no guess between two holes that are as near and differ', function () use ($plate): void {
    $reference = [$plate, bore('6', '0', '0', ['z' => '4'])];
    // both 8 off, one through and one not
    $part = [$plate, bore('6', '-8', '0', ['z' => '4']), bore('6', '8', '0')];
    expect(asked($reference, $part, 'hole-0-depth')->status)
        ->toBe('unknown')
        ->and(asked($reference, $part, 'hole-0-depth')->diagnosis)
        ->toContain('cannot be told')
        // they are as wide, and both in the wrong place
        ->and(asked($reference, $part, 'hole-0-diameter')->status)
        ->toBe('met')
        ->and(asked($reference, $part, 'hole-0-place')->status)
        ->toBe('off')
        ->and(asked($reference, $part, 'hole-0-place')->diagnosis)
        ->toContain('just as near');
});

it('does not count holes of another width that the drawing has too', function () use ($plate): void {
    $steps = [$plate, bore('7.25', '-20', '0'), bore('7.5', '20', '0'), bore('7.5', '20', '20')];
    expect(asked($steps, $steps, 'count-z-7.5')->status)
        ->toBe('met')
        ->and(asked($steps, $steps, 'count-z-7.25')->status)
        ->toBe('met')
        ->and(asked($steps, array_slice($steps, 0, 3), 'count-z-7.5')->word)
        ->toBe('1 missing');
});

it('finds a part that is turned by any angle', function (array $steps, float $angle): void {
    $reference = Parts::measure($steps);
    $lies = new PartMeasures(
        Parts::build($steps)
            ->part()
            ->moved(Cubo\Geometry\Transform::rotation(2, $angle)->then(Cubo\Geometry\Transform::translation([4.0, -9.0, 0.0]))),
    );
    $asked = array_map(
        static fn(Requirement $r): Requirement => $r->change(
            asked: in_array($r->kind->id(), ['size', 'hole-diameter', 'hole-place', 'volume', 'pose', 'shape'], true),
        ),
        Proposer::propose($reference, Unit::Millimetre),
    );
    $rows = array_column(Checker::check($lies, new Exercise(Unit::Millimetre, $asked), $reference)->rows, null, 'id');
    expect($rows['pose']->status)
        ->toBe('off')
        ->and($rows['pose']->diagnosis)
        ->toContain("turned by {$angle}° about the upright")
        ->and($rows['shape']->status)
        ->toBe('met');
    // where it may lie in any way, all of it is met
    foreach (Checker::check($lies, new Exercise(Unit::Millimetre, $asked, '', true), $reference)->rows as $row) {
        expect($row->status)->toBe('met', "$row->id: $row->diagnosis");
    }
})->with([
    'a plate' => [[$plate, bore('6', '20', '10'), bore('9', '-20', '10')], 37],
    'a square one' => [[[...$plate, 'depth' => '80'], bore('6', '20', '10'), bore('9', '-20', '10')], 20],
    'a round one' => [
        [['kind' => 'cylinder', 'by' => 'radius', 'round' => '30', 'length' => '10'], bore('6', '12', '0'), bore('9', '-15', '10')],
        50,
    ],
]);
