<?php

declare(strict_types=1);

use Cubo\Quantity\Unit;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Kind\Changes;
use Cubo\Recipe\Kind\Effect;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Kind\Makes;
use Cubo\Recipe\Kind\Piece;
use Cubo\Recipe\Kind\Sentence;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;
use Cubo\Words\Words;

/** A fresh step of a kind. */
function freshStep(Kind $kind): Step
{
    return Editing::add(new Recipe(Unit::Millimetre), $kind)->steps[0];
}

/** @return list<string> keys of the places in a step's sentence */
function placesIn(Step $step): array
{
    return array_values(
        array_map(
            static fn(Piece $p): string => $p->key,
            array_filter($step->sentence(), static fn(mixed $p): bool => $p instanceof Piece),
        ),
    );
}

it('has a file, words and a drawing for every kind, and lists every file', function (): void {
    $root = dirname(__DIR__, 3);
    $files = array_map(
        static fn(string $f): string => strtolower(basename($f, '.php')),
        array_merge(
            ...array_map(static fn(string $room): array => glob("$root/core/Recipe/Kind/$room/*.php") ?: [], [
                'Solid',
                'Sketch',
                'Face',
                'Whole',
            ]),
        ),
    );
    $shared = ['readysolid', 'onpicked', 'onbodies'];
    expect(array_keys(Kinds::all()))->toEqualCanonicalizing(array_values(array_diff($files, $shared)));
    foreach (Kinds::all() as $id => $kind) {
        expect("$root/resources/icons/steps/$id.svg")
            ->toBeFile()
            ->and("$root/lang/en/steps/$id.php")
            ->toBeFile()
            ->and($kind->label())
            ->not->toBe('')
            ->and($kind->tooMuch(static fn(string $key): string => $kind->field($key)->default ?? ''))
            ->not->toBe('')
            ->and($kind->draws() || $kind instanceof Makes || $kind instanceof Changes)
            ->toBeTrue("$id does nothing")
            ->and($kind instanceof Makes)
            ->toBe($kind->makes());
    }
});

it('has words for every value and every choice, and no words for what is not there', function (Kind $kind): void {
    $words = require dirname(__DIR__, 3) . "/lang/en/steps/{$kind->id()}.php";
    $shared = require dirname(__DIR__, 3) . '/lang/en/steps/shared.php';
    foreach ($kind->fields() as $key => $field) {
        expect(
            isset($words['fields'][$key]) ||
                isset($shared['fields'][$key]) ||
                in_array($field->type, [FieldType::Shapes, FieldType::Drawing], true),
        )->toBeTrue("{$kind->id()}.$key has no words");
        // screws are called by their sizes
        $named = $key === 'screw' ? $field->choices : array_keys($words['choices'][$key] ?? ($shared['choices'][$key] ?? []));
        expect($named)->toEqualCanonicalizing($field->choices === [] && !isset($words['choices'][$key]) ? $named : $field->choices);
    }
    expect(array_diff(array_keys($words['fields'] ?? []), array_keys($kind->fields())))
        ->toBe([])
        ->and(array_diff(array_keys($words['choices'] ?? []), array_keys($kind->fields())))
        ->toBe([]);
})->with(fn() => array_map(static fn(Kind $k): array => [$k], Kinds::all()));

it('shows a value in the sentence just where it matters, however the step is set', function (Kind $kind): void {
    $fresh = freshStep($kind);
    $variants = [$fresh];
    foreach ($kind->fields() as $key => $field) {
        foreach ($field->choices as $choice) {
            $variants[] = $fresh->with($key, $choice);
        }
    }
    // what is not typed in the sentence: the drawing, what has its own place, and what is told another way
    $elsewhere = ['shapes', 'drawn', 'effect', 'set', 'close', 'way', 'turn', 'u', 'v', 'facing', 'leans', 'lean', 'from', 'across'];
    $seen = [];
    foreach ($variants as $step) {
        $places = array_diff(placesIn($step), ['name', 'unit']);
        foreach ($places as $key) {
            expect($step->uses($key))->toBeTrue("{$kind->id()}: $key is shown where it does not matter");
        }
        foreach ($kind->fields() as $key => $field) {
            if ($step->uses($key) && !in_array($key, $elsewhere, true)) {
                expect($places)->toContain($key);
            }
        }
        $seen = [...$seen, ...$places];
    }
    expect(
        array_diff(array_keys($kind->fields()), $seen, [
            'shapes',
            'drawn',
            'effect',
            'lean',
            'across',
            'close',
            'way',
            'turn',
            'u',
            'v',
            'facing',
            'leans',
        ]),
    )->toBe([]);
})->with(fn() => array_map(static fn(Kind $k): array => [$k], Kinds::all()));

it('reads words with places, conditions and other names', function (): void {
    $values = ['by' => 'radius', 'way' => 'row', 'name' => 'x'];
    $said = static fn(string $t): array => Sentence::pieces(
        $t,
        static fn(string $k): string => $values[$k] ?? '',
        static fn(string $k): bool => $k !== 'hidden',
    );
    expect($said('a {width} by {depth}'))
        ->toEqual(['a ', new Piece('width'), ' by ', new Piece('depth')])
        ->and($said('[not {hidden}][but {shown}]'))
        ->toEqual(['but ', new Piece('shown')])
        ->and($said('[way=row,grid|in rows][way!=row|around]'))
        ->toBe(['in rows'])
        ->and($said('[way=grid and by=radius or name=x|one][by!=radius or way=grid|two]'))
        ->toBe(['one'])
        ->and($said('[outer [inner {hidden}]{shown}] end'))
        ->toEqual(['outer ', new Piece('shown'), ' end'])
        ->and($said('{round:$by at the base}, {x@point:further}'))
        ->toEqual([new Piece('round', 'radius at the base'), ', ', new Piece('x', 'further', 'point')]);
});

it('speaks another language where it has one, and English where that lacks words', function (): void {
    $folder = sys_get_temp_dir() . '/cubo-words-' . getmypid();
    @mkdir("$folder/xx/steps", recursive: true);
    file_put_contents(
        "$folder/xx/steps/block.php",
        "<?php return ['label' => 'kvadro', 'fields' => ['width' => 'larko'], 'sentence' => 'Kvadro {name}: {depth} post {width}'];",
    );
    try {
        Words::speak('xx', $folder);
        $block = Kinds::of('block');
        expect($block->label())
            ->toBe('kvadro')
            ->and($block->field('width')?->label())
            ->toBe('larko')
            ->and($block->field('depth')?->label())
            ->toBe('depth')
            ->and(placesIn(freshStep($block)))
            ->toBe(['name', 'depth', 'width'])
            ->and(Kinds::of('ball')->label())
            ->toBe('ball');
    } finally {
        Words::speak(Words::ENGLISH);
        unlink("$folder/xx/steps/block.php");
        array_map(rmdir(...), ["$folder/xx/steps", "$folder/xx", $folder]);
    }
    expect(fn() => Words::of('steps/nothing.label'))
        ->toThrow(LogicException::class)
        ->and(Words::of('steps/shared.fields.width', ['x' => 1]))
        ->toBe('width');
});

it('knows effects that begin a part, and asks for no effect where none is chosen', function (): void {
    expect(array_map(static fn(Effect $e): bool => $e->begins(), Effect::cases()))
        ->toBe([true, false, false, true])
        ->and(freshStep(Kinds::of('hole'))->effect())
        ->toBe(Effect::Cut)
        ->and(freshStep(Kinds::of('round'))->effect())
        ->toBeNull();
});
