<?php

declare(strict_types=1);

use Cubo\Check\Disclosure;
use Cubo\Check\LikelyUnit;
use Cubo\Check\Slip\Numbers;
use Cubo\Check\Slip\Slip;
use Cubo\Quantity\Unit;
use Tests\Parts;

it('shows no more than was chosen', function (): void {
    $block = ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'];
    $report = Parts::check([$block], [[...$block, 'width' => '30']]);
    expect(Disclosure::of('hints', 'check')->applied($report))->toBe($report);
    $values = Disclosure::of('values', 'check')->applied($report);
    expect($values->findings)
        ->toBe([])
        ->and(implode('', array_map(static fn($r): string => $r->status === 'unknown' ? '' : $r->diagnosis, $values->rows)))
        ->toBe('')
        ->and($values->rows[0]->measured)
        ->toBe('30.00');
    $verdict = Disclosure::of('verdict', 'check')->applied($report);
    expect($verdict->rows[0]->measured)
        ->toBe('')
        ->and($verdict->rows[0]->deviation)
        ->toBeNull()
        ->and($verdict->rows[0]->place)
        ->toBeNull()
        ->and($verdict->rows[0]->word)
        ->toBe('Not met')
        ->and($verdict->met())
        ->toBe($report->met())
        ->and($verdict->points())
        ->toBe($report->points());
    // what nobody knows shows all, rather than nothing
    expect(Disclosure::of('everything', 'never'))->toEqual(new Disclosure());
});

it('opens a report when it is time', function (string $when, string $now, bool $open): void {
    expect(Disclosure::of('hints', $when)->isOpen(new DateTimeImmutable($now), new DateTimeImmutable('2026-12-04')))->toBe($open);
})->with([
    ['check', '2026-11-01', true],
    ['handed-in', '2026-11-01', true],
    ['due', '2026-12-03 23:59', false],
    ['due', '2026-12-04 23:59', false],
    ['due', '2026-12-05 00:00', true],
]);

it('proposes the unit that comes nearer to the drawing', function (array $sizes, ?array $asked, Unit $drawing, Unit $likely): void {
    expect(LikelyUnit::of($sizes, $asked, $drawing))->toBe($likely);
})->with([
    [[60.0, 40.0, 24.0], [60.0, 40.0, 24.0], Unit::Millimetre, Unit::Millimetre],
    [[2.36, 1.57, 0.94], [60.0, 40.0, 24.0], Unit::Millimetre, Unit::Inch],
    [[2.36, 1.57, 0.94], [60.0, 40.0, 24.0], Unit::Inch, Unit::Inch],
    [[60.0, 40.0, 24.0], [60.0, 40.0, 24.0], Unit::Inch, Unit::Millimetre],
    // half as large is still the drawing's unit
    [[30.0, 40.0, 24.0], [60.0, 40.0, 24.0], Unit::Millimetre, Unit::Millimetre],
    [[5.0, 5.0, 5.0], null, Unit::Inch, Unit::Inch],
    [[0.0, 0.0, 0.0], [60.0, 40.0, 24.0], Unit::Millimetre, Unit::Millimetre],
]);

it('reads the slip out of two numbers', function (float $got, float $asked, ?Slip $slip): void {
    expect(Numbers::slip($got, $asked, Unit::Millimetre)[0] ?? null)->toBe($slip);
})->with([
    [254.0, 10.0, Slip::OneUnit],
    [10.0, 254.0, Slip::OneUnit],
    [120.0, 12.0, Slip::DecimalPoint],
    [1.2, 12.0, Slip::DecimalPoint],
    [0.12, 12.0, Slip::DecimalPoint],
    [24.0, 12.0, Slip::TotalAsHalf],
    [6.0, 12.0, Slip::TotalAsHalf],
    [42.0, 24.0, Slip::DigitsSwapped],
    [13.5, 31.5, Slip::DigitsSwapped],
    [35.1, 31.5, Slip::DigitsSwapped],
    // the same digits, but not in a way one swaps them
    [22.0, 22.0, null],
    [12.1, 12.0, null],
    [57.0, 60.0, null],
    [123.0, 321.0, Slip::DigitsSwapped],
    [1234.0, 4321.0, null],
]);
