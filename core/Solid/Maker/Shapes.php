<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\Angle;
use Cubo\Geometry\Transform;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * More ready solids in their own frame, standing on the ground z = 0 around the z axis unless said otherwise,
 * millimetres; every face named "$step:role". Sizes must be above zero; what contradicts itself is Refused.
 *
 * @phpstan-import-type Side from Profile
 */
final class Shapes
{
    /** @throws Refused no-size, no-wall */
    public static function tube(string $step, float $outer, float $inner, float $height): Solid
    {
        self::sizes($outer, $inner, $height);
        if ($inner >= $outer) {
            throw new Refused('no-wall', 'The inner radius must be smaller than the outer one.', $outer);
        }

        return Revolution::of(
            $step,
            self::profile([[$inner, 0.0, 'bottom'], [$outer, 0.0, 'side'], [$outer, $height, 'top'], [$inner, $height, 'inside']]),
            360,
            Transform::identity(),
        );
    }

    /**
     * What a plane cuts off a ball, lying on the cut.
     *
     * @param float $radius of the ball
     * @param float $height of the cap, less than twice the radius
     */
    public static function cap(string $step, float $radius, float $height): Solid
    {
        self::sizes($radius, $height);
        if ($height >= 2 * $radius) {
            throw new Refused('no-flat', 'The cap must be lower than the ball.', 2 * $radius);
        }
        $low = $radius - $height;
        $from = rad2deg(asin($low / $radius));
        $arc = self::arc(0.0, -$low, $radius, $from, 90.0, 'dome');
        $loop = [[0.0, 0.0, ['name' => 'bottom', 'circle' => null]], ...$arc, [0.0, $height, ['name' => 'axis', 'circle' => null]]];

        return Revolution::of($step, new Profile([$loop]), 360, Transform::identity());
    }

    /**
     * Half a cylinder lying on its flat, the axis along x and centred on the origin.
     */
    public static function halfCylinder(string $step, float $radius, float $length): Solid
    {
        self::sizes($radius, $length);
        $loop = [...self::arc(0.0, 0.0, $radius, 0.0, 180.0, 'side'), [-$radius, 0.0, ['name' => 'bottom', 'circle' => null]]];
        // the profile's u runs along y, its v upwards, the length along x
        $lay = new Transform([0.0, 0.0, 1.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0]);

        return Extrusion::straight($step, new Profile([$loop]), -$length / 2, $length / 2, $lay);
    }

    /**
     * A ring lying around the origin.
     *
     * @param float $radius from the axis to the middle of the tube
     * @param float $tube radius of the tube, smaller than the other
     */
    public static function torus(string $step, float $radius, float $tube): Solid
    {
        self::sizes($radius, $tube);
        if ($tube >= $radius) {
            throw new Refused('no-hole', 'The tube must be thinner than the ring is wide.', $radius);
        }
        $loop = [];
        foreach (Fineness::circle(Fineness::facets($tube)) as [$c, $s]) {
            $loop[] = [$radius + $tube * $c, $tube * $s, ['name' => 'ring', 'circle' => [$radius, 0.0, $tube]]];
        }

        return Revolution::of($step, new Profile([$loop]), 360, Transform::identity());
    }

    /**
     * A block whose back is higher than its front, one corner at the origin: x to the right, y to the back.
     *
     * @param float $front height at y = 0; zero makes an edge there
     * @param float $back height at y = depth
     */
    public static function wedge(string $step, float $width, float $depth, float $front, float $back): Solid
    {
        self::sizes($width, $depth, max($front, $back));
        if (!is_finite($front) || !is_finite($back) || min($front, $back) < 0) {
            throw new Refused('no-size', 'A height is negative.');
        }
        $points = [[0.0, 0.0, 'bottom'], [$depth, 0.0, 'back'], [$depth, $back, 'slope'], [0.0, $front, 'front']];
        if ($front == 0.0) {
            array_pop($points);
        } elseif ($back == 0.0) {
            $points = [[0.0, 0.0, 'bottom'], [$depth, 0.0, 'slope'], [0.0, $front, 'front']];
        }
        $lay = new Transform([0.0, 0.0, 1.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0]);
        $names = ['start' => 'left', 'end' => 'right'];

        return Extrusion::straight($step, self::profile($points), 0.0, $width, $lay)->renamed(
            static fn(string $n): string => preg_replace_callback(
                '/:(start|end)$/',
                static fn(array $m): string => ':' . $names[$m[1]],
                $n,
            ) ?? $n,
        );
    }

    /**
     * A roof standing around the origin, its ridge running to the back.
     */
    public static function roof(string $step, float $width, float $depth, float $height): Solid
    {
        self::sizes($width, $depth, $height);
        $points = [[-$width / 2, 0.0, 'bottom'], [$width / 2, 0.0, 'right'], [0.0, $height, 'left']];
        // the profile's u runs along x, its v upwards, the length along -y
        $lay = new Transform([1.0, 0.0, 0.0, 0.0, 0.0, -1.0, 0.0, 1.0, 0.0]);
        $names = ['start' => 'back', 'end' => 'front'];

        return Extrusion::straight($step, self::profile($points), -$depth / 2, $depth / 2, $lay)->renamed(
            static fn(string $n): string => preg_replace_callback(
                '/:(start|end)$/',
                static fn(array $m): string => ':' . $names[$m[1]],
                $n,
            ) ?? $n,
        );
    }

    /**
     * A prism over a regular polygon, a corner at +x.
     *
     * @param int $sides at least 3
     * @param float $radius of the circle through the corners
     */
    public static function prism(string $step, int $sides, float $radius, float $height): Solid
    {
        return self::pyramid($step, $sides, $radius, $radius, $height);
    }

    /**
     * A pyramid over a regular polygon, whole or cut off, a corner at +x.
     *
     * @param int $sides at least 3
     * @param float $radius of the circle through the corners below
     * @param float $top of the circle through the corners above; zero makes a point
     */
    public static function pyramid(string $step, int $sides, float $radius, float $top, float $height): Solid
    {
        self::sizes($radius, $height);
        if ($sides < 3 || $sides > 100) {
            throw new Refused('no-polygon', 'A polygon has from 3 to 100 sides.', 100.0);
        }
        if (!is_finite($top) || $top < 0) {
            throw new Refused('no-size', 'A radius is negative.');
        }
        $stations = [];
        foreach ([[0.0, $radius], [$height, $top]] as [$z, $r]) {
            $loop = [];
            for ($i = 0; $i < $sides; $i++) {
                [$c, $s] = Angle::cosSin((360.0 * $i) / $sides);
                $loop[] = [$r * $c, $r * $s, $z];
            }
            $stations[] = [$loop];
        }

        return Skin::over(
            $stations,
            static fn(int $i, int $l, int $k): Surface => Surface::plane("$step:side " . ($k + 1)),
            "$step:bottom",
            "$step:top",
        );
    }

    /**
     * A knob, a bottle, a chess pawn: turned about z from the radii at given heights.
     *
     * @param list<array{float,float}> $outline radius and height from the bottom up; sides between them are straight
     */
    public static function knob(string $step, array $outline): Solid
    {
        $points = [];
        foreach ($outline as $i => [$r, $z]) {
            if (!is_finite($r) || !is_finite($z) || $r < 0 || ($i > 0 && $z < $outline[$i - 1][1])) {
                throw new Refused('no-size', 'Radii are not negative, and heights grow from point to point.');
            }
            $points[] = [$r, $z, 'side ' . ($i + 1)];
        }
        if (count($points) < 2) {
            throw new Refused('no-size', 'A knob needs at least two points.');
        }
        $points[count($points) - 1][2] = 'top';
        if ($outline[count($outline) - 1][0] > 0) {
            $points[] = [0.0, $outline[count($outline) - 1][1], 'axis'];
        }
        if ($outline[0][0] > 0) {
            array_unshift($points, [0.0, $outline[0][1], 'bottom']);
        }

        return Revolution::of($step, self::profile($points), 360, Transform::identity());
    }

    /**
     * Points of an arc, each labelled with it; the last one is labelled with what follows.
     *
     * @return list<array{0:float,1:float,2:Side}> without the last point
     */
    public static function arc(float $cu, float $cv, float $radius, float $from, float $to, string $name): array
    {
        $n = Fineness::facets($radius);
        $out = [];
        $step = 360.0 / $n;
        $at = static function (float $a) use ($cu, $cv, $radius, $name): array {
            [$c, $s] = Angle::cosSin($a);

            return [$cu + $radius * $c, $cv + $radius * $s, ['name' => $name, 'circle' => [$cu, $cv, $radius]]];
        };
        $out[] = $at($from);
        // inner points are those of the full circle, so that equal circles match
        if ($to > $from) {
            for ($k = floor($from / $step + 1e-9) + 1; $k * $step < $to - 1e-9; $k++) {
                $out[] = $at($k * $step);
            }
        } else {
            for ($k = ceil($from / $step - 1e-9) - 1; $k * $step > $to + 1e-9; $k--) {
                $out[] = $at($k * $step);
            }
        }

        return $out;
    }

    /** @param list<array{float,float,string}> $points with the name of the side after each */
    private static function profile(array $points): Profile
    {
        return new Profile([array_map(static fn(array $p): array => [$p[0], $p[1], ['name' => $p[2], 'circle' => null]], $points)]);
    }

    private static function sizes(float ...$sizes): void
    {
        foreach ($sizes as $s) {
            if (!is_finite($s) || $s <= 0) {
                throw new Refused('no-size', 'A size is not a number above zero.');
            }
        }
    }
}
