<?php

declare(strict_types=1);

/*
 * Round faces found again in bare triangles. Bushes, cones and sinkings whose radii are known stand in tests/Reference/RecognisedRoundsTest.php.
 */

use Cubo\Measure\PartMeasures;
use Cubo\Measure\SurfaceRecognition;
use Cubo\Solid\SurfaceKind;
use Tests\Meshes;
use Tests\Parts;

/** @return list<array{SurfaceKind, float, float}> kind, radius, slope of what was found, once each */
function rounds(Cubo\Solid\Solid $known): array
{
    return array_values(
        array_map(
            static fn($s): array => [$s->kind, $s->radius, $s->slope],
            array_filter($known->surfaces, static fn($s): bool => !$s->isFlat()),
        ),
    );
}

/** Points of a half circle from the lowest to the highest, as an outline that is closed along the axis. */
function meridian(float $radius, int $n): array
{
    return array_map(
        static fn(int $i): array => [$i === 0 || $i === $n ? 0.0 : $radius * sin((M_PI * $i) / $n), -$radius * cos((M_PI * $i) / $n)],
        range(0, $n),
    );
}

it('finds balls and half balls', function (int $around, int $up): void {
    $known = SurfaceRecognition::of(Meshes::solid(Meshes::turned(meridian(12.5, $up), $around)));
    expect(rounds($known))
        ->toHaveCount(1)
        ->and(rounds($known)[0][0])
        ->toBe(SurfaceKind::Sphere)
        ->and(rounds($known)[0][1])
        ->toEqualWithDelta(12.5, 0.0125);
    // a bowl: hollow half ball in a cylinder
    $half = array_slice(meridian(12.5, $up), 0, intdiv($up, 2) + 1);
    $bowl = [[0.0, -16.0], [18.0, -16.0], [18.0, 0.0], ...array_reverse($half)];
    $found = array_column(rounds(SurfaceRecognition::of(Meshes::solid(Meshes::turned($bowl, $around)))), 1, null);
    sort($found);
    expect($found)->toHaveCount(2)->and($found[0])->toEqualWithDelta(12.5, 0.0125)->and($found[1])->toEqualWithDelta(18.0, 0.018);
})->with([[32, 16], [48, 24]]);

it('takes no prism, no pyramid and no die for something round', function (array $outline, int $n): void {
    expect(rounds(SurfaceRecognition::of(Meshes::solid(Meshes::turned($outline, $n)))))->toBe([]);
})->with([
    'prism of eight' => [[[0.0, 0.0], [10.0, 0.0], [10.0, 5.0], [0.0, 5.0]], 8],
    'prism of twelve' => [[[0.0, 0.0], [10.0, 0.0], [10.0, 5.0], [0.0, 5.0]], 12],
    'pyramid of eight' => [[[0.0, 0.0], [10.0, 0.0], [0.0, 15.0]], 8],
    'double pyramid' => [[[0.0, -9.0], [10.0, 0.0], [0.0, 9.0]], 6],
]);

it('finds in the facets of an exported part what its steps made', function (): void {
    $steps = [
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '12'],
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '30', 'x' => '-15', 'z' => '-5', 'effect' => 'cut'],
        ['kind' => 'cone', 'by' => 'diameter', 'round' => '16', 'tip' => '8', 'length' => '10', 'x' => '15', 'z' => '12'],
        ['kind' => 'ball', 'by' => 'diameter', 'round' => '10', 'x' => '-15', 'y' => '14', 'z' => '11'],
    ];
    $part = Parts::build($steps)->part();
    [$mesh] = \Cubo\Exchange\MeshFile::read(\Cubo\Exchange\StlFile::write($part), \Cubo\Quantity\Unit::Millimetre);
    $known = SurfaceRecognition::of($mesh);
    $kinds = array_count_values(array_map(static fn(array $r): string => $r[0]->name, rounds($known)));
    ksort($kinds);
    expect($kinds)->toBe(['Cone' => 1, 'Cylinder' => 1, 'Sphere' => 1]);
    foreach (rounds($known) as [$kind, $radius, $slope]) {
        if ($kind === SurfaceKind::Sphere) {
            expect($radius)->toEqualWithDelta(5.0, 0.005);
        } elseif ($kind === SurfaceKind::Cone) {
            expect(abs($slope))->toEqualWithDelta(0.4, 0.002);
        }
    }
});

it('finds slots, and tells arcs from full rounds', function (): void {
    $f = Parts::measure([
        ['kind' => 'block', 'width' => '60', 'depth' => '40', 'height' => '10'],
        ['kind' => 'block', 'width' => '22', 'depth' => '8', 'height' => '30', 'z' => '-5', 'effect' => 'cut'],
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '30', 'x' => '11', 'z' => '-5', 'effect' => 'cut'],
        ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8', 'length' => '30', 'x' => '-11', 'z' => '-5', 'effect' => 'cut'],
        ['kind' => 'cylinder', 'by' => 'radius', 'round' => '12', 'length' => '10', 'x' => '30'],
    ])->features();
    expect($f->slots)
        ->toHaveCount(1)
        ->and($f->slots[0]->width)
        ->toEqualWithDelta(8.0, 1e-9)
        ->and($f->slots[0]->length)
        ->toEqualWithDelta(30.0, 1e-9)
        ->and($f->slots[0]->depth)
        ->toEqualWithDelta(10.0, 1e-9)
        ->and($f->holes)
        ->toBe([])
        ->and($f->arcs)
        ->toHaveCount(1)
        ->and($f->arcs[0]->turn)
        ->toEqualWithDelta(M_PI, 0.01)
        ->and($f->arcs[0]->toward[0])
        ->toEqualWithDelta(1.0, 0.01);
});

it('finds a cone whose rim another round face cuts', function (): void {
    // a sinking drilled into the side of a bar
    $bar = Parts::build([
        ['kind' => 'cylinder', 'by' => 'radius', 'round' => '15', 'length' => '60', 'along' => 'x', 'x' => '-30'],
        ['kind' => 'cylinder', 'by' => 'radius', 'round' => '3', 'length' => '60', 'z' => '-30', 'effect' => 'cut'],
        ['kind' => 'cone', 'by' => 'radius', 'round' => '3', 'tip' => '9', 'length' => '6', 'z' => '11', 'effect' => 'cut'],
    ])->part();
    $mesh = Cubo\Exchange\MeshFile::read(Cubo\Exchange\StlFile::write($bar), Cubo\Quantity\Unit::Millimetre)[0];
    $cones = array_values(array_filter(SurfaceRecognition::of($mesh)->surfaces, static fn($s): bool => $s->kind === SurfaceKind::Cone));
    expect($cones)->toHaveCount(1)->and(abs($cones[0]->slope))->toEqualWithDelta(1.0, 1e-3);
});

it('finds a bore that a flat meets at a blunt angle, balls and rings that other faces cut', function (
    array $steps,
    SurfaceKind $kind,
    float $radius,
): void {
    $part = Parts::build($steps)->part();
    $known = SurfaceRecognition::of(Cubo\Exchange\MeshFile::read(Cubo\Exchange\StlFile::write($part), Cubo\Quantity\Unit::Millimetre)[0]);
    $found = array_values(
        array_filter($known->surfaces, static fn($s): bool => $s->kind === $kind && abs($s->radius - $radius) < 1e-3 * $radius),
    );
    expect($found)
        ->toHaveCount(1)
        // what is measured of the file is what is measured of the part
        ->and((new PartMeasures($known))->mass()->volume / (new PartMeasures($part))->mass()->volume)
        ->toEqualWithDelta(1.0, 1e-5)
        ->and((new PartMeasures($known))->bounds()->size())
        ->toEqualWithDelta((new PartMeasures($part))->bounds()->size(), 1e-4);
})->with([
    'a bore beside a pocket' => [
        [
            ['kind' => 'block', 'width' => '52', 'depth' => '37.5', 'height' => '10'],
            [
                'kind' => 'block',
                'width' => '15.5',
                'depth' => '6.75',
                'height' => '29',
                'x' => '4.5',
                'y' => '-15.75',
                'z' => '6.75',
                'effect' => 'cut',
            ],
            [
                'kind' => 'cylinder',
                'by' => 'diameter',
                'round' => '9.25',
                'length' => '80',
                'x' => '8',
                'y' => '-12.5',
                'z' => '-20',
                'effect' => 'cut',
            ],
        ],
        SurfaceKind::Cylinder,
        4.625,
    ],
    'a bore that only grazes' => [
        [
            ['kind' => 'block', 'width' => '45.25', 'depth' => '29', 'height' => '14.5'],
            [
                'kind' => 'cylinder',
                'by' => 'diameter',
                'round' => '11.5',
                'length' => '80',
                'x' => '11.75',
                'y' => '19.75',
                'z' => '-20',
                'effect' => 'cut',
            ],
        ],
        SurfaceKind::Cylinder,
        5.75,
    ],
    'a pin that sticks out of a side' => [
        [
            ['kind' => 'block', 'width' => '49.25', 'depth' => '47', 'height' => '16'],
            ['kind' => 'cylinder', 'by' => 'diameter', 'round' => '8.25', 'length' => '23.25', 'x' => '-9', 'y' => '19.5', 'z' => '6.25'],
        ],
        SurfaceKind::Cylinder,
        4.125,
    ],
    'a groove like a ring' => [
        [
            ['kind' => 'block', 'width' => '62.75', 'depth' => '34.5', 'height' => '12'],
            [
                'kind' => 'ring',
                'by' => 'diameter',
                'round' => '21.25',
                'thick' => '5.25',
                'x' => '-3.25',
                'y' => '-7.5',
                'z' => '10.25',
                'effect' => 'cut',
            ],
        ],
        SurfaceKind::Torus,
        8.0,
    ],
    'a ball that sticks out' => [
        [
            ['kind' => 'block', 'width' => '58.25', 'depth' => '48.75', 'height' => '15'],
            ['kind' => 'ball', 'by' => 'diameter', 'round' => '20', 'x' => '-21.5', 'y' => '-0.25', 'z' => '5.25'],
        ],
        SurfaceKind::Sphere,
        10.0,
    ],
]);
