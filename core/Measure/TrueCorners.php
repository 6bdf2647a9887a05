<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\LeastStep;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;

/**
 * How far a solid reaches where a round face is cut: the mesh has its corners there on chords, the true edge lies farther out.
 * A corner is moved onto all true faces that meet in it by the shortest steps (Newton's method with the least squares of the
 * step: A. Ben-Israel, "A Newton-Raphson Method for the Solution of Systems of Equations", Journal of Mathematical Analysis and
 * Applications 15, 1966); along an edge the farthest place is looked for by golden sections.
 *
 * @phpstan-type V array{float,float,float}
 */
final class TrueCorners
{
    /** mm and share of the extent by which a corner on a chord may lie inside */
    private const NEAR = 0.1;

    private const SHARE = 2e-3;

    private const MOST_STEPS = 12;

    /** mm: near enough to stop */
    private const FOUND = 1e-13;

    /** mm by which a corner found must keep to its faces */
    private const KEPT = 1e-7;

    private const SECTIONS = 36;

    private const GOLDEN = 0.6180339887498949;

    /** Units for one step of a corner. */
    private const STEP = 10;

    /** @var array<int, list<int>>|null one facet of every face around the corners in which a round face is cut, by vertex */
    private ?array $facets = null;

    /** @var array<int, list<array{int, int, int}>> edges between two faces of which one is round: far corner and a facet of each, by the near corner */
    private array $edges = [];

    public function __construct(private readonly Solid $solid, private readonly Budget $budget) {}

    /**
     * @param int $k 0, 1 or 2 for x, y, z
     * @param float $sign 1 for the greatest, -1 for the least
     * @param float $known what is reached already, mm
     * @return float what is reached with the true edges, mm
     *
     * @throws OverBudget
     */
    public function farthest(int $k, float $sign, float $known, float $extent): float
    {
        $this->facets ??= $this->findFacets();
        $along = [$this->solid->x, $this->solid->y, $this->solid->z][$k];
        $least = $sign * $known - max(self::NEAR, self::SHARE * $extent);
        $best = $sign * $known;
        $near = [];
        foreach ($this->facets as $v => $facets) {
            if ($sign * $along[$v] >= $least) {
                $near[$v] = $true = $this->onAll($this->point($v), $facets);
                $best = max($best, $true === null ? -INF : $sign * $true[$k]);
            }
        }
        foreach ($near as $v => $a) {
            foreach ($this->edges[$v] ?? [] as [$w, $f, $g]) {
                $b = $near[$w] ?? null;
                if ($a !== null && $b !== null) {
                    $best = max($best, $this->along($v, $w, [$f, $g], static fn(array $p): float => $sign * $p[$k]));
                }
            }
        }

        return $sign * $best;
    }

    /** @return array<int, list<int>> */
    private function findFacets(): array
    {
        $s = $this->solid;
        $this->budget->spend(count($s->facet));
        $round = array_map(static fn($u): bool => !$u->isFlat(), $s->surfaces);
        $out = [];
        foreach ($s->twin as $h => $o) {
            $f = $s->facet[intdiv($h, 3)];
            $g = $o < 0 ? $f : $s->facet[intdiv($o, 3)];
            if ($s->surfaceOf[$f] === $s->surfaceOf[$g] || (!$round[$s->surfaceOf[$f]] && !$round[$s->surfaceOf[$g]])) {
                continue;
            }
            if ($h < $o) {
                $this->edges[$s->start[$h]][] = [$s->start[$o], $f, $g];
            }
            $out[$s->start[$h]] = [];
            $out[$s->start[$o]] = [];
        }
        foreach ($s->start as $h => $v) {
            $f = $s->facet[intdiv($h, 3)];
            if (isset($out[$v])) {
                // flats by their facet: those of one name may be several
                $out[$v][$round[$s->surfaceOf[$f]] ? -1 - $s->surfaceOf[$f] : $f] = $f;
            }
        }

        return array_map(array_values(...), $out);
    }

    /** @return V */
    private function point(int $v): array
    {
        return [$this->solid->x[$v], $this->solid->y[$v], $this->solid->z[$v]];
    }

    /**
     * The nearest place that lies on all true faces, none where there is none near.
     *
     * @param V $p
     * @param list<int> $facets
     * @return V|null
     */
    private function onAll(array $p, array $facets): ?array
    {
        for ($i = 0; $i < self::MOST_STEPS; $i++) {
            $this->budget->spend(self::STEP);
            $rows = [];
            $most = 0.0;
            foreach ($facets as $f) {
                $n = [$this->solid->nx[$f], $this->solid->ny[$f], $this->solid->nz[$f]];
                $surface = $this->solid->surfaces[$this->solid->surfaceOf[$f]];
                $d = $surface->isFlat() ? Vector::dot($n, $p) - $this->solid->offset[$f] : $this->above($surface, $p, $n);
                $rows[] = [$d, SurfaceEquation::outward($surface, $p, $n)];
                $most = max($most, abs($d));
            }
            if ($most < self::FOUND) {
                return $p;
            }
            $p = Vector::add($p, LeastStep::of($rows));
        }

        return $most < self::KEPT ? $p : null;
    }

    /**
     * How far a point lies outside of a round face, on the side of a facet's normal.
     *
     * @param V $p
     * @param V $n
     */
    private function above(Surface $surface, array $p, array $n): float
    {
        $foot = SurfaceEquation::foot($surface, $p);

        return Vector::dot(Vector::sub($p, $foot), SurfaceEquation::outward($surface, $p, $n));
    }

    /**
     * The most a value reaches on the true curve between two corners.
     *
     * @param array{int, int} $facets
     * @param Closure(V): float $value
     */
    private function along(int $v, int $w, array $facets, Closure $value): float
    {
        [$a, $b] = [$this->point($v), $this->point($w)];
        $at = function (float $t) use ($a, $b, $facets, $value): float {
            $p = $this->onAll(Vector::add($a, Vector::sub($b, $a), $t), $facets);

            return $p === null ? -INF : $value($p);
        };
        [$low, $high, $best] = [0.0, 1.0, $at(0.5)];
        if ($best <= max($value($a), $value($b)) && ($at(0.1) <= $value($a) && $at(0.9) <= $value($b))) {
            return $best;
        }
        for ($i = 0; $i < self::SECTIONS; $i++) {
            $s = $high - self::GOLDEN * ($high - $low);
            $t = $low + self::GOLDEN * ($high - $low);
            [$u, $x] = [$at($s), $at($t)];
            $best = max($best, $u, $x);
            $u > $x ? ($high = $t) : ($low = $s);
        }

        return $best;
    }
}
