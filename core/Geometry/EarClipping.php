<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/**
 * Triangles for a plane region with holes: every hole is bridged to the outline from its rightmost vertex, then ears
 * are cut (D. Eberly, "Triangulation by Ear Clipping").
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

        $triangles = array_map(
            static fn(array $t): array => [$t[0], $t[1], $t[2]],
            (new self($in, $u, $w, $token + ($token % 2)))->triangles,
        );

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
        $area = static fn(int $a, int $b, int $c): float => ($u[$b] - $u[$a]) * ($w[$c] - $w[$a]) - ($w[$b] - $w[$a]) * ($u[$c] - $u[$a]);
        $length2 = static fn(int $a, int $b): float => ($u[$b] - $u[$a]) ** 2 + ($w[$b] - $w[$a]) ** 2;
        $flat = static fn(int $a, int $b, int $c): bool => $area($a, $b, $c) ** 2 <=
            1e-24 * max($length2($a, $b), $length2($b, $c), $length2($c, $a)) ** 2;
        $queue = array_keys(array_filter($triangles, static fn(array $t): bool => $flat(...$t)));
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
            if (!$flat($a, $b, $c)) {
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
                $area +=
                    ($this->u[$k] - $this->u[$first]) * ($this->w[$j] - $this->w[$first]) -
                    ($this->u[$j] - $this->u[$first]) * ($this->w[$k] - $this->w[$first]);
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
        usort($holes, static fn(array $a, array $b): int => $b[0] <=> $a[0] ?: $a[1] <=> $b[1]);
        foreach ($holes as [, $right, $a, $b]) {
            $o = $this->bridgeTo($right, $merged);
            if ($o < 0) {
                $starts[] = $a; // a hole without an outline around it: noise, cut on its own
            } else {
                array_push($merged, ...$this->bridge($o, $right));
            }
            array_push($merged, ...range($a, $b - 1));
        }
        foreach ($starts as $start) {
            $ears = new Ears($this->vertex, $this->u, $this->w, $this->prev, $this->next, $this->token, $start, $this->nextToken);
            array_push($this->triangles, ...$ears->triangles);
            if ($ears->glued !== null) {
                $this->glued[] = $ears->glued;
            }
            $this->nextToken = $ears->nextToken;
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
                $at = $u[$k] + (($mw - $w[$k]) / ($w[$j] - $w[$k])) * ($u[$j] - $u[$k]);
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
            if (
                ($best - $mu) * ($y - $mw) * -$sign < 0 ||
                (($pu - $mu) * ($y - $mw) - ($pw - $mw) * ($x - $mu)) * $sign < 0 ||
                (($pu - $best) * ($y - $mw) - ($pw - $mw) * ($x - $best)) * $sign > 0
            ) {
                continue;
            }
            $q = $next[$k];
            $r = $this->prev[$k];
            $same = $x == $pu && $y == $pw;
            if (($x - $u[$r]) * ($w[$q] - $y) - ($y - $w[$r]) * ($u[$q] - $x) > 0 && !$same) {
                continue;
            }
            $slope = $x > $mu ? abs($y - $mw) / ($x - $mu) : ($y == $mw ? 0.0 : INF);
            if (
                ($slope < $bestSlope ||
                    ($slope == $bestSlope && $x - $mu < $bestRun) ||
                    ($same && $u[$target] == $pu && $w[$target] == $pw)) &&
                $this->seesInside($k, $mu, $mw)
            ) {
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

        return !($bx * $dy - $by * $dx > 0 && $dx * $ay - $dy * $ax > 0);
    }
}
