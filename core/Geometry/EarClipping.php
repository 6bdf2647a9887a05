<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/**
 * Triangles for a plane region with holes: every hole is bridged to the outline from its rightmost vertex, then ears
 * are cut (D. Eberly, "Triangulation by Ear Clipping"). Always ends with a topologically complete set of triangles,
 * whatever the rounding: when no proper ear is left, straight corners and, last, the flattest corner are cut.
 *
 * Every side of the input carries a token; triangles report the token of each of their sides. A side made inside
 * gets a fresh pair of tokens t and t + 1, one for each of its two triangles.
 */
final class EarClipping
{
    /** @var list<array{int,int,int,int,int,int}> vertices and the tokens of the sides from each */
    public array $triangles = [];

    /** @var list<array{int,int}> tokens of sides that lie on each other and have no triangle between them */
    public array $glued = [];

    /** @var array<int, int> */
    private array $vertex = [];

    /** @var array<int, float> */
    private array $u = [];

    /** @var array<int, float> */
    private array $w = [];

    /** @var array<int, int> */
    private array $prev = [];

    /** @var array<int, int> */
    private array $next = [];

    /** @var array<int, int> */
    private array $token = [];

    /**
     * Only the triangles, for whoever needs no tokens.
     *
     * @param list<list<int>> $loops vertices: outlines counter-clockwise, holes clockwise
     * @param array<int, float> $u first coordinate by vertex
     * @param array<int, float> $w second coordinate by vertex
     * @return list<array{int,int,int}>
     */
    public static function fill(array $loops, array $u, array $w): array
    {
        $in = [];
        $token = 0;
        foreach ($loops as $loop) {
            $in[] = [$loop, range($token, $token + count($loop) - 1)];
            $token += count($loop);
        }

        $triangles = array_map(static fn (array $t): array => [$t[0], $t[1], $t[2]], (new self($in, $u, $w, $token + $token % 2))->triangles);

        return self::withoutFlat($triangles, $u, $w);
    }

    /**
     * The last corners left of an outline may stand in one line: such a triangle gives its long side to the neighbour
     * there.
     *
     * @param list<array{int,int,int}> $triangles
     * @param array<int, float> $u
     * @param array<int, float> $w
     * @return list<array{int,int,int}>
     */
    private static function withoutFlat(array $triangles, array $u, array $w): array
    {
        $area = static fn (int $a, int $b, int $c): float => ($u[$b] - $u[$a]) * ($w[$c] - $w[$a]) - ($w[$b] - $w[$a]) * ($u[$c] - $u[$a]);
        $length2 = static fn (int $a, int $b): float => ($u[$b] - $u[$a]) ** 2 + ($w[$b] - $w[$a]) ** 2;
        $flat = static fn (int $a, int $b, int $c): bool => $area($a, $b, $c) ** 2 <= 1e-24 * max($length2($a, $b), $length2($b, $c), $length2($c, $a)) ** 2;
        $queue = array_keys(array_filter($triangles, static fn (array $t): bool => $flat(...$t)));
        if ($queue === []) {
            return $triangles;
        }
        $at = [];
        foreach ($triangles as $t => [$a, $b, $c]) {
            $at["$a $b"] = $at["$b $c"] = $at["$c $a"] = $t;
        }
        for ($tries = 0; $queue !== [] && $tries < 20 * count($triangles); $tries++) {
            $t = array_shift($queue);
            [$a, $b, $c] = $triangles[$t];
            if (! $flat($a, $b, $c)) {
                continue;
            }
            // the long side first
            while ($length2($a, $b) < max($length2($b, $c), $length2($c, $a))) {
                [$a, $b, $c] = [$b, $c, $a];
            }
            $o = $at["$b $a"] ?? null;
            if ($o === null || $o === $t) {
                continue;
            }
            [$d] = array_values(array_diff($triangles[$o], [$a, $b])) ?: [null];
            if ($d === null || $d === $c || isset($at["$c $d"]) || isset($at["$d $c"])) {
                continue;
            }
            $triangles[$t] = [$a, $d, $c];
            $triangles[$o] = [$d, $b, $c];
            unset($at["$a $b"], $at["$b $a"]);
            $at["$a $d"] = $at["$d $c"] = $at["$c $a"] = $t;
            $at["$d $b"] = $at["$b $c"] = $at["$c $d"] = $o;
            array_push($queue, $t, $o);
        }

        return $triangles;
    }

    /**
     * @param list<array{array<int, int>, array<int, int>}> $loops outlines counter-clockwise, holes clockwise: vertices and tokens
     * @param array<int, float> $u first coordinate by vertex
     * @param array<int, float> $w second coordinate by vertex
     */
    public function __construct(array $loops, array $u, array $w, public int $nextToken)
    {
        $outer = $holes = [];
        $n = 0;
        foreach ($loops as [$vertices, $tokens]) {
            $first = $n;
            foreach ($vertices as $i => $v) {
                $this->vertex[] = $v;
                $this->u[] = $u[$v];
                $this->w[] = $w[$v];
                $this->token[$n] = $tokens[$i];
                $this->prev[$n] = $n - 1;
                $this->next[$n] = $n + 1;
                $n++;
            }
            $this->prev[$first] = $n - 1;
            $this->next[$n - 1] = $first;
            if ($n - $first === 2) {
                $this->glued[] = [$this->token[$first], $this->token[$first + 1]];

                continue;
            }
            $area = 0.0;
            $right = $first;
            for ($k = $first; $k < $n; $k++) {
                $j = $this->next[$k];
                $area += ($this->u[$k] - $this->u[$first]) * ($this->w[$j] - $this->w[$first]) - ($this->u[$j] - $this->u[$first]) * ($this->w[$k] - $this->w[$first]);
                if ($this->u[$k] > $this->u[$right]) {
                    $right = $k;
                }
            }
            if ($area < 0) {
                $holes[] = [$this->u[$right], $right, $first, $n];
            } else {
                $outer[] = [$first, $n];
            }
        }
        $merged = $starts = [];
        foreach ($outer as [$a, $b]) {
            $starts[] = $a;
            array_push($merged, ...range($a, $b - 1));
        }
        usort($holes, static fn (array $a, array $b): int => $b[0] <=> $a[0] ?: $a[1] <=> $b[1]);
        foreach ($holes as [, $right, $a, $b]) {
            $o = $this->bridgeTo($right, $merged);
            if ($o < 0) {
                $starts[] = $a; // a hole without an outline around it: noise, cut on its own
            } else {
                array_push($merged, ...$this->bridge($o, $right));
            }
            array_push($merged, ...range($a, $b - 1));
        }
        foreach ($starts as $s) {
            $this->clip($s);
        }
    }

    /**
     * Joins the hole's node to the outline's node with a double side; returns the two copies.
     *
     * @return array{int,int}
     */
    private function bridge(int $o, int $right): array
    {
        $n = count($this->vertex);
        [$o2, $r2] = [$n, $n + 1];
        $t = $this->freshTokens();
        foreach ([$o2 => $o, $r2 => $right] as $copy => $of) {
            $this->vertex[$copy] = $this->vertex[$of];
            $this->u[$copy] = $this->u[$of];
            $this->w[$copy] = $this->w[$of];
        }
        $after = $this->next[$o];
        $before = $this->prev[$right];
        $this->token[$o2] = $this->token[$o];
        $this->next[$o2] = $after;
        $this->prev[$after] = $o2;
        $this->token[$r2] = $t + 1;
        $this->next[$r2] = $o2;
        $this->prev[$o2] = $r2;
        $this->next[$before] = $r2;
        $this->prev[$r2] = $before;
        $this->token[$o] = $t;
        $this->next[$o] = $right;
        $this->prev[$right] = $o;

        return [$o2, $r2];
    }

    private function freshTokens(): int
    {
        $this->nextToken += 2;

        return $this->nextToken - 2;
    }

    /**
     * The outline node that node m (rightmost of a hole) can be joined to without crossing anything, -1 if none.
     *
     * @param array<int, int> $merged
     */
    private function bridgeTo(int $m, array $merged): int
    {
        $u = $this->u;
        $w = $this->w;
        $next = $this->next;
        $mu = $u[$m];
        $mw = $w[$m];
        $best = INF;
        $side = -1;
        foreach ($merged as $k) {
            $j = $next[$k];
            if ($w[$k] <= $mw && $w[$j] >= $mw && $w[$j] > $w[$k]) {
                $at = $u[$k] + ($mw - $w[$k]) / ($w[$j] - $w[$k]) * ($u[$j] - $u[$k]);
                if ($at >= $mu && $at < $best) {
                    $best = $at;
                    $side = $k;
                }
            }
        }
        if ($side < 0) {
            return -1;
        }
        $j = $next[$side];
        $p = match (true) {
            $w[$side] == $mw && $best == $u[$side] => $side,
            $w[$j] == $mw && $best == $u[$j] => $j,
            default => $u[$side] > $u[$j] ? $side : $j,
        };
        // reflex nodes inside the triangle (m, hit, p) may hide p: take the one at the smallest angle
        $pu = $u[$p];
        $pw = $w[$p];
        $bestSlope = $pu > $mu ? abs($pw - $mw) / ($pu - $mu) : INF;
        $bestRun = $pu - $mu;
        $low = min($pw, $mw);
        $high = max($pw, $mw);
        $sign = $pw < $mw ? 1.0 : -1.0;
        $target = $p;
        foreach ($merged as $k) {
            $x = $u[$k];
            $y = $w[$k];
            if ($y < $low || $y > $high || $x < $mu || $k === $target) {
                continue;
            }
            if (($best - $mu) * ($y - $mw) * -$sign < 0
                || (($pu - $mu) * ($y - $mw) - ($pw - $mw) * ($x - $mu)) * $sign < 0
                || (($pu - $best) * ($y - $mw) - ($pw - $mw) * ($x - $best)) * $sign > 0) {
                continue;
            }
            $q = $next[$k];
            $r = $this->prev[$k];
            $same = $x == $pu && $y == $pw;
            if (($x - $u[$r]) * ($w[$q] - $y) - ($y - $w[$r]) * ($u[$q] - $x) > 0 && ! $same) {
                continue;
            }
            $slope = $x > $mu ? abs($y - $mw) / ($x - $mu) : ($y == $mw ? 0.0 : INF);
            if (($slope < $bestSlope || ($slope == $bestSlope && $x - $mu < $bestRun) || ($same && $u[$target] == $pu && $w[$target] == $pw)) && $this->seesInside($k, $mu, $mw)) {
                $bestSlope = $slope;
                $bestRun = $x - $mu;
                $target = $k;
            }
        }

        return $target;
    }

    private function seesInside(int $k, float $mu, float $mw): bool
    {
        $p = $this->prev[$k];
        $q = $this->next[$k];
        $x = $this->u[$k];
        $y = $this->w[$k];
        $ax = $this->u[$q] - $x;
        $ay = $this->w[$q] - $y;
        $bx = $this->u[$p] - $x;
        $by = $this->w[$p] - $y;
        $dx = $mu - $x;
        $dy = $mw - $y;
        if ($ax * $by - $ay * $bx > 0) {
            return $ax * $dy - $ay * $dx >= 0 && $dx * $by - $dy * $bx >= 0;
        }

        return ! ($bx * $dy - $by * $dx > 0 && $dx * $ay - $dy * $ax > 0);
    }

    private function clip(int $start): void
    {
        $u = $this->u;
        $w = $this->w;
        $next = $this->next;
        $prev = $this->prev;
        $token = $this->token;
        $vertex = $this->vertex;
        $nodes = [];
        $k = $start;
        $u0 = $w0 = INF;
        $u1 = $w1 = -INF;
        do {
            $nodes[] = $k;
            $u0 = $u[$k] < $u0 ? $u[$k] : $u0;
            $u1 = $u[$k] > $u1 ? $u[$k] : $u1;
            $w0 = $w[$k] < $w0 ? $w[$k] : $w0;
            $w1 = $w[$k] > $w1 ? $w[$k] : $w1;
            $k = $next[$k];
        } while ($k !== $start);
        $left = count($nodes);
        $scale = max($u1 - $u0, $w1 - $w0);
        $eps = 1e-13 * $scale * $scale;
        $alive = $reflex = [];
        $reflexCount = 0;
        foreach ($nodes as $k) {
            $a = $prev[$k];
            $c = $next[$k];
            $alive[$k] = true;
            $reflex[$k] = ($u[$k] - $u[$a]) * ($w[$c] - $w[$k]) - ($w[$k] - $w[$a]) * ($u[$c] - $u[$k]) <= $eps;
            $reflexCount += $reflex[$k] ? 1 : 0;
        }
        // reflex nodes in a grid: only they can block an ear
        $g = $reflexCount > 24 ? (int) min(64, ceil(sqrt($reflexCount) * 0.6)) : 1;
        $gu = $g / max(1e-300, ($u1 - $u0) * 1.0000001);
        $gw = $g / max(1e-300, ($w1 - $w0) * 1.0000001);
        $grid = array_fill(0, $g * $g, []);
        foreach ($nodes as $k) {
            if ($reflex[$k]) {
                $grid[(int) (($w[$k] - $w0) * $gw) * $g + (int) (($u[$k] - $u0) * $gu)][] = $k;
            }
        }
        $b = $start;
        // stages: proper ears, spikes without area, straight corners, ears not strictly blocked, the flattest corner
        $stage = 0;
        $since = 0;
        while ($left > 3) {
            $a = $prev[$b];
            $c = $next[$b];
            $au = $u[$a];
            $aw = $w[$a];
            $bu = $u[$b];
            $bw = $w[$b];
            $cu = $u[$c];
            $cw = $w[$c];
            $cross = ($bu - $au) * ($cw - $bw) - ($bw - $aw) * ($cu - $bu);
            $straight = $cross <= $eps && $cross >= -$eps;
            $ok = match ($stage) {
                0, 3 => $cross > $eps,
                1 => $straight && ($au - $bu) * ($cu - $bu) + ($aw - $bw) * ($cw - $bw) >= 0,
                default => $straight,
            };
            if ($ok && ! $straight) {
                $x0 = min($au, $bu, $cu);
                $x1 = max($au, $bu, $cu);
                $y0 = min($aw, $bw, $cw);
                $y1 = max($aw, $bw, $cw);
                $i1 = (int) (($x1 - $u0) * $gu);
                $j1 = (int) (($y1 - $w0) * $gw);
                for ($j = (int) (($y0 - $w0) * $gw); $j <= $j1 && $ok; $j++) {
                    for ($i = (int) (($x0 - $u0) * $gu); $i <= $i1 && $ok; $i++) {
                        foreach ($grid[$j * $g + $i] as $p) {
                            if (! $alive[$p] || ! $reflex[$p] || $p === $a || $p === $b || $p === $c) {
                                continue;
                            }
                            $x = $u[$p];
                            $y = $w[$p];
                            if ($x < $x0 || $x > $x1 || $y < $y0 || $y > $y1) {
                                continue;
                            }
                            $d1 = ($bu - $au) * ($y - $aw) - ($bw - $aw) * ($x - $au);
                            $d2 = ($cu - $bu) * ($y - $bw) - ($cw - $bw) * ($x - $bu);
                            $d3 = ($au - $cu) * ($y - $cw) - ($aw - $cw) * ($x - $cu);
                            if ($stage === 3) {
                                if ($d1 > $eps && $d2 > $eps && $d3 > $eps) {
                                    $ok = false;
                                    break;
                                }

                                continue;
                            }
                            if ($d1 < 0 || $d2 < 0 || $d3 < 0) {
                                continue;
                            }
                            if ($x == $au && $y == $aw) {
                                [$pu, $pw, $qu, $qw] = [$bu - $au, $bw - $aw, $cu - $au, $cw - $aw];
                            } elseif ($x == $bu && $y == $bw) {
                                [$pu, $pw, $qu, $qw] = [$cu - $bu, $cw - $bw, $au - $bu, $aw - $bw];
                            } elseif ($x == $cu && $y == $cw) {
                                [$pu, $pw, $qu, $qw] = [$au - $cu, $aw - $cw, $bu - $cu, $bw - $cw];
                            } else {
                                $ok = false;
                                break;
                            }
                            // p coincides with a corner: blocked if its own sides run into the ear
                            $k = $next[$p];
                            $du = $u[$k] - $x;
                            $dw = $w[$k] - $y;
                            $e1 = $pu * $dw - $pw * $du;
                            $e2 = $du * $qw - $dw * $qu;
                            if ($e1 > 0 && $e2 > 0) {
                                $ok = false;
                                break;
                            }
                            $border = $e1 >= 0 && $e2 >= 0 && ($du * ($pu + $qu) + $dw * ($pw + $qw) > 0 || ($e2 == 0 && $du * $qu + $dw * $qw > 0));
                            $k = $prev[$p];
                            $du = $u[$k] - $x;
                            $dw = $w[$k] - $y;
                            $e1 = $pu * $dw - $pw * $du;
                            $e2 = $du * $qw - $dw * $qu;
                            if (($e1 > 0 && $e2 > 0) || ($border && $e1 == 0 && $e2 >= 0 && $du * $pu + $dw * $pw > 0)) {
                                $ok = false;
                                break;
                            }
                        }
                    }
                }
            }
            if (! $ok && $stage === 4) {
                $least = INF;
                $k = $flattest = $b;
                do {
                    $a = $prev[$k];
                    $c = $next[$k];
                    $t = abs(($u[$k] - $u[$a]) * ($w[$c] - $w[$k]) - ($w[$k] - $w[$a]) * ($u[$c] - $u[$k]));
                    if ($t < $least) {
                        $least = $t;
                        $flattest = $k;
                    }
                    $k = $next[$k];
                } while ($k !== $b);
                $b = $flattest;
                $a = $prev[$b];
                $c = $next[$b];
                $ok = true;
            }
            if ($ok) {
                $t = $this->freshTokens();
                $this->triangles[] = [$vertex[$a], $vertex[$b], $vertex[$c], $token[$a], $token[$b], $t];
                $token[$a] = $t + 1;
                $next[$a] = $c;
                $prev[$c] = $a;
                $alive[$b] = false;
                $left--;
                foreach ([$a, $c] as $k) {
                    if ($reflex[$k]) {
                        $i = $prev[$k];
                        $j = $next[$k];
                        $reflex[$k] = ($u[$k] - $u[$i]) * ($w[$j] - $w[$k]) - ($w[$k] - $w[$i]) * ($u[$j] - $u[$k]) <= $eps;
                    }
                }
                $stage = 0;
                $since = 0;
                $b = $next[$c]; // skipping one avoids fans of slivers
            } else {
                $b = $c;
                if (++$since > $left) {
                    $stage++;
                    $since = 0;
                }
            }
        }
        $a = $prev[$b];
        $c = $next[$b];
        if ($left === 3) {
            $this->triangles[] = [$vertex[$a], $vertex[$b], $vertex[$c], $token[$a], $token[$b], $token[$c]];
        } elseif ($left === 2) {
            $this->glued[] = [$token[$b], $token[$c]];
        }
    }
}
