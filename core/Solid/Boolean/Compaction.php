<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Solid\Solid;

/**
 * Closes the gaps a boolean leaves in its arrays: what stands last moves into the places of triangles, vertices and
 * facets that have gone, so that the work grows with what changed and the rest is copied as it is.
 */
final class Compaction
{
    /** The result with its own vertices, facets and surfaces only. */
    public static function run(WorkingMesh $m): Solid
    {
        $out = new Solid($m->x, $m->y, $m->z, $m->start, $m->twin, $m->facet);
        self::triangles($out);
        self::vertices($out);
        self::facets($out, $m->pair);

        return $out;
    }

    private static function triangles(Solid $s): void
    {
        $start = $s->start;
        $twin = $s->twin;
        $facet = $s->facet;
        $last = count($facet) - 1;
        foreach ($s->facet as $t => $f) {
            if ($f >= 0) {
                continue;
            }
            while ($last > $t && $facet[$last] < 0) {
                $last--;
            }
            if ($last <= $t) {
                break;
            }
            $facet[$t] = $facet[$last];
            $to = 3 * $t;
            $from = 3 * $last;
            $start[$to] = $start[$from];
            $start[$to + 1] = $start[$from + 1];
            $start[$to + 2] = $start[$from + 2];
            for ($k = 0; $k < 3; $k++) {
                $o = $twin[$from + $k];
                $twin[$to + $k] = $o;
                $twin[$o] = $to + $k;
            }
            $last--;
        }
        while ($last >= 0 && $facet[$last] < 0) {
            $last--;
        }
        $s->facet = array_slice($facet, 0, $last + 1);
        $s->start = array_slice($start, 0, 3 * ($last + 1));
        $s->twin = array_slice($twin, 0, 3 * ($last + 1));
    }

    private static function vertices(Solid $s): void
    {
        [$moves, $many] = self::moves($s->start, count($s->x));
        foreach ($moves as $from => $to) {
            $s->x[$to] = $s->x[$from];
            $s->y[$to] = $s->y[$from];
            $s->z[$to] = $s->z[$from];
        }
        $s->x = array_slice($s->x, 0, $many);
        $s->y = array_slice($s->y, 0, $many);
        $s->z = array_slice($s->z, 0, $many);
        $s->start = self::renumbered($s->start, $moves, $many);
    }

    private static function facets(Solid $s, OperandPair $pair): void
    {
        [$moves, $many] = self::moves($s->facet, count($pair->fx));
        $s->facet = self::renumbered($s->facet, $moves, $many);
        $nx = $pair->fx;
        $ny = $pair->fy;
        $nz = $pair->fz;
        $offset = $pair->fd;
        $surface = $pair->fSurface;
        foreach ($moves as $from => $to) {
            $nx[$to] = $nx[$from];
            $ny[$to] = $ny[$from];
            $nz[$to] = $nz[$from];
            $offset[$to] = $offset[$from];
            $surface[$to] = $surface[$from];
        }
        $s->nx = array_slice($nx, 0, $many);
        $s->ny = array_slice($ny, 0, $many);
        $s->nz = array_slice($nz, 0, $many);
        $s->offset = array_slice($offset, 0, $many);
        $surface = array_slice($surface, 0, $many);
        [$moves, $many] = self::moves($surface, count($pair->surfaces));
        $s->surfaceOf = self::renumbered($surface, $moves, $many);
        $surfaces = $pair->surfaces;
        foreach ($moves as $from => $to) {
            $surfaces[$to] = $surfaces[$from];
        }
        $s->surfaces = array_slice($surfaces, 0, $many);
    }

    /**
     * Which numbers below the count of those in use are free, and which above it move there.
     *
     * @param array<int, int> $uses numbers below $limit
     * @return array{array<int, int>, int} old number => new number, count of numbers in use
     */
    private static function moves(array $uses, int $limit): array
    {
        $used = array_fill(0, $limit, false);
        foreach ($uses as $n) {
            $used[$n] = true;
        }
        $moves = [];
        $last = $limit - 1;
        foreach ($used as $n => $is) {
            if ($n > $last) {
                break;
            }
            if ($is) {
                continue;
            }
            while ($last > $n && !$used[$last]) {
                $last--;
            }
            if ($last > $n) {
                $moves[$last--] = $n;
            } else {
                $last = $n - 1;
            }
        }

        return [$moves, $last + 1];
    }

    /**
     * @param array<int, int> $uses
     * @param array<int, int> $moves
     * @param int $many numbers from here on have moved
     * @return array<int, int>
     */
    private static function renumbered(array $uses, array $moves, int $many): array
    {
        if ($moves !== []) {
            foreach ($uses as $i => $n) {
                if ($n >= $many) {
                    $uses[$i] = $moves[$n];
                }
            }
        }

        return $uses;
    }
}
