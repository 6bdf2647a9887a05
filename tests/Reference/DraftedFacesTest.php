<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Blend\Blending;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\SoftBlock;
use Cubo\Solid\Solid;
use Tests\Soundness;

/*
 * Tilted faces: prismoids by their end areas and the one halfway (h/6 (A + 4 M + B), which is exact where areas change as a
 * square) and frustums of cones (pi h/3 (R^2 + R r + r^2)). I. N. Bronstein et al., "Taschenbuch der Mathematik", 3.3.4;
 * from memory.
 */

$t = tan(deg2rad(5));
$prismoid = static fn(float $h, Closure $area, float $neutral): float => ($h / 6) *
    ($area(-$neutral) + 4 * $area($h / 2 - $neutral) + $area($h - $neutral));
$frustum = static fn(float $h, float $a, float $b): float => ((M_PI * $h) / 3) * ($a * $a + $a * $b + $b * $b);
$block = static fn(): Solid => Primitives::block('b', [0.0, 0.0, 0.0], [30.0, 20.0, 15.0]);
$plate = static fn(float $h): Solid => Primitives::block('p', [-20.0, -20.0, 0.0], [40.0, 40.0, $h]);
$bed = static fn(): Solid => BooleanOperation::difference(
    $plate(10),
    Primitives::cylinder('h', 5.0, 20.0)->moved(Transform::translation([0.0, 0.0, -5.0])),
);
$post = static fn(): Solid => BooleanOperation::union($plate(8), Primitives::cylinder('z', 6.0, 20.0));
$all = static fn(string $s): array => ["$s:front", "$s:back", "$s:left", "$s:right"];
$upright = static fn(float $d): float => (30 - 2 * $d * $t) * (20 - 2 * $d * $t) - (4 - M_PI) * (4 - $d * $t) ** 2;

it('tilts flats, rounds and what runs between them', function (
    Closure $make,
    array $faces,
    float $neutral,
    float $angle,
    float $volume,
): void {
    $s = FaceWork::draft($make(), $faces, [0.0, 0.0, $neutral], [0.0, 0.0, 1.0], $angle);
    expect(Soundness::faults($s))
        ->toBe([])
        ->and((new MassProperties($s))->volume)
        ->toEqualWithDelta($volume, 1e-7 * $volume);
})->with([
    'a cylinder' => [fn() => Primitives::cylinder('c', 10.0, 20.0), ['c:side'], 0.0, 5.0, $frustum(20, 10, 10 - 20 * $t)],
    'a cylinder about its middle' => [
        fn() => Primitives::cylinder('c', 10.0, 20.0),
        ['c:side'],
        10.0,
        5.0,
        $frustum(20, 10 + 10 * $t, 10 - 10 * $t),
    ],
    'a cylinder to a point' => [fn() => Primitives::cylinder('c', 10.0, 20.0), ['c:side'], 0.0, rad2deg(atan(0.5)), (M_PI * 2000) / 3],
    'a hole' => [$bed, ['h:side'], 0.0, 5.0, 16000 - $frustum(10, 5, 5 + 10 * $t)],
    'a post' => [$post, ['z:side'], 8.0, 5.0, 12800 + $frustum(12, 6, 6 - 12 * $t)],
    'upright edges rounded' => [
        fn() => SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0, false),
        $all('s'),
        0.0,
        5.0,
        $prismoid(15, $upright, 0),
    ],
    'upright edges rounded, about the middle' => [
        fn() => SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0, false),
        $all('s'),
        7.5,
        5.0,
        $prismoid(15, $upright, 7.5),
    ],
]);

it('makes rounds again that do not stand along the direction', function (Closure $make, Closure $direct, array $faces): void {
    $s = FaceWork::draft($make(), $faces, [0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 5);
    $d = $direct();
    expect(Soundness::faults($s))
        ->toBe([])
        ->and((new MassProperties($s))->volume)
        ->toEqualWithDelta((new MassProperties($d))->volume, 1e-6 * 9000);
    $names = static function (Solid $s): array {
        $names = array_values(array_unique(array_map(static fn(int $f): string => $s->surfaces[$s->surfaceOf[$f]]->name, $s->facet)));
        sort($names);

        return $names;
    };
    expect($names($s))->toBe($names($make()));
})->with(function () use ($block, $all) {
    $tilted = static fn(array $faces): Solid => FaceWork::draft($block(), $faces, [0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 5);
    $edges = static fn(string ...$faces): array => array_map(static function (string $e): string {
        $names = array_map(static fn(string $n): string => "b:$n", explode(' ', $e));
        sort($names);

        return implode(' / ', $names);
    }, $faces);
    $every = $edges(
        'front top',
        'back top',
        'left top',
        'right top',
        'front bottom',
        'back bottom',
        'left bottom',
        'right bottom',
        'front left',
        'front right',
        'back left',
        'back right',
    );

    return [
        'the edge above' => [
            fn() => Blending::round('r', $block(), $edges('front top'), 3.0),
            fn() => Blending::round('r', $tilted(['b:front']), $edges('front top'), 3.0),
            ['b:front'],
        ],
        'one side of an upright edge' => [
            fn() => Blending::round('r', $block(), $edges('front left'), 3.0),
            fn() => Blending::round('r', $tilted(['b:front']), $edges('front left'), 3.0),
            ['b:front'],
        ],
        'every edge' => [
            fn() => Blending::round('r', $block(), $every, 3.0),
            fn() => Blending::round('r', $tilted($all('b')), $every, 3.0),
            $all('b'),
        ],
    ];
});
