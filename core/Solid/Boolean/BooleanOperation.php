<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\Transform;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use InvalidArgumentException;

/**
 * Union, difference and intersection of two closed solids; the result is closed and consistently oriented.
 *
 * Stages: candidate pairs (BroadPhase), crossings (Crossings with ShadowPredicates), what of each vertex stays
 * (inclusion numbers by flooding), the outlines of every touched face (FaceOutlines), their triangles
 * (Triangulator), and a last clean-up of slivers and needless vertices (CleanUp).
 */
final class BooleanOperation
{
    /** Gaps below this share of the part's size count as touching. */
    public const RELATIVE_TOLERANCE = 2e-13;

    /** Work limit: triangles of both operands. */
    public const MOST_TRIANGLES = 400000;

    public static function union(Solid $p, Solid $q, ?Budget $budget = null): Solid
    {
        return self::run($p, $q, Operation::Union, $budget);
    }

    public static function difference(Solid $p, Solid $q, ?Budget $budget = null): Solid
    {
        return self::run($p, $q, Operation::Difference, $budget);
    }

    public static function intersection(Solid $p, Solid $q, ?Budget $budget = null): Solid
    {
        return self::run($p, $q, Operation::Intersection, $budget);
    }

    /**
     * @throws InvalidArgumentException for an open mesh or coordinates that are no numbers
     * @throws BooleanFailed when the operands are beyond the work limit, or no way to a closed result was found (no input
     *     is known that leads there)
     * @throws OverBudget when it would cost more than it may
     */
    public static function run(Solid $p, Solid $q, Operation $op, ?Budget $budget = null): Solid
    {
        $budget ??= Budget::unlimited();
        foreach ([$p, $q] as $s) {
            if (in_array(-1, $s->twin, true) || !is_finite(array_sum($s->x) + array_sum($s->y) + array_sum($s->z))) {
                throw new InvalidArgumentException('Only closed solids with finite coordinates can be combined.');
            }
        }
        if ($p->triangleCount() + $q->triangleCount() > self::MOST_TRIANGLES) {
            throw new BooleanFailed('Solids with more than ' . self::MOST_TRIANGLES . ' triangles together are not combined.');
        }
        [$p, $q] = SameFaces::matched($p, $q);
        if (SameFaces::areOneSolid($p, $q)) {
            return $op === Operation::Difference ? new Solid() : $p;
        }
        // the choice of axes, or the filters, may be what upset the balance or folded a face
        $best = null;
        $least = INF;
        foreach ([[0, true], [1, true], [2, true], [0, false], [1, false]] as [$axes, $filter]) {
            try {
                $turn = $axes === 0 ? null : self::cyclic($axes);
                $work = $turn === null ? new self($p, $q, $op, $budget) : new self($p->moved($turn), $q->moved($turn), $op, $budget);
                $result = $work->evaluate($filter);
                if ($work->folded < $least) {
                    $least = $work->folded;
                    $best = $turn === null ? $result : $result->moved(self::cyclic(3 - $axes));
                }
                if ($least == 0.0) {
                    break;
                }
            } catch (Imbalance) {
                continue;
            }
        }

        return $best ?? throw new BooleanFailed('The two solids could not be combined.');
    }

    /** x to y to z to x, so many times: an exact turn. */
    private static function cyclic(int $times): Transform
    {
        return new Transform($times === 1 ? [0.0, 0.0, 1.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0] : [0.0, 1.0, 0.0, 0.0, 0.0, 1.0, 1.0, 0.0, 0.0]);
    }

    /** Area of the triangles that came out folded over, mm2. */
    private float $folded = 0.0;

    private function __construct(
        private readonly Solid $p,
        private readonly Solid $q,
        private readonly Operation $op,
        private readonly Budget $budget,
    ) {}

    private function evaluate(bool $filter): Solid
    {
        $p = $this->p;
        $q = $this->q;
        $op = $this->op;
        $a = $p->vertexBox();
        $b = $q->vertexBox();
        $size = max($a[3] - $a[0], $a[4] - $a[1], $a[5] - $a[2], $b[3] - $b[0], $b[4] - $b[1], $b[5] - $b[2]);
        $size = max($size, ...array_map('abs', $a), ...array_map('abs', $b));
        $tolerance = self::RELATIVE_TOLERANCE * $size;
        $common = [];
        for ($k = 0; $k < 3; $k++) {
            $common[$k] = max($a[$k], $b[$k]) - 2 * $tolerance;
            $common[$k + 3] = min($a[$k + 3], $b[$k + 3]) + 2 * $tolerance;
        }
        ksort($common);
        if ($p->isEmpty() || $q->isEmpty() || $common[0] > $common[3] || $common[1] > $common[4] || $common[2] > $common[5]) {
            return match ($op) {
                Operation::Intersection => new Solid(),
                Operation::Difference => $p,
                Operation::Union => $p->isEmpty() ? $q : ($q->isEmpty() ? $p : $this->beside()),
            };
        }
        $margin = $filter ? 1e-6 * $size : INF;
        $pair = new OperandPair($p, $q);
        $this->budget->hold($p->triangleCount() + $q->triangleCount());
        $broad = new BroadPhase($pair, $common, 2 * $tolerance, $margin, $this->budget);
        $shadow = new ShadowPredicates($pair, $op === Operation::Union ? 1.0 : -1.0, $tolerance, $broad->pLeaving());
        $crossings = new Crossings($pair, $shadow, $broad, $op, $margin, $this->budget);
        $inclusion = new Inclusion($pair, $shadow, $broad, $crossings, $op);
        $outlines = new FaceOutlines($pair, $shadow, $crossings, $inclusion, $tolerance);

        [$mesh, $narrow] = $this->filled($pair, $outlines, $size, $tolerance);
        // untouched facets too may continue in one of the other solid: on flats, and on rounds that both have
        $keys = array_map(static fn(Surface $s): string => $s->geometryKey(), $pair->surfaces);
        $both = array_intersect(array_slice($keys, 0, $pair->pSurfaces), array_slice($keys, $pair->pSurfaces));
        $keys = array_filter($keys, static fn(string $key): bool => $key === 'plane' || in_array($key, $both, true));
        $flats = [];
        foreach ($broad->pTriangles as $t) {
            $f = $pair->pFacet[$t];
            if (isset($keys[$pair->fSurface[$f]])) {
                $flats[$f] = true;
            }
        }
        foreach ($broad->qTriangles as $t) {
            $f = $pair->qFacet[$t];
            if (isset($keys[$pair->fSurface[$f]])) {
                $flats[$op === Operation::Difference ? $pair->flip($f) : $f] = true;
            }
        }

        return CleanUp::run($mesh, $pair, $outlines->oldTriangles, $tolerance, $size, $flats, $keys, $narrow);
    }

    private function beside(): Solid
    {
        $this->budget->hold($this->p->triangleCount() + $this->q->triangleCount());

        return $this->p->beside($this->q);
    }

    /** @return array{Solid, bool} the closed mesh and whether it may have sides without length */
    private function filled(OperandPair $pair, FaceOutlines $outlines, float $size, float $tolerance): array
    {
        $first = new Triangulator($outlines, $pair, 1e-7 * $size, $tolerance);
        $facets = [];
        foreach ($outlines->groups as $face => $loops) {
            $ofQ = ($face & 1) === 1;
            $facet = $ofQ ? $pair->qFacet[$face >> 1] : $pair->pFacet[$face >> 1];
            $facets[$face] = $ofQ && $this->op === Operation::Difference ? $pair->flip($facet) : $facet;
            $first->fill($loops, $facets[$face], $face);
        }
        if ($first->foldedFaces === []) {
            return [$first->mesh(), false];
        }
        // outlines that cross themselves: all faces of their planes are filled together
        $second = new Triangulator($outlines, $pair, 1e-7 * $size, $tolerance);
        $left = $outlines->groups;
        foreach (array_keys($first->foldedFaces) as $folded) {
            if (!isset($left[$folded])) {
                continue;
            }
            $f = $facets[$folded];
            $polygons = [];
            foreach ($left as $face => $loops) {
                $g = $facets[$face];
                $cos = $pair->fx[$f] * $pair->fx[$g] + $pair->fy[$f] * $pair->fy[$g] + $pair->fz[$f] * $pair->fz[$g];
                if (abs($cos) > 1 - 1e-14 && abs($pair->fd[$f] - $cos * $pair->fd[$g]) <= $tolerance) {
                    $polygons[$face] = [$loops, $cos > 0, $g];
                    unset($left[$face]);
                }
            }
            if ($polygons !== []) {
                $second->fillPlane($polygons, $f);
            }
        }
        foreach ($left as $face => $loops) {
            $second->fill($loops, $facets[$face], $face);
        }

        $this->folded = min($first->folded, $second->folded);

        return $second->folded < $first->folded ? [$second->mesh(), true] : [$first->mesh(), false];
    }
}
