<?php

declare(strict_types=1);

namespace Cubo\Measure\Contact;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\TriangleDistance;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * The triangles of a solid or of one of its bodies, in a tree of boxes: for questions that go to two of them at once.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Box array{float,float,float,float,float,float}
 */
final class TriangleSet
{
    private const LEAF = 6;

    /** What facets of free faces stray from them, mm. */
    private const FREE = 0.03;

    /** Facets stray from their face by a little more at the middle than at their own middles. */
    private const MORE = 1.4;

    /** Less than this, mm, is nothing. */
    private const SAME = 1e-6;

    /** Tangent of the greatest angle between a facet and its face. */
    private const LEANS = 0.2;

    /** Units a triangle costs that a point is looked for on. */
    private const POINT = 3;

    /** @var array<int, Box> least and greatest x, y, z by node */
    public array $box = [];

    /** @var array<int, list<int>> triangles of a leaf; none for an inner node, whose left child is the next node */
    public array $leaf = [];

    /** @var array<int, int> right child of an inner node */
    public array $right = [];

    /** @var array<int, int> number of the surface by node, -1 where there are several */
    public array $face = [];

    /** @var array<int, Box> by triangle */
    public array $boxOf = [];

    /** @var array<int, array{V, float}> middle and greatest distance from it by triangle */
    private array $round = [];

    private ?float $rise = null;

    /**
     * @param list<int> $triangles at least one
     *
     * @throws OverBudget
     */
    public function __construct(
        public readonly Solid $solid,
        public readonly array $triangles,
        public readonly Budget $budget = new Budget(),
    ) {
        $budget->spend(4 * count($triangles));
        $centre = [[], [], []];
        foreach ($triangles as $t) {
            [$a, $b, $c] = $this->corners($t);
            $this->boxOf[$t] = $box = [
                min($a[0], $b[0], $c[0]),
                min($a[1], $b[1], $c[1]),
                min($a[2], $b[2], $c[2]),
                max($a[0], $b[0], $c[0]),
                max($a[1], $b[1], $c[1]),
                max($a[2], $b[2], $c[2]),
            ];
            foreach ([0, 1, 2] as $k) {
                $centre[$k][$t] = $box[$k] + $box[$k + 3];
            }
        }
        $this->split($triangles, $centre);
    }

    /**
     * @param list<int> $triangles
     * @param array<int, array<int, float>> $centre twice the middles of the boxes, by axis and triangle
     */
    private function split(array $triangles, array $centre): void
    {
        $box = [INF, INF, INF, -INF, -INF, -INF];
        foreach ($triangles as $t) {
            $o = $this->boxOf[$t];
            $box = [
                min($box[0], $o[0]),
                min($box[1], $o[1]),
                min($box[2], $o[2]),
                max($box[3], $o[3]),
                max($box[4], $o[4]),
                max($box[5], $o[5]),
            ];
        }
        $id = count($this->box);
        $this->box[] = $box;
        $faces = array_unique(array_map(fn(int $t): int => $this->solid->surfaceOf[$this->solid->facet[$t]], $triangles));
        $this->face[] = count($faces) === 1 ? reset($faces) : -1;
        $this->leaf[] = [];
        $this->right[] = -1;
        if (count($triangles) <= self::LEAF) {
            $this->leaf[$id] = $triangles;

            return;
        }
        $long = [$box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2]];
        $axis = (int) array_search(max($long), $long, true);
        $keys = array_intersect_key($centre[$axis], array_fill_keys($triangles, true));
        asort($keys);
        $sorted = array_keys($keys);
        $half = intdiv(count($sorted), 2);
        $this->split(array_slice($sorted, 0, $half), $centre);
        $this->right[$id] = count($this->box);
        $this->split(array_slice($sorted, $half), $centre);
    }

    /** @return array{V, V, V} */
    public function corners(int $t): array
    {
        $s = $this->solid;
        [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];

        return [[$s->x[$a], $s->y[$a], $s->z[$a]], [$s->x[$b], $s->y[$b], $s->z[$b]], [$s->x[$c], $s->y[$c], $s->z[$c]]];
    }

    /** @return array{V, float} the middle of a triangle, and how far its corners are from there */
    public function around(int $t): array
    {
        if (!isset($this->round[$t])) {
            $c = $this->corners($t);
            $m = Vector::middle($c);
            $this->round[$t] = [$m, max(Vector::distance($m, $c[0]), Vector::distance($m, $c[1]), Vector::distance($m, $c[2]))];
        }

        return $this->round[$t];
    }

    public function surface(int $t): Surface
    {
        return $this->solid->surfaceOfTriangle($t);
    }

    /** How far facets stray from their true faces at the most, mm; nothing where all are flat. */
    public function rise(): float
    {
        return $this->rise ??= $this->measureRise();
    }

    private function measureRise(): float
    {
        $most = 0.0;
        foreach ($this->triangles as $t) {
            $surface = $this->surface($t);
            if ($surface->isFlat()) {
                continue;
            }
            if ($surface->patch !== null) {
                $most = max($most, self::FREE);

                continue;
            }
            [$a, $b, $c] = $this->corners($t);
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$p, $q]) {
                $most = max(
                    $most,
                    abs(SurfaceEquation::distance($surface, [($p[0] + $q[0]) / 2, ($p[1] + $q[1]) / 2, ($p[2] + $q[2]) / 2])),
                );
            }
        }
        $this->budget->spend(2 * count($this->triangles));

        return self::MORE * $most;
    }

    /**
     * Whether a point of a true face lies on that face as far as its facets go: above or below them by no more than they
     * stray from it. Beside them only a flat face with a round rim goes on a little, between chord and arc.
     *
     * @param V $p
     *
     * @throws OverBudget
     */
    public function has(array $p, Surface $face): bool
    {
        $within = $this->rise() + self::SAME;
        $point = [...$p, ...$p];
        for ($stack = [0], $seen = 0; $stack !== []; $seen++) {
            $n = array_pop($stack);
            if (self::apart2($this->box[$n], $point) > $within * $within) {
                continue;
            }
            if ($this->right[$n] >= 0) {
                array_push($stack, $n + 1, $this->right[$n]);

                continue;
            }
            foreach ($this->leaf[$n] as $t) {
                if (
                    $this->surface($t) === $face &&
                    self::apart2($this->boxOf[$t], $point) <= $within * $within &&
                    $this->isOver($t, $p, $within)
                ) {
                    $this->budget->spend($seen);

                    return true;
                }
            }
        }
        $this->budget->spend($seen);

        return false;
    }

    /**
     * The point of the facets nearest to a point.
     *
     * @param V $p
     * @return array{V, int} and its triangle
     *
     * @throws OverBudget
     */
    public function nearest(array $p): array
    {
        $best = [$p, -1];
        $least = INF;
        $point = [...$p, ...$p];
        for ($stack = [[0, 0.0]]; $stack !== []; ) {
            [$n, $apart] = array_pop($stack);
            if ($apart >= $least) {
                continue;
            }
            if ($this->right[$n] >= 0) {
                $next = [
                    [$n + 1, self::apart2($this->box[$n + 1], $point)],
                    [$this->right[$n], self::apart2($this->box[$this->right[$n]], $point)],
                ];
                // the nearer one last, so that it is looked at first
                array_push($stack, ...$next[0][1] > $next[1][1] ? $next : array_reverse($next));

                continue;
            }
            foreach ($this->leaf[$n] as $t) {
                if (self::apart2($this->boxOf[$t], $point) < $least) {
                    $this->budget->spend(self::POINT);
                    [$d, $q] = TriangleDistance::fromPoint($p, $this->corners($t));
                    if ($d * $d < $least) {
                        [$least, $best] = [$d * $d, [$q, $t]];
                    }
                }
            }
        }

        return $best;
    }

    /** @param V $p */
    private function isOver(int $t, array $p, float $within): bool
    {
        $this->budget->spend(self::POINT);
        [$d, $q] = TriangleDistance::fromPoint($p, $c = $this->corners($t));
        if ($d > $within) {
            return false;
        }
        $s = $this->solid;
        $f = $s->facet[$t];
        $surface = $this->surface($t);
        $way = Vector::sub($p, $q);
        foreach ($c as $corner) {
            // from one triangle alone nobody knows whether a rim begins at its corner: what lies right over it does on others, too
            if (Vector::distance($corner, $q) <= self::SAME * 1e-3) {
                $n = SurfaceEquation::outward($surface, $p, [$s->nx[$f], $s->ny[$f], $s->nz[$f]]);

                return Vector::length(Vector::add($way, $n, -Vector::dot($way, $n))) <= self::SAME;
            }
        }
        for ($k = 0; $k < 3; $k++) {
            $o = $s->twin[3 * $t + $k];
            $next = $o < 0 ? null : $s->surfaceOfTriangle(intdiv($o, 3));
            $e = Vector::sub($c[($k + 1) % 3], $c[$k]);
            $long = Vector::length($e);
            if (
                $next === $surface ||
                $long < 1e-12 ||
                Vector::length(Vector::cross(Vector::sub($q, $c[$k]), $e)) > self::SAME * 1e-3 * (1 + $long) * $long
            ) {
                continue;
            }
            // past a rim, seen along the facet
            $beyond = Vector::dot($way, Vector::cross($e, [$s->nx[$f], $s->ny[$f], $s->nz[$f]])) / $long;
            $slack = match ($surface->kind) {
                SurfaceKind::Plane => $next?->isFlat() === false ? $within : 0.0,
                SurfaceKind::Cylinder, SurfaceKind::Cone => 0.0,
                // facets lean against a face that bends two ways
                default => self::LEANS * $d,
            };
            if ($beyond > self::SAME + $slack) {
                return false;
            }
        }

        return true;
    }

    /**
     * Squared distance of two boxes.
     *
     * @param Box $a
     * @param Box $b
     */
    public static function apart2(array $a, array $b): float
    {
        $x = $a[0] > $b[3] ? $a[0] - $b[3] : ($b[0] > $a[3] ? $b[0] - $a[3] : 0.0);
        $y = $a[1] > $b[4] ? $a[1] - $b[4] : ($b[1] > $a[4] ? $b[1] - $a[4] : 0.0);
        $z = $a[2] > $b[5] ? $a[2] - $b[5] : ($b[2] > $a[5] ? $b[2] - $a[5] : 0.0);

        return $x * $x + $y * $y + $z * $z;
    }
}
