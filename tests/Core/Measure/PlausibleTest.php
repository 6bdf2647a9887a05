<?php

declare(strict_types=1);

use Cubo\Exchange\MeshFile;
use Cubo\Exchange\StlFile;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Quantity\Unit;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Parts;

/* A file is never measured worse than its facets. */

function asFile(array $steps): array
{
    $part = Parts::build($steps)->part();
    [$mesh] = MeshFile::read(StlFile::write($part), Unit::Millimetre);

    return [new PartMeasures($part), new PartMeasures($mesh), new PartMeasures(SurfaceRecognition::of($mesh))];
}

it('does not bend flats between rounds outward', function (array $steps): void {
    [$true, , $known] = asFile($steps);
    foreach ([0, 1, 2] as $k) {
        expect($known->bounds()->size()[$k])->toEqualWithDelta($true->bounds()->size()[$k], 1e-4);
    }
    expect($known->mass()->volume)->toEqualWithDelta($true->mass()->volume, 1e-4 * $true->mass()->volume);
})->with([
    'upright edges rounded by 8' => [
        [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '20', 'edges' => 'upright', 'bevel' => '8']],
    ],
    'an open tray' => [
        [
            ['kind' => 'block', 'width' => '80', 'depth' => '50', 'height' => '20', 'edges' => 'upright', 'bevel' => '6'],
            ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']],
        ],
    ],
    'a lid, rounded all over' => [
        [['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '10', 'edges' => 'round', 'bevel' => '3']],
    ],
]);

it('keeps within what facets explain, by seed', function (int $seed): void {
    $r = new Randomizer(new Xoshiro256StarStar($seed));
    $n = static fn(int $low, int $high): string => (string) ($r->getInt(10 * $low, 10 * $high) / 10);
    $height = $r->getInt(8, 30);
    $steps = [
        [
            'kind' => 'block',
            'width' => $n(30, 90),
            'depth' => $n(25, 60),
            'height' => (string) $height,
            'edges' => ['upright', 'round', 'uprightcut', 'sharp'][$r->getInt(0, 3)],
            'bevel' => (string) ($r->getInt(10, 35) / 10),
        ],
    ];
    if ($r->getInt(0, 1) === 1) {
        $steps[] = ['kind' => 'hollow', 'wall' => '2', 'faces' => ['s1:top']];
    }
    $steps[] = [
        'kind' => ['cylinder', 'cone', 'ball', 'halfcylinder'][$r->getInt(0, 3)],
        'round' => $n(4, 12),
        'x' => $n(-8, 8),
        'y' => $n(-8, 8),
        'z' => $n(0, $height),
        'effect' => ['add', 'cut'][$r->getInt(0, 1)],
    ];
    [$true, $raw, $known] = asFile($steps);
    foreach ([0, 1, 2] as $k) {
        expect($known->bounds()->size()[$k])->toEqualWithDelta($true->bounds()->size()[$k], 0.05, "size $k of seed $seed");
    }
    // never worse than the facets themselves, but for rounding
    $off = abs($known->mass()->volume - $true->mass()->volume);
    expect($off)->toBeLessThanOrEqual(
        max(abs($raw->mass()->volume - $true->mass()->volume), 1e-5 * $true->mass()->volume),
        "volume of seed $seed",
    );
})->with(range(1, 60));
