<?php

declare(strict_types=1);

use Cubo\Measure\PartMeasures;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\SurfaceKind;
use Tests\Soundness;

it('makes sound solids', function (Closure $make): void {
    $s = $make();
    expect(Soundness::faults($s))
        ->toBe([])
        ->and($s->facettedVolume())
        ->toBeGreaterThan(0.0)
        ->and((new PartMeasures($s))->bodyCount())
        ->toBe(1);
})->with([
    'block' => [fn() => Primitives::block('s1', [-1.0, 2.0, 3.0], [4.0, 5.0, 6.0])],
    'cylinder' => [fn() => Primitives::cylinder('s1', 5.0, 20.0)],
    'tiny cylinder' => [fn() => Primitives::cylinder('s1', 0.001, 0.001)],
    'large cylinder' => [fn() => Primitives::cylinder('s1', 5000.0, 10000.0)],
    'cone with a tip' => [fn() => Primitives::cone('s1', 5.0, 0.0, 20.0)],
    'cone on its tip' => [fn() => Primitives::cone('s1', 0.0, 5.0, 20.0)],
    'truncated cone' => [fn() => Primitives::cone('s1', 8.0, 3.0, 2.0)],
    'ball' => [fn() => Primitives::sphere('s1', 7.5)],
]);

it('names every face after its step', function (): void {
    $names = fn($s) => array_values(array_unique(array_map(fn($u) => $u->name, $s->surfaces)));
    expect($names(Primitives::block('s3', [0.0, 0.0, 0.0], [1.0, 1.0, 1.0])))
        ->toBe(['s3:bottom', 's3:top', 's3:front', 's3:right', 's3:back', 's3:left'])
        ->and($names(Primitives::sphere('s4', 2.0)))
        ->toBe(['s4:ball']);
});

it('gives round faces their true surface', function (): void {
    $s = Primitives::cone('s1', 8.0, 3.0, 2.0);
    $cones = array_values(array_filter($s->surfaces, fn($u) => $u->kind === SurfaceKind::Cone));
    expect($cones)
        ->toHaveCount(1)
        ->and($cones[0]->radius)
        ->toBe(8.0)
        ->and($cones[0]->slope)
        ->toBe(-2.5);
});

it('puts every vertex of a round face on the true surface', function (): void {
    $s = Primitives::sphere('s1', 7.5);
    foreach ($s->x as $i => $x) {
        expect(sqrt($x ** 2 + $s->y[$i] ** 2 + $s->z[$i] ** 2))->toEqualWithDelta(7.5, 1e-12);
    }
});

it('refuses sizes that make no solid', function (Closure $make): void {
    expect($make)->toThrow(InvalidArgumentException::class);
})->with([
    'zero height' => [fn() => Primitives::cylinder('s1', 1.0, 0.0)],
    'negative side' => [fn() => Primitives::block('s1', [0.0, 0.0, 0.0], [1.0, -1.0, 1.0])],
    'negative radius' => [fn() => Primitives::cone('s1', 1.0, -1.0, 1.0)],
    'no radius at all' => [fn() => Primitives::cone('s1', 0.0, 0.0, 1.0)],
    'not a number' => [fn() => Primitives::sphere('s1', NAN)],
]);
