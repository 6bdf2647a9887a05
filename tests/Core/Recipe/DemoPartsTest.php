<?php

declare(strict_types=1);

use Cubo\Measure\PartMeasures;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\SketchNotes;
use Tests\Soundness;

/** @return array<string, array<string, mixed>> */
function demoParts(): array
{
    $from = dirname(__DIR__, 3) . '/database/seeders/demo';

    $shapes = require "$from/shapes.php";

    return [...require "$from/parts.php", ...$shapes['exercises']];
}

it('opens every demo part without a warning, closed', function (string $key) {
    $plan = demoParts()[$key];
    $state = (new Evaluator())->evaluate(
        RecipeReader::fromArray([
            'format' => Recipe::FORMAT,
            'unit' => $plan['unit'],
            'groups' => $plan['groups'] ?? [],
            'steps' => $plan['steps'],
        ]),
    );
    foreach ($state->results as $r) {
        expect($r->messages)->toBe([], "$key $r->id: " . ($r->messages[0]->what ?? '') . ' ' . ($r->messages[0]->why ?? ''));
    }
    // and its sketches are tied to the origin, with nothing left free
    $recipe = RecipeReader::fromArray([
        'format' => Recipe::FORMAT,
        'unit' => $plan['unit'],
        'groups' => $plan['groups'] ?? [],
        'steps' => $plan['steps'],
    ]);
    foreach ($recipe->steps as $s) {
        expect(SketchNotes::of($recipe, $s))->toBe([], "$key $s->id");
    }
    $m = new PartMeasures($state->part());
    expect(Soundness::faults($state->part()))
        ->toBe([])
        ->and($m->isClosed())
        ->toBeTrue()
        ->and($m->mass()->volume)
        ->toBeGreaterThan(0.0)
        // it stands on the ground
        ->and($m->bounds()->min[2])
        ->toEqualWithDelta(0.0, 1e-9);
})->with(['vane', 'cup', 'spout', 'label', 'shelf', 'tray', 'feeder', 'wheel', 'sign']);

it('has a library of eight parts that are sound, each with its sizes', function () {
    $demo = require dirname(__DIR__, 3) . '/database/seeders/demo/shapes.php';
    $library = $demo['library'];
    expect($library)->toHaveCount(8);
    foreach ($library as $entry) {
        $r = RecipeReader::fromArray([
            'format' => Recipe::FORMAT,
            'unit' => 'mm',
            'groups' => ['g1' => $entry['group']],
            'steps' => [['id' => 's1', 'kind' => 'group', 'group' => 'g1', 'stand' => 'ground']],
        ]);
        foreach ([$r, $r->opened('g1')->atHand()] as $one) {
            $state = (new Evaluator())->evaluate($one);
            foreach ($state->results as $result) {
                expect($result->messages)->toBe([], "{$entry['group']['title']} $result->id: " . ($result->messages[0]->why ?? ''));
            }
            $m = new PartMeasures($state->part());
            expect(Soundness::faults($state->part()))
                ->toBe([])
                ->and($m->bodyCount())
                ->toBe(1)
                ->and($m->bounds()->min[2])
                ->toEqualWithDelta(0.0, 1e-9);
        }
    }
});

it('uses all but the rarest kinds of steps in them', function () {
    $used = [];
    foreach (demoParts() as $plan) {
        $used = [...$used, ...array_column($plan['steps'], 'kind')];
    }
    expect(count(array_diff(array_keys(Kinds::all()), $used)))->toBeLessThanOrEqual(2);
});

it('builds the part of the guide without a warning, tied to the origin, symmetric to both sides', function () {
    $recipe = RecipeReader::fromJson((string) file_get_contents(dirname(__DIR__, 3) . '/resources/guide/rain-gauge-shelf.json'));
    $state = (new Evaluator())->evaluate($recipe);
    foreach ($recipe->steps as $s) {
        expect($state->results[$s->id]->messages)->toBe([], $s->id)->and(SketchNotes::of($recipe, $s))->toBe([], $s->id);
    }
    $m = new PartMeasures($state->part());
    expect(Soundness::faults($state->part()))
        ->toBe([])
        ->and($m->symmetry(1)->deviation)
        ->toBeLessThan(0.01)
        ->and($m->bounds()->min[2])
        ->toEqualWithDelta(0.0, 1e-9);
});
