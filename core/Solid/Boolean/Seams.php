<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Solid\MaterialPairing;
use Cubo\Solid\VertexWelding;

/**
 * Where parts of a solid touch along an edge or in a point, a boolean may leave bridges without width, vertices used
 * by several fans and edges used by several pairs of faces. Here vertices in one place become one, what has no area
 * goes, and around every edge those faces are joined that have material between them; then every fan gets a vertex
 * of its own. So solids that only touch fall apart, and what hangs together over a face stays together.
 */
final class Seams
{
    /** @var array<int, true> vertices of new triangles */
    private array $near = [];

    /** @var list<int> half-edges that start at one of them */
    private array $active = [];

    private function __construct(private readonly WorkingMesh $mesh) {}

    public static function run(WorkingMesh $mesh): void
    {
        $s = new self($mesh);
        $s->gather();
        $s->weld();
        $s->dropWithoutArea();
        $s->joinAroundEdges();
        $s->dropThinPieces();
        $s->splitFans();
        $s->splitDoubleEdges();
    }

    /** Only what must go before anything else can be done: vertices in one place, and triangles with a side without length. */
    public static function weldOnly(WorkingMesh $mesh): void
    {
        $s = new self($mesh);
        $s->gather();
        $s->weld(true);
    }

    private function gather(): void
    {
        $m = $this->mesh;
        $n = count($m->start);
        for ($h = 3 * $m->whole; $h < $n; $h++) {
            if ($m->facet[intdiv($h, 3)] >= 0) {
                $this->near[$m->start[$h]] = true;
            }
        }
        for ($h = 0; $h < $n; $h++) {
            if (isset($this->near[$m->start[$h]]) && $m->facet[intdiv($h, 3)] >= 0) {
                $this->active[] = $h;
            }
        }
    }

    private function weld(bool $narrow = false): void
    {
        $m = $this->mesh;
        $same = VertexWelding::find(array_keys($this->near), $m->x, $m->y, $m->z, $m->eps);
        if ($same === [] && !$narrow) {
            return;
        }
        foreach ($this->active as $h) {
            $m->start[$h] = $same[$m->start[$h]] ?? $m->start[$h];
        }
        foreach ($this->active as $h) {
            if ($m->facet[intdiv($h, 3)] >= 0 && $m->start[$h] === $m->start[$h % 3 === 2 ? $h - 2 : $h + 1]) {
                $m->dropNarrow($h);
            }
        }
    }

    /** Triangles without height hand their long side to the neighbour there; flaps without thickness go. */
    private function dropWithoutArea(): void
    {
        $m = $this->mesh;
        $start = &$m->start;
        $queue = [];
        // a little more than what counts as touching, so that nothing is left in between
        $eps2 = 9 * $m->eps * $m->eps;
        for ($t = $m->whole, $n = count($m->facet); $t < $n; $t++) {
            if ($m->facet[$t] >= 0) {
                $a = $start[3 * $t];
                $b = $start[3 * $t + 1];
                $c = $start[3 * $t + 2];
                $area = $m->area($a, $b, $c, $m->facet[$t]);
                if ($area * $area <= $eps2 * max($m->distance2($a, $b), $m->distance2($b, $c), $m->distance2($c, $a))) {
                    $queue[] = $t;
                }
            }
        }
        $limit = 10 * count($queue) + 100;
        for ($i = 0; $i < count($queue) && $i < $limit; $i++) {
            $t = $queue[$i];
            if ($m->facet[$t] < 0) {
                continue;
            }
            $long = $this->longSideOfNeedle($t, $eps2);
            if ($long < 0) {
                continue;
            }
            $c = $start[$long % 3 === 0 ? $long + 2 : $long - 1];
            $o = $m->twin[$long];
            $u = intdiv($o, 3);
            if ($u === $t || $this->contract($t)) {
                continue;
            }
            if ($start[$o % 3 === 0 ? $o + 2 : $o - 1] === $c) {
                $m->dropFlap($long, $o);

                continue;
            }
            // a needle across, with its own long side elsewhere, hands on first: else both would turn to and fro
            $other = $this->longSideOfNeedle($u, $eps2);
            if ($other >= 0 && $other !== $o && intdiv($m->twin[$other], 3) !== $t) {
                $queue[] = $u;
                $queue[] = $t;

                continue;
            }
            $m->turn($long, $o, $m->facet[$u]);
            $queue[] = $t;
            $queue[] = $u;
        }
    }

    /** The longest side of a triangle without height; -1 when it has one. */
    private function longSideOfNeedle(int $t, float $eps2): int
    {
        $m = $this->mesh;
        $long = 3 * $t;
        $l2 = 0.0;
        for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
            $d = $m->distance2($m->start[$h], $m->start[$h % 3 === 2 ? $h - 2 : $h + 1]);
            if ($d > $l2) {
                $l2 = $d;
                $long = $h;
            }
        }

        return $m->area($m->start[3 * $t], $m->start[3 * $t + 1], $m->start[3 * $t + 2], $m->facet[$t]) ** 2 > $eps2 * $l2 ? -1 : $long;
    }

    /** Draws the short side of a needle together where that moves a corner off no plane. */
    private function contract(int $t): bool
    {
        $m = $this->mesh;
        for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
            $o = $m->twin[$h];
            $a = $m->start[$h];
            $b = $m->start[$h % 3 === 2 ? $h - 2 : $h + 1];
            if ($m->distance2($a, $b) > (10 * $m->eps) ** 2) {
                continue;
            }
            foreach ([[$h, $a, $b], [$o, $b, $a]] as [$e, $v, $to]) {
                $fan = [];
                $s = $e;
                do {
                    $fan[] = $s;
                    $f = $m->facet[intdiv($s, 3)];
                    $off = $m->pair->fx[$f] * $m->x[$to] + $m->pair->fy[$f] * $m->y[$to] + $m->pair->fz[$f] * $m->z[$to] - $m->pair->fd[$f];
                    if (abs($off) > 4 * $m->eps || count($fan) > 2000) {
                        continue 2;
                    }
                    $s = $m->twin[$s % 3 === 0 ? $s + 2 : $s - 1];
                } while ($s !== $e);
                foreach ($fan as $s) {
                    $m->start[$s] = $to;
                }
                foreach ([$h, $o] as $s) {
                    $m->dropNarrow($s);
                }

                return true;
            }
        }

        return false;
    }

    private function joinAroundEdges(): void
    {
        $m = $this->mesh;
        $many = count($m->x);
        $at = [];
        foreach ($this->active as $h) {
            if ($m->facet[intdiv($h, 3)] < 0) {
                continue;
            }
            $a = $m->start[$h];
            $b = $m->start[$h % 3 === 2 ? $h - 2 : $h + 1];
            if (isset($this->near[$b])) {
                $at[$a < $b ? $a * $many + $b : $b * $many + $a][] = $h;
            }
        }
        $this->dropFlaps($at);
        foreach ($at as $list) {
            if (count($list) === 2) {
                if ($m->twin[$list[0]] !== $list[1] && $m->start[$list[0]] !== $m->start[$list[1]]) {
                    $m->join($list[0], $list[1]);
                }
            } elseif (count($list) > 2) {
                $this->pairByMaterial($list);
            }
        }
    }

    /**
     * Triangles on each other that face each other enclose nothing: both go.
     *
     * @param array<int, list<int>> $at half-edges by edge
     */
    private function dropFlaps(array &$at): void
    {
        $m = $this->mesh;
        $byCorners = [];
        foreach ($at as $list) {
            if (count($list) < 3) {
                continue;
            }
            foreach ($list as $h) {
                $t = intdiv($h, 3);
                $k = [$m->start[3 * $t], $m->start[3 * $t + 1], $m->start[3 * $t + 2]];
                if (!isset($this->near[$k[0]], $this->near[$k[1]], $this->near[$k[2]])) {
                    continue; // its sides are not all filed
                }
                $i = $k[0] < $k[1] ? ($k[0] < $k[2] ? 0 : 2) : ($k[1] < $k[2] ? 1 : 2);
                $byCorners["{$k[$i]}-{$k[($i + 1) % 3]}-{$k[($i + 2) % 3]}"][$t] = true;
            }
        }
        $gone = false;
        foreach ($byCorners as $key => $ts) {
            [$a, $b, $c] = explode('-', $key);
            $against = "$a-$c-$b";
            foreach ($ts as $t => $_) {
                if ($m->facet[$t] < 0) {
                    continue;
                }
                foreach ($byCorners[$against] ?? [] as $u => $_) {
                    if ($m->facet[$u] >= 0) {
                        $m->facet[$t] = $m->facet[$u] = -1;
                        $gone = true;
                        break;
                    }
                }
            }
        }
        if ($gone) {
            foreach ($at as $key => $list) {
                $at[$key] = array_values(array_filter($list, static fn(int $h): bool => $m->facet[intdiv($h, 3)] >= 0));
            }
        }
    }

    /** @param list<int> $list half-edges in one place */
    private function pairByMaterial(array $list): void
    {
        $m = $this->mesh;
        $a = $m->start[$list[0]];
        $b = $m->start[$list[0] % 3 === 2 ? $list[0] - 2 : $list[0] + 1];
        $faces = array_map(static function (int $h) use ($m, $a): array {
            $f = $m->facet[intdiv($h, 3)];

            return [$h, $m->start[$h] === $a, [$m->pair->fx[$f], $m->pair->fy[$f], $m->pair->fz[$f]]];
        }, $list);
        $pairs =
            MaterialPairing::pairs([$m->x[$a], $m->y[$a], $m->z[$a]], [$m->x[$b], $m->y[$b], $m->z[$b]], $faces) ??
            throw new Imbalance('The faces around an edge do not balance.');
        foreach ($pairs as [$g, $h]) {
            $m->join($g, $h);
        }
    }

    /** Components of new triangles only that enclose nothing. */
    private function dropThinPieces(): void
    {
        $m = $this->mesh;
        $seen = [];
        for ($t = $m->whole, $n = count($m->facet); $t < $n; $t++) {
            if ($m->facet[$t] < 0 || isset($seen[$t])) {
                continue;
            }
            $stack = [$t];
            $seen[$t] = true;
            $members = [];
            $pure = true;
            while ($stack !== []) {
                $q = array_pop($stack);
                $members[] = $q;
                for ($k = 0; $k < 3; $k++) {
                    $o = intdiv($m->twin[3 * $q + $k], 3);
                    if ($o < $m->whole) {
                        $pure = false;
                    } elseif (!isset($seen[$o])) {
                        $seen[$o] = true;
                        $stack[] = $o;
                    }
                }
            }
            if (!$pure || count($members) > 400) {
                continue;
            }
            $volume = $area = 0.0;
            $o = $m->start[3 * $t];
            foreach ($members as $q) {
                [$a, $b, $c] = [$m->start[3 * $q], $m->start[3 * $q + 1], $m->start[3 * $q + 2]];
                $u = [$m->x[$b] - $m->x[$a], $m->y[$b] - $m->y[$a], $m->z[$b] - $m->z[$a]];
                $w = [$m->x[$c] - $m->x[$a], $m->y[$c] - $m->y[$a], $m->z[$c] - $m->z[$a]];
                $nx = $u[1] * $w[2] - $u[2] * $w[1];
                $ny = $u[2] * $w[0] - $u[0] * $w[2];
                $nz = $u[0] * $w[1] - $u[1] * $w[0];
                $volume += (($m->x[$a] - $m->x[$o]) * $nx + ($m->y[$a] - $m->y[$o]) * $ny + ($m->z[$a] - $m->z[$o]) * $nz) / 6;
                $area += sqrt($nx * $nx + $ny * $ny + $nz * $nz) / 2;
            }
            if (abs($volume) <= $m->eps * $area) {
                foreach ($members as $q) {
                    $m->facet[$q] = -1;
                }
            }
        }
    }

    /** Every fan of triangles around a vertex gets a vertex of its own. */
    private function splitFans(): void
    {
        $m = $this->mesh;
        $seen = $used = [];
        foreach ($this->active as $h) {
            if (isset($seen[$h]) || $m->facet[intdiv($h, 3)] < 0) {
                continue;
            }
            $v = $m->start[$h];
            $fan = [];
            $s = $h;
            do {
                $fan[] = $s;
                $seen[$s] = true;
                $s = $m->twin[$s % 3 === 0 ? $s + 2 : $s - 1];
                if (isset($seen[$s]) && $s !== $h) {
                    throw new Imbalance('The triangles around a vertex do not close.');
                }
            } while ($s !== $h);
            if (isset($used[$v])) {
                $new = count($m->x);
                $m->x[] = $m->x[$v];
                $m->y[] = $m->y[$v];
                $m->z[] = $m->z[$v];
                foreach ($fan as $s) {
                    $m->start[$s] = $new;
                }
            }
            $used[$v] = true;
        }
    }

    /** Two pairs of faces that share both ends of an edge and cannot have their own: one pair gets a vertex midway. */
    private function splitDoubleEdges(): void
    {
        // a triangle is divided once in a round: its other sides get new numbers thereby
        for ($round = 0; $round < 20; $round++) {
            $divided = [];
            $again = false;
            foreach ($this->doubleEdges() as $h) {
                $g = $this->mesh->twin[$h];
                if (isset($divided[intdiv($h, 3)]) || isset($divided[intdiv($g, 3)])) {
                    $again = true;

                    continue;
                }
                $divided[intdiv($h, 3)] = $divided[intdiv($g, 3)] = true;
                $this->divide($h, $g);
            }
            if (!$again) {
                return;
            }
        }
    }

    /** @return list<int> one half-edge of each pair that must give way */
    private function doubleEdges(): array
    {
        $m = $this->mesh;
        $many = 2 * count($m->x);
        $seen = $double = [];
        foreach ($this->active as $h) {
            if ($m->facet[intdiv($h, 3)] < 0) {
                continue;
            }
            $key = $m->start[$h] * $many + $m->start[$h % 3 === 2 ? $h - 2 : $h + 1];
            if (!isset($seen[$key])) {
                $seen[$key] = true;
            } elseif (!isset($double[$m->twin[$h]])) {
                $double[$h] = true;
            }
        }

        return array_keys($double);
    }

    private function divide(int $h, int $g): void
    {
        $m = $this->mesh;
        $a = $m->start[$h];
        $b = $m->start[$g];
        $mid = count($m->x);
        $m->x[] = ($m->x[$a] + $m->x[$b]) / 2;
        $m->y[] = ($m->y[$a] + $m->y[$b]) / 2;
        $m->z[] = ($m->z[$a] + $m->z[$b]) / 2;
        $new = [];
        foreach ([$h, $g] as $e) {
            $en = $e % 3 === 2 ? $e - 2 : $e + 1;
            $q = count($m->start);
            array_push($m->start, $mid, $m->start[$en], $m->start[$e % 3 === 0 ? $e + 2 : $e - 1]);
            array_push($m->twin, -1, -1, -1);
            $m->facet[] = $m->facet[intdiv($e, 3)];
            $m->join($q + 1, $m->twin[$en]);
            $m->join($q + 2, $en);
            $m->start[$en] = $mid;
            array_push($this->active, $q, $q + 1, $q + 2);
            $new[] = $q;
        }
        $m->join($h, $new[1]);
        $m->join($g, $new[0]);
    }
}
