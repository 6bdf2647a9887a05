<?php

declare(strict_types=1);

use Cubo\Quantity\Unit;
use Cubo\Recipe\BodyNames;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\StepStatus;
use Tests\Parts;

it('adds a step of every kind that works at once', function (Unit $unit): void {
    $r = new Recipe($unit);
    foreach (
        [
            Kinds::of('block'),
            Kinds::of('cylinder'),
            Kinds::of('cone'),
            Kinds::of('ball'),
            Kinds::of('sketch'),
            Kinds::of('extrude'),
            Kinds::of('move'),
            Kinds::of('turn'),
        ]
        as $kind
    ) {
        $r = Editing::add($r, $kind);
        $r = $kind === Kinds::of('sketch') ? Editing::addShape($r, $r->steps[count($r->steps) - 1]->id, 'rectangle') : $r;
    }
    $state = (new Evaluator())->evaluate($r);
    foreach ($state->results as $id => $result) {
        expect($result->status)->toBe(StepStatus::Done, "$id in {$unit->value}");
    }
})->with([Unit::Millimetre, Unit::Inch]);

it('keeps what was typed, also when it cannot be read', function (): void {
    $r = Editing::set(Parts::recipe([['kind' => 'block']]), 's1', [
        'width' => ' 12..5 ',
        'effect' => 'cut',
        'from' => 'nowhere',
        'colour' => 'red',
    ]);
    $s = $r->step('s1');
    expect($s?->text('width'))
        ->toBe('12..5')
        ->and($s?->text('effect'))
        ->toBe('cut')
        ->and($s?->text('from'))
        ->toBe('middle')
        ->and($s?->values)
        ->not->toHaveKey('colour');
});

it('renames a step, but never to nothing', function (): void {
    $r = Parts::recipe([['kind' => 'block', 'name' => 'Plate']]);
    expect(Editing::set($r, 's1', [], 'Base')->step('s1')?->name)
        ->toBe('Base')
        ->and(Editing::set($r, 's1', [], '  ')->step('s1')?->name)
        ->toBe('Plate')
        ->and(Editing::set($r, 's1', [])->step('s1')?->name)
        ->toBe('Plate');
});

it('reads picked regions as people write them', function (mixed $typed, string|array $regions): void {
    $r = Editing::set(Parts::recipe([['kind' => 'extrude']]), 's1', ['regions' => $typed]);
    expect($r->step('s1')?->values['regions'])->toBe($regions);
})->with([
    ['all', 'all'],
    ['', 'all'],
    [' ALL ', 'all'],
    ['1, 3', [1, 3]],
    ['2', [2]],
    ['1 and 2', [1, 2]],
    [['1', '4'], [1, 4]],
    ['none', 'all'],
]);

it('adds, changes and removes outlines of a sketch', function (): void {
    $r = Editing::add(new Recipe(Unit::Millimetre), Kinds::of('sketch'));
    expect($r->step('s1')?->shapes())->toBe([]);
    $r = Editing::addShape(Editing::addShape($r, 's1', 'rectangle'), 's1', 'circle');
    expect($r->step('s1')?->shapes())->toHaveCount(2);
    $r = Editing::set($r, 's1', ['shapes' => [1 => ['round' => '12', 'by' => 'guess', 'kind' => 'star', 'foo' => 'x']]]);
    expect($r->step('s1')?->shapes()[1])->toBe(['kind' => 'circle', 'u' => '0', 'v' => '0', 'by' => 'diameter', 'round' => '12']);
    $r = Editing::dropShape($r, 's1', 'a');
    expect($r->step('s1')?->shapes())
        ->toHaveCount(1)
        ->and(Editing::dropShape($r, 's1', 'zz')->toJson())
        ->toBe($r->toJson());
});

it('lets nothing unknown change a part', function (): void {
    $r = Parts::recipe([['kind' => 'block']]);
    expect(Editing::set($r, 's9', ['width' => '1'])->toJson())
        ->toBe($r->toJson())
        ->and(Editing::addShape($r, 's1', 'circle')->toJson())
        ->toBe($r->toJson())
        ->and(Editing::set($r, 's1', ['width' => ['a']])->toJson())
        ->toBe($r->toJson());
});

it('stops at the most steps a part may have', function (): void {
    $r = Parts::recipe(array_fill(0, 200, ['kind' => 'ball']));
    expect(Editing::add($r, Kinds::of('ball'))->steps)->toHaveCount(200);
});

it('names bodies after the first step they have faces of', function (): void {
    $names = array_keys(
        BodyNames::of(
            Parts::build([
                ['kind' => 'block', 'width' => '40', 'depth' => '10', 'height' => '10'],
                ['kind' => 'block', 'width' => '4', 'depth' => '10', 'height' => '10', 'effect' => 'cut'],
                ['kind' => 'ball', 'round' => '5', 'x' => '50'],
            ])->part(),
        ),
    );
    expect($names)->toBe(['s1', 's1.2', 's3']);
});

it('keeps the name of a body when an earlier size changes', function (): void {
    $names = fn(string $width) => array_keys(
        BodyNames::of(
            Parts::build([
                ['kind' => 'block', 'width' => $width, 'depth' => '10', 'height' => '10'],
                ['kind' => 'ball', 'round' => '5', 'x' => '80'],
                ['kind' => 'copy', 'body' => 's2', 'times' => '2', 'x' => '10'],
            ])->part(),
        ),
    );
    expect($names('40'))->toBe($names('60'))->toHaveCount(4);
});

it('never makes a recipe that cannot be read again', function (): void {
    mt_srand(11);
    $words = ['12', 'middle', 'radius', 'x', '', '1/0', 'all', "\u{2603}"];
    for ($i = 0; $i < 400; $i++) {
        $r = Parts::recipe([
            ['kind' => 'sketch', 'shapes' => [['kind' => 'circle'], ['kind' => 'rectangle']]],
            ['kind' => 'extrude', 'sketch' => 's1'],
            ['kind' => 'cone'],
        ]);
        $typed = [];
        foreach (['plane', 'sketch', 'regions', 'distance', 'direction', 'effect', 'by', 'round', 'tip', 'along'] as $key) {
            $typed[$key] = $words[mt_rand(0, 7)];
        }
        foreach (['u', 'v', 'by', 'round', 'from', 'width', 'kind'] as $key) {
            $typed['shapes'][mt_rand(0, 2)][$key] = $words[mt_rand(0, 7)];
        }
        foreach (['s1', 's2', 's3'] as $id) {
            $r = Editing::set($r, $id, $typed, $words[mt_rand(0, 7)]);
        }
        expect(RecipeReader::fromJson($r->toJson())->toJson())->toBe($r->toJson());
    }
});

it('drills on a face where there is no sketch yet, at its points where there is one', function (): void {
    $block = Editing::add(new Recipe(Unit::Millimetre), Kinds::of('block'));
    expect(Editing::add($block, Kinds::of('hole'))->step('s2')?->text('where'))
        ->toBe('face')
        ->and(Editing::add(Editing::add($block, Kinds::of('sketch')), Kinds::of('hole'))->step('s3')?->text('where'))
        ->toBe('points');
});
