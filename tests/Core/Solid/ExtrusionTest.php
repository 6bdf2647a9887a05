<?php

declare(strict_types=1);

use Cubo\Measure\MassProperties;
use Cubo\Recipe\SketchPlane;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\Outline;
use Cubo\Solid\Maker\Extrusion;
use Tests\Soundness;

function extruded(array $outlines, array $regions, float $to, SketchPlane $plane = SketchPlane::Ground): Cubo\Solid\Solid
{
    return Extrusion::straight('s2', (new Arrangement(array_merge(...$outlines)))->profile($regions), 0.0, $to, $plane->placement());
}

it('draws a rectangle out to a block', function (): void {
    $s = extruded([Outline::rectangle('a', 0, 0, 4, 3)], [1], 5.0);
    expect(Soundness::faults($s))->toBe([])->and($s->facettedVolume())->toEqualWithDelta(60.0, 1e-12);
});

it('draws a ring out with its hole open', function (): void {
    $s = extruded([Outline::circle('a', 0, 0, 10), Outline::circle('b', 0, 0, 6)], [1], 5.0);
    expect(Soundness::faults($s))
        ->toBe([])
        ->and((new MassProperties($s))->volume)
        ->toEqualWithDelta(M_PI * (100 - 36) * 5, 1e-6 * 1000);
});

it('goes down as well as up', function (): void {
    $s = extruded([Outline::rectangle('a', 0, 0, 4, 3)], [1], -5.0);
    expect(Soundness::faults($s))
        ->toBe([])
        ->and($s->vertexBox())
        ->toBe([0.0, 0.0, -5.0, 4.0, 3.0, 0.0]);
});

it('lies right on every principal plane', function (SketchPlane $plane, float $to, array $box): void {
    $s = extruded([Outline::rectangle('a', 1, 2, 4, 3)], [1], $to, $plane);
    expect(Soundness::faults($s))->toBe([])->and($s->vertexBox())->toEqual($box);
})->with([
    'ground, up' => [SketchPlane::Ground, 5.0, [1.0, 2.0, 0.0, 5.0, 5.0, 5.0]],
    'front, towards the viewer' => [SketchPlane::Front, 5.0, [1.0, -5.0, 2.0, 5.0, 0.0, 5.0]],
    'front, away from the viewer' => [SketchPlane::Front, -5.0, [1.0, 0.0, 2.0, 5.0, 5.0, 5.0]],
    'side, to the right' => [SketchPlane::Side, 5.0, [0.0, 1.0, 2.0, 5.0, 5.0, 5.0]],
]);

it('names its sides after the outlines', function (): void {
    $names = array_map(fn($u) => $u->name, extruded([Outline::rectangle('a', 0, 0, 4, 3)], [1], 5.0)->surfaces);
    sort($names);
    expect($names)->toBe(['s2:a high', 's2:a left', 's2:a low', 's2:a right', 's2:end', 's2:start']);
});
