<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;
use Tests\Solids;
use Tests\Soundness;

/*
 * Rounds and chamfers along edges that are no lines or circles to the mesh, and along edges that end on round faces. What is
 * lost is summed up in slices, apart from the code that makes it (cubatures by elementary geometry, common practice).
 */

$lost = static fn(Solid $before, Solid $after): float => (new MassProperties($before))->volume - (new MassProperties($after))->volume;

it('rounds the rim of a ball that was cut', function (float $r) use ($lost): void {
    $cut = BooleanOperation::difference(Primitives::sphere('s', 10.0), Primitives::block('w', [-20.0, -20.0, 5.0], [40.0, 40.0, 20.0]));
    $s = Blending::round('x', $cut, ['s:ball / w:bottom'], $r);
    // the arc's middle lies r under the flat and R - r from the middle of the ball; above where it touches the ball both are circles
    $middle = sqrt((10 - $r) ** 2 - (5 - $r) ** 2);
    $slice = static fn(float $z): float => M_PI * (100 - $z * $z - ($middle + sqrt(max(0.0, $r ** 2 - ($z - 5 + $r) ** 2))) ** 2);
    $want = Solids::integral($slice, ((5 - $r) * 10) / (10 - $r), 5);
    expect(Soundness::faults($s))
        ->toBe([])
        ->and($lost($cut, $s))
        ->toEqualWithDelta($want, 1e-5 * 3535);
})->with([0.5, 1.0, 2.0]);

it('cuts edges off up to a post that stands in the way', function (string $way, float $size) use ($lost): void {
    $plate = BooleanOperation::union(Primitives::block('b', [-20.0, 0.0, 0.0], [40.0, 20.0, 10.0]), Primitives::cylinder('z', 6.0, 30.0));
    $edges = array_values(
        array_filter(array_keys(Topology::of($plate)->edges), static fn(string $e): bool => str_starts_with($e, 'b:front / b:top')),
    );
    expect($edges)->toHaveCount(2);
    $s = $way === 'chamfer' ? Blending::chamfer('x', $plate, $edges, $size) : Blending::round('x', $plate, $edges, $size);
    // in the depth y behind the edge the cut goes that deep, and is as long as the plate without the post
    $deep = static fn(float $y): float => $way === 'chamfer' ? $size - $y : $size - sqrt($size ** 2 - ($size - $y) ** 2);
    $want = Solids::integral(static fn(float $y): float => $deep($y) * (40 - 2 * sqrt(36 - $y * $y)), 0, $size);
    expect(Soundness::faults($s))
        ->toBe([])
        ->and($lost($plate, $s))
        ->toEqualWithDelta($want, 2e-6 * 10000);
})
    ->with(['chamfer', 'round'])
    ->with([0.5, 2.0, 4.0]);

it('rounds and fills where pipes meet, alike from both sides', function (): void {
    $pipe = static fn(float $r): Solid => Primitives::cylinder('d', $r, 40.0)->moved(
        Transform::rotation(1, 90)->then(Transform::translation([-20.0, 0.0, 20.0])),
    );
    $post = Primitives::cylinder('c', 10.0, 40.0);
    // as deep as wide: what a chamfer takes of a cross hole is what it fills around a cross pipe, but for the bend of the edge
    $hole = BooleanOperation::difference($post, $pipe(4.0));
    $cross = BooleanOperation::union($post, $pipe(4.0));
    foreach (['round', 'chamfer'] as $way) {
        $a = Blending::$way(
            'x',
            $hole,
            array_values(
                array_filter(array_keys(Topology::of($hole)->edges), static fn(string $e): bool => str_starts_with($e, 'c:side / d:side')),
            ),
            0.5,
        );
        $b = Blending::$way(
            'x',
            $cross,
            array_values(
                array_filter(array_keys(Topology::of($cross)->edges), static fn(string $e): bool => str_starts_with($e, 'c:side / d:side')),
            ),
            0.5,
        );
        expect(Soundness::faults($a))->toBe([])->and(Soundness::faults($b))->toBe([]);
        [$taken, $filled] = [
            (new MassProperties($hole))->volume - (new MassProperties($a))->volume,
            (new MassProperties($b))->volume - (new MassProperties($cross))->volume,
        ];
        // both sides of an edge make up half a turn, and sines of both are the same; what a round takes of them is not
        expect($taken)
            ->toBeGreaterThan(0.0)
            ->and($filled)
            ->toBeGreaterThan(0.0)
            ->and($way === 'chamfer' ? abs($filled / $taken - 1) : 0.0)
            ->toBeLessThan(0.1);
    }
});
