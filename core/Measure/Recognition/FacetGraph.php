<?php

declare(strict_types=1);

namespace Cubo\Measure\Recognition;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;

/**
 * A bare mesh with its triangles gathered to facets: those in one plane that hang together are one.
 *
 * @phpstan-type V array{float,float,float}
 */
final class FacetGraph
{
    /** Cosine of the greatest turn from facet to facet of a round face: a full circle has at least 16. */
    public const TURN = 0.92;

    /** Facets with more sides than this are flats beside a round face, none of its own. */
    private const SIDES = 8;

    /** Facets that are looked at for a unit. */
    private const LOOKED_AT = 8;

    /** Units that gathering costs a triangle. */
    private const GATHERED = 8;

    /** Cosine of the angle below which two triangles lie in one plane. */
    private const FLAT = 1 - 1e-7;

    /** @var array<int, int> facet by triangle */
    public array $facetOf = [];

    /** @var array<int, V> unit normal by facet */
    public array $normal = [];

    /** @var array<int, float> */
    public array $offset = [];

    /** @var array<int, list<int>> triangles by facet */
    public array $triangles = [];

    /** @var array<int, list<int>> half-edges to other facets, by facet */
    public array $borders = [];

    /** @throws OverBudget */
    public function __construct(public readonly Solid $mesh, private readonly Budget $budget = new Budget())
    {
        $budget->spend(self::GATHERED * $mesh->triangleCount());
        $this->gatherFlats();
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
            $area[$t] = sqrt(
                ($u[1] * $w[2] - $u[2] * $w[1]) ** 2 + ($u[2] * $w[0] - $u[0] * $w[2]) ** 2 + ($u[0] * $w[1] - $u[1] * $w[0]) ** 2,
            );
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
            for ($stack = [$seed]; $stack !== []; ) {
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
                    if (
                        $n[0] * $m->nx[$g] + $n[1] * $m->ny[$g] + $n[2] * $m->nz[$g] > self::FLAT &&
                        $off < 1e-5 * max(1.0, abs($this->offset[$id]))
                    ) {
                        $this->facetOf[$o] = $id;
                        $stack[] = $o;
                    }
                }
            }
        }
        ksort($this->facetOf);
        foreach ($this->facetOf as $t => $f) {
            $this->triangles[$f][] = $t;
        }
        foreach ($m->twin as $h => $o) {
            $f = $this->facetOf[intdiv($h, 3)];
            if ($o >= 0 && $this->facetOf[intdiv($o, 3)] !== $f) {
                $this->borders[$f][] = $h;
            }
        }
    }

    /**
     * Half-edges from a facet to others. Whatever is looked for goes along them, so they are what is counted.
     *
     * @return list<int>
     *
     * @throws OverBudget
     */
    public function bordersOf(int $f): array
    {
        $borders = $this->borders[$f] ?? [];
        $this->budget->spend(1 + count($borders));

        return $borders;
    }

    /**
     * @return list<int> all facets, for one look at each
     *
     * @throws OverBudget
     */
    public function all(): array
    {
        $this->budget->spend(intdiv(count($this->normal), self::LOOKED_AT));

        return array_keys($this->normal);
    }

    /** @return array{float,float,float}|null unit direction of an edge; none for a very short one */
    public function direction(int $h): ?array
    {
        $m = $this->mesh;
        $a = $m->start[$h];
        $b = $m->start[$m->twin[$h]];
        $d = [$m->x[$b] - $m->x[$a], $m->y[$b] - $m->y[$a], $m->z[$b] - $m->z[$a]];
        $l = sqrt($d[0] ** 2 + $d[1] ** 2 + $d[2] ** 2);

        return $l < 1e-4 ? null : [$d[0] / $l, $d[1] / $l, $d[2] / $l];
    }

    /** Whether it may be a facet of something that bends two ways. */
    public function isSmall(int $f): bool
    {
        return count($this->borders[$f] ?? []) <= self::SIDES;
    }

    /**
     * Whether facets bend in two directions: the normals of a cylinder or of a cone lie on one circle.
     *
     * @param list<int> $facets
     */
    public function bulges(array $facets): bool
    {
        $n = count($facets);
        $mean = [0.0, 0.0, 0.0];
        foreach ($facets as $f) {
            $mean = Vector::add($mean, $this->normal[$f], 1 / $n);
        }
        $c = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        foreach ($facets as $f) {
            $d = Vector::sub($this->normal[$f], $mean);
            for ($i = 0; $i < 3; $i++) {
                for ($j = 0; $j < 3; $j++) {
                    $c[$i][$j] += ($d[$i] * $d[$j]) / $n;
                }
            }
        }

        return Vector::dot($c[0], Vector::cross($c[1], $c[2])) > 1e-9;
    }

    /** Whether flats of a solid still follow each other smoothly: facets of a round face that was not found. */
    public static function bends(Solid $s): bool
    {
        foreach ($s->twin as $h => $o) {
            if ($o < $h) {
                continue;
            }
            [$f, $g] = [$s->facet[intdiv($h, 3)], $s->facet[intdiv($o, 3)]];
            if ($f !== $g && $s->surfaces[$s->surfaceOf[$f]]->isFlat() && $s->surfaces[$s->surfaceOf[$g]]->isFlat()) {
                $turn = $s->nx[$f] * $s->nx[$g] + $s->ny[$f] * $s->ny[$g] + $s->nz[$f] * $s->nz[$g];
                if ($turn > self::TURN && $turn < self::FLAT) {
                    return true;
                }
            }
        }

        return false;
    }

    /** The facet on the other side of a half-edge. */
    public function across(int $h): int
    {
        return $this->facetOf[intdiv($this->mesh->twin[$h], 3)];
    }

    /** @return V */
    public function corner(int $v): array
    {
        return [$this->mesh->x[$v], $this->mesh->y[$v], $this->mesh->z[$v]];
    }

    /** Cosine of the turn between the facets on both sides of a half-edge. */
    public function turn(int $h): float
    {
        $a = $this->normal[$this->facetOf[intdiv($h, 3)]];
        $b = $this->normal[$this->across($h)];

        return $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
    }
}
