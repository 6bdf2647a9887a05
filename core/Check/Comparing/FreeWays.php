<?php

declare(strict_types=1);

namespace Cubo\Check\Comparing;

use Cubo\Geometry\Vector;
use Cubo\Measure\Flat;
use Cubo\Measure\PartMeasures;

/**
 * Ways a part may lie beside those of a box: turned by any angle. Two of its flats that are not parallel are brought onto flats
 * of the same size and lean; for parts without such flats the principal axes of both are brought onto each other.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type R array{float,float,float,float,float,float,float,float,float}
 */
final class FreeWays
{
    /** Flats of the other part that are tried, largest first. */
    private const MOST = 16;

    /** Areas, and moments of inertia, that differ by no more than this share are the same. */
    private const SAME = 0.02;

    /** @return list<R> rotations, row by row */
    public static function of(PartMeasures $part, PartMeasures $onto, bool $mirrored): array
    {
        return [...self::byFlats($part, $onto, $mirrored), ...self::byInertia($part, $onto, $mirrored)];
    }

    /** @return list<R> */
    private static function byFlats(PartMeasures $part, PartMeasures $onto, bool $mirrored): array
    {
        $flats = $part->features()->flats;
        $first = $flats[0] ?? null;
        $second = null;
        foreach ($flats as $f) {
            if ($first !== null && abs(Vector::dot($f->normal, $first->normal)) < 0.99) {
                $second = $f;

                break;
            }
        }
        if ($first === null || $second === null) {
            return [];
        }
        $lean = Vector::dot($first->normal, $second->normal);
        $from = self::frame($first->normal, $second->normal, false);
        $other = array_slice($onto->features()->flats, 0, self::MOST);
        $out = [];
        foreach ($other as $a) {
            foreach (self::alike($first, $a) ? $other : [] as $b) {
                if (self::alike($second, $b) && abs(Vector::dot($a->normal, $b->normal) - $lean) < 1e-3) {
                    $out[] = self::rotation($from, self::frame($a->normal, $b->normal, $mirrored));
                }
            }
        }

        return $out;
    }

    private static function alike(Flat $a, Flat $b): bool
    {
        return abs($a->area / $b->area - 1) < self::SAME;
    }

    /** @return list<R> */
    private static function byInertia(PartMeasures $part, PartMeasures $onto, bool $mirrored): array
    {
        $p = $part->mass()->inertia()->principal();
        $q = $onto->mass()->inertia()->principal();
        foreach ([0, 1, 2] as $k) {
            if (abs($p[$k][0] - $q[$k][0]) > self::SAME * abs($q[$k][0])) {
                return [];
            }
        }
        $from = self::frame($p[0][1], $p[1][1], false);
        $out = [];
        foreach ([[1, 1], [1, -1], [-1, 1], [-1, -1]] as [$i, $j]) {
            $out[] = self::rotation($from, self::frame(self::times($q[0][1], $i), self::times($q[1][1], $j), $mirrored));
        }

        return $out;
    }

    /**
     * Three unit vectors at right angles, the first one along a, the second one in the plane of both.
     *
     * @param V $a
     * @param V $b
     * @return list<V>
     */
    private static function frame(array $a, array $b, bool $leftHanded): array
    {
        $x = Vector::unit($a);
        $z = Vector::unit(Vector::cross($a, $b));

        return [$x, Vector::cross($z, $x), $leftHanded ? self::times($z, -1) : $z];
    }

    /**
     * @param V $a
     * @return V
     */
    private static function times(array $a, float $by): array
    {
        return [$by * $a[0], $by * $a[1], $by * $a[2]];
    }

    /**
     * Takes one frame onto another.
     *
     * @param list<V> $from
     * @param list<V> $to
     * @return R
     */
    private static function rotation(array $from, array $to): array
    {
        $r = array_fill(0, 9, 0.0);
        for ($i = 0; $i < 3; $i++) {
            for ($j = 0; $j < 3; $j++) {
                for ($k = 0; $k < 3; $k++) {
                    $r[3 * $i + $j] += $to[$k][$i] * $from[$k][$j];
                }
            }
        }

        return $r;
    }
}
