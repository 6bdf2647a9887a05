<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

use Cubo\Budget\Budget;

/**
 * Curves split where they meet: points, and the pieces between them. Equal pieces are taken once; pieces that end in
 * nothing are marked. Half-edge 2e runs along piece e, 2e + 1 back.
 */
final class CurveGraph
{
    /** Directions that differ by less count as one, radians: then the curves' bends decide. */
    private const SAME_DIRECTION = 1e-6;

    /** Work limit: pieces all curves together are split into. */
    private const MOST_PIECES = 60000;

    /** @var list<array{float,float}> */
    public array $points = [];

    /** @var array<string, list<int>> by cell */
    private array $pointAt = [];

    /** @var list<array{int,int,int,float,float}> from and to point, curve, its parameters */
    public array $edges = [];

    /** @var list<array{float,float}> where a line ends in nothing */
    public array $looseEnds = [];

    /** @var array<string, array{string,string}> names of curves that lie on each other */
    public array $doubled = [];

    /** @var array<int, bool> whether a piece ends in nothing */
    public array $dangling = [];

    /**
     * @param list<Curve> $curves
     *
     * @throws TooManyPieces
     */
    public function __construct(public readonly array $curves, Budget $budget)
    {
        $this->split($budget);
        $this->prune();
    }

    private function split(Budget $budget): void
    {
        $cuts = $boxes = [];
        foreach ($this->curves as $i => $c) {
            $boxes[] = $c->box($c->from(), $c->to());
            $cuts[] = [[$c->from(), $this->point($c->at($c->from()))], [$c->to(), $this->point($c->at($c->to()))]];
        }
        // swept from left to right, so that only those near each other are compared
        $order = array_keys($boxes);
        usort($order, static fn(int $a, int $b): int => $boxes[$a][0] <=> $boxes[$b][0]);
        $active = [];
        $count = 0;
        foreach ($order as $i) {
            $left = $boxes[$i][0] - Meeting::SNAP;
            $budget->spend(10 * count($active));
            foreach ($active as $k => $j) {
                if ($boxes[$j][2] < $left) {
                    unset($active[$k]);

                    continue;
                }
                [$a, $b] = $i < $j ? [$i, $j] : [$j, $i];
                foreach (Meeting::of($this->curves[$a], $this->curves[$b], $boxes[$a], $boxes[$b], $budget) as [$t, $s, $p]) {
                    $v = $this->point($p);
                    $cuts[$a][] = [$t, $v];
                    $cuts[$b][] = [$s, $v];
                    if (++$count > self::MOST_PIECES) {
                        throw new TooManyPieces('The lines cross in more than ' . self::MOST_PIECES . ' places.');
                    }
                }
            }
            $active[] = $i;
        }
        $between = [];
        foreach ($this->curves as $i => $c) {
            usort($cuts[$i], static fn(array $a, array $b): int => $a[0] <=> $b[0]);
            [$from, $at] = $cuts[$i][0];
            foreach ($cuts[$i] as [$to, $v]) {
                // a step within one point is none, unless it runs all around
                if ($to <= $from || ($v === $at && !$this->leaves($c, $from, $to))) {
                    continue;
                }
                $key = $at < $v ? "$at-$v" : "$v-$at";
                if (!$this->known($between[$key] ?? [], $c, $from, $to)) {
                    $between[$key][] = count($this->edges);
                    $this->edges[] = [$at, $v, $i, $from, $to];
                }
                [$from, $at] = [$to, $v];
            }
        }
    }

    /** Whether a stretch that comes back to where it began encloses something. */
    private function leaves(Curve $c, float $from, float $to): bool
    {
        [$p, $q] = [$c->at($from), $c->at(($from + $to) / 2)];

        return !($c instanceof Straight) && hypot($p[0] - $q[0], $p[1] - $q[1]) > 10 * Meeting::SNAP;
    }

    /**
     * Whether another piece between the same points runs the same way.
     *
     * @param list<int> $edges
     */
    private function known(array $edges, Curve $c, float $from, float $to): bool
    {
        if ($edges === []) {
            return false;
        }
        $middle = $c->at(($from + $to) / 2);
        foreach ($edges as $e) {
            [, , $i, $a, $b] = $this->edges[$e];
            [$t, $far] = $this->curves[$i]->nearest($middle);
            if ($far <= 10 * Meeting::SNAP && $t >= $a - 1e-9 && $t <= $b + 1e-9) {
                $pair = [$this->curves[$i]->name(), $c->name()];
                $this->doubled[implode(' ', $pair)] = $pair;

                return true;
            }
        }

        return false;
    }

    /** @param array{float,float} $p */
    private function point(array $p): int
    {
        // cells are wide against what counts as one point: mostly one look is enough
        $x = $p[0] * 1e5;
        $y = $p[1] * 1e5;
        $i = (int) floor($x);
        $j = (int) floor($y);
        $near = 1e5 * Meeting::SNAP;
        $us = $x - $i < $near ? [$i, $i - 1] : ($i + 1 - $x < $near ? [$i, $i + 1] : [$i]);
        $vs = $y - $j < $near ? [$j, $j - 1] : ($j + 1 - $y < $near ? [$j, $j + 1] : [$j]);
        foreach ($us as $u) {
            foreach ($vs as $v) {
                foreach ($this->pointAt["$u,$v"] ?? [] as $n) {
                    if (abs($this->points[$n][0] - $p[0]) <= Meeting::SNAP && abs($this->points[$n][1] - $p[1]) <= Meeting::SNAP) {
                        return $n;
                    }
                }
            }
        }
        $this->points[] = $p;
        $n = count($this->points) - 1;
        $this->pointAt["$i,$j"][] = $n;

        return $n;
    }

    /** Takes out pieces that end in nothing, one after the other. */
    private function prune(): void
    {
        $this->dangling = array_fill(0, count($this->edges), false);
        $at = [];
        foreach ($this->edges as $e => [$a, $b]) {
            $at[$a][$e] = true;
            $at[$b][$e] = true;
        }
        $loop = static fn(array $edge): bool => $edge[0] === $edge[1];
        $ends = [];
        foreach ($at as $v => $list) {
            if (count($list) === 1 && !$loop($this->edges[array_key_first($list)])) {
                $ends[] = $v;
                $this->looseEnds[] = $this->points[$v];
            }
        }
        while ($ends !== []) {
            $v = array_pop($ends);
            $e = array_key_first($at[$v]);
            if ($e === null) {
                continue;
            }
            $this->dangling[$e] = true;
            $other = $this->edges[$e][0] === $v ? $this->edges[$e][1] : $this->edges[$e][0];
            unset($at[$v][$e], $at[$other][$e]);
            if (count($at[$other]) === 1 && !$loop($this->edges[array_key_first($at[$other])])) {
                $ends[] = $other;
            }
        }
    }

    /**
     * Half-edges that leave a point, counter-clockwise.
     *
     * @param list<int> $list
     * @return list<int>
     */
    public function turned(array $list): array
    {
        if (count($list) === 2) {
            return $list;
        }
        $angle = [];
        foreach ($list as $h) {
            [, , $c, $from, $to] = $this->edges[$h >> 1];
            $curve = $this->curves[$c];
            $back = ($h & 1) === 1;
            [$du, $dv] = $curve->slope($back ? $to : $from);
            $angle[$h] = $back ? atan2(-$dv, -$du) : atan2($dv, $du);
        }
        asort($angle);
        $keys = array_keys($angle);
        $before = $angle[$keys[count($keys) - 1]] - 2 * M_PI;
        $least = INF;
        foreach ($angle as $a) {
            $least = min($least, $a - $before);
            $before = $a;
        }
        // mostly no two directions are one, and nothing else is to be looked at
        if ($least > self::SAME_DIRECTION) {
            return $keys;
        }
        $bend = [];
        foreach ($list as $h) {
            [, , $c, $from, $to] = $this->edges[$h >> 1];
            $bend[$h] = ($h & 1) === 1 ? -$this->curves[$c]->bend($to) : $this->curves[$c]->bend($from);
        }
        // begin after the widest gap, so that directions that count as one stand side by side
        $widest = -1.0;
        $start = 0;
        foreach ($keys as $i => $h) {
            $gap = $i === 0 ? $angle[$h] - $angle[$keys[count($keys) - 1]] + 2 * M_PI : $angle[$h] - $angle[$keys[$i - 1]];
            if ($gap > $widest) {
                $widest = $gap;
                $start = $angle[$h];
            }
        }
        foreach ($angle as $h => $a) {
            $angle[$h] = $a < $start ? $a + 2 * M_PI : $a;
        }
        usort(
            $keys,
            static fn(int $g, int $h): int => abs($angle[$g] - $angle[$h]) > self::SAME_DIRECTION
                ? $angle[$g] <=> $angle[$h]
                : $bend[$g] <=> $bend[$h],
        );

        return $keys;
    }

    public function edgeFrom(int $h): int
    {
        return $this->edges[$h >> 1][$h & 1];
    }

    /** @return list<array{float,float}> */
    public function innerPoints(int $h): array
    {
        [, , $c, $from, $to] = $this->edges[$h >> 1];
        $curve = $this->curves[$c];
        $inner = $curve->inner($from, $to);
        if ($inner === []) {
            return [];
        }

        return array_map($curve->at(...), ($h & 1) === 1 ? array_reverse($inner) : $inner);
    }

    /** @return array<int, int> which points hang together */
    public function components(): array
    {
        $parent = array_keys($this->points);
        $root = static function (int $a) use (&$parent): int {
            while ($parent[$a] !== $a) {
                $a = $parent[$a] = $parent[$parent[$a]];
            }

            return $a;
        };
        foreach ($this->edges as [$a, $b]) {
            $parent[$root($a)] = $root($b);
        }

        return array_map($root, array_keys($this->points));
    }
}
