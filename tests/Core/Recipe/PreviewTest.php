<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Make\Arrow;
use Cubo\Recipe\Preview;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\Reliance;
use Cubo\Recipe\UnreadableRecipe;
use Cubo\Solid\Solid;
use Tests\Drawn;
use Tests\Parts;

function previewed(array $steps, ?string $id = null): Preview
{
    $r = Parts::recipe($steps);

    return Preview::of($r, $r->step($id ?? 's' . count($steps)), (new Evaluator())->evaluate(...));
}

function holds(?Solid $s): float
{
    return $s === null ? 0.0 : (new MassProperties($s))->volume;
}

$block = ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'];

it('tells what every sort of step adds and takes away', function (array $step, float $added, float $removed) use ($block) {
    $p = previewed([$block, ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10)], $step]);
    expect(holds($p->added))->toEqualWithDelta($added, 0.2)->and(holds($p->removed))->toEqualWithDelta($removed, 0.2);
})->with([
    'an extrusion partly inside' => [['kind' => 'extrude', 'sketch' => 's2', 'distance' => '30'], 2000.0, 0.0],
    'a cut partly outside' => [['kind' => 'extrude', 'sketch' => 's2', 'distance' => '30', 'effect' => 'cut'], 0.0, 4000.0],
    'what both share' => [['kind' => 'extrude', 'sketch' => 's2', 'distance' => '30', 'effect' => 'keep'], 0.0, 44000.0],
    'a hole' => [['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'round' => '8'], 0.0, 320 * M_PI],
    'a round' => [['kind' => 'round', 'edges' => ['s1:front / s1:top'], 'radius' => '4'], 0.0, 60 * 16 * (1 - M_PI / 4)],
    'a pull' => [['kind' => 'pull', 'faces' => ['s1:top'], 'distance' => '3'], 7200.0, 0.0],
    'a pull inward' => [['kind' => 'pull', 'faces' => ['s1:top'], 'distance' => '-3'], 0.0, 7200.0],
    'a draft' => [
        ['kind' => 'draft', 'faces' => ['s1:front'], 'angle' => '45', 'plane' => 'ground', 'offset' => '10'],
        60 * 50.0,
        60 * 50.0,
    ],
    'a move' => [['kind' => 'move', 'x' => '10'], 8000.0, 8000.0],
    'a hollow' => [['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']], 0.0, 56 * 36 * 18.0],
    'a failed step' => [['kind' => 'extrude', 'sketch' => 's9'], 0.0, 0.0],
    'a step that is off' => [['kind' => 'extrude', 'sketch' => 's2', 'distance' => '30', 'off' => true], 0.0, 0.0],
]);

it('shows the first step as all added, and a repeated cut as taken away', function () use ($block) {
    expect(holds(previewed([$block])->added))->toEqualWithDelta(48000, 1e-6);
    $p = previewed([
        $block,
        ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '40', 'x' => '-20', 'z' => '-5', 'effect' => 'cut'],
        ['kind' => 'repeat', 'of' => 'step', 'source' => 's2', 'count' => '3', 'x' => '15'],
    ]);
    expect(holds($p->removed))
        ->toEqualWithDelta(2 * 16 * 20, 1e-6)
        ->and($p->added)
        ->toBeNull();
});

it('puts arrows where a value ends, along the way it grows', function (array $steps, array $arrows) {
    $got = array_map(
        static fn(Arrow $h): array => [
            $h->key,
            array_map(static fn(float $v): float => round($v, 6) + 0.0, $h->at),
            array_map(static fn(float $v): float => round($v, 6) + 0.0, $h->way),
            $h->per,
        ],
        previewed($steps)->arrows,
    );
    expect($got)->toEqual($arrows);
})->with([
    'an extrusion' => [
        [['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10, 5, 0)], ['kind' => 'extrude', 'sketch' => 's1', 'distance' => '8']],
        [['distance', [5, 0, 8], [0, 0, 1], 1.0]],
    ],
    'an extrusion down' => [
        [
            ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10)],
            ['kind' => 'extrude', 'sketch' => 's1', 'distance' => '8', 'direction' => 'down', 'start' => '2'],
        ],
        [['distance', [0, 0, -10], [0, 0, -1], 1.0]],
    ],
    'evenly' => [
        [
            ['kind' => 'sketch', 'plane' => 'front', 'drawn' => Drawn::rectangle(20, 10)],
            ['kind' => 'extrude', 'sketch' => 's1', 'extent' => 'middle', 'distance' => '8'],
        ],
        [['distance', [0, -4, 0], [0, -1, 0], 0.5]],
    ],
    'both ways' => [
        [
            ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10)],
            ['kind' => 'extrude', 'sketch' => 's1', 'extent' => 'both', 'distance' => '8', 'second' => '3'],
        ],
        [['distance', [0, 0, 8], [0, 0, 1], 1.0], ['second', [0, 0, -3], [0, 0, -1], 1.0]],
    ],
    'a block about its middle' => [
        [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20', 'x' => '1']],
        [
            ['width', [31, 0, 10], [1, 0, 0], 0.5],
            ['depth', [1, 20, 10], [0, 1, 0], 0.5],
            ['height', [1, 0, 20], [0, 0, 1], 1.0],
            ['x', [1, 0, 0], [1, 0, 0], 1.0],
            ['y', [1, 0, 0], [0, 1, 0], 1.0],
        ],
    ],
    'a cylinder lying' => [
        [['kind' => 'cylinder', 'by' => 'radius', 'round' => '5', 'length' => '30', 'along' => 'x']],
        [
            ['length', [30, 0, 0], [1, 0, 0], 1.0],
            ['round', [15, 5, 0], [0, 1, 0], 1.0],
            ['x', [15, 0, -5], [1, 0, 0], 1.0],
            ['y', [15, 0, -5], [0, 1, 0], 1.0],
        ],
    ],
    'nothing to draw' => [[['kind' => 'block'], ['kind' => 'round', 'edges' => ['s1:front / s1:top']]], []],
    'a value that cannot be read' => [[['kind' => 'block', 'width' => 'wide']], []],
]);

it('shows the regions a step may take, in space', function () {
    $drawn = Drawn::rectangle(20, 10);
    $two = [
        'kind' => 'sketch',
        'plane' => 'side',
        'offset' => '3',
        'shapes' => [['kind' => 'rectangle', 'width' => '20', 'height' => '10'], ['kind' => 'circle', 'round' => '4']],
    ];
    $areas = previewed([$two, ['kind' => 'extrude', 'sketch' => 's1', 'regions' => [2]]])->areas;
    expect(array_column($areas, 'taken'))
        ->toBe([false, true])
        ->and($areas[0]['loops'][0][0][0])
        ->toEqualWithDelta(3.0, 1e-12)
        ->and(count($areas[0]['loops']))
        ->toBe(2)
        ->and(previewed([['kind' => 'sketch', 'drawn' => $drawn]])->areas)
        ->toBe([]);
});

it('quickly gives the whole of what a step makes', function () use ($block) {
    $r = Parts::recipe([
        $block,
        ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '40', 'effect' => 'cut'],
        ['kind' => 'round', 'edges' => ['s1:front / s1:top']],
    ]);
    $quick = static fn(string $id): Preview => Preview::quick($r, $r->step($id), (new Evaluator())->evaluate(...));
    expect(holds($quick('s2')->removed))
        ->toEqualWithDelta(640, 1e-9)
        ->and($quick('s2')->added)
        ->toBeNull()
        ->and($quick('s3')->added)
        ->toBeNull()
        ->and($quick('s3')->removed)
        ->toBeNull();
});

it('adds a step after another one, with what stands before it', function () {
    $r = Parts::recipe([
        ['kind' => 'sketch', 'drawn' => Drawn::rectangle(20, 10)],
        ['kind' => 'block'],
        ['kind' => 'sketch', 'drawn' => Drawn::rectangle(2, 1)],
    ]);
    $a = Editing::add($r, Kinds::of('extrude'), 's1');
    expect(array_column($a->steps, 'id'))
        ->toBe(['s1', 's4', 's2', 's3'])
        ->and($a->step('s4')?->text('sketch'))
        ->toBe('s1')
        ->and(array_column(Editing::add($r, Kinds::of('extrude'))->steps, 'id'))
        ->toBe(['s1', 's2', 's3', 's4'])
        ->and(array_column(Editing::add($r, Kinds::of('extrude'), 'gone')->steps, 'id'))
        ->toBe(['s1', 's2', 's3', 's4']);
});

it('knows what stands in the way of a step', function () use ($block) {
    $r = new Reliance(
        Parts::recipe([
            $block,
            ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top', 'drawn' => Drawn::rectangle(2, 1)],
            ['kind' => 'block', 'x' => '90'],
            ['kind' => 'extrude', 'sketch' => 's2'],
        ]),
    );
    expect($r->inTheWay('s3', -1))
        ->toBeNull()
        ->and($r->inTheWay('s4', -1))
        ->toBeNull()
        ->and($r->inTheWay('s4', -2)?->id)
        ->toBe('s2')
        ->and($r->inTheWay('s1', 1)?->id)
        ->toBe('s2')
        ->and($r->inTheWay('s2', 1))
        ->toBeNull()
        ->and($r->inTheWay('s2', 2)?->id)
        ->toBe('s4')
        ->and($r->inTheWay('none', 1))
        ->toBeNull();
});

it('does not count a reference that is not used the way a step is set', function () {
    $r = static fn(array $hole): array => (new Reliance(
        Parts::recipe([
            ['kind' => 'block'],
            ['kind' => 'sketch', 'drawn' => Drawn::rectangle(2, 1)],
            ['kind' => 'hole', 'face' => 's1:top', 'sketch' => 's2'] + $hole,
        ]),
    ))->of('s3');
    expect($r(['where' => 'face']))
        ->toBe(['s1'])
        ->and($r(['where' => 'points']))
        ->toBe(['s2']);
});

it('keeps paint, pins, remarks and headings in the file, and refuses what is none', function () use ($block) {
    $r = Parts::recipe([$block + ['note' => 'why', 'heading' => 'Plate']]);
    $r = Editing::pin(Editing::paint($r, ['s1:top', 's1:left'], 'green'), ['s1:left', 's1:right']);
    $again = RecipeReader::fromJson($r->toJson());
    expect($again->toJson())
        ->toBe($r->toJson())
        ->and($again->paint)
        ->toBe(['s1:top' => 'green', 's1:left' => 'green'])
        ->and($again->pins)
        ->toBe([['s1:left', 's1:right']])
        ->and($again->steps[0]->note)
        ->toBe('why')
        ->and($again->steps[0]->heading)
        ->toBe('Plate')
        ->and(Editing::pin($r, ['s1:left', 's1:right'])->pins)
        ->toBe([])
        ->and(Editing::pin($r, [])->pins)
        ->toHaveCount(1)
        ->and(Editing::paint($r, ['s1:top'], 'none')->paint)
        ->toBe(['s1:left' => 'green']);
    foreach (
        [
            ['paint' => ['s1:top' => 'pink']],
            ['paint' => 'red'],
            ['pins' => [[]]],
            ['pins' => [['a', 'b', 'c', 'd']]],
            ['pins' => ['a']],
            ['pins' => array_fill(0, 21, ['a'])],
        ]
        as $odd
    ) {
        expect(fn() => RecipeReader::fromArray($odd + $r->toArray()))->toThrow(UnreadableRecipe::class);
    }
});

it('does not make the part anew for a remark, a heading, paint or a pin', function () use ($block) {
    $r = Parts::recipe([$block]);
    $key = (new Evaluator())->evaluate($r)->key;
    $other = Editing::pin(Editing::paint(Editing::set($r, 's1', [], 'Plate', 'why', 'First'), ['s1:top'], 'red'), ['s1:top']);
    expect((new Evaluator())->evaluate($other)->key)
        ->toBe($key)
        ->and($other->steps[0]->heading)
        ->toBe('First');
});
