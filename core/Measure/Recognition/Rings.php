<?php

declare(strict_types=1);

namespace Cubo\Measure\Recognition;

use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;

/**
 * Rings among the facets of a mesh, whole ones and rounds along circular edges: a facet and what lies around it give a first
 * torus, which grows over every facet whose corners lie on it.
 *
 * @phpstan-type V array{float,float,float}
 *
 * @phpstan-import-type Ring from RingFit
 */
final class Rings
{
    private const LEAST = 12;

    /** Corners may lie this share of the tube's radius off at the most, along a rim with another face RIM. */
    private const OFF = 2e-3;

    private const RIM = 2e-2;

    /** Nor more than this share of how far the smaller facets stay below it: to few corners a ring can always be laid. */
    private const RISE = 0.15;

    /** What files in single precision leave of a corner, as a share of the ring. */
    private const NOISE = 1e-5;

    /** Facets a ring is fitted to at the most. */
    private const MOST = 400;

    /** First facets that are tried in vain; a free surface would be tried everywhere. */
    private const TRIES = 150;

    private function __construct(private readonly FacetGraph $graph) {}

    /**
     * @param array<int, true> $taken facets that are something else
     * @return list<array{Surface, list<int>}>
     */
    public static function in(FacetGraph $graph, array $taken): array
    {
        $r = new self($graph);
        $out = [];
        // what fits exactly first: along a rim corners lie a little off, and a ring laid through them is not quite the right one
        foreach ([true, false] as $exact) {
            $tried = [];
            $left = self::TRIES;
            foreach ($graph->normal as $seed => $_) {
                if ($left === 0) {
                    break;
                }
                if (isset($taken[$seed]) || isset($tried[$seed]) || !$graph->isSmall($seed)) {
                    continue;
                }
                $patch = $r->around($seed, $taken);
                if (count($patch) < self::LEAST) {
                    continue;
                }
                // flats, cylinders and cones are not tried, so they are not counted
                $bulges = $graph->bulges($patch);
                $ring = $bulges ? $r->fit($patch, $exact) : null;
                if ($ring === null) {
                    $left -= $bulges ? 1 : 0;
                    $tried += array_fill_keys(array_slice($patch, 0, self::LEAST / 2), true);

                    continue;
                }
                $members = $r->grow($patch, $ring, $taken, 2 * $ring['within']);
                // over more of it the fit is better
                $ring = $r->fit(array_slice($members, 0, self::MOST), $exact) ?? $ring;
                $members = $r->grow($members, $ring, $taken, 2 * $ring['within']);
                $members = $r->grow(
                    [...$members, ...$r->elsewhere($ring, $taken + array_fill_keys($members, true))],
                    $ring,
                    $taken,
                    self::RIM * $ring['tube'],
                );
                $taken += array_fill_keys($members, true);
                $out[] = [Surface::torus('', $ring['centre'], $ring['axis'], $ring['radius'], $ring['tube']), $members];
            }
        }

        return $out;
    }

    /**
     * @param array<int, true> $taken
     * @return list<int> the facet and the nearest ones that follow it smoothly
     */
    private function around(int $seed, array $taken): array
    {
        $out = [$seed => true];
        for ($queue = [$seed]; $queue !== [] && count($out) < self::LEAST; ) {
            foreach ($this->graph->bordersOf(array_shift($queue)) as $h) {
                $o = $this->graph->across($h);
                if (
                    !isset($out[$o]) &&
                    !isset($taken[$o]) &&
                    $this->graph->isSmall($o) &&
                    $this->graph->turn($h) > FacetGraph::TURN &&
                    $this->graph->turn($h) < 1 - 1e-7
                ) {
                    $out[$o] = true;
                    $queue[] = $o;
                }
            }
        }

        return array_keys($out);
    }

    /**
     * @param list<int> $facets
     * @return array{centre: V, axis: V, radius: float, tube: float, within: float}|null where every corner lies on it, and it bends both ways
     */
    private function fit(array $facets, bool $exact): ?array
    {
        $points = $normals = [];
        foreach ($facets as $f) {
            $sum = [0.0, 0.0, 0.0];
            foreach ($this->graph->bordersOf($f) as $h) {
                $v = $this->graph->mesh->start[$h];
                $points[$v] = $this->graph->corner($v);
                $sum = Vector::add($sum, $points[$v]);
            }
            $n = count($this->graph->bordersOf($f));
            $normals[] = [[$sum[0] / $n, $sum[1] / $n, $sum[2] / $n], $this->graph->normal[$f]];
        }
        $ring = RingFit::of(array_values($points), $normals);
        // the ring of a ball has no radius, that of a cylinder no end
        if ($ring === null || $ring['radius'] < 0.05 * $ring['tube'] || $ring['radius'] > 500 * $ring['tube']) {
            return null;
        }
        $rise = array_map(static fn(array $n): float => abs(RingFit::off($ring, $n[0])), $normals);
        sort($rise);
        $noise = self::NOISE * ($ring['radius'] + $ring['tube']);
        $within = $exact ? $noise : min(self::OFF * $ring['tube'], max(self::RISE * $rise[intdiv(count($rise), 10)], $noise));
        $turns = [];
        foreach ($points as $p) {
            if (abs(RingFit::off($ring, $p)) > $within) {
                return null;
            }
            $d = Vector::sub($p, $ring['centre']);
            $z = Vector::dot($d, $ring['axis']);
            $turns[] = atan2($z, Vector::length(Vector::add($d, $ring['axis'], -$z)) - $ring['radius']);
        }

        return self::bends($turns) ? $ring + ['within' => $within] : null;
    }

    /**
     * Whether the points lie at four places of the tube's round at the least: through three a circle can always be laid.
     *
     * @param list<float> $turns
     */
    private static function bends(array $turns): bool
    {
        $at = array_unique(array_map(static fn(float $t): int => (int) round($t * 200), $turns));
        sort($at);
        $n = 1;
        for ($i = 1; $i < count($at); $i++) {
            $n += $at[$i] - $at[$i - 1] > 4 ? 1 : 0;
        }

        return $n >= 4;
    }

    /**
     * @param list<int> $from
     * @param Ring $ring
     * @param array<int, true> $taken
     * @param float $off mm
     * @return list<int>
     */
    private function grow(array $from, array $ring, array $taken, float $off): array
    {
        $members = array_fill_keys($from, true);
        for ($stack = $from; $stack !== []; ) {
            foreach ($this->graph->bordersOf(array_pop($stack)) as $h) {
                $o = $this->graph->across($h);
                if (
                    !isset($members[$o]) &&
                    !isset($taken[$o]) &&
                    $this->graph->isSmall($o) &&
                    $this->graph->turn($h) > FacetGraph::TURN - 0.05 &&
                    $this->lies($o, $ring, $off)
                ) {
                    $members[$o] = true;
                    $stack[] = $o;
                }
            }
        }

        return array_keys($members);
    }

    /**
     * Pieces of the same ring that other faces have cut off from it.
     *
     * @param Ring $ring
     * @param array<int, true> $taken
     * @return list<int>
     */
    private function elsewhere(array $ring, array $taken): array
    {
        $out = [];
        foreach ($this->graph->all() as $f) {
            if (
                !isset($taken[$f]) &&
                isset($this->graph->borders[$f]) &&
                $this->graph->isSmall($f) &&
                $this->lies($f, $ring, self::RIM * $ring['tube'])
            ) {
                $out[] = $f;
            }
        }

        return $out;
    }

    /** @param Ring $ring */
    private function lies(int $f, array $ring, float $off): bool
    {
        $middle = [0.0, 0.0, 0.0];
        $borders = $this->graph->bordersOf($f);
        foreach ($borders as $h) {
            $p = $this->graph->corner($this->graph->mesh->start[$h]);
            if (abs(RingFit::off($ring, $p)) > $off) {
                return false;
            }
            $middle = Vector::add($middle, $p, 1 / count($borders));
        }

        // a facet that cuts deep through the ring is a flat that is bordered by it
        return abs(RingFit::off($ring, $middle)) < 0.1 * $ring['tube'];
    }
}
