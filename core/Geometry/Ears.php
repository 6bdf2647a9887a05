<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/**
 * Cuts one outline without holes into triangles, ear by ear. Always ends with a topologically complete set of triangles,
 * whatever the rounding: when no proper ear is left, straight corners and, last, the flattest corner are cut.
 */
final class Ears
{
    /** Twice an area below this share of the square of the outline's size is none: that much a sum of products loses. */
    private const NO_AREA = 1e-13;

    /** From so many reflex corners on a grid finds those near an ear faster than going through all. */
    private const FEW = 24;

    private const MOST_CELLS = 64;

    /** A little more than the outline's size, so that its far border falls into the last cell. */
    private const WIDER = 1.0000001;

    // what may be cut, one after the other: an ear is looked for in all corners before the next is allowed
    private const PROPER = 0;

    private const SPIKE = 1;

    private const STRAIGHT = 2;

    private const TOUCHED = 3;

    private const FLATTEST = 4;

    /** @var list<array{int,int,int,int,int,int}> vertices and the tokens of the sides from each */
    public array $triangles = [];

    /** @var array{int,int}|null tokens of two sides that are left lying on each other */
    public ?array $glued = null;

    private float $noArea;

    /** @var array<int, bool> corners that are not cut yet */
    private array $alive = [];

    /** @var array<int, bool> corners that point inward or not at all: only they can block an ear */
    private array $reflex = [];

    /** @var array<int, list<int>> reflex corners by cell */
    private array $grid = [];

    private int $cells = 1;

    private float $u0 = INF;

    private float $w0 = INF;

    private float $perU;

    private float $perW;

    /**
     * @param array<int, int> $vertex by corner, as all that follow
     * @param array<int, float> $u
     * @param array<int, float> $w
     * @param array<int, int> $prev
     * @param array<int, int> $next
     * @param array<int, int> $token of the side that leads on
     * @param int $start a corner of the outline
     * @param int $nextToken sides made inside get this one and those after it
     */
    public function __construct(
        private readonly array $vertex,
        private readonly array $u,
        private readonly array $w,
        private array $prev,
        private array $next,
        private array $token,
        int $start,
        public int $nextToken,
    ) {
        $corners = $this->survey($start);
        $this->cut($start, count($corners));
    }

    /** @return list<int> the corners, their turns told and the reflex ones put into the grid */
    private function survey(int $start): array
    {
        [$u, $w] = [$this->u, $this->w];
        $corners = [];
        $u1 = $w1 = -INF;
        $k = $start;
        do {
            $corners[] = $k;
            $this->u0 = min($this->u0, $u[$k]);
            $this->w0 = min($this->w0, $w[$k]);
            $u1 = max($u1, $u[$k]);
            $w1 = max($w1, $w[$k]);
            $k = $this->next[$k];
        } while ($k !== $start);
        $this->noArea = self::NO_AREA * max($u1 - $this->u0, $w1 - $this->w0) ** 2;
        $count = 0;
        foreach ($corners as $k) {
            $this->alive[$k] = true;
            $this->reflex[$k] = $this->turn($k) <= $this->noArea;
            $count += $this->reflex[$k] ? 1 : 0;
        }
        $this->cells = $count > self::FEW ? (int) min(self::MOST_CELLS, ceil(sqrt($count) * 0.6)) : 1;
        $this->perU = $this->cells / max(PHP_FLOAT_MIN, ($u1 - $this->u0) * self::WIDER);
        $this->perW = $this->cells / max(PHP_FLOAT_MIN, ($w1 - $this->w0) * self::WIDER);
        $this->grid = array_fill(0, $this->cells ** 2, []);
        foreach ($corners as $k) {
            if ($this->reflex[$k]) {
                $this->grid[(int) (($w[$k] - $this->w0) * $this->perW) * $this->cells + (int) (($u[$k] - $this->u0) * $this->perU)][] = $k;
            }
        }

        return $corners;
    }

    private function cut(int $b, int $left): void
    {
        $allowed = self::PROPER;
        $since = 0;
        while ($left > 3) {
            $ok = $this->isEar($b, $allowed);
            if (!$ok && $allowed === self::FLATTEST) {
                $b = $this->flattest($b);
                $ok = true;
            }
            $c = $this->next[$b];
            if ($ok) {
                $this->cutOff($this->prev[$b], $b, $c);
                $left--;
                $allowed = self::PROPER;
                $since = 0;
                $b = $this->next[$c]; // skipping one avoids fans of slivers
            } else {
                $b = $c;
                if (++$since > $left) {
                    $allowed++;
                    $since = 0;
                }
            }
        }
        [$a, $c] = [$this->prev[$b], $this->next[$b]];
        if ($left === 3) {
            $this->triangles[] = [
                $this->vertex[$a],
                $this->vertex[$b],
                $this->vertex[$c],
                $this->token[$a],
                $this->token[$b],
                $this->token[$c],
            ];
        } elseif ($left === 2) {
            $this->glued = [$this->token[$b], $this->token[$c]];
        }
    }

    /** Twice the area at a corner: above zero where it points outward. */
    private function turn(int $b): float
    {
        $a = $this->prev[$b];
        $c = $this->next[$b];

        return ($this->u[$b] - $this->u[$a]) * ($this->w[$c] - $this->w[$b]) -
            ($this->w[$b] - $this->w[$a]) * ($this->u[$c] - $this->u[$b]);
    }

    private function isEar(int $b, int $allowed): bool
    {
        $turn = $this->turn($b);
        if ($turn > $this->noArea) {
            return ($allowed === self::PROPER || $allowed === self::TOUCHED) && !$this->isBlocked($b, $allowed === self::TOUCHED);
        }
        if ($turn < -$this->noArea) {
            return false;
        }

        return $allowed === self::STRAIGHT || $allowed === self::FLATTEST || ($allowed === self::SPIKE && $this->turnsBack($b));
    }

    /** Whether both sides of a corner lead the same way. */
    private function turnsBack(int $b): bool
    {
        [$a, $c] = [$this->prev[$b], $this->next[$b]];

        return ($this->u[$a] - $this->u[$b]) * ($this->u[$c] - $this->u[$b]) +
            ($this->w[$a] - $this->w[$b]) * ($this->w[$c] - $this->w[$b]) >=
            0;
    }

    /** Whether a reflex corner lies in the triangle at b; one on its rim does not where that is allowed. */
    private function isBlocked(int $b, bool $rimAllowed): bool
    {
        [$u, $w, $alive, $reflex] = [$this->u, $this->w, $this->alive, $this->reflex];
        $a = $this->prev[$b];
        $c = $this->next[$b];
        $au = $u[$a];
        $aw = $w[$a];
        $bu = $u[$b];
        $bw = $w[$b];
        $cu = $u[$c];
        $cw = $w[$c];
        $x0 = min($au, $bu, $cu);
        $x1 = max($au, $bu, $cu);
        $y0 = min($aw, $bw, $cw);
        $y1 = max($aw, $bw, $cw);
        $i1 = (int) (($x1 - $this->u0) * $this->perU);
        $j1 = (int) (($y1 - $this->w0) * $this->perW);
        $least = $rimAllowed ? $this->noArea : 0.0;
        for ($j = (int) (($y0 - $this->w0) * $this->perW); $j <= $j1; $j++) {
            for ($i = (int) (($x0 - $this->u0) * $this->perU); $i <= $i1; $i++) {
                foreach ($this->grid[$j * $this->cells + $i] as $p) {
                    if (!$alive[$p] || !$reflex[$p] || $p === $a || $p === $b || $p === $c) {
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
                    if (
                        $d1 < $least ||
                        $d2 < $least ||
                        $d3 < $least ||
                        ($rimAllowed && ($d1 === $least || $d2 === $least || $d3 === $least))
                    ) {
                        continue;
                    }
                    if ($rimAllowed || $this->runsInto($p, $x, $y, $a, $b, $c)) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /** Whether a corner in the triangle a b c blocks it: one that lies on a corner of it does where its sides run into the ear. */
    private function runsInto(int $p, float $x, float $y, int $a, int $b, int $c): bool
    {
        [$u, $w] = [$this->u, $this->w];
        [$from, $to] = match (true) {
            $x == $u[$a] && $y == $w[$a] => [$b, $c],
            $x == $u[$b] && $y == $w[$b] => [$c, $a],
            $x == $u[$c] && $y == $w[$c] => [$a, $b],
            default => [-1, -1],
        };
        if ($from < 0) {
            return true;
        }
        // the ear seen from that corner: between the ways p and q
        [$pu, $pw, $qu, $qw] = [$u[$from] - $x, $w[$from] - $y, $u[$to] - $x, $w[$to] - $y];
        $k = $this->next[$p];
        $du = $u[$k] - $x;
        $dw = $w[$k] - $y;
        $e1 = $pu * $dw - $pw * $du;
        $e2 = $du * $qw - $dw * $qu;
        if ($e1 > 0 && $e2 > 0) {
            return true;
        }
        $border = $e1 >= 0 && $e2 >= 0 && ($du * ($pu + $qu) + $dw * ($pw + $qw) > 0 || ($e2 == 0 && $du * $qu + $dw * $qw > 0));
        $k = $this->prev[$p];
        $du = $u[$k] - $x;
        $dw = $w[$k] - $y;
        $e1 = $pu * $dw - $pw * $du;
        $e2 = $du * $qw - $dw * $qu;

        return ($e1 > 0 && $e2 > 0) || ($border && $e1 == 0 && $e2 >= 0 && $du * $pu + $dw * $pw > 0);
    }

    private function flattest(int $b): int
    {
        $least = INF;
        $k = $flattest = $b;
        do {
            $turn = abs($this->turn($k));
            if ($turn < $least) {
                $least = $turn;
                $flattest = $k;
            }
            $k = $this->next[$k];
        } while ($k !== $b);

        return $flattest;
    }

    private function cutOff(int $a, int $b, int $c): void
    {
        $this->triangles[] = [
            $this->vertex[$a],
            $this->vertex[$b],
            $this->vertex[$c],
            $this->token[$a],
            $this->token[$b],
            $this->nextToken,
        ];
        $this->token[$a] = $this->nextToken + 1;
        $this->nextToken += 2;
        $this->next[$a] = $c;
        $this->prev[$c] = $a;
        $this->alive[$b] = false;
        foreach ([$a, $c] as $k) {
            if ($this->reflex[$k]) {
                $this->reflex[$k] = $this->turn($k) <= $this->noArea;
            }
        }
    }
}
