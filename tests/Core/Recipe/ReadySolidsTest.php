<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepKind;
use Cubo\Quantity\Unit;
use Tests\Parts;
use Tests\Soundness;

/** @param list<array<string, mixed>> $steps @return list<float> the box around the part */
function boxOf(array $steps): array
{
    $state = Parts::build($steps);
    foreach ($state->results as $r) {
        expect($r->status)->toBe('done', "$r->id: " . ($r->messages[0]->what ?? '') . ' ' . ($r->messages[0]->why ?? ''));
    }
    expect(Soundness::faults($state->part()))->toBe([]);

    return array_map(static fn (float $v): float => round($v, 6) + 0.0, $state->part()->vertexBox());
}

// closed forms of solid geometry: common practice, no source
it('makes every ready solid as large as its sizes say', function (array $step, float $volume, float $within) {
    $state = Parts::build([$step]);
    expect($state->results['s1']->status)->toBe('done', $state->results['s1']->messages[0]->why ?? '')
        ->and(Soundness::faults($state->part()))->toBe([])
        ->and((new MassProperties($state->part()))->volume)->toEqualWithDelta($volume, $within);
})->with([
    'a tube' => [['kind' => 'tube', 'round' => '20', 'wall' => '3', 'length' => '10'], M_PI * (100 - 49) * 10, 1e-2],
    'half a ball' => [['kind' => 'halfball', 'by' => 'radius', 'round' => '10'], 2000 / 3 * M_PI, 1e-2],
    'half a cylinder' => [['kind' => 'halfcylinder', 'round' => '20', 'length' => '30'], 50 * M_PI * 30, 1e-2],
    'a ring' => [['kind' => 'ring', 'round' => '40', 'thick' => '8'], 2 * M_PI ** 2 * 16 * 16, 0.2],
    'a wedge' => [['kind' => 'wedge', 'width' => '40', 'depth' => '20', 'height' => '20'], 8000.0, 1e-6],
    'a wedge that is cut off' => [['kind' => 'wedge', 'width' => '40', 'depth' => '20', 'height' => '20', 'low' => '5'], 40 * 20 * 12.5, 1e-6],
    'a roof' => [['kind' => 'roof', 'width' => '40', 'depth' => '30', 'height' => '20'], 12000.0, 1e-6],
    'a hexagon across its corners' => [['kind' => 'prism', 'sides' => '6', 'round' => '20', 'height' => '10'], 150 * sqrt(3) * 10, 1e-6],
    'a hexagon across its flats' => [['kind' => 'prism', 'sides' => '6', 'across' => 'flats', 'round' => '20', 'height' => '10'], 200 * sqrt(3) * 10, 1e-6],
    'a square pyramid' => [['kind' => 'pyramid', 'sides' => '4', 'across' => 'flats', 'round' => '20', 'tip' => '0', 'height' => '15'], 2000.0, 1e-6],
    'a pyramid that is cut off' => [['kind' => 'pyramid', 'sides' => '4', 'across' => 'flats', 'round' => '20', 'tip' => '10', 'height' => '15'], 15 * (400 + 100 + 200) / 3, 1e-6],
    'a block with rounded uprights' => [['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10', 'edges' => 'upright', 'bevel' => '3'], 10 * (800 - 9 * (4 - M_PI)), 1e-2],
    'a block with chamfered uprights' => [['kind' => 'block', 'width' => '40', 'depth' => '20', 'height' => '10', 'edges' => 'uprightcut', 'bevel' => '3'], 10 * (800 - 18.0), 1e-6],
]);

it('says in words what no shape can be', function (array $step, string $outcome) {
    expect(Parts::outcome([$step]))->toBe($outcome);
})->with([
    'a tube without a hole' => [['kind' => 'tube', 'round' => '10', 'wall' => '5'], 'no-wall@wall'],
    'a ring without a hole' => [['kind' => 'ring', 'round' => '20', 'thick' => '10'], 'no-hole@thick'],
    'two sides' => [['kind' => 'prism', 'sides' => '2'], 'no-polygon@sides'],
    'ten thousand sides' => [['kind' => 'prism', 'sides' => '10000'], 'not-a-count@sides'],
    'edges too soft' => [['kind' => 'block', 'width' => '10', 'depth' => '10', 'height' => '10', 'edges' => 'round', 'bevel' => '6'], 'too-wide@bevel'],
    'a negative size' => [['kind' => 'roof', 'height' => '-3'], 'not-positive@height'],
    'on no face' => [['kind' => 'block', 'stand' => 'face'], 'no-face@on'],
]);

it('stands every solid on the ground, never half below it', function (StepKind $kind, string $along) {
    $values = ['kind' => $kind->value, 'stand' => 'ground'] + (isset($kind->fields()['along']) ? ['along' => $along] : []);
    $box = boxOf([$values]);
    expect($box[2])->toBe(0.0);
    $lifted = boxOf([['z' => '2', 'x' => '7', 'y' => '-4', 'facing' => '30'] + $values]);
    expect($lifted[2])->toBe(2.0)->and(($lifted[0] + $lifted[3]) / 2)->toEqualWithDelta(7.0, 1e-5)->and(($lifted[1] + $lifted[4]) / 2)->toEqualWithDelta(-4.0, 1e-5);
})->with(array_merge(...array_map(static fn (StepKind $k): array => array_map(static fn (string $a): array => [$k, $a], isset($k->fields()['along']) ? ['x', 'y', 'z'] : ['z']), StepKind::solids())));

it('stands on a face, aligned and sunk, and is carried when the face moves', function (array $stand, array $box) {
    foreach (['20' => 20.0, '35' => 35.0] as $height => $top) {
        // as a body of its own its faces can be told apart
        $all = Parts::build([['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => (string) $height, 'x' => '5'], ['kind' => 'block', 'width' => '10', 'depth' => '8', 'height' => '6', 'stand' => 'face', 'on' => 's1:top', 'effect' => 'apart'] + $stand]);
        $own = [INF, INF, -INF, -INF, -INF];
        $part = $all->part();
        foreach ($part->facet as $t => $f) {
            if (str_starts_with($part->surfaces[$part->surfaceOf[$f]]->name, 's2:')) {
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $v = $part->start[$h];
                    $own = [min($own[0], $part->x[$v]), min($own[1], $part->y[$v]), max($own[2], $part->x[$v]), max($own[3], $part->y[$v]), max($own[4], $part->z[$v])];
                }
            }
        }
        expect(array_slice($own, 0, 4))->toEqualWithDelta(array_slice($box, 0, 4), 1e-9)->and($own[4])->toEqualWithDelta($top + $box[4], 1e-9);
    }
})->with([
    // the face reaches from -25 to 35 and from -20 to 20
    'centred' => [['alignx' => 'middle', 'aligny' => 'middle'], [0.0, -4.0, 10.0, 4.0, 6.0]],
    'from the origin' => [['x' => '3', 'y' => '2'], [-2.0, -2.0, 8.0, 6.0, 6.0]],
    'flush left and behind' => [['alignx' => 'low', 'aligny' => 'high'], [-25.0, 12.0, -15.0, 20.0, 6.0]],
    'flush right, 2 in from the front' => [['alignx' => 'high', 'aligny' => 'low', 'y' => '2'], [25.0, -18.0, 35.0, -10.0, 6.0]],
    'sunk by 2' => [['alignx' => 'middle', 'aligny' => 'middle', 'sink' => '2'], [0.0, -4.0, 10.0, 4.0, 4.0]],
    'turned' => [['alignx' => 'low', 'aligny' => 'low', 'facing' => '90'], [-25.0, -20.0, -17.0, -10.0, 6.0]],
]);

it('stands on an upright face as on a wall', function () {
    $box = boxOf([['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'], ['kind' => 'cylinder', 'round' => '8', 'length' => '5', 'stand' => 'face', 'on' => 's1:right', 'alignx' => 'middle', 'aligny' => 'middle']]);
    expect($box[3])->toBe(35.0)->and($box[0])->toBe(-30.0)->and($box[5])->toBe(20.0);
});

it('makes the same part as sketching does', function () {
    $sketched = Parts::build([['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'], ['kind' => 'sketch', 'plane' => 'face', 'face' => 's1:top', 'shapes' => [['kind' => 'circle', 'by' => 'diameter', 'round' => '10', 'u' => '12', 'v' => '-3']]], ['kind' => 'extrude', 'sketch' => 's2', 'distance' => '15']])->part();
    $placed = Parts::build([['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20'], ['kind' => 'cylinder', 'round' => '10', 'length' => '15', 'stand' => 'face', 'on' => 's1:top', 'x' => '12', 'y' => '-3']])->part();
    expect(Parts::unlike($sketched, $placed))->toBeLessThan(1e-6);
});

it('shows a flat or a corner to the right, as it is measured', function () {
    expect(boxOf([['kind' => 'prism', 'sides' => '4', 'across' => 'flats', 'round' => '20']])[3])->toBe(10.0)
        ->and(boxOf([['kind' => 'prism', 'sides' => '4', 'round' => '20']])[3])->toBe(10.0)
        ->and(boxOf([['kind' => 'prism', 'sides' => '6', 'across' => 'flats', 'round' => '20']])[3])->toBe(10.0)
        ->and(boxOf([['kind' => 'prism', 'sides' => '6', 'across' => 'flats', 'round' => '20']])[4])->toEqualWithDelta(20 / sqrt(3), 1e-5);
});

it('puts new solids on the ground and keeps old recipes as they were', function () {
    expect(Editing::add(new Recipe(Unit::Millimetre), StepKind::Ball)->steps[0]->text('stand'))->toBe('ground')
        ->and(boxOf([['kind' => 'ball', 'round' => '20']])[2])->toBe(-10.0);
});
