<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Geometry\PlaneCurve;
use Cubo\Geometry\Vector;
use Cubo\Solid\GridPatch;
use Cubo\Solid\PipeSurface;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * The true surface of a round or chamfer.
 *
 * @phpstan-type V array{float,float,float}
 */
final class NewFace
{
    /** cosine between a flat's normal and the axis of a cylinder that it cuts lengthwise */
    private const STEEP = 0.05;

    /** mm; a narrower ellipse is none */
    private const NARROW = 1e-6;

    /** mm by which the middles of the ball may lie beside the ellipse */
    private const ON = 1e-7;

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
        return abs($out) < 1e-9 * (1 + $radius)
            ? Surface::sphere($name, $on, $radius)
            : Surface::torus($name, $on, $e->axis, $out, $radius);
    }

    /**
     * A round along the ellipse in which a flat cuts a cylinder: the ball that leaves it is rolled along an ellipse too, in
     * which the flat and the cylinder moved by its radius meet.
     *
     * @param list<V> $middles of the ball
     */
    public static function pipe(string $name, EdgeShape $e, array $middles, float $radius): ?Surface
    {
        [$flat, $round, $n] = $e->left->isFlat() ? [$e->left, $e->right, $e->leftNormals[0]] : [$e->right, $e->left, $e->rightNormals[0]];
        if (!$flat->isFlat() || $round->kind !== SurfaceKind::Cylinder) {
            return null;
        }
        $lean = Vector::dot($round->axis, $n);
        if (abs($lean) < self::STEEP) {
            return null;
        }
        $centre = Vector::add($round->point, $round->axis, Vector::dot(Vector::sub($middles[0], $round->point), $n) / $lean);
        $off = Vector::sub($middles[0], $round->point);
        $width = Vector::length(Vector::add($off, $round->axis, -Vector::dot($off, $round->axis)));
        $u = Vector::add($round->axis, $n, -$lean);
        if ($width < self::NARROW || Vector::length($u) < self::NARROW) {
            return null;
        }
        $u = Vector::unit($u);
        $v = Vector::cross($n, $u);
        $curve = PlaneCurve::ellipse([0.0, 0.0], [$width / abs($lean), 0.0], $width);
        foreach ($middles as $p) {
            $d = Vector::sub($p, $centre);
            [$x, $y] = [Vector::dot($d, $u), Vector::dot($d, $v)];
            [[$qx, $qy]] = $curve->nearest($x, $y);
            if (abs(Vector::dot($d, $n)) + hypot($qx - $x, $qy - $y) > self::ON) {
                return null;
            }
        }

        return Surface::free($name, new PipeSurface($curve, $centre, $u, $v, $radius));
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
            $way[] =
                $way[$i - 1] +
                max(1e-9, Vector::distance($lines[$i - 1][0], $lines[$i][0]), Vector::distance(end($lines[$i - 1]), end($lines[$i])));
        }

        return Surface::free($name, new GridPatch($x, $y, $z, count($lines), $closed, $closed ? null : $way));
    }
}
