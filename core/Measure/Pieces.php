<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;

/**
 * How many pieces a part would fall into. Unlike Bodies, which follows the mesh, two solids that touch only along an
 * edge or in a point count as two: a print of them would not hold together.
 *
 * Where more than two faces meet at an edge, those belong together that enclose material between them. Triangles
 * without area, which the mesh may have where solids touch, connect nothing.
 */
final class Pieces
{
    private const NEAR = 1e-7;

    /** Doubtful edges that are compared each with each. */
    private const MOST = 3000;

    /** @var array<int, int> parent by triangle */
    private array $parent = [];

    /** @var array<int, bool> */
    private array $thin = [];

    private readonly float $near;

    private function __construct(private readonly Solid $s)
    {
        $box = $s->vertexBox();
        $this->near = self::NEAR * max(1.0, $box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2]);
    }

    public static function count(Solid $s): int
    {
        $whole = count(Bodies::of($s));
        $p = new self($s);

        return $p->touches() ? max($whole, $p->join()) : $whole;
    }

    /** Whether the mesh has a place where solids may touch only along an edge or in a point. */
    private function touches(): bool
    {
        $s = $this->s;
        foreach ($s->facet as $t => $_) {
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $u = [$s->x[$b] - $s->x[$a], $s->y[$b] - $s->y[$a], $s->z[$b] - $s->z[$a]];
            $w = [$s->x[$c] - $s->x[$a], $s->y[$c] - $s->y[$a], $s->z[$c] - $s->z[$a]];
            $area = sqrt(($u[1] * $w[2] - $u[2] * $w[1]) ** 2 + ($u[2] * $w[0] - $u[0] * $w[2]) ** 2 + ($u[0] * $w[1] - $u[1] * $w[0]) ** 2);
            $this->thin[$t] = $area < $this->near * $this->near;
        }

        return in_array(true, $this->thin, true);
    }

    private function join(): int
    {
        $s = $this->s;
        $loose = [];
        foreach ($s->facet as $t => $_) {
            if (! $this->thin[$t]) {
                $this->parent[$t] = $t;
            }
        }
        // an edge is doubtful when its other side has no area, or when several edges lie in one place
        $at = [];
        foreach (array_keys($this->parent) as $t) {
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $at[$this->placeOf($h)][] = $h;
            }
        }
        foreach ($at as $list) {
            foreach ($list as $h) {
                if (count($list) === 2 && ! $this->thin[intdiv($s->twin[$h], 3)]) {
                    $this->unite(intdiv($h, 3), intdiv($s->twin[$h], 3));
                } else {
                    $loose[] = $h;
                }
            }
        }
        if (count($loose) > self::MOST) {
            return 0; // the mesh's own count stands: comparing all of them would take too long
        }
        foreach ($loose as $h) {
            $best = [];
            $least = INF;
            foreach ($loose as $g) {
                $wedge = $this->wedge($h, $g);
                if ($wedge !== null && $wedge < $least - 1e-6) {
                    $best = [$g];
                    $least = $wedge;
                } elseif ($wedge !== null && $wedge < $least + 1e-6) {
                    $best[] = $g;
                }
            }
            foreach ($best as $g) {
                $this->unite(intdiv($h, 3), intdiv($g, 3));
            }
        }
        $roots = [];
        foreach (array_keys($this->parent) as $t) {
            $roots[$this->root($t)] = true;
        }

        return count($roots) - $this->hollows(array_keys($roots));
    }

    /**
     * Shells that enclose no material are hollows of another piece.
     *
     * @param list<int> $roots
     */
    private function hollows(array $roots): int
    {
        $s = $this->s;
        $volume = array_fill_keys($roots, 0.0);
        foreach (array_keys($this->parent) as $t) {
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $volume[$this->root($t)] += $s->x[$a] * ($s->y[$b] * $s->z[$c] - $s->z[$b] * $s->y[$c]) + $s->y[$a] * ($s->z[$b] * $s->x[$c] - $s->x[$b] * $s->z[$c]) + $s->z[$a] * ($s->x[$b] * $s->y[$c] - $s->y[$b] * $s->x[$c]);
        }

        return count(array_filter($volume, static fn (float $v): bool => $v <= 0));
    }

    /** The place of an edge, the same for all edges that lie there. */
    private function placeOf(int $h): string
    {
        $s = $this->s;
        $a = $s->start[$h];
        $b = $s->start[$s->twin[$h]];
        $key = fn (int $v): string => round($s->x[$v] / $this->near) . ',' . round($s->y[$v] / $this->near) . ',' . round($s->z[$v] / $this->near);
        $p = $key($a);
        $q = $key($b);

        return $p < $q ? "$p|$q" : "$q|$p";
    }

    /** The angle of material between the faces of two edges that run against each other in one place; null if they do not. */
    private function wedge(int $h, int $g): ?float
    {
        $s = $this->s;
        [$a, $b, $c, $d] = [$s->start[$h], $s->start[$s->twin[$h]], $s->start[$g], $s->start[$s->twin[$g]]];
        $e = [$s->x[$b] - $s->x[$a], $s->y[$b] - $s->y[$a], $s->z[$b] - $s->z[$a]];
        $length = sqrt($e[0] ** 2 + $e[1] ** 2 + $e[2] ** 2);
        if ($length < $this->near || $h === $g) {
            return null;
        }
        $e = [$e[0] / $length, $e[1] / $length, $e[2] / $length];
        $along = [];
        foreach ([$c, $d] as $v) {
            $r = [$s->x[$v] - $s->x[$a], $s->y[$v] - $s->y[$a], $s->z[$v] - $s->z[$a]];
            $k = $r[0] * $e[0] + $r[1] * $e[1] + $r[2] * $e[2];
            if (sqrt(($r[0] - $k * $e[0]) ** 2 + ($r[1] - $k * $e[1]) ** 2 + ($r[2] - $k * $e[2]) ** 2) > 2 * $this->near) {
                return null;
            }
            $along[] = $k;
        }
        if ($along[0] <= $along[1] || min($length, $along[0]) - max(0.0, $along[1]) < $this->near) {
            return null;
        }
        // directions into both faces, seen along the edge; material lies clockwise of the face on the left of h
        $f = $s->facet[intdiv($h, 3)];
        $k = $s->facet[intdiv($g, 3)];
        $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
        $m = [$s->nx[$k], $s->ny[$k], $s->nz[$k]];
        $into = [$n[1] * $e[2] - $n[2] * $e[1], $n[2] * $e[0] - $n[0] * $e[2], $n[0] * $e[1] - $n[1] * $e[0]];
        $other = [-($m[1] * $e[2] - $m[2] * $e[1]), -($m[2] * $e[0] - $m[0] * $e[2]), -($m[0] * $e[1] - $m[1] * $e[0])];
        $angle = atan2($other[0] * -$n[0] + $other[1] * -$n[1] + $other[2] * -$n[2], $other[0] * $into[0] + $other[1] * $into[1] + $other[2] * $into[2]);

        return $angle <= 1e-9 ? $angle + 2 * M_PI : $angle;
    }

    private function root(int $t): int
    {
        while ($this->parent[$t] !== $t) {
            $t = $this->parent[$t] = $this->parent[$this->parent[$t]];
        }

        return $t;
    }

    private function unite(int $a, int $b): void
    {
        $this->parent[$this->root($a)] = $this->root($b);
    }
}
