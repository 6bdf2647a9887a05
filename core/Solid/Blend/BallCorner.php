<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;

/**
 * What lies between the corner of three planes and the ball that touches all three: bounded by the planes, by the three
 * sections across the edges through the ball's middle, and by the ball.
 *
 * @phpstan-type V array{float,float,float}
 */
final class BallCorner
{
    /**
     * @param V $corner
     * @param list<V> $normals of the three planes, outward
     * @param float $side signed distance of the ball's middle from each plane: its radius, negative inside the material
     * @param int $arcs chords between two planes
     */
    public static function rest(string $ball, string $seam, array $corner, array $normals, float $side, int $arcs): Solid
    {
        [$a, $b, $c] = $normals;
        if (Vector::dot(Vector::cross($a, $b), $c) < 0) {
            [$a, $b, $c] = [$b, $a, $c];
        }
        $normals = [$a, $b, $c];
        // the point at that distance from all three planes
        $det = Vector::dot(Vector::cross($a, $b), $c);
        $sum = Vector::add(Vector::add(Vector::cross($b, $c), Vector::cross($c, $a)), Vector::cross($a, $b));
        $middle = Vector::add($corner, $sum, $side / $det);
        $builder = new SolidBuilder();
        $surface = $builder->surface(Surface::sphere($ball, $middle, abs($side)));
        $flat = $builder->surface(Surface::plane($seam));
        // rows of the spherical triangle: from the first plane's touching point to the arc between the other two
        $touch = array_map(static fn(array $n): array => [-$n[0] * $side, -$n[1] * $side, -$n[2] * $side], $normals);
        $rows = [];
        for ($i = 0; $i <= $arcs; $i++) {
            $p = self::between($touch[0], $touch[1], $i / $arcs);
            $q = self::between($touch[0], $touch[2], $i / $arcs);
            $row = [];
            for ($j = 0; $j <= $i; $j++) {
                $d = $i === 0 ? $touch[0] : self::between($p, $q, $j / $i);
                $row[] = $builder->vertex(...Vector::add($middle, $d));
            }
            $rows[] = $row;
        }
        $triangles = [];
        for ($i = 0; $i < $arcs; $i++) {
            for ($j = 0; $j <= $i; $j++) {
                $triangles[] = [$rows[$i][$j], $rows[$i + 1][$j], $rows[$i + 1][$j + 1], $surface];
                if ($j < $i) {
                    $triangles[] = [$rows[$i][$j], $rows[$i + 1][$j + 1], $rows[$i][$j + 1], $surface];
                }
            }
        }
        // the arcs, each from its first plane to its second
        $arc = [
            [0, 1, array_map(static fn(array $r): int => $r[0], $rows)],
            [1, 2, $rows[$arcs]],
            [2, 0, array_reverse(array_map(static fn(array $r): int => $r[count($r) - 1], $rows))],
        ];
        $tip = $builder->vertex(...$corner);
        $foot = [0, 0, 0];
        foreach ($arc as $number => [$i, $j, $points]) {
            $e = Vector::unit(Vector::cross($normals[$i], $normals[$j]));
            $foot[$number] = $f = $builder->vertex(...Vector::add($corner, $e, Vector::dot(Vector::sub($middle, $corner), $e)));
            for ($k = 0; $k + 1 < count($points); $k++) {
                $triangles[] = [$f, $points[$k + 1], $points[$k], $flat];
            }
        }
        $on = [$arc[0][2][0], $arc[1][2][0], $arc[2][2][0]];
        foreach ([[0, 0, 2], [1, 1, 0], [2, 2, 1]] as [$i, $after, $before]) {
            $triangles[] = [$tip, $on[$i], $foot[$before], $flat];
            $triangles[] = [$tip, $foot[$after], $on[$i], $flat];
        }
        // which way round the triangles run depends on which side the ball lies
        $volume = 0.0;
        foreach ($triangles as [$p, $q, $r]) {
            $u = [$builder->x[$p] - $corner[0], $builder->y[$p] - $corner[1], $builder->z[$p] - $corner[2]];
            $v = [$builder->x[$q] - $corner[0], $builder->y[$q] - $corner[1], $builder->z[$q] - $corner[2]];
            $w = [$builder->x[$r] - $corner[0], $builder->y[$r] - $corner[1], $builder->z[$r] - $corner[2]];
            $volume += Vector::dot($u, Vector::cross($v, $w));
        }
        foreach ($triangles as [$p, $q, $r, $s]) {
            [$q, $r] = $volume < 0 ? [$r, $q] : [$q, $r];
            $builder->triangle($p, $q, $r, $builder->facetThrough($p, $q, $r, $s));
        }

        return $builder->build();
    }

    /**
     * On the great circle between two points of a sphere around the origin (K. Shoemake, "Animating Rotation with
     * Quaternion Curves", SIGGRAPH 1985, for the formula).
     *
     * @param V $a
     * @param V $b
     * @return V
     */
    private static function between(array $a, array $b, float $t): array
    {
        if ($t <= 0) {
            return $a;
        }
        if ($t >= 1) {
            return $b;
        }
        $angle = atan2(Vector::length(Vector::cross($a, $b)), Vector::dot($a, $b));
        $p = sin((1 - $t) * $angle) / sin($angle);
        $q = sin($t * $angle) / sin($angle);

        return [$p * $a[0] + $q * $b[0], $p * $a[1] + $q * $b[1], $p * $a[2] + $q * $b[2]];
    }
}
