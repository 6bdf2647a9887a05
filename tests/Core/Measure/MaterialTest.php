<?php

declare(strict_types=1);

use Cubo\Measure\Material;
use Cubo\Quantity\DensityUnit;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\UnreadableRecipe;

it('gives masses in grams or kilograms and in pounds', function () {
    // a cubic decimetre of steel: 7.85 kg, by 0.45359237 kg to the pound 17.31 lb
    expect((new Material('steel'))->mass(1e6))
        ->toBe('7.850 kg, 17.31 lb')
        ->and((new Material('PLA'))->mass(1000.0))
        ->toBe('1.240 g, 0.002734 lb')
        ->and((new Material('oak'))->mass(0.0))
        ->toBe('0 g, 0 lb');
});

it('takes an own density in three units', function (string $density, DensityUnit $unit, float $expected) {
    expect((new Material(Material::OWN, $density, $unit))->kilogramsPerCubicMetre())->toEqualWithDelta($expected, 1e-6 * $expected);
})->with([
    ['7.85', DensityUnit::GramPerCubicCentimetre, 7850.0],
    ['15700/2', DensityUnit::KilogramPerCubicMetre, 7850.0],
    ['0.0975', DensityUnit::PoundPerCubicInch, 2698.79],
]);

it('says what is no density', function (string $typed) {
    expect(fn() => (new Material(Material::OWN, $typed))->kilogramsPerCubicMetre())->toThrow(UnreadableExpression::class);
})->with(['', '0', '-2', 'heavy', '200', '2 mm']);

it('is kept with the recipe, and only when it is one', function () {
    $r = RecipeReader::fromArray([
        'format' => Recipe::FORMAT,
        'unit' => 'mm',
        'steps' => [],
        'material' => ['name' => 'own', 'density' => '2.7', 'unit' => 'g/cm3'],
    ]);
    expect(RecipeReader::fromJson($r->toJson())->material)
        ->toEqual($r->material)
        ->and($r->withSizes(['a' => '1'])->material)
        ->toBe($r->material)
        ->and($r->of(null)->toArray())
        ->not->toHaveKey('material')
        ->and(
            fn() => RecipeReader::fromArray([
                'format' => Recipe::FORMAT,
                'unit' => 'mm',
                'steps' => [],
                'material' => ['name' => 'cheese'],
            ]),
        )
        ->toThrow(UnreadableRecipe::class)
        ->and(fn() => RecipeReader::fromArray(['format' => Recipe::FORMAT, 'unit' => 'mm', 'steps' => [], 'material' => 'steel']))
        ->toThrow(UnreadableRecipe::class);
});
