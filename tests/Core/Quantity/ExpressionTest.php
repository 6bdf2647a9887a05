<?php

declare(strict_types=1);

use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;

it('reads what people type into a size field', function (string $typed, float $mm, Unit $unit = Unit::Millimetre): void {
    expect(Expression::length($typed, $unit))->toEqualWithDelta($mm, 1e-9);
})->with([
    'a number' => ['12.25', 12.25],
    'a fraction' => ['12.25/2', 6.125],
    'a product' => ['3*0.25', 0.75],
    'an inch number in an inch drawing' => ['2', 50.8, Unit::Inch],
    'a product in an inch drawing' => ['3*0.25', 19.05, Unit::Inch],
    'a mixed number with its unit' => ['1 3/8 in', 34.925],
    'a mixed number in an inch drawing' => ['1 3/8', 34.925, Unit::Inch],
    'a fraction of an inch' => ['7/16"', 11.1125],
    'a fraction of an inch in an inch drawing' => ['7/16"', 11.1125, Unit::Inch],
    'mm in an inch drawing' => ['25.4 mm', 25.4, Unit::Inch],
    'inches in words' => ['2 inches', 50.8],
    'a sum over units' => ['1 in + 2 mm', 27.4],
    'a plain number takes the drawing\'s unit in a sum' => ['1 + 2 mm', 27.4, Unit::Inch],
    'brackets' => ['(20 + 5) / 2', 12.5],
    'nested brackets' => ['2*(3+(4-1))', 12.0],
    'a minus in front' => ['-20', -20.0],
    'the true minus sign' => ["\u{2212}24/2", -12.0],
    'two signs' => ['--5', 5.0],
    'a decimal comma' => ['2,5', 2.5],
    'a point without a digit before it' => ['.5', 0.5],
    'centimetres' => ['6 cm', 60.0],
    'metres' => ['0.5m', 500.0],
    'no blanks' => ['10+2*3', 16.0],
    'many blanks' => ['  10   + 2 ', 12.0],
    'a unit on every number' => ['10mm/4', 2.5],
    'division before the sum' => ['1+1/2', 1.5],
    'a length divided by a length times a length' => ['10 mm * 2', 20.0],
    'the cross and the dot of a typed product' => ['3×4', 12.0],
    'typographic inch marks' => ['7/16″', 11.1125],
]);

it('says in words why it cannot read', function (string $typed, string $part): void {
    expect(fn() => Expression::length($typed, Unit::Millimetre))->toThrow(UnreadableExpression::class, $part);
})->with([
    'two points' => ['12..5', 'more than one decimal point'],
    'nothing' => ['   ', 'Nothing is typed'],
    'letters' => ['abc', 'not a unit'],
    'a foreign sign' => ['12;5', 'does not belong'],
    'an open bracket' => ['(3+4', 'not closed'],
    'a closing bracket too many' => ['3+4)', 'cannot read on'],
    'a missing number' => ['3*', 'missing at the end'],
    'a missing number inside' => ['*3', 'number is missing'],
    'division by zero' => ['3/0', 'divides by zero'],
    'a zero in a bracket below the line' => ['3/(2-2)', 'divides by zero'],
    'an area' => ['3 mm * 4 mm', 'area'],
    'a length below the line' => ['3/(4 mm)', 'divides by a length'],
    'two numbers side by side' => ['3 4', 'side by side'],
    'a mixed number over zero' => ['1 3/0', 'divides by zero'],
    'too long' => [str_repeat('1+', 70) . '1', 'longer than'],
    'too many brackets' => [str_repeat('(', 40) . '1' . str_repeat(')', 40), 'too many brackets'],
    'an area plus a length' => ['2 mm*3 mm + 1', 'cannot be added'],
]);

it('never hangs or warns, whatever is typed', function (): void {
    mt_srand(4711);
    $signs = ['1', '2', '.', '/', '*', '+', '-', '(', ')', ' ', 'in', 'mm', '"', 'x', ',', '°', '0'];
    $read = 0;
    for ($i = 0; $i < 3000; $i++) {
        $typed = '';
        for ($k = mt_rand(1, 12); $k > 0; $k--) {
            $typed .= $signs[mt_rand(0, count($signs) - 1)];
        }
        try {
            expect(is_finite(Expression::length($typed, Unit::Inch)))->toBeTrue();
            $read++;
        } catch (UnreadableExpression $e) {
            expect($e->getMessage())->not->toBe('');
        }
    }
    // some of them are readable, or the test would look at nothing
    expect($read)->toBeGreaterThan(50);
});

it('reads angles and counts as plain numbers', function (): void {
    expect(Expression::number('360/8'))
        ->toBe(45.0)
        ->and(Expression::number('45°'))
        ->toBe(45.0)
        ->and(Expression::number('30 deg'))
        ->toBe(30.0);
    expect(fn() => Expression::number('45 mm'))->toThrow(UnreadableExpression::class, 'plain number');
});
