<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Evaluator;
use Cubo\Recipe\MemoryCache;
use Cubo\Recipe\NamedSizes;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\SizesTable;
use Cubo\Recipe\StepStatus;
use Cubo\Recipe\UnreadableRecipe;

/** A plate whose height, hole and sketch are built on names. */
function namedRecipe(array $sizes, string $unit = 'mm'): Recipe
{
    return RecipeReader::fromArray([
        'format' => Recipe::FORMAT,
        'unit' => $unit,
        'sizes' => $sizes,
        'steps' => [
            [
                'id' => 's1',
                'kind' => 'sketch',
                'drawn' => [
                    'points' => ['a' => [0, 0], 'b' => [40, 0], 'c' => [40, 20], 'd' => [0, 20]],
                    'lines' => [
                        ['id' => 'low', 'kind' => 'line', 'points' => ['a', 'b']],
                        ['id' => 'right', 'kind' => 'line', 'points' => ['b', 'c']],
                        ['id' => 'high', 'kind' => 'line', 'points' => ['c', 'd']],
                        ['id' => 'left', 'kind' => 'line', 'points' => ['d', 'a']],
                    ],
                    'relations' => [
                        ['id' => 'r1', 'kind' => 'horizontal', 'of' => ['low']],
                        ['id' => 'r2', 'kind' => 'vertical', 'of' => ['right']],
                        ['id' => 'r3', 'kind' => 'horizontal', 'of' => ['high']],
                        ['id' => 'r4', 'kind' => 'vertical', 'of' => ['left']],
                        ['id' => 'd1', 'kind' => 'length', 'of' => ['low'], 'value' => 'width'],
                        ['id' => 'd2', 'kind' => 'length', 'of' => ['right'], 'value' => 'd1 / 2 - wall'],
                    ],
                ],
            ],
            ['id' => 's2', 'kind' => 'extrude', 'sketch' => 's1', 'distance' => '2*wall'],
        ],
    ]);
}

function namedVolume(Recipe $r, ?Evaluator $e = null): float
{
    $state = ($e ?? new Evaluator())->evaluate($r);
    foreach ($state->results as $result) {
        expect($result->status)->toBe(StepStatus::Done, $result->messages[0]->why ?? '');
    }

    return (new MassProperties($state->part()))->volume;
}

it('reads values built on each other', function () {
    $n = new NamedSizes(
        ['wall' => '2', 'width' => '85 - 20', 'inner' => 'width - 2*wall', 'bolt' => '1/4 in', 'share' => 'inner / width'],
        Unit::Millimetre,
    );
    expect($n->problems)
        ->toBe([])
        ->and($n('inner'))
        ->toBe([61.0, 0])
        ->and($n('bolt'))
        ->toEqualWithDelta([6.35, 1], 1e-12)
        ->and($n('share')[0])
        ->toEqualWithDelta(61 / 65, 1e-12)
        ->and($n('nothing'))
        ->toBeNull()
        ->and($n->shown('inner'))
        ->toBe('61');
});

it('says what cannot be read, and names a circle', function () {
    $n = new NamedSizes(['a' => 'b + 1', 'b' => 'a', 'c' => '12..5', 'd' => 'c * 2', 'e' => '', 'f' => '3 mm * 2 mm'], Unit::Millimetre);
    expect(array_keys($n->problems))
        ->toEqualCanonicalizing(['a', 'b', 'c', 'd', 'e', 'f'])
        ->and(implode(' ', $n->problems))
        ->toContain('circle')
        ->toContain('decimal point')
        ->toContain('“c” in the table')
        ->toContain('neither a length');
});

it('feeds sizes, dimensions of sketches and counts', function () {
    // 60 by 60/2 - 2, 4 high
    expect(namedVolume(namedRecipe(['wall' => '2', 'width' => '60'])))
        ->toEqualWithDelta(60 * 28 * 4, 1e-6)
        // plain numbers take the recipe's unit, lengths with a unit stay
        ->and(namedVolume(namedRecipe(['wall' => '1/8', 'width' => '3'], 'in')))
        ->toEqualWithDelta(3 * 1.375 * 0.25 * 25.4 ** 3, 1e-6)
        ->and(namedVolume(namedRecipe(['wall' => '2 mm', 'width' => '60 mm'], 'in')))
        ->toEqualWithDelta(60 * 28 * 4, 1e-6);
});

it('finds nothing old in the cache when a size has changed', function () {
    $e = new Evaluator(new MemoryCache());
    foreach ([['2', '60'], ['3', '60'], ['3', '50'], ['2', '60']] as [$wall, $width]) {
        expect(namedVolume(namedRecipe(['wall' => $wall, 'width' => $width]), $e))->toEqualWithDelta(
            $width * ($width / 2 - $wall) * 2 * $wall,
            1e-6,
        );
    }
});

it('says at the step when a name is unknown or cannot be read', function () {
    $result = (new Evaluator())->evaluate(namedRecipe(['width' => '60']))->results;
    expect($result['s1']->status)
        ->toBe(StepStatus::Failed)
        ->and($result['s1']->messages[0]->why)
        ->toContain('“wall” is not a unit Cubo knows')
        ->and($result['s2']->status)
        ->toBe(StepStatus::Failed);
    $bad = (new Evaluator())->evaluate(namedRecipe(['width' => '60', 'wall' => '2 +']))->results['s1'];
    expect($bad->messages[0]->why)->toContain('“wall” in the table of sizes cannot be read');
});

it('renames everywhere, keeps the order, drops empty rows and refuses what is no name', function () {
    $r = namedRecipe(['wall' => '2', 'width' => '60']);
    $row = static fn(string $name, string $value): array => ['name' => $name, 'value' => $value];
    $renamed = SizesTable::set($r, [$row('thick', '2'), $row('width', '60'), $row('', '')]);
    expect($renamed->sizes)
        ->toBe(['thick' => '2', 'width' => '60'])
        ->and($renamed->step('s2')?->text('distance'))
        ->toBe('2*thick')
        ->and($renamed->step('s1')?->drawn()->relations['d2']->value)
        ->toBe('d1 / 2 - thick')
        ->and(namedVolume($renamed))
        ->toEqualWithDelta(60 * 28 * 4, 1e-6);
    expect(SizesTable::set($r, [$row('wall', '3'), $row('', ''), $row('gap', '0.2')])->sizes)
        ->toBe(['wall' => '3', 'gap' => '0.2'])
        // no name, a unit, one that stands already
        ->and(SizesTable::set($r, [$row('2x', '3'), $row('mm', '60'), $row('in', '1'), $row('wall', '9')])->sizes)
        ->toBe(['wall' => '3', 'width' => '60'])
        ->and(SizesTable::set($r, ['x', 7, null])->sizes)
        ->toBe([])
        // both names swapped at once
        ->and(
            SizesTable::set($r, [$row('width', '2'), $row('wall', '60')])
                ->step('s2')
                ?->text('distance'),
        )
        ->toBe('2*width');
    $again = RecipeReader::fromJson($renamed->toJson());
    expect($again->sizes)->toBe($renamed->sizes)->and($again->without('s2')->sizes)->toBe($renamed->sizes);
});

it('refuses a file with odd names', function (mixed $sizes) {
    expect(fn() => RecipeReader::fromArray(['format' => Recipe::FORMAT, 'unit' => 'mm', 'steps' => [], 'sizes' => $sizes]))->toThrow(
        UnreadableRecipe::class,
    );
})->with([
    [['Wall' => '2']],
    [['mm' => '2']],
    [['a' => []]],
    ['x'],
    [array_fill_keys(array_map(static fn(int $i): string => "a$i", range(1, 61)), '1')],
]);
