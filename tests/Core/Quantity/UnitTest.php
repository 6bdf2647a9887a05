<?php

declare(strict_types=1);

use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;

it('shows lengths in the unit of the drawing', function (): void {
    expect(Unit::Millimetre->show(12.0))
        ->toBe('12.00')
        ->and(Unit::Inch->show(34.925))
        ->toBe('1.375')
        ->and(Unit::Millimetre->brief(12.0))
        ->toBe('12')
        ->and(Unit::Inch->brief((25.4 * 7) / 16))
        ->toBe('0.4375')
        ->and(Unit::Millimetre->brief(100.0))
        ->toBe('100')
        ->and(Unit::Millimetre->show(-1.5))
        ->toBe("\u{2212}1.50");
});

it('never shows minus zero', function (): void {
    expect(Number::show(-0.0001))->toBe('0.00')->and(Number::brief(-0.0))->toBe('0');
});

it('sets thin spaces between thousands', function (): void {
    expect(Number::large(1234567.0))->toBe("1\u{202F}234\u{202F}567")->and(Number::large(12.345))->toBe('12.35');
});
