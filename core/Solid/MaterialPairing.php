<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\Vector;

/**
 * Which faces belong together where more than two meet in one edge: those that have material between them.
 *
 * @phpstan-type V array{float,float,float}
 */
final class MaterialPairing
{
    /**
     * Seen along the edge the faces are sorted by direction; material begins at a face whose half-edge runs backward and
     * ends at the next one whose half-edge runs forward. At one angle material ends before it begins.
     *
     * @param V $from where the edge begins
     * @param V $to
     * @param list<array{int, bool, V}> $faces half-edge, whether it runs from `from` to `to`, outward normal of its face
     * @return list<array{int,int}>|null pairs of half-edges; null when as many do not run each way
     */
    public static function pairs(array $from, array $to, array $faces): ?array
    {
        $l = Vector::distance($from, $to) ?: 1.0;
        $e = [($to[0] - $from[0]) / $l, ($to[1] - $from[1]) / $l, ($to[2] - $from[2]) / $l];
        $p = Vector::cross($e, abs($e[0]) < 0.6 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0]);
        $q = Vector::cross($e, $p);
        $turns = [];
        $balance = 0;
        foreach ($faces as [$h, $forward, $n]) {
            $s = $forward ? 1 : -1;
            $balance += $s;
            // into the face: normal x direction of the half-edge
            $d = Vector::cross($n, $e);
            $angle = atan2($s * Vector::dot($d, $q), $s * Vector::dot($d, $p));
            // equal angles, also those on both sides of half a turn, must compare as equal
            $turns[] = [round($angle > M_PI - 1e-9 ? $angle - 2 * M_PI : $angle, 9), $s, $h];
        }
        if ($balance !== 0) {
            return null;
        }
        usort($turns, static fn(array $u, array $v): int => $u[0] <=> $v[0] ?: $v[1] <=> $u[1] ?: $u[2] <=> $v[2]);
        $open = $pending = $pairs = [];
        foreach ($turns as [, $s, $h]) {
            if ($s < 0) {
                $open[] = $h;
            } elseif ($open !== []) {
                $pairs[] = [(int) array_pop($open), $h];
            } else {
                $pending[] = $h; // its material began before the first angle
            }
        }
        foreach ($pending as $h) {
            $pairs[] = [(int) array_pop($open), $h];
        }

        return $pairs;
    }
}
