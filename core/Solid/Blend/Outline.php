<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Geometry\Vector;
use Cubo\Solid\Maker\Fineness;
use Cubo\Solid\Refused;
use Cubo\Solid\SurfaceEquation;

/**
 * The outline of what a round or chamfer takes or fills at a station, as points.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Outline
{
    /** Cosine between the normals of faces that meet too sharply beside a round face. */
    private const SHARP = -0.95;

    /** sine of an arc too small to tell which way it lies */
    private const TINY = 1e-6;

    /**
     * The points of the section in the faces and beyond: from the right face over the edge to the left one. Beside a
     * round face along a straight edge the facets do not hold the touching line: there the section goes a little beyond.
     *
     * @return list<V>
     */
    public static function seam(EdgeShape $e, int $k, Section $s): array
    {
        $beyond = ($e->convex ? 4 : -4) * Fineness::CHORD;
        $left = $e->bulges($e->left);
        $right = $e->bulges($e->right);
        $out = [];
        if ($right) {
            $n = SurfaceEquation::outward($e->right, $s->onRight, $e->rightNormals[$k]);
            $out[] = Vector::add($s->onRight, $n, $beyond);
        }
        $out[] = $left || $right ? self::tip($e, $k, $s, $left, $right, $beyond) : $s->edge;
        if ($left) {
            $n = SurfaceEquation::outward($e->left, $s->onLeft, $e->leftNormals[$k]);
            $out[] = Vector::add($s->onLeft, $n, $beyond);
        }

        return $out;
    }

    /**
     * Where the sides of the tool meet beyond the edge: beside a round face in the plane that touches it where the round or
     * chamfer does, or farther out where the edge is. A straight way from there would else pass under a face that bulges.
     *
     * @return V
     */
    private static function tip(EdgeShape $e, int $k, Section $s, bool $left, bool $right, float $beyond): array
    {
        $out = $e->convex ? 1.0 : -1.0;
        $planes = [];
        foreach (
            [[$left, $e->left, $s->onLeft, $e->leftNormals[$k]], [$right, $e->right, $s->onRight, $e->rightNormals[$k]]]
            as [$round, $surface, $touch, $normal]
        ) {
            $n = $round ? SurfaceEquation::outward($surface, $touch, $normal) : $normal;
            $planes[] = [$n, $round ? $out * max(0.0, $out * Vector::dot($n, Vector::sub($touch, $s->edge))) + $beyond : 0.0];
        }
        [[$n, $x], [$m, $y]] = $planes;
        $c = Vector::dot($n, $m);
        if (min($c, Vector::dot($e->leftNormals[$k], $e->rightNormals[$k])) < self::SHARP) {
            throw new Refused('too-sharp', 'The faces meet at too sharp an angle here.');
        }
        $det = 1 - $c * $c;
        if ($det < 1e-6) {
            return Vector::add($s->edge, $n, max(abs($x), abs($y)) * $out);
        }

        return Vector::add(Vector::add($s->edge, $n, ($x - $c * $y) / $det), $m, ($y - $c * $x) / $det);
    }

    /**
     * From the left face to the right one.
     *
     * @param V $t
     * @return list<V>
     */
    private static function arc(Section $s, array $t, int $arcs): array
    {
        if ($s->middle === null) {
            return [$s->onLeft, $s->onRight];
        }
        $a = Vector::sub($s->onLeft, $s->middle);
        $b = Vector::sub($s->onRight, $s->middle);
        // along a curve the ball's own way is not quite that of the edge: the arc lies across the ball's
        $across = Vector::cross($a, $b);
        $sine = Vector::length($across);
        $t =
            $sine > self::TINY * Vector::dot($a, $a)
                ? Vector::add([0.0, 0.0, 0.0], $across, (Vector::dot($across, $t) < 0 ? -1 : 1) / $sine)
                : $t;
        $angle = rad2deg(atan2(Vector::dot($across, $t), Vector::dot($a, $b)));
        $out = [$s->onLeft];
        for ($i = 1; $i < $arcs; $i++) {
            $out[] = Vector::add($s->middle, Vector::turned($a, $t, ($angle * $i) / $arcs));
        }
        $out[] = $s->onRight;

        return $out;
    }

    /**
     * The points of the new face. Round a circle smaller than what is taken the section ends at the axis: what lies beyond
     * is taken from the other side or by the edges that run on from the arc.
     *
     * @return array{list<V>, bool} points from the left face to the right one, with the point of the axis in the face put in
     *     before, or behind; whether behind
     */
    public static function line(EdgeShape $e, int $k, Section $s, int $arcs): array
    {
        $line = self::arc($s, $e->tangents[$k], $arcs);
        if ($e->axis === null) {
            return [$line, false];
        }
        $out = Vector::unit(Vector::sub($e->stations[$k], $e->centre));
        $far = static fn(array $p): float => Vector::dot(Vector::sub($p, $e->centre), $out);
        $cross = static function (array $p, array $q) use ($far): array {
            [$a, $b] = [$far($p), $far($q)];

            return Vector::add($p, Vector::sub($q, $p), $a / ($a - $b));
        };
        $least = -Room::ROUNDING * (1 + $e->radius);
        foreach ([false, true] as $right) {
            $points = $right ? array_reverse($line) : $line;
            if ($far($points[0]) >= $least) {
                continue;
            }
            for ($j = 1; $j < count($points) - 1 && $far($points[$j]) < 0; $j++);
            if ($far($points[$j]) < 0) {
                throw new Refused('too-large', 'The edge is too small for this.');
            }
            $at = $cross($points[$j - 1], $points[$j]);
            $new = [$cross($points[0], $s->edge), ...array_fill(0, $j, $at), ...array_slice($points, $j)];

            return [$right ? array_reverse($new) : $new, $right];
        }

        return [$line, false];
    }
}
