<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

/**
 * Takes out what a boolean leaves behind around its new triangles: vertices inside one facet or on a straight crease,
 * edges without length, and triangles without height.
 */
final class Simplification
{
    /** Triangles around one vertex that are gone through; more are left as they are. */
    private const MOST_AROUND = 2000;

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
                if (!isset($this->dead[$v])) {
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
            if (isset($this->candidate[$v]) && !isset($this->queued[$v])) {
                $this->queued[$v] = true;
                $this->queue[] = $v;
            }
        }
    }

    /** Removes vertex v if it lies inside one facet, on a straight crease, or very near a neighbour. */
    private function collapse(int $v): void
    {
        $star = $this->star($v);
        if ($star === null) {
            return;
        }
        [$out, $label, $near] = $star;
        $m = $this->mesh;
        $length2 = [];
        foreach ($near as $i => $u) {
            $length2[$i] = ($m->x[$u] - $m->x[$v]) ** 2 + ($m->y[$u] - $m->y[$v]) ** 2 + ($m->z[$u] - $m->z[$v]) ** 2;
        }
        $try = $this->targets($v, $label, $near, $length2);
        if ($try === []) {
            return;
        }
        $isNear = array_flip($near);
        if (count($isNear) !== count($near)) {
            return;
        }
        foreach ($try as $i) {
            if (
                $this->keepsSides($v, $i, $label, $near, $length2[$i] <= $m->eps * $m->eps) &&
                $this->isLinked($v, $out[$i], $isNear) &&
                $this->merge($v, $near[$i], $out, $out[$i])
            ) {
                $this->requeue(...$near);

                return;
            }
        }
    }

    /**
     * What lies around a vertex, in order.
     *
     * @return array{list<int>, list<int>, list<int>}|null half-edges out of it, the facet left of each, where each leads; null
     *         of more than can be gone through
     */
    private function star(int $v): ?array
    {
        $m = $this->mesh;
        $out = $label = $near = [];
        $first = $h = $m->leaving[$v];
        do {
            $out[] = $h;
            $label[] = $m->facet[intdiv($h, 3)];
            $near[] = $m->start[$h % 3 === 2 ? $h - 2 : $h + 1];
            $h = $m->twin[$h % 3 === 0 ? $h + 2 : $h - 1];
            if (count($out) > self::MOST_AROUND) {
                return null;
            }
        } while ($h !== $first);

        return [$out, $label, $near];
    }

    /**
     * Neighbours it may be drawn into, best first: the nearest of all where it lies inside one facet, both along a straight
     * crease, and whatever is no distance away.
     *
     * @param list<int> $label
     * @param list<int> $near
     * @param array<int, float> $length2
     * @return list<int> places in the star
     */
    private function targets(int $v, array $label, array $near, array $length2): array
    {
        $n = count($near);
        $creases = [];
        for ($i = 0; $i < $n; $i++) {
            if ($label[$i] !== $label[$i > 0 ? $i - 1 : $n - 1]) {
                $creases[] = $i;
            }
        }
        $try = [];
        if ($creases === []) {
            asort($length2);
            $try = array_keys($length2);
            ksort($length2);
        } elseif (count($creases) === 2 && $this->isStraight($near[$creases[0]], $v, $near[$creases[1]])) {
            $try = $creases;
        }
        foreach ($length2 as $i => $l2) {
            if ($l2 <= $this->mesh->eps * $this->mesh->eps && ($try === [] || $try[0] !== $i)) {
                array_unshift($try, $i);
            }
        }

        return $try;
    }

    /** Whether v lies on the way from u to w. */
    private function isStraight(int $u, int $v, int $w): bool
    {
        $m = $this->mesh;
        $ax = $m->x[$u] - $m->x[$w];
        $ay = $m->y[$u] - $m->y[$w];
        $az = $m->z[$u] - $m->z[$w];
        $bx = $m->x[$v] - $m->x[$w];
        $by = $m->y[$v] - $m->y[$w];
        $bz = $m->z[$v] - $m->z[$w];
        $l2 = $ax * $ax + $ay * $ay + $az * $az;
        $along = $ax * $bx + $ay * $by + $az * $bz;
        $slack = $m->eps * sqrt($l2);

        return $l2 > 0 &&
            $along >= -$slack &&
            $along <= $l2 + $slack &&
            ($ay * $bz - $az * $by) ** 2 + ($az * $bx - $ax * $bz) ** 2 + ($ax * $by - $ay * $bx) ** 2 <= $m->eps * $m->eps * $l2;
    }

    /**
     * Whether the other triangles around v keep their side up in their facet when it is drawn into neighbour i.
     *
     * @param list<int> $label
     * @param list<int> $near
     */
    private function keepsSides(int $v, int $i, array $label, array $near, bool $short): bool
    {
        $m = $this->mesh;
        $n = count($near);
        $u = $near[$i];
        $before = $i > 0 ? $i - 1 : $n - 1;
        for ($k = 0; $k < $n; $k++) {
            if ($k === $i || $k === $before) {
                continue;
            }
            $p = $near[$k];
            $q = $near[$k + 1 < $n ? $k + 1 : 0];
            $longest = max(
                ($m->x[$p] - $m->x[$u]) ** 2 + ($m->y[$p] - $m->y[$u]) ** 2 + ($m->z[$p] - $m->z[$u]) ** 2,
                ($m->x[$q] - $m->x[$u]) ** 2 + ($m->y[$q] - $m->y[$u]) ** 2 + ($m->z[$q] - $m->z[$u]) ** 2,
                ($m->x[$q] - $m->x[$p]) ** 2 + ($m->y[$q] - $m->y[$p]) ** 2 + ($m->z[$q] - $m->z[$p]) ** 2,
            );
            $slack = $m->eps * sqrt($longest);
            $after = $m->area($u, $p, $q, $label[$k]);
            if ($after > $slack || ($short && $after >= -2 * $slack)) {
                continue;
            }
            if ($after < -$slack || $m->area($v, $p, $q, $label[$k]) > $slack) {
                return false;
            }
        }

        return true;
    }

    /**
     * The link condition: both ends of the half-edge share just the two corners opposite to it.
     *
     * @param array<int, int> $isNear neighbours of v
     */
    private function isLinked(int $v, int $h, array $isNear): bool
    {
        $m = $this->mesh;
        $g = $m->twin[$h];
        $common = $c = 0;
        $s = $g;
        do {
            $e = $m->start[$s % 3 === 2 ? $s - 2 : $s + 1];
            if ($e !== $v && isset($isNear[$e])) {
                $common++;
            }
            $s = $m->twin[$s % 3 === 0 ? $s + 2 : $s - 1];
        } while ($s !== $g && ++$c <= self::MOST_AROUND);
        $c++;

        return $common === 2 && $c >= 3 && !(count($isNear) === 3 && $c === 3);
    }

    /**
     * Draws v into u along the half-edge h from v to u; both triangles beside it go. False where they would leave a fold.
     *
     * @param list<int> $out half-edges out of v
     */
    private function merge(int $v, int $u, array $out, int $h): bool
    {
        $m = $this->mesh;
        $g = $m->twin[$h];
        $hn = $h % 3 === 2 ? $h - 2 : $h + 1;
        $hp = $h % 3 === 0 ? $h + 2 : $h - 1;
        $gn = $g % 3 === 2 ? $g - 2 : $g + 1;
        $gp = $g % 3 === 0 ? $g + 2 : $g - 1;
        $a = $m->start[$hp];
        $b = $m->start[$gp];
        if ($a === $b || $m->twin[$hn] === $hp || $m->twin[$gn] === $gp) {
            return false;
        }
        foreach ($out as $o) {
            $m->start[$o] = $u;
        }
        $m->join($m->twin[$hn], $m->twin[$hp]);
        $m->join($m->twin[$gn], $m->twin[$gp]);
        $m->leaving[$u] = $m->twin[$m->twin[$hn]];
        $m->leaving[$a] = $m->twin[$hn];
        $m->leaving[$b] = $m->twin[$gn];
        $m->facet[intdiv($h, 3)] = -1;
        $m->facet[intdiv($g, 3)] = -1;
        $this->dead[$v] = true;

        return true;
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
            if (($better || $m->distance2($c, $d) <= $m->eps ** 2) && !$m->connected($h % 3 === 0 ? $h + 2 : $h - 1, $d)) {
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
        $along =
            ($m->x[$c] - $m->x[$a]) * ($m->x[$b] - $m->x[$a]) +
            ($m->y[$c] - $m->y[$a]) * ($m->y[$b] - $m->y[$a]) +
            ($m->z[$c] - $m->z[$a]) * ($m->z[$b] - $m->z[$a]);
        $tol = $m->eps * sqrt($l2);
        if (
            $along <= 0 ||
            $along >= $l2 ||
            abs($m->area($a, $b, $c, $fa)) > $tol ||
            abs($m->area($a, $b, $c, $fb)) > $tol ||
            $m->area($d, $b, $c, $fb) <= $tol ||
            $m->area($c, $a, $d, $fb) <= $tol ||
            $m->connected($e % 3 === 0 ? $e + 2 : $e - 1, $d)
        ) {
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
