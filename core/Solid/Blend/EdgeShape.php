<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Geometry\Vector;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * The true line or circle an edge lies on, and the directions at each of its stations. Stations are the ends of a
 * straight edge and all vertices of a round one, where the facets of both faces are exact.
 *
 * @phpstan-type V array{float,float,float}
 */
final class EdgeShape
{
    /** @var list<V> */
    public array $stations = [];

    /** @var list<V> unit, along the edge */
    public array $tangents = [];

    /** @var list<V> outward normal of the left face's true surface */
    public array $leftNormals = [];

    /** @var list<V> */
    public array $rightNormals = [];

    /** @var V|null unit axis of the circle; null for a line */
    public ?array $axis = null;

    /** @var V middle of the circle */
    public array $centre = [0.0, 0.0, 0.0];

    /** Whether the material fills less than half a turn around the edge. */
    public readonly bool $convex;

    public readonly Surface $left;

    public readonly Surface $right;

    /** @throws Refused edge-shape, tangent-edge */
    public function __construct(public readonly Solid $solid, public readonly Edge $edge)
    {
        $this->left = $solid->surfaces[$edge->left];
        $this->right = $solid->surfaces[$edge->right];
        $points = array_map(static fn (int $v): array => [$solid->x[$v], $solid->y[$v], $solid->z[$v]], $edge->vertices);
        $this->findShape($points);
        foreach ($this->stations as $k => $p) {
            [$l, $r] = $this->facets($k);
            $this->leftNormals[] = SurfaceEquation::outward($this->left, $p, [$solid->nx[$l], $solid->ny[$l], $solid->nz[$l]]);
            $this->rightNormals[] = SurfaceEquation::outward($this->right, $p, [$solid->nx[$r], $solid->ny[$r], $solid->nz[$r]]);
        }
        $turn = Vector::dot(Vector::cross($this->leftNormals[0], $this->rightNormals[0]), $this->tangents[0]);
        if (abs($turn) < 1e-4) {
            throw new Refused('tangent-edge', 'The two faces run smoothly into each other here: there is no edge to work on.');
        }
        // walking with the left face on the left, its normal turns towards the right one's clockwise at a ridge
        $this->convex = $turn > 0;
    }

    /** Degrees between both faces: through the material at a ridge, through the air in a groove. */
    public function between(int $station): float
    {
        return 180 - rad2deg(acos(max(-1.0, min(1.0, Vector::dot($this->leftNormals[$station], $this->rightNormals[$station])))));
    }

    /** @return array{int,int} facets of the left and right face beside a station */
    private function facets(int $station): array
    {
        $h = $this->edge->halfEdges;
        $k = count($this->stations) === 2 ? ($station === 0 ? 0 : count($h) - 1) : min($station, count($h) - 1);

        return [$this->solid->facet[intdiv($h[$k], 3)], $this->solid->facet[intdiv($this->solid->twin[$h[$k]], 3)]];
    }

    /** @param list<V> $points */
    private function findShape(array $points): void
    {
        $n = count($points);
        $size = 0.0;
        foreach ($points as $p) {
            $size = max($size, Vector::distance($p, $points[0]));
        }
        if (! $this->edge->closed) {
            $t = Vector::sub($points[$n - 1], $points[0]);
            $l = Vector::length($t);
            if ($l > 1e-9) {
                $t = Vector::unit($t);
                $straight = true;
                foreach ($points as $p) {
                    $straight = $straight && Vector::length(Vector::cross(Vector::sub($p, $points[0]), $t)) < 1e-9 * (1 + $size);
                }
                if ($straight) {
                    $this->stations = [$points[0], $points[$n - 1]];
                    $this->tangents = [$t, $t];

                    return;
                }
            }
        }
        foreach ([$this->left, $this->right] as $s) {
            if (! in_array($s->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone, SurfaceKind::Torus], true)) {
                continue;
            }
            $h0 = Vector::dot(Vector::sub($points[0], $s->point), $s->axis);
            $centre = Vector::add($s->point, $s->axis, $h0);
            $r = Vector::distance($points[0], $centre);
            $round = $r > 1e-9;
            foreach ($points as $p) {
                $d = Vector::sub($p, $centre);
                $round = $round && abs(Vector::dot($d, $s->axis)) < 1e-8 * (1 + $r) && abs(Vector::length($d) - $r) < 1e-8 * (1 + $r);
            }
            if (! $round) {
                continue;
            }
            $this->centre = $centre;
            // the axis in the sense in which the edge runs
            $turn = Vector::dot(Vector::cross(Vector::sub($points[0], $centre), Vector::sub($points[1], $centre)), $s->axis);
            $axis = $this->axis = $turn < 0 ? [-$s->axis[0], -$s->axis[1], -$s->axis[2]] : $s->axis;
            $this->stations = $points;
            foreach ($points as $p) {
                $this->tangents[] = Vector::unit(Vector::cross($axis, Vector::sub($p, $centre)));
            }

            return;
        }
        throw new Refused('edge-shape', 'Only straight and circular edges can be rounded or chamfered.');
    }

    /**
     * A point of the section at a station carried along the edge into a plane n.p = d: slid along a line, turned about
     * an axis.
     *
     * @param V $p
     * @param V $n
     * @return V
     */
    public function carried(array $p, int $station, array $n, float $d): array
    {
        if ($this->axis === null) {
            $t = $this->tangents[$station];

            return Vector::add($p, $t, ($d - Vector::dot($p, $n)) / Vector::dot($t, $n));
        }
        $spoke = Vector::sub($p, $this->centre);
        $angle = 0.0;
        for ($i = 0; $i < 30; $i++) {
            $q = Vector::turned($spoke, $this->axis, $angle);
            $gap = Vector::dot(Vector::add($this->centre, $q), $n) - $d;
            $rate = Vector::dot(Vector::cross($this->axis, $q), $n);
            if (abs($rate) < 1e-12) {
                break;
            }
            $step = rad2deg($gap / $rate);
            $angle -= $step;
            if (abs($step) < 1e-13) {
                break;
            }
        }

        return Vector::add($this->centre, Vector::turned($spoke, $this->axis, $angle));
    }
}
