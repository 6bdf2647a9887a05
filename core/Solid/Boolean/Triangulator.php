<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Geometry\EarClipping;
use Cubo\Geometry\Untangling;
use Cubo\Solid\Solid;
use Cubo\Solid\VertexWelding;

/**
 * Fills the outlines of every touched face with triangles and links all half-edges by their tokens.
 * The axis nearest the facet's normal is dropped, so the two coordinates left are exact.
 */
final class Triangulator
{
    /** Heights below this many tolerances may come out turned over by rounding alone. */
    private const ROUNDING = 10;

    /** @var array<int, int> */
    private array $start;

    /** @var array<int, int> */
    private array $twin;

    /** @var array<int, int> */
    private array $facet;

    /** @var array<int, int> */
    private array $partner;

    /** @var array<int, int> */
    private array $halfEdgeOf;

    private int $tokens;

    /** Area of the triangles that came out inverted, beyond what rounding explains, mm2. */
    public float $folded = 0.0;

    /** @var array<int, true> faces whose triangles came out inverted */
    public array $foldedFaces = [];

    /** @var array<int, int> vertices that were replaced by others in the same place */
    private array $same = [];

    /** @var array<int, float> */
    private array $x;

    /** @var array<int, float> */
    private array $y;

    /** @var array<int, float> */
    private array $z;

    /** @param float $nudge how far the second attempt at a folded face moves vertices, mm */
    public function __construct(
        private readonly FaceOutlines $outlines,
        private readonly OperandPair $pair,
        private readonly float $nudge,
        private readonly float $tolerance,
    ) {
        $this->x = $outlines->inclusion->x;
        $this->y = $outlines->inclusion->y;
        $this->z = $outlines->inclusion->z;
        $this->start = $outlines->start;
        $this->twin = $outlines->twin;
        $this->facet = $outlines->facet;
        $this->partner = $outlines->partner;
        $this->halfEdgeOf = $outlines->halfEdgeOf;
        $this->tokens = $outlines->tokens;
    }

    /** @param list<array{array<int, int>, array<int, int>}> $loops */
    public function fill(array $loops, int $facet, int $face): void
    {
        [$first] = $loops;
        $single = count($loops) === 1;
        if ($single && count($first[0]) === 3) {
            [[$a, $b, $c], [$p, $q, $r]] = $first;
            $this->emit($a, $b, $c, $p, $q, $r, $facet);
            [$u, $w] = $this->plane($facet);
            $this->fold($this->invertedArea([[$a, $b, $c]], $u, $w), $face);

            return;
        }
        [$u, $w, $iu, $iw] = $this->plane($facet);
        if ($single && count($first[0]) === 4 && $this->quad($first, $u, $w, $facet)) {
            return;
        }
        $best = new EarClipping($loops, $u, $w, $this->tokens);
        $folded = $this->invertedArea($best->triangles, $u, $w);
        if ($folded > 0) {
            // outlines that touch themselves fold: try again as the symbolic movement would have it
            $u2 = $w2 = [];
            foreach ($loops as [$vertices]) {
                foreach ($vertices as $v) {
                    $d = $this->outlines->displacement($v);
                    $u2[$v] = $u[$v] + $this->nudge * $d[$iu];
                    $w2[$v] = $w[$v] + $this->nudge * $d[$iw];
                }
            }
            $second = new EarClipping($loops, $u2, $w2, $this->tokens);
            $again = $this->invertedArea($second->triangles, $u, $w);
            if ($again < $folded) {
                $best = $second;
                $folded = $again;
            }
            $this->fold($folded, $face);
        }
        $this->take($best->triangles, $best->glued, $best->nextToken, $facet);
    }

    private function fold(float $area, int $face): void
    {
        if ($area > 0) {
            $this->folded += $area;
            $this->foldedFaces[$face] = true;
        }
    }

    /**
     * Fills all outlines of one plane together.
     *
     * @param non-empty-array<int, array{list<array{array<int, int>, array<int, int>}>, bool, int}> $polygons by face:
     *     loops, whether they face as the facet does, own facet
     */
    public function fillPlane(array $polygons, int $facet): void
    {
        [$u, $w, $iu, $iw] = $this->plane($facet);
        $vertices = [];
        foreach ($polygons as [$loops]) {
            array_push($vertices, ...array_merge(...array_column($loops, 0)));
        }
        $same = VertexWelding::find(array_unique($vertices), $this->x, $this->y, $this->z, $this->tolerance);
        $this->same += $same;
        foreach ($polygons as &$polygon) {
            foreach ($polygon[0] as &$loop) {
                $loop[0] = array_map(static fn(int $v): int => $same[$v] ?? $v, $loop[0]);
            }
        }
        unset($polygon, $loop);
        $open = new Untangling(array_values($polygons), $u, $w, $this->tokens, $this->tolerance, function (int $a, int $b, float $t): int {
            $this->x[] = $this->x[$a] + $t * ($this->x[$b] - $this->x[$a]);
            $this->y[] = $this->y[$a] + $t * ($this->y[$b] - $this->y[$a]);
            $this->z[] = $this->z[$a] + $t * ($this->z[$b] - $this->z[$a]);

            return count($this->x) - 1;
        });
        foreach ($open->narrow as [$triangle, $label]) {
            $this->take([$triangle], [], $open->nextToken, $label);
        }
        $this->take([], [], $open->nextToken, $facet);
        [$u, $w] = [[$this->x, $this->y, $this->z][$iu], [$this->x, $this->y, $this->z][$iw]];
        $next = $open->nextToken;
        $glued = $open->glued;
        foreach ($open->regions as [$loops, $up, $label]) {
            [$p, $q] = $up ? [$u, $w] : [$w, $u];
            $filled = new EarClipping($loops, $p, $q, $next);
            $this->fold($this->invertedArea($filled->triangles, $p, $q), (int) array_key_first($polygons));
            $next = $filled->nextToken;
            // where only an outline that ran backwards covers a place, its facet looks the other way
            $m = $this->pair;
            $along = $m->fx[$facet] * $m->fx[$label] + $m->fy[$facet] * $m->fy[$label] + $m->fz[$facet] * $m->fz[$label] > 0;
            $this->take($filled->triangles, [], $next, $along === $up ? $label : $m->flip($label));
            array_push($glued, ...$filled->glued);
        }
        $this->take([], $glued, $next, $facet);
    }

    /**
     * @param list<array{int,int,int,int,int,int}> $triangles
     * @param list<array{int,int}> $glued
     */
    private function take(array $triangles, array $glued, int $nextToken, int $facet): void
    {
        for ($t = $this->tokens; $t < $nextToken; $t += 2) {
            $this->partner[$t] = $t + 1;
            $this->partner[$t + 1] = $t;
        }
        $this->tokens = $nextToken;
        foreach ($triangles as [$a, $b, $c, $p, $q, $r]) {
            $this->emit($a, $b, $c, $p, $q, $r, $facet);
        }
        foreach ($glued as [$a, $b]) {
            $p = $this->partner[$a];
            $q = $this->partner[$b];
            if ($p !== $b) {
                $this->partner[$p] = $q;
                $this->partner[$q] = $p;
            }
        }
    }

    /** @return array{array<int, float>, array<int, float>, int, int} the two coordinates kept, and which they are */
    private function plane(int $facet): array
    {
        $nx = $this->pair->fx[$facet];
        $ny = $this->pair->fy[$facet];
        $nz = $this->pair->fz[$facet];
        $ax = abs($nx);
        $ay = abs($ny);
        $az = abs($nz);
        [$p, $s] = match (true) {
            $az >= $ax && $az >= $ay => [[$this->x, $this->y, 0, 1], $nz],
            $ax >= $ay => [[$this->y, $this->z, 1, 2], $nx],
            default => [[$this->z, $this->x, 2, 0], $ny],
        };

        return $s < 0 ? [$p[1], $p[0], $p[3], $p[2]] : $p;
    }

    /**
     * @param array{array<int, int>, array<int, int>} $loop
     * @param array<int, float> $u
     * @param array<int, float> $w
     */
    private function quad(array $loop, array $u, array $w, int $facet): bool
    {
        [[$a, $b, $c, $d], [$ta, $tb, $tc, $td]] = $loop;
        if ($a === $c || $b === $d) {
            return false;
        }
        $area = static fn(int $i, int $j, int $k): float => ($u[$j] - $u[$i]) * ($w[$k] - $w[$i]) - ($w[$j] - $w[$i]) * ($u[$k] - $u[$i]);
        $ac = ($u[$c] - $u[$a]) ** 2 + ($w[$c] - $w[$a]) ** 2;
        $bd = ($u[$d] - $u[$b]) ** 2 + ($w[$d] - $w[$b]) ** 2;
        $eps = 1e-13 * ($ac + $bd);
        $byAc = $area($a, $b, $c) > $eps && $area($a, $c, $d) > $eps;
        $byBd = $area($b, $c, $d) > $eps && $area($b, $d, $a) > $eps;
        if (!$byAc && !$byBd) {
            return false;
        }
        $t = $this->tokens;
        $this->tokens += 2;
        $this->partner[$t] = $t + 1;
        $this->partner[$t + 1] = $t;
        if ($byAc && (!$byBd || $ac <= $bd)) {
            $this->emit($a, $b, $c, $ta, $tb, $t, $facet);
            $this->emit($a, $c, $d, $t + 1, $tc, $td, $facet);
        } else {
            $this->emit($b, $c, $d, $tb, $tc, $t, $facet);
            $this->emit($b, $d, $a, $t + 1, $td, $ta, $facet);
        }

        return true;
    }

    /**
     * Twice the area of the triangles that lie the wrong way round by more than rounding explains.
     *
     * @param list<array{0:int,1:int,2:int,3?:int,4?:int,5?:int}> $triangles
     * @param array<int, float> $u
     * @param array<int, float> $w
     */
    private function invertedArea(array $triangles, array $u, array $w): float
    {
        $limit = (self::ROUNDING * $this->tolerance) ** 2;
        $sum = 0.0;
        foreach ($triangles as [$a, $b, $c]) {
            $bu = $u[$b] - $u[$a];
            $bw = $w[$b] - $w[$a];
            $cu = $u[$c] - $u[$a];
            $cw = $w[$c] - $w[$a];
            $area = $bu * $cw - $bw * $cu;
            if ($area < 0 && $area * $area > $limit * max($bu * $bu + $bw * $bw, $cu * $cu + $cw * $cw)) {
                $sum -= $area;
            }
        }

        return $sum;
    }

    private function emit(int $a, int $b, int $c, int $ta, int $tb, int $tc, int $facet): void
    {
        $h = count($this->start);
        $this->start[] = $a;
        $this->start[] = $b;
        $this->start[] = $c;
        $this->twin[] = -1;
        $this->twin[] = -1;
        $this->twin[] = -1;
        $this->facet[] = $facet;
        $this->halfEdgeOf[$ta] = $h;
        $this->halfEdgeOf[$tb] = $h + 1;
        $this->halfEdgeOf[$tc] = $h + 2;
    }

    /** The closed mesh; facet numbers are those of the operand pair, its own facet table is still empty. */
    public function mesh(): Solid
    {
        foreach ($this->halfEdgeOf as $token => $h) {
            $this->twin[$h] = $this->halfEdgeOf[$this->partner[$token]] ?? throw new Imbalance('A side has no neighbour.');
        }
        foreach ($this->same as $v => $u) {
            foreach (array_keys($this->start, $v, true) as $h) {
                $this->start[$h] = $u;
            }
        }

        return new Solid($this->x, $this->y, $this->z, $this->start, $this->twin, $this->facet);
    }
}
