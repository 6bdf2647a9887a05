<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Recipe\Aligning;
use Cubo\Recipe\Dropping;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Preview;
use Cubo\Recipe\Recipe;
use Tests\Parts;

/** @param list<array<string, mixed>> $steps */
function reading(array $steps, ?string $id = null): string
{
    $r = Parts::recipe($steps);

    return Preview::of($r, $r->step($id ?? 's' . count($steps)), (new Evaluator)->evaluate(...))->lies;
}

/** Where a step's solid lies along a way, alone. @return array{float, float} */
function reach(Recipe $r, string $id, int $k): array
{
    $all = (new Evaluator)->evaluate($r)->part();
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
$cap = static fn (array $more): array => $more + ['kind' => 'block', 'name' => 'Cap', 'width' => '8', 'depth' => '8', 'height' => '6', 'stand' => 'ground'];

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
    $r = Aligning::align($r, ['s1', 's2', 's3'], 's1', $way, $side, (new Evaluator)->evaluate(...));
    expect(reach($r, 's1', $k))->toBe($was)->and(reach($r, 's2', $k))->toEqualWithDelta($at[0], 1e-5)->and(reach($r, 's3', $k))->toEqualWithDelta($at[1], 1e-5);
    // again it changes nothing
    expect(Aligning::align($r, ['s1', 's2', 's3'], 's1', $way, $side, (new Evaluator)->evaluate(...))->toJson())->toBe($r->toJson());
})->with([
    'left' => ['x', 'low', [[90, 100], [90, 98]]], 'middle across' => ['x', 'middle', [[95, 105], [96, 104]]], 'right' => ['x', 'high', [[100, 110], [102, 110]]],
    'in front' => ['y', 'low', [[35, 45], [35, 43]]], 'behind' => ['y', 'high', [[55, 65], [57, 65]]],
    'low' => ['z', 'low', [[5, 17], [5, 13]]], 'high' => ['z', 'high', [[33, 45], [37, 45]]],
]);

it('keeps what was typed where it is not a plain number', function () use ($cap, $post) {
    $r = Aligning::align(Parts::recipe([$post, $cap(['x' => '1/2', 'z' => '10'])]), ['s2'], 's1', 'x', 'low', (new Evaluator)->evaluate(...));
    expect($r->step('s2')->text('x'))->toBe('1/2 - 6.5')->and(reach($r, 's2', 0)[0])->toBe(-10.0);
});

it('spaces shapes evenly between the outermost two', function () use ($cap) {
    $r = Parts::recipe([$cap(['x' => '0']), $cap(['x' => '9', 'width' => '4']), $cap(['x' => '50']), $cap(['x' => '12', 'width' => '10'])]);
    $r = Aligning::space($r, ['s1', 's2', 's3', 's4'], 'x', (new Evaluator)->evaluate(...));
    $gaps = [reach($r, 's2', 0)[0] - reach($r, 's1', 0)[1], reach($r, 's4', 0)[0] - reach($r, 's2', 0)[1], reach($r, 's3', 0)[0] - reach($r, 's4', 0)[1]];
    expect($gaps)->toEqualWithDelta([28 / 3, 28 / 3, 28 / 3], 1e-5)->and(reach($r, 's1', 0))->toBe([-4.0, 4.0])->and(reach($r, 's3', 0))->toBe([46.0, 54.0]);
    // two have no gaps to make equal
    expect(Aligning::space($r, ['s1', 's2'], 'x', (new Evaluator)->evaluate(...))->toJson())->toBe($r->toJson());
});

it('stacks shapes so that each is carried by the one below', function () use ($cap, $post) {
    $r = Aligning::stack(Parts::recipe([$post, $cap(['x' => '70']), ['kind' => 'ball', 'round' => '6'], $cap(['x' => '-70'])]), ['s1', 's2', 's3', 's4'], (new Evaluator)->evaluate(...));
    expect($r->step('s2')->text('on'))->toBe('s1:top')->and(reach($r, 's2', 2))->toBe([10.0, 16.0])->and($r->step('s3')->text('on'))->toBe('s2:top')
        // a ball has no flat top to stand on
        ->and($r->step('s4')->text('stand'))->toBe('ground');
    $taller = $r->withStep($r->step('s1')->with('height', '25'));
    expect(reach($taller, 's2', 2))->toBe([25.0, 31.0]);
});

it('changes nothing for steps that are no shapes, are gone, or cannot be made', function () use ($post) {
    $r = Parts::recipe([$post, ['kind' => 'round', 'edges' => ['s1:front / s1:top']], ['kind' => 'block', 'width' => 'wide']]);
    foreach ([fn () => Aligning::align($r, ['s2', 's3', 's9'], 's1', 'x', 'low', (new Evaluator)->evaluate(...)), fn () => Aligning::align($r, ['s1'], 's9', 'x', 'low', (new Evaluator)->evaluate(...)), fn () => Aligning::stack($r, ['s2', 's9'], (new Evaluator)->evaluate(...))] as $do) {
        expect($do()->toJson())->toBe($r->toJson());
    }
});

it('counts in a repeat: a staircase is one step', function () {
    $stairs = static fn (array $repeat, array $step = []): array => [$step + ['kind' => 'block', 'width' => '10', 'depth' => '20', 'height' => '5 + 5*n', 'stand' => 'ground'], ['kind' => 'repeat', 'of' => 'step', 'source' => 's1', 'count' => '4', 'x' => '10', 'y' => '0', 'z' => '0'] + $repeat];
    $volume = static fn (array $steps): float => (new MassProperties(Parts::build($steps)->part()))->volume;
    expect($volume($stairs([])))->toEqualWithDelta(200 * (5 + 10 + 15 + 20), 1e-6)
        // every other one: the first and the third
        ->and($volume($stairs(['every' => '2'])))->toEqualWithDelta(200 * (5 + 15), 1e-6)
        // in a place, and together with a size of the table
        ->and(Parts::build($stairs([], ['height' => '5', 'y' => '3*n']))->part()->vertexBox()[4])->toEqualWithDelta(19.0, 1e-9);
    // a size of the table that is called n means that one
    $own = Recipe::fromArray(['sizes' => ['n' => '2']] + Parts::recipe($stairs([]))->toArray());
    expect((new MassProperties((new Evaluator)->evaluate($own)->part()))->volume)->toEqualWithDelta(200 * 4 * 15, 1e-6);
});

it('says why counting goes wrong in a copy, and keeps the part', function () {
    $state = Parts::build([['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '20 - 10*n'], ['kind' => 'repeat', 'of' => 'step', 'source' => 's1', 'count' => '4', 'x' => '15', 'y' => '0', 'z' => '0']]);
    expect($state->results['s2']->messages[0]->code)->toBe('not-positive')->and($state->results['s2']->messages[0]->why)->toContain('In copy 2 of Block')->and((new MassProperties($state->part()))->volume)->toEqualWithDelta(2000, 1e-9);
});

it('repeats a body with every other copy left out', function () {
    $state = Parts::build([['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10'], ['kind' => 'repeat', 'of' => 'body', 'count' => '5', 'x' => '20', 'y' => '0', 'z' => '0', 'every' => '2']]);
    expect((new MassProperties($state->part()))->volume)->toEqualWithDelta(3000, 1e-6)->and($state->part()->vertexBox()[3])->toEqualWithDelta(85.0, 1e-9);
});

it('drops a shape onto what is below it', function (array $under, array $shape, float $low, string $stand) {
    $r = Dropping::drop(Parts::recipe([...$under, $shape]), 's' . (count($under) + 1), (new Evaluator)->evaluate(...));
    $id = 's' . (count($under) + 1);
    $state = (new Evaluator)->evaluate($r->withStep($r->step($id)->with('effect', 'apart')));
    expect($state->results[$id]->status)->toBe('done')->and(reach($r->withStep($r->step($id)->with('effect', 'apart')), $id, 2)[0])->toEqualWithDelta($low, 1e-4)
        ->and($r->step($id)->text('stand'))->toBe($stand);
})->with([
    'onto a block, where it then stands' => [[['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10']], ['kind' => 'block', 'width' => '8', 'depth' => '8', 'height' => '6', 'stand' => 'ground', 'x' => '5', 'z' => '50'], 10.0, 'face'],
    'half over the rim' => [[['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10']], ['kind' => 'block', 'width' => '30', 'depth' => '80', 'height' => '6', 'stand' => 'ground', 'x' => '25', 'z' => '50'], 10.0, 'face'],
    'onto the higher of two' => [[['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10'], ['kind' => 'block', 'width' => '4', 'depth' => '4', 'height' => '17', 'x' => '3']], ['kind' => 'block', 'width' => '20', 'depth' => '20', 'height' => '6', 'stand' => 'ground', 'z' => '50'], 17.0, 'face'],
    'beside everything, onto the ground' => [[['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10']], ['kind' => 'block', 'width' => '8', 'depth' => '8', 'height' => '6', 'x' => '80', 'z' => '50'], 0.0, 'ground'],
    'a beam across a ridge: edges meet first' => [[['kind' => 'roof', 'width' => '40', 'depth' => '40', 'height' => '20']], ['kind' => 'block', 'width' => '80', 'depth' => '8', 'height' => '6', 'stand' => 'ground', 'z' => '50', 'facing' => '10'], 20.0, 'ground'],
    'from a typed place, keeping it' => [[['kind' => 'block', 'width' => '40', 'depth' => '40', 'height' => '10']], ['kind' => 'cylinder', 'round' => '6', 'length' => '20', 'along' => 'x', 'x' => '-8', 'z' => '30'], 10.0, 'face'],
]);
