<?php

declare(strict_types=1);

namespace Cubo\Measure\Recognition;

use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;

/**
 * Spheres among the facets of a mesh: a facet and its neighbours give a first sphere (least squares over their corners),
 * which grows over every facet whose corners lie on it.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Balls
{
    private const LEAST = 12;

    /** Corners may lie this share of the radius off. */
    private const OFF = 1e-3;

    private const RIM = 6e-3;

    /** Nor more than this share of how far the smaller facets stay below it: through few circles a ball can nearly be laid. */
    private const RISE = 0.15;

    /** What files in single precision leave of a corner, as a share of the radius. */
    private const NOISE = 2e-5;

    private function __construct(private readonly FacetGraph $graph) {}

    /**
     * @param array<int, true> $taken facets that are something else
     * @return list<array{Surface, list<int>}>
     */
    public static function in(FacetGraph $graph, array $taken): array
    {
        $b = new self($graph);
        $out = [];
        // what fits exactly first: along a rim corners lie a little off, and a ball laid through them is not quite the right one
        foreach ([true, false] as $exact) {
            $tried = [];
            foreach ($graph->normal as $seed => $_) {
                if (isset($taken[$seed]) || isset($tried[$seed]) || !$graph->isSmall($seed)) {
                    continue;
                }
                $first = $b->around($seed, $taken);
                $ball = count($first) < 4 ? null : $b->fit($first, $exact);
                if ($ball === null) {
                    continue;
                }
                // a flat and the narrow cone along its rim lie on a ball as well: only small facets count at first
                $members = $b->grow([$seed], $ball, $taken, 2 * $ball[2], true);
                $fit =
                    count($members) < self::LEAST || !$graph->bulges($members) || $b->isBelt($members) ? null : $b->fit($members, $exact);
                if ($fit === null) {
                    $tried += array_fill_keys($members, true);

                    continue;
                }
                // along a rim with another face the corners may lie on chords of it
                $members = $b->grow(
                    [...$members, ...$b->elsewhere($fit, $taken + array_fill_keys($members, true))],
                    $fit,
                    $taken,
                    self::RIM * $fit[1],
                    false,
                );
                $taken += array_fill_keys($members, true);
                $out[] = [Surface::sphere('', $fit[0], $fit[1]), $members];
            }
        }

        return $out;
    }

    /**
     * @param array<int, true> $taken
     * @return list<int> the facet and those beside it that lean a little
     */
    private function around(int $seed, array $taken): array
    {
        $out = [$seed => true];
        foreach ($this->graph->bordersOf($seed) as $h) {
            $o = $this->graph->across($h);
            if (!isset($taken[$o]) && $this->graph->isSmall($o) && $this->graph->turn($h) > FacetGraph::TURN - 0.02) {
                $out[$o] = true;
            }
        }

        return array_keys($out);
    }

    /**
     * @param list<int> $facets
     * @return array{V, float, float}|null centre, radius and how near the corners must be, when every one of them is
     */
    private function fit(array $facets, bool $exact): ?array
    {
        $points = [];
        foreach ($facets as $f) {
            foreach ($this->graph->bordersOf($f) as $h) {
                $v = $this->graph->mesh->start[$h];
                $points[$v] = $this->graph->corner($v);
            }
        }
        $n = count($points);
        if ($n < 5) {
            return null;
        }
        $c = [array_sum(array_column($points, 0)) / $n, array_sum(array_column($points, 1)) / $n, array_sum(array_column($points, 2)) / $n];
        // 2 d.m = d.d - mean(d.d), d from the middle of the points
        $m = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        $r = [0.0, 0.0, 0.0];
        $mean = 0.0;
        foreach ($points as $p) {
            $d = Vector::sub($p, $c);
            $q = Vector::dot($d, $d);
            $mean += $q / $n;
            for ($i = 0; $i < 3; $i++) {
                $r[$i] += $d[$i] * $q;
                for ($j = 0; $j < 3; $j++) {
                    $m[$i][$j] += 2 * $d[$i] * $d[$j];
                }
            }
        }
        $det = Vector::dot($m[0], Vector::cross($m[1], $m[2]));
        $scale = ($m[0][0] + $m[1][1] + $m[2][2]) / 3;
        if (abs($det) < 1e-9 * $scale ** 3) {
            return null;
        }
        // rows of a symmetric matrix are its columns
        $x = [
            Vector::dot($r, Vector::cross($m[1], $m[2])) / $det,
            Vector::dot($m[0], Vector::cross($r, $m[2])) / $det,
            Vector::dot($m[0], Vector::cross($m[1], $r)) / $det,
        ];
        $radius = sqrt($mean + Vector::dot($x, $x));
        $centre = Vector::add($c, $x);
        $rise = array_map(
            fn(int $f): float => $radius - abs(Vector::dot($this->graph->normal[$f], $centre) - $this->graph->offset[$f]),
            $facets,
        );
        sort($rise);
        $within = $exact
            ? self::NOISE * $radius
            : min(self::OFF * $radius, max(self::RISE * $rise[intdiv(count($rise), 10)], self::NOISE * $radius));
        foreach ($points as $p) {
            if (abs(Vector::distance($p, $centre) - $radius) > $within) {
                return null;
            }
        }

        return [$centre, $radius, $within];
    }

    /**
     * @param list<int> $from
     * @param array{V, float, float} $ball
     * @param array<int, true> $taken
     * @param float $off mm
     * @return list<int>
     */
    private function grow(array $from, array $ball, array $taken, float $off, bool $small): array
    {
        $g = $this->graph;
        $members = array_fill_keys($from, true);
        for ($stack = $from; $stack !== []; ) {
            $f = array_pop($stack);
            foreach ($g->bordersOf($f) as $h) {
                $o = $g->across($h);
                if (!isset($members[$o]) && !isset($taken[$o]) && (!$small || $g->isSmall($o)) && $this->lies($o, $ball, $off)) {
                    $members[$o] = true;
                    $stack[] = $o;
                }
            }
        }

        return array_keys($members);
    }

    /**
     * Whether all corners lie on three circles about one axis: a ball can nearly be laid through two strips of any round.
     *
     * @param list<int> $facets
     */
    private function isBelt(array $facets): bool
    {
        $normals = $points = [];
        foreach ($facets as $f) {
            $borders = $this->graph->bordersOf($f);
            $middle = [0.0, 0.0, 0.0];
            foreach ($borders as $h) {
                $v = $this->graph->mesh->start[$h];
                $points[$v] = $this->graph->corner($v);
                $middle = Vector::add($middle, $points[$v], 1 / count($borders));
            }
            $normals[] = [$middle, $this->graph->normal[$f]];
        }
        $axis = RingFit::axis($normals);
        if ($axis === null) {
            return false;
        }
        $heights = array_map(static fn(array $p): float => Vector::dot(Vector::sub($p, $axis[0]), $axis[1]), array_values($points));
        sort($heights);
        $least = 1e-3 * ($heights[count($heights) - 1] - $heights[0]);
        $n = 1;
        for ($i = 1; $i < count($heights); $i++) {
            $n += $heights[$i] - $heights[$i - 1] > $least ? 1 : 0;
        }

        return $n < 4;
    }

    /**
     * Pieces of the same ball that other faces have cut off from it.
     *
     * @param array{V, float, float} $ball
     * @param array<int, true> $taken
     * @return list<int>
     */
    private function elsewhere(array $ball, array $taken): array
    {
        $out = [];
        foreach ($this->graph->all() as $f) {
            if (
                !isset($taken[$f]) &&
                isset($this->graph->borders[$f]) &&
                $this->graph->isSmall($f) &&
                $this->lies($f, $ball, self::RIM * $ball[1])
            ) {
                $out[] = $f;
            }
        }

        return $out;
    }

    /** @param array{V, float, float} $ball */
    private function lies(int $f, array $ball, float $off): bool
    {
        $g = $this->graph;
        [$centre, $radius] = $ball;
        foreach ($g->bordersOf($f) as $h) {
            if (abs(Vector::distance($g->corner($g->mesh->start[$h]), $centre) - $radius) > $off) {
                return false;
            }
        }
        // a facet that cuts deep through the ball is a flat that is bordered by it
        $deep = abs(Vector::dot($g->normal[$f], $centre) - $g->offset[$f]);

        return $deep > 0.95 * $radius;
    }
}
