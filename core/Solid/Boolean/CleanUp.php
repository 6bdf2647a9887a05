<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Solid\Solid;

/**
 * Tidies the result of a boolean around its new triangles: neighbouring facets of one plane and one true surface
 * become one, vertices and triangles without need disappear (Simplification), and places where the solid touches
 * itself are taken apart (Seams). Every change keeps the mesh closed.
 */
final class CleanUp
{
    /** Planes that differ by more than this are not one; normals, and offsets as a share of the part's size. */
    private const SAME_PLANE = 2e-12;

    /**
     * @param array<int, true> $facets old facets that may continue in others
     * @param array<int, string> $surfaceKeys by surface: what equal ones have in common, where facets may continue in others at all
     * @param bool $narrow the mesh may have sides without length
     */
    public static function run(
        Solid $mesh,
        OperandPair $pair,
        int $whole,
        float $eps,
        float $size,
        array $facets,
        array $surfaceKeys,
        bool $narrow,
    ): Solid {
        $m = new WorkingMesh($mesh, $pair, $whole, $eps);
        self::unifyFacets($m, $facets, $surfaceKeys, $size);
        if ($narrow) {
            Seams::weldOnly($m);
        }
        Simplification::run($m);
        Seams::run($m);

        return Compaction::run($m);
    }

    /**
     * @param array<int, true> $facets
     * @param array<int, string> $surfaceKeys
     */
    private static function unifyFacets(WorkingMesh $m, array $facets, array $surfaceKeys, float $size): void
    {
        $pair = $m->pair;
        for ($t = $m->whole, $n = count($m->facet); $t < $n; $t++) {
            if (isset($surfaceKeys[$pair->fSurface[$m->facet[$t]]])) {
                $facets[$m->facet[$t]] = true;
            }
        }
        $known = $map = [];
        foreach ($facets as $f => $_) {
            $s = $pair->fSurface[$f];
            $nx = $pair->fx[$f];
            $ny = $pair->fy[$f];
            $nz = $pair->fz[$f];
            $d = $pair->fd[$f];
            $key =
                round($nx * 1e7) +
                0.0 .
                '|' .
                (round($ny * 1e7) + 0.0) .
                '|' .
                (round($nz * 1e7) + 0.0) .
                '|' .
                (round($d * 1e7) + 0.0) .
                '|' .
                $surfaceKeys[$s];
            foreach ($known[$key] ?? [] as $g) {
                if (
                    abs($pair->fx[$g] - $nx) + abs($pair->fy[$g] - $ny) + abs($pair->fz[$g] - $nz) <= self::SAME_PLANE &&
                    abs($pair->fd[$g] - $d) <= self::SAME_PLANE * $size
                ) {
                    $map[$f] = $g;
                    break;
                }
            }
            if (!isset($map[$f])) {
                $known[$key][] = $f;
            }
        }
        if ($map !== []) {
            foreach ($m->facet as $t => $f) {
                if (isset($map[$f])) {
                    $m->facet[$t] = $map[$f];
                }
            }
        }
    }
}
