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

    private function __construct(private readonly FacetGraph $graph) {}

    /**
     * @param array<int, true> $taken facets that are something else
     * @return list<array{Surface, list<int>}>
     */
    public static function in(FacetGraph $graph, array $taken): array
    {
        $b = new self($graph);
        $out = $tried = [];
        foreach ($graph->normal as $seed => $_) {
            if (isset($taken[$seed]) || isset($tried[$seed]) || ! $graph->isSmall($seed)) {
                continue;
            }
            $first = $b->around($seed, $taken);
            $ball = count($first) < 4 ? null : $b->fit($first);
            if ($ball === null) {
                continue;
            }
            // a flat and the narrow cone along its rim lie on a ball as well: only small facets count at first
            $members = $b->grow([$seed], $ball, $taken, 2 * self::OFF, true);
            $fit = count($members) < self::LEAST || ! $b->bulges($members) ? null : $b->fit($members);
            if ($fit === null) {
                $tried += array_fill_keys($members, true);

                continue;
            }
            // along a rim with another face the corners may lie on chords of it
            $members = $b->grow($members, $fit, $taken, self::RIM, false);
            $taken += array_fill_keys($members, true);
            $out[] = [Surface::sphere('', $fit[0], $fit[1]), $members];
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
        foreach ($this->graph->borders[$seed] ?? [] as $h) {
            $o = $this->graph->across($h);
            if (! isset($taken[$o]) && $this->graph->isSmall($o) && $this->graph->turn($h) > Cylinders::TURN - 0.02) {
                $out[$o] = true;
            }
        }

        return array_keys($out);
    }

    /**
     * Whether it bends in two directions: the corners of a short cylinder or of a cone lie on a ball as well, but all
     * their normals lie on one circle.
     *
     * @param list<int> $facets
     */
    private function bulges(array $facets): bool
    {
        $n = count($facets);
        $mean = [0.0, 0.0, 0.0];
        foreach ($facets as $f) {
            $mean = Vector::add($mean, $this->graph->normal[$f], 1 / $n);
        }
        $c = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        foreach ($facets as $f) {
            $d = Vector::sub($this->graph->normal[$f], $mean);
            for ($i = 0; $i < 3; $i++) {
                for ($j = 0; $j < 3; $j++) {
                    $c[$i][$j] += $d[$i] * $d[$j] / $n;
                }
            }
        }

        return Vector::dot($c[0], Vector::cross($c[1], $c[2])) > 1e-9;
    }

    /**
     * @param list<int> $facets
     * @return array{V, float}|null centre and radius, when every corner lies on it
     */
    private function fit(array $facets): ?array
    {
        $points = [];
        foreach ($facets as $f) {
            foreach ($this->graph->borders[$f] ?? [] as $h) {
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
        foreach ($points as $p) {
            if (abs(Vector::distance($p, $centre) - $radius) > self::OFF * $radius) {
                return null;
            }
        }

        return [$centre, $radius];
    }

    /**
     * @param list<int> $from
     * @param array{V, float} $ball
     * @param array<int, true> $taken
     * @return list<int>
     */
    private function grow(array $from, array $ball, array $taken, float $off, bool $small): array
    {
        $g = $this->graph;
        $members = array_fill_keys($from, true);
        for ($stack = $from; $stack !== [];) {
            $f = array_pop($stack);
            foreach ($g->borders[$f] ?? [] as $h) {
                $o = $g->across($h);
                if (! isset($members[$o]) && ! isset($taken[$o]) && (! $small || $g->isSmall($o)) && $this->lies($o, $ball, $off)) {
                    $members[$o] = true;
                    $stack[] = $o;
                }
            }
        }

        return array_keys($members);
    }

    /** @param array{V, float} $ball */
    private function lies(int $f, array $ball, float $off): bool
    {
        $g = $this->graph;
        [$centre, $radius] = $ball;
        foreach ($g->borders[$f] ?? [] as $h) {
            if (abs(Vector::distance($g->corner($g->mesh->start[$h]), $centre) - $radius) > $off * $radius) {
                return false;
            }
        }
        // a facet that cuts deep through the ball is a flat that is bordered by it
        $deep = abs(Vector::dot($g->normal[$f], $centre) - $g->offset[$f]);

        return $deep > 0.95 * $radius;
    }
}
