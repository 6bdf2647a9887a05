<?php

declare(strict_types=1);

use Cubo\Recipe\RegionPicks;
use Cubo\Sketch\Area\Region;

/** @return list<Region> */
function regionsOf(string ...$keys): array
{
    return array_map(
        static fn(string $key, int $i): Region => new Region($i + 1, 1.0, [[[0.0, 0.0], [1.0, 0.0], [1.0, 1.0]]], $key),
        array_values($keys),
        array_keys(array_values($keys)),
    );
}

it('finds a region again by number, by its whole outline, and by more than half of it', function () {
    $regions = regionsOf('a b c d', 'd e f g');
    expect(RegionPicks::find($regions, 2)?->number)
        ->toBe(2)
        ->and(RegionPicks::find($regions, 3))
        ->toBeNull()
        ->and(RegionPicks::find($regions, 'd e f g')?->number)
        ->toBe(2)
        // one of four curves became another: three of five are still the same
        ->and(RegionPicks::find($regions, 'a b c x')?->number)
        ->toBe(1)
        // half of what bounds either is not enough: two of four, and two of six
        ->and(RegionPicks::find(regionsOf('a b'), 'a b c d'))
        ->toBeNull()
        ->and(RegionPicks::find($regions, 'a b x y'))
        ->toBeNull()
        ->and(RegionPicks::find([], 'a b'))
        ->toBeNull();
});

it('takes the region that shares most where several share more than half', function () {
    expect(RegionPicks::find(regionsOf('a b c x y', 'a b c d'), 'a b c d e')?->number)
        ->toBe(2)
        ->and(RegionPicks::find(regionsOf('a b c d', 'a b c x y'), 'a b c d e')?->number)
        ->toBe(1);
});
