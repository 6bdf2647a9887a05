<?php

declare(strict_types=1);

use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\FaceWork;
use Cubo\Solid\Layer\Walls;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Maker\SoftBlock;
use Cubo\Solid\Solid;
use Tests\Soundness;

/*
 * Walls of even thickness whose inside has other faces than the outside: what a wall leaves by elementary geometry
 * (I. N. Bronstein et al., "Taschenbuch der Mathematik", 3.3; from memory).
 */

/** A block on the ground around the z axis. */
$block = static fn(string $name, float $w, float $d, float $h, float $z = 0.0): Solid => Primitives::block(
    $name,
    [-$w / 2, -$d / 2, $z],
    [$w, $d, $h],
);
$rounded = static fn(float $a, float $b, float $c, float $r): float => ($a - 2 * $r) * ($b - 2 * $r) * ($c - 2 * $r) +
    2 * $r * (($a - 2 * $r) * ($b - 2 * $r) + ($b - 2 * $r) * ($c - 2 * $r) + ($c - 2 * $r) * ($a - 2 * $r)) +
    M_PI * $r ** 2 * ($a + $b + $c - 6 * $r) +
    (4 / 3) * M_PI * $r ** 3;
$steep = sqrt(1.25); // of a cone half as wide as high

$parts = [
    'a block' => [fn() => $block('b', 30, 20, 15), 2.0, ['b:top'], 9000 - 26 * 16 * 13],
    'a ball' => [fn() => Primitives::sphere('s', 10.0), 2.0, [], (4 / 3) * M_PI * 488],
    'a ring' => [fn() => Shapes::torus('t', 20, 6), 2.0, [], 40 * M_PI ** 2 * 20],
    'a pointed cone open below' => [
        fn() => Primitives::cone('c', 10.0, 0.0, 20.0),
        2.0,
        ['c:bottom'],
        (M_PI / 3) * (2000 - (10 - 2 * $steep) ** 2 * (20 - 4 * $steep)),
    ],
    'a pointed cone' => [
        fn() => Primitives::cone('c', 10.0, 0.0, 20.0),
        2.0,
        [],
        (M_PI / 3) * (2000 - (9 - 2 * $steep) ** 2 * (18 - 4 * $steep)),
    ],
    'half a ball' => [
        fn() => BooleanOperation::difference(Primitives::sphere('s', 10.0), $block('q', 40, 40, 20, -20)),
        2.0,
        ['q:top'],
        (2 / 3) * M_PI * 488,
    ],
    'a post just thicker than two walls' => [
        fn() => BooleanOperation::union($block('p', 40, 40, 8), Primitives::cylinder('z', 3.0, 20.0)),
        2.5,
        ['p:bottom'],
        12800 + M_PI * 108 - 35 * 35 * 5.5 - M_PI * 0.25 * 12,
    ],
    'a post thinner than two walls' => [
        fn() => BooleanOperation::union($block('p', 40, 40, 8), Primitives::cylinder('z', 3.0, 20.0)),
        4.0,
        ['p:bottom'],
        12800 + M_PI * 108 - 32 * 32 * 4,
    ],
    'a dimple in the lid' => [
        fn() => BooleanOperation::difference(
            $block('b', 40, 40, 20),
            Primitives::cylinder('d', 5.0, 6.0)->moved(Transform::translation([0.0, 0.0, 17.0])),
        ),
        2.0,
        [],
        32000 - M_PI * 75 - (36 * 36 * 16 - M_PI * 49 * 3),
    ],
    'a square pocket' => [
        fn() => BooleanOperation::difference($block('b', 40, 40, 20), $block('q', 10, 10, 10, 14)),
        2.0,
        ['b:bottom'],
        32000 - 600 - (36 * 36 * 18 - 14 * 14 * 6),
    ],
    'a round hole through' => [
        fn() => BooleanOperation::difference(
            $block('p', 40, 40, 10),
            Primitives::cylinder('h', 5.0, 20.0)->moved(Transform::translation([0.0, 0.0, -5.0])),
        ),
        2.0,
        ['p:bottom'],
        16000 - M_PI * 250 - (36 * 36 * 8 - M_PI * 49 * 8),
    ],
    'all edges rounded, wall as thick as they are wide' => [
        fn() => SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0),
        4.0,
        ['s:top'],
        $rounded(30, 20, 15, 4) - 22 * 12 * 11,
    ],
    'all edges rounded, thicker wall' => [
        fn() => SoftBlock::rounded('s', [30.0, 20.0, 15.0], 4.0),
        5.0,
        ['s:top'],
        $rounded(30, 20, 15, 4) - 20 * 10 * 10,
    ],
];

it('takes walls off by layers', function (Closure $make, float $wall, array $open, float $volume): void {
    $solid = $make();
    $inside = Walls::inside('k', $solid, static fn(string $n): float => in_array($n, $open, true) ? 0.0 : $wall);
    $shell = BooleanOperation::difference($solid, $inside);
    expect(Soundness::faults($inside))
        ->toBe([])
        ->and(Soundness::faults($shell))
        ->toBe([])
        ->and((new MassProperties($shell))->volume)
        ->toEqualWithDelta($volume, 1e-7 * $volume);
})->with($parts);

it('hollows the same, however it goes about it', function (Closure $make, float $wall, array $open, float $volume): void {
    $shell = FaceWork::shell('k', $make(), $wall, $open);
    expect(Soundness::faults($shell))
        ->toBe([])
        ->and((new MassProperties($shell))->volume)
        ->toEqualWithDelta($volume, 1e-7 * $volume);
})->with($parts);

it('gives single faces walls of their own', function (array $others, float $volume): void {
    $shell = FaceWork::shell('k', Primitives::block('b', [0.0, 0.0, 0.0], [30.0, 20.0, 15.0]), 2.0, ['b:top'], $others);
    expect((new MassProperties($shell))->volume)->toEqualWithDelta($volume, 1e-6);
})->with([
    'a thick floor' => [['b:bottom' => 5.0], 9000 - 26 * 16 * 10.0],
    'one thick side' => [['b:left' => 4.0], 9000 - 24 * 16 * 13.0],
]);

it('lays walls around a part', function (Closure $make, array $open, float $volume): void {
    $shell = FaceWork::shellAround('k', $make(), 2.0, $open);
    expect(Soundness::faults($shell))
        ->toBe([])
        ->and((new MassProperties($shell))->volume)
        ->toEqualWithDelta($volume, 1e-6 * $volume);
})->with([
    'a block' => [fn() => $block('b', 30, 20, 15), ['b:top'], 34 * 24 * 17 - 9000.0],
    'a ball' => [fn() => Primitives::sphere('s', 10.0), [], (4 / 3) * M_PI * 728],
    // the hole is filled by walls thicker than it is wide
    'a narrow hole' => [
        fn() => BooleanOperation::difference(
            $block('p', 40, 40, 10),
            Primitives::cylinder('h', 1.5, 20.0)->moved(Transform::translation([0.0, 0.0, -5.0])),
        ),
        [],
        44 * 44 * 14 - (16000 - M_PI * 22.5),
    ],
]);

it('names what it makes by the faces it lies behind', function () use ($block): void {
    $s = FaceWork::shell('k', BooleanOperation::union($block('p', 40, 40, 8), Primitives::cylinder('z', 3.0, 20.0)), 2.5, ['p:bottom']);
    $names = array_unique(array_map(static fn(int $f): string => $s->surfaces[$s->surfaceOf[$f]]->name, $s->facet));
    expect($names)
        ->toContain('k:inside of p:top', 'k:inside of p:left', 'k:inside of z:side', 'p:bottom', 'z:side')
        ->not->toContain('k:inside of p:bottom');
});
