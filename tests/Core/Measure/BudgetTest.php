<?php

declare(strict_types=1);

use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Measure\Bounds;
use Cubo\Measure\MassProperties;
use Tests\Parts;

/* Measures spend from what they are given: of free surfaces every facet costs, and what is too much is so everywhere. */

it('gives up mass and bounds of free surfaces where they cost more than they may', function (): void {
    $egg = Parts::build([['kind' => 'cylinder', 'round' => '20', 'length' => '10'], ['kind' => 'scale', 'by' => 'each', 'factorx' => '1.5', 'factory' => '0.8', 'factorz' => '1.25']])->part();
    $free = count(array_filter($egg->facet, static fn (int $f): bool => ! $egg->surfaces[$egg->surfaceOf[$f]]->isFlat()));
    foreach ([static fn (Budget $b): MassProperties => new MassProperties($egg, $b), static fn (Budget $b): Bounds => Bounds::of($egg, $b)] as $measure) {
        $whole = new Budget;
        $measure($whole);
        $spent = $whole->spent();
        expect($spent)->toBeGreaterThan($free);
        // just enough is enough, one unit less is not
        $measure(new Budget($spent));
        try {
            $measure(new Budget($spent - 1));
            $limit = null;
        } catch (OverBudget $e) {
            $limit = $e->limit;
        }
        expect($limit)->toBe(Limit::Work);
    }
});

it('finds the extremes of a turned and stretched cylinder, however few facets are looked at to the end', function (int $seed): void {
    mt_srand($seed);
    $r = static fn (float $low, float $high): float => $low + ($high - $low) * mt_rand() / mt_getrandmax();
    [$fx, $fy, $fz] = [round($r(0.5, 2), 2), round($r(0.5, 2), 2), round($r(0.5, 2), 2)];
    $part = Parts::build([['kind' => 'cylinder', 'by' => 'diameter', 'round' => '20', 'length' => '20'], ['kind' => 'scale', 'by' => 'each', 'factorx' => "$fx", 'factory' => "$fy", 'factorz' => "$fz"]])->part();
    $turn = Cubo\Geometry\Transform::rotation(2, $a = $r(0, 90));
    $size = Bounds::of($part->moved($turn))->size();
    // an ellipse with half axes p, q reaches sqrt(p2 cos2 + q2 sin2) when turned
    $c = cos(deg2rad($a));
    $s = sin(deg2rad($a));
    expect($size[0])->toEqualWithDelta(2 * sqrt((10 * $fx * $c) ** 2 + (10 * $fy * $s) ** 2), 1e-6)
        ->and($size[1])->toEqualWithDelta(2 * sqrt((10 * $fx * $s) ** 2 + (10 * $fy * $c) ** 2), 1e-6)
        ->and($size[2])->toEqualWithDelta(20 * $fz, 1e-6);
})->with(range(1, 4));
