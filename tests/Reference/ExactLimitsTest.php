<?php

declare(strict_types=1);

/*
 * Rounds and chamfers at their very limit, where faces vanish in a line or a point: domes, cones, rounded tubes, balls from
 * cubes. All volumes are those of the solids they become (mensuration, common practice).
 */

use Cubo\Measure\Bodies;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Maker\SoftBlock;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Tests\Parts;
use Tests\Solids;
use Tests\Soundness;

/** @param Closure(string): bool $which */
function edgesWhere(Solid $s, Closure $which): array
{
    return array_values(array_filter(array_keys(Topology::of($s)->edges), $which));
}

it('goes to the limit, and no farther', function (Closure $part, Closure $which, string $how, float $limit, float $volume): void {
    $s = $part();
    $edges = edgesWhere($s, $which);
    $work = static fn(float $size): Solid => $how === 'round'
        ? Blending::round('x', $s, $edges, $size)
        : Blending::chamfer('x', $s, $edges, $size);
    $out = $work($limit);
    expect(Soundness::faults($out))
        ->toBe([])
        ->and(count(Bodies::of($out)))
        ->toBe(1)
        ->and((new MassProperties($out))->volume)
        ->toEqualWithDelta($volume, 1e-7 * $volume);
    try {
        $work(1.01 * $limit);
        $most = null;
    } catch (Refused $r) {
        $most = $r->largest;
    }
    expect($most)
        ->toEqualWithDelta($limit, 2e-6 * $limit)
        ->and(Soundness::faults($work($most)))
        ->toBe([]);
})->with(function (): iterable {
    $cylinder = static fn(): Solid => Parts::build([['kind' => 'cylinder', 'by' => 'radius', 'round' => '10', 'length' => '30']])->part();
    $tube = static fn(): Solid => Parts::build([
        ['kind' => 'tube', 'by' => 'radius', 'round' => '12', 'wall' => '4', 'length' => '30'],
    ])->part();
    $top = static fn(string $n): bool => str_contains($n, 'top');
    $all = static fn(string $n): bool => true;
    yield 'a dome' => [$cylinder, $top, 'round', 10.0, M_PI * 100 * 20 + (2 / 3) * M_PI * 1000];
    yield 'a cone' => [$cylinder, $top, 'chamfer', 10.0, M_PI * 100 * 20 + (M_PI * 1000) / 3];
    yield 'both rims of a tube' => [$tube, $top, 'round', 2.0, M_PI * (144 - 64) * 28 + (2 * M_PI * 10 * M_PI * 4) / 2];
    yield 'both rims of a tube, chamfered' => [$tube, $top, 'chamfer', 2.0, M_PI * (144 - 64) * 28 + 2 * M_PI * 10 * 4];
    yield 'a ball from a cube' => [static fn(): Solid => Parts::box(20, 20, 20), $all, 'round', 10.0, (4 / 3) * M_PI * 1000];
    yield 'a capsule from a block' => [
        static fn(): Solid => Parts::box(30, 20, 20),
        $all,
        'round',
        10.0,
        (4 / 3) * M_PI * 1000 + M_PI * 100 * 10,
    ];
    yield 'a pill from a plate' => [
        static fn(): Solid => Parts::box(40, 30, 8),
        $all,
        'round',
        4.0,
        32 * 22 * 8 + ((32 + 22) * 2 * M_PI * 16) / 2 + (4 / 3) * M_PI * 64,
    ];
    yield 'a bar with round ends' => [
        static fn(): Solid => Parts::box(40, 20, 6),
        static fn(string $n): bool => preg_match('/(left|right)/', $n) === 1 && preg_match('/(front|back)/', $n) === 1,
        'round',
        10.0,
        20 * 20 * 6 + M_PI * 100 * 6,
    ];
    yield 'a roof from a block' => [
        static fn(): Solid => Parts::box(40, 20, 15),
        static fn(string $n): bool => str_contains($n, 'top') && preg_match('/(front|back)/', $n) === 1,
        'chamfer',
        10.0,
        40 * 20 * 15 - 40 * 100.0,
    ];
});

it('goes round corners smaller than what is taken', function (string $way, float $size): void {
    // at every depth what is left is the outline moved inwards: round corners get smaller, then sharp
    $left = static fn(float $in): float => (30 - 2 * $in) * (20 - 2 * $in) - ($in < 1 ? (4 - M_PI) * (1 - $in) ** 2 : 0);
    $in = static fn(float $z): float => $way === 'chamfer' ? $z : $size - sqrt($size ** 2 - $z ** 2);
    $block = SoftBlock::rounded('s', [30.0, 20.0, 15.0], 1.0, false);
    $s =
        $way === 'chamfer'
            ? Blending::chamfer('c', $block, ['s:front / s:top'], $size)
            : Blending::round('c', $block, ['s:front / s:top'], $size);
    Solids::encloses($s, 15 * $left(0) - Solids::integral(static fn(float $z): float => $left(0) - $left($in($z)), 0, $size), 1e-7);
})
    ->with(['chamfer', 'round'])
    ->with([0.5, 1.0, 2.0, 3.0]);
