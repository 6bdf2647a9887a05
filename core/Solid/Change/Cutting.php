<?php

declare(strict_types=1);

namespace Cubo\Solid\Change;

use Cubo\Budget\Budget;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/**
 * Mirror images, and what lies on either side of a plane.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Cutting
{
    /**
     * @param V $point of the mirror's plane
     * @param V $normal of it
     *
     * @throws Refused no-plane
     */
    public static function mirrored(string $step, Solid $solid, array $point, array $normal): Solid
    {
        return $solid
            ->moved(Transform::mirrorIn($point, self::unit($normal)))
            ->renamed(static fn(string $name): string => "$step:mirror/$name");
    }

    /**
     * The solid and its mirror image as one.
     *
     * @param V $point
     * @param V $normal
     *
     * @throws Refused no-plane
     */
    public static function mirrorJoined(string $step, Solid $solid, array $point, array $normal, ?Budget $budget = null): Solid
    {
        return BooleanOperation::union($solid, self::mirrored($step, $solid, $point, $normal), $budget);
    }

    /**
     * Both sides of a plane; a side may be empty. The cut faces are named "$step:cut".
     *
     * @param V $point
     * @param V $normal
     * @return array{Solid, Solid} the side the normal points to, and the other one
     *
     * @throws Refused no-plane
     */
    public static function split(string $step, Solid $solid, array $point, array $normal, ?Budget $budget = null): array
    {
        $space = self::halfSpace($step, $solid, $point, $normal);

        return [BooleanOperation::intersection($solid, $space, $budget), BooleanOperation::difference($solid, $space, $budget)];
    }

    /**
     * A block that covers all of the solid on one side of a plane.
     *
     * @param V $point
     * @param V $normal
     */
    public static function halfSpace(string $step, Solid $solid, array $point, array $normal): Solid
    {
        $w = self::unit($normal);
        $u = Vector::unit(Vector::cross(abs($w[2]) < 0.9 ? [0.0, 0.0, 1.0] : [1.0, 0.0, 0.0], $w));
        $v = Vector::cross($w, $u);
        $box = $solid->vertexBox();
        $reach = 1.0;
        foreach ([0, 3] as $i) {
            foreach ([1, 4] as $j) {
                foreach ([2, 5] as $k) {
                    $reach = max($reach, Vector::distance($point, [$box[$i], $box[$j], $box[$k]]));
                }
            }
        }
        $reach = 2.0 ** ceil(log(2 * $reach, 2));
        $place = new Transform([$u[0], $v[0], $w[0], $u[1], $v[1], $w[1], $u[2], $v[2], $w[2]], $point);

        return Primitives::block($step, [-$reach, -$reach, 0.0], [2 * $reach, 2 * $reach, $reach])
            ->moved($place)
            ->renamed(static fn(): string => "$step:cut");
    }

    /**
     * @param V $normal
     * @return V
     */
    private static function unit(array $normal): array
    {
        $l = Vector::length($normal);
        if (!is_finite($l) || $l < 1e-12) {
            throw new Refused('no-plane', 'The plane has no direction.');
        }

        return Vector::unit($normal);
    }
}
