<?php

declare(strict_types=1);

namespace Cubo\Solid\Change;

use Cubo\Budget\Budget;
use Cubo\Geometry\EarClipping;
use Cubo\Geometry\LeastStep;
use Cubo\Geometry\Vector;
use Cubo\Solid\Maker\Fineness;
use Cubo\Solid\Refused;
use Cubo\Solid\SelfCrossing;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * Gives some faces of a solid new surfaces and keeps how they hang together: every vertex moves to where the surfaces
 * around it now meet, by the shortest way. What would turn over, run into itself or lose a face is refused.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Resurfacing
{
    private const TOLERANCE = 1e-11;

    /** Work limit: triangles of the solid. */
    public const MOST_TRIANGLES = 150000;

    /** @var array<int, list<int>> facets around every vertex that moves */
    private array $around = [];

    /**
     * @param array<int, array{V, float}> $planes new normal and offset by facet, for flat faces
     * @param array<int, Surface> $surfaces new surface by number, for round ones
     */
    private function __construct(
        private readonly Solid $solid,
        private readonly array $planes,
        private readonly array $surfaces,
        private readonly Budget $budget,
    ) {}

    /**
     * @param array<int, array{V, float}> $planes new normal and offset by facet, for flat faces
     * @param array<int, Surface> $surfaces new surface by number, for round ones
     *
     * @throws Refused no-room, too-complex
     */
    public static function run(Solid $solid, array $planes, array $surfaces, ?Budget $budget = null): Solid
    {
        if ($solid->triangleCount() > self::MOST_TRIANGLES) {
            throw new Refused(
                'too-complex',
                'Solids with more than ' . self::MOST_TRIANGLES . ' triangles are not worked on.',
                self::MOST_TRIANGLES,
            );
        }

        return (new self($solid, $planes, $surfaces, $budget ?? Budget::unlimited()))->result();
    }

    /**
     * The surface of a round face moved along its outward normal; flat ones are moved by their offset.
     *
     * @param V $outward normal of one of its facets
     * @param V $at a point of that facet
     *
     * @throws Refused no-room with the largest distance, free-face
     */
    public static function moved(Surface $s, array $outward, array $at, float $by): Surface
    {
        if ($s->patch !== null) {
            throw new Refused('free-face', 'Free surfaces cannot be moved along their normal yet.');
        }
        $gradient = SurfaceEquation::outward($s, $at, [0.0, 0.0, 0.0]);
        $step = $by * (Vector::dot($gradient, $outward) < 0 ? -1.0 : 1.0);
        $own = $s->kind === SurfaceKind::Torus ? $s->tube : $s->radius;
        if ($s->kind === SurfaceKind::Cone) {
            return new Surface($s->kind, $s->name, $s->point, $s->axis, $s->radius + $step * sqrt(1 + $s->slope ** 2), $s->slope);
        }
        if ($own + $step <= 1e-9 * $own) {
            throw new Refused('no-room', 'A round face would vanish.', $own);
        }

        return $s->kind === SurfaceKind::Torus
            ? Surface::torus($s->name, $s->point, $s->axis, $s->radius, $s->tube + $step)
            : new Surface($s->kind, $s->name, $s->point, $s->axis, $s->radius + $step);
    }

    private function result(): Solid
    {
        $s = $this->solid;
        foreach ($s->facet as $t => $f) {
            if (isset($this->planes[$f]) || isset($this->surfaces[$s->surfaceOf[$f]])) {
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $this->around[$s->start[$h]] = [];
                }
            }
        }
        foreach ($s->start as $h => $v) {
            if (isset($this->around[$v])) {
                $this->around[$v][] = $s->facet[intdiv($h, 3)];
            }
        }
        $b = new SolidBuilder();
        foreach ($s->x as $v => $x) {
            $b->vertex(...isset($this->around[$v]) ? $this->moveVertex($v) : [$x, $s->y[$v], $s->z[$v]]);
        }
        foreach ($s->surfaces as $i => $surface) {
            $b->surface($this->surfaces[$i] ?? $surface);
        }
        $this->addTriangles($b);
        $out = $b->build();
        $this->budget->spend(20 * $out->triangleCount());
        if ($out->facettedVolume() <= 0 || SelfCrossing::found($out)) {
            throw new Refused('no-room', 'The faces would run into each other.');
        }

        return $out;
    }

    /**
     * Newton's method on the surfaces that meet at a vertex; each step is the shortest that fits all of them.
     *
     * @return V
     */
    private function moveVertex(int $v): array
    {
        $s = $this->solid;
        $p = $old = [$s->x[$v], $s->y[$v], $s->z[$v]];
        $scale = 1 + Vector::length($p);
        for ($i = 0; $i < 25; $i++) {
            $this->budget->spend(20 * count($this->around[$v]));
            $rows = $this->conditions($v, $p);
            $step = LeastStep::of($rows);
            $p = Vector::add($p, $step);
            if (Vector::length($step) < 1e-15 * $scale) {
                break;
            }
        }
        foreach ($this->conditions($v, $p) as [$value]) {
            if (abs($value) > self::TOLERANCE * $scale) {
                throw new Refused('no-room', 'More faces meet in one point than can be moved together.');
            }
        }
        if (!is_finite(Vector::length(Vector::sub($p, $old)))) {
            throw new Refused('no-room', 'The faces no longer meet.');
        }
        // a vertex that left the strip its facet stands for is no longer on the round face
        foreach ($this->around[$v] as $f) {
            $surface = $s->surfaces[$s->surfaceOf[$f]];
            if (
                !$surface->isFlat() &&
                !isset($this->surfaces[$s->surfaceOf[$f]]) &&
                abs(SurfaceEquation::distance($surface, $p)) >
                    abs(SurfaceEquation::distance($surface, $old)) + max(Fineness::CHORD, 0.001 * $surface->radius)
            ) {
                throw new Refused('no-room', "The face “{$surface->name}” would have to be continued round.");
            }
        }

        return $p;
    }

    /**
     * Signed distances from all surfaces that meet at a vertex, with unit normals. Faces that stay are held by their
     * facets, so that vertices stay on the lines between them.
     *
     * @param V $p
     * @return list<array{float, V}>
     */
    private function conditions(int $v, array $p): array
    {
        $s = $this->solid;
        $rows = $seen = [];
        foreach ($this->around[$v] as $f) {
            $i = $s->surfaceOf[$f];
            if (isset($this->surfaces[$i])) {
                if (!isset($seen["s$i"])) {
                    $seen["s$i"] = true;
                    $rows[] = [
                        SurfaceEquation::distance($this->surfaces[$i], $p),
                        SurfaceEquation::outward($this->surfaces[$i], $p, [0.0, 0.0, 0.0]),
                    ];
                }

                continue;
            }
            if (isset($seen[$f])) {
                continue;
            }
            $seen[$f] = true;
            [$n, $d] = $this->planes[$f] ?? [[$s->nx[$f], $s->ny[$f], $s->nz[$f]], $s->offset[$f]];
            $rows[] = [Vector::dot($n, $p) - $d, $n];
        }

        return $rows;
    }

    private function addTriangles(SolidBuilder $b): void
    {
        $s = $this->solid;
        $facets = [];
        foreach ($s->facet as $t => $f) {
            $facets[$f][] = $t;
        }
        foreach ($facets as $f => $triangles) {
            $surface = $s->surfaceOf[$f];
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            $own = null;
            if (isset($this->planes[$f])) {
                [$n, $d] = $this->planes[$f];
                $own = $b->facet($n[0], $n[1], $n[2], $d, $surface);
            } elseif (!isset($this->surfaces[$surface])) {
                $own = $b->facet($n[0], $n[1], $n[2], $s->offset[$f], $surface);
            } else {
                // a round face's facet stays one if its corners still lie in one plane
                $first = $this->largest($b, $triangles, $n);
                $one = $b->facetThrough($s->start[3 * $first], $s->start[3 * $first + 1], $s->start[3 * $first + 2], $surface);
                $flat = true;
                foreach ($triangles as $t) {
                    for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                        $flat = $flat && abs($b->height($one, $s->start[$h])) < 1e-11;
                    }
                }
                $own = $flat ? $one : null;
            }
            $corners = array_map(static fn(int $t): array => [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]], $triangles);
            if ($own !== null && count($corners) > 1 && self::turnsOver($b, $corners, $n)) {
                // perhaps only these triangles do, and the outline does not
                $corners = $this->filled($b, $triangles, $n);
            }
            if (self::turnsOver($b, $corners, $n)) {
                throw new Refused('no-room', "The face “{$s->surfaces[$surface]->name}” would vanish or turn over.");
            }
            foreach ($corners as [$p, $q, $r]) {
                $b->triangle($p, $q, $r, $own ?? $b->facetThrough($p, $q, $r, $surface));
            }
        }
    }

    /**
     * @param list<array{int,int,int}> $corners
     * @param V $n
     */
    private static function turnsOver(SolidBuilder $b, array $corners, array $n): bool
    {
        foreach ($corners as [$p, $q, $r]) {
            $longest = max($b->distance2($p, $q), $b->distance2($q, $r), $b->distance2($r, $p));
            if (self::area($b, $p, $q, $r, $n) <= 1e-12 * $longest) {
                return true;
            }
        }

        return false;
    }

    /**
     * The outline of a facet, filled anew.
     *
     * @param list<int> $triangles
     * @param V $n
     * @return list<array{int,int,int}>
     */
    private function filled(SolidBuilder $b, array $triangles, array $n): array
    {
        $s = $this->solid;
        $mine = array_fill_keys($triangles, true);
        $next = [];
        foreach ($triangles as $t) {
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                if (isset($mine[intdiv($s->twin[$h], 3)])) {
                    continue;
                }
                // around the end of this side through the facet's own triangles to the next one on the outline
                $g = $h % 3 === 2 ? $h - 2 : $h + 1;
                while (isset($mine[intdiv($s->twin[$g], 3)])) {
                    $g = $s->twin[$g];
                    $g = $g % 3 === 2 ? $g - 2 : $g + 1;
                }
                $next[$h] = $g;
            }
        }
        $loops = [];
        $seen = [];
        foreach ($next as $h => $_) {
            if (isset($seen[$h])) {
                continue;
            }
            $loop = [];
            for ($g = $h; !isset($seen[$g]); $g = $next[$g]) {
                $seen[$g] = true;
                $loop[] = $s->start[$g];
            }
            $loops[] = $loop;
        }
        $k = abs($n[2]) >= max(abs($n[0]), abs($n[1])) ? 2 : (abs($n[0]) >= abs($n[1]) ? 0 : 1);
        [$u, $w] = [[$b->y, $b->z], [$b->z, $b->x], [$b->x, $b->y]][$k];
        if ($n[$k] < 0) {
            [$u, $w] = [$w, $u];
        }

        return EarClipping::fill($loops, $u, $w);
    }

    /**
     * @param non-empty-list<int> $triangles
     * @param V $n
     */
    private function largest(SolidBuilder $b, array $triangles, array $n): int
    {
        $best = -INF;
        $out = $triangles[0];
        foreach ($triangles as $t) {
            $a = self::area($b, $this->solid->start[3 * $t], $this->solid->start[3 * $t + 1], $this->solid->start[3 * $t + 2], $n);
            if ($a > $best) {
                $best = $a;
                $out = $t;
            }
        }

        return $out;
    }

    /** @param V $n */
    private static function area(SolidBuilder $b, int $p, int $q, int $r, array $n): float
    {
        $u = [$b->x[$q] - $b->x[$p], $b->y[$q] - $b->y[$p], $b->z[$q] - $b->z[$p]];
        $w = [$b->x[$r] - $b->x[$p], $b->y[$r] - $b->y[$p], $b->z[$r] - $b->z[$p]];

        return Vector::dot(Vector::cross($u, $w), $n);
    }
}
