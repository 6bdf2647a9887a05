<?php

declare(strict_types=1);

use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;

/** @return Limit|null what was used up, null where it did */
function usedUp(callable $work): ?Limit
{
    try {
        $work();

        return null;
    } catch (OverBudget $e) {
        return $e->limit;
    }
}

it('lets so much be spent and no unit more', function (): void {
    $b = new Budget(100);
    expect(usedUp(static fn() => $b->spend(100)))
        ->toBeNull()
        ->and($b->left())
        ->toBe(0)
        ->and($b->spent())
        ->toBe(100)
        ->and(usedUp(static fn() => $b->spend(1)))
        ->toBe(Limit::Work)
        ->and($b->left())
        ->toBeLessThan(0);
});

it('gives a piece of the work its own limit, and the rest back', function (): void {
    $b = new Budget(100);
    expect(usedUp(static fn() => $b->within(30, static fn() => $b->spend(31))))
        ->toBe(Limit::Work)
        // what was spent in vain is spent
        ->and($b->spent())
        ->toBe(31)
        ->and($b->left())
        ->toBe(69)
        ->and(
            $b->within(30, static function () use ($b): int {
                $b->spend(30);

                return 7;
            }),
        )
        ->toBe(7)
        // a piece has no more than is left of the whole
        ->and(usedUp(static fn() => $b->within(1000, static fn() => $b->spend(40))))
        ->toBe(Limit::Work)
        ->and(usedUp(static fn() => $b->within(1000, static fn() => null)))
        ->toBeNull();
});

it('nests pieces: the inner one never has more than the outer one', function (): void {
    $b = new Budget();
    expect(usedUp(static fn() => $b->within(10, static fn() => $b->within(50, static fn() => $b->spend(11)))))
        ->toBe(Limit::Work)
        ->and(usedUp(static fn() => $b->within(50, static fn() => $b->within(10, static fn() => $b->spend(10)))))
        ->toBeNull()
        ->and(usedUp(static fn() => $b->spend(1_000_000)))
        ->toBeNull();
});

it('counts what a share spends in the whole as well', function (): void {
    $whole = new Budget(50);
    $share = $whole->part(40);
    $share->spend(20);
    expect($whole->left())
        ->toBe(30)
        ->and($share->left())
        ->toBe(20)
        ->and(usedUp(static fn() => $whole->spend(25)))
        ->toBeNull()
        ->and($share->left())
        ->toBe(5)
        ->and(usedUp(static fn() => $share->spend(10)))
        ->toBe(Limit::Work);
});

it('looks at clock and memory only now and then, and says which of them it was', function (): void {
    $late = new Budget(until: microtime(true) - 1);
    $late->spend(10);
    expect(usedUp(static fn() => $late->spend(10_000)))
        ->toBe(Limit::Time)
        ->and(usedUp(static fn() => (new Budget(memory: 1))->spend(10_000)))
        ->toBe(Limit::Memory)
        ->and(usedUp(static fn() => (new Budget(facets: 99))->hold(100)))
        ->toBe(Limit::Facets)
        ->and(array_map(static fn(Limit $l): bool => $l->isOfThePart(), [Limit::Work, Limit::Facets, Limit::Memory, Limit::Time]))
        ->toBe([true, true, false, false]);
});
