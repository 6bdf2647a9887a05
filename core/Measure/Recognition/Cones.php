<?php

declare(strict_types=1);

namespace Cubo\Measure\Recognition;

use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;

/**
 * Cones among the facets of a mesh: facets whose planes pass through one point, the tip, and lean alike against one axis.
 * Three facets that follow each other give both; more join where the edge between them runs to the tip.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Cones
{
    private const LEAST = 6;

    /** Corners may lie this share of the radius off. */
    private const OFF = 1e-3;

    private function __construct(private readonly FacetGraph $graph) {}

    /**
     * @param array<int, true> $taken facets that are something else
     * @return list<array{Surface, list<int>}>
     */
    public static function in(FacetGraph $graph, array $taken): array
    {
        $c = new self($graph);
        $out = [];
        foreach ($graph->normal as $seed => $_) {
            if (isset($taken[$seed])) {
                continue;
            }
            $found = $c->from($seed, $taken);
            if ($found !== null) {
                $taken += array_fill_keys($found[1], true);
                $out[] = $found;
            }
        }

        return $out;
    }

    /**
     * @param array<int, true> $taken
     * @return array{Surface, list<int>}|null
     */
    private function from(int $seed, array $taken): ?array
    {
        $g = $this->graph;
        $next = [];
        foreach ($g->bordersOf($seed) as $h) {
            if (!isset($taken[$g->across($h)]) && $g->turn($h) > FacetGraph::TURN && $g->turn($h) < 1 - 1e-7) {
                $next[$g->across($h)] = $h;
            }
        }
        // few neighbours lean a little only: those on both sides along the round
        if (count($next) < 2 || count($next) > 8) {
            return null;
        }
        $facets = array_keys($next);
        foreach ($facets as $i => $a) {
            foreach (array_slice($facets, $i + 1) as $b) {
                $cone = $this->cone($seed, $a, $b);
                if ($cone === null || !$this->runsTo($next[$a], $cone[0]) || !$this->runsTo($next[$b], $cone[0])) {
                    continue;
                }
                [$tip, $axis, $lean] = $cone;
                $members = $this->grow($seed, $tip, $axis, $lean, $taken);
                $surface = count($members) < self::LEAST ? null : $this->surface($members, $tip, $axis, $lean);
                if ($surface !== null) {
                    return [$surface, $members];
                }
            }
        }

        return null;
    }

    /**
     * Tip, axis (towards the wide side) and how the facets lean against it, from three facets.
     *
     * @return array{V, V, float}|null
     */
    private function cone(int $f, int $a, int $b): ?array
    {
        [$n0, $n1, $n2] = [$this->graph->normal[$f], $this->graph->normal[$a], $this->graph->normal[$b]];
        $across = Vector::cross(Vector::sub($n1, $n0), Vector::sub($n2, $n0));
        if (Vector::length($across) < 1e-4) {
            return null;
        }
        $axis = Vector::unit($across);
        $lean = Vector::dot($axis, $n0);
        // upright facets are a cylinder's, level ones a plane's
        if (abs($lean) < 1e-3 || abs($lean) > 0.9999) {
            return null;
        }
        [$d0, $d1, $d2] = [$this->graph->offset[$f], $this->graph->offset[$a], $this->graph->offset[$b]];
        [$c12, $c20, $c01] = [Vector::cross($n1, $n2), Vector::cross($n2, $n0), Vector::cross($n0, $n1)];
        $det = Vector::dot($n0, $c12);
        if (abs($det) < 1e-9) {
            return null;
        }
        $tip = [];
        for ($k = 0; $k < 3; $k++) {
            $tip[] = ($d0 * $c12[$k] + $d1 * $c20[$k] + $d2 * $c01[$k]) / $det;
        }

        return [$tip, $axis, $lean];
    }

    /** @param V $tip */
    private function runsTo(int $h, array $tip): bool
    {
        $m = $this->graph->mesh;
        $p = $this->graph->corner($m->start[$h]);
        $d = $this->graph->direction($h);
        if ($d === null) {
            return false;
        }
        $w = Vector::sub($tip, $p);

        return Vector::length(Vector::cross($w, $d)) < 2e-3 * max(1.0, Vector::length($w));
    }

    /**
     * @param V $tip
     * @param V $axis
     * @param array<int, true> $taken
     * @return list<int>
     */
    private function grow(int $seed, array $tip, array $axis, float $lean, array $taken): array
    {
        $g = $this->graph;
        $members = [$seed => true];
        for ($stack = [$seed]; $stack !== []; ) {
            $f = array_pop($stack);
            foreach ($g->bordersOf($f) as $h) {
                $o = $g->across($h);
                if (isset($members[$o]) || isset($taken[$o]) || $g->turn($h) < FacetGraph::TURN) {
                    continue;
                }
                $far = max(1.0, Vector::distance($tip, $g->corner($g->mesh->start[$h])));
                if (
                    abs(Vector::dot($g->normal[$o], $axis) - $lean) < 2e-3 &&
                    abs(Vector::dot($g->normal[$o], $tip) - $g->offset[$o]) < 1e-3 * $far
                ) {
                    $members[$o] = true;
                    $stack[] = $o;
                }
            }
        }

        return array_keys($members);
    }

    /**
     * The cone through the ends of the lines that run to its tip: its opening from a line through radius over height. Other
     * corners, where another face cuts the rim, lie on chords between these lines.
     *
     * @param list<int> $members
     * @param V $tip
     * @param V $axis
     */
    private function surface(array $members, array $tip, array $axis, float $lean): ?Surface
    {
        $g = $this->graph;
        $sum = $count = 0.0;
        $points = [];
        $in = array_fill_keys($members, true);
        foreach ($members as $f) {
            foreach ($g->bordersOf($f) as $h) {
                if (isset($in[$g->across($h)]) && $this->runsTo($h, $tip)) {
                    $d = Vector::sub($g->corner($g->mesh->start[$h]), $tip);
                    $along = Vector::dot($d, $axis);
                    $points[$g->mesh->start[$h]] = [$along, Vector::length(Vector::add($d, $axis, -$along))];
                }
            }
        }
        if (count($points) < self::LEAST) {
            return null;
        }
        foreach ($points as [$along, $radius]) {
            $sum += $along * $radius;
            $count += $along * $along;
        }
        if ($count < 1e-12) {
            return null;
        }
        $slope = $sum / $count;
        $most = max(array_column($points, 1));
        foreach ($points as [$along, $radius]) {
            if (abs($radius - $slope * $along) > self::OFF * $most) {
                return null;
            }
        }
        // the reference point lies half way up, where the radius is sure to be above zero
        $half = (min(array_column($points, 0)) + max(array_column($points, 0))) / 2;

        return Surface::cone('', Vector::add($tip, $axis, $half), $axis, $slope * $half, $slope);
    }
}
