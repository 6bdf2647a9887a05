<?php

declare(strict_types=1);

use Cubo\Budget\Limits;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Difference;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\SizesTable;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\Draw\PadEdit;
use Cubo\Sketch\Draw\Refusal;
use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\SketchFormat;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Parts;
use Tests\WildRecipes;

/* All that is written can be read again, up to every limit. */

/** Whether a recipe comes back as it was written. */
function comesBack(Recipe $r): bool
{
    return RecipeReader::fromJson($r->toJson())->toJson() === $r->toJson();
}

it('reads back names of edges, texts and lists at their limits', function (int $length): void {
    $r = Editing::add(Editing::add(new Recipe(Unit::Millimetre), Kinds::of('block')), Kinds::of('round'));
    $name = 's1:' . str_repeat('a', $length - 3);
    for ($i = 0; $i < 5; $i++) {
        $r = Editing::pick($r, 's2', 'edges', substr($name, 0, -1) . $i, true);
    }
    $r = Editing::set(
        $r,
        's2',
        ['radius' => str_repeat('9', $length)],
        str_repeat('ü', $length),
        str_repeat('r', $length),
        str_repeat('h', $length),
    );
    expect(comesBack($r))
        ->toBeTrue()
        ->and($r->step('s2')->names('edges'))
        ->toHaveCount(5);
    // the same edge taken over into a sketch
    $sketch = new Sketch(['p1' => [0.0, 0.0], 'p2' => [9.0, 0.0]], ['l1' => new Entity('l1', EntityKind::Line, ['p1', 'p2'], edge: $name)]);
    expect(SketchFormat::read(SketchFormat::write($sketch))->entities['l1']->edge)->toBe($name);
})->with([40, 299, 301, Limits::NAME - 1, Limits::NAME]);

it('refuses what is beyond a limit when it is written, not when it is read', function (): void {
    $r = Editing::add(Editing::add(new Recipe(Unit::Millimetre), Kinds::of('block')), Kinds::of('round'));
    expect(fn() => Editing::pick($r, 's2', 'edges', str_repeat('x', Limits::NAME + 1), true))->toThrow(StepProblem::class);
    for ($i = 0; $i < Limits::NAMES; $i++) {
        $r = Editing::pick($r, 's2', 'edges', "s1:$i / s1:top", true);
    }
    expect(comesBack($r))->toBeTrue()->and(fn() => Editing::pick($r, 's2', 'edges', 's1:one / s1:more', true))->toThrow(StepProblem::class);
    for ($i = 0; $i < Limits::STEPS + 5; $i++) {
        $r = Editing::add($r, Kinds::of('ball'));
    }
    expect($r->steps)->toHaveCount(Limits::STEPS)->and(comesBack($r))->toBeTrue();
});

it('keeps a sketch readable however often a block is mirrored', function (): void {
    $s = PadEdit::make(new Sketch(), ['do' => 'type', 'text' => 'rectangle 10 by 10 at 20, 0'], Unit::Millimetre)->sketch;
    $kept = 0;
    for ($i = 0; $i < 12; $i++) {
        try {
            $s = PadEdit::make(
                $s,
                ['do' => 'type', 'text' => 'copy ' . implode(' ', array_keys($s->entities)) . ' by ' . (30 + 17 * $i) . ', ' . 11 * $i],
                Unit::Millimetre,
            )->sketch;
            $kept++;
        } catch (Refusal) {
            break;
        }
        expect(SketchFormat::write(SketchFormat::read(SketchFormat::write($s))))->toEqual(SketchFormat::write($s));
    }
    expect($kept)->toBeGreaterThan(2)->and(count($s->entities))->toBeLessThanOrEqual(Limits::LINES);
});

it('reads back any recipe that edits can make', function (): void {
    for ($seed = 1; $seed <= 300; $seed++) {
        expect(comesBack(WildRecipes::of($seed)))->toBeTrue("seed $seed");
    }
});

it('tells two states apart in words that name the step, never by an id', function (): void {
    for ($seed = 1; $seed <= 120; $seed++) {
        $r = WildRecipes::of($seed);
        $rnd = new Randomizer(new Xoshiro256StarStar($seed));
        $step = $r->steps[$rnd->getInt(0, count($r->steps) - 1)];
        $other = match ($rnd->getInt(0, 4)) {
            0 => $r->without($step->id),
            1 => Editing::set($r, $step->id, [], 'Gate post'),
            2 => $r->withStep($step->switched(!$step->off)),
            3 => SizesTable::change($r, 'k', null, '9'),
            default => $r->shifted($step->id, 1),
        };
        $words = Difference::words($other, $r);
        if ($other->toJson() !== $r->toJson()) {
            expect($words)->not->toBe('', "seed $seed");
        }
        expect(preg_match('/\bs\d+\b/', $words))->toBe(0, $words)->and(Difference::words($r, $r))->toBe('');
    }
});

it('names faces inside of a hollow, bodies and relations by words', function (): void {
    $state = Parts::build([
        ['kind' => 'block'],
        ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']],
        ['kind' => 'move', 'body' => 's9', 'x' => '3'],
        ['kind' => 'round', 'edges' => ['s1:gone / s1:top']],
    ]);
    $recipe = Parts::recipe([['kind' => 'block'], ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']]]);
    $words = array_values(Cubo\Recipe\PartNames::faces($state->part(), $recipe));
    foreach ([...$words, $state->results['s3']->messages[0]->why, $state->results['s4']->messages[0]->why] as $text) {
        expect(preg_match('/\bs\d+(:|\b)/', $text))->toBe(0, $text);
    }
    expect($words)->toContain('inside of bottom of Block');
    $s = PadEdit::make(new Sketch(), ['do' => 'type', 'text' => 'rectangle 60 by 40'], Unit::Millimetre)->sketch;
    try {
        PadEdit::make($s, ['do' => 'type', 'text' => 'length l3 = 61'], Unit::Millimetre);
        $said = '';
    } catch (Refusal $e) {
        $said = $e->getMessage();
    }
    expect($said)->toContain('contradict')->and(preg_match('/\br\d+\b/', $said))->toBe(0, $said);
});
