<?php

declare(strict_types=1);

use Cubo\Quantity\Unit;
use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\SketchFormat;
use Tests\Drawn;

/** A line of 10 mm whose length is typed. */
function lineOf(string $length, string $unit = 'mm'): DimensionValues
{
    $drawn = Drawn::lines([[0.0, 0.0], [10.0, 0.0]]);
    $drawn['relations'] = [['id' => 'd1', 'kind' => 'distance', 'of' => ['l1'], 'value' => $length]];

    return new DimensionValues(SketchFormat::read($drawn), Unit::from($unit));
}

it('takes sizes up to ten metres and down to a thousandth of a millimetre', function () {
    expect(lineOf('10000')->values)
        ->toBe(['d1' => 10000.0])
        ->and(lineOf('10000')->problems)
        ->toBe([])
        ->and(lineOf('10000.01')->problems)
        ->toBe(['d1' => 'This is more than 10 metres.'])
        ->and(lineOf('393.71', 'in')->problems)
        ->toBe(['d1' => 'This is more than 10 metres.'])
        ->and(lineOf('393.7', 'in')->problems)
        ->toBe([]);
});

it('reads points within twenty metres of the origin, and none beyond', function () {
    expect(SketchFormat::read(Drawn::lines([[-20000.0, 0.0], [20000.0, 0.0]])))
        ->toBeInstanceOf(Sketch::class)
        ->and(fn() => SketchFormat::read(Drawn::lines([[0.0, 0.0], [20000.01, 0.0]])))
        ->toThrow(InvalidArgumentException::class, 'within 20 metres')
        ->and(fn() => SketchFormat::read(Drawn::lines([[0.0, -20000.01], [1.0, 0.0]])))
        ->toThrow(InvalidArgumentException::class, 'within 20 metres');
});
