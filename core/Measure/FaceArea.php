<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Geometry\Vector;
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
        $area = 0.0;
        $flat = true;
        foreach ($s->facet as $t => $f) {
            $surface = $s->surfaces[$s->surfaceOf[$f]];
            if ($surface->name !== $face) {
                continue;
            }
            $flat = $surface->isFlat();
            $p = array_map(static fn (int $h): array => [$s->x[$s->start[$h]], $s->y[$s->start[$h]], $s->z[$s->start[$h]]], [3 * $t, 3 * $t + 1, 3 * $t + 2]);
            $a = Vector::length(Vector::cross(Vector::sub($p[1], $p[0]), Vector::sub($p[2], $p[0]))) / 2;
            $area += $a * self::widening($surface, $p);
        }

        // an open surface has no edges between two faces to walk along
        return $flat && ! in_array(-1, $s->twin, true) ? $area + self::segments($s, $face) : $area;
    }

    /**
     * How much larger the true surface is than a facet on it.
     *
     * @param list<array{float,float,float}> $corners
     */
    public static function widening(Surface $surface, array $corners): float
    {
        if (! in_array($surface->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone], true)) {
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

    /** Between the chords and the arcs of the round edges of a flat face: more outside, less at holes. */
    private static function segments(Solid $s, string $face): float
    {
        $sum = 0.0;
        foreach (Topology::of($s)->edges as $edge) {
            $left = $s->surfaces[$edge->left]->name === $face;
            if (! $left && $s->surfaces[$edge->right]->name !== $face) {
                continue;
            }
            try {
                $shape = new EdgeShape($s, $edge);
            } catch (Refused) {
                continue;
            }
            if ($shape->axis === null) {
                continue;
            }
            $n = $left ? $shape->leftNormals[0] : $shape->rightNormals[0];
            // walking along with the face on the left, the arc bulges out of it where the axis points as the normal does
            $sign = Vector::dot($shape->axis, $n) * ($left ? 1.0 : -1.0) > 0 ? 1.0 : -1.0;
            foreach ($edge->halfEdges as $h) {
                $a = Vector::sub([$s->x[$s->start[$h]], $s->y[$s->start[$h]], $s->z[$s->start[$h]]], $shape->centre);
                $o = $s->start[$s->twin[$h]];
                $b = Vector::sub([$s->x[$o], $s->y[$o], $s->z[$o]], $shape->centre);
                $turn = atan2(Vector::length(Vector::cross($a, $b)), Vector::dot($a, $b));
                $sum += $sign * Vector::dot($a, $a) * ($turn - sin($turn)) / 2;
            }
        }

        return $sum;
    }
}
