<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepStatus;
use Cubo\Recipe\UnreadableRecipe;
use Cubo\Sketch\SketchFormat;
use Tests\Parts;

/** A rectangle drawn askew with a circle in it, and what is asked of both. */
function drawnPlate(array $changes = []): array
{
    return array_replace_recursive(
        [
            'points' => ['a' => [1, 2], 'b' => [38, 0], 'c' => [41, 19], 'd' => [-1, 22], 'm' => [12, 9]],
            'lines' => [
                ['id' => 'low', 'kind' => 'line', 'points' => ['a', 'b']],
                ['id' => 'right', 'kind' => 'line', 'points' => ['b', 'c']],
                ['id' => 'high', 'kind' => 'line', 'points' => ['c', 'd']],
                ['id' => 'left', 'kind' => 'line', 'points' => ['d', 'a']],
                ['id' => 'hole', 'kind' => 'circle', 'points' => ['m'], 'size' => 4],
            ],
            'relations' => [
                ['id' => 'r1', 'kind' => 'coincident', 'of' => ['a', 'origin']],
                ['id' => 'r2', 'kind' => 'horizontal', 'of' => ['low']],
                ['id' => 'r3', 'kind' => 'vertical', 'of' => ['right']],
                ['id' => 'r4', 'kind' => 'horizontal', 'of' => ['high']],
                ['id' => 'r5', 'kind' => 'vertical', 'of' => ['left']],
                ['id' => 'width', 'kind' => 'length', 'of' => ['low'], 'value' => '40'],
                ['id' => 'depth', 'kind' => 'length', 'of' => ['right'], 'value' => 'width / 2'],
                ['id' => 'd1', 'kind' => 'distance', 'of' => ['left', 'm'], 'value' => 'width/4'],
                ['id' => 'd2', 'kind' => 'distance', 'of' => ['low', 'm'], 'value' => 'depth/2'],
                ['id' => 'd3', 'kind' => 'diameter', 'of' => ['hole'], 'value' => '10'],
            ],
        ],
        $changes,
    );
}

function drawnRecipe(array $drawn, array|string $regions = 'all', array $sketch = []): Recipe
{
    return Parts::recipe([
        ['kind' => 'sketch', 'drawn' => $drawn] + $sketch,
        ['kind' => 'extrude', 'sketch' => 's1', 'regions' => $regions, 'distance' => '5'],
    ]);
}

it('makes a part of what is drawn, with its relations kept', function () {
    $state = (new Evaluator())->evaluate(drawnRecipe(drawnPlate(), ['high+ hole- left+ low+ right+']));
    expect($state->results['s1']->status)
        ->toBe(StepStatus::Done)
        ->and($state->results['s1']->regions)
        ->toHaveCount(2)
        ->and((new MassProperties($state->part()))->volume)
        ->toEqualWithDelta((800 - 25 * M_PI) * 5, 1e-3)
        ->and(array_slice($state->part()->vertexBox(), 3))
        ->toEqualWithDelta([40.0, 20.0, 5.0], 1e-9);
});

it('knows a picked region again after a change of a dimension, and says when it is gone', function () {
    $key = ['high+ hole- left+ low+ right+'];
    $wide = (new Evaluator())->evaluate(drawnRecipe(drawnPlate(['relations' => [5 => ['value' => '60']]]), $key));
    expect((new MassProperties($wide->part()))->volume)->toEqualWithDelta((1800 - 25 * M_PI) * 5, 1e-3);
    // a second hole: the region that shares most
    $more = drawnPlate();
    $more['points']['n'] = [30, 10];
    $more['lines'][] = ['id' => 'other', 'kind' => 'circle', 'points' => ['n'], 'size' => 3];
    expect((new MassProperties((new Evaluator())->evaluate(drawnRecipe($more, $key))->part()))->volume)->toEqualWithDelta(
        (800 - 34 * M_PI) * 5,
        1e-3,
    );
    $gone = (new Evaluator())->evaluate(drawnRecipe(drawnPlate(), ['ring+ rim-']));
    expect($gone->results['s2']->status)
        ->toBe(StepStatus::Failed)
        ->and($gone->results['s2']->messages[0]->code)
        ->toBe('no-region');
});

it('lays a sketch on a parallel plane', function () {
    $box = static fn(string $plane): array => (new Evaluator())
        ->evaluate(drawnRecipe(drawnPlate(), 'all', ['plane' => $plane, 'offset' => '3']))
        ->part()
        ->vertexBox();
    expect($box('ground'))
        ->toEqualWithDelta([0, 0, 3, 40, 20, 8], 1e-9)
        // towards the viewer
        ->and($box('front'))
        ->toEqualWithDelta([0, -8, 0, 40, -3, 20], 1e-9)
        ->and($box('side'))
        ->toEqualWithDelta([3, 0, 0, 8, 40, 20], 1e-9);
});

it('reads inches and names in values', function () {
    $inch = new Recipe(
        Cubo\Quantity\Unit::Inch,
        drawnRecipe(drawnPlate(['relations' => [5 => ['value' => '1 1/2'], 9 => ['value' => '10 mm']]]))->steps,
    );
    expect(array_slice((new Evaluator())->evaluate($inch)->part()->vertexBox(), 3, 2))->toEqualWithDelta([38.1, 19.05], 1e-9);
});

it('says at the dimension or relation what is wrong', function (array $changes, string $code, string $field, string $word) {
    $r = (new Evaluator())->evaluate(drawnRecipe(drawnPlate($changes)))->results['s1'];
    expect($r->status)
        ->toBe(StepStatus::Failed)
        ->and($r->messages[0]->code)
        ->toBe($code)
        ->and($r->messages[0]->field)
        ->toBe($field)
        ->and($r->messages[0]->what . ' ' . $r->messages[0]->why)
        ->toContain($word);
})->with([
    'a circle of names' => [['relations' => [5 => ['value' => 'depth * 2']]], 'unreadable', 'drawn.width', 'circle'],
    'its own name' => [['relations' => [9 => ['value' => 'd3 + 1']]], 'unreadable', 'drawn.d3', 'circle'],
    'an unknown name' => [['relations' => [9 => ['value' => 'breadth/2']]], 'unreadable', 'drawn.d3', 'breadth'],
    'no size' => [['relations' => [9 => ['value' => '0']]], 'unreadable', 'drawn.d3', 'zero'],
    'below zero' => [['relations' => [5 => ['value' => '-40']]], 'unreadable', 'drawn.width', 'below zero'],
    'a measured name' => [['relations' => [5 => ['measured' => true]]], 'unreadable', 'drawn.depth', 'measured'],
    'contradiction' => [
        ['relations' => [10 => ['id' => 'again', 'kind' => 'length', 'of' => ['high'], 'value' => '41']]],
        'clash',
        'drawn.width',
        'cannot all hold',
    ],
    'a relation that does not fit' => [
        ['relations' => [10 => ['id' => 'odd', 'kind' => 'parallel', 'of' => ['low', 'hole']]]],
        'unfit',
        'drawn.odd',
        'two lines',
    ],
    'all in one point' => [
        ['relations' => [10 => ['id' => 'flat', 'kind' => 'coincident', 'of' => ['a', 'b']]]],
        'clash',
        'drawn.width',
        'cannot all hold',
    ],
]);

it('refuses drawings that make no sense and says where', function (mixed $drawn, string $part) {
    expect(fn() => drawnRecipe($drawn))->toThrow(UnreadableRecipe::class, $part);
})->with([
    'no point of that name' => [
        ['points' => ['a' => [0, 0]], 'lines' => [['id' => 'l', 'kind' => 'line', 'points' => ['a', 'b']]]],
        'no point b',
    ],
    'a dimension of nothing' => [
        ['relations' => [['id' => 'd', 'kind' => 'length', 'of' => ['gone'], 'value' => '4']]],
        'nothing called gone',
    ],
    'a circle without a radius' => [
        ['points' => ['a' => [0, 0]], 'lines' => [['id' => 'c', 'kind' => 'circle', 'points' => ['a'], 'size' => 0]]],
        'size above zero',
    ],
    'a point that is no pair' => [['points' => ['a' => [0]]], 'not a pair'],
    'too far' => [['points' => ['a' => [0, 1e9]]], '20 metres'],
    'two of a name' => [
        ['points' => ['a' => [0, 0], 'b' => [1, 1]], 'lines' => [['id' => 'a', 'kind' => 'line', 'points' => ['a', 'b']]]],
        'two things',
    ],
    'an odd name' => [['points' => ['A b' => [0, 0]]], 'small letter'],
    'an unknown relation' => [
        ['points' => ['a' => [0, 0]], 'relations' => [['id' => 'r', 'kind' => 'friendly', 'of' => ['a']]]],
        'none of',
    ],
    'too many points' => [
        ['points' => array_combine(array_map(static fn(int $i): string => "p$i", range(1, 10000)), array_fill(0, 10000, [0, 0]))],
        'at most 1000',
    ],
]);

it('takes lines without length and arcs without extent as bounding nothing', function () {
    $flat = [
        'points' => ['a' => [0, 0], 'b' => [0, 0], 'm' => [5, 5], 'p' => [5, 5], 'q' => [5, 5]],
        'lines' => [
            ['id' => 'l', 'kind' => 'line', 'points' => ['a', 'b']],
            ['id' => 'k', 'kind' => 'arc', 'points' => ['m', 'p', 'q'], 'size' => 1e-9],
        ],
    ];
    $r = (new Evaluator())->evaluate(drawnRecipe($flat));
    expect($r->results['s2']->messages[0]->code)->toBe('open-outline');
});

it('writes what it reads', function () {
    $plate = drawnPlate(['lines' => [0 => ['role' => 'construction']], 'relations' => [9 => ['measured' => true]]]);
    $once = SketchFormat::write(SketchFormat::read($plate));
    expect(SketchFormat::write(SketchFormat::read(json_decode((string) json_encode($once), true))))
        ->toEqual($once)
        ->and($once['lines'][0]['role'])
        ->toBe('construction')
        ->and(drawnRecipe($plate)->toArray()['steps'][0]['drawn'])
        ->toEqual($once);
});

it('comes through random nonsense without a PHP error', function () {
    mt_srand(4711);
    $kinds = array_column(Cubo\Sketch\RelationKind::cases(), 'value');
    for ($i = 0; $i < 400; $i++) {
        $points = $lines = $relations = [];
        for ($k = 0; $k < 6; $k++) {
            $points["p$k"] = [mt_rand(-5, 5) * (mt_rand(0, 9) ? 1 : 1e-9), mt_rand(-5, 5)];
        }
        $any = static fn(): string => 'p' . mt_rand(0, 5);
        for ($k = 0; $k < 5; $k++) {
            $lines[] = [
                ['id' => "l$k", 'kind' => 'line', 'points' => [$any(), $any()]],
                ['id' => "l$k", 'kind' => 'circle', 'points' => [$any()], 'size' => mt_rand(1, 5)],
                ['id' => "l$k", 'kind' => 'arc', 'points' => [$any(), $any(), $any()], 'size' => 2],
                ['id' => "l$k", 'kind' => 'ellipse', 'points' => [$any(), $any()], 'size' => 2],
                ['id' => "l$k", 'kind' => 'curve', 'points' => [$any(), $any(), $any(), $any()]],
            ][mt_rand(0, 4)];
        }
        for ($k = 0; $k < 4; $k++) {
            $thing = static fn(): string => ['p' . mt_rand(0, 5), 'l' . mt_rand(0, 4), 'origin', 'u-axis'][mt_rand(0, 3)];
            $relations[] = [
                'id' => "r$k",
                'kind' => $kinds[mt_rand(0, count($kinds) - 1)],
                'of' => array_map($thing, range(1, mt_rand(1, 3))),
                'value' => ['4', 'r0 + 1', '', '0', '1e3', '7/2'][mt_rand(0, 5)],
            ];
        }
        $state = (new Evaluator())->evaluate(drawnRecipe(['points' => $points, 'lines' => $lines, 'relations' => $relations]));
        expect($state->results)->toHaveKeys(['s1', 's2']);
        if (!$state->isEmpty()) {
            expect(Tests\Soundness::faults($state->part()))->toBe([], "case $i");
        }
    }
});

it('sketches on a flat face of the part, which it follows', function () {
    $steps = static fn(string $height, array $sketch): array => [
        ['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => $height],
        [
            'kind' => 'sketch',
            'plane' => 'face',
            'drawn' => [
                'points' => ['m' => [10, 5]],
                'lines' => [['id' => 'boss', 'kind' => 'circle', 'points' => ['m'], 'size' => 3]],
                'relations' => [['id' => 'r', 'kind' => 'fixed', 'of' => ['boss']]],
            ],
        ] + $sketch,
        ['kind' => 'extrude', 'sketch' => 's2', 'distance' => '4'],
    ];
    $names = array_map(static fn($s): string => $s->name, Parts::build([['kind' => 'block']])->part()->surfaces);
    $top = array_values(array_filter($names, static fn(string $n): bool => str_ends_with($n, 'top')))[0];
    $front = array_values(array_filter($names, static fn(string $n): bool => str_ends_with($n, 'front')))[0];
    $box = static fn(string $height, array $sketch): array => Parts::build($steps($height, $sketch))->part()->vertexBox();
    // on the top it is higher when the block is
    expect($box('10', ['face' => $top])[5])
        ->toEqualWithDelta(14.0, 1e-9)
        ->and($box('16', ['face' => $top])[5])
        ->toEqualWithDelta(20.0, 1e-9)
        // on the front u runs to the right and v up, and it comes out to the viewer
        ->and($box('16', ['face' => $front])[1])
        ->toEqualWithDelta(-14.0, 1e-9)
        ->and((new MassProperties(Parts::build($steps('16', ['face' => $front]))->part()))->centroid[0])
        ->toBeGreaterThan(0.0);
    $gone = Parts::build($steps('10', ['face' => 's1:lid']))->results['s2'];
    expect($gone->status)
        ->toBe(StepStatus::Failed)
        ->and($gone->messages[0]->code)
        ->toBe('no-face')
        ->and($gone->messages[0]->field)
        ->toBe('face');
});
