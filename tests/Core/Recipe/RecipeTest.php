<?php

declare(strict_types=1);

use Cubo\Quantity\Unit;
use Cubo\Recipe\Editing;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\Kind\RecipeDocs;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\UnreadableRecipe;
use Opis\JsonSchema\Validator;
use Tests\Parts;

function fitsSchema(string $json): bool
{
    $validator = new Validator();
    $validator->resolver()?->registerFile('urn:cubo:recipe:1', dirname(__DIR__, 3) . '/docs/recipe.schema.json');

    return $validator->validate(json_decode($json), 'urn:cubo:recipe:1')->isValid();
}

it('reads the examples, which fit the schema and build', function (string $file): void {
    $json = (string) file_get_contents($file);
    $recipe = RecipeReader::fromJson($json);
    expect(fitsSchema($json))
        ->toBeTrue()
        ->and((new Evaluator())->evaluate($recipe)->isSound())
        ->toBeTrue();
})->with(fn() => glob(dirname(__DIR__, 3) . '/docs/examples/*[!e].json') ?: []);

it('writes what it reads', function (): void {
    $r = Parts::recipe(
        [
            ['kind' => 'block', 'name' => 'Plate', 'width' => '12.25/2', 'off' => true],
            ['kind' => 'sketch', 'shapes' => [['kind' => 'circle', 'round' => '7/16"']]],
            ['kind' => 'extrude', 'sketch' => 's2', 'regions' => [1]],
        ],
        'in',
    );
    $r = Editing::pin(Editing::paint(Editing::set($r, 's1', [], null, 'why', 'Plate'), ['s1:top'], 'green'), ['s1:left', 's1:right']);
    $again = RecipeReader::fromJson($r->toJson());
    expect($again->toJson())
        ->toBe($r->toJson())
        ->and($again->unit)
        ->toBe(Unit::Inch)
        ->and(fitsSchema($r->toJson()))
        ->toBeTrue()
        ->and($again->step('s1')?->text('width'))
        ->toBe('12.25/2')
        ->and($again->step('s1')?->off)
        ->toBeTrue();
});

it('has a schema and a table of its kinds that follow from them', function (string $file, Closure $write): void {
    $is = (string) file_get_contents(dirname(__DIR__, 3) . "/docs/$file");
    expect($write($is))->toBe($is, "docs/$file is not what ./cubo schema writes");
})->with(['the schema' => ['recipe.schema.json', RecipeDocs::schema(...)], 'the page' => ['recipe.md', RecipeDocs::page(...)]]);

it('puts new kinds into the documentation, and knows where', function (): void {
    $json = '{ "kind": { "enum": ["a"] }, "step": { "oneOf": [' . "\n        {}\n      ] } }";
    expect(json_decode(RecipeDocs::schema($json), true)['step']['oneOf'][0]['properties']['edges']['enum'])
        ->toContain('uprightcut')
        ->and(fn() => RecipeDocs::page('nothing to replace'))
        ->toThrow(LogicException::class);
});

it('refuses what is no recipe and says where', function (string $json, string $part): void {
    expect(fn() => RecipeReader::fromJson($json))->toThrow(UnreadableRecipe::class, $part)->and(fitsSchema($json))->toBeFalse();
})->with([
    'no JSON' => ['{', 'not JSON'],
    'a list' => ['[]', '"format"'],
    'another format' => ['{"format":"x","unit":"mm","steps":[]}', '"format"'],
    'no unit' => ['{"format":"cubo-recipe/1","steps":[]}', '"unit"'],
    'a foreign unit' => ['{"format":"cubo-recipe/1","unit":"cm","steps":[]}', '"unit"'],
    'no steps' => ['{"format":"cubo-recipe/1","unit":"mm"}', '"steps"'],
    'a step that is text' => ['{"format":"cubo-recipe/1","unit":"mm","steps":["block"]}', 'Step 1'],
    'a step without an id' => ['{"format":"cubo-recipe/1","unit":"mm","steps":[{"kind":"block"}]}', '"id"'],
    'an unknown kind' => ['{"format":"cubo-recipe/1","unit":"mm","steps":[{"id":"s1","kind":"screw"}]}', '"kind"'],
    'an unknown value' => ['{"format":"cubo-recipe/1","unit":"mm","steps":[{"id":"s1","kind":"ball","width":"3"}]}', 'has no "width"'],
    'a list as a size' => ['{"format":"cubo-recipe/1","unit":"mm","steps":[{"id":"s1","kind":"ball","round":[3]}]}', '"round"'],
    'an unknown choice' => ['{"format":"cubo-recipe/1","unit":"mm","steps":[{"id":"s1","kind":"ball","effect":"melt"}]}', '"effect"'],
    'an unknown outline' => [
        '{"format":"cubo-recipe/1","unit":"mm","steps":[{"id":"s1","kind":"sketch","shapes":[{"kind":"star"}]}]}',
        'outline 1',
    ],
    'a broken count of ids' => ['{"format":"cubo-recipe/1","unit":"mm","spent":"x","steps":[]}', '"spent"'],
    'half a region' => ['{"format":"cubo-recipe/1","unit":"mm","steps":[{"id":"s1","kind":"extrude","regions":[1.5]}]}', 'whole numbers'],
    'no object at all' => ['"hello"', 'not JSON'],
]);

it('refuses two steps with one id', function (): void {
    expect(fn() => Parts::recipe([['id' => 's1', 'kind' => 'ball'], ['id' => 's1', 'kind' => 'ball']]))->toThrow(
        UnreadableRecipe::class,
        'Two steps',
    );
});

it('refuses more steps than anyone can read', function (): void {
    expect(fn() => Parts::recipe(array_fill(0, 201, ['kind' => 'ball'])))->toThrow(UnreadableRecipe::class, 'at most 200');
});

it('never gives an id twice, even after the last step was deleted', function (): void {
    $r = Parts::recipe([['kind' => 'ball'], ['kind' => 'ball']]);
    expect($r->freshId())
        ->toBe('s3')
        ->and($r->without('s1')->freshId())
        ->toBe('s3')
        ->and($r->without('s2')->freshId())
        ->toBe('s3');
    // also after it was saved and read again, edited and emptied
    $saved = RecipeReader::fromJson($r->without('s2')->toJson());
    expect($saved->freshId())
        ->toBe('s3')
        ->and(
            $saved
                ->shifted('s1', 1)
                ->withStep($saved->steps[0]->named('x'))
                ->without('s1')
                ->freshId(),
        )
        ->toBe('s3')
        ->and(fitsSchema($saved->toJson()))
        ->toBeTrue();
});

it('shifts steps within the log', function (): void {
    $ids = fn(Recipe $r) => array_map(fn($s) => $s->id, $r->steps);
    $r = Parts::recipe([['kind' => 'ball'], ['kind' => 'ball'], ['kind' => 'ball']]);
    expect($ids($r->shifted('s3', -1)))
        ->toBe(['s1', 's3', 's2'])
        ->and($ids($r->shifted('s1', 9)))
        ->toBe(['s2', 's3', 's1'])
        ->and($ids($r->shifted('s1', -1)))
        ->toBe(['s1', 's2', 's3'])
        ->and($ids($r->shifted('s9', 1)))
        ->toBe(['s1', 's2', 's3']);
});
