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
 * The true line, circle or curve an edge lies on, and the directions at each of its stations. Stations are the ends of a
 * straight edge and all vertices of a round one, where the facets of both faces are exact; where a round one is cut off in
 * the middle of a facet, the end of that facet's chord.
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

    public float $radius = 0.0;

    /** @var array{bool, bool} whether the first and the last station lie past the ends of the edge, where other faces cut it off */
    public array $past = [false, false];

    /** where it is neither a line nor a circle */
    public ?TrueCurve $curve = null;

    /** degrees of a facet there */
    public float $step = 0.0;

    /** Corners this near to a circle are on it: mm, and as a share of its radius. */
    private const ON = 1e-8;

    /** Whether the material fills less than half a turn around the edge. */
    public readonly bool $convex;

    public readonly Surface $left;

    public readonly Surface $right;

    /** @throws Refused edge-shape, tangent-edge */
    public function __construct(public readonly Solid $solid, public readonly Edge $edge)
    {
        // several surfaces may bear one name: that beside the edge counts
        $this->left = $solid->surfaceOfTriangle(intdiv($edge->halfEdges[0], 3));
        $this->right = $solid->surfaceOfTriangle(intdiv($solid->twin[$edge->halfEdges[0]], 3));
        $points = array_map(static fn(int $v): array => [$solid->x[$v], $solid->y[$v], $solid->z[$v]], $edge->vertices);
        if (!$this->findShape($points)) {
            $this->past = [false, false];
            $this->curve = new TrueCurve($this->solid, $this->edge);
            $this->take($this->curve->stations);
        }
        foreach ($this->curve === null ? $this->stations : [] as $k => $p) {
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

    /** Whether a face's facets lie under it across this edge: round a circle planes, cylinders and cones keep to theirs. */
    public function bulges(Surface $face): bool
    {
        return $this->axis === null ? !$face->isFlat() : $face->kind === SurfaceKind::Sphere;
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

    /**
     * The same edge led on over both its ends, for the tool of a round or chamfer.
     *
     * @param list<array{V, V, V, V}> $before the nearest first
     * @param list<array{V, V, V, V}> $after
     */
    public function ledOn(array $before, array $after): self
    {
        $e = clone $this;
        $own = array_map(
            fn(int $k): array => [$this->stations[$k], $this->tangents[$k], $this->leftNormals[$k], $this->rightNormals[$k]],
            array_keys($this->stations),
        );
        $e->take([...array_reverse($before), ...$own, ...$after]);

        return $e;
    }

    /**
     * Ends the edge at another station; those that lie past it go.
     *
     * @param array{V, V, V, V} $station
     */
    public function endBy(array $station, bool $atEnd): void
    {
        $own = array_map(
            fn(int $k): array => [$this->stations[$k], $this->tangents[$k], $this->leftNormals[$k], $this->rightNormals[$k]],
            array_keys($this->stations),
        );
        $sign = $atEnd ? -1.0 : 1.0;
        $own = $atEnd ? array_reverse($own) : $own;
        array_shift($own);
        while (count($own) > 1 && $sign * Vector::dot(Vector::sub($own[0][0], $station[0]), $station[1]) <= 0) {
            array_shift($own);
        }
        array_unshift($own, $station);
        $this->take($atEnd ? array_reverse($own) : $own);
    }

    /** @param list<array{V, V, V, V}> $stations */
    private function take(array $stations): void
    {
        [$this->stations, $this->tangents, $this->leftNormals, $this->rightNormals] = [
            array_column($stations, 0),
            array_column($stations, 1),
            array_column($stations, 2),
            array_column($stations, 3),
        ];
    }

    /**
     * @param list<V> $points
     * @return bool whether it is a line or a circle
     */
    private function findShape(array $points): bool
    {
        // a short arc may be a single chord, so circles are asked for first
        if ($this->isCircle($points, $this->left, $this->right, true) || $this->isCircle($points, $this->right, $this->left, false)) {
            return true;
        }
        $n = count($points);
        $size = 0.0;
        foreach ($points as $p) {
            $size = max($size, Vector::distance($p, $points[0]));
        }
        if (!$this->edge->closed) {
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

                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Whether the edge is a circle about a face's axis, as both true faces tell. Where other faces cut it off its ends lie
     * inside, on the chords of its facets: the stations there are those where the chords end, past the edge.
     *
     * @param list<V> $points
     */
    private function isCircle(array $points, Surface $round, Surface $other, bool $left): bool
    {
        $this->past = [false, false];
        $axis = $round->kind === SurfaceKind::Sphere ? $this->axisOnBall($other, !$left) : $round->axis;
        if (
            $axis === null ||
            !in_array($round->kind, [SurfaceKind::Sphere, SurfaceKind::Cylinder, SurfaceKind::Cone, SurfaceKind::Torus], true) ||
            !$this->isAbout($other, !$left, $round, $axis)
        ) {
            return false;
        }
        $centre = Vector::add($round->point, $axis, Vector::dot(Vector::sub($points[0], $round->point), $axis));
        $rho = [];
        foreach ($points as $p) {
            $d = Vector::sub($p, $centre);
            $rho[] = Vector::length($d);
            if (abs(Vector::dot($d, $axis)) > self::ON * (1 + end($rho))) {
                return false;
            }
        }
        $r = in_array($round->kind, [SurfaceKind::Torus, SurfaceKind::Sphere], true)
            ? max($rho)
            : $round->radius + $round->slope * Vector::dot(Vector::sub($centre, $round->point), $axis);
        if ($r < 1e-9) {
            return false;
        }
        $last = count($points) - 1;
        foreach ($rho as $k => $d) {
            $on = abs($d - $r) < self::ON * (1 + $r);
            if (!$on && ($this->edge->closed || $round->kind === SurfaceKind::Sphere || ($k !== 0 && $k !== $last) || $d > $r)) {
                return false;
            }
            $this->past[(int) ($k === $last)] = $this->past[(int) ($k === $last)] || !$on;
        }
        // the axis in the sense in which the edge runs
        $turn = Vector::dot(Vector::cross(Vector::sub($points[0], $centre), Vector::sub($points[1], $centre)), $axis);
        $this->axis = $turn < 0 ? [-$axis[0], -$axis[1], -$axis[2]] : $axis;
        $this->centre = $centre;
        $this->radius = $r;
        foreach ([0 => 0, 1 => $last] as $end => $k) {
            if ($this->past[$end]) {
                $points[$k] = $this->endOfChord($end, $left);
            }
        }
        $this->stations = $points;
        foreach ($points as $p) {
            $this->tangents[] = Vector::unit(Vector::cross($this->axis, Vector::sub($p, $centre)));
        }

        return true;
    }

    /**
     * The axis of a circle on a ball: across the flat that cuts it.
     *
     * @return V|null
     */
    private function axisOnBall(Surface $other, bool $left): ?array
    {
        return $other->isFlat() ? $this->facetNormal($left) : null;
    }

    /** @return V of the facet beside the first piece of the edge */
    private function facetNormal(bool $left): array
    {
        $h = $this->edge->halfEdges[0];
        $f = $this->solid->facet[intdiv($left ? $h : $this->solid->twin[$h], 3)];

        return [$this->solid->nx[$f], $this->solid->ny[$f], $this->solid->nz[$f]];
    }

    /**
     * Whether a face stays the same when it is turned about an axis through a surface's middle.
     *
     * @param V $axis
     */
    private function isAbout(Surface $s, bool $left, Surface $about, array $axis): bool
    {
        if ($s->isFlat()) {
            return Vector::length(Vector::cross($this->facetNormal($left), $axis)) < self::ON;
        }

        return $s->patch === null &&
            Vector::length(Vector::cross(Vector::sub($s->point, $about->point), $axis)) < self::ON * (1 + $about->radius) &&
            ($s->kind === SurfaceKind::Sphere || Vector::length(Vector::cross($s->axis, $axis)) < self::ON);
    }

    /**
     * Where the chord in which the edge ends would end if nothing had cut it off: as far from the middle of its facet as the
     * circle is from the chord.
     *
     * @return V
     */
    private function endOfChord(int $end, bool $left): array
    {
        $axis = $this->axis ?? [0.0, 0.0, 1.0];
        $h = $this->edge->halfEdges[$end === 0 ? 0 : count($this->edge->halfEdges) - 1];
        $f = $this->solid->facet[intdiv($left ? $h : $this->solid->twin[$h], 3)];
        $n = [$this->solid->nx[$f], $this->solid->ny[$f], $this->solid->nz[$f]];
        $across = Vector::add($n, $axis, -Vector::dot($n, $axis));
        $lean = Vector::length($across);
        $way = Vector::unit($across);
        // the chord stands across that way, so far from the middle; outward or, in a bore, inward
        $far = ($this->solid->offset[$f] - Vector::dot($n, $this->centre)) / $lean;
        $half = rad2deg(acos(min(1.0, abs($far) / $this->radius)));
        $this->step = 2 * $half;

        return Vector::add(
            $this->centre,
            Vector::turned(
                Vector::add([0.0, 0.0, 0.0], $way, $far > 0 ? $this->radius : -$this->radius),
                $axis,
                $end === 0 ? -$half : $half,
            ),
        );
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

    /**
     * The points of a section at the first or last station, as much farther along the edge.
     *
     * @param list<V> $loop
     * @param float $by mm along a line, degrees round an axis
     * @return list<V>
     */
    public function farther(array $loop, int $station, float $by): array
    {
        $by = $station === 0 ? -$by : $by;
        $axis = $this->axis;

        return array_map(
            fn(array $p): array => $axis === null
                ? Vector::add($p, $this->tangents[$station], $by)
                : Vector::add($this->centre, Vector::turned(Vector::sub($p, $this->centre), $axis, $by)),
            $loop,
        );
    }
}
