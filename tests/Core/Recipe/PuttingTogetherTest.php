<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Recipe\Arrange\Aligning;
use Cubo\Recipe\Arrange\Copies;
use Cubo\Recipe\Arrange\Dropping;
use Cubo\Recipe\Arrange\HiddenShapes;
use Cubo\Recipe\Arrange\Nudging;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Preview;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\StepProblem;
use Cubo\Recipe\StepStatus;
use Tests\Parts;

/** @param list<array<string, mixed>> $steps */
function reading(array $steps, ?string $id = null): string
{
    $r = Parts::recipe($steps);

    return Preview::of($r, $r->step($id ?? 's' . count($steps)), (new Evaluator())->evaluate(...))->lies;
}

/** Where a step's solid lies along a way, alone. @return array{float, float} */
function reach(Recipe $r, string $id, int $k): array
{
    $all = (new Evaluator())->evaluate($r)->part();
    $out = [INF, -INF];
    foreach ($all->facet as $t => $f) {
        if (str_starts_with($all->surfaces[$all->surfaceOf[$f]]->name, "$id:")) {
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = [$all->x, $all->y, $all->z][$k][$all->start[$h]];
                $out = [min($out[0], $v), max($out[1], $v)];
            }
        }
    }

    return [round($out[0], 6), round($out[1], 6)];
}

$post = ['kind' => 'block', 'name' => 'Post', 'width' => '20', 'depth' => '20', 'height' => '10', 'stand' => 'ground'];
$cap = static fn(array $more): array => $more + [
    'kind' => 'block',
    'name' => 'Cap',
    'width' => '8',
    'depth' => '8',
    'height' => '6',
    'stand' => 'ground',
];

it('reads out how a shape lies to what is there', function (array $place, string $words) use ($post, $cap) {
    expect(reading([$post, $cap($place)]))->toBe($words);
})->with([
    'a gap to the side' => [['x' => '14.5'], '0.5 mm gap to Post'],
    'a gap above' => [['z' => '12'], '2 mm gap to Post'],
    'flush on top' => [['z' => '10'], 'flush on Post'],
    'flush at the side' => [['x' => '14'], 'flush on Post'],
    'sunk from above' => [['z' => '8'], 'sunk 2 mm into Post'],
    'sunk from the side' => [['x' => '13'], 'sunk 1 mm into Post'],
    'hidden' => [['z' => '2'], 'hidden inside the part: nothing of it is seen'],
    'exactly in the same place' => [['width' => '20', 'depth' => '20', 'height' => '10'], 'hidden inside Post: nothing of it is seen'],
]);

it('has nothing to read out of the first shape or of other steps', function () use ($post) {
    expect(reading([$post]))->toBe('')->and(reading([$post, ['kind' => 'round', 'edges' => ['s1:front / s1:top']]]))->toBe('');
});

it('lines shapes up with one that stays', function (string $way, string $side, array $at) {
    $r = Parts::recipe([
        ['kind' => 'block', 'width' => '20', 'depth' => '30', 'height' => '40', 'stand' => 'ground', 'x' => '100', 'y' => '50', 'z' => '5'],
        ['kind' => 'cylinder', 'round' => '10', 'length' => '12', 'stand' => 'ground', 'x' => '1/2'],
        ['kind' => 'ball', 'round' => '8', 'x' => '-40'],
    ]);
    $k = ['x' => 0, 'y' => 1, 'z' => 2][$way];
    $was = reach($r, 's1', $k);
    $r = Aligning::align($r, ['s1', 's2', 's3'], 's1', $way, $side, (new Evaluator())->evaluate(...));
    expect(reach($r, 's1', $k))
        ->toBe($was)
        ->and(reach($r, 's2', $k))
        ->toEqualWithDelta($at[0], 1e-5)
        ->and(reach($r, 's3', $k))
        ->toEqualWithDelta($at[1], 1e-5);
    // again it changes nothing
    expect(Aligning::align($r, ['s1', 's2', 's3'], 's1', $way, $side, (new Evaluator())->evaluate(...))->toJson())->toBe($r->toJson());
})->with([
    'left' => ['x', 'low', [[90, 100], [90, 98]]],
    'middle across' => ['x', 'middle', [[95, 105], [96, 104]]],
    'right' => ['x', 'high', [[100, 110], [102, 110]]],
    'in front' => ['y', 'low', [[35, 45], [35, 43]]],
    'behind' => ['y', 'high', [[55, 65], [57, 65]]],
    'low' => ['z', 'low', [[5, 17], [5, 13]]],
    'high' => ['z', 'high', [[33, 45], [37, 45]]],
]);

it('keeps what was typed where it is not a plain number', function () use ($cap, $post) {
    $r = Aligning::align(
        Parts::recipe([$post, $cap(['x' => '1/2', 'z' => '10'])]),
        ['s2'],
        's1',
        'x',
        'low',
        (new Evaluator())->evaluate(...),
    );
    expect($r->step('s2')->text('x'))
        ->toBe('1/2 - 6.5')
        ->and(reach($r, 's2', 0)[0])
        ->toBe(-10.0);
});

it('spaces shapes evenly between the outermost two', function () use ($cap) {
    $r = Parts::recipe([$cap(['x' => '0']), $cap(['x' => '9', 'width' => '4']), $cap(['x' => '50']), $cap(['x' => '12', 'width' => '10'])]);
    $r = Aligning::space($r, ['s1', 's2', 's3', 's4'], 'x', (new Evaluator())->evaluate(...));
    $gaps = [
        reach($r, 's2', 0)[0] - reach($r, 's1', 0)[1],
        reach($r, 's4', 0)[0] - reach($r, 's2', 0)[1],
        reach($r, 's3', 0)[0] - reach($r, 's4', 0)[1],
    ];
    expect($gaps)
        ->toEqualWithDelta([28 / 3, 28 / 3, 28 / 3], 1e-5)
        ->and(reach($r, 's1', 0))
        ->toBe([-4.0, 4.0])
        ->and(reach($r, 's3', 0))
        ->toBe([46.0, 54.0]);
    // two have no gaps to make equal
    expect(Aligning::space($r, ['s1', 's2'], 'x', (new Evaluator())->evaluate(...))->toJson())->toBe($r->toJson());
});

it('stacks shapes so that each is carried by the one below', function () use ($cap, $post) {
    $r = Aligning::stack(
        Parts::recipe([$post, $cap(['x' => '70']), ['kind' => 'ball', 'round' => '6'], $cap(['x' => '-70'])]),
        ['s1', 's2', 's3', 's4'],
        (new Evaluator())->evaluate(...),
    );
    expect($r->step('s2')->text('on'))
        ->toBe('s1:top')
        ->and(reach($r, 's2', 2))
        ->toBe([10.0, 16.0])
        ->and($r->step('s3')->text('on'))
        ->toBe('s2:top')
        // a ball has no flat top to stand on
        ->and($r->step('s4')->text('stand'))
        ->toBe('ground');
    $taller = $r->withStep($r->step('s1')->with('height', '25'));
    expect(reach($taller, 's2', 2))->toBe([25.0, 31.0]);
});

it('changes nothing for steps that are no shapes, are gone, or cannot be made', function () use ($post) {
    $r = Parts::recipe([$post, ['kind' => 'round', 'edges' => ['s1:front / s1:top']], ['kind' => 'block', 'width' => 'wide']]);
    foreach (
        [
            fn() => Aligning::align($r, ['s2', 's3', 's9'], 's1', 'x', 'low', (new Evaluator())->evaluate(...)),
            fn() => Aligning::align($r, ['s1'], 's9', 'x', 'low', (new Evaluator())->evaluate(...)),
            fn() => Aligning::stack($r, ['s2', 's9'], (new Evaluator())->evaluate(...)),
        ]
        as $do
    ) {
        expect($do()->toJson())->toBe($r->toJson());
    }
});

it('counts in a repeat: a staircase is one step', function () {
    $stairs = static fn(array $repeat, array $step = []): array => [
        $step + ['kind' => 'block', 'width' => '10', 'depth' => '20', 'height' => '5 + 5*n', 'stand' => 'ground'],
        ['kind' => 'repeat', 'of' => 'step', 'source' => 's1', 'count' => '4', 'x' => '10', 'y' => '0', 'z' => '0'] + $repeat,
    ];
    $volume = static fn(array $steps): float => (new MassProperties(Parts::build($steps)->part()))->volume;
    expect($volume($stairs([])))
        ->toEqualWithDelta(200 * (5 + 10 + 15 + 20), 1e-6)
        // every other one: the first and the third
        ->and($volume($stairs(['every' => '2'])))
        ->toEqualWithDelta(200 * (5 + 15), 1e-6)
        // in a place, and together with a size of the table
        ->and(Parts::build($stairs([], ['height' => '5', 'y' => '3*n']))->part()->vertexBox()[4])
        ->toEqualWithDelta(19.0, 1e-9);
    // a size of the table that is called n means that one
    $own = RecipeReader::fromArray(['sizes' => ['n' => '2']] + Parts::recipe($stairs([]))->toArray());
    expect((new MassProperties((new Evaluator())->evaluate($own)->part()))->volume)->toEqualWithDelta(200 * 4 * 15, 1e-6);
});

it('says why counting goes wrong in a copy, and keeps the part', function () {
    $state = Parts::build([
        ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '20 - 10*n'],
        ['kind' => 'repeat', 'of' => 'step', 'source' => 's1', 'count' => '4', 'x' => '15', 'y' => '0', 'z' => '0'],
    ]);
    expect($state->results['s2']->messages[0]->code)
        ->toBe('not-positive')
        ->and($state->results['s2']->messages[0]->why)
        ->toContain('In copy 2 of Block')
        ->and((new MassProperties($state->part()))->volume)
        ->toEqualWithDelta(2000, 1e-9);
});

it('repeats a body with every other copy left out', function () {
    $state = Parts::build([
        ['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10'],
        ['kind' => 'repeat', 'of' => 'body', 'count' => '5', 'x' => '20', 'y' => '0', 'z' => '0', 'every' => '2'],
    ]);
    expect((new MassProperties($state->part()))->volume)
        ->toEqualWithDelta(3000, 1e-6)
        ->and($state->part()->vertexBox()[3])
        ->toEqualWithDelta(85.0, 1e-9);
});

it('drops a shape onto what is below it', function (array $under, array $shape, float $low, string $stand) {
    $r = Dropping::drop(Parts::recipe([...$under, $shape]), 's' . (count($under) + 1), (new Evaluator())->evaluate(...));
    $id = 's' . (count($under) + 1);
    $state = (new Evaluator())->evaluate($r->withStep($r->step($id)->with('effect', 'apart')));
    expect($state->results[$id]->status)
        ->toBe(StepStatus::Done)
        ->and(reach($r->withStep($r->step($id)->with('effect', 'apart')), $id, 2)[0])
        ->toEqualWithDelta($low, 1e-4)
        ->and($r->step($id)->text('stand'))
        ->toBe($stand);
})->with([
    'onto a block, where it then stands' => [
        [['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10']],
        ['kind' => 'block', 'width' => '8', 'depth' => '8', 'height' => '6', 'stand' => 'ground', 'x' => '5', 'z' => '50'],
        10.0,
        'face',
    ],
    'half over the rim' => [
        [['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10']],
        ['kind' => 'block', 'width' => '30', 'depth' => '80', 'height' => '6', 'stand' => 'ground', 'x' => '25', 'z' => '50'],
        10.0,
        'face',
    ],
    'onto the higher of two' => [
        [
            ['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10'],
            ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '17', 'x' => '3'],
        ],
        ['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '6', 'stand' => 'ground', 'z' => '50'],
        17.0,
        'face',
    ],
    'beside everything, onto the ground' => [
        [['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10']],
        ['kind' => 'block', 'width' => '8', 'depth' => '8', 'height' => '6', 'x' => '80', 'z' => '50'],
        0.0,
        'ground',
    ],
    'a beam across a ridge: edges meet first' => [
        [['kind' => 'roof', 'width' => '40', 'depth' => '40', 'height' => '20']],
        ['kind' => 'block', 'width' => '80', 'depth' => '8', 'height' => '6', 'stand' => 'ground', 'z' => '50', 'facing' => '10'],
        20.0,
        'ground',
    ],
    'from a typed place, keeping it' => [
        [['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10']],
        ['kind' => 'cylinder', 'round' => '6', 'length' => '20', 'along' => 'x', 'x' => '-8', 'z' => '30'],
        10.0,
        'face',
    ],
]);

it('nudges a shape along what it stands on, and keeps what is typed', function (array $step, array $by, array $typed) {
    $r = RecipeReader::fromArray([
        'format' => Recipe::FORMAT,
        'unit' => 'mm',
        'sizes' => ['gap' => '4'],
        'steps' => [
            ['id' => 's1', 'kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'],
            ['id' => 's2', 'kind' => 'block', 'width' => '8', 'depth' => '6', 'height' => '4'] + $step,
        ],
    ]);
    $where = static fn(Recipe $r): array => Aligning::box($r, 's2', (new Evaluator())->evaluate(...)) ?? [];
    $moved = Nudging::by($r, 's2', $by, (new Evaluator())->evaluate(...));
    foreach ($typed as $key => $value) {
        expect($moved->step('s2')?->text($key))->toBe($value, $key);
    }
    expect(
        array_map(
            static fn(float $a, float $b): float => round($a - $b, 9),
            array_slice($where($moved), 0, 3),
            array_slice($where($r), 0, 3),
        ),
    )->toEqualWithDelta($by, 1e-9);
})->with([
    'on the ground' => [['stand' => 'ground', 'x' => '3'], [1.0, -2.0, 5.0], ['x' => '4', 'y' => '-2', 'z' => '5']],
    'at a place' => [['x' => '1/2'], [1.0, 0.0, 0.0], ['x' => '1/2 + 1']],
    'a named size' => [['stand' => 'ground', 'x' => 'gap'], [1.0, 0.0, 0.0], ['x' => 'gap + 1']],
    'once more' => [['stand' => 'ground', 'x' => 'gap + 1'], [1.0, 0.0, 0.0], ['x' => 'gap + 2']],
    'back again' => [['stand' => 'ground', 'x' => 'gap + 1'], [-1.0, 0.0, 0.0], ['x' => 'gap']],
    'on a level face' => [['stand' => 'face', 'on' => 's1:top', 'sink' => '2'], [1.0, 0.0, 2.0], ['x' => '1', 'sink' => '0']],
    'on an upright face' => [['stand' => 'face', 'on' => 's1:right'], [1.0, 3.0, 2.0], ['x' => '3', 'y' => '2', 'sink' => '-1']],
    'at a corner' => [['stand' => 'point', 'at' => 's1:front / s1:left / s1:top'], [0.0, 0.0, 7.0], ['z' => '7']],
]);

it('turns a shape by steps within a full turn', function () {
    $r = Parts::recipe([['kind' => 'block', 'stand' => 'ground', 'facing' => '350'], ['kind' => 'round', 'edges' => []]]);
    expect(Nudging::turn($r, 's1', 15.0)->step('s1')?->text('facing'))
        ->toBe('5')
        ->and(
            Nudging::turn($r, 's1', -15.0)
                ->step('s1')
                ?->text('facing'),
        )
        ->toBe('335')
        ->and(Nudging::turn($r, 's2', 15.0)->toJson())
        ->toBe($r->toJson());
});

it('repeats a shape once more each time it is asked to', function () {
    $evaluate = (new Evaluator())->evaluate(...);
    $r = Copies::oneMore(
        Parts::recipe([
            ['kind' => 'block', 'name' => 'Picket', 'width' => '8', 'depth' => '4', 'height' => '30', 'stand' => 'ground'],
            ['kind' => 'ball', 'x' => '200'],
        ]),
        's1',
        $evaluate,
    );
    expect($r->steps[1]->name)
        ->toBe('Copies of Picket')
        ->and($r->steps[1]->text('count'))
        ->toBe('2')
        ->and($r->steps[1]->text('x'))
        ->toBe('12')
        ->and(Copies::oneMore($r, 's1', $evaluate)->steps[1]->text('count'))
        ->toBe('3')
        ->and(Copies::oneMore($r, 's3', $evaluate)->steps[1]->text('count'))
        ->toBe('3')
        ->and($evaluate(Copies::oneMore($r, 's1', $evaluate))->part()->vertexBox()[3])
        ->toBeGreaterThan(199.0);
});

it('puts six round the centre of what a shape stands on', function () {
    $evaluate = (new Evaluator())->evaluate(...);
    $r = Parts::recipe([
        ['kind' => 'cylinder', 'name' => 'Hub', 'round' => '40', 'length' => '8', 'x' => '30', 'y' => '5'],
        [
            'kind' => 'block',
            'name' => 'Blade',
            'width' => '4',
            'depth' => '4',
            'height' => '6',
            'stand' => 'face',
            'on' => 's1:top',
            'alignx' => 'middle',
            'aligny' => 'middle',
            'x' => '15',
        ],
    ]);
    $six = Copies::around($r, 's2', 6, $evaluate);
    $box = $evaluate($six)->part()->vertexBox();
    expect($six->steps[2]->text('x'))
        ->toBe('30')
        ->and($six->steps[2]->text('y'))
        ->toBe('5')
        ->and($evaluate($six)->isSound())
        ->toBeTrue()
        ->and((new MassProperties($evaluate($six)->part()))->volume)
        ->toEqualWithDelta(400 * M_PI * 8 + 6 * 96, 0.1)
        ->and($box[5])
        ->toBe(14.0);
});

it('lists shapes of which nothing is seen', function () {
    $evaluate = (new Evaluator())->evaluate(...);
    $r = Parts::recipe([
        ['kind' => 'ball', 'name' => 'Pea', 'round' => '5', 'stand' => 'ground', 'z' => '3'],
        ['kind' => 'block', 'name' => 'Box', 'stand' => 'ground'],
        ['kind' => 'block', 'name' => 'Twin', 'stand' => 'ground'],
        ['kind' => 'block', 'name' => 'Off', 'stand' => 'ground', 'off' => true],
        ['kind' => 'block', 'name' => 'Higher', 'stand' => 'ground', 'z' => '1'],
        ['kind' => 'cylinder', 'name' => 'Bore', 'length' => '5', 'effect' => 'cut', 'z' => '-1'],
    ]);
    expect(HiddenShapes::of($r, $evaluate))->toBe(['s1' => 'lies hidden inside Box', 's3' => 'lies exactly on Box']);
});

it('puts a shape at a corner that is there before it, and nowhere else', function () {
    $evaluate = (new Evaluator())->evaluate(...);
    $r = Parts::recipe([
        ['kind' => 'block', 'name' => 'Table'],
        ['kind' => 'ball', 'name' => 'Knob', 'round' => '6', 'stand' => 'ground', 'x' => '50'],
        ['kind' => 'block', 'name' => 'Late', 'x' => '100'],
    ]);
    $put = Nudging::to($r, 's2', 's1:front / s1:right / s1:top', $evaluate);
    expect(Aligning::box($put, 's2', $evaluate))->toEqualWithDelta([17.0, -13.0, 10.0, 23.0, -7.0, 16.0], 0.05);
    foreach (['s2:side', 's3:top', 's1:nothing'] as $not) {
        expect(fn() => Nudging::to($r, 's2', $not, $evaluate))->toThrow(StepProblem::class, 'Knob cannot be put there.');
    }
});
