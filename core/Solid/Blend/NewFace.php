<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Geometry\Vector;
use Cubo\Solid\GridPatch;
use Cubo\Solid\Surface;

/**
 * The true surface of a round or chamfer.
 *
 * @phpstan-type V array{float,float,float}
 */
final class NewFace
{
    /** Along a line or a circle. */
    public static function of(string $name, EdgeShape $e, Section $s): Surface
    {
        if ($s->middle === null) {
            if ($e->axis === null) {
                return Surface::plane($name);
            }
            // beyond the axis the radius counts below zero
            $out = Vector::unit(Vector::sub($s->edge, $e->centre));
            $polar = static function (array $p) use ($e, $out): array {
                $d = Vector::sub($p, $e->centre);

                return [Vector::dot($d, $out), Vector::dot($d, $e->axis ?? [0.0, 0.0, 1.0])];
            };
            [$r, $h] = $polar($s->onLeft);
            [$q, $g] = $polar($s->onRight);
            if (abs($h - $g) < 1e-9 * (1 + $r)) {
                return Surface::plane($name);
            }

            return abs($r - $q) < 1e-9 * (1 + $r)
                ? Surface::cylinder($name, $e->centre, $e->axis, $r)
                : Surface::cone($name, Vector::add($e->centre, $e->axis, $q > $r ? $g : $h), $e->axis, max($q, $r), ($q - $r) / ($g - $h));
        }
        $radius = Vector::distance($s->middle, $s->onLeft);
        if ($e->axis === null) {
            return Surface::cylinder($name, $s->middle, $e->tangents[0], $radius);
        }
        $d = Vector::sub($s->middle, $e->centre);
        $h = Vector::dot($d, $e->axis);
        $out = Vector::dot($d, Vector::unit(Vector::sub($s->edge, $e->centre)));
        $on = Vector::add($e->centre, $e->axis, $h);

        // past the axis the ring has a middle circle below zero: the inner part of one that passes through itself
        return abs($out) < 1e-9 * (1 + $radius) ? Surface::sphere($name, $on, $radius) : Surface::torus($name, $on, $e->axis, $out, $radius);
    }

    /**
     * The new face along a curve, through all its points.
     *
     * @param list<list<V>> $lines from the left face to the right one, by station
     */
    public static function through(string $name, array $lines, bool $closed): Surface
    {
        $x = $y = $z = [];
        $way = [0.0];
        foreach (array_keys($lines[0]) as $j) {
            foreach ($lines as $line) {
                [$x[], $y[], $z[]] = $line[$j];
            }
        }
        for ($i = 1; $i < count($lines); $i++) {
            $way[] = $way[$i - 1] + max(1e-9, Vector::distance($lines[$i - 1][0], $lines[$i][0]), Vector::distance(end($lines[$i - 1]), end($lines[$i])));
        }

        return Surface::free($name, new GridPatch($x, $y, $z, count($lines), $closed, $closed ? null : $way));
    }
}
