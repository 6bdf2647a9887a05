<?php

declare(strict_types=1);

/*
 * Cylinders and cones found again in bare triangles whose corners are worked out here from the equations of the circle
 * (r cos t, r sin t) and of the cone, so that every radius is known: within a thousandth at 32 facets.
 */

use Cubo\Geometry\Transform;
use Cubo\Measure\Features;
use Cubo\Measure\SurfaceRecognition;
use Tests\Meshes;

it('finds a bush of 32 facets: both cylinders, within a thousandth', function (int $facets): void {
    $known = SurfaceRecognition::of(Meshes::solid(Meshes::turned([[4.0, 0.0], [9.5, 0.0], [9.5, 14.0], [4.0, 14.0]], $facets)));
    $f = Features::of($known);
    expect($f->holes)->toHaveCount(1)->and($f->bosses)->toHaveCount(1)
        ->and($f->holes[0]->radius)->toEqualWithDelta(4.0, 0.004)->and($f->holes[0]->through)->toBeTrue()->and($f->holes[0]->depth())->toEqualWithDelta(14.0, 1e-4)
        ->and($f->bosses[0]->radius)->toEqualWithDelta(9.5, 0.0095)
        ->and(max(SurfaceRecognition::residuals($known)))->toBeLessThan(0.001);
})->with([16, 32, 64, 180]);

it('finds a cone and tells its ends and its opening', function (int $facets, float $low, float $high): void {
    $t = Transform::rotation(0, 37.0)->then(Transform::translation([11.0, -3.0, 5.0]));
    $known = SurfaceRecognition::of(Meshes::solid(Meshes::moved(Meshes::turned([[0.0, 0.0], [$low, 0.0], [$high, 12.0], [0.0, 12.0]], $facets), $t)));
    $cones = Features::of($known)->cones;
    expect($cones)->toHaveCount(1)->and($cones[0]->hollow)->toBeFalse()
        ->and(max($cones[0]->low, $cones[0]->high))->toEqualWithDelta(max($low, $high), 1e-3 * max($low, $high))
        ->and(min($cones[0]->low, $cones[0]->high))->toEqualWithDelta(min($low, $high), 1e-3 * max($low, $high))
        ->and($cones[0]->opening())->toEqualWithDelta(rad2deg(2 * atan(abs($high - $low) / 12)), 0.05)
        ->and($cones[0]->length())->toEqualWithDelta(12.0, 1e-3);
})->with([[32, 10.0, 6.0], [32, 3.0, 9.0], [64, 10.0, 9.5], [32, 8.0, 0.0]]);

it('finds a countersunk hole as a cone above a cylinder', function (): void {
    $known = SurfaceRecognition::of(Meshes::solid(Meshes::turned([[3.0, 0.0], [20.0, 0.0], [20.0, 8.0], [6.0, 8.0], [3.0, 5.0]], 32)));
    $f = Features::of($known);
    expect($f->holes)->toHaveCount(1)->and($f->holes[0]->radius)->toEqualWithDelta(3.0, 0.003)
        ->and($f->cones)->toHaveCount(1)->and($f->cones[0]->hollow)->toBeTrue()->and($f->cones[0]->opening())->toEqualWithDelta(90.0, 0.1)
        ->and(max($f->cones[0]->low, $f->cones[0]->high))->toEqualWithDelta(6.0, 0.006);
});
