<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Geometry\Vector;
use Cubo\Solid\Refused;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * What a round or a chamfer takes or fills in the plane across an edge: where it meets the left and the right face, and
 * for a round the middle of its arc.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Section
{
    /**
     * @param V $edge
     * @param V $onLeft
     * @param V $onRight
     * @param V|null $middle of the arc, null for a straight line between both
     */
    private function __construct(public array $edge, public array $onLeft, public array $onRight, public ?array $middle) {}

    /**
     * The arc of that radius that touches both faces: its middle lies as far from one as from the other.
     *
     * @throws Refused too-large
     */
    public static function round(EdgeShape $e, int $station, float $radius): self
    {
        $p = $e->stations[$station];
        $t = $e->tangents[$station];
        $nl = $e->leftNormals[$station];
        $nr = $e->rightNormals[$station];
        // inside the material at a ridge, outside of it in a groove
        $side = $e->convex ? -$radius : $radius;
        $u = Vector::unit(Vector::cross($t, $nl));
        $v = $nl;
        $c = Vector::add($p, Vector::add($nl, $nr), $side / (1 + Vector::dot($nl, $nr)));
        for ($i = 0; $i < 40; $i++) {
            [$f, $gl] = self::outward($e->left, $nl, $p, $c, $e->axis !== null);
            [$g, $gr] = self::outward($e->right, $nr, $p, $c, $e->axis !== null);
            $f -= $side;
            $g -= $side;
            [$a, $b, $k, $d] = [Vector::dot($gl, $u), Vector::dot($gl, $v), Vector::dot($gr, $u), Vector::dot($gr, $v)];
            $det = $a * $d - $b * $k;
            if (abs($det) < 1e-9) {
                throw new Refused('too-large', 'No arc of this radius touches both faces.');
            }
            $du = ($f * $d - $g * $b) / $det;
            $dv = ($a * $g - $k * $f) / $det;
            $c = Vector::add(Vector::add($c, $u, -$du), $v, -$dv);
            if (abs($du) + abs($dv) < 1e-15 * (1 + $radius)) {
                break;
            }
        }
        [$f, $gl] = self::outward($e->left, $nl, $p, $c, $e->axis !== null);
        [$g, $gr] = self::outward($e->right, $nr, $p, $c, $e->axis !== null);
        if (abs($f - $side) + abs($g - $side) > 1e-7 * (1 + $radius)) {
            throw new Refused('too-large', 'No arc of this radius touches both faces.');
        }

        return new self($p, Vector::add($c, $gl, -$side), Vector::add($c, $gr, -$side), $c);
    }

    /** A chamfer that takes so much of the left and of the right face. */
    public static function chamfer(EdgeShape $e, int $station, float $left, float $right): self
    {
        $p = $e->stations[$station];

        return new self(
            $p,
            self::along($e, $e->left, $p, self::into($e, $station, true), $left),
            self::along($e, $e->right, $p, self::into($e, $station, false), $right),
            null,
        );
    }

    /**
     * The point of a face so far from the edge: straight on where its section is straight, else on its arc.
     *
     * @param V $p
     * @param V $way unit, into the face
     * @return V
     */
    private static function along(EdgeShape $e, Surface $s, array $p, array $way, float $far): array
    {
        $q = Vector::add($p, $way, $far);
        if (!$e->bulges($s)) {
            return $q;
        }
        for ($i = 0; $i < 60; $i++) {
            $on = SurfaceEquation::foot($s, $q);
            $d = Vector::distance($on, $p);
            if ($d < 1e-12) {
                break;
            }
            $q = Vector::add($p, Vector::sub($on, $p), $far / $d);
            if (abs($d - $far) < 1e-13 * (1 + $far)) {
                break;
            }
        }

        return SurfaceEquation::foot($s, $q);
    }

    /**
     * Unit direction from the edge into a face, across the edge.
     *
     * @return V
     */
    public static function into(EdgeShape $e, int $station, bool $left): array
    {
        return $left
            ? Vector::unit(Vector::cross($e->leftNormals[$station], $e->tangents[$station]))
            : Vector::unit(Vector::cross($e->tangents[$station], $e->rightNormals[$station]));
    }

    /**
     * Signed distance from a face's true surface, positive outside, and the unit normal that way.
     *
     * @param V $normal at the edge
     * @param V $at the edge
     * @param V $p
     * @return array{float, V}
     */
    private static function outward(Surface $s, array $normal, array $at, array $p, bool $round): array
    {
        // across a circular edge planes, cylinders and cones around its axis show as straight lines
        if ($s->isFlat() || ($round && ($s->kind === SurfaceKind::Cylinder || $s->kind === SurfaceKind::Cone))) {
            return [Vector::dot(Vector::sub($p, $at), $normal), $normal];
        }
        $sign = Vector::dot(SurfaceEquation::outward($s, $at, $normal), self::gradient($s, $at)) < 0 ? -1.0 : 1.0;
        $g = self::gradient($s, $p);

        return [$sign * SurfaceEquation::distance($s, $p), [$sign * $g[0], $sign * $g[1], $sign * $g[2]]];
    }

    /**
     * Unit normal of a surface on its own positive side.
     *
     * @param V $p
     * @return V
     */
    private static function gradient(Surface $s, array $p): array
    {
        return SurfaceEquation::outward($s, $p, [0.0, 0.0, 0.0]);
    }
}
