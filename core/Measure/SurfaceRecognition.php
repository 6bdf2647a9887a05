<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * Finds flat and cylindrical faces in a bare mesh, so that a part from elsewhere can be checked like one built here.
 *
 * Triangles in one plane that hang together become one facet. Facets that follow each other over parallel edges, each
 * turned a little against the one before, are taken for a cylinder when all their corners lie on one circle across those
 * edges (least squares; I. Kasa, "A circle fitting procedure and its error analysis", IEEE Trans. Instrum. Meas. 25,
 * 1976). A prism with fewer than 16 sides stays a prism. Cones and balls stay facets.
 */
final class SurfaceRecognition
{
    /** Cosine of the angle below which two triangles lie in one plane. */
    private const FLAT = 1 - 1e-7;

    /** Cosine of the greatest turn from facet to facet: a full circle has at least 16. */
    private const TURN = 0.92;

    /** Facets that make a round face at the least. */
    private const LEAST = 4;

    /** @var array<int, int> facet by triangle */
    private array $facetOf = [];

    /** @var array<int, array{float,float,float}> unit normal by facet */
    private array $normal = [];

    /** @var array<int, float> */
    private array $offset = [];

    /** @var array<int, array<int, int>> half-edges to other facets, by facet */
    private array $borders = [];

    private function __construct(private readonly Solid $mesh) {}

    public static function of(Solid $mesh): Solid
    {
        $r = new self($mesh);
        $r->gatherFlats();
        $surfaces = [];
        $surfaceOf = [];
        foreach ($r->cylinders() as $members) {
            $cylinder = $r->fit($members);
            if ($cylinder !== null) {
                foreach ($members['facets'] as $f) {
                    $surfaceOf[$f] = count($surfaces);
                }
                $surfaces[] = Surface::cylinder('file:round ' . (count($surfaces) + 1), $cylinder[0], $members['axis'], $cylinder[1]);
            }
        }
        $round = count($surfaces);
        foreach ($r->normal as $f => $_) {
            if (! isset($surfaceOf[$f])) {
                $surfaceOf[$f] = count($surfaces);
                $surfaces[] = Surface::plane('file:flat ' . (count($surfaces) - $round + 1));
            }
        }
        ksort($surfaceOf);

        return new Solid(
            $mesh->x, $mesh->y, $mesh->z, $mesh->start, $mesh->twin, $r->facetOf,
            array_column($r->normal, 0), array_column($r->normal, 1), array_column($r->normal, 2), $r->offset, $surfaceOf, $surfaces,
        );
    }

    /** Floods over triangles that lie in one plane; the plane of a facet is that of its largest triangle. */
    private function gatherFlats(): void
    {
        $m = $this->mesh;
        $area = [];
        foreach ($m->facet as $t => $_) {
            [$a, $b, $c] = [$m->start[3 * $t], $m->start[3 * $t + 1], $m->start[3 * $t + 2]];
            $u = [$m->x[$b] - $m->x[$a], $m->y[$b] - $m->y[$a], $m->z[$b] - $m->z[$a]];
            $w = [$m->x[$c] - $m->x[$a], $m->y[$c] - $m->y[$a], $m->z[$c] - $m->z[$a]];
            $area[$t] = sqrt(($u[1] * $w[2] - $u[2] * $w[1]) ** 2 + ($u[2] * $w[0] - $u[0] * $w[2]) ** 2 + ($u[0] * $w[1] - $u[1] * $w[0]) ** 2);
        }
        arsort($area);
        foreach (array_keys($area) as $seed) {
            if (isset($this->facetOf[$seed])) {
                continue;
            }
            $id = count($this->normal);
            $f = $m->facet[$seed];
            $n = [$m->nx[$f], $m->ny[$f], $m->nz[$f]];
            $this->normal[$id] = $n;
            $this->offset[$id] = $m->offset[$f];
            $this->facetOf[$seed] = $id;
            for ($stack = [$seed]; $stack !== [];) {
                $t = array_pop($stack);
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $o = intdiv($m->twin[$h], 3);
                    if ($m->twin[$h] < 0 || isset($this->facetOf[$o])) {
                        continue;
                    }
                    $g = $m->facet[$o];
                    // a sliver's own normal says little: its far corner must lie in the plane instead
                    $far = $m->start[$m->twin[$h] % 3 === 0 ? $m->twin[$h] + 2 : $m->twin[$h] - 1];
                    $off = abs($n[0] * $m->x[$far] + $n[1] * $m->y[$far] + $n[2] * $m->z[$far] - $this->offset[$id]);
                    if ($n[0] * $m->nx[$g] + $n[1] * $m->ny[$g] + $n[2] * $m->nz[$g] > self::FLAT && $off < 1e-5 * max(1.0, abs($this->offset[$id]))) {
                        $this->facetOf[$o] = $id;
                        $stack[] = $o;
                    }
                }
            }
        }
        ksort($this->facetOf);
        foreach ($m->twin as $h => $o) {
            $f = $this->facetOf[intdiv($h, 3)];
            if ($o >= 0 && $this->facetOf[intdiv($o, 3)] !== $f) {
                $this->borders[$f][] = $h;
            }
        }
    }

    /** @return list<array{axis: array{float,float,float}, facets: list<int>}> chains of facets that turn about one direction */
    private function cylinders(): array
    {
        $taken = [];
        $out = [];
        foreach ($this->normal as $seed => $_) {
            foreach (isset($taken[$seed]) ? [] : $this->borders[$seed] ?? [] as $h) {
                $axis = $this->direction($h);
                if ($axis === null || ! $this->turnsAbout($h, $axis)) {
                    continue;
                }
                $members = [$seed => true];
                for ($stack = [$seed]; $stack !== [];) {
                    $f = array_pop($stack);
                    foreach ($this->borders[$f] ?? [] as $g) {
                        $next = $this->facetOf[intdiv($this->mesh->twin[$g], 3)];
                        if (! isset($members[$next]) && ! isset($taken[$next]) && $this->turnsAbout($g, $axis)) {
                            $members[$next] = true;
                            $stack[] = $next;
                        }
                    }
                }
                if (count($members) >= self::LEAST) {
                    $taken += $members;
                    $out[] = ['axis' => $axis, 'facets' => array_keys($members)];

                    break;
                }
            }
        }

        return $out;
    }

    /** @return array{float,float,float}|null unit direction of an edge; none for a very short one */
    private function direction(int $h): ?array
    {
        $m = $this->mesh;
        $a = $m->start[$h];
        $b = $m->start[$m->twin[$h]];
        $d = [$m->x[$b] - $m->x[$a], $m->y[$b] - $m->y[$a], $m->z[$b] - $m->z[$a]];
        $l = sqrt($d[0] ** 2 + $d[1] ** 2 + $d[2] ** 2);

        return $l < 1e-4 ? null : [$d[0] / $l, $d[1] / $l, $d[2] / $l];
    }

    /**
     * Whether the facets on both sides of an edge run along the axis and turn a little against each other.
     *
     * @param array{float,float,float} $axis
     */
    private function turnsAbout(int $h, array $axis): bool
    {
        $a = $this->normal[$this->facetOf[intdiv($h, 3)]];
        $b = $this->normal[$this->facetOf[intdiv($this->mesh->twin[$h], 3)]];
        $turn = $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
        $d = $this->direction($h);

        return $turn > self::TURN && $d !== null
            && abs($d[0] * $axis[0] + $d[1] * $axis[1] + $d[2] * $axis[2]) > 1 - 1e-6
            && abs($a[0] * $axis[0] + $a[1] * $axis[1] + $a[2] * $axis[2]) < 1e-4
            && abs($b[0] * $axis[0] + $b[1] * $axis[1] + $b[2] * $axis[2]) < 1e-4;
    }

    /**
     * The circle through all corners, seen along the axis.
     *
     * @param array{axis: array{float,float,float}, facets: list<int>} $members
     * @return array{array{float,float,float}, float}|null a point of the axis and the radius
     */
    private function fit(array $members): ?array
    {
        $m = $this->mesh;
        $axis = $members['axis'];
        $help = abs($axis[0]) < 0.6 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0];
        $u = [$axis[1] * $help[2] - $axis[2] * $help[1], $axis[2] * $help[0] - $axis[0] * $help[2], $axis[0] * $help[1] - $axis[1] * $help[0]];
        $l = sqrt($u[0] ** 2 + $u[1] ** 2 + $u[2] ** 2);
        $u = [$u[0] / $l, $u[1] / $l, $u[2] / $l];
        $w = [$axis[1] * $u[2] - $axis[2] * $u[1], $axis[2] * $u[0] - $axis[0] * $u[2], $axis[0] * $u[1] - $axis[1] * $u[0]];
        $points = [];
        foreach ($members['facets'] as $f) {
            foreach ($this->borders[$f] ?? [] as $h) {
                // corners of the circle are where two of the facets meet
                if ($this->turnsAbout($h, $axis)) {
                    $v = $m->start[$h];
                    $points[$v] = [$m->x[$v] * $u[0] + $m->y[$v] * $u[1] + $m->z[$v] * $u[2], $m->x[$v] * $w[0] + $m->y[$v] * $w[1] + $m->z[$v] * $w[2]];
                }
            }
        }
        $n = count($points);
        if ($n < 4) {
            return null;
        }
        $cx = array_sum(array_column($points, 0)) / $n;
        $cy = array_sum(array_column($points, 1)) / $n;
        $sxx = $syy = $sxy = $sxz = $syz = 0.0;
        foreach ($points as [$x, $y]) {
            [$x, $y] = [$x - $cx, $y - $cy];
            $z = $x * $x + $y * $y;
            $sxx += $x * $x;
            $syy += $y * $y;
            $sxy += $x * $y;
            $sxz += $x * $z;
            $syz += $y * $z;
        }
        $det = 2 * ($sxx * $syy - $sxy * $sxy);
        if (abs($det) < 1e-12 * ($sxx + $syy) ** 2) {
            return null;
        }
        $a = ($sxz * $syy - $syz * $sxy) / $det;
        $b = ($syz * $sxx - $sxz * $sxy) / $det;
        $radius = sqrt($a * $a + $b * $b + ($sxx + $syy) / $n);
        [$a, $b] = [$a + $cx, $b + $cy];
        foreach ($points as [$x, $y]) {
            if (abs(hypot($x - $a, $y - $b) - $radius) > 1e-3 * $radius) {
                return null;
            }
        }

        return [[$a * $u[0] + $b * $w[0], $a * $u[1] + $b * $w[1], $a * $u[2] + $b * $w[2]], $radius];
    }
}
