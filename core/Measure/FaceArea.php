<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Geometry\Vector;
use Cubo\Solid\Blend\Edge;
use Cubo\Solid\Blend\EdgeShape;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * Area of one face, mm2. Flat faces: their triangles, and the segments between chords and arcs along round edges.
 * Cylinders and cones: every triangle widened by what its chord falls short of its arc. Other faces: their triangles,
 * which is a little less than the true area.
 */
final class FaceArea
{
    public static function of(Solid $s, string $face): float
    {
        return self::ofAll($s, [$face]);
    }

    /**
     * Area of several faces together, in one look at the solid.
     *
     * @param list<string> $faces names
     */
    public static function ofAll(Solid $s, array $faces): float
    {
        $area = 0.0;
        $asked = array_fill_keys($faces, true);
        $flat = [];
        foreach ($s->facet as $t => $f) {
            $surface = $s->surfaces[$s->surfaceOf[$f]];
            if (!isset($asked[$surface->name])) {
                continue;
            }
            if ($surface->isFlat()) {
                $flat[$surface->name] = true;
            }
            $p = array_map(static fn(int $h): array => [$s->x[$s->start[$h]], $s->y[$s->start[$h]], $s->z[$s->start[$h]]], [
                3 * $t,
                3 * $t + 1,
                3 * $t + 2,
            ]);
            $a = Vector::length(Vector::cross(Vector::sub($p[1], $p[0]), Vector::sub($p[2], $p[0]))) / 2;
            $area += $a * self::widening($surface, $p);
        }

        // an open surface has no edges between two faces to walk along
        return $flat !== [] && !in_array(-1, $s->twin, true) ? $area + self::segments($s, $flat) : $area;
    }

    /**
     * How much larger the true surface is than a facet on it.
     *
     * @param list<array{float,float,float}> $corners
     */
    public static function widening(Surface $surface, array $corners): float
    {
        if (!in_array($surface->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone], true)) {
            return 1.0;
        }
        $half = self::turn($corners, $surface->point, $surface->axis) / 2;

        return $half > 1e-9 ? $half / sin($half) : 1.0;
    }

    /**
     * The angle under which a triangle is seen from an axis, radians.
     *
     * @param list<array{float,float,float}> $points
     * @param array{float,float,float} $on
     * @param array{float,float,float} $axis
     */
    private static function turn(array $points, array $on, array $axis): float
    {
        $spokes = array_map(static function (array $p) use ($on, $axis): array {
            $d = Vector::sub($p, $on);

            return Vector::add($d, $axis, -Vector::dot($d, $axis));
        }, $points);
        $most = 0.0;
        foreach ([[0, 1], [1, 2], [2, 0]] as [$i, $j]) {
            $most = max($most, atan2(Vector::length(Vector::cross($spokes[$i], $spokes[$j])), Vector::dot($spokes[$i], $spokes[$j])));
        }

        return $most;
    }

    /**
     * Between the chords and the arcs of the round edges of flat faces: more outside, less at holes. Where both faces of an
     * edge are meant, both gain or lose.
     *
     * @param array<string, true> $faces
     */
    private static function segments(Solid $s, array $faces): float
    {
        $sum = 0.0;
        foreach (Topology::of($s)->edges as $edge) {
            foreach ([true, false] as $left) {
                if (isset($faces[$s->surfaces[$left ? $edge->left : $edge->right]->name])) {
                    $sum += self::segment($s, $edge, $left);
                }
            }
        }

        return $sum;
    }

    /** Beside one edge, for the face on its left or its right. */
    private static function segment(Solid $s, Edge $edge, bool $left): float
    {
        try {
            $shape = new EdgeShape($s, $edge);
        } catch (Refused) {
            return 0.0;
        }
        if ($shape->axis === null) {
            return 0.0;
        }
        $sum = 0.0;
        $n = $left ? $shape->leftNormals[0] : $shape->rightNormals[0];
        // walking along with the face on the left, the arc bulges out of it where the axis points as the normal does
        $sign = Vector::dot($shape->axis, $n) * ($left ? 1.0 : -1.0) > 0 ? 1.0 : -1.0;
        foreach ($edge->halfEdges as $h) {
            $a = Vector::sub([$s->x[$s->start[$h]], $s->y[$s->start[$h]], $s->z[$s->start[$h]]], $shape->centre);
            $o = $s->start[$s->twin[$h]];
            $b = Vector::sub([$s->x[$o], $s->y[$o], $s->z[$o]], $shape->centre);
            $turn = atan2(Vector::length(Vector::cross($a, $b)), Vector::dot($a, $b));
            // between arc and chord; a chord that is cut off ends inside the circle
            $sum += ($sign * ($shape->radius ** 2 * $turn - Vector::length(Vector::cross($a, $b)))) / 2;
        }

        return $sum;
    }
}
