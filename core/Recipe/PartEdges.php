<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;
use Cubo\Sketch\EntityKind;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * The edges around a part's flat faces, as far as they are straight or round when seen onto a plane. An edge is known by
 * the names of the two faces that meet in it, which last when sizes change.
 */
final class PartEdges
{
    /** mm: so near counts as the same place */
    private const SAME = 1e-6;

    /** mm: what is within this of a circle is taken for it where no surface says which it is */
    private const ROUND = 1e-5;

    /**
     * @param Transform $plane takes (u, v, height) to (x, y, z)
     * @return array<string, PartEdge> by key
     */
    public static function seenOnto(Solid $part, Transform $plane): array
    {
        $found = [];
        foreach (self::boundaries($part) as $loop) {
            foreach (self::around($part, $loop, $plane) as [$pair, $begin, $edge]) {
                $found[$pair][] = [$begin, $edge];
            }
        }
        $out = [];
        foreach ($found as $pair => $list) {
            // several edges between the same two faces are counted in the order of where they begin
            usort($list, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
            foreach ($list as $i => [, $edge]) {
                $key = $pair . '|' . ($i + 1);
                if ($edge !== null) {
                    $out[$key] = new PartEdge($key, $edge->face, $edge->kind, $edge->points, $edge->size);
                }
            }
        }

        return $out;
    }

    /**
     * The edges along one closed run around a flat face. Corners are where the true edges meet, not where their facets do.
     *
     * @param list<int> $loop half-edges
     * @return list<array{string, array{float,float,float}, PartEdge|null}> names of both faces, where it begins, how it is seen
     */
    private static function around(Solid $part, array $loop, Transform $plane): array
    {
        $f = $part->facet[intdiv($loop[0], 3)];
        $own = FacePlane::facet($part, $f);
        $place = static fn (int $v): array => [$part->x[$v], $part->y[$v], $part->z[$v]];
        $runs = [];
        foreach (self::split($part, $loop) as [$first, $vertices, $closed]) {
            $other = $part->surfaceOfTriangle(intdiv($part->twin[$first], 3));
            $p = array_map(static fn (int $v): array => self::onto($own, $place($v)), $vertices);
            $runs[] = [$part->surfaceOfTriangle(intdiv($first, 3))->name, $other, $p, $closed, self::circle($other, $part, $f, $own) ?? self::through($p, $closed), $place($vertices[0])];
        }
        $n = count($runs);
        $corners = [];
        foreach ($runs as $i => [, , $p, $closed, $circle]) {
            [, , $before, , $circleBefore] = $runs[($i + $n - 1) % $n];
            $corners[] = $closed ? $p[0] : self::corner($p[0], [$before[0], $before[count($before) - 1]], $circleBefore, [$p[0], $p[count($p) - 1]], $circle);
        }
        $level = abs($plane->r[2] * $own->r[2] + $plane->r[5] * $own->r[5] + $plane->r[8] * $own->r[8]) > 1 - 1e-9;
        $seen = static fn (array $q): array => self::onto($plane, $own->point([$q[0], $q[1], 0.0]));
        $out = [];
        foreach ($runs as $i => [$face, $other, $p, $closed, $circle, $begin]) {
            [$a, $b] = [$corners[$i], $closed ? $corners[$i] : $corners[($i + 1) % $n]];
            $edge = null;
            if ($circle !== null && $level) {
                $turn = $plane->r[2] * $own->r[2] + $plane->r[5] * $own->r[5] + $plane->r[8] * $own->r[8] > 0;
                // an arc runs counter-clockwise as it is seen
                $ccw = ($p[0][0] - $circle[0][0]) * ($p[1][1] - $circle[0][1]) - ($p[0][1] - $circle[0][1]) * ($p[1][0] - $circle[0][0]) > 0;
                $ends = $ccw === $turn ? [$a, $b] : [$b, $a];
                $edge = $closed ? new PartEdge('', $face, EntityKind::Circle, [$seen($circle[0])], $circle[1]) : new PartEdge('', $face, EntityKind::Arc, array_map($seen, [$circle[0], ...$ends]), $circle[1]);
            } elseif ($circle === null && ! $closed && self::straight($p)) {
                [$from, $to] = [$seen($a), $seen($b)];
                $edge = hypot($to[0] - $from[0], $to[1] - $from[1]) < self::SAME ? null : new PartEdge('', $face, EntityKind::Line, [$from, $to]);
            }
            $out[] = ["$face|$other->name", [round($begin[0], 4) + 0.0, round($begin[1], 4) + 0.0, round($begin[2], 4) + 0.0], $edge];
        }

        return $out;
    }

    /**
     * Where two edges of a face meet, next to where their facets do.
     *
     * @param array{float,float} $near
     * @param array{array{float,float}, array{float,float}} $line both ends of the first as its facets have them
     * @param array{array{float,float}, float}|null $round its circle, if it is round
     * @param array{array{float,float}, array{float,float}} $line2
     * @param array{array{float,float}, float}|null $round2
     * @return array{float,float}
     */
    private static function corner(array $near, array $line, ?array $round, array $line2, ?array $round2): array
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
        $off = static fn (array $q): float => hypot($q[0] - $near[0], $q[1] - $near[1]);

        return $off($both[0]) < $off($both[1]) ? $both[0] : $both[1];
    }

    /** @return list<list<int>> closed runs of half-edges around flat faces */
    private static function boundaries(Solid $part): array
    {
        $flat = array_map(static fn (Surface $s): bool => $s->isFlat(), $part->surfaces);
        $bounds = static function (int $h) use ($part, $flat): bool {
            [$f, $g] = [$part->facet[intdiv($h, 3)], $part->facet[intdiv($part->twin[$h], 3)]];

            // faces in one plane run on into each other
            return $flat[$part->surfaceOf[$f]] && $f !== $g && ! ($flat[$part->surfaceOf[$g]] && $part->nx[$f] * $part->nx[$g] + $part->ny[$f] * $part->ny[$g] + $part->nz[$f] * $part->nz[$g] > 1 - 1e-12);
        };
        $seen = $loops = [];
        foreach ($part->twin as $h => $_) {
            if (isset($seen[$h]) || ! $bounds($h)) {
                continue;
            }
            $loop = [];
            for ($e = $h; ! isset($seen[$e]);) {
                $seen[$e] = true;
                $loop[] = $e;
                // around the end of the edge, through the triangles of the face, to where the face ends again
                $e = self::next($e);
                while (! $bounds($e)) {
                    $e = self::next($part->twin[$e]);
                }
            }
            $loops[] = $loop;
        }

        return $loops;
    }

    private static function next(int $h): int
    {
        return $h % 3 === 2 ? $h - 2 : $h + 1;
    }

    /**
     * @param list<int> $loop
     * @return list<array{int, list<int>, bool}> first half-edge, vertices, whether it closes
     */
    private static function split(Solid $part, array $loop): array
    {
        $n = count($loop);
        $name = static fn (int $h): string => $part->surfaceOfTriangle(intdiv($h, 3))->name;
        $beyond = array_map(static fn (int $h): string => $name($h) . '|' . $name($part->twin[$h]), $loop);
        $breaks = array_values(array_filter(range(0, $n - 1), static fn (int $i): bool => $beyond[$i] !== $beyond[($i + $n - 1) % $n]
            || $part->surfaceOfTriangle(intdiv($part->twin[$loop[$i]], 3))->isFlat() && self::turns($part, $loop[($i + $n - 1) % $n], $loop[$i])));
        if ($breaks === []) {
            $vertices = array_map(static fn (int $h): int => $part->start[$h], $loop);

            return [[$loop[0], [...$vertices, $vertices[0]], true]];
        }
        $out = [];
        foreach ($breaks as $k => $from) {
            $to = $breaks[$k + 1] ?? $breaks[0] + $n;
            $vertices = [];
            for ($i = $from; $i <= $to; $i++) {
                $vertices[] = $part->start[$loop[$i % $n]];
            }
            $out[] = [$loop[$from], $vertices, false];
        }

        return $out;
    }

    private static function turns(Solid $part, int $before, int $h): bool
    {
        [$a, $b, $c] = [$part->start[$before], $part->start[$h], $part->start[self::next($h)]];
        $d = [$part->x[$b] - $part->x[$a], $part->y[$b] - $part->y[$a], $part->z[$b] - $part->z[$a]];
        $e = [$part->x[$c] - $part->x[$b], $part->y[$c] - $part->y[$b], $part->z[$c] - $part->z[$b]];
        $dot = $d[0] * $e[0] + $d[1] * $e[1] + $d[2] * $e[2];

        return $dot < (1 - 1e-9) * sqrt(($d[0] ** 2 + $d[1] ** 2 + $d[2] ** 2) * ($e[0] ** 2 + $e[1] ** 2 + $e[2] ** 2));
    }

    /**
     * @param array{float,float,float} $p
     * @return array{float,float}
     */
    private static function onto(Transform $plane, array $p): array
    {
        $r = $plane->r;
        [$x, $y, $z] = [$p[0] - $plane->t[0], $p[1] - $plane->t[1], $p[2] - $plane->t[2]];

        return [$r[0] * $x + $r[3] * $y + $r[6] * $z, $r[1] * $x + $r[4] * $y + $r[7] * $z];
    }

    /** @param list<array{float,float}> $p */
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
     * The circle in which a flat face cuts a round surface, where its axis stands upright on the face or it is a ball.
     *
     * @param int $f facet of the face
     * @return array{array{float,float}, float}|null
     */
    private static function circle(Surface $s, Solid $part, int $f, Transform $plane): ?array
    {
        $n = [$part->nx[$f], $part->ny[$f], $part->nz[$f]];
        $along = $s->axis[0] * $n[0] + $s->axis[1] * $n[1] + $s->axis[2] * $n[2];
        $height = $part->offset[$f] - ($s->point[0] * $n[0] + $s->point[1] * $n[1] + $s->point[2] * $n[2]);
        $radius = match (true) {
            $s->kind === SurfaceKind::Sphere => sqrt(max(0.0, $s->radius ** 2 - $height ** 2)),
            abs($along) < 1 - 1e-9 => null,
            $s->kind === SurfaceKind::Cylinder => $s->radius,
            $s->kind === SurfaceKind::Cone => abs($s->radius + $s->slope * $height * $along),
            default => null,
        };

        return $radius === null || $radius < self::SAME ? null : [self::onto($plane, $s->point), $radius];
    }

    /**
     * The circle that a run of places lies on; its ends, which lie on facets, are left out.
     *
     * @param list<array{float,float}> $p
     * @return array{array{float,float}, float}|null
     */
    private static function through(array $p, bool $closed): ?array
    {
        $p = $closed ? array_slice($p, 1) : array_slice($p, 1, -1);
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
