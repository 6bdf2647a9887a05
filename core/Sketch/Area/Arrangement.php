<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\Maker\Profile;

/**
 * The closed areas that curves divide the plane into, however they cross.
 *
 * Curves are split where they meet, equal pieces are taken once, pieces that end in nothing bound nothing, and the faces
 * of the planar graph are traced (M. de Berg et al., "Computational Geometry", 3rd ed., chapter 2). Areas are those of the
 * true curves. Regions are numbered from 1, by their lowest, then leftmost corner; a region's key says which curves bound
 * it from which side, so that it is found again when sizes change.
 *
 * @phpstan-import-type Side from Profile
 */
final class Arrangement
{
    /** Smaller faces are none, mm2. */
    private const NO_AREA = 1e-9;

    /** @var array<int, int> face of each half-edge 2e (forward), 2e + 1 (back); -1 outside every region */
    private array $faceOf = [];

    /** @var list<Region> */
    public readonly array $regions;

    private readonly CurveGraph $graph;

    /**
     * @param list<Curve> $curves
     *
     * @throws TooManyPieces
     * @throws OverBudget
     */
    public function __construct(array $curves, ?Budget $budget = null)
    {
        $this->graph = new CurveGraph($curves, ($budget ??= Budget::unlimited()));
        $this->regions = $this->trace($budget);
    }

    /** @return list<array{float,float}> where a line ends in nothing */
    public function looseEnds(): array
    {
        return $this->graph->looseEnds;
    }

    /** @return list<array{string,string}> names of curves that lie on each other */
    public function doubled(): array
    {
        return array_values($this->graph->doubled);
    }

    /** @return list<Region> */
    private function trace(Budget $budget): array
    {
        $around = [];
        foreach ($this->graph->edges as $e => [$a, $b]) {
            if (!$this->graph->dangling[$e]) {
                $around[$a][] = 2 * $e;
                $around[$b][] = 2 * $e + 1;
            }
        }
        $next = [];
        foreach ($around as $list) {
            $order = $this->graph->turned($list);
            foreach ($order as $i => $h) {
                // arriving along the twin of h, leave by the next one clockwise: the face stays on the left
                $next[$h ^ 1] = $order[($i + count($order) - 1) % count($order)];
            }
        }
        $loops = $area = $sweeps = [];
        $loopOf = [];
        foreach ($next as $h => $_) {
            if (isset($loopOf[$h])) {
                continue;
            }
            $loop = [];
            $sum = 0.0;
            for ($g = $h; !isset($loopOf[$g]); $g = $next[$g]) {
                $loopOf[$g] = count($loops);
                $loop[] = $g;
                if (!isset($sweeps[$g >> 1])) {
                    [, , $c, $from, $to] = $this->graph->edges[$g >> 1];
                    $sweeps[$g >> 1] = $this->graph->curves[$c]->sweep($from, $to);
                }
                $sweep = $sweeps[$g >> 1];
                $sum += ($g & 1) === 0 ? $sweep : -$sweep;
            }
            $loops[] = $loop;
            $area[] = $sum / 2;
        }
        $drawn = array_map($this->drawn(...), $loops);
        $outer = $low = $left = $size = [];
        foreach ($area as $l => $a) {
            if ($a > self::NO_AREA) {
                $outer[] = $l;
                [$low[], $left[]] = self::lowest($drawn[$l]);
                $size[] = $a;
            }
        }
        array_multisort($low, $left, $size, $outer);
        $faceOfLoop = array_fill(0, count($loops), -1);
        $members = [];
        foreach ($outer as $i => $l) {
            $faceOfLoop[$l] = $i;
            $members[$i] = [$l];
        }
        $component = $this->graph->components();
        $boxes = [];
        $box = static fn(int $l): array => [
            min(array_column($drawn[$l], 0) ?: [0.0]),
            min(array_column($drawn[$l], 1) ?: [0.0]),
            max(array_column($drawn[$l], 0) ?: [0.0]),
            max(array_column($drawn[$l], 1) ?: [0.0]),
        ];
        // a clockwise loop bounds the smallest region around it from within
        foreach ($loops as $l => $loop) {
            if ($area[$l] > self::NO_AREA) {
                continue;
            }
            $v = $this->graph->edgeFrom($loop[0]);
            $p = $this->graph->points[$v];
            $home = -1;
            $budget->spend(count($outer));
            foreach ($outer as $i => $o) {
                if (
                    ($home < 0 || $area[$o] < $area[$outer[$home]]) &&
                    $component[$v] !== $component[$this->graph->edgeFrom($loops[$o][0])] &&
                    $p[0] > ($boxes[$i] ??= $box($o))[0] - 1 &&
                    $p[0] < $boxes[$i][2] + 1 &&
                    $p[1] > $boxes[$i][1] - 1 &&
                    $p[1] < $boxes[$i][3] + 1 &&
                    $this->encloses($loops[$o], $p)
                ) {
                    $home = $i;
                }
            }
            $faceOfLoop[$l] = $home;
            if ($home >= 0) {
                $members[$home][] = $l;
            }
        }
        foreach ($loopOf as $h => $l) {
            $this->faceOf[$h] = $faceOfLoop[$l];
        }
        $regions = [];
        foreach ($members as $i => $list) {
            $regions[] = new Region(
                $i + 1,
                array_sum(array_map(static fn(int $l): float => $area[$l], $list)),
                array_map(static fn(int $l): array => $drawn[$l], $list),
                $this->key(array_map(static fn(int $l): array => $loops[$l], $list)),
            );
        }

        return $regions;
    }

    /**
     * A loop as points.
     *
     * @param list<int> $loop
     * @return list<array{float,float}>
     */
    private function drawn(array $loop): array
    {
        $out = [];
        foreach ($loop as $h) {
            $out[] = $this->graph->points[$this->graph->edgeFrom($h)];
            foreach ($this->graph->innerPoints($h) as $p) {
                $out[] = $p;
            }
        }

        return $out;
    }

    /**
     * @param list<array{float,float}> $points
     * @return array{float,float}
     */
    private static function lowest(array $points): array
    {
        $best = [INF, INF];
        foreach ($points as [$u, $v]) {
            if ($v < $best[0] + 1e-6) {
                $key = [round($v, 6), round($u, 6)];
                if ($key < $best) {
                    $best = $key;
                }
            }
        }

        return $best;
    }

    /**
     * Whether a loop runs around a point: the angle it is seen to turn by, piece by piece.
     *
     * @param list<int> $loop
     * @param array{float,float} $p
     */
    private function encloses(array $loop, array $p): bool
    {
        $sum = 0.0;
        foreach ($loop as $h) {
            [, , $c, $from, $to] = $this->graph->edges[$h >> 1];
            $turn = self::seenTurn($this->graph->curves[$c], $from, $to, $p, 0);
            $sum += ($h & 1) === 0 ? $turn : -$turn;
        }

        return abs($sum) > M_PI;
    }

    /** @param array{float,float} $p */
    private static function seenTurn(Curve $c, float $from, float $to, array $p, int $depth): float
    {
        if (!($c instanceof Straight) && $depth < 40) {
            $box = $c->box($from, $to);
            if ($p[0] >= $box[0] && $p[0] <= $box[2] && $p[1] >= $box[1] && $p[1] <= $box[3]) {
                $m = ($from + $to) / 2;

                return self::seenTurn($c, $from, $m, $p, $depth + 1) + self::seenTurn($c, $m, $to, $p, $depth + 1);
            }
        }
        [$a, $b] = [$c->at($from), $c->at($to)];
        [$au, $av, $bu, $bv] = [$a[0] - $p[0], $a[1] - $p[1], $b[0] - $p[0], $b[1] - $p[1]];

        return atan2($au * $bv - $av * $bu, $au * $bu + $av * $bv);
    }

    /**
     * Which curves bound a region, + from their left, - from their right.
     *
     * @param list<list<int>> $loops
     */
    private function key(array $loops): string
    {
        $names = [];
        foreach ($loops as $loop) {
            foreach ($loop as $h) {
                $names[$this->graph->curves[$this->graph->edges[$h >> 1][2]]->name() . (($h & 1) === 0 ? '+' : '-')] = true;
            }
        }
        ksort($names, SORT_STRING);

        return implode(' ', array_keys($names));
    }

    /**
     * The chosen regions as one profile: sides between two chosen regions vanish.
     *
     * @param array<int, int> $numbers region numbers from 1
     */
    public function profile(array $numbers): Profile
    {
        $chosen = array_fill_keys(array_map(static fn(int $n): int => $n - 1, $numbers), true);
        $leaving = [];
        foreach ($this->faceOf as $h => $f) {
            if (isset($chosen[$f]) && !isset($chosen[$this->faceOf[$h ^ 1]])) {
                $leaving[$this->graph->edgeFrom($h)][] = $h;
            }
        }
        $loops = $done = [];
        foreach ($leaving as $list) {
            foreach ($list as $first) {
                $stretches = [];
                for ($h = $first; !isset($done[$h]); $h = $this->pickLeftmost($leaving[$this->graph->edgeFrom($h ^ 1)], $h)) {
                    $done[$h] = true;
                    [, , $c, $from, $to] = $this->graph->edges[$h >> 1];
                    $this->append($stretches, [
                        $c,
                        $h & 1,
                        $from,
                        $to,
                        $this->graph->edgeFrom($h),
                        count($leaving[$this->graph->edgeFrom($h)]) > 1,
                    ]);
                }
                if ($stretches !== []) {
                    $loops[] = $this->labelled($stretches);
                }
            }
        }

        return new Profile($loops);
    }

    /**
     * Adds a piece of a curve to an outline; where it only continues the one before, both become one.
     *
     * @param list<array{int,int,float,float,int,bool}> $stretches
     * @param array{int,int,float,float,int,bool} $piece curve, 1 for backward, parameters, first point, whether other outlines touch there
     */
    private function append(array &$stretches, array $piece): void
    {
        $last = count($stretches) - 1;
        [$c, $back, $from, $to, , $touched] = $piece;
        if (
            $last >= 0 &&
            !$touched &&
            $stretches[$last][0] === $c &&
            $stretches[$last][1] === $back &&
            $stretches[$last][$back === 1 ? 2 : 3] === ($back === 1 ? $to : $from)
        ) {
            $stretches[$last][$back === 1 ? 2 : 3] = $back === 1 ? $from : $to;
        } else {
            $stretches[] = $piece;
        }
    }

    /**
     * @param non-empty-list<array{int,int,float,float,int,bool}> $stretches
     * @return list<array{float,float,Side}>
     */
    private function labelled(array $stretches): array
    {
        // the outline may begin in the middle of a stretch
        if (count($stretches) > 1) {
            $first = array_shift($stretches);
            $before = count($stretches);
            $this->append($stretches, $first);
            if (count($stretches) > $before) {
                array_unshift($stretches, array_pop($stretches));
            }
        }
        $loop = [];
        foreach ($stretches as [$c, $back, $from, $to, $v]) {
            $curve = $this->graph->curves[$c];
            $label = ['name' => $curve->name(), 'circle' => $curve->circle(), 'drawn' => $curve->drawn()];
            $loop[] = [...$this->graph->points[$v], $label];
            $inner = $curve->inner($from, $to);
            foreach ($back === 1 ? array_reverse($inner) : $inner as $t) {
                $loop[] = [...$curve->at($t), $label];
            }
        }

        return $loop;
    }

    /**
     * Where chosen regions touch in a point, turn so that the outline does not cross itself: regions that touch get outlines
     * of their own, a hole that touches the outline becomes part of it.
     *
     * @param list<int> $options at least one
     */
    private function pickLeftmost(array $options, int $came): int
    {
        if (count($options) === 1) {
            return $options[0];
        }
        // clockwise from the way back
        $order = $this->graph->turned([...$options, $came ^ 1]);
        $i = (int) array_search($came ^ 1, $order, true);

        return $order[($i + count($order) - 1) % count($order)];
    }

    /**
     * Loose ends that lie near each other: the outline was meant to close there.
     *
     * @return list<array{array{float,float}, array{float,float}, float}> both ends and how far they are apart, the narrowest first
     */
    public function gaps(float $most): array
    {
        $out = [];
        foreach ($this->graph->looseEnds as $i => $p) {
            for ($j = $i + 1; isset($this->graph->looseEnds[$j]); $j++) {
                $q = $this->graph->looseEnds[$j];
                $d = hypot($p[0] - $q[0], $p[1] - $q[1]);
                if ($d <= $most) {
                    $out[] = [$p, $q, $d];
                }
            }
        }
        usort($out, static fn(array $a, array $b): int => $a[2] <=> $b[2]);

        return $out;
    }
}
