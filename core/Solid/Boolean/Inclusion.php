<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

/**
 * How often each vertex of P and Q appears in the result (negative: turned over), and the numbers of the result's
 * vertices: crossings first, then what stays of P, then of Q.
 */
final class Inclusion
{
    /** @var array{array<int, int>, array<int, int>} inclusion by vertex, for P and Q */
    public array $of = [[], []];

    /** @var array{array<int, int>, array<int, int>} first result vertex of each input vertex */
    public array $id = [[], []];

    /** @var array<int, int> first result vertex of each crossing */
    public array $crossingId = [];

    /** @var array<int, float> result vertices */
    public array $x = [];

    /** @var array<int, float> */
    public array $y = [];

    /** @var array<int, float> */
    public array $z = [];

    /** @var array<int, int> where a result vertex comes from: P vertex >= 0, Q vertex -1, crossing c as -2 - c */
    public array $source = [];

    public function __construct(private readonly OperandPair $pair, private readonly ShadowPredicates $shadow, Crossings $crossings, Operation $op)
    {
        $m = $pair;
        foreach ($crossings->weight as $c => $w) {
            $this->crossingId[] = count($this->x);
            for ($k = abs($w); $k > 0; $k--) {
                $this->x[] = $crossings->x[$c];
                $this->y[] = $crossings->y[$c];
                $this->z[] = $crossings->z[$c];
                $this->source[] = -2 - $c;
            }
        }
        $winding = [
            $this->flood(true, count($m->px), $m->pStart, $m->pTwin, $shadow->pEnd, $crossings->pWinding, $this->box($m->qx, $m->qy, $m->qz)),
            $this->flood(false, count($m->qx), $m->qStart, $m->qTwin, $shadow->qEnd, $crossings->qWinding, $this->box($m->px, $m->py, $m->pz)),
        ];
        foreach ([0, 1] as $side) {
            [$x, $y, $z] = $side === 0 ? [$m->px, $m->py, $m->pz] : [$m->qx, $m->qy, $m->qz];
            foreach ($winding[$side] as $v => $w) {
                $i = match (true) {
                    $w === null => 0,
                    $op === Operation::Intersection => $w,
                    $op === Operation::Union => 1 - $w,
                    default => $side === 1 ? -$w : 1 - $w,
                };
                $this->of[$side][] = $i;
                $this->id[$side][] = count($this->x);
                for ($k = abs($i); $k > 0; $k--) {
                    $this->x[] = $x[$v];
                    $this->y[] = $y[$v];
                    $this->z[] = $z[$v];
                    $this->source[] = $side === 1 ? -1 : $v;
                }
            }
        }
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @return array{float,float,float,float,float,float} widened by more than the movement in ties
     */
    private function box(array $x, array $y, array $z): array
    {
        if ($x === [] || $y === [] || $z === []) {
            return [1.0, 1.0, 1.0, -1.0, -1.0, -1.0];
        }
        $w = 4 * $this->shadow->tolerance;

        return [min($x) - $w, min($y) - $w, min($z) - $w, max($x) + $w, max($y) + $w, max($z) + $w];
    }

    /**
     * Winding number of the other solid at every vertex: none outside of its box; where no neighbour is known, one vertex
     * is counted against all faces; the others follow by the crossings between them.
     *
     * @param array{float,float,float,float,float,float} $otherBox
     * @param array<int, int> $start
     * @param array<int, int> $twin
     * @param array<int, int> $end
     * @param array<int, int> $crossed
     * @return array<int, int|null> null for vertices no triangle uses
     */
    private function flood(bool $isP, int $nv, array $start, array $twin, array $end, array $crossed, array $otherBox): array
    {
        $leaving = array_fill(0, $nv, -1);
        foreach ($start as $h => $v) {
            $leaving[$v] = $h;
        }
        $winding = array_fill(0, $nv, null);
        $sign = $isP ? -1 : 1;
        $faces = count($isP ? $this->pair->qFacet : $this->pair->pFacet);
        $x = $isP ? $this->pair->px : $this->pair->qx;
        $y = $isP ? $this->pair->py : $this->pair->qy;
        $z = $isP ? $this->pair->pz : $this->pair->qz;
        $other = $isP ? $this->pair->qx : $this->pair->px;
        $otherStart = $isP ? $this->pair->qStart : $this->pair->pStart;
        // outside of the other's box nothing is inside it
        $near = [];
        [$x0, $y0, $z0, $x1, $y1, $z1] = $otherBox;
        for ($v = 0; $v < $nv; $v++) {
            if ($leaving[$v] < 0) {
                continue;
            }
            if ($x[$v] < $x0 || $x[$v] > $x1 || $y[$v] < $y0 || $y[$v] > $y1 || $z[$v] < $z0 || $z[$v] > $z1) {
                $winding[$v] = 0;
            } else {
                $near[] = $v;
            }
        }
        $seeds = [];
        foreach ($near as $v) {
            if ($winding[$v] !== null) {
                continue;
            }
            // from a neighbour that is known, if there is one
            $h = $leaving[$v];
            do {
                $u = $end[$h];
                $g = $twin[$h];
                if ($winding[$u] !== null) {
                    $winding[$v] = $winding[$u] - $sign * ($crossed[$h] ?? -($crossed[$g] ?? 0));
                    self::spread($v, $winding, $leaving, $twin, $end, $crossed, $sign);
                    continue 2;
                }
                $h = $g % 3 === 2 ? $g - 2 : $g + 1;
            } while ($h !== $leaving[$v]);
            $seeds[] = $v;
        }
        foreach ($seeds as $seed) {
            if ($winding[$seed] !== null) {
                continue;
            }
            $w = 0;
            // faces that lie wholly to one side throw no shadow on the seed
            $sx = $x[$seed];
            $tolerance = $this->shadow->tolerance;
            $left = $sx - $tolerance;
            $right = $sx + $tolerance;
            for ($f = 0, $h = 0; $f < $faces; $f++, $h += 3) {
                $a = $other[$otherStart[$h]];
                $b = $other[$otherStart[$h + 1]];
                $c = $other[$otherStart[$h + 2]];
                if (($a < $left && $b < $left && $c < $left) || ($a > $right && $b > $right && $c > $right)) {
                    continue;
                }
                $w += $isP ? -$this->shadow->vertexFace($seed, $f) : $this->shadow->faceVertex($f, $seed);
            }
            $winding[$seed] = $w;
            self::spread($seed, $winding, $leaving, $twin, $end, $crossed, $sign);
        }

        return $winding;
    }

    /**
     * Carries what is known of a vertex to all it hangs together with and that is not known yet.
     *
     * @param array<int, int|null> $winding
     * @param array<int, int> $leaving
     * @param array<int, int> $twin
     * @param array<int, int> $end
     * @param array<int, int> $crossed
     */
    private static function spread(int $from, array &$winding, array $leaving, array $twin, array $end, array $crossed, int $sign): void
    {
        $stack = [$from];
        while ($stack !== []) {
            $v = array_pop($stack);
            $first = $h = $leaving[$v];
            $w = $winding[$v];
            do {
                $u = $end[$h];
                $g = $twin[$h];
                if ($winding[$u] === null) {
                    $winding[$u] = $w + $sign * ($crossed[$h] ?? -($crossed[$g] ?? 0));
                    $stack[] = $u;
                }
                $h = $g % 3 === 2 ? $g - 2 : $g + 1;
            } while ($h !== $first);
        }
    }
}
