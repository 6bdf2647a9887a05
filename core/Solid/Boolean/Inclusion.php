<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

/**
 * How often each vertex of P and Q appears in the result (negative: turned over), and the numbers of the result's
 * vertices: P's keep theirs, crossings and what stays of Q follow. P's vertices that go are left unused.
 */
final class Inclusion
{
    private const UNKNOWN = PHP_INT_MAX;

    /** @var array{array<int, int>, array<int, int>} inclusion by vertex, for P and Q */
    public array $of = [[], []];

    /** @var array{array<int, int>, array<int, int>} first result vertex of each input vertex */
    public array $id = [[], []];

    /** @var array<int, int> first result vertex of each crossing */
    public array $crossingId = [];

    /** @var array<int, float> result vertices */
    public array $x;

    /** @var array<int, float> */
    public array $y;

    /** @var array<int, float> */
    public array $z;

    /** @var array<int, int> where the result's vertices after P's come from: P vertex >= 0, Q vertex -1, crossing c as -2 - c */
    public array $source = [];

    public function __construct(
        private readonly OperandPair $pair,
        private readonly ShadowPredicates $shadow,
        private readonly BroadPhase $broad,
        Crossings $crossings,
        Operation $op,
    ) {
        $m = $pair;
        // far from the other solid nothing is inside it
        $far = $op === Operation::Intersection ? 0 : 1;
        $this->of = [array_fill(0, count($m->px), $far), array_fill(0, count($m->qx), $op === Operation::Difference ? 0 : $far)];
        $this->id[0] = range(0, count($m->px) - 1);
        $this->x = $m->px;
        $this->y = $m->py;
        $this->z = $m->pz;
        foreach ($crossings->weight as $c => $w) {
            $this->crossingId[] = count($this->x);
            $this->add($crossings->x[$c], $crossings->y[$c], $crossings->z[$c], abs($w), -2 - $c);
        }
        $near = $this->windings(true, $m->pStart, $m->pTwin, $m->px, $m->py, $m->pz, $broad->pLeaving(), $crossings->pWinding);
        foreach ($near as $v => $w) {
            $i = $op === Operation::Intersection ? $w : 1 - $w;
            $this->of[0][$v] = $i;
            if ($i > 1 || $i < -1) {
                $this->id[0][$v] = count($this->x);
                $this->add($m->px[$v], $m->py[$v], $m->pz[$v], abs($i), $v);
            }
        }
        $leaving = [];
        foreach ($m->qStart as $h => $v) {
            $leaving[$v] = $h;
        }
        $near = $this->windings(false, $m->qStart, $m->qTwin, $m->qx, $m->qy, $m->qz, $leaving, $crossings->qWinding);
        foreach ($near as $v => $w) {
            $this->of[1][$v] = match ($op) {
                Operation::Intersection => $w,
                Operation::Union => 1 - $w,
                Operation::Difference => -$w,
            };
        }
        foreach ($this->of[1] as $v => $i) {
            $this->id[1][] = count($this->x);
            if ($i === 1 || $i === -1) {
                $this->source[count($this->x)] = -1;
                $this->x[] = $m->qx[$v];
                $this->y[] = $m->qy[$v];
                $this->z[] = $m->qz[$v];
            } elseif ($i !== 0) {
                $this->add($m->qx[$v], $m->qy[$v], $m->qz[$v], abs($i), -1);
            }
        }
    }

    private function add(float $x, float $y, float $z, int $times, int $source): void
    {
        for ($k = 0; $k < $times; $k++) {
            $this->source[count($this->x)] = $source;
            $this->x[] = $x;
            $this->y[] = $y;
            $this->z[] = $z;
        }
    }

    /**
     * Winding number of the other solid at every vertex in the box both share: where no neighbour is known, one vertex is
     * counted against all faces; the others follow by the crossings between them. Outside of the box it is 0.
     *
     * @param array<int, int> $start
     * @param array<int, int> $twin
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @param array<int, int> $leaving
     * @param array<int, int> $crossed
     * @return array<int, int>
     */
    private function windings(bool $isP, array $start, array $twin, array $x, array $y, array $z, array $leaving, array $crossed): array
    {
        [$x0, $y0, $z0, $x1, $y1, $z1] = $this->broad->common;
        $winding = array_fill(0, count($x), 0);
        $near = [];
        foreach ($leaving as $v => $_) {
            if ($x[$v] >= $x0 && $x[$v] <= $x1 && $y[$v] >= $y0 && $y[$v] <= $y1 && $z[$v] >= $z0 && $z[$v] <= $z1) {
                $winding[$v] = self::UNKNOWN;
                $near[] = $v;
            }
        }
        sort($near);
        $sign = $isP ? -1 : 1;
        $seeds = [];
        if (count($near) === count($x)) {
            $seeds = $near;
        } else {
            foreach ($near as $v) {
                if ($winding[$v] !== self::UNKNOWN) {
                    continue;
                }
                // from a neighbour that is known, if there is one
                $h = $leaving[$v];
                do {
                    $u = $start[$h % 3 === 2 ? $h - 2 : $h + 1];
                    $g = $twin[$h];
                    if ($winding[$u] !== self::UNKNOWN) {
                        $winding[$v] = $winding[$u] - $sign * ($crossed[$h] ?? -($crossed[$g] ?? 0));
                        self::spread($v, $winding, $leaving, $start, $twin, $crossed, $sign);

                        continue 2;
                    }
                    $h = $g % 3 === 2 ? $g - 2 : $g + 1;
                } while ($h !== $leaving[$v]);
                $seeds[] = $v;
            }
        }
        foreach ($seeds as $seed) {
            if ($winding[$seed] === self::UNKNOWN) {
                $winding[$seed] = $this->counted($isP, $seed, $x[$seed], $y[$seed], $z[$seed]);
                self::spread($seed, $winding, $leaving, $start, $twin, $crossed, $sign);
            }
        }

        $out = [];
        foreach ($near as $v) {
            $out[$v] = $winding[$v];
        }

        return $out;
    }

    /** Winding number of the other solid at a vertex, from all its faces. */
    private function counted(bool $isP, int $vertex, float $atX, float $atY, float $atZ): int
    {
        $m = $this->pair;
        [$x, $y, $z, $start] = $isP ? [$m->qx, $m->qy, $m->qz, $m->qStart] : [$m->px, $m->py, $m->pz, $m->pStart];
        // faces that lie wholly to one side, or on the far side of what is lower, throw no shadow on it
        $tolerance = $this->shadow->tolerance;
        [$x0, $x1, $y0, $y1] = [$atX - $tolerance, $atX + $tolerance, $atY - $tolerance, $atY + $tolerance];
        $low = $isP ? $atZ - $tolerance : -INF;
        $high = $isP ? INF : $atZ + $tolerance;
        $w = 0;
        for ($f = 0, $h = 0, $n = count($start); $h < $n; $f++, $h += 3) {
            $a = $start[$h];
            $b = $start[$h + 1];
            $c = $start[$h + 2];
            $k = $x[$a];
            if ($k < $x0 ? $x[$b] < $x0 && $x[$c] < $x0 : $k > $x1 && $x[$b] > $x1 && $x[$c] > $x1) {
                continue;
            }
            $k = $y[$a];
            if ($k < $y0 ? $y[$b] < $y0 && $y[$c] < $y0 : $k > $y1 && $y[$b] > $y1 && $y[$c] > $y1) {
                continue;
            }
            $k = $z[$a];
            if ($k < $low ? $z[$b] < $low && $z[$c] < $low : $k > $high && $z[$b] > $high && $z[$c] > $high) {
                continue;
            }
            $w += $isP ? -$this->shadow->vertexFace($vertex, $f) : $this->shadow->faceVertex($f, $vertex);
        }

        return $w;
    }

    /**
     * Carries what is known of a vertex to all it hangs together with and that is not known yet.
     *
     * @param array<int, int> $winding
     * @param array<int, int> $leaving
     * @param array<int, int> $start
     * @param array<int, int> $twin
     * @param array<int, int> $crossed
     */
    private static function spread(int $from, array &$winding, array $leaving, array $start, array $twin, array $crossed, int $sign): void
    {
        $stack = [$from];
        while ($stack !== []) {
            $v = array_pop($stack);
            $first = $h = $leaving[$v];
            $w = $winding[$v];
            do {
                $u = $start[$h % 3 === 2 ? $h - 2 : $h + 1];
                $g = $twin[$h];
                if ($winding[$u] === self::UNKNOWN) {
                    $winding[$u] = $w + $sign * ($crossed[$h] ?? -($crossed[$g] ?? 0));
                    $stack[] = $u;
                }
                $h = $g % 3 === 2 ? $g - 2 : $g + 1;
            } while ($h !== $first);
        }
    }
}
