<?php

declare(strict_types=1);

namespace Cubo\Measure\Recognition;

use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;

/**
 * Cylinders among the facets of a mesh. Facets that follow each other over parallel edges, each turned a little against
 * the one before, are taken for a cylinder when all their corners lie on one circle across those edges. A prism with fewer
 * than 16 sides stays a prism.
 */
final class Cylinders
{
    /** Corners may lie this share of the radius off. */
    private const OFF = 1e-3;

    /** Facets that make a round face at the least. */
    private const LEAST = 4;

    /** Lines on the circle at the least: four may always lie on one, as those of a flat between two rounds do. */
    private const LINES = 5;

    /** @param array<int, true> $known facets that are something else */
    private function __construct(private readonly FacetGraph $graph, private readonly array $known) {}

    /**
     * @param array<int, true> $taken facets that are something else
     * @return list<array{Surface, list<int>}> surfaces with their facets; the names are still to be given
     */
    public static function in(FacetGraph $graph, array $taken): array
    {
        return (new self($graph, $taken))->all();
    }

    /**
     * Chains of facets that turn about one direction, where they make a cylinder. A facet beside a rounded edge turns about
     * two: its own axis, and the edge, about which it makes a belt with what is around.
     *
     * @return list<array{Surface, list<int>}>
     */
    private function all(): array
    {
        $taken = $this->known;
        $out = $belts = [];
        foreach ($this->graph->normal as $seed => $_) {
            foreach (isset($taken[$seed]) ? [] : $this->graph->bordersOf($seed) as $h) {
                $axis = $this->graph->direction($h);
                if ($axis === null || isset($belts[$h]) || !$this->turnsAbout($h, $axis)) {
                    continue;
                }
                [$members, $over] = $this->walk($seed, $axis, $taken);
                $found = $this->cylinder($members, $axis);
                // a flat that meets it at a blunt angle passes for one of its facets
                foreach ($found === null && count($over) >= 2 * self::LEAST ? [2, 1, 3] : [] as $quarter) {
                    $part = $this->onOneCircle(
                        $this->graph->facetOf[intdiv(array_keys($over)[intdiv($quarter * count($over), 4)], 3)],
                        $axis,
                        $taken,
                    );
                    $found = count($part) < count($members) ? $this->cylinder($part, $axis) : null;
                    if ($found !== null) {
                        $members = $part;

                        break;
                    }
                }
                if ($found !== null) {
                    $taken += $members;
                    $out[] = [$found, array_keys($members)];

                    break;
                }
                // the same chain is not walked again from another of its facets
                $belts += $over;
            }
        }

        return $out;
    }

    /**
     * @param array{float,float,float} $axis
     * @param array<int, true> $taken
     * @param array{array{float,float,float}, float}|null $circle edges that do not lie on it are not passed
     * @param int $most facets
     * @return array{array<int, true>, array<int, true>} facets that turn about the axis one after another, and half-edges passed over
     */
    private function walk(int $seed, array $axis, array $taken, ?array $circle = null, int $most = PHP_INT_MAX): array
    {
        $members = [$seed => true];
        $over = [];
        for ($queue = [$seed], $i = 0; $i < count($queue) && count($members) < $most; $i++) {
            foreach ($this->graph->bordersOf($queue[$i]) as $g) {
                $next = $this->graph->across($g);
                if (
                    !isset($taken[$next]) &&
                    $this->turnsAbout($g, $axis) &&
                    ($circle === null || ($this->isOn($g, $axis, ...$circle) && $this->isWithin($next, $axis, ...$circle)))
                ) {
                    $over[$g] = true;
                    if (!isset($members[$next])) {
                        $members[$next] = true;
                        $queue[] = $next;
                    }
                }
            }
        }

        return [$members, $over];
    }

    /**
     * The facets around one that lie on the circle the nearest few of them give.
     *
     * @param array{float,float,float} $axis
     * @param array<int, true> $taken
     * @return array<int, true>
     */
    private function onOneCircle(int $from, array $axis, array $taken): array
    {
        $few = $this->walk($from, $axis, $taken, null, self::LEAST + 1)[0];
        $circle = $this->fit(['axis' => $axis, 'facets' => array_keys($few)]);

        return $circle === null ? [] : $this->walk($from, $axis, $taken, $circle)[0];
    }

    /**
     * Whether no corner of a facet lies outside of the circle: a flat that meets it goes on beyond.
     *
     * @param array{float,float,float} $axis
     * @param array{float,float,float} $point
     */
    private function isWithin(int $f, array $axis, array $point, float $radius): bool
    {
        foreach ($this->graph->bordersOf($f) as $h) {
            if (
                Vector::length(Vector::cross(Vector::sub($this->graph->corner($this->graph->mesh->start[$h]), $point), $axis)) >
                $radius * (1 + self::OFF)
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array{float,float,float} $axis
     * @param array{float,float,float} $point
     */
    private function isOn(int $h, array $axis, array $point, float $radius): bool
    {
        $d = Vector::cross(Vector::sub($this->graph->corner($this->graph->mesh->start[$h]), $point), $axis);

        return abs(Vector::length($d) - $radius) < self::OFF * $radius;
    }

    /**
     * @param array<int, true> $members
     * @param array{float,float,float} $axis
     */
    private function cylinder(array $members, array $axis): ?Surface
    {
        $chain = ['axis' => $axis, 'facets' => array_keys($members)];
        $fit = count($members) < self::LEAST || $this->isBelt($chain) ? null : $this->fit($chain);

        return $fit === null ? null : Surface::cylinder('', $fit[0], $axis, $fit[1]);
    }

    /**
     * Whether it goes on smoothly at both its ends, as a belt of a ring or of a free surface does.
     *
     * @param array{axis: array{float,float,float}, facets: list<int>} $members
     */
    private function isBelt(array $members): bool
    {
        $in = array_fill_keys($members['facets'], true);
        $ends = $smooth = 0;
        foreach ($members['facets'] as $f) {
            foreach ($this->graph->bordersOf($f) as $h) {
                $o = $this->graph->across($h);
                $d = isset($in[$o]) ? null : $this->graph->direction($h);
                if ($d !== null && abs($d[0] * $members['axis'][0] + $d[1] * $members['axis'][1] + $d[2] * $members['axis'][2]) < 0.5) {
                    $ends++;
                    $smooth +=
                        !isset($this->known[$o]) && $this->graph->turn($h) > FacetGraph::TURN && $this->graph->turn($h) < 1 - 1e-7 ? 1 : 0;
                }
            }
        }

        return $ends > 0 && $smooth > 0.8 * $ends;
    }

    /**
     * Whether the facets on both sides of an edge run along the axis and turn a little against each other.
     *
     * @param array{float,float,float} $axis
     */
    private function turnsAbout(int $h, array $axis): bool
    {
        $a = $this->graph->normal[$this->graph->facetOf[intdiv($h, 3)]];
        $b = $this->graph->normal[$this->graph->across($h)];
        $d = $this->graph->direction($h);

        return $this->graph->turn($h) > FacetGraph::TURN &&
            $d !== null &&
            abs($d[0] * $axis[0] + $d[1] * $axis[1] + $d[2] * $axis[2]) > 1 - 1e-6 &&
            abs($a[0] * $axis[0] + $a[1] * $axis[1] + $a[2] * $axis[2]) < 1e-4 &&
            abs($b[0] * $axis[0] + $b[1] * $axis[1] + $b[2] * $axis[2]) < 1e-4;
    }

    /**
     * The circle through all corners, seen along the axis.
     *
     * @param array{axis: array{float,float,float}, facets: list<int>} $members
     * @return array{array{float,float,float}, float}|null a point of the axis and the radius
     */
    private function fit(array $members): ?array
    {
        $m = $this->graph->mesh;
        $axis = $members['axis'];
        $u = Vector::across($axis);
        $w = Vector::cross($axis, $u);
        $points = [];
        $in = array_fill_keys($members['facets'], true);
        foreach ($members['facets'] as $f) {
            foreach ($this->graph->bordersOf($f) as $h) {
                // corners of the circle are where two of the facets meet
                if (isset($in[$this->graph->across($h)]) && $this->turnsAbout($h, $axis)) {
                    $v = $m->start[$h];
                    $points[$v] = [
                        $m->x[$v] * $u[0] + $m->y[$v] * $u[1] + $m->z[$v] * $u[2],
                        $m->x[$v] * $w[0] + $m->y[$v] * $w[1] + $m->z[$v] * $w[2],
                    ];
                }
            }
        }
        $circle = count($points) < 4 ? null : CircleFit::of($points);
        if ($circle === null) {
            return null;
        }
        [$a, $b, $radius] = $circle;
        foreach ($points as [$x, $y]) {
            if (abs(hypot($x - $a, $y - $b) - $radius) > self::OFF * $radius) {
                return null;
            }
        }
        $point = [$a * $u[0] + $b * $w[0], $a * $u[1] + $b * $w[1], $a * $u[2] + $b * $w[2]];
        if ($this->linesOn($members['facets'], $axis, $u, $w, $point, $radius) < self::LINES) {
            return null;
        }
        foreach ($members['facets'] as $f) {
            if (!$this->isWithin($f, $axis, $point, $radius)) {
                return null;
            }
        }

        return [$point, $radius];
    }

    /**
     * On how many different lines along the axis the corners of facets lie on the circle.
     *
     * @param list<int> $facets
     * @param array{float,float,float} $axis
     * @param array{float,float,float} $u
     * @param array{float,float,float} $w
     * @param array{float,float,float} $point
     */
    private function linesOn(array $facets, array $axis, array $u, array $w, array $point, float $radius): int
    {
        $turns = [];
        foreach ($facets as $f) {
            foreach ($this->graph->bordersOf($f) as $h) {
                if ($this->isOn($h, $axis, $point, $radius)) {
                    $d = Vector::sub($this->graph->corner($this->graph->mesh->start[$h]), $point);
                    $turns[] = atan2(Vector::dot($d, $w), Vector::dot($d, $u));
                }
            }
        }
        sort($turns);
        $lines = 0;
        $last = -INF;
        foreach ($turns as $turn) {
            $lines += $turn - $last > self::OFF ? 1 : 0;
            $last = $turn;
        }

        return $lines;
    }
}
