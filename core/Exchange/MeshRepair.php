<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Geometry\EarClipping;
use Cubo\Geometry\Vector;
use Cubo\Measure\MeshFaults;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;

/**
 * A copy of a mesh with its faults mended, where that is safe: triangles that lie twice are taken once, those that look
 * the wrong way are turned like their neighbours, a surface that is inside out is turned round, and flat gaps are filled.
 * Bent gaps are left: nobody knows what was there.
 */
final class MeshRepair
{
    /** Gaps that are filled, and corners around one. */
    private const MOST_GAPS = 200;

    private const MOST_CORNERS = 2000;

    /** Finer meshes are not mended: it would take more room than a server gives one visitor. */
    public const MOST_TRIANGLES = 120_000;

    /** How far corners of a gap may lie off its plane, as a share of its size. */
    private const FLAT = 1e-3;

    /**
     * @return array{Solid, list<string>}|null the mended mesh and what was done; null when it is sound or cannot be mended
     */
    public static function of(Solid $s): ?array
    {
        if ($s->isEmpty() || $s->triangleCount() > self::MOST_TRIANGLES || MeshFaults::of($s) === []) {
            return null;
        }
        $done = [];
        $corners = [];
        foreach ($s->facet as $t => $_) {
            $c = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $key = $c;
            sort($key);
            $corners[implode(' ', $key)] ??= $c;
        }
        if (count($corners) < $s->triangleCount()) {
            $n = $s->triangleCount() - count($corners);
            $done[] = $n . ($n === 1 ? ' triangle that lay' : ' triangles that lay') . ' twice taken out';
        }
        $corners = array_values($corners);
        $turned = self::turnAlike($corners);
        if ($turned === null) {
            return null;
        }
        if ($turned > 0) {
            $done[] = $turned . ($turned === 1 ? ' triangle' : ' triangles') . ' turned to look outward';
        }
        $filled = self::fillGaps($s, $corners);
        if ($filled === null) {
            return null;
        }
        if ($filled > 0) {
            $done[] = $filled . ($filled === 1 ? ' flat gap' : ' flat gaps') . ' filled';
        }
        $mended = self::solid($s, $corners);
        if (!in_array(-1, $mended->twin, true) && $mended->facettedVolume() < 0) {
            $mended = self::solid($s, array_map(static fn(array $c): array => [$c[0], $c[2], $c[1]], $corners));
            $done[] = 'the surface turned right side out';
        }

        return MeshFaults::of($mended) === [] ? [$mended, $done] : null;
    }

    /**
     * Turns triangles so that neighbours run along their common edge in opposite directions; fewer are turned than stay.
     *
     * @param list<array{int,int,int}> $corners
     * @return int|null how many were turned; null for a surface that cannot be turned alike
     */
    private static function turnAlike(array &$corners): ?int
    {
        $at = [];
        foreach ($corners as $t => $c) {
            for ($k = 0; $k < 3; $k++) {
                [$a, $b] = [$c[$k], $c[($k + 1) % 3]];
                $at[min($a, $b) . ' ' . max($a, $b)][] = [$t, $a < $b];
            }
        }
        $turn = [];
        $total = 0;
        foreach ($corners as $first => $_) {
            if (isset($turn[$first])) {
                continue;
            }
            $turn[$first] = false;
            $shell = [$first];
            for ($stack = [$first]; $stack !== []; ) {
                $t = array_pop($stack);
                for ($k = 0; $k < 3; $k++) {
                    [$a, $b] = [$corners[$t][$k], $corners[$t][($k + 1) % 3]];
                    $both = $at[min($a, $b) . ' ' . max($a, $b)];
                    if (count($both) !== 2) {
                        continue;
                    }
                    [[$p, $pUp], [$q, $qUp]] = $both;
                    $o = $p === $t ? $q : $p;
                    // alike in one direction: one of both must be turned
                    $want = $turn[$t] !== ($pUp === $qUp);
                    if (!isset($turn[$o])) {
                        $turn[$o] = $want;
                        $shell[] = $stack[] = $o;
                    } elseif ($turn[$o] !== $want) {
                        return null;
                    }
                }
            }
            $n = count(array_filter($shell, static fn(int $t): bool => $turn[$t]));
            $flip = 2 * $n > count($shell);
            $total += $flip ? count($shell) - $n : $n;
            foreach ($shell as $t) {
                if ($turn[$t] !== $flip) {
                    $corners[$t] = [$corners[$t][0], $corners[$t][2], $corners[$t][1]];
                }
            }
        }

        return $total;
    }

    /**
     * @param list<array{int,int,int}> $corners
     * @return int|null how many gaps were filled; null when one is not flat, not simple, or there are too many
     */
    private static function fillGaps(Solid $s, array &$corners): ?int
    {
        $half = [];
        foreach ($corners as $c) {
            for ($k = 0; $k < 3; $k++) {
                $half[$c[$k] . ' ' . $c[($k + 1) % 3]] = [$c[$k], $c[($k + 1) % 3]];
            }
        }
        // the way round a gap runs against the triangles beside it
        $next = [];
        foreach ($half as [$a, $b]) {
            if (!isset($half["$b $a"])) {
                if (isset($next[$b])) {
                    return null;
                }
                $next[$b] = $a;
            }
        }
        $loops = self::loops($next);
        if ($loops === null || count($loops) > self::MOST_GAPS) {
            return null;
        }
        foreach ($loops as $loop) {
            $triangles = self::filled($s, $loop);
            if ($triangles === null) {
                return null;
            }
            array_push($corners, ...$triangles);
        }

        return count($loops);
    }

    /**
     * @param array<int, int> $next the corner after each corner, round the gaps
     * @return list<list<int>>|null null when one does not come back to where it began
     */
    private static function loops(array $next): ?array
    {
        $loops = [];
        while ($next !== []) {
            $first = array_key_first($next);
            $loop = [];
            for ($v = $first; isset($next[$v]); $v = $to) {
                $loop[] = $v;
                $to = $next[$v];
                unset($next[$v]);
            }
            if ($v !== $first || count($loop) < 3 || count($loop) > self::MOST_CORNERS) {
                return null;
            }
            $loops[] = $loop;
        }

        return $loops;
    }

    /**
     * @param list<int> $loop
     * @return list<array{int,int,int}>|null
     */
    private static function filled(Solid $s, array $loop): ?array
    {
        $p = array_map(static fn(int $v): array => [$s->x[$v], $s->y[$v], $s->z[$v]], $loop);
        $n = [0.0, 0.0, 0.0];
        foreach ($p as $i => $a) {
            $n = Vector::add($n, Vector::cross(Vector::sub($a, $p[0]), Vector::sub($p[($i + 1) % count($p)], $p[0])));
        }
        $size = sqrt(Vector::length($n));
        if ($size < 1e-9) {
            return null;
        }
        $n = Vector::unit($n);
        foreach ($p as $a) {
            if (abs(Vector::dot(Vector::sub($a, $p[0]), $n)) > self::FLAT * $size) {
                return null;
            }
        }
        $u = Vector::unit(Vector::cross(abs($n[0]) < 0.6 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0], $n));
        $w = Vector::cross($n, $u);
        $at = $to = [];
        foreach ($loop as $i => $v) {
            $at[$v] = Vector::dot($p[$i], $u);
            $to[$v] = Vector::dot($p[$i], $w);
        }

        return EarClipping::fill([$loop], $at, $to);
    }

    /** @param list<array{int,int,int}> $corners */
    private static function solid(Solid $s, array $corners): Solid
    {
        $b = new SolidBuilder();
        $plane = $b->surface(Surface::plane('file:face'));
        foreach ($s->x as $v => $x) {
            $b->vertex($x, $s->y[$v], $s->z[$v]);
        }
        foreach ($corners as [$p, $q, $r]) {
            $b->triangle($p, $q, $r, $b->facetThrough($p, $q, $r, $plane));
        }

        return $b->buildOpen();
    }
}
