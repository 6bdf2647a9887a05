<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * The cylinders and cones of a solid, piece by piece: faces of the same surface that touch along the axis are one piece,
 * whatever steps made them.
 *
 * @phpstan-type V array{float,float,float}
 */
final class RoundPieces
{
    /** @return list<RoundPiece> */
    public static function of(Solid $s): array
    {
        $keys = $groups = [];
        foreach ($s->facet as $t => $f) {
            $i = $s->surfaceOf[$f];
            $surface = $s->surfaces[$i];
            if (!in_array($surface->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone], true)) {
                continue;
            }
            $v = $s->start[3 * $t];
            $d = [$s->x[$v] - $surface->point[0], $s->y[$v] - $surface->point[1], $s->z[$v] - $surface->point[2]];
            $along = Vector::dot($d, $surface->axis);
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            $outward = Vector::dot($d, $n) > $along * Vector::dot($surface->axis, $n);
            $groups[($keys[$i] ??= $surface->geometryKey()) . ($outward ? '+' : '-')][] = $t;
        }
        $out = [];
        foreach ($groups as $key => $triangles) {
            $surface = $s->surfaceOfTriangle($triangles[0]);
            foreach (self::stretches($s, $triangles, $surface) as [$from, $to, $members]) {
                $out[] = self::piece($s, $surface, $members, $from, $to, str_ends_with((string) $key, '-'));
            }
        }

        return $out;
    }

    /**
     * Pieces of one surface with a gap along the axis between them.
     *
     * @param list<int> $triangles
     * @return list<array{float, float, list<int>}>
     */
    private static function stretches(Solid $s, array $triangles, Surface $surface): array
    {
        $spans = [];
        foreach ($triangles as $t) {
            $h = [];
            for ($k = 3 * $t; $k < 3 * $t + 3; $k++) {
                $v = $s->start[$k];
                $h[] =
                    ($s->x[$v] - $surface->point[0]) * $surface->axis[0] +
                    ($s->y[$v] - $surface->point[1]) * $surface->axis[1] +
                    ($s->z[$v] - $surface->point[2]) * $surface->axis[2];
            }
            $spans[] = [min($h), max($h), $t];
        }
        sort($spans);
        $out = [];
        foreach ($spans as [$lo, $hi, $t]) {
            $last = count($out) - 1;
            if ($last >= 0 && $lo <= $out[$last][1] + 1e-6) {
                $out[$last][1] = max($out[$last][1], $hi);
                $out[$last][2][] = $t;
            } else {
                $out[] = [$lo, $hi, [$t]];
            }
        }

        return $out;
    }

    /** @param list<int> $triangles */
    private static function piece(Solid $s, Surface $surface, array $triangles, float $from, float $to, bool $hollow): RoundPiece
    {
        [$a, $p] = [$surface->axis, $surface->point];
        $help = abs($a[0]) < 0.6 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0];
        $u = Vector::unit(Vector::cross($a, $help));
        $w = Vector::cross($a, $u);
        // where round the axis it lies: the spans of all triangles, put together
        $spans = [];
        foreach ($triangles as $t) {
            $angles = [];
            for ($k = 3 * $t; $k < 3 * $t + 3; $k++) {
                $v = $s->start[$k];
                $d = [$s->x[$v] - $p[0], $s->y[$v] - $p[1], $s->z[$v] - $p[2]];
                [$x, $y] = [Vector::dot($d, $u), Vector::dot($d, $w)];
                // the tip of a cone lies at every angle
                if (hypot($x, $y) > 1e-9) {
                    $angles[] = atan2($y, $x);
                }
            }
            if ($angles === []) {
                continue;
            }
            foreach ($angles as $i => $v) {
                $angles[$i] = $angles[0] + fmod($v - $angles[0] + 3 * M_PI, 2 * M_PI) - M_PI;
            }
            $lo = min($angles);
            $start = fmod($lo + 4 * M_PI, 2 * M_PI);
            $spans[] = [$start, $start + max($angles) - $lo];
        }
        sort($spans);
        // the widest gap tells where the piece is not; the last span may reach round over the beginning
        $reach = $spans === [] ? 0.0 : max(array_column($spans, 1)) - 2 * M_PI;
        $gap = 0.0;
        $after = 0.0;
        foreach ($spans as [$lo, $hi]) {
            if ($lo - $reach > $gap && $reach > -INF) {
                $gap = $lo - $reach;
                $after = $lo;
            }
            $reach = max($reach, $hi);
        }
        $turn = 2 * M_PI - max(0.0, $gap);
        $sign = 1.0;
        foreach ($a as $v) {
            if (abs($v) > 1e-9) {
                $sign = $v > 0 ? 1.0 : -1.0;
            }
        }
        $middle = Vector::add($p, $a, ($from + $to) / 2);
        $at = $after + $turn / 2;
        [$low, $high] = [abs($surface->radius + $surface->slope * $from), abs($surface->radius + $surface->slope * $to)];
        if ($sign < 0) {
            [$from, $to, $low, $high] = [-$to, -$from, $high, $low];
        }

        return new RoundPiece(
            $surface->kind,
            [$sign * $a[0] + 0.0, $sign * $a[1] + 0.0, $sign * $a[2] + 0.0],
            $middle,
            $low,
            $high,
            $from,
            $to,
            $turn,
            $hollow,
            Vector::add(Vector::add([0.0, 0.0, 0.0], $u, cos($at)), $w, sin($at)),
        );
    }
}
