<?php

declare(strict_types=1);

use Cubo\Quantity\Unit;
use Cubo\Recipe\Edit\Bench;
use Cubo\Recipe\Edit\Edit;
use Cubo\Recipe\Edit\Edits;
use Cubo\Recipe\Edit\Input;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\PartState;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\StepProblem;
use Tests\Parts;

/** What an edit may ask, without anything kept. */
function edBench(): Bench
{
    $evaluator = new Evaluator();

    return new Bench(
        $evaluator->evaluate(...),
        static fn(PartState $s): array => ['s1:top' => 's1', 's1:left' => 's1'],
        static fn(): iterable => [],
    );
}

/** @param array<string, mixed> $in */
function edited(Recipe $r, string $edit, array $in): Recipe
{
    return Edits::applied(Edits::all()[$edit], $r, $in, edBench());
}

it('lists every file of an edit', function (): void {
    $files = array_map(
        static fn(string $f): string => 'Cubo\\Recipe\\Edit\\' . basename($f, '.php'),
        glob(dirname(__DIR__, 3) . '/core/Recipe/Edit/*.php') ?: [],
    );
    $edits = array_filter($files, static fn(string $c): bool => is_subclass_of($c, Edit::class));
    expect(array_map(static fn(Edit $e): string => $e::class, array_values(Edits::all())))->toEqualCanonicalizing(array_values($edits));
});

it('changes nothing where what is named is not there, whatever is sent', function (string $edit): void {
    $r = Parts::recipe([['kind' => 'block'], ['kind' => 'round', 'edges' => ['s1:front / s1:top'], 'radius' => '1']]);
    $odd = [
        'step' => 's99',
        'of' => ['s99:top'],
        'kind' => 'nonsense',
        'group' => 'g9',
        'steps' => ['s99', 5],
        'face' => '',
        'part' => 7,
        'values' => 'x',
        'by' => 'y',
        'index' => -1,
        'how' => '?',
        'way' => '?',
        'what' => '?',
        'colour' => 'none',
        'material' => '?',
        'letter' => 'z',
    ];
    try {
        $after = edited($r, $edit, $odd);
    } catch (StepProblem $p) {
        // where nothing can be done at all it is said in words
        expect($p->note->what)->not->toBe('');

        return;
    }
    $kept = $after->toArray();
    unset($kept['pins'], $kept['spent']);
    expect($edit === 'anew' ? $r->toArray() : $kept)->toBe($r->toArray());
})->with(fn() => array_keys(Edits::all()));

it('takes values, names and areas as they are sent', function (): void {
    $r = edited(new Recipe(Unit::Millimetre), 'add', ['kind' => 'block']);
    $r = edited($r, 'set', ['step' => 's1', 'values' => ['width' => '7/2'], 'name' => 'Post', 'note' => 'why']);
    expect($r->step('s1')?->text('width'))
        ->toBe('7/2')
        ->and($r->step('s1')?->name)
        ->toBe('Post')
        ->and($r->step('s1')?->note)
        ->toBe('why')
        ->and(edited($r, 'set', ['step' => 's1', 'values' => []])->step('s1')?->note)
        ->toBe('why')
        ->and(edited($r, 'set', ['step' => 's1', 'note' => ''])->step('s1')?->note)
        ->toBe('')
        ->and(edited($r, 'switch', ['step' => 's1'])->step('s1')?->off)
        ->toBeTrue()
        ->and(
            edited($r, 'nudge', ['step' => 's1', 'by' => ['1', '99999', '-2.5']])
                ->step('s1')
                ?->text('x'),
        )
        ->toBe('1')
        ->and(edited($r, 'paint', ['of' => ['s1:top'], 'what' => 'shape', 'colour' => 'red'])->paint)
        ->toBe(['s1:*' => 'red'])
        ->and(edited($r, 'paint', ['of' => ['s1:top'], 'what' => 'body', 'colour' => 'red'])->paint)
        ->toBe(['s1:top' => 'red', 's1:left' => 'red'])
        ->and(fn() => edited($r, 'ground', ['face' => 's1:nothing']))
        ->toThrow(StepProblem::class);
});

it('reads what was sent as what it is, and nothing else as nothing', function (): void {
    $in = new Input(['a' => '12', 'b' => ['x'], 'c' => null, 'of' => ['s1:top', '', 5, 's1:left', 's1:front', 's1:back']]);
    expect([
        $in->text('a'),
        $in->text('b'),
        $in->maybe('b'),
        $in->given('c'),
        $in->given('d'),
        $in->whole('a'),
        $in->whole('b', 3),
        $in->real('b'),
        $in->is('a'),
        $in->several('a'),
    ])
        ->toBe(['12', '', null, '', null, 12, 3, 0.0, true, []])
        ->and($in->names())
        ->toBe(['s1:top', 's1:left', 's1:front'])
        ->and($in->way())
        ->toBe([0.0, 0.0, 0.0]);
});
