<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\Standing;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Rebasing;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\SketchNotes;
use Cubo\Recipe\SketchPlane;
use Cubo\Recipe\StepStatus;
use Cubo\Solid\Solid;
use Tests\Drawn;
use Tests\Parts;

function volumeIn(Solid $s): float
{
    return (new MassProperties($s))->volume;
}

function rebased(Recipe $r, string $plane, string $sketch = 's1'): Recipe
{
    $step = $r->step($sketch);
    $after = $r->withStep($step->with('plane', $plane));

    return Rebasing::follow($r, $after, $sketch, (new Evaluator())->evaluate(...));
}

it('keeps a hole through when the plate gets thicker', function () {
    $at = static fn(string $t): float => volumeIn(
        Parts::build([
            ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => $t],
            ['kind' => 'hole', 'where' => 'face', 'face' => 's1:top', 'round' => '8', 'extent' => 'through'],
        ])->part(),
    );
    // the facets of the bore are the same, so what the hole takes grows with the thickness and nothing else
    expect((2400 * 14 - $at('14')) / (2400 * 6 - $at('6')))->toEqualWithDelta(14 / 6, 1e-9);
});

it('lets a mirror follow its half and a repeat keep its count', function () {
    $half = static fn(string $w): array => [
        ['kind' => 'block', 'width' => $w, 'depth' => '20', 'height' => '10', 'from' => 'corner'],
        ['kind' => 'mirror', 'of' => 'body', 'plane' => 'side'],
    ];
    expect(Parts::build($half('30'))->part()->vertexBox()[0])
        ->toEqualWithDelta(-30, 1e-9)
        ->and(Parts::build($half('35'))->part()->vertexBox()[0])
        ->toEqualWithDelta(-35, 1e-9);
    $row = static fn(string $w): float => volumeIn(
        Parts::build([
            ['kind' => 'block', 'width' => '100', 'depth' => '20', 'height' => '10'],
            ['kind' => 'block', 'width' => $w, 'depth' => '30', 'height' => '4', 'x' => '-40', 'z' => '8', 'effect' => 'cut'],
            ['kind' => 'repeat', 'of' => 'step', 'source' => 's2', 'count' => '5', 'x' => '20'],
        ])->part(),
    );
    expect($row('4'))
        ->toEqualWithDelta(20000 - 5 * 4 * 20 * 2, 1e-6)
        ->and($row('6'))
        ->toEqualWithDelta(20000 - 5 * 6 * 20 * 2, 1e-6);
});

$bracket = [
    ['kind' => 'sketch', 'plane' => 'front', 'drawn' => Drawn::closed([[0, 0], [60, 0], [60, 10], [10, 10], [10, 50], [0, 50]])],
    ['kind' => 'extrude', 'sketch' => 's1', 'extent' => 'middle', 'distance' => '40'],
    // two holes of different size on each arm, so that no turn of the part is a symmetry of it
    ['kind' => 'hole', 'where' => 'face', 'face' => 's2:l3', 'u' => '30', 'v' => '11', 'round' => '6'],
    ['kind' => 'hole', 'where' => 'face', 'face' => 's2:l6', 'u' => '12', 'v' => '3*10', 'round' => '8'],
    ['kind' => 'sketch', 'plane' => 'face', 'face' => 's2:l5', 'drawn' => Drawn::rectangle(6, 4, 12, 5)],
    ['kind' => 'extrude', 'sketch' => 's5', 'distance' => '7'],
    ['kind' => 'sketch', 'plane' => 'face', 'face' => 's6:end', 'drawn' => Drawn::rectangle(3, 2, 12, 5)],
    ['kind' => 'extrude', 'sketch' => 's7', 'distance' => '2'],
    [
        'kind' => 'block',
        'width' => '5',
        'depth' => '3',
        'height' => '4',
        'stand' => 'face',
        'on' => 's2:l5',
        'alignx' => 'low',
        'aligny' => 'high',
        'x' => '1',
        'y' => '-2',
    ],
    [
        'kind' => 'wedge',
        'width' => '4',
        'depth' => '6',
        'height' => '3',
        'stand' => 'face',
        'on' => 's2:l2',
        'alignx' => 'middle',
        'aligny' => 'origin',
        'x' => '8',
        'y' => '-9',
        'sink' => '1',
    ],
    ['kind' => 'text', 'text' => 'F', 'height' => '6', 'depth' => '1', 'face' => 's2:l1', 'u' => '20', 'v' => '-8', 'angle' => '30'],
];

it('turns everything built on its faces when a base sketch changes its plane', function (string $from, string $to) use ($bracket) {
    $recipe = Parts::recipe($bracket);
    if ($from !== 'front') {
        $recipe = rebased($recipe, $from);
    }
    $before = (new Evaluator())->evaluate($recipe);
    $state = (new Evaluator())->evaluate(rebased($recipe, $to));
    foreach ([...$before->results, ...$state->results] as $r) {
        expect($r->status)->toBe(StepStatus::Done, "$r->id: " . ($r->messages[0]->what ?? ''));
    }
    $was = SketchPlane::from($from)->placement();
    $back = new Transform([$was->r[0], $was->r[3], $was->r[6], $was->r[1], $was->r[4], $was->r[7], $was->r[2], $was->r[5], $was->r[8]]);
    $turned = $before->part()->moved($back->then(SketchPlane::from($to)->placement()));
    expect(Parts::unlike($turned, $state->part()))->toBeLessThan(1e-6);
})->with([['front', 'ground'], ['front', 'side'], ['ground', 'front'], ['ground', 'side'], ['side', 'ground'], ['side', 'front']]);

it('comes back to what it was when a base sketch goes there and back', function () use ($bracket) {
    $recipe = Parts::recipe($bracket);
    $back = rebased(rebased($recipe, 'ground'), 'front');
    expect(Parts::unlike((new Evaluator())->evaluate($recipe)->part(), (new Evaluator())->evaluate($back)->part()))
        ->toBeLessThan(1e-6)
        // what was typed is still there, not a number worked out of it
        ->and($back->step('s4')->text('v'))
        ->toBe('3*10')
        ->and(rebased($recipe, 'ground')->step('s4')->text('u') . rebased($recipe, 'ground')->step('s4')->text('v'))
        ->toContain('3*10');
});

it('leaves alone what does not rest on the sketch', function () use ($bracket) {
    $recipe = Parts::recipe([
        ...$bracket,
        ['kind' => 'block', 'x' => '200'],
        ['kind' => 'hole', 'where' => 'face', 'face' => 's12:top', 'u' => '200', 'v' => '1'],
    ]);
    expect(rebased($recipe, 'ground')->step('s13')->toArray())->toBe($recipe->step('s13')->toArray());
});

it('turns and moves a sketch on its plane', function () {
    $b = Parts::build([
        ['kind' => 'sketch', 'turn' => '90', 'u' => '5', 'v' => '-3', 'offset' => '2', 'drawn' => Drawn::rectangle(20, 10, 8, 0)],
        ['kind' => 'extrude', 'sketch' => 's1', 'distance' => '1'],
    ])
        ->part()
        ->vertexBox();
    expect($b)->toEqualWithDelta([0.0, -5.0, 2.0, 10.0, 15.0, 3.0], 1e-9);
});

it('tells what is left free in a sketch, and what ties it to nothing', function (array $relations, array $codes) {
    $recipe = Parts::recipe([['kind' => 'sketch', 'drawn' => ['relations' => $relations] + Drawn::rectangle(20, 10)]]);
    expect(array_map(static fn($m) => $m->code, SketchNotes::of($recipe, $recipe->steps[0])))->toBe($codes);
})->with([
    'nothing' => [[], ['not-tied', 'free']],
    'tied, not dimensioned' => [[['id' => 'r1', 'kind' => 'coincident', 'of' => ['p0', 'origin']]], ['free']],
    'all fixed' => [[['id' => 'r1', 'kind' => 'fixed', 'of' => ['l1']], ['id' => 'r2', 'kind' => 'fixed', 'of' => ['l3']]], []],
]);

it('knows how a part stands', function (array $steps, bool $head, bool $balances) {
    $s = Standing::of(new PartMeasures(Parts::build($steps)->part()));
    expect($s->onItsHead())->toBe($head)->and($s->balances())->toBe($balances);
})->with([
    'a block' => [[['kind' => 'block']], false, false],
    'a cup' => [
        [['kind' => 'cylinder', 'round' => '40', 'length' => '30'], ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']]],
        false,
        false,
    ],
    'a cup upside down' => [
        [['kind' => 'cylinder', 'round' => '40', 'length' => '30'], ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:bottom']]],
        true,
        false,
    ],
    'a ball' => [[['kind' => 'ball']], false, true],
    'a cone on its tip' => [[['kind' => 'cone', 'round' => '0', 'tip' => '20']], false, true],
]);
