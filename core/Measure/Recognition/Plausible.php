<?php

declare(strict_types=1);

namespace Cubo\Measure\Recognition;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Measure\PartMeasures;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;

/**
 * Whether faces that were found in a mesh can be what they are taken for. A mesher cuts a round face into facets that bulge
 * alike: one that would bulge many times more than its neighbours is a flat between two rounds, whose first facets lie on a
 * wide circle with it. And no part may become larger or smaller than its facets by more than its rounds bulge.
 */
final class Plausible
{
    /** A facet twice as wide as another bulges four times as much; ends that were cut off are narrower. */
    private const MOST_UNLIKE = 8.0;

    /** Share of the facets, by how much they bulge, that the others are compared with. */
    private const USUAL = 0.6;

    /** Rounding, mm and as a share. */
    private const ROUNDING = 1e-6;

    /**
     * Facets of a face that cannot be its.
     *
     * @param list<int> $facets
     * @return list<int>
     */
    public static function strangers(FacetGraph $graph, Surface $surface, array $facets): array
    {
        $bulge = self::bulges($graph->mesh, $surface, array_intersect_key($graph->triangles, array_fill_keys($facets, true)));
        $sorted = array_values($bulge);
        sort($sorted);
        $usual = $sorted[(int) floor(self::USUAL * (count($sorted) - 1))] ?? 0.0;

        return array_keys(array_filter($bulge, static fn(float $b): bool => $b > self::MOST_UNLIKE * $usual + self::ROUNDING));
    }

    /**
     * Whether box, volume and surface of a part with round faces are those of its facets, up to what those faces bulge.
     *
     * @param float $share of the faces' surface by which it may grow: a chord is shorter than its arc
     *
     * @throws OverBudget
     */
    public static function holds(Solid $mesh, Solid $known, Budget $budget = new Budget(), float $share = 0.05): bool
    {
        $areas = $deep = [];
        $surfaces = [];
        foreach ($known->facet as $t => $f) {
            $i = $known->surfaceOf[$f];
            if (!$known->surfaces[$i]->isFlat()) {
                $surfaces[$i][$f][] = $t;
                $areas[$i] = ($areas[$i] ?? 0.0) + self::area($known, $t);
            }
        }
        foreach ($surfaces as $i => $facets) {
            $deep[$i] = max(0.0, ...array_values(self::bulges($known, $known->surfaces[$i], $facets)));
        }
        [$raw, $now] = [new PartMeasures($mesh, $budget), new PartMeasures($known, $budget)];
        $most = $deep === [] ? 0.0 : max($deep);
        [$a, $b] = [$raw->bounds(), $now->bounds()];
        for ($k = 0; $k < 3; $k++) {
            $round = self::ROUNDING * (1 + abs($a->max[$k]) + abs($a->min[$k]));
            if (abs($a->min[$k] - $b->min[$k]) > $most + $round || abs($a->max[$k] - $b->max[$k]) > $most + $round) {
                return false;
            }
        }
        $volume = array_sum(array_map(static fn(float $area, float $d): float => $area * $d, $areas, $deep));
        $area = $share * array_sum($areas);
        [$v, $w] = [$raw->mass(), $now->mass()];

        return abs($v->volume - $w->volume) <= $volume + self::ROUNDING * (1 + abs($v->volume)) &&
            abs($v->area - $w->area) <= $area + self::ROUNDING * (1 + $v->area);
    }

    /**
     * How far the middles of each facet's sides and triangles lie off the surface at the most, mm.
     *
     * @param array<int, list<int>> $facets triangles by facet
     * @return array<int, float> by facet
     */
    private static function bulges(Solid $s, Surface $surface, array $facets): array
    {
        $out = [];
        foreach ($facets as $f => $triangles) {
            $out[$f] = max(array_map(static fn(int $t): float => self::bulge($s, $surface, $t), $triangles));
        }

        return $out;
    }

    /** Of one triangle. */
    private static function bulge(Solid $s, Surface $surface, int $t): float
    {
        $c = [];
        for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
            $v = $s->start[$h];
            $c[] = [$s->x[$v], $s->y[$v], $s->z[$v]];
        }
        $most = 0.0;
        for ($k = 0; $k < 3; $k++) {
            [$p, $q] = [$c[$k], $c[($k + 1) % 3]];
            $most = max($most, abs(SurfaceEquation::distance($surface, [($p[0] + $q[0]) / 2, ($p[1] + $q[1]) / 2, ($p[2] + $q[2]) / 2])));
        }

        return $most;
    }

    private static function area(Solid $s, int $t): float
    {
        [$a, $b, $c] = array_map(static fn(int $h): int => $s->start[$h], [3 * $t, 3 * $t + 1, 3 * $t + 2]);
        $u = [$s->x[$b] - $s->x[$a], $s->y[$b] - $s->y[$a], $s->z[$b] - $s->z[$a]];
        $w = [$s->x[$c] - $s->x[$a], $s->y[$c] - $s->y[$a], $s->z[$c] - $s->z[$a]];

        return sqrt(($u[1] * $w[2] - $u[2] * $w[1]) ** 2 + ($u[2] * $w[0] - $u[0] * $w[2]) ** 2 + ($u[0] * $w[1] - $u[1] * $w[0]) ** 2) / 2;
    }
}
