<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Geometry\EarClipping;
use Cubo\Solid\Solid;

/**
 * Fills the outlines of every touched face with triangles and links all half-edges by their tokens.
 * The axis nearest the facet's normal is dropped, so the two coordinates left are exact.
 */
final class Triangulator
{
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

    public function __construct(private readonly FaceOutlines $outlines, private readonly OperandPair $pair, private readonly float $nudge)
    {
        $this->start = $outlines->start;
        $this->twin = $outlines->twin;
        $this->facet = $outlines->facet;
        $this->partner = $outlines->partner;
        $this->halfEdgeOf = $outlines->halfEdgeOf;
        $this->tokens = $outlines->tokens;
    }

    /** @param list<array{array<int, int>, array<int, int>}> $loops */
    public function fill(array $loops, int $facet): void
    {
        [$first] = $loops;
        $single = count($loops) === 1;
        if ($single && count($first[0]) === 3) {
            [[$a, $b, $c], [$p, $q, $r]] = $first;
            $this->emit($a, $b, $c, $p, $q, $r, $facet);

            return;
        }
        [$u, $w, $iu, $iw] = $this->plane($facet);
        if ($single && count($first[0]) === 4 && $this->quad($first, $u, $w, $facet)) {
            return;
        }
        $best = new EarClipping($loops, $u, $w, $this->tokens);
        $folded = self::invertedArea($best->triangles, $u, $w);
        $scale = 0.0;
        foreach ($first[0] as $v) {
            $scale = max($scale, abs($u[$v] - $u[$first[0][0]]) + abs($w[$v] - $w[$first[0][0]]));
        }
        if ($folded > 1e-9 * $scale * $scale) {
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
            if (self::invertedArea($second->triangles, $u, $w) < $folded) {
                $best = $second;
            }
        }
        for ($t = $this->tokens; $t < $best->nextToken; $t += 2) {
            $this->partner[$t] = $t + 1;
            $this->partner[$t + 1] = $t;
        }
        $this->tokens = $best->nextToken;
        foreach ($best->triangles as [$a, $b, $c, $p, $q, $r]) {
            $this->emit($a, $b, $c, $p, $q, $r, $facet);
        }
        foreach ($best->glued as [$a, $b]) {
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
        $i = $this->outlines->inclusion;
        $nx = $this->pair->fx[$facet];
        $ny = $this->pair->fy[$facet];
        $nz = $this->pair->fz[$facet];
        $ax = abs($nx);
        $ay = abs($ny);
        $az = abs($nz);
        [$p, $s] = match (true) {
            $az >= $ax && $az >= $ay => [[$i->x, $i->y, 0, 1], $nz],
            $ax >= $ay => [[$i->y, $i->z, 1, 2], $nx],
            default => [[$i->z, $i->x, 2, 0], $ny],
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
        $area = static fn (int $i, int $j, int $k): float => ($u[$j] - $u[$i]) * ($w[$k] - $w[$i]) - ($w[$j] - $w[$i]) * ($u[$k] - $u[$i]);
        $ac = ($u[$c] - $u[$a]) ** 2 + ($w[$c] - $w[$a]) ** 2;
        $bd = ($u[$d] - $u[$b]) ** 2 + ($w[$d] - $w[$b]) ** 2;
        $eps = 1e-13 * ($ac + $bd);
        $byAc = $area($a, $b, $c) > $eps && $area($a, $c, $d) > $eps;
        $byBd = $area($b, $c, $d) > $eps && $area($b, $d, $a) > $eps;
        if (! $byAc && ! $byBd) {
            return false;
        }
        $t = $this->tokens;
        $this->tokens += 2;
        $this->partner[$t] = $t + 1;
        $this->partner[$t + 1] = $t;
        if ($byAc && (! $byBd || $ac <= $bd)) {
            $this->emit($a, $b, $c, $ta, $tb, $t, $facet);
            $this->emit($a, $c, $d, $t + 1, $tc, $td, $facet);
        } else {
            $this->emit($b, $c, $d, $tb, $tc, $t, $facet);
            $this->emit($b, $d, $a, $t + 1, $td, $ta, $facet);
        }

        return true;
    }

    /**
     * @param list<array{int,int,int,int,int,int}> $triangles
     * @param array<int, float> $u
     * @param array<int, float> $w
     */
    private static function invertedArea(array $triangles, array $u, array $w): float
    {
        $sum = 0.0;
        foreach ($triangles as [$a, $b, $c]) {
            $area = ($u[$b] - $u[$a]) * ($w[$c] - $w[$a]) - ($w[$b] - $w[$a]) * ($u[$c] - $u[$a]);
            if ($area < 0) {
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
        $i = $this->outlines->inclusion;

        return new Solid($i->x, $i->y, $i->z, $this->start, $this->twin, $this->facet);
    }
}
