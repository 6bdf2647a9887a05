<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Budget\Budget;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Fineness;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Skin;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * A round face that stands in the way where an edge ends, or that a groove leaves the solid through: the tool goes on into it
 * and is trimmed by the whole round solid with the same facets, so that neither a fin is left nor the face is cut into.
 *
 * @phpstan-type V array{float,float,float}
 */
final class WallEnd
{
    /** Facets this far from the end of the edge count, in sizes of the section. */
    private const NEAR = 4.0;

    private const ACROSS = 1e-3;

    /** mm past the face where the tool ends before it is trimmed */
    private const OUT = 0.1;

    /** @var list<array{V, float, bool}> planes of the facets, and whether the edge enters there */
    private array $planes = [];

    private readonly bool $farthest;

    private readonly bool $convex;

    /**
     * @param int $face surface number of the face, as the topology counts
     * @param V $at end of the edge
     * @param V $ahead unit, out of the edge
     * @param int $facet one of the face where the edge ends
     */
    public function __construct(
        private readonly Solid $solid,
        private readonly Topology $topology,
        private readonly int $face,
        private readonly array $at,
        private readonly array $ahead,
        int $facet,
    ) {
        $n = [$solid->nx[$facet], $solid->ny[$facet], $solid->nz[$facet]];
        $surface = $solid->surfaces[$face];
        $this->convex = Vector::dot(SurfaceEquation::outward($surface, $at, [0.0, 0.0, 0.0]), $n) > 0;
        $this->farthest = $this->convex === Vector::dot($n, $ahead) < 0;
    }

    /** Looks for the facets near the end. @param float $size of the section, mm */
    private function findPlanes(float $size): void
    {
        $s = $this->solid;
        $seen = [];
        foreach ($this->topology->trianglesOf($s->surfaces[$this->face]->name) as $t) {
            $f = $s->facet[$t];
            if (isset($seen[$f])) {
                continue;
            }
            $low = $high = [0.0, 0.0, 0.0];
            for ($k = 0; $k < 3; $k++) {
                $v = $s->start[3 * $t + $k];
                foreach ([$s->x[$v], $s->y[$v], $s->z[$v]] as $c => $x) {
                    $low[$c] = $k === 0 ? $x : min($low[$c], $x);
                    $high[$c] = $k === 0 ? $x : max($high[$c], $x);
                }
            }
            $far = 0.0;
            for ($c = 0; $c < 3; $c++) {
                $far = max($far, $low[$c] - $this->at[$c], $this->at[$c] - $high[$c]);
            }
            if ($far > self::NEAR * $size) {
                continue;
            }
            $seen[$f] = true;
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            $cos = Vector::dot($n, $this->ahead);
            if (abs($cos) > self::ACROSS) {
                $this->planes[] = [$n, $s->offset[$f], $cos < 0];
            }
        }
    }

    /**
     * A loop of the tool carried along the edge into the facets.
     *
     * @param list<V> $loop
     * @param bool $entering whether the face is met from outside
     * @return list<V>
     */
    public function carried(EdgeShape $e, int $k, array $loop, bool $entering): array
    {
        if ($this->planes === []) {
            $size = 0.0;
            foreach ($loop as $p) {
                $size = max($size, Vector::distance($p, $this->at));
            }
            $this->findPlanes($size);
        }
        $out = [];
        foreach ($loop as $p) {
            $best = null;
            foreach ($this->planes as [$n, $d, $enters]) {
                if ($enters !== $entering) {
                    continue;
                }
                $q = $e->carried($p, $k, $n, $d);
                $far = Vector::dot(Vector::sub($q, $p), $this->ahead);
                if (is_finite($far) && ($best === null || ($this->farthest ? $far > $best[0] : $far < $best[0]))) {
                    $best = [$far, $q];
                }
            }
            $out[] = $best[1] ?? $p;
        }

        return $out;
    }

    /**
     * How far along the edge all of a loop is past the face, in mm or, round an axis, in degrees; null where that would be
     * much farther than the section is wide, or the face is none that can be made whole.
     *
     * @param list<V> $loop
     */
    public function past(EdgeShape $e, int $k, array $loop, bool $entering): ?float
    {
        if (!in_array($this->solid->surfaces[$this->face]->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone, SurfaceKind::Sphere], true)) {
            return null;
        }
        $far = $size = 0.0;
        foreach ($this->carried($e, $k, $loop, $entering) as $i => $q) {
            $far = max($far, Vector::dot(Vector::sub($q, $loop[$i]), $this->ahead));
            $size = max($size, Vector::distance($loop[$i], $this->at));
        }
        $far += self::OUT;
        if ($far > self::NEAR * $size) {
            return null;
        }

        return $e->axis === null ? $far : rad2deg($far / max(1e-9, $e->radius));
    }

    /** The tool as far as the face. */
    public function trimmed(Solid $tool, Budget $budget): Solid
    {
        $whole = $this->whole($tool->vertexBox());

        return $this->convex
            ? BooleanOperation::difference($tool, $whole, $budget)
            : BooleanOperation::intersection($tool, $whole, $budget);
    }

    /**
     * The whole cylinder, cone or ball, as far as a box reaches along its axis, with the facets of the face where it has some.
     *
     * @param array{float,float,float,float,float,float} $box
     */
    private function whole(array $box): Solid
    {
        $u = $this->solid->surfaces[$this->face];
        if ($u->kind === SurfaceKind::Sphere) {
            return Primitives::sphere('', $u->radius)->moved(Transform::translation($u->point))->renamed(static fn(): string => $u->name);
        }
        $x = Vector::across($u->axis);
        $y = Vector::cross($u->axis, $x);
        [$low, $high] = [INF, -INF];
        for ($corner = 0; $corner < 8; $corner++) {
            $h = Vector::dot(
                Vector::sub([$box[$corner & 1 ? 3 : 0], $box[$corner & 2 ? 4 : 1], $box[$corner & 4 ? 5 : 2]], $u->point),
                $u->axis,
            );
            [$low, $high] = [min($low, $h), max($high, $h)];
        }
        [$low, $high] = [$low - 1.0, $high + 1.0];
        if ($u->slope != 0.0) {
            // not past the tip
            $tip = -$u->radius / $u->slope;
            [$low, $high] = $u->slope > 0 ? [max($low, $tip + 1e-6), $high] : [$low, min($high, $tip - 1e-6)];
        }
        $loops = [];
        foreach ([$low, $high] as $h) {
            $loops[] = [
                array_map(
                    static fn(float $a): array => Vector::add(
                        Vector::add(Vector::add($u->point, $u->axis, $h), $x, ($u->radius + $u->slope * $h) * cos($a)),
                        $y,
                        ($u->radius + $u->slope * $h) * sin($a),
                    ),
                    $this->turns($x, $y),
                ),
            ];
        }

        return Skin::over($loops, static fn(): Surface => $u, 'below', 'above');
    }

    /**
     * Where around the axis facets meet: those of the face, and even steps where it has none.
     *
     * @param V $x
     * @param V $y
     * @return list<float> radians, rising
     */
    private function turns(array $x, array $y): array
    {
        $s = $this->solid;
        $u = $s->surfaces[$this->face];
        $at = [];
        foreach ($this->topology->trianglesOf($u->name) as $t) {
            for ($k = 0; $k < 3; $k++) {
                $v = $s->start[3 * $t + $k];
                $p = [$s->x[$v], $s->y[$v], $s->z[$v]];
                // others lie on the chords
                if (abs(SurfaceEquation::distance($u, $p)) < 1e-8 * (1 + $u->radius)) {
                    $d = Vector::sub($p, $u->point);
                    $a = atan2(Vector::dot($d, $y), Vector::dot($d, $x));
                    $at[(string) round($a < -M_PI + 1e-9 ? M_PI : $a, 9)] = $a < -M_PI + 1e-9 ? M_PI : $a;
                }
            }
        }
        sort($at);
        $out = [];
        $step = (2 * M_PI) / Fineness::facets($u->radius);
        $n = count($at);
        if ($n === 0) {
            $at = [0.0];
            $n = 1;
        }
        foreach ($at as $i => $a) {
            $next = $i + 1 < $n ? $at[$i + 1] : $at[0] + 2 * M_PI;
            $parts = max(1, (int) round(($next - $a) / $step));
            for ($j = 0; $j < $parts; $j++) {
                $out[] = $a + (($next - $a) * $j) / $parts;
            }
        }

        return $out;
    }
}
