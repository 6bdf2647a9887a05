<?php

declare(strict_types=1);

namespace Cubo\Sketch;

use Cubo\Solid\Maker\Profile;

/**
 * The closed regions that the outlines of a sketch divide the plane into, however they cross.
 *
 * Outlines come as polygons whose sides know their curve; sides are split where they cross, equal pieces are drawn
 * once, and the faces of the planar graph are traced (M. de Berg et al., "Computational Geometry", 3rd ed., ch. 2).
 * Regions are numbered from 1: by their lowest, then leftmost corner, so that numbers stay put when sizes change.
 */
final class Arrangement
{
    /** Points nearer than this are one point, mm. */
    private const SNAP = 1e-7;

    /** @var list<array{float,float}> */
    private array $points = [];

    /** @var array<string, int> */
    private array $pointAt = [];

    /** @var list<array{int,int,array{name:string,circle:array{float,float,float}|null}}> */
    private array $edges = [];

    /** @var array<int, int> face of each half-edge 2e (forward), 2e + 1 (back); -1 outside every region */
    private array $faceOf = [];

    /** @var list<Region> */
    public readonly array $regions;

    /** @param list<Outline> $outlines */
    public function __construct(array $outlines)
    {
        $this->collect($outlines);
        $this->regions = $this->trace();
    }

    /** @param list<Outline> $outlines */
    private function collect(array $outlines): void
    {
        $sides = [];
        foreach ($outlines as $o) {
            foreach ($o->points as $i => $p) {
                $sides[] = [$p, $o->points[($i + 1) % count($o->points)], $o->curves[$i]];
            }
        }
        $cuts = array_fill(0, count($sides), []);
        foreach ($sides as $i => [$a, $b]) {
            for ($j = $i + 1, $n = count($sides); $j < $n; $j++) {
                [$c, $d] = $sides[$j];
                if (max($a[0], $b[0]) < min($c[0], $d[0]) - self::SNAP || max($c[0], $d[0]) < min($a[0], $b[0]) - self::SNAP
                    || max($a[1], $b[1]) < min($c[1], $d[1]) - self::SNAP || max($c[1], $d[1]) < min($a[1], $b[1]) - self::SNAP) {
                    continue;
                }
                foreach (self::meet($a, $b, $c, $d) as $p) {
                    $cuts[$i][] = $p;
                    $cuts[$j][] = $p;
                }
            }
        }
        $seen = [];
        foreach ($sides as $i => [$a, $b, $curve]) {
            $chain = [$a, ...$cuts[$i], $b];
            $dx = $b[0] - $a[0];
            $dy = $b[1] - $a[1];
            usort($chain, static fn (array $p, array $q): int => $p[0] * $dx + $p[1] * $dy <=> $q[0] * $dx + $q[1] * $dy);
            $from = $this->point($chain[0]);
            foreach (array_slice($chain, 1) as $p) {
                $to = $this->point($p);
                $key = min($from, $to) . '-' . max($from, $to);
                if ($to !== $from && ! isset($seen[$key])) {
                    $seen[$key] = true;
                    $this->edges[] = [$from, $to, $curve];
                }
                $from = $to;
            }
        }
    }

    /** @param array{float,float} $p */
    private function point(array $p): int
    {
        $i = (int) round($p[0] / self::SNAP);
        $j = (int) round($p[1] / self::SNAP);
        for ($u = -1; $u <= 1; $u++) {
            for ($v = -1; $v <= 1; $v++) {
                if (isset($this->pointAt[($i + $u) . ',' . ($j + $v)])) {
                    return $this->pointAt[($i + $u) . ',' . ($j + $v)];
                }
            }
        }
        $this->points[] = $p;

        return $this->pointAt["$i,$j"] = count($this->points) - 1;
    }

    /**
     * @param array{float,float} $a
     * @param array{float,float} $b
     * @param array{float,float} $c
     * @param array{float,float} $d
     * @return list<array{float,float}>
     */
    private static function meet(array $a, array $b, array $c, array $d): array
    {
        $ux = $b[0] - $a[0];
        $uy = $b[1] - $a[1];
        $vx = $d[0] - $c[0];
        $vy = $d[1] - $c[1];
        $cross = $ux * $vy - $uy * $vx;
        $lu = hypot($ux, $uy);
        $lv = hypot($vx, $vy);
        $out = [];
        // ends that lie on the other side, which also covers sides on one line
        foreach ([[$a, $c, $vx, $vy, $lv], [$b, $c, $vx, $vy, $lv], [$c, $a, $ux, $uy, $lu], [$d, $a, $ux, $uy, $lu]] as [$p, $o, $dx, $dy, $l]) {
            $t = (($p[0] - $o[0]) * $dx + ($p[1] - $o[1]) * $dy) / ($l * $l);
            if ($t >= -self::SNAP / $l && $t <= 1 + self::SNAP / $l && abs(($p[0] - $o[0]) * $dy - ($p[1] - $o[1]) * $dx) <= self::SNAP * $l) {
                $out[] = $p;
            }
        }
        if ($out !== [] || abs($cross) < 1e-12 * $lu * $lv) {
            return $out;
        }
        $s = (($c[0] - $a[0]) * $vy - ($c[1] - $a[1]) * $vx) / $cross;
        $t = (($c[0] - $a[0]) * $uy - ($c[1] - $a[1]) * $ux) / $cross;
        if ($s > 0 && $s < 1 && $t > 0 && $t < 1) {
            $out[] = [$a[0] + $s * $ux, $a[1] + $s * $uy];
        }

        return $out;
    }

    /** @return list<Region> */
    private function trace(): array
    {
        $around = [];
        foreach ($this->edges as $e => [$a, $b]) {
            $around[$a][] = 2 * $e;
            $around[$b][] = 2 * $e + 1;
        }
        $next = [];
        foreach ($around as $list) {
            $angle = [];
            foreach ($list as $h) {
                [$p, $q] = [$this->points[$this->from($h)], $this->points[$this->from($h ^ 1)]];
                $angle[$h] = atan2($q[1] - $p[1], $q[0] - $p[0]);
            }
            asort($angle);
            $order = array_keys($angle);
            foreach ($order as $i => $h) {
                // arriving along the twin of h, leave by the next one clockwise: the face stays on the left
                $next[$h ^ 1] = $order[($i + count($order) - 1) % count($order)];
            }
        }
        $loops = [];
        $loopOf = [];
        for ($h = 0; $h < 2 * count($this->edges); $h++) {
            if (isset($loopOf[$h])) {
                continue;
            }
            $loop = [];
            for ($g = $h; ! isset($loopOf[$g]); $g = $next[$g]) {
                $loopOf[$g] = count($loops);
                $loop[] = $g;
            }
            $loops[] = $loop;
        }
        $area = array_map(fn (array $l): float => $this->area($l), $loops);
        $outer = array_keys(array_filter($area, static fn (float $a): bool => $a > 1e-9));
        usort($outer, fn (int $a, int $b): int => $this->lowest($loops[$a]) <=> $this->lowest($loops[$b]) ?: $area[$a] <=> $area[$b]);
        $faceOfLoop = array_fill(0, count($loops), -1);
        $members = [];
        foreach ($outer as $i => $l) {
            $faceOfLoop[$l] = $i;
            $members[$i] = [$loops[$l]];
        }
        // a clockwise loop bounds the smallest region around it from within
        foreach ($loops as $l => $loop) {
            if ($area[$l] > 1e-9) {
                continue;
            }
            $home = -1;
            foreach ($outer as $i => $o) {
                if (($home < 0 || $area[$o] < $area[$outer[$home]]) && ! $this->sharesComponent($loop, $loops[$o], $next) && $this->inside($this->points[$this->from($loop[0])], $loops[$o])) {
                    $home = $i;
                }
            }
            $faceOfLoop[$l] = $home;
            if ($home >= 0) {
                $members[$home][] = $loop;
            }
        }
        $this->faceOf = [];
        foreach ($loopOf as $h => $l) {
            $this->faceOf[$h] = $faceOfLoop[$l];
        }
        $regions = [];
        foreach ($members as $i => $list) {
            $total = 0.0;
            foreach ($list as $loop) {
                $total += $this->area($loop);
            }
            $regions[] = new Region($i + 1, $total, array_map(fn (array $l): array => array_map(fn (int $h): array => $this->points[$this->from($h)], $l), $list));
        }

        return $regions;
    }

    private function from(int $h): int
    {
        return $this->edges[$h >> 1][$h & 1];
    }

    /** @param array<int, int> $loop */
    private function area(array $loop): float
    {
        $sum = 0.0;
        foreach ($loop as $h) {
            $p = $this->points[$this->from($h)];
            $q = $this->points[$this->from($h ^ 1)];
            $sum += $p[0] * $q[1] - $q[0] * $p[1];
        }

        return $sum / 2;
    }

    /**
     * @param array<int, int> $loop
     * @return array{float,float}
     */
    private function lowest(array $loop): array
    {
        $best = [INF, INF];
        foreach ($loop as $h) {
            $p = $this->points[$this->from($h)];
            $key = [round($p[1], 6), round($p[0], 6)];
            if ($key < $best) {
                $best = $key;
            }
        }

        return $best;
    }

    /**
     * @param array<int, int> $a
     * @param array<int, int> $b
     * @param array<int, int> $next
     */
    private function sharesComponent(array $a, array $b, array $next): bool
    {
        $vertices = [];
        foreach ($a as $h) {
            $vertices[$this->from($h)] = true;
        }
        foreach ($b as $h) {
            if (isset($vertices[$this->from($h)])) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array{float,float} $p
     * @param array<int, int> $loop
     */
    private function inside(array $p, array $loop): bool
    {
        $in = false;
        foreach ($loop as $h) {
            $a = $this->points[$this->from($h)];
            $b = $this->points[$this->from($h ^ 1)];
            if (($a[1] > $p[1]) !== ($b[1] > $p[1]) && $p[0] < ($b[0] - $a[0]) * ($p[1] - $a[1]) / ($b[1] - $a[1]) + $a[0]) {
                $in = ! $in;
            }
        }

        return $in;
    }

    /**
     * The chosen regions as one profile: sides between two chosen regions vanish.
     *
     * @param array<int, int> $numbers region numbers from 1
     */
    public function profile(array $numbers): Profile
    {
        $chosen = array_fill_keys(array_map(static fn (int $n): int => $n - 1, $numbers), true);
        $leaving = [];
        foreach ($this->faceOf as $h => $f) {
            if (isset($chosen[$f]) && ! isset($chosen[$this->faceOf[$h ^ 1]])) {
                $leaving[$this->from($h)][] = $h;
            }
        }
        $loops = [];
        while ($leaving !== []) {
            $at = $first = array_key_first($leaving);
            $loop = [];
            $came = null;
            do {
                $h = $this->pickLeftmost($leaving[$at], $came);
                $leaving[$at] = array_values(array_diff($leaving[$at], [$h]));
                if ($leaving[$at] === []) {
                    unset($leaving[$at]);
                }
                $p = $this->points[$this->from($h)];
                $loop[] = [$p[0], $p[1], $this->edges[$h >> 1][2]];
                $at = $this->from($h ^ 1);
                $came = $h;
            } while ($at !== $first);
            $loops[] = $loop;
        }

        return new Profile($loops);
    }

    /**
     * Where chosen regions touch in a point, turn so that the outline does not cross itself.
     *
     * @param array<int, int> $options
     */
    private function pickLeftmost(array $options, ?int $came): int
    {
        if ($came === null || count($options) === 1) {
            return $options[0];
        }
        $p = $this->points[$this->from($came)];
        $v = $this->points[$this->from($came ^ 1)];
        $in = atan2($v[1] - $p[1], $v[0] - $p[0]);
        $best = $options[0];
        $bestTurn = -INF;
        foreach ($options as $h) {
            $q = $this->points[$this->from($h ^ 1)];
            $turn = fmod(atan2($q[1] - $v[1], $q[0] - $v[0]) - $in + 5 * M_PI, 2 * M_PI) - M_PI;
            if ($turn > $bestTurn) {
                $bestTurn = $turn;
                $best = $h;
            }
        }

        return $best;
    }
}
