<?php

declare(strict_types=1);

use Cubo\Budget\Budget;
use Cubo\Budget\Limit;
use Cubo\Budget\OverBudget;
use Cubo\Exchange\MeshFile;
use Cubo\Exchange\StlFile;
use Cubo\Measure\Bounds;
use Cubo\Measure\FaceArea;
use Cubo\Measure\MassProperties;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Measure\TriangleTree;
use Cubo\Quantity\Unit;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Tests\Parts;

/* Measures spend from what they are given: of free surfaces every facet costs, and what is too much is so everywhere. */

it('gives up mass and bounds of free surfaces where they cost more than they may', function (): void {
    $egg = Parts::build([
        ['kind' => 'cylinder', 'round' => '20', 'length' => '10'],
        ['kind' => 'scale', 'by' => 'each', 'factorx' => '1.5', 'factory' => '0.8', 'factorz' => '1.25'],
    ])->part();
    $free = count(array_filter($egg->facet, static fn(int $f): bool => !$egg->surfaces[$egg->surfaceOf[$f]]->isFlat()));
    foreach (
        [static fn(Budget $b): MassProperties => new MassProperties($egg, $b), static fn(Budget $b): Bounds => Bounds::of($egg, $b)]
        as $measure
    ) {
        $whole = new Budget();
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
    $r = static fn(float $low, float $high): float => $low + (($high - $low) * mt_rand()) / mt_getrandmax();
    [$fx, $fy, $fz] = [round($r(0.5, 2), 2), round($r(0.5, 2), 2), round($r(0.5, 2), 2)];
    $part = Parts::build([
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '20', 'length' => '20'],
        ['kind' => 'scale', 'by' => 'each', 'factorx' => "$fx", 'factory' => "$fy", 'factorz' => "$fz"],
    ])->part();
    $turn = Cubo\Geometry\Transform::rotation(2, $a = $r(0, 90));
    $size = Bounds::of($part->moved($turn))->size();
    // an ellipse with half axes p, q reaches sqrt(p2 cos2 + q2 sin2) when turned
    $c = cos(deg2rad($a));
    $s = sin(deg2rad($a));
    expect($size[0])
        ->toEqualWithDelta(2 * sqrt((10 * $fx * $c) ** 2 + (10 * $fy * $s) ** 2), 1e-6)
        ->and($size[1])
        ->toEqualWithDelta(2 * sqrt((10 * $fx * $s) ** 2 + (10 * $fy * $c) ** 2), 1e-6)
        ->and($size[2])
        ->toEqualWithDelta(20 * $fz, 1e-6);
})->with(range(1, 4));

it('leaves a mesh as it is where looking for its faces would cost more than it may', function (): void {
    [$mesh] = MeshFile::read(
        StlFile::write(
            Parts::build([
                ['kind' => 'block', 'width' => '40', 'depth' => '30', 'height' => '12', 'edges' => 'upright', 'bevel' => '5'],
                ['kind' => 'ball', 'round' => '14', 'z' => '12'],
            ])->part(),
        ),
        Unit::Millimetre,
    );
    $round = static fn(Solid $s): int => count(array_filter($s->surfaces, static fn(Surface $u): bool => !$u->isFlat()));
    $whole = new Budget();
    expect($round(SurfaceRecognition::of($mesh, $whole)))
        ->toBe(5)
        ->and($whole->spent())
        ->toBeGreaterThan(10 * $mesh->triangleCount());
    // just enough is enough; at any less it is the mesh itself, not half of its faces
    expect($round(SurfaceRecognition::of($mesh, new Budget($whole->spent()))))->toBe(5);
    foreach ([1, 10, 50, 99] as $percent) {
        expect(SurfaceRecognition::of($mesh, new Budget(intdiv($whole->spent() * $percent, 100))))->toBe($mesh);
    }
});

it('looks through many rounds in about as many looks as there are facets', function (): void {
    // a plate with 4 and with 36 rounded posts: nine times the facets may cost nine times as much, not eighty-one times
    $cost = static function (int $n): int {
        [$mesh] = MeshFile::read(
            StlFile::write(
                Parts::build([
                    ['kind' => 'block', 'width' => '12', 'depth' => '12', 'height' => '10', 'edges' => 'upright', 'bevel' => '3'],
                    [
                        'kind' => 'repeat',
                        'of' => 'body',
                        'body' => 'all',
                        'way' => 'grid',
                        'count' => (string) $n,
                        'rows' => (string) $n,
                        'x' => '20',
                        'y' => '0',
                        'x2' => '0',
                        'y2' => '20',
                    ],
                ])->part(),
            ),
            Unit::Millimetre,
        );
        $budget = new Budget();
        SurfaceRecognition::of($mesh, $budget);

        return $budget->spent();
    };
    expect($cost(6) / $cost(2))->toBeLessThan(14);
});

it('counts every box that is looked at on the way to a hit', function (): void {
    $part = Parts::build([
        ['kind' => 'ball', 'round' => '30'],
        ['kind' => 'block', 'width' => '60', 'depth' => '60', 'height' => '4'],
    ])->part();
    $built = new Budget();
    new TriangleTree($part, $built);
    $budget = new Budget();
    $tree = new TriangleTree($part, $budget);
    $tree->firstHit([0.0, 0.0, 100.0], [0.0, 0.0, -1.0], 0.0, 1000.0);
    $ray = $budget->spent() - $built->spent();
    $tree->nearest([50.0, 10.0, 3.0]);
    $near = $budget->spent() - $built->spent() - $ray;
    // a tree looks at a few of its leaves, not at all of them
    expect($ray)
        ->toBeGreaterThan(0)
        ->toBeLessThan($part->triangleCount() / 10)
        ->and($near)
        ->toBeGreaterThan(0)
        ->toBeLessThan($part->triangleCount() / 5)
        ->and($built->spent())
        ->toBeGreaterThan($part->triangleCount());
});

it('measures several faces together as one after another', function (): void {
    $part = Parts::build([
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '30', 'length' => '10'],
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '12', 'length' => '30', 'z' => '-5', 'effect' => 'cut'],
        ['kind' => 'block', 'width' => '8', 'depth' => '8', 'height' => '18', 'x' => '10'],
    ])->part();
    $names = array_values(array_unique(array_map(static fn(Surface $s): string => $s->name, $part->surfaces)));
    expect(FaceArea::ofAll($part, $names))
        ->toEqualWithDelta(array_sum(array_map(static fn(string $n): float => FaceArea::of($part, $n), $names)), 1e-6)
        ->and(FaceArea::ofAll($part, []))
        ->toBe(0.0)
        ->and(FaceArea::ofAll($part, ['nowhere']))
        ->toBe(0.0);
});
