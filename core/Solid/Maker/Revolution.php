<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\Angle;
use Cubo\Geometry\EarClipping;
use Cubo\Geometry\Transform;
use Cubo\Solid\Refused;
use Cubo\Solid\RevolvedSurface;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * A plane region turned about an axis in its plane.
 *
 * In the maker's own frame the axis is z, the profile's u is the distance from it and v the height; the turn begins in
 * the half plane y = 0, x > 0 and runs counter-clockwise seen from above. Rings joined by a slanting or round side have
 * the count of points of the widest of them; rings joined by flat faces only keep their own count, so that a bored disc
 * has the same facets however it was made.
 *
 * @phpstan-import-type Side from Profile
 */
final class Revolution
{
    private SolidBuilder $b;

    /** @var list<list<int>> vertices of the ring of every profile point */
    private array $ring = [];

    /** @var array<string, int> */
    private array $surfaces = [];

    private float $near;

    /** @var list<array{float, float, Side, int}> radius, height, curve, number of the next point */
    private array $points = [];

    /**
     * @param float $angle degrees, above 0 and at most 360
     * @param Transform $place a rigid motion, not a mirror image
     *
     * @throws Refused crosses-axis, no-angle
     */
    public static function of(string $step, Profile $profile, float $angle, Transform $place): Solid
    {
        return (new self($step, $profile->checked(), $angle))->b->build()->moved($place);
    }

    private function __construct(private readonly string $step, Profile $profile, private readonly float $angle)
    {
        if (!is_finite($angle) || $angle <= 0 || $angle > 360) {
            throw new Refused('no-angle', 'The angle must be more than 0 and at most 360 degrees.', 360.0);
        }
        $this->b = new SolidBuilder();
        $reach = 0.0;
        foreach ($profile->loops as $loop) {
            foreach ($loop as [$r, $h]) {
                $reach = max($reach, abs($r), abs($h));
            }
        }
        $this->near = 1e-9 * $reach;
        $first = [];
        foreach ($profile->loops as $loop) {
            $n = count($loop);
            $first[] = $at = count($this->points);
            foreach ($loop as $i => [$r, $h, $curve]) {
                if ($r < -$this->near) {
                    throw new Refused('crosses-axis', 'The region crosses the axis it is turned about.');
                }
                $this->points[] = [$r <= $this->near ? 0.0 : $r, $h, $curve, $at + (($i + 1) % $n)];
            }
        }
        $this->rings();
        foreach ($this->points as $p => [$r, $h, $curve, $q]) {
            [$rq, $hq] = $this->points[$q];
            if ($r == 0.0 && $rq == 0.0) {
                continue; // the side on the axis sweeps nothing
            }
            if (abs($h - $hq) <= $this->near && !self::isRound($curve)) {
                $this->flat($p, $q, $curve['name']);
            } else {
                $this->strip($p, $q, $curve);
            }
        }
        if ($angle < 360) {
            $this->ends($profile, $first);
        }
    }

    private function rings(): void
    {
        // the widest radius of all rings joined by slanting or round sides
        $group = array_keys($this->points);
        $root = static function (int $p) use (&$group): int {
            while ($group[$p] !== $p) {
                $p = $group[$p];
            }

            return $p;
        };
        $widest = array_column($this->points, 0);
        foreach ($this->points as $p => [, $h, $curve, $q]) {
            if (abs($h - $this->points[$q][1]) > $this->near || self::isRound($curve)) {
                [$a, $b] = [$root($p), $root($q)];
                $group[$a] = $b;
                $widest[$b] = max($widest[$a], $widest[$b]);
            }
        }
        foreach ($this->points as $p => [$r, $h]) {
            if ($r == 0.0) {
                $this->ring[] = [$this->b->vertex(0.0, 0.0, $h)];

                continue;
            }
            $ring = [];
            foreach (Fineness::arc(Fineness::facets($widest[$root($p)]), $this->angle) as [$c, $s]) {
                $ring[] = $this->b->vertex($r * $c, $r * $s, $h);
            }
            $this->ring[] = $ring;
        }
    }

    /** Between two rings in one plane, or a ring and the axis. */
    private function flat(int $p, int $q, string $name): void
    {
        [$rp, $h] = $this->points[$p];
        $up = $this->points[$q][0] < $rp;
        [$outer, $inner] = $up ? [$this->ring[$p], $this->ring[$q]] : [$this->ring[$q], $this->ring[$p]];
        $loops = [];
        if ($this->angle >= 360) {
            $loops[] = $outer;
            if (count($inner) > 1) {
                $loops[] = array_reverse($inner);
            }
        } else {
            $loops[] = [...$outer, ...array_reverse($inner)];
        }
        $f = $this->b->facet(0, 0, $up ? 1 : -1, $up ? $h : -$h, $this->surface(Surface::plane("$this->step:$name")));
        foreach (EarClipping::fill($loops, $this->b->x, $this->b->y) as [$a, $b, $c]) {
            $up ? $this->b->triangle($a, $b, $c, $f) : $this->b->triangle($a, $c, $b, $f);
        }
    }

    /** @param Side $curve */
    private function strip(int $p, int $q, array $curve): void
    {
        $surface = $this->surface($this->trueSurface($p, $q, $curve));
        [$lower, $upper] = [$this->ring[$p], $this->ring[$q]];
        $n = max(count($lower), count($upper));
        for ($i = 0; $i < ($this->angle >= 360 ? $n : $n - 1); $i++) {
            $j = ($i + 1) % $n;
            $a = $lower[$i] ?? $lower[0];
            $b = $lower[$j] ?? $lower[0];
            $c = $upper[$j] ?? $upper[0];
            $d = $upper[$i] ?? $upper[0];
            if ($a === $b) {
                $this->b->triangle($a, $c, $d, $this->b->facetThrough($a, $c, $d, $surface));
            } elseif ($c === $d) {
                $this->b->triangle($a, $b, $c, $this->b->facetThrough($a, $b, $c, $surface));
            } else {
                $f = $this->b->facetThrough($a, $b, $c, $surface);
                $this->b->triangle($a, $b, $c, $f);
                $this->b->triangle($a, $c, $d, $f);
            }
        }
    }

    /** @param Side $curve */
    private function trueSurface(int $p, int $q, array $curve): Surface
    {
        [$r, $h] = $this->points[$p];
        [$rq, $hq] = $this->points[$q];
        $name = "$this->step:{$curve['name']}";
        $z = [0.0, 0.0, 1.0];
        if ($curve['circle'] !== null) {
            [$cu, $cv, $radius] = $curve['circle'];

            return abs($cu) <= $this->near
                ? Surface::sphere($name, [0.0, 0.0, $cv], $radius)
                : Surface::torus($name, [0.0, 0.0, $cv], $z, $cu, $radius);
        }
        if (isset($curve['drawn'])) {
            return Surface::free($name, new RevolvedSurface($curve['drawn'], [0.0, 0.0, 0.0], $z));
        }

        return abs($r - $rq) <= $this->near
            ? Surface::cylinder($name, [0.0, 0.0, 0.0], $z, $r)
            : Surface::cone($name, [0.0, 0.0, $h], $z, $r, ($rq - $r) / ($hq - $h));
    }

    /** @param Side $curve */
    private static function isRound(array $curve): bool
    {
        return $curve['circle'] !== null || isset($curve['drawn']);
    }

    private function surface(Surface $s): int
    {
        // one curve, one surface: the sides of a circle's polygon share it, slanting sides of one name do not
        return $this->surfaces[$s->name . ($s->kind === SurfaceKind::Cone ? $s->point[2] . ' ' . $s->slope : '')] ??= $this->b->surface($s);
    }

    /** @param list<int> $first number of the first point of every loop */
    private function ends(Profile $profile, array $first): void
    {
        $loops = [];
        foreach ($profile->loops as $l => $loop) {
            $loops[] = range($first[$l], $first[$l] + count($loop) - 1);
        }
        $triangles = EarClipping::fill($loops, array_column($this->points, 0), array_column($this->points, 1));
        [$c, $s] = Angle::cosSin($this->angle);
        $start = $this->b->facet(0, -1, 0, 0.0, $this->surface(Surface::plane("$this->step:start")));
        $end = $this->b->facet(-$s, $c, 0, 0.0, $this->surface(Surface::plane("$this->step:end")));
        foreach ($triangles as [$p, $q, $r]) {
            $this->b->triangle($this->ring[$p][0], $this->ring[$q][0], $this->ring[$r][0], $start);
            [$a, $b, $d] = [$this->ring[$p], $this->ring[$q], $this->ring[$r]];
            $this->b->triangle($a[count($a) - 1], $d[count($d) - 1], $b[count($b) - 1], $end);
        }
    }
}
