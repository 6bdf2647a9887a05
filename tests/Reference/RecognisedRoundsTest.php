<?php

declare(strict_types=1);

/*
 * Cylinders and cones found again in bare triangles whose corners are worked out here from the equations of the circle
 * (r cos t, r sin t) and of the cone, so that every radius is known: within a thousandth at 32 facets.
 */

use Cubo\Geometry\Transform;
use Cubo\Measure\Features;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Solid\SurfaceKind;
use Tests\Meshes;

it('finds a bush of 32 facets: both cylinders, within a thousandth', function (int $facets): void {
    $known = SurfaceRecognition::of(Meshes::solid(Meshes::turned([[4.0, 0.0], [9.5, 0.0], [9.5, 14.0], [4.0, 14.0]], $facets)));
    $f = Features::of($known);
    expect($f->holes)
        ->toHaveCount(1)
        ->and($f->bosses)
        ->toHaveCount(1)
        ->and($f->holes[0]->radius)
        ->toEqualWithDelta(4.0, 0.004)
        ->and($f->holes[0]->through)
        ->toBeTrue()
        ->and($f->holes[0]->depth())
        ->toEqualWithDelta(14.0, 1e-4)
        ->and($f->bosses[0]->radius)
        ->toEqualWithDelta(9.5, 0.0095)
        ->and(max(SurfaceRecognition::residuals($known)))
        ->toBeLessThan(0.001);
})->with([16, 32, 64, 180]);

it('finds a cone and tells its ends and its opening', function (int $facets, float $low, float $high): void {
    $t = Transform::rotation(0, 37.0)->then(Transform::translation([11.0, -3.0, 5.0]));
    $known = SurfaceRecognition::of(
        Meshes::solid(Meshes::moved(Meshes::turned([[0.0, 0.0], [$low, 0.0], [$high, 12.0], [0.0, 12.0]], $facets), $t)),
    );
    $cones = Features::of($known)->cones;
    expect($cones)
        ->toHaveCount(1)
        ->and($cones[0]->hollow)
        ->toBeFalse()
        ->and(max($cones[0]->low, $cones[0]->high))
        ->toEqualWithDelta(max($low, $high), 1e-3 * max($low, $high))
        ->and(min($cones[0]->low, $cones[0]->high))
        ->toEqualWithDelta(min($low, $high), 1e-3 * max($low, $high))
        ->and($cones[0]->opening())
        ->toEqualWithDelta(rad2deg(2 * atan(abs($high - $low) / 12)), 0.05)
        ->and($cones[0]->length())
        ->toEqualWithDelta(12.0, 1e-3);
})->with([[32, 10.0, 6.0], [32, 3.0, 9.0], [64, 10.0, 9.5], [32, 8.0, 0.0]]);

it('finds a countersunk hole as a cone above a cylinder', function (): void {
    $known = SurfaceRecognition::of(Meshes::solid(Meshes::turned([[3.0, 0.0], [20.0, 0.0], [20.0, 8.0], [6.0, 8.0], [3.0, 5.0]], 32)));
    $f = Features::of($known);
    expect($f->holes)
        ->toHaveCount(1)
        ->and($f->holes[0]->radius)
        ->toEqualWithDelta(3.0, 0.003)
        ->and($f->cones)
        ->toHaveCount(1)
        ->and($f->cones[0]->hollow)
        ->toBeTrue()
        ->and($f->cones[0]->opening())
        ->toEqualWithDelta(90.0, 0.1)
        ->and(max($f->cones[0]->low, $f->cones[0]->high))
        ->toEqualWithDelta(6.0, 0.006);
});

/** A torus whose corners are worked out from its equation: R + r cos t from the axis, r sin t up. */
function ringed(float $radius, float $tube, int $around, int $up, float $from = 0.0, float $to = 2 * M_PI): array
{
    $outline = [];
    for ($i = 0; $i < $up + ($to - $from < 2 * M_PI - 1e-9 ? 1 : 0); $i++) {
        $t = $from + (($to - $from) * $i) / $up;
        $outline[] = [$radius + $tube * cos($t), $tube * sin($t)];
    }

    return Meshes::turned($outline, $around);
}

it('finds a ring and both its radii within a thousandth', function (float $radius, float $tube, int $around, int $up): void {
    $t = Transform::rotation(1, 28.0)->then(Transform::translation([-7.0, 4.0, 31.0]));
    $known = SurfaceRecognition::of(Meshes::solid(Meshes::moved(ringed($radius, $tube, $around, $up), $t)));
    $rings = array_values(array_filter($known->surfaces, static fn($s): bool => $s->kind === SurfaceKind::Torus));
    expect($rings)
        ->toHaveCount(1)
        ->and($known->surfaces)
        ->toHaveCount(1)
        ->and($rings[0]->radius)
        ->toEqualWithDelta($radius, 1e-3 * $radius)
        ->and($rings[0]->tube)
        ->toEqualWithDelta($tube, 1e-3 * $tube)
        ->and(max(SurfaceRecognition::residuals($known)))
        ->toBeLessThan(1e-3 * $tube);
})->with([[20.0, 5.0, 32, 16], [20.0, 5.0, 64, 24], [8.0, 6.0, 48, 32], [60.0, 2.0, 96, 20]]);

it('finds the round along a circular edge, between a flat and a cylinder', function (float $tube, int $steps): void {
    // a disc of radius 20 whose upper rim is rounded
    $outline = [[0.0, 0.0], [20.0, 0.0]];
    for ($i = 0; $i <= $steps; $i++) {
        $t = ((M_PI / 2) * $i) / $steps;
        $outline[] = [20 - $tube + $tube * cos($t), 10 - $tube + $tube * sin($t)];
    }
    $outline[] = [0.0, 10.0];
    $known = SurfaceRecognition::of(Meshes::solid(Meshes::turned($outline, 64)));
    $rings = array_values(array_filter($known->surfaces, static fn($s): bool => $s->kind === SurfaceKind::Torus));
    expect($rings)
        ->toHaveCount(1)
        ->and($rings[0]->tube)
        ->toEqualWithDelta($tube, 2e-3 * $tube)
        ->and($rings[0]->radius)
        ->toEqualWithDelta(20 - $tube, 2e-3 * 20)
        ->and(Features::of($known)->bosses)
        ->toHaveCount(1)
        ->and(Features::of($known)->cones)
        ->toHaveCount(0);
})->with([[3.0, 4], [3.0, 8], [1.0, 6]]);
