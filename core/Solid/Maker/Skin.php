<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Closure;
use Cubo\Geometry\EarClipping;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;
use Cubo\Solid\VertexWelding;
use InvalidArgumentException;

/**
 * A closed skin over stations: each station holds the same loops with the same count of points; neighbouring stations
 * are joined by quads and the first and last are filled, unless the stations run in a circle.
 */
final class Skin
{
    /** Work limit: points of all stations together. */
    public const MOST_POINTS = 200000;

    /** mm, per mm of size, that the corners of a flat end may lie off it */
    private const FLAT = 1e-11;

    private SolidBuilder $b;

    /** @var array<string, int> surface number by name */
    private array $surfaces = [];

    private float $scale = 0.0;

    private function __construct()
    {
        $this->b = new SolidBuilder();
    }

    /**
     * @param list<list<list<array{float,float,float}>>> $stations station > loop > point; outer loops run
     *     counter-clockwise seen from the last station against the first, holes clockwise
     * @param Closure(int, int, int): Surface $surface of the strip after a station, on a loop, after a point; equal names mean one surface
     * @param string|null $start name of the face over the first station, null when the stations run in a circle
     * @param string|null $end name of the face over the last station
     *
     * @throws Refused too-complex
     */
    public static function over(array $stations, Closure $surface, ?string $start, ?string $end): Solid
    {
        $s = new self();
        $count = 0;
        foreach ($stations as $loops) {
            foreach ($loops as $loop) {
                $count += count($loop);
                if ($count > self::MOST_POINTS) {
                    throw new Refused(
                        'too-complex',
                        'This shape would need more than ' . self::MOST_POINTS . ' points.',
                        self::MOST_POINTS,
                    );
                }
                foreach ($loop as $p) {
                    $s->scale = max($s->scale, abs($p[0]), abs($p[1]), abs($p[2]));
                }
            }
        }
        $ids = array_map(static fn(array $loops): array => array_map($s->ring(...), $loops), $stations);
        // stations may share points: those on an axis, an apex
        $same = VertexWelding::find(array_keys($s->b->x), $s->b->x, $s->b->y, $s->b->z, 1e-12 * $s->scale);
        if ($same !== []) {
            $ids = array_map(
                static fn(array $loops): array => array_map(
                    static fn(array $ring): array => array_map(static fn(int $v): int => $same[$v] ?? $v, $ring),
                    $loops,
                ),
                $ids,
            );
        }
        $n = count($stations);
        for ($i = 0; $i < ($start === null ? $n : $n - 1); $i++) {
            $next = $ids[($i + 1) % $n];
            foreach ($ids[$i] as $l => $ring) {
                $m = count($ring);
                for ($k = 0; $k < $m; $k++) {
                    $j = ($k + 1) % $m;
                    $s->quad($ring[$k], $ring[$j], $next[$l][$j], $next[$l][$k], $surface($i, $l, $k));
                }
            }
        }
        if ($start !== null && $end !== null) {
            $s->fill($ids[0], $start, true);
            $s->fill($ids[$n - 1], $end, false);
        }

        return $s->b->build();
    }

    /**
     * @param list<array{float,float,float}> $loop
     * @return list<int> vertices; points in one place share one
     */
    private function ring(array $loop): array
    {
        $ids = [];
        $near = 1e-12 * $this->scale;
        foreach ($loop as $i => $p) {
            $q = $loop[$i - 1] ?? null;
            $ids[] =
                $q !== null && abs($p[0] - $q[0]) + abs($p[1] - $q[1]) + abs($p[2] - $q[2]) <= $near
                    ? $ids[$i - 1]
                    : $this->b->vertex(...$p);
        }
        $last = count($loop) - 1;
        if (
            $last > 0 &&
            $ids[$last] !== $ids[0] &&
            abs($loop[0][0] - $loop[$last][0]) + abs($loop[0][1] - $loop[$last][1]) + abs($loop[0][2] - $loop[$last][2]) <= $near
        ) {
            throw new InvalidArgumentException('A loop ends where it began.');
        }

        return $ids;
    }

    private function surface(Surface $s): int
    {
        return $this->surfaces[$s->name] ??= $this->b->surface($s);
    }

    private function quad(int $a, int $b, int $c, int $d, Surface $surface): void
    {
        $s = $this->surface($surface);
        $corners = array_values(array_unique([$a, $b, $c, $d]));
        if (count($corners) < 3) {
            return;
        }
        if (count($corners) === 3) {
            $this->b->triangle(...[...$corners, $this->b->facetThrough(...[...$corners, $s])]);

            return;
        }
        $f = $this->b->facetThrough($a, $b, $c, $s);
        if (abs($this->b->height($f, $d)) <= 1e-13 * $this->scale) {
            $this->b->triangle($a, $b, $c, $f);
            $this->b->triangle($a, $c, $d, $f);

            return;
        }
        // a twisted quad becomes two facets along the shorter diagonal
        if ($this->b->distance2($a, $c) <= $this->b->distance2($b, $d)) {
            $this->b->triangle($a, $b, $c, $f);
            $this->b->triangle($a, $c, $d, $this->b->facetThrough($a, $c, $d, $s));
        } else {
            $this->b->triangle($a, $b, $d, $this->b->facetThrough($a, $b, $d, $s));
            $this->b->triangle($b, $c, $d, $this->b->facetThrough($b, $c, $d, $s));
        }
    }

    /** @param list<list<int>> $loops */
    private function fill(array $loops, string $name, bool $reversed): void
    {
        if (count(array_unique($loops[0])) < 3) {
            return; // an apex or a ridge
        }
        // Newell's normal of the outer loop
        $n = [0.0, 0.0, 0.0];
        $count = count($loops[0]);
        foreach ($loops[0] as $i => $p) {
            $q = $loops[0][($i + 1) % $count];
            $n[0] += ($this->b->y[$p] - $this->b->y[$q]) * ($this->b->z[$p] + $this->b->z[$q]);
            $n[1] += ($this->b->z[$p] - $this->b->z[$q]) * ($this->b->x[$p] + $this->b->x[$q]);
            $n[2] += ($this->b->x[$p] - $this->b->x[$q]) * ($this->b->y[$p] + $this->b->y[$q]);
        }
        $l = sqrt($n[0] ** 2 + $n[1] ** 2 + $n[2] ** 2);
        $n = [$n[0] / $l, $n[1] / $l, $n[2] / $l];
        $k = abs($n[2]) >= max(abs($n[0]), abs($n[1])) ? 2 : (abs($n[0]) >= abs($n[1]) ? 0 : 1);
        [$u, $w] = [[$this->b->y, $this->b->z], [$this->b->z, $this->b->x], [$this->b->x, $this->b->y]][$k];
        if ($n[$k] < 0) {
            [$u, $w] = [$w, $u];
        }
        $at = $loops[0][0];
        $d = $n[0] * $this->b->x[$at] + $n[1] * $this->b->y[$at] + $n[2] * $this->b->z[$at];
        $s = $this->surface(Surface::plane($name));
        $f = $reversed ? $this->b->facet(-$n[0], -$n[1], -$n[2], -$d, $s) : $this->b->facet($n[0], $n[1], $n[2], $d, $s);
        $flat = true;
        foreach ($loops as $loop) {
            foreach ($loop as $v) {
                $flat = $flat && abs($this->b->height($f, $v)) <= self::FLAT * (1 + $this->scale);
            }
        }
        foreach (
            EarClipping::fill(array_map(static fn(array $loop): array => array_values(array_unique($loop)), $loops), $u, $w)
            as [$a, $b, $c]
        ) {
            [$q, $r] = $reversed ? [$c, $b] : [$b, $c];
            $this->b->triangle($a, $q, $r, $flat ? $f : $this->b->facetThrough($a, $q, $r, $s));
        }
    }
}
