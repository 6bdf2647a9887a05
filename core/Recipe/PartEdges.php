<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;
use Cubo\Sketch\EntityKind;
use Cubo\Solid\Blend\Edge;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * The edges of a part that are straight or round when seen onto a plane, by their names (Topology). Those that bound no flat
 * face are left out, and so are seams between faces in one plane. Corners are where the true edges meet, not where their
 * facets do.
 *
 * @phpstan-type P array{float,float}
 */
final readonly class PartEdges
{
    /** mm: so near counts as the same place */
    private const SAME = 1e-6;

    /** mm: what is within this of a circle is taken for it where no surface says which it is */
    private const ROUND = 1e-5;

    private Topology $topology;

    private function __construct(private Solid $part)
    {
        $this->topology = Topology::of($part);
    }

    /**
     * @param Transform $plane takes (u, v, height) to (x, y, z)
     * @return array<string, PartEdge> by name
     */
    public static function seenOnto(Solid $part, Transform $plane): array
    {
        $self = new self($part);
        $out = [];
        foreach ($self->topology->edges as $name => $edge) {
            $face = $self->flatFace($edge, $plane);
            $seen = $face === null ? null : $self->seen($edge, $face, $plane);
            if ($seen !== null) {
                $first = $part->surfaces[$part->surfaceOf[$face]]->name;
                $faces = array_map(
                    static fn(int $s): string => $part->surfaces[$s]->name,
                    array_filter([$edge->left, $edge->right], static fn(int $s): bool => $part->surfaces[$s]->isFlat()),
                );
                $out[$name] = new PartEdge($name, array_values(array_unique([$first, ...$faces])), ...$seen);
            }
        }

        return $out;
    }

    /** Facet of the flat face an edge is looked at from: the one that lies in the plane, if there is one; null on a seam. */
    private function flatFace(Edge $edge, Transform $plane): ?int
    {
        $h = $edge->halfEdges[0];
        $facets = [$this->part->facet[intdiv($h, 3)], $this->part->facet[intdiv($this->part->twin[$h], 3)]];
        $flat = array_values(array_filter($facets, fn(int $f): bool => $this->part->surfaces[$this->part->surfaceOf[$f]]->isFlat()));
        if (count($flat) === 2 && $this->dot($flat[0], $this->normal($flat[1])) > 1 - 1e-12) {
            return null;
        }
        $level = fn(int $f): float => abs($this->dot($f, [$plane->r[2], $plane->r[5], $plane->r[8]]));
        usort($flat, static fn(int $f, int $g): int => $level($g) <=> $level($f));

        return $flat[0] ?? null;
    }

    /**
     * @return array{EntityKind, list<P>, float}|null
     */
    private function seen(Edge $edge, int $facet, Transform $plane): ?array
    {
        $own = FacePlane::facet($this->part, $facet);
        $circle = $this->circle($edge, $facet, $own);
        $ends = $edge->closed
            ? []
            : [
                $this->corner($edge, $edge->vertices[0], $facet, $own, $circle),
                $this->corner($edge, $edge->vertices[count($edge->vertices) - 1], $facet, $own, $circle),
            ];
        $seen = static fn(array $q): array => self::onto($plane, $own->point([$q[0], $q[1], 0.0]));
        if ($circle === null) {
            $p = $this->flattened($edge, $own);
            if ($edge->closed || !self::straight($p)) {
                return null;
            }
            [$a, $b] = array_map($seen, $ends);

            return hypot($b[0] - $a[0], $b[1] - $a[1]) < self::SAME ? null : [EntityKind::Line, [$a, $b], 0.0];
        }
        $turn = $plane->r[2] * $own->r[2] + $plane->r[5] * $own->r[5] + $plane->r[8] * $own->r[8];
        if (abs($turn) < 1 - 1e-9) {
            return null;
        }
        if ($edge->closed) {
            return [EntityKind::Circle, [$seen($circle[0])], $circle[1]];
        }
        // an arc runs counter-clockwise as it is seen
        [$p, $q] = $this->flattened($edge, $own);
        $ccw = ($p[0] - $circle[0][0]) * ($q[1] - $circle[0][1]) - ($p[1] - $circle[0][1]) * ($q[0] - $circle[0][0]) > 0;

        return [EntityKind::Arc, array_map($seen, [$circle[0], ...$ccw === $turn > 0 ? $ends : array_reverse($ends)]), $circle[1]];
    }

    /** @return list<P> the vertices of an edge in the plane of a face */
    private function flattened(Edge $edge, Transform $own): array
    {
        return array_map(
            fn(int $v): array => self::onto($own, [$this->part->x[$v], $this->part->y[$v], $this->part->z[$v]]),
            $edge->vertices,
        );
    }

    /**
     * The end of an edge: where it meets the next edge of the same face.
     *
     * @param array{P, float}|null $circle the edge's, if it is round
     * @return P
     */
    private function corner(Edge $edge, int $v, int $facet, Transform $own, ?array $circle): array
    {
        $near = self::onto($own, [$this->part->x[$v], $this->part->y[$v], $this->part->z[$v]]);
        $face = $this->part->surfaces[$this->part->surfaceOf[$facet]]->name;
        foreach ($this->topology->endingAt[$v] ?? [] as $other) {
            if (
                $other === $edge ||
                !in_array($face, [$this->part->surfaces[$other->left]->name, $this->part->surfaces[$other->right]->name], true)
            ) {
                continue;
            }
            $p = $this->flattened($edge, $own);
            $q = $this->flattened($other, $own);

            return self::meeting(
                $near,
                [$p[0], $p[count($p) - 1]],
                $circle,
                [$q[0], $q[count($q) - 1]],
                $this->circle($other, $facet, $own),
            );
        }

        return $near;
    }

    /**
     * Where two edges of a face meet, next to where their facets do.
     *
     * @param P $near
     * @param array{P, P} $line both ends of the first as its facets have them
     * @param array{P, float}|null $round its circle, if it is round
     * @param array{P, P} $line2
     * @param array{P, float}|null $round2
     * @return P
     */
    private static function meeting(array $near, array $line, ?array $round, array $line2, ?array $round2): array
    {
        if ($round === null && $round2 === null) {
            return $near;
        }
        if ($round === null) {
            [$round, $round2, $line2] = [$round2, null, $line];
        }
        [[$mu, $mv], $r] = $round;
        if ($round2 !== null) {
            // the line through both crossings of two circles
            [[$nu, $nv], $s] = $round2;
            [$du, $dv] = [$nu - $mu, $nv - $mv];
            $dd = $du * $du + $dv * $dv;
            if ($dd < self::SAME ** 2) {
                return $near;
            }
            $t = ($dd + $r * $r - $s * $s) / (2 * $dd);
            $line2 = [[$mu + $t * $du, $mv + $t * $dv], [$mu + $t * $du - $dv, $mv + $t * $dv + $du]];
        }
        [$eu, $ev] = [$line2[1][0] - $line2[0][0], $line2[1][1] - $line2[0][1]];
        $l = hypot($eu, $ev);
        if ($l < self::SAME) {
            return $near;
        }
        [$eu, $ev] = [$eu / $l, $ev / $l];
        $along = ($mu - $line2[0][0]) * $eu + ($mv - $line2[0][1]) * $ev;
        [$fu, $fv] = [$line2[0][0] + $along * $eu, $line2[0][1] + $along * $ev];
        $half = sqrt(max(0.0, $r * $r - ($fu - $mu) ** 2 - ($fv - $mv) ** 2));
        $both = [[$fu - $half * $eu, $fv - $half * $ev], [$fu + $half * $eu, $fv + $half * $ev]];
        $off = static fn(array $q): float => hypot($q[0] - $near[0], $q[1] - $near[1]);

        return $off($both[0]) < $off($both[1]) ? $both[0] : $both[1];
    }

    /** @return array{float,float,float} */
    private function normal(int $facet): array
    {
        return [$this->part->nx[$facet], $this->part->ny[$facet], $this->part->nz[$facet]];
    }

    /** @param array{float,float,float} $a */
    private function dot(int $facet, array $a): float
    {
        return $a[0] * $this->part->nx[$facet] + $a[1] * $this->part->ny[$facet] + $a[2] * $this->part->nz[$facet];
    }

    /**
     * @param array{float,float,float} $p
     * @return P
     */
    private static function onto(Transform $plane, array $p): array
    {
        [$u, $v] = $plane->local($p);

        return [$u, $v];
    }

    /** @param list<P> $p */
    private static function straight(array $p): bool
    {
        [$a, $b] = [$p[0], $p[count($p) - 1]];
        $l = hypot($b[0] - $a[0], $b[1] - $a[1]);
        foreach ($p as [$u, $v]) {
            if ($l < self::SAME || abs(($b[0] - $a[0]) * ($v - $a[1]) - ($b[1] - $a[1]) * ($u - $a[0])) / $l > self::SAME) {
                return false;
            }
        }

        return true;
    }

    /**
     * The circle a round edge of a flat face lies on; null when it is none.
     *
     * @return array{P, float}|null
     */
    private function circle(Edge $edge, int $facet, Transform $own): ?array
    {
        $names = $this->part->surfaces[$this->part->surfaceOf[$facet]]->name;
        $other = $this->part->surfaces[$this->part->surfaces[$edge->left]->name === $names ? $edge->right : $edge->left];

        return $other->isFlat() ? null : $this->cut($other, $facet, $own) ?? self::through($this->flattened($edge, $own), $edge->closed);
    }

    /**
     * The circle in which a flat face cuts a round surface, where its axis stands upright on the face or it is a ball.
     *
     * @return array{P, float}|null
     */
    private function cut(Surface $s, int $facet, Transform $own): ?array
    {
        $along = $this->dot($facet, $s->axis);
        $height = $this->part->offset[$facet] - $this->dot($facet, $s->point);
        $radius = match (true) {
            $s->kind === SurfaceKind::Sphere => sqrt(max(0.0, $s->radius ** 2 - $height ** 2)),
            abs($along) < 1 - 1e-9 => null,
            $s->kind === SurfaceKind::Cylinder => $s->radius,
            $s->kind === SurfaceKind::Cone => abs($s->radius + $s->slope * $height * $along),
            default => null,
        };

        return $radius === null || $radius < self::SAME ? null : [self::onto($own, $s->point), $radius];
    }

    /**
     * The circle that a run of places lies on; its ends, which lie on facets, are left out.
     *
     * @param list<P> $p
     * @return array{P, float}|null
     */
    private static function through(array $p, bool $closed): ?array
    {
        $p = $closed ? $p : array_slice($p, 1, -1);
        $n = count($p);
        if ($n < 3) {
            return null;
        }
        [$a, $b, $c] = $closed ? [$p[0], $p[intdiv($n, 3)], $p[intdiv(2 * $n, 3)]] : [$p[0], $p[intdiv($n, 2)], $p[$n - 1]];
        [$pu, $pv, $qu, $qv] = [$b[0] - $a[0], $b[1] - $a[1], $c[0] - $a[0], $c[1] - $a[1]];
        $d = 2 * ($pu * $qv - $pv * $qu);
        if (abs($d) < 1e-9 * max(1e-12, hypot($pu, $pv) * hypot($qu, $qv))) {
            return null;
        }
        [$x, $y] = [$pu * $pu + $pv * $pv, $qu * $qu + $qv * $qv];
        $m = [$a[0] + ($qv * $x - $pv * $y) / $d, $a[1] + ($pu * $y - $qu * $x) / $d];
        $r = hypot($a[0] - $m[0], $a[1] - $m[1]);
        foreach ($p as [$u, $v]) {
            if (abs(hypot($u - $m[0], $v - $m[1]) - $r) > self::ROUND) {
                return null;
            }
        }

        return [$m, $r];
    }
}
