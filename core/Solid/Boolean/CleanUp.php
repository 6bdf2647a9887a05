<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Solid\Solid;

/**
 * Tidies the result of a boolean around its new triangles: neighbouring facets of one plane and one true surface
 * become one, short edges and vertices without need disappear, needles on creases are handed to the neighbour,
 * flaps without thickness are removed, and vertices or edges used twice are split. Every change keeps the mesh closed.
 */
final class CleanUp
{
    /** @var array<int, float> */
    private array $x;

    /** @var array<int, float> */
    private array $y;

    /** @var array<int, float> */
    private array $z;

    /** @var array<int, int> */
    private array $start;

    /** @var array<int, int> */
    private array $twin;

    /** @var array<int, int> facet by triangle, -1 when removed */
    private array $facet;

    /** @var array<int, int> a half-edge leaving each candidate vertex */
    private array $leaving = [];

    /** @var array<int, int|true> vertices of new triangles */
    private array $candidate = [];

    /** @var array<int, int> */
    private array $queue = [];

    /** @var array<int, true> */
    private array $queued = [];

    /** @var array<int, true> */
    private array $dead = [];

    /** @param array<int, true> $facets facets that may be unified */
    public static function run(Solid $mesh, OperandPair $pair, int $whole, float $eps, array $facets): Solid
    {
        $c = new self($mesh, $pair, $whole, $eps);
        $c->unifyFacets($facets);
        $c->simplify();
        $c->splitAndDrop();

        return $c->compacted();
    }

    private function __construct(Solid $mesh, private readonly OperandPair $pair, private readonly int $whole, private readonly float $eps)
    {
        $this->x = $mesh->x;
        $this->y = $mesh->y;
        $this->z = $mesh->z;
        $this->start = $mesh->start;
        $this->twin = $mesh->twin;
        $this->facet = $mesh->facet;
    }

    /** @param array<int, true> $facets */
    private function unifyFacets(array $facets): void
    {
        for ($t = $this->whole, $n = count($this->facet); $t < $n; $t++) {
            $facets[$this->facet[$t]] = true;
        }
        $m = $this->pair;
        $surfaceKey = $first = $map = [];
        foreach ($facets as $f => $_) {
            $s = $m->fSurface[$f];
            $surfaceKey[$s] ??= $m->surfaces[$s]->geometryKey();
            $key = round($m->fx[$f] * 1e7) . '|' . round($m->fy[$f] * 1e7) . '|' . round($m->fz[$f] * 1e7) . '|' . round($m->fd[$f] * 1e7) . '|' . $surfaceKey[$s];
            $key = str_replace('-0|', '0|', $key);
            $map[$f] = $first[$key] ??= $f;
        }
        foreach ($this->facet as $t => $f) {
            if (isset($map[$f])) {
                $this->facet[$t] = $map[$f];
            }
        }
    }

    private function simplify(): void
    {
        $n = count($this->start);
        for ($h = 3 * $this->whole; $h < $n; $h++) {
            $this->candidate[$this->start[$h]] = true;
        }
        for ($h = 0; $h < $n; $h++) {
            if (isset($this->candidate[$this->start[$h]])) {
                $this->leaving[$this->start[$h]] = $h;
            }
        }
        $this->queue = array_keys($this->candidate);
        $this->queued = array_fill_keys($this->queue, true);
        $done = 0;
        $limit = 20 * count($this->queue) + 1000;
        for ($round = 0; $round < 10; $round++) {
            while ($done < count($this->queue) && $done < $limit) {
                $v = $this->queue[$done++];
                unset($this->queued[$v]);
                if (! isset($this->dead[$v])) {
                    $this->collapse($v);
                }
            }
            if ($this->flipEdges($n) === 0) {
                break;
            }
        }
    }

    private function requeue(int ...$vertices): void
    {
        foreach ($vertices as $v) {
            if (isset($this->candidate[$v]) && ! isset($this->queued[$v])) {
                $this->queued[$v] = true;
                $this->queue[] = $v;
            }
        }
    }

    /** Removes vertex v if it lies inside one facet, on a straight crease, or very near a neighbour. */
    private function collapse(int $v): void
    {
        $x = &$this->x;
        $y = &$this->y;
        $z = &$this->z;
        $start = &$this->start;
        $twin = &$this->twin;
        $facet = &$this->facet;
        $eps = $this->eps;
        $eps2 = $eps * $eps;
        $m = $this->pair;
        $out = $label = $near = [];
        $first = $h = $this->leaving[$v];
        $n = 0;
        do {
            $out[] = $h;
            $label[] = $facet[intdiv($h, 3)];
            $near[] = $start[$h % 3 === 2 ? $h - 2 : $h + 1];
            $h = $twin[$h % 3 === 0 ? $h + 2 : $h - 1];
            if (++$n > 2000) {
                return;
            }
        } while ($h !== $first);
        $creases = [];
        for ($i = 0; $i < $n; $i++) {
            if ($label[$i] !== $label[$i > 0 ? $i - 1 : $n - 1]) {
                $creases[] = $i;
            }
        }
        $vx = $x[$v];
        $vy = $y[$v];
        $vz = $z[$v];
        $length2 = [];
        foreach ($near as $i => $u) {
            $length2[$i] = ($x[$u] - $vx) ** 2 + ($y[$u] - $vy) ** 2 + ($z[$u] - $vz) ** 2;
        }
        $try = [];
        if ($creases === []) {
            $order = $length2;
            asort($order);
            $try = array_keys($order);
        } elseif (count($creases) === 2) {
            $u = $near[$creases[0]];
            $w = $near[$creases[1]];
            $ax = $x[$u] - $x[$w];
            $ay = $y[$u] - $y[$w];
            $az = $z[$u] - $z[$w];
            $bx = $vx - $x[$w];
            $by = $vy - $y[$w];
            $bz = $vz - $z[$w];
            $l2 = $ax * $ax + $ay * $ay + $az * $az;
            $along = $ax * $bx + $ay * $by + $az * $bz;
            $slack = $eps * sqrt($l2);
            if ($l2 > 0 && $along >= -$slack && $along <= $l2 + $slack
                && ($ay * $bz - $az * $by) ** 2 + ($az * $bx - $ax * $bz) ** 2 + ($ax * $by - $ay * $bx) ** 2 <= $eps2 * $l2) {
                $try = $creases;
            }
        }
        foreach ($length2 as $i => $l2) {
            if ($l2 <= $eps2 && ($try === [] || $try[0] !== $i)) {
                array_unshift($try, $i);
            }
        }
        if ($try === []) {
            return;
        }
        $isNear = array_flip($near);
        if (count($isNear) !== $n) {
            return;
        }
        foreach ($try as $i) {
            $u = $near[$i];
            $h = $out[$i];
            $short = $length2[$i] <= $eps2;
            // the other triangles must keep their side up in their facet
            $before = $i > 0 ? $i - 1 : $n - 1;
            for ($k = 0; $k < $n; $k++) {
                if ($k === $i || $k === $before) {
                    continue;
                }
                $p = $near[$k];
                $q = $near[$k + 1 < $n ? $k + 1 : 0];
                $f = $label[$k];
                $longest = max(
                    ($x[$p] - $x[$u]) ** 2 + ($y[$p] - $y[$u]) ** 2 + ($z[$p] - $z[$u]) ** 2,
                    ($x[$q] - $x[$u]) ** 2 + ($y[$q] - $y[$u]) ** 2 + ($z[$q] - $z[$u]) ** 2,
                    ($x[$q] - $x[$p]) ** 2 + ($y[$q] - $y[$p]) ** 2 + ($z[$q] - $z[$p]) ** 2,
                );
                $slack = $eps * sqrt($longest);
                $after = $this->area($u, $p, $q, $f);
                if ($after <= $slack) {
                    if ($short && $after >= -2 * $slack) {
                        continue;
                    }
                    if ($after < -$slack || $this->area($v, $p, $q, $f) > $slack) {
                        continue 2;
                    }
                }
            }
            // link condition: the two ends share just the two opposite corners
            $g = $twin[$h];
            $common = $c = 0;
            $s = $g;
            do {
                $e = $start[$s % 3 === 2 ? $s - 2 : $s + 1];
                if ($e !== $v && isset($isNear[$e])) {
                    $common++;
                }
                $s = $twin[$s % 3 === 0 ? $s + 2 : $s - 1];
            } while ($s !== $g && ++$c <= 2000);
            $c++;
            if ($common !== 2 || $c < 3 || ($n === 3 && $c === 3)) {
                continue;
            }
            $hn = $h % 3 === 2 ? $h - 2 : $h + 1;
            $hp = $h % 3 === 0 ? $h + 2 : $h - 1;
            $gn = $g % 3 === 2 ? $g - 2 : $g + 1;
            $gp = $g % 3 === 0 ? $g + 2 : $g - 1;
            $a = $start[$hp];
            $b = $start[$gp];
            if ($a === $b || $twin[$hn] === $hp || $twin[$gn] === $gp) {
                continue;
            }
            foreach ($out as $o) {
                $start[$o] = $u;
            }
            $this->join($twin[$hn], $twin[$hp]);
            $this->join($twin[$gn], $twin[$gp]);
            $this->leaving[$u] = $twin[$twin[$hn]];
            $this->leaving[$a] = $twin[$hn];
            $this->leaving[$b] = $twin[$gn];
            $facet[intdiv($h, 3)] = -1;
            $facet[intdiv($g, 3)] = -1;
            $this->dead[$v] = true;
            $this->requeue(...$near);

            return;
        }
    }

    private function join(int $a, int $b): void
    {
        $this->twin[$a] = $b;
        $this->twin[$b] = $a;
    }

    /** Twice the area of triangle abc seen along the normal of a facet. */
    private function area(int $a, int $b, int $c, int $f): float
    {
        $ax = $this->x[$b] - $this->x[$a];
        $ay = $this->y[$b] - $this->y[$a];
        $az = $this->z[$b] - $this->z[$a];
        $bx = $this->x[$c] - $this->x[$a];
        $by = $this->y[$c] - $this->y[$a];
        $bz = $this->z[$c] - $this->z[$a];

        return $this->pair->fx[$f] * ($ay * $bz - $az * $by) + $this->pair->fy[$f] * ($az * $bx - $ax * $bz) + $this->pair->fz[$f] * ($ax * $by - $ay * $bx);
    }

    private function flipEdges(int $n): int
    {
        $flips = 0;
        $from = 3 * $this->whole;
        for ($h = $from; $h < $n; $h++) {
            $f = $this->facet[intdiv($h, 3)];
            $g = $this->twin[$h];
            if ($f < 0 || ($g < $h && $g >= $from)) {
                continue;
            }
            $f2 = $this->facet[intdiv($g, 3)];
            if ($f2 !== $f) {
                // a needle on a crease goes to the neighbouring facet, its long edge turned
                if ($this->passNeedle($h, $g, $f, $f2) || ($g >= $from && $this->passNeedle($g, $h, $f2, $f))) {
                    $flips++;
                }

                continue;
            }
            if ($g < $from) {
                continue;
            }
            $a = $this->start[$h];
            $b = $this->start[$g];
            $c = $this->start[$h % 3 === 0 ? $h + 2 : $h - 1];
            $d = $this->start[$g % 3 === 0 ? $g + 2 : $g - 1];
            if ($c === $d) {
                continue;
            }
            $a1 = $this->area($a, $b, $c, $f);
            $a2 = $this->area($b, $a, $d, $f);
            $tol = $this->eps * sqrt($this->distance2($a, $b));
            if ($a1 > $tol && $a2 > $tol) {
                continue;
            }
            $better = min($this->area($d, $b, $c, $f), $this->area($c, $a, $d, $f)) > min($a1, $a2) + $tol;
            if (($better || $this->distance2($c, $d) <= $this->eps ** 2) && ! $this->connected($h % 3 === 0 ? $h + 2 : $h - 1, $d)) {
                $this->turn($h, $g, $f);
                $flips++;
            }
        }

        return $flips;
    }

    private function distance2(int $a, int $b): float
    {
        return ($this->x[$a] - $this->x[$b]) ** 2 + ($this->y[$a] - $this->y[$b]) ** 2 + ($this->z[$a] - $this->z[$b]) ** 2;
    }

    private function passNeedle(int $e, int $o, int $fa, int $fb): bool
    {
        $a = $this->start[$e];
        $b = $this->start[$o];
        $c = $this->start[$e % 3 === 0 ? $e + 2 : $e - 1];
        $d = $this->start[$o % 3 === 0 ? $o + 2 : $o - 1];
        if ($c === $d) {
            return false;
        }
        $l2 = $this->distance2($a, $b);
        $along = ($this->x[$c] - $this->x[$a]) * ($this->x[$b] - $this->x[$a]) + ($this->y[$c] - $this->y[$a]) * ($this->y[$b] - $this->y[$a]) + ($this->z[$c] - $this->z[$a]) * ($this->z[$b] - $this->z[$a]);
        $tol = $this->eps * sqrt($l2);
        if ($along <= 0 || $along >= $l2
            || abs($this->area($a, $b, $c, $fa)) > $tol || abs($this->area($a, $b, $c, $fb)) > $tol
            || $this->area($d, $b, $c, $fb) <= $tol || $this->area($c, $a, $d, $fb) <= $tol
            || $this->connected($e % 3 === 0 ? $e + 2 : $e - 1, $d)) {
            return false;
        }
        $this->turn($e, $o, $fb);

        return true;
    }

    /** Whether the vertex at the start of half-edge h already has an edge to d. */
    private function connected(int $h, int $d): bool
    {
        $s = $h;
        $k = 0;
        do {
            if ($this->start[$s % 3 === 2 ? $s - 2 : $s + 1] === $d) {
                return true;
            }
            $s = $this->twin[$s % 3 === 0 ? $s + 2 : $s - 1];
        } while ($s !== $h && ++$k <= 2000);

        return false;
    }

    /** Replaces edge h/g by the other diagonal; both triangles get facet f. */
    private function turn(int $h, int $g, int $f): void
    {
        $hn = $h % 3 === 2 ? $h - 2 : $h + 1;
        $hp = $h % 3 === 0 ? $h + 2 : $h - 1;
        $gn = $g % 3 === 2 ? $g - 2 : $g + 1;
        $gp = $g % 3 === 0 ? $g + 2 : $g - 1;
        $a = $this->start[$h];
        $b = $this->start[$g];
        $c = $this->start[$hp];
        $d = $this->start[$gp];
        $this->facet[intdiv($h, 3)] = $f;
        $this->facet[intdiv($g, 3)] = $f;
        $x = $this->twin[$gp];
        $y = $this->twin[$hp];
        $this->start[$h] = $d;
        $this->start[$g] = $c;
        $this->join($h, $x);
        $this->join($g, $y);
        $this->join($hp, $gp);
        $this->leaving[$a] = $gn;
        $this->leaving[$b] = $hn;
        $this->leaving[$c] = $hp;
        $this->leaving[$d] = $gp;
        $this->requeue($a, $b, $c, $d);
    }

    private function splitAndDrop(): void
    {
        $n = count($this->start);
        $touched = [];
        for ($h = 3 * $this->whole; $h < $n; $h++) {
            $touched[$this->start[$h]] = true;
        }
        $active = [];
        for ($h = 0; $h < $n; $h++) {
            if (isset($touched[$this->start[$h]]) && $this->facet[intdiv($h, 3)] >= 0) {
                $active[] = $h;
            }
        }
        $this->removeFlaps($active);
        $this->splitDoubleEdges($active, $touched);
        $this->dropThinPieces();
        $this->splitPinchedVertices($active);
    }

    /**
     * Two triangles back to back: both go, their outer neighbours meet.
     *
     * @param array<int, int> $active
     */
    private function removeFlaps(array $active): void
    {
        do {
            $again = false;
            foreach ($active as $h) {
                $g = $this->twin[$h];
                $t = intdiv($h, 3);
                $t2 = intdiv($g, 3);
                if ($this->facet[$t] < 0 || $t === $t2) {
                    continue;
                }
                $hn = $h % 3 === 2 ? $h - 2 : $h + 1;
                $hp = $h % 3 === 0 ? $h + 2 : $h - 1;
                $gn = $g % 3 === 2 ? $g - 2 : $g + 1;
                $gp = $g % 3 === 0 ? $g + 2 : $g - 1;
                if ($this->start[$hp] !== $this->start[$gp]) {
                    continue;
                }
                [$a, $b, $c, $d] = [$this->twin[$hn], $this->twin[$gp], $this->twin[$hp], $this->twin[$gn]];
                if ($a !== $gp) {
                    $this->join($a, $b);
                }
                if ($c !== $gn) {
                    $this->join($c, $d);
                }
                $this->facet[$t] = $this->facet[$t2] = -1;
                $again = true;
            }
        } while ($again);
    }

    /**
     * @param array<int, int> $active
     * @param array<int, true> $touched
     */
    private function splitDoubleEdges(array &$active, array &$touched): void
    {
        for ($round = 0; $round < 8; $round++) {
            $seen = $double = [];
            foreach ($active as $h) {
                if ($this->facet[intdiv($h, 3)] < 0) {
                    continue;
                }
                $b = $this->start[$h % 3 === 2 ? $h - 2 : $h + 1];
                if (! isset($touched[$b])) {
                    continue;
                }
                $key = $this->start[$h] . '-' . $b;
                if (! isset($seen[$key])) {
                    $seen[$key] = true;
                } elseif (! isset($double[$this->twin[$h]])) {
                    $double[$h] = true;
                }
            }
            if ($double === []) {
                return;
            }
            foreach ($double as $h => $_) {
                $g = $this->twin[$h];
                $a = $this->start[$h];
                $b = $this->start[$g];
                $mid = count($this->x);
                $touched[$mid] = true;
                $this->x[] = ($this->x[$a] + $this->x[$b]) / 2;
                $this->y[] = ($this->y[$a] + $this->y[$b]) / 2;
                $this->z[] = ($this->z[$a] + $this->z[$b]) / 2;
                $new = [];
                foreach ([$h, $g] as $e) {
                    $en = $e % 3 === 2 ? $e - 2 : $e + 1;
                    $q = count($this->start);
                    array_push($this->start, $mid, $this->start[$en], $this->start[$e % 3 === 0 ? $e + 2 : $e - 1]);
                    array_push($this->twin, -1, -1, -1);
                    $this->facet[] = $this->facet[intdiv($e, 3)];
                    $this->join($q + 1, $this->twin[$en]);
                    $this->join($q + 2, $en);
                    $this->start[$en] = $mid;
                    array_push($active, $q, $q + 1, $q + 2);
                    $new[] = $q;
                }
                $this->join($h, $new[1]);
                $this->join($g, $new[0]);
            }
        }
    }

    /** Components of new triangles only that enclose nothing. */
    private function dropThinPieces(): void
    {
        $seen = [];
        for ($t = $this->whole, $n = count($this->facet); $t < $n; $t++) {
            if ($this->facet[$t] < 0 || isset($seen[$t])) {
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
                    $o = intdiv($this->twin[3 * $q + $k], 3);
                    if ($o < $this->whole) {
                        $pure = false;
                    } elseif (! isset($seen[$o])) {
                        $seen[$o] = true;
                        $stack[] = $o;
                    }
                }
            }
            if (! $pure || count($members) > 400) {
                continue;
            }
            $volume = $area = 0.0;
            $o = $this->start[3 * $t];
            foreach ($members as $q) {
                [$a, $b, $c] = [$this->start[3 * $q], $this->start[3 * $q + 1], $this->start[3 * $q + 2]];
                $u = [$this->x[$b] - $this->x[$a], $this->y[$b] - $this->y[$a], $this->z[$b] - $this->z[$a]];
                $w = [$this->x[$c] - $this->x[$a], $this->y[$c] - $this->y[$a], $this->z[$c] - $this->z[$a]];
                $nx = $u[1] * $w[2] - $u[2] * $w[1];
                $ny = $u[2] * $w[0] - $u[0] * $w[2];
                $nz = $u[0] * $w[1] - $u[1] * $w[0];
                $volume += (($this->x[$a] - $this->x[$o]) * $nx + ($this->y[$a] - $this->y[$o]) * $ny + ($this->z[$a] - $this->z[$o]) * $nz) / 6;
                $area += sqrt($nx * $nx + $ny * $ny + $nz * $nz) / 2;
            }
            if (abs($volume) <= $this->eps * $area) {
                foreach ($members as $q) {
                    $this->facet[$q] = -1;
                }
            }
        }
    }

    /** @param array<int, int> $active */
    private function splitPinchedVertices(array $active): void
    {
        $seen = $used = [];
        foreach ($active as $h) {
            if (isset($seen[$h]) || $this->facet[intdiv($h, 3)] < 0) {
                continue;
            }
            $v = $this->start[$h];
            $fan = [];
            $s = $h;
            do {
                $fan[] = $s;
                $seen[$s] = true;
                $s = $this->twin[$s % 3 === 0 ? $s + 2 : $s - 1];
            } while ($s !== $h);
            if (isset($used[$v])) {
                $new = count($this->x);
                $this->x[] = $this->x[$v];
                $this->y[] = $this->y[$v];
                $this->z[] = $this->z[$v];
                foreach ($fan as $s) {
                    $this->start[$s] = $new;
                }
            }
            $used[$v] = true;
        }
    }

    /** The result with its own vertices, facets and surfaces only. */
    private function compacted(): Solid
    {
        $m = $this->pair;
        $out = new Solid;
        $triangle = $vertex = $facet = $surface = [];
        foreach ($this->facet as $t => $f) {
            if ($f < 0) {
                continue;
            }
            $triangle[$t] = count($out->facet);
            if (! isset($facet[$f])) {
                $facet[$f] = count($out->nx);
                $out->nx[] = $m->fx[$f];
                $out->ny[] = $m->fy[$f];
                $out->nz[] = $m->fz[$f];
                $out->offset[] = $m->fd[$f];
                $s = $m->fSurface[$f];
                if (! isset($surface[$s])) {
                    $surface[$s] = count($out->surfaces);
                    $out->surfaces[] = $m->surfaces[$s];
                }
                $out->surfaceOf[] = $surface[$s];
            }
            $out->facet[] = $facet[$f];
            for ($h = 3 * $t, $end = $h + 3; $h < $end; $h++) {
                $v = $this->start[$h];
                if (! isset($vertex[$v])) {
                    $vertex[$v] = count($out->x);
                    $out->x[] = $this->x[$v];
                    $out->y[] = $this->y[$v];
                    $out->z[] = $this->z[$v];
                }
                $out->start[] = $vertex[$v];
            }
        }
        foreach ($triangle as $t => $_) {
            for ($h = 3 * $t, $end = $h + 3; $h < $end; $h++) {
                $o = $this->twin[$h];
                $out->twin[] = 3 * $triangle[intdiv($o, 3)] + $o % 3;
            }
        }

        return $out;
    }
}
