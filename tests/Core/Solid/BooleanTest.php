<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Measure\PartMeasures;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;
use Tests\Parts;
use Tests\RandomParts;
use Tests\Soundness;

/** Volume over flat facets. */
function flat(Solid $s): float
{
    return $s->facettedVolume();
}

it('joins, cuts and shares two blocks that overlap', function (): void {
    $a = Parts::box(4, 4, 4);
    $b = Parts::box(4, 4, 4, 2, 2, 2, 'b');
    foreach ([['union', 120.0], ['difference', 56.0], ['intersection', 8.0]] as [$op, $volume]) {
        $r = BooleanOperation::$op($a, $b);
        expect(Soundness::faults($r))->toBe([])->and(flat($r))->toEqualWithDelta($volume, 1e-12);
    }
});

it('handles faces in one plane, shared edges and identical solids', function (
    Solid $a,
    Solid $b,
    float $union,
    float $difference,
    float $shared,
): void {
    foreach ([['union', $union], ['difference', $difference], ['intersection', $shared]] as [$op, $volume]) {
        $r = BooleanOperation::$op($a, $b);
        expect(Soundness::faults($r))->toBe([], $op)->and(flat($r))->toEqualWithDelta($volume, 1e-9, $op);
    }
})->with([
    'identical' => [fn() => Parts::box(2, 3, 4), fn() => Parts::box(2, 3, 4, name: 'b'), 24.0, 0.0, 24.0],
    'side by side, a whole face' => [fn() => Parts::box(2, 2, 2), fn() => Parts::box(2, 2, 2, 2, name: 'b'), 16.0, 8.0, 0.0],
    'side by side, part of a face' => [fn() => Parts::box(2, 2, 2), fn() => Parts::box(2, 2, 2, 2, 1, name: 'b'), 16.0, 8.0, 0.0],
    'touching in an edge' => [fn() => Parts::box(2, 2, 2), fn() => Parts::box(2, 2, 2, 2, 2, name: 'b'), 16.0, 8.0, 0.0],
    'touching in a corner' => [fn() => Parts::box(2, 2, 2), fn() => Parts::box(2, 2, 2, 2, 2, 2, 'b'), 16.0, 8.0, 0.0],
    'standing on it, flush on two sides' => [fn() => Parts::box(4, 4, 4), fn() => Parts::box(2, 2, 2, 0, 0, 4, 'b'), 72.0, 64.0, 0.0],
    'one inside the other' => [fn() => Parts::box(4, 4, 4), fn() => Parts::box(2, 2, 2, 1, 1, 1, 'b'), 64.0, 56.0, 8.0],
    'inside, flush with one face' => [fn() => Parts::box(4, 4, 4), fn() => Parts::box(2, 2, 2, 1, 1, 2, 'b'), 64.0, 56.0, 8.0],
    'inside, through all' => [fn() => Parts::box(4, 4, 4), fn() => Parts::box(2, 2, 4, 1, 1, 0, 'b'), 64.0, 48.0, 16.0],
    'far apart' => [fn() => Parts::box(1, 1, 1), fn() => Parts::box(1, 1, 1, 9, name: 'b'), 2.0, 1.0, 0.0],
    'a tiny overlap' => [fn() => Parts::box(2, 2, 2), fn() => Parts::box(2, 2, 2, 2 - 1e-4, name: 'b'), 16 - 4e-4, 8 - 4e-4, 4e-4],
]);

it('counts bodies that do not touch over a face as two', function (Solid $b, int $bodies): void {
    expect((new PartMeasures(BooleanOperation::union(Parts::box(2, 2, 2), $b)))->bodyCount())->toBe($bodies);
})->with([
    'over a face' => [fn() => Parts::box(2, 2, 2, 2, name: 'b'), 1],
    'apart' => [fn() => Parts::box(2, 2, 2, 3, name: 'b'), 2],
    'along an edge only' => [fn() => Parts::box(2, 2, 2, 2, 2, name: 'b'), 2],
    'along half an edge' => [fn() => Parts::box(2, 2, 2, 2, 2, 1, 'b'), 2],
    'in a corner only' => [fn() => Parts::box(2, 2, 2, 2, 2, 2, 'b'), 2],
    'over half a face' => [fn() => Parts::box(2, 2, 2, 2, 1, 1, 'b'), 1],
    'half a millimetre apart' => [fn() => Parts::box(2, 2, 2, 2.5, name: 'b'), 2],
]);

it('keeps the name and the true surface of every face', function (): void {
    $plate = Parts::box(40, 20, 5, name: 's1');
    $drill = Primitives::cylinder('s2', 3.0, 10.0)->moved(Transform::translation([20.0, 10.0, -2.0]));
    $r = BooleanOperation::difference($plate, $drill);
    $names = [];
    foreach ($r->facet as $t => $_) {
        $names[$r->surfaceOfTriangle($t)->name] = true;
    }
    ksort($names);
    expect(array_keys($names))
        ->toBe(['s1:back', 's1:bottom', 's1:front', 's1:left', 's1:right', 's1:top', 's2:side'])
        ->and((new MassProperties($r))->volume)
        ->toEqualWithDelta(40 * 20 * 5 - M_PI * 9 * 5, 1e-6 * 4000);
});

it('leaves no needless facets on a flat after a cut is filled again', function (): void {
    $block = Parts::box(10, 10, 10);
    $plug = Parts::box(4, 4, 4, 3, 3, 6, 'b');
    $again = BooleanOperation::union(BooleanOperation::difference($block, $plug), Parts::box(4, 4, 4, 3, 3, 6, 'a'));
    expect(Soundness::faults($again))->toBe([])->and(flat($again))->toEqualWithDelta(1000.0, 1e-9);
});

it('gives the same bytes for the same input', function (): void {
    [$a, $b] = RandomParts::pair(12);
    expect(sha1(serialize(BooleanOperation::union($a, $b))))->toBe(sha1(serialize(BooleanOperation::union($a, $b))));
});

it('gives an empty solid where nothing is left', function (): void {
    expect(BooleanOperation::difference(Parts::box(2, 2, 2), Parts::box(4, 4, 4, -1, -1, -1, 'b'))->isEmpty())
        ->toBeTrue()
        ->and(BooleanOperation::intersection(Parts::box(1, 1, 1), Parts::box(1, 1, 1, 5, name: 'b'))->isEmpty())
        ->toBeTrue();
});

it('keeps the laws of volumes over random pairs', function (int $from): void {
    for ($seed = $from; $seed < $from + 50; $seed++) {
        [$a, $b] = RandomParts::pair($seed);
        $union = BooleanOperation::union($a, $b);
        $shared = BooleanOperation::intersection($a, $b);
        $ab = BooleanOperation::difference($a, $b);
        $ba = BooleanOperation::difference($b, $a);
        foreach (['union' => $union, 'shared' => $shared, 'a-b' => $ab, 'b-a' => $ba] as $name => $s) {
            expect(Soundness::faults($s))->toBe([], "seed $seed, $name");
        }
        $scale = flat($a) + flat($b);
        expect(flat($a) + flat($b) - flat($union) - flat($shared))
            ->toEqualWithDelta(0.0, 1e-7 * $scale, "seed $seed: A + B = union + shared")
            ->and(flat($ab) + flat($ba) + flat($shared) - flat($union))
            ->toEqualWithDelta(0.0, 1e-7 * $scale, "seed $seed: the pieces fill the union");
    }
})->with(range(0, 350, 50));

it('keeps its volume when both solids are moved together', function (): void {
    for ($seed = 500; $seed < 540; $seed++) {
        [$a, $b] = RandomParts::pair($seed);
        $t = Transform::rotation(0, 37.0)->then(Transform::rotation(2, 101.0))->then(Transform::translation([3.3, -7.1, 0.9]));
        $still = flat(BooleanOperation::union($a, $b));
        $moved = BooleanOperation::union($a->moved($t), $b->moved($t));
        expect(Soundness::faults($moved))
            ->toBe([], "seed $seed")
            ->and(flat($moved))
            ->toEqualWithDelta($still, 1e-7 * $still, "seed $seed");
    }
});

it('stays sound over chains of cuts', function (): void {
    for ($seed = 0; $seed < 25; $seed++) {
        $part = Parts::box(12, 12, 12, -6, -6, -6);
        $volume = flat($part);
        for ($i = 0; $i < 8; $i++) {
            $tool = RandomParts::one(1000 + 20 * $seed + $i, "t$i");
            $next = BooleanOperation::difference($part, $tool);
            expect(Soundness::faults($next))->toBe([], "seed $seed, cut $i");
            $lost = flat(BooleanOperation::intersection($part, $tool));
            expect($volume - flat($next))->toEqualWithDelta($lost, 1e-6 * 1728, "seed $seed, cut $i");
            $part = $next;
            $volume = flat($part);
        }
    }
});
