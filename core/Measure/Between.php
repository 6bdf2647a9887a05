<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Closure;
use Cubo\Geometry\TriangleDistance;
use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceMeeting;

/**
 * Distance and angle between two items of a solid.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Between
{
    /**
     * @param float $distance the shortest way, mm; 0 where they touch
     * @param V $from its ends
     * @param V $to
     * @param float|null $angle degrees from 0 to 90 between planes, lines and axes; null where one has no direction
     * @param float|null $axes distance between two axes that run parallel, or of an axis from a parallel plane, mm
     */
    private function __construct(public float $distance, public array $from, public array $to, public ?float $angle, public ?float $axes) {}

    public static function of(Item $a, Item $b): self
    {
        [$d, $p, $q, $i, $j] = self::nearest($a->pieces, $b->pieces);
        [$p, $q] = self::refined($a, $b, $p, $q, $i, $j, $d);
        $angle = $axes = null;
        if ($a->direction !== null && $b->direction !== null) {
            $cos = min(1.0, abs(Vector::dot($a->direction, $b->direction)));
            $sin = min(1.0, Vector::length(Vector::cross($a->direction, $b->direction)));
            $angle = rad2deg(atan2($sin, $cos));
            if ($a->normal !== $b->normal) {
                $angle = 90 - $angle;
            }
            if ($angle < 1e-7 && $a->on !== null && $b->on !== null) {
                $way = Vector::sub($b->on, $a->on);
                $plane = $a->normal ? $a->direction : ($b->normal ? $b->direction : null);
                $axes = $plane !== null ? abs(Vector::dot($way, $plane)) : Vector::length(Vector::cross($way, $a->direction));
            }
        }

        return new self($d <= 1e-12 ? 0.0 : Vector::distance($p, $q), $p, $q, $angle, $axes);
    }

    /**
     * The two nearest pieces: pairs are taken in the order of the distance of their boxes.
     *
     * @param list<array{V, V, V, int, list<int>}> $a
     * @param list<array{V, V, V, int, list<int>}> $b
     * @return array{float, V, V, int, int}
     */
    private static function nearest(array $a, array $b): array
    {
        $boxesA = array_map(self::box(...), $a);
        $boxesB = array_map(self::box(...), $b);
        $wholeB = $boxesB[0];
        foreach ($boxesB as $box) {
            for ($k = 0; $k < 3; $k++) {
                $wholeB[$k] = min($wholeB[$k], $box[$k]);
                $wholeB[$k + 3] = max($wholeB[$k + 3], $box[$k + 3]);
            }
        }
        $order = [];
        foreach ($boxesA as $i => $box) {
            $order[$i] = self::apart2($box, $wholeB);
        }
        asort($order);
        $best = [INF, $a[0][0], $b[0][0], 0, 0];
        foreach ($order as $i => $least) {
            if ($least >= $best[0] ** 2) {
                break;
            }
            $near = [];
            foreach ($boxesB as $j => $box) {
                $d = self::apart2($boxesA[$i], $box);
                if ($d < $best[0] ** 2) {
                    $near[$j] = $d;
                }
            }
            asort($near);
            foreach ($near as $j => $d) {
                if ($d >= $best[0] ** 2) {
                    break;
                }
                [$length, $p, $q] = TriangleDistance::between([$a[$i][0], $a[$i][1], $a[$i][2]], [$b[$j][0], $b[$j][1], $b[$j][2]]);
                if ($length < $best[0]) {
                    $best = [$length, $p, $q, $i, $j];
                }
                if ($best[0] <= 1e-12) {
                    return $best;
                }
            }
        }

        return $best;
    }

    /**
     * From the facets onto the true faces: each end is moved to its own face's or edge's point nearest to the other, in
     * turn. An end that would leave its facet's neighbourhood stays.
     *
     * @param V $p
     * @param V $q
     * @return array{V, V}
     */
    private static function refined(Item $a, Item $b, array $p, array $q, int $i, int $j, float $distance): array
    {
        if ($distance <= 1e-12) {
            return [$p, $q];
        }
        $moveA = self::mover($a, $a->pieces[$i], $p);
        $moveB = self::mover($b, $b->pieces[$j], $q);
        for ($k = 0; $k < 200 && ($moveA !== null || $moveB !== null); $k++) {
            [$p1, $q1] = [$p, $q];
            $p = $moveA === null ? $p : $moveA($p, $q);
            $q = $moveB === null ? $q : $moveB($q, $p);
            if (Vector::distance($p, $p1) + Vector::distance($q, $q1) < 1e-12) {
                break;
            }
        }

        return [$p, $q];
    }

    /**
     * How an end moves on: within a flat or round face, along a round rim, or not at all (null) on straight ones.
     *
     * @param array{V, V, V, int, list<int>} $piece
     * @param V $start
     * @return (Closure(V, V): V)|null
     */
    private static function mover(Item $item, array $piece, array $start): ?Closure
    {
        $s = $item->solid;
        [, , , $f, $across] = $piece;
        if ($s === null) {
            return null;
        }
        $size = max(Vector::distance($piece[0], $piece[1]), Vector::distance($piece[1], $piece[2]));
        $keep = static fn(array $from, array $to): array => Vector::distance($to, $start) > $size ? $from : $to;
        // on a rim: which side of the piece the end lies on
        $rim = $f < 0 ? $across : null;
        foreach ($f < 0 ? [] : [0, 1, 2] as $k) {
            $d = Vector::sub($piece[($k + 1) % 3], $piece[$k]);
            $off = Vector::length(Vector::cross(Vector::sub($start, $piece[$k]), $d)) / max(1e-300, Vector::length($d));
            if ($across[$k] >= 0 && $off < 1e-9 * (1 + $size)) {
                $rim = [$f, $across[$k]];
            }
        }
        $surface = static fn(int $g): Surface => $s->surfaces[$s->surfaceOf[$g]];
        $normal = static fn(int $g, array $at): array => SurfaceEquation::outward($surface($g), $at, [$s->nx[$g], $s->ny[$g], $s->nz[$g]]);
        if ($rim !== null) {
            [$g, $h] = $rim;
            if ($surface($g)->isFlat() && $surface($h)->isFlat()) {
                return null;
            }

            return static function (array $p, array $q) use ($s, $g, $h, $surface, $normal, $start, $size): array {
                [$n, $m] = [$normal($g, $p), $normal($h, $p)];
                $t = Vector::cross($n, $m);
                if (Vector::length($t) < 1e-4) {
                    return $p;
                }
                $t = Vector::unit($t);
                $way = Vector::dot(Vector::sub($q, $p), $t);
                $meet = static fn(float $share): ?array => SurfaceMeeting::meet(
                    $s,
                    $surface($g),
                    $g,
                    $surface($h),
                    $h,
                    Vector::add($p, $t, $share * $way),
                    $n,
                    Vector::cross($t, $n),
                );
                $here = $meet(0.0) ?? $p;
                // seen from far off, the straight way along the tangent overshoots a bent rim: shorter ones are tried
                for ($share = 1.0; $share > 1e-4; $share /= 2) {
                    $on = $meet($share);
                    if ($on !== null && Vector::distance($on, $start) <= $size && Vector::distance($on, $q) < Vector::distance($here, $q)) {
                        return $on;
                    }
                }

                return $here;
            };
        }
        if ($surface($f)->isFlat()) {
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];

            return static fn(array $p, array $q): array => $keep($p, Vector::add($q, $n, $s->offset[$f] - Vector::dot($n, $q)));
        }

        return static fn(array $p, array $q): array => $keep($p, SurfaceEquation::foot($surface($f), $q));
    }

    /**
     * @param array{V, V, V, int, list<int>} $t
     * @return array{float,float,float,float,float,float}
     */
    private static function box(array $t): array
    {
        [$a, $b, $c] = $t;

        return [
            min($a[0], $b[0], $c[0]),
            min($a[1], $b[1], $c[1]),
            min($a[2], $b[2], $c[2]),
            max($a[0], $b[0], $c[0]),
            max($a[1], $b[1], $c[1]),
            max($a[2], $b[2], $c[2]),
        ];
    }

    /**
     * @param array{float,float,float,float,float,float} $a
     * @param array{float,float,float,float,float,float} $b
     */
    private static function apart2(array $a, array $b): float
    {
        $sum = 0.0;
        for ($k = 0; $k < 3; $k++) {
            $gap = max(0.0, $a[$k] - $b[$k + 3], $b[$k] - $a[$k + 3]);
            $sum += $gap * $gap;
        }

        return $sum;
    }
}
