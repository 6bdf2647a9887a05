<?php

declare(strict_types=1);

namespace Cubo\Measure\Recognition;

use Cubo\Geometry\Vector;
use Cubo\Measure\Inertia;

/**
 * The torus through points with known normals. Its axis meets the normals of all its points: it comes from the linear complex
 * they fit best (H. Pottmann and T. Randrup, "Rotational and helical surface approximation for reverse engineering",
 * Computing 60, 1998). Seen across the axis the points then lie on a circle. Both are made exact by Gauss-Newton steps over
 * the distances of the points.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Ring array{centre: V, axis: V, radius: float, tube: float}
 */
final class RingFit
{
    private const STEPS = 12;

    /** A first circle that fits worse than this share of its radius will not become a ring. */
    private const ROUGH = 0.12;

    /**
     * @param list<V> $points on the surface
     * @param list<array{V, V}> $normals points near the surface, and the unit normals there
     * @return Ring|null
     */
    public static function of(array $points, array $normals): ?array
    {
        $axis = self::axis($normals);
        if ($axis === null) {
            return null;
        }
        [$on, $a] = $axis;
        $flat = array_map(static function (array $p) use ($on, $a): array {
            $d = Vector::sub($p, $on);
            $z = Vector::dot($d, $a);

            return [Vector::length(Vector::add($d, $a, -$z)), $z];
        }, $points);
        $circle = $flat === [] ? null : CircleFit::of($flat);
        if ($circle === null) {
            return null;
        }
        [$radius, $z, $tube] = $circle;
        foreach ($flat as [$rho, $h]) {
            if (abs(hypot($rho - $radius, $h - $z) - $tube) > self::ROUGH * $tube) {
                return null;
            }
        }

        return self::refined($points, ['centre' => Vector::add($on, $a, $z), 'axis' => $a, 'radius' => $radius, 'tube' => $tube]);
    }

    /**
     * How far a point lies outside, mm.
     *
     * @param Ring $r
     * @param V $p
     */
    public static function off(array $r, array $p): float
    {
        $d = Vector::sub($p, $r['centre']);
        $z = Vector::dot($d, $r['axis']);

        return hypot(Vector::length(Vector::add($d, $r['axis'], -$z)) - $r['radius'], $z) - $r['tube'];
    }

    /**
     * A point of the axis and its direction: rotation about it moves every point along the surface, n . (m + a x p) = 0.
     *
     * @param list<array{V, V}> $normals
     * @return array{V, V}|null
     */
    public static function axis(array $normals): ?array
    {
        $n = count($normals);
        $middle = [0.0, 0.0, 0.0];
        foreach ($normals as [$p]) {
            $middle = Vector::add($middle, $p, 1 / $n);
        }
        $aa = $am = $mm = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        foreach ($normals as [$p, $u]) {
            $w = Vector::cross(Vector::sub($p, $middle), $u);
            for ($i = 0; $i < 3; $i++) {
                for ($j = 0; $j < 3; $j++) {
                    $aa[$i][$j] += $w[$i] * $w[$j];
                    $am[$i][$j] += $w[$i] * $u[$j];
                    $mm[$i][$j] += $u[$i] * $u[$j];
                }
            }
        }
        $inverse = self::inverse($mm);
        if ($inverse === null) {
            return null;
        }
        // what is left of the turning when the best shift is taken along
        $back = self::times($inverse, [
            [$am[0][0], $am[1][0], $am[2][0]],
            [$am[0][1], $am[1][1], $am[2][1]],
            [$am[0][2], $am[1][2], $am[2][2]],
        ]);
        $s = [];
        foreach (self::times($am, $back) as $i => $row) {
            $s[] = [$aa[$i][0] - $row[0], $aa[$i][1] - $row[1], $aa[$i][2] - $row[2]];
        }
        // the direction in which a symmetric matrix is least
        $a = (new Inertia([$s[0][0], $s[1][1], $s[2][2], $s[0][1], $s[1][2], $s[0][2]]))->principal()[0][1];
        $m = [-Vector::dot($back[0], $a), -Vector::dot($back[1], $a), -Vector::dot($back[2], $a)];

        return [Vector::add($middle, Vector::cross($a, $m)), $a];
    }

    /**
     * @param list<V> $points
     * @param Ring $r
     * @return Ring|null
     */
    private static function refined(array $points, array $r): ?array
    {
        for ($step = 0; $step < self::STEPS; $step++) {
            $a = $r['axis'];
            $u = Vector::across($a);
            $v = Vector::cross($a, $u);
            $m = array_fill(0, 7, array_fill(0, 8, 0.0));
            foreach ($points as $p) {
                $d = Vector::sub($p, $r['centre']);
                $z = Vector::dot($d, $a);
                $out = Vector::add($d, $a, -$z);
                $rho = Vector::length($out);
                $away = hypot($rho - $r['radius'], $z);
                if ($rho < 1e-9 || $away < 1e-9) {
                    return null;
                }
                $e = Vector::unit($out);
                [$c, $s] = [($rho - $r['radius']) / $away, $z / $away];
                // by the shift of the centre, the lean of the axis towards u and v, and both radii
                $lean = static fn(array $w): float => ($s * $rho - $c * $z) * Vector::dot($e, $w);
                $g = [-($c * $e[0] + $s * $a[0]), -($c * $e[1] + $s * $a[1]), -($c * $e[2] + $s * $a[2]), $lean($u), $lean($v), -$c, -1.0];
                $f = $away - $r['tube'];
                for ($i = 0; $i < 7; $i++) {
                    for ($j = $i; $j < 7; $j++) {
                        $m[$i][$j] += $g[$i] * $g[$j];
                    }
                    $m[$i][7] -= $g[$i] * $f;
                }
            }
            for ($i = 0; $i < 7; $i++) {
                for ($j = 0; $j < $i; $j++) {
                    $m[$i][$j] = $m[$j][$i];
                }
                // a trace of damping: the shift along the axis and both radii are hard to tell apart on a narrow band
                $m[$i][$i] *= 1 + 1e-10;
            }
            $x = self::solved($m);
            if ($x === null) {
                return null;
            }
            $r = [
                'centre' => Vector::add($r['centre'], [$x[0], $x[1], $x[2]]),
                'axis' => Vector::unit(Vector::add(Vector::add($a, $u, $x[3]), $v, $x[4])),
                'radius' => $r['radius'] + $x[5],
                'tube' => $r['tube'] + $x[6],
            ];
            if (!($r['tube'] > 0) || !is_finite($r['radius'])) {
                return null;
            }
            if (abs($x[5]) + abs($x[6]) < 1e-10 * $r['tube']) {
                break;
            }
        }

        return $r;
    }

    /**
     * Gauss elimination with pivots.
     *
     * @param array<int, array<int, float>> $m rows with the right side behind
     * @return list<float>|null
     */
    private static function solved(array $m): ?array
    {
        $n = count($m);
        for ($k = 0; $k < $n; $k++) {
            $best = $k;
            for ($i = $k + 1; $i < $n; $i++) {
                $best = abs($m[$i][$k]) > abs($m[$best][$k]) ? $i : $best;
            }
            if (abs($m[$best][$k]) < 1e-14) {
                return null;
            }
            [$m[$k], $m[$best]] = [$m[$best], $m[$k]];
            for ($i = 0; $i < $n; $i++) {
                if ($i !== $k) {
                    $f = $m[$i][$k] / $m[$k][$k];
                    for ($j = $k; $j <= $n; $j++) {
                        $m[$i][$j] -= $f * $m[$k][$j];
                    }
                }
            }
        }
        $out = [];
        for ($k = 0; $k < $n; $k++) {
            $out[] = $m[$k][$n] / $m[$k][$k];
        }

        return $out;
    }

    /**
     * @param array<int, array<int, float>> $m
     * @return array<int, array<int, float>>|null
     */
    private static function inverse(array $m): ?array
    {
        $columns = [];
        foreach ([[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]] as $e) {
            $x = self::solved([[...$m[0], $e[0]], [...$m[1], $e[1]], [...$m[2], $e[2]]]);
            if ($x === null) {
                return null;
            }
            $columns[] = $x;
        }

        // symmetric
        return $columns;
    }

    /**
     * @param array<int, array<int, float>> $a
     * @param array<int, array<int, float>> $b
     * @return list<V>
     */
    private static function times(array $a, array $b): array
    {
        $out = [];
        foreach ($a as $row) {
            $out[] = [
                $row[0] * $b[0][0] + $row[1] * $b[1][0] + $row[2] * $b[2][0],
                $row[0] * $b[0][1] + $row[1] * $b[1][1] + $row[2] * $b[2][1],
                $row[0] * $b[0][2] + $row[1] * $b[1][2] + $row[2] * $b[2][2],
            ];
        }

        return $out;
    }
}
