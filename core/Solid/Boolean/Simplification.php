<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

/**
 * Takes out what a boolean leaves behind around its new triangles: vertices inside one facet or on a straight crease,
 * edges without length, and triangles without height.
 */
final class Simplification
{
    /** @var array<int, int|true> vertices of new triangles */
    private array $candidate = [];

    /** @var array<int, int> */
    private array $queue = [];

    /** @var array<int, true> */
    private array $queued = [];

    /** @var array<int, true> */
    private array $dead = [];

    public static function run(WorkingMesh $m): void
    {
        (new self($m))->simplify();
    }

    private function __construct(private readonly WorkingMesh $mesh) {}

    private function simplify(): void
    {
        $m = $this->mesh;
        $n = count($m->start);
        for ($h = 3 * $m->whole; $h < $n; $h++) {
            $this->candidate[$m->start[$h]] = true;
            $m->leaving[$m->start[$h]] = $h;
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
        $m = $this->mesh;
        $x = &$m->x;
        $y = &$m->y;
        $z = &$m->z;
        $start = &$m->start;
        $twin = &$m->twin;
        $facet = &$m->facet;
        $eps = $m->eps;
        $eps2 = $eps * $eps;
        $out = $label = $near = [];
        $first = $h = $m->leaving[$v];
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
                $after = $m->area($u, $p, $q, $f);
                if ($after <= $slack) {
                    if ($short && $after >= -2 * $slack) {
                        continue;
                    }
                    if ($after < -$slack || $m->area($v, $p, $q, $f) > $slack) {
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
            $m->join($twin[$hn], $twin[$hp]);
            $m->join($twin[$gn], $twin[$gp]);
            $m->leaving[$u] = $twin[$twin[$hn]];
            $m->leaving[$a] = $twin[$hn];
            $m->leaving[$b] = $twin[$gn];
            $facet[intdiv($h, 3)] = -1;
            $facet[intdiv($g, 3)] = -1;
            $this->dead[$v] = true;
            $this->requeue(...$near);

            return;
        }
    }

    private function flipEdges(int $n): int
    {
        $m = $this->mesh;
        $flips = 0;
        $from = 3 * $m->whole;
        for ($h = $from; $h < $n; $h++) {
            $f = $m->facet[intdiv($h, 3)];
            $g = $m->twin[$h];
            if ($f < 0 || ($g < $h && $g >= $from)) {
                continue;
            }
            $f2 = $m->facet[intdiv($g, 3)];
            if ($f2 !== $f) {
                // a needle on a crease goes to the neighbouring facet, its long edge turned
                if ($this->passNeedle($h, $g, $f, $f2) || ($g >= $from && $this->passNeedle($g, $h, $f2, $f))) {
                    $flips++;
                }

                continue;
            }
            $a = $m->start[$h];
            $b = $m->start[$g];
            $c = $m->start[$h % 3 === 0 ? $h + 2 : $h - 1];
            $d = $m->start[$g % 3 === 0 ? $g + 2 : $g - 1];
            if ($c === $d) {
                continue;
            }
            $a1 = $m->area($a, $b, $c, $f);
            $a2 = $m->area($b, $a, $d, $f);
            $tol = $m->eps * sqrt($m->distance2($a, $b));
            if ($a1 > $tol && $a2 > $tol) {
                continue;
            }
            $better = min($m->area($d, $b, $c, $f), $m->area($c, $a, $d, $f)) > min($a1, $a2) + $tol;
            if (($better || $m->distance2($c, $d) <= $m->eps ** 2) && ! $m->connected($h % 3 === 0 ? $h + 2 : $h - 1, $d)) {
                $this->turn($h, $g, $f);
                $flips++;
            }
        }

        return $flips;
    }

    private function passNeedle(int $e, int $o, int $fa, int $fb): bool
    {
        $m = $this->mesh;
        $a = $m->start[$e];
        $b = $m->start[$o];
        $c = $m->start[$e % 3 === 0 ? $e + 2 : $e - 1];
        $d = $m->start[$o % 3 === 0 ? $o + 2 : $o - 1];
        if ($c === $d) {
            return false;
        }
        $l2 = $m->distance2($a, $b);
        $along = ($m->x[$c] - $m->x[$a]) * ($m->x[$b] - $m->x[$a]) + ($m->y[$c] - $m->y[$a]) * ($m->y[$b] - $m->y[$a]) + ($m->z[$c] - $m->z[$a]) * ($m->z[$b] - $m->z[$a]);
        $tol = $m->eps * sqrt($l2);
        if ($along <= 0 || $along >= $l2
            || abs($m->area($a, $b, $c, $fa)) > $tol || abs($m->area($a, $b, $c, $fb)) > $tol
            || $m->area($d, $b, $c, $fb) <= $tol || $m->area($c, $a, $d, $fb) <= $tol
            || $m->connected($e % 3 === 0 ? $e + 2 : $e - 1, $d)) {
            return false;
        }
        $this->turn($e, $o, $fb);

        return true;
    }

    /** Turns an edge and looks at its four corners again. */
    private function turn(int $h, int $g, int $f): void
    {
        $m = $this->mesh;
        $corners = [$m->start[$h], $m->start[$g], $m->start[$h % 3 === 0 ? $h + 2 : $h - 1], $m->start[$g % 3 === 0 ? $g + 2 : $g - 1]];
        $m->turn($h, $g, $f);
        $this->requeue(...$corners);
    }
}
