<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Geometry\Transform;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/** Random solids by seed: blocks on whole numbers, so that coplanar faces are common, cylinders, cones and balls. */
final class RandomParts
{
    public static function one(int $seed, string $name): Solid
    {
        mt_srand($seed);
        $int = static fn(int $a, int $b): float => (float) mt_rand($a, $b);
        $solid = match (mt_rand(0, 4)) {
            0, 1 => Primitives::block($name, [0.0, 0.0, 0.0], [$int(1, 6), $int(1, 6), $int(1, 6)]),
            2 => Primitives::cylinder($name, $int(1, 6) / 2, $int(1, 6)),
            3 => Primitives::cone($name, $int(1, 3), mt_rand(0, 2) / 2, $int(1, 5)),
            default => Primitives::sphere($name, $int(2, 6) / 2),
        };
        // a third upright, a third turned by quarters, a third anyhow
        $turn = match (mt_rand(0, 2)) {
            0 => Transform::identity(),
            1 => Transform::rotation(mt_rand(0, 2), 90.0 * mt_rand(0, 3)),
            default => Transform::rotation(mt_rand(0, 2), $int(1, 359))->then(Transform::rotation(mt_rand(0, 2), $int(1, 359))),
        };

        return $solid->moved($turn->then(Transform::translation([$int(-2, 2), $int(-2, 2), $int(-2, 2)])));
    }

    /** A pair of solids that lie close together. @return array{Solid, Solid} */
    public static function pair(int $seed): array
    {
        return [self::one(2 * $seed, 'p'), self::one(2 * $seed + 1, 'q')];
    }
}
