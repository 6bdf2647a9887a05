<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;

/**
 * Where two curves meet: lines and circles by their equations, others by halving until both are nearly straight and
 * Newton's method from there. Curves that lie on each other meet in the ends of what they share.
 */
final class Meeting
{
    /** Points nearer than this are one point, mm. */
    public const SNAP = 1e-7;

    /** What a stretch to begin with turns by at most, radians. */
    private const TURN = 0.5;

    /** After so many halvings of both a place is polished. */
    private const HALVINGS = 12;

    /** So many places to polish are tried for two curves that run along each other; they meet in far fewer. */
    private const MOST_PLACES = 2000;

    /** Units for one halving of both, and for a place that is polished. */
    private const HALVING = 5;

    private const PLACE = 500;

    /**
     * @param array{float,float,float,float} $aBox
     * @param array{float,float,float,float} $bBox
     * @return list<array{float, float, array{float,float}}> parameters on both, and the point
     *
     * @throws OverBudget
     */
    public static function of(Curve $a, Curve $b, array $aBox, array $bBox, Budget $budget = new Budget()): array
    {
        if (
            $aBox[0] > $bBox[2] + self::SNAP ||
            $aBox[2] < $bBox[0] - self::SNAP ||
            $aBox[1] > $bBox[3] + self::SNAP ||
            $aBox[3] < $bBox[1] - self::SNAP
        ) {
            return [];
        }
        if ($a instanceof Straight && $b instanceof Straight) {
            return self::straight($a, $b);
        }
        // ends that lie on the other come first: what is computed near one of them is that end again
        $out = [];
        foreach ([[$a, $b], [$b, $a]] as $side => [$c, $d]) {
            if ($c instanceof Round && $c->closed()) {
                continue;
            }
            foreach ([$c->from(), $c->to()] as $t) {
                $p = $c->at($t);
                [$s, $far] = $d->nearest($p);
                if ($far <= self::SNAP) {
                    $out[] = $side === 0 ? [$t, $s, $p] : [$s, $t, $p];
                }
            }
        }
        if ($a instanceof Straight && $b instanceof Round) {
            $more = self::lineCircle($a, $b);
        } elseif ($a instanceof Round && $b instanceof Straight) {
            $more = array_map(static fn(array $m): array => [$m[1], $m[0], $m[2], $m[3]], self::lineCircle($b, $a));
        } elseif ($a instanceof Round && $b instanceof Round) {
            $more = self::circles($a, $b);
        } elseif (self::liesOn($a, $b) || self::liesOn($b, $a)) {
            // one on the other: they share no more than their ends
            $more =
                $a->from() !== $a->to() && $out === []
                    ? [[$a->from(), $b->nearest($a->at($a->from()))[0], $a->at($a->from()), self::SNAP]]
                    : [];
        } else {
            $more = [];
            self::halve($a, $b, self::pieces($a), self::pieces($b), $more, $budget);
        }
        foreach ($more as [$t, $s, $p, $reach]) {
            foreach ($out as [, , $q]) {
                if (hypot($p[0] - $q[0], $p[1] - $q[1]) <= $reach) {
                    continue 2;
                }
            }
            $out[] = [$t, $s, $p];
        }

        return $out;
    }

    /** @return list<array{float, float, array{float,float}}> */
    private static function straight(Straight $a, Straight $b): array
    {
        [$au, $av] = $a->a;
        [$cu, $cv] = $b->a;
        $ux = $a->b[0] - $au;
        $uy = $a->b[1] - $av;
        $vx = $b->b[0] - $cu;
        $vy = $b->b[1] - $cv;
        $wx = $cu - $au;
        $wy = $cv - $av;
        $l2 = $ux * $ux + $uy * $uy;
        $m2 = $vx * $vx + $vy * $vy;
        $cross = $ux * $vy - $uy * $vx;
        $out = [];
        // ends that lie on the other line, which also covers lines on each other
        $near = self::SNAP * sqrt($m2);
        foreach ([[0.0, -$wx, -$wy, $a->a], [1.0, $ux - $wx, $uy - $wy, $a->b]] as [$t, $pu, $pv, $p]) {
            if (abs($pu * $vy - $pv * $vx) <= $near) {
                $s = ($pu * $vx + $pv * $vy) / $m2;
                if ($s * $m2 >= -$near && ($s - 1) * $m2 <= $near) {
                    $out[] = [$t, max(0.0, min(1.0, $s)), $p];
                }
            }
        }
        $near = self::SNAP * sqrt($l2);
        foreach ([[0.0, $wx, $wy, $b->a], [1.0, $wx + $vx, $wy + $vy, $b->b]] as [$s, $pu, $pv, $p]) {
            if (abs($pu * $uy - $pv * $ux) <= $near) {
                $t = ($pu * $ux + $pv * $uy) / $l2;
                if ($t * $l2 >= -$near && ($t - 1) * $l2 <= $near) {
                    $out[] = [max(0.0, min(1.0, $t)), $s, $p];
                }
            }
        }
        if ($out === [] && abs($cross) > 1e-12 * sqrt($l2 * $m2)) {
            $t = ($wx * $vy - $wy * $vx) / $cross;
            $s = ($wx * $uy - $wy * $ux) / $cross;
            if ($t > 0 && $t < 1 && $s > 0 && $s < 1) {
                $out[] = [$t, $s, [$au + $t * $ux, $av + $t * $uy]];
            }
        }

        return $out;
    }

    /** @return list<array{float, float, array{float,float}, float}> with how near another point counts as the same */
    private static function lineCircle(Straight $l, Round $c): array
    {
        [$ux, $uy] = $l->slope(0.0);
        $length = hypot($ux, $uy);
        $ux /= $length;
        $uy /= $length;
        $wx = $c->middle[0] - $l->a[0];
        $wy = $c->middle[1] - $l->a[1];
        $along = $wx * $ux + $wy * $uy;
        $off = abs($wx * $uy - $wy * $ux);
        $out = [];
        foreach (self::chord($off, $c->radius) as [$half, $reach]) {
            $t = ($along + $half) / $length;
            $p = [$l->a[0] + ($along + $half) * $ux, $l->a[1] + ($along + $half) * $uy];
            $s = $c->parameter(atan2($p[1] - $c->middle[1], $p[0] - $c->middle[0]), self::SNAP / $c->radius);
            if ($s !== null && $t >= -self::SNAP / $length && $t <= 1 + self::SNAP / $length) {
                $out[] = [max(0.0, min(1.0, $t)), $s, $p, $reach];
            }
        }

        return $out;
    }

    /**
     * Halves of the chord of a line at some distance from the middle: both, one where it touches, or none.
     *
     * @return list<array{float, float}> way from the foot, and how far off a touching point may lie
     */
    private static function chord(float $off, float $radius): array
    {
        $depth = $radius - $off;
        if ($depth < -self::SNAP) {
            return [];
        }
        // so near to touching the ends of the chord say nothing
        if ($depth <= self::SNAP) {
            return [[0.0, 2 * sqrt(2 * $radius * self::SNAP) + self::SNAP]];
        }
        $half = sqrt($depth * ($radius + $off));

        return [[-$half, self::SNAP], [$half, self::SNAP]];
    }

    /** @return list<array{float, float, array{float,float}, float}> */
    private static function circles(Round $a, Round $b): array
    {
        $dx = $b->middle[0] - $a->middle[0];
        $dy = $b->middle[1] - $a->middle[1];
        $d = hypot($dx, $dy);
        if ($d <= self::SNAP) {
            // one circle twice is met in the ends of its arcs alone, but two closed ones must share their beginning
            return abs($a->radius - $b->radius) <= self::SNAP && $a->closed() && $b->closed()
                ? [[$a->from(), $b->from(), $a->at($a->from()), self::SNAP]]
                : [];
        }
        $dx /= $d;
        $dy /= $d;
        $sum = $a->radius + $b->radius;
        $difference = abs($a->radius - $b->radius);
        if ($d > $sum + self::SNAP || $d < $difference - self::SNAP) {
            return [];
        }
        $along = ($d * $d + ($a->radius - $b->radius) * $sum) / (2 * $d);
        $touch = min(abs($sum - $d), abs($d - $difference)) <= self::SNAP;
        // a product of differences, which loses no digits near to touching
        $half = $touch ? 0.0 : sqrt(max(0.0, ($sum - $d) * ($sum + $d) * ($d - $difference) * ($d + $difference))) / (2 * $d);
        if ($touch) {
            $along = $along > 0 ? $a->radius : -$a->radius;
        }
        $reach = $touch ? 4 * sqrt(max($a->radius, $b->radius) * self::SNAP) + self::SNAP : self::SNAP;
        $out = [];
        foreach ($touch ? [0.0] : [-$half, $half] as $h) {
            $p = [$a->middle[0] + $along * $dx - $h * $dy, $a->middle[1] + $along * $dy + $h * $dx];
            $t = $a->parameter(atan2($p[1] - $a->middle[1], $p[0] - $a->middle[0]), self::SNAP / $a->radius);
            $s = $b->parameter(atan2($p[1] - $b->middle[1], $p[0] - $b->middle[0]), self::SNAP / $b->radius);
            if ($t !== null && $s !== null) {
                $out[] = [$t, $s, $p, $reach];
            }
        }

        return $out;
    }

    /** Whether all of a curve lies on another: more places than curves of their kinds can have in common. */
    private static function liesOn(Curve $a, Curve $b): bool
    {
        if ($a instanceof Straight || $b instanceof Straight) {
            return false;
        }
        foreach ([0.37, 0.08, 0.91, 0.19, 0.53, 0.66, 0.78, 0.27, 0.46, 0.03] as $share) {
            if ($b->nearest($a->at($a->from() + $share * ($a->to() - $a->from())))[1] > self::SNAP) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether a stretch of one curve lies to one side of a stretch of the other, farther off than both can bend.
     *
     * @param array{float,float} $s
     * @param array{float,float} $r
     * @param int $depth how often both were halved
     */
    private static function aside(Curve $a, Curve $b, array $s, array $r, int $depth): bool
    {
        [$p, $q] = [$a->at($s[0]), $a->at($s[1])];
        [$c, $d] = [$b->at($r[0]), $b->at($r[1])];
        [$du, $dv] = [$d[0] - $c[0], $d[1] - $c[1]];
        $l = hypot($du, $dv);
        if ($l < 1e-12) {
            return false;
        }
        $one = ($du * ($p[1] - $c[1]) - $dv * ($p[0] - $c[0])) / $l;
        $two = ($du * ($q[1] - $c[1]) - $dv * ($q[0] - $c[0])) / $l;
        // a stretch that turns by an angle rises by an eighth of that over its chord; twice as much, to be safe
        $rise = (self::TURN / 4 / 2 ** $depth) * ($l + hypot($q[0] - $p[0], $q[1] - $p[1])) + self::SNAP;

        return min($one, $two) > $rise || max($one, $two) < -$rise;
    }

    /** @return list<array{float,float}> stretches short enough to begin with */
    private static function pieces(Curve $c): array
    {
        $marks = $c instanceof Smooth ? $c->marks() : Smooth::even($c->from(), $c->to(), $c instanceof Round ? 16 : 1);
        $out = [];
        for ($i = 1; $i < count($marks); $i++) {
            $out[] = [$marks[$i - 1], $marks[$i]];
        }

        return $out;
    }

    /**
     * @param list<array{float,float}> $ofA
     * @param list<array{float,float}> $ofB
     * @param list<array{float, float, array{float,float}, float}> $out
     */
    private static function halve(Curve $a, Curve $b, array $ofA, array $ofB, array &$out, Budget $budget): void
    {
        $boxes = array_map(static fn(array $s): array => $b->box(...$s), $ofB);
        $stack = [];
        foreach ($ofA as $s) {
            $box = $a->box(...$s);
            foreach ($ofB as $j => $r) {
                if (self::apart($box, $boxes[$j])) {
                    continue;
                }
                $stack[] = [$s, $r, 0];
            }
        }
        $work = $places = 0;
        while ($stack !== [] && $work++ < 60000 && $places < self::MOST_PLACES) {
            [$s, $r, $depth] = array_pop($stack);
            $budget->spend($depth >= self::HALVINGS ? self::PLACE : self::HALVING);
            if (self::aside($a, $b, $s, $r, $depth) || self::aside($b, $a, $r, $s, $depth)) {
                continue;
            }
            if ($depth >= self::HALVINGS) {
                $places++;
                self::polish($a, $b, ($s[0] + $s[1]) / 2, ($r[0] + $r[1]) / 2, $out);

                continue;
            }
            $m = ($s[0] + $s[1]) / 2;
            $n = ($r[0] + $r[1]) / 2;
            foreach ([[$s[0], $m], [$m, $s[1]]] as $x) {
                $box = $a->box(...$x);
                foreach ([[$r[0], $n], [$n, $r[1]]] as $y) {
                    if (!self::apart($box, $b->box(...$y))) {
                        $stack[] = [$x, $y, $depth + 1];
                    }
                }
            }
        }
    }

    /**
     * @param array{float,float,float,float} $a
     * @param array{float,float,float,float} $b
     */
    private static function apart(array $a, array $b): bool
    {
        return $a[0] > $b[2] + self::SNAP || $a[2] < $b[0] - self::SNAP || $a[1] > $b[3] + self::SNAP || $a[3] < $b[1] - self::SNAP;
    }

    /** @param list<array{float, float, array{float,float}, float}> $out */
    private static function polish(Curve $a, Curve $b, float $t, float $s, array &$out): void
    {
        for ($k = 0; $k < 40; $k++) {
            [$p, $q, $d, $e] = [$a->at($t), $b->at($s), $a->slope($t), $b->slope($s)];
            $det = $d[0] * -$e[1] + $d[1] * $e[0];
            [$gu, $gv] = [$q[0] - $p[0], $q[1] - $p[1]];
            if (abs($det) < 1e-9 * hypot(...$d) * hypot(...$e)) {
                // side by side: to the nearest place
                [$s, $far] = $b->nearest($p);
                if ($far <= 1e-9) {
                    break;
                }
                [$next] = $a->nearest($b->at($s));
                if (abs($next - $t) < 1e-14) {
                    break;
                }
                $t = $next;

                continue;
            }
            $dt = ($gu * -$e[1] + $gv * $e[0]) / $det;
            $ds = ($d[0] * $gv - $d[1] * $gu) / $det;
            $t = max($a->from(), min($a->to(), $t + $dt));
            $s = max($b->from(), min($b->to(), $s + $ds));
            if (abs($dt) + abs($ds) < 1e-14) {
                break;
            }
        }
        $p = $a->at($t);
        $q = $b->at($s);
        if (hypot($p[0] - $q[0], $p[1] - $q[1]) > self::SNAP) {
            return;
        }
        // found from several sides
        foreach ($out as [, , $r]) {
            if (hypot($p[0] - $r[0], $p[1] - $r[1]) <= 1e-5) {
                return;
            }
        }
        $out[] = [$t, $s, $p, 1e-5];
    }
}
