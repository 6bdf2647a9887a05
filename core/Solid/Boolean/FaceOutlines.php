<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

/**
 * The outlines of what stays of every face that something crosses, and the faces that stay whole.
 *
 * Every piece of an edge gets two tokens, one per side, that are partners; whoever draws a triangle along a piece
 * registers its half-edge under the token, and partners are linked as twins at the end. Along an edge and along the
 * line two faces share, the places where inclusion rises and falls are sorted and the i-th rise is joined with the
 * i-th fall, so that every vertex has as many pieces coming in as going out and the outlines close by construction.
 */
final class FaceOutlines
{
    /** @var array<int, list<array{array<int, int>, array<int, int>}>> by 2 * triangle + (1 for Q): loops of vertices and tokens */
    public array $groups = [];

    /** Triangles before the first new one: P's, with gaps where one has gone, then those that stay of Q. */
    public int $oldTriangles = 0;

    /** @var array<int, int> result triangles so far */
    public array $start = [];

    /** @var array<int, int> twins; -1 - token where the neighbour is not drawn yet */
    public array $twin = [];

    /** @var array<int, int> */
    public array $facet = [];

    /** @var array<int, int> */
    public array $partner = [];

    public int $tokens = 0;

    /** @var array<int, int> token => half-edge */
    public array $halfEdgeOf = [];

    /** @var array{array<int, int>, array<int, int>} token of the half-edges of whole faces beside touched ones */
    private array $wholeTokens = [[], []];

    // pieces: from, to, token, face key, next and previous in the face's outline
    /** @var array<int, int> */
    private array $from = [];

    /** @var array<int, int> */
    private array $to = [];

    /** @var array<int, int> */
    private array $token = [];

    /** @var array<int, int> */
    private array $face = [];

    /** @var array<int, array<int, int>> face key => start vertex => piece */
    private array $byStart = [];

    public function __construct(
        private readonly OperandPair $pair,
        public readonly ShadowPredicates $shadow,
        public readonly Crossings $crossings,
        public readonly Inclusion $inclusion,
        private readonly float $tolerance,
    ) {
        $nq = count($pair->qFacet);
        $touched = [[], []];
        foreach ($crossings->byPair as $key => $_) {
            $touched[0][intdiv($key, $nq)] = true;
            $touched[1][$key % $nq] = true;
        }
        foreach ([0, 1] as $side) {
            foreach ($inclusion->of[$side] as $v => $i) {
                if ($i > 1 || $i < -1) {
                    foreach (array_keys($side === 1 ? $pair->qStart : $pair->pStart, $v, true) as $h) {
                        $touched[$side][intdiv($h, 3)] = true;
                    }
                }
            }
        }
        $inner = [];
        foreach ([0, 1] as $side) {
            $this->alongEdges($side, $touched[$side], $inner);
        }
        $this->alongFacePairs($nq);
        $this->link($inner);
        $this->keepWholeFaces($touched);
    }

    /**
     * @param array<int, true> $touched
     * @param array<int, int> $inner pieces with the same facet on both sides, to be dissolved
     */
    private function alongEdges(int $side, array $touched, array &$inner): void
    {
        $m = $this->pair;
        [$start, $twin, $facet, $x, $y, $z] =
            $side === 1
                ? [$m->qStart, $m->qTwin, $m->qFacet, $m->qx, $m->qy, $m->qz]
                : [$m->pStart, $m->pTwin, $m->pFacet, $m->px, $m->py, $m->pz];
        $inc = $this->inclusion->of[$side];
        $id = $this->inclusion->id[$side];
        $events = $side === 1 ? $this->crossings->onQ : $this->crossings->onP;
        $done = [];
        foreach ($touched as $f => $_) {
            for ($e = 3 * $f, $last = $e + 3; $e < $last; $e++) {
                $h = $twin[$e] < $e ? $twin[$e] : $e;
                if (isset($done[$h])) {
                    continue;
                }
                $done[$h] = true;
                $u = $start[$h];
                $v = $start[$h % 3 === 2 ? $h - 2 : $h + 1];
                $rise = $fall = $riseAt = $fallAt = [];
                for ($k = 0, $i = $inc[$u]; $k < abs($i); $k++) {
                    if ($i > 0) {
                        $rise[] = $id[$u] + $k;
                        $riseAt[] = -INF;
                    } else {
                        $fall[] = $id[$u] + $k;
                        $fallAt[] = -INF;
                    }
                }
                if (isset($events[$h])) {
                    $dx = $x[$v] - $x[$u];
                    $dy = $y[$v] - $y[$u];
                    $dz = $z[$v] - $z[$u];
                    foreach ($events[$h] as $c) {
                        $t =
                            $dx * ($this->crossings->x[$c] - $x[$u]) +
                            $dy * ($this->crossings->y[$c] - $y[$u]) +
                            $dz * ($this->crossings->z[$c] - $z[$u]);
                        $w = $this->crossings->weight[$c];
                        for ($k = 0; $k < abs($w); $k++) {
                            if ($w > 0) {
                                $rise[] = $this->inclusion->crossingId[$c] + $k;
                                $riseAt[] = $t;
                            } else {
                                $fall[] = $this->inclusion->crossingId[$c] + $k;
                                $fallAt[] = $t;
                            }
                        }
                    }
                }
                for ($k = 0, $i = $inc[$v]; $k < abs($i); $k++) {
                    if ($i > 0) {
                        $fall[] = $id[$v] + $k;
                        $fallAt[] = INF;
                    } else {
                        $rise[] = $id[$v] + $k;
                        $riseAt[] = INF;
                    }
                }
                $n = count($rise);
                if ($n !== count($fall)) {
                    throw new Imbalance('The crossings along an edge do not balance.');
                }
                if ($n > 1) {
                    array_multisort($riseAt, $rise);
                    array_multisort($fallAt, $fall);
                }
                $left = intdiv($h, 3);
                $right = intdiv($twin[$h], 3);
                $leftTouched = isset($touched[$left]);
                $rightTouched = isset($touched[$right]);
                $dissolve = $leftTouched && $rightTouched && $facet[$left] === $facet[$right];
                for ($k = 0; $k < $n; $k++) {
                    $token = $this->tokenPair();
                    if ($dissolve) {
                        $inner[] = count($this->from);
                    }
                    if ($leftTouched) {
                        $this->piece($rise[$k], $fall[$k], $token, 2 * $left + $side);
                    } else {
                        $this->wholeTokens[$side][$h] = $token;
                    }
                    if ($rightTouched) {
                        $this->piece($fall[$k], $rise[$k], $token + 1, 2 * $right + $side);
                    } else {
                        $this->wholeTokens[$side][$twin[$h]] = $token + 1;
                    }
                }
            }
        }
    }

    private function alongFacePairs(int $nq): void
    {
        $c = $this->crossings;
        foreach ($c->byPair as $key => $list) {
            $rise = $fall = [];
            for ($i = 0, $n = count($list); $i < $n; $i += 2) {
                $w = $list[$i + 1];
                for ($k = 0; $k < abs($w); $k++) {
                    if ($w > 0) {
                        $rise[] = [$list[$i], $this->inclusion->crossingId[$list[$i]] + $k];
                    } else {
                        $fall[] = [$list[$i], $this->inclusion->crossingId[$list[$i]] + $k];
                    }
                }
            }
            $n = count($rise);
            if ($n !== count($fall)) {
                throw new Imbalance('The crossings between two faces do not balance.');
            }
            if ($n > 1) {
                // along the longest extent of the events
                $best = -1.0;
                $axis = $c->x;
                foreach ([$c->x, $c->y, $c->z] as $values) {
                    $at = array_map(static fn(array $e): float => $values[$e[0]], [...$rise, ...$fall]);
                    if (max($at) - min($at) > $best) {
                        $best = max($at) - min($at);
                        $axis = $values;
                    }
                }
                $order = static fn(array $a, array $b): int => $axis[$a[0]] <=> $axis[$b[0]] ?: $a[1] <=> $b[1];
                usort($rise, $order);
                usort($fall, $order);
            }
            $f = intdiv($key, $nq);
            $g = $key % $nq;
            for ($k = 0; $k < $n; $k++) {
                $token = $this->tokenPair();
                $this->piece($rise[$k][1], $fall[$k][1], $token, 2 * $f);
                $this->piece($fall[$k][1], $rise[$k][1], $token + 1, 2 * $g + 1);
            }
        }
    }

    private function tokenPair(): int
    {
        $t = $this->tokens;
        $this->partner[$t] = $t + 1;
        $this->partner[$t + 1] = $t;
        $this->tokens += 2;

        return $t;
    }

    private function piece(int $from, int $to, int $token, int $face): void
    {
        $this->byStart[$face][$from] = count($this->from);
        $this->from[] = $from;
        $this->to[] = $to;
        $this->token[] = $token;
        $this->face[] = $face;
    }

    /** @param array<int, int> $inner */
    private function link(array $inner): void
    {
        $n = count($this->from);
        if ($n === 0) {
            return;
        }
        $next = $prev = array_fill(0, $n, -1);
        for ($i = 0; $i < $n; $i++) {
            $j = $this->byStart[$this->face[$i]][$this->to[$i]] ?? throw new Imbalance('An outline does not close.');
            $next[$i] = $j;
            $prev[$j] = $i;
        }
        $alive = array_fill(0, $n, true);
        // dissolve pieces between triangles of one facet: their two outlines become one
        $parent = [];
        $root = static function (int $a) use (&$parent): int {
            while (isset($parent[$a])) {
                $a = $parent[$a];
            }

            return $a;
        };
        foreach ($inner as $i) {
            $j = $i + 1;
            $a = $root($this->face[$i]);
            $b = $root($this->face[$j]);
            if ($a !== $b) {
                $parent[$b] = $a;
            }
            $p1 = $prev[$i];
            $n1 = $next[$i];
            $p2 = $prev[$j];
            $n2 = $next[$j];
            $alive[$i] = $alive[$j] = false;
            if ($n1 === $j && $n2 === $i) {
                continue;
            }
            if ($n1 === $j) {
                $next[$p1] = $n2;
                $prev[$n2] = $p1;
            } elseif ($n2 === $i) {
                $next[$p2] = $n1;
                $prev[$n1] = $p2;
            } else {
                $next[$p1] = $n2;
                $prev[$n2] = $p1;
                $next[$p2] = $n1;
                $prev[$n1] = $p2;
            }
        }
        $this->dropStraightVertices($next, $prev, $alive);
        $seen = [];
        for ($i = 0; $i < $n; $i++) {
            if (!$alive[$i] || isset($seen[$i])) {
                continue;
            }
            $vertices = $tokens = [];
            $j = $i;
            do {
                $seen[$j] = true;
                $vertices[] = $this->from[$j];
                $tokens[] = $this->token[$j];
                $j = $next[$j];
            } while ($j !== $i);
            $this->groups[$root($this->face[$i])][] = [$vertices, $tokens];
        }
    }

    /**
     * Vertices where, on both sides, just two pieces meet in a straight line.
     *
     * @param array<int, int> $next
     * @param array<int, int> $prev
     * @param array<int, bool> $alive
     */
    private function dropStraightVertices(array &$next, array &$prev, array &$alive): void
    {
        $x = $this->inclusion->x;
        $y = $this->inclusion->y;
        $z = $this->inclusion->z;
        $n = count($this->from);
        $pieceOf = [];
        for ($i = 0; $i < $n; $i++) {
            if ($alive[$i]) {
                $pieceOf[$this->token[$i]] = $i;
            }
        }
        for ($i = 0; $i < $n; $i++) {
            if (!$alive[$i]) {
                continue;
            }
            while (true) {
                $j = $next[$i];
                $after = $next[$j];
                if ($j === $i || $after === $i) {
                    break;
                }
                $ip = $pieceOf[$this->partner[$this->token[$i]]] ?? -1;
                $jp = $pieceOf[$this->partner[$this->token[$j]]] ?? -1;
                if ($ip < 0 || $jp < 0 || !$alive[$ip] || !$alive[$jp] || $next[$jp] !== $ip) {
                    break;
                }
                $ipNext = $next[$ip];
                if ($ipNext === $jp || $ip === $j || $jp === $i) {
                    break;
                }
                $a = $this->from[$i];
                $v = $this->from[$j];
                $c = $this->from[$after];
                if ($a === $c) {
                    break;
                }
                $ux = $x[$v] - $x[$a];
                $uy = $y[$v] - $y[$a];
                $uz = $z[$v] - $z[$a];
                $wx = $x[$c] - $x[$v];
                $wy = $y[$c] - $y[$v];
                $wz = $z[$c] - $z[$v];
                if ($ux * $wx + $uy * $wy + $uz * $wz < 0) {
                    break;
                }
                $cx = $uy * $wz - $uz * $wy;
                $cy = $uz * $wx - $ux * $wz;
                $cz = $ux * $wy - $uy * $wx;
                $ux += $wx;
                $uy += $wy;
                $uz += $wz;
                if ($cx * $cx + $cy * $cy + $cz * $cz > $this->tolerance ** 2 * ($ux * $ux + $uy * $uy + $uz * $uz)) {
                    break;
                }
                $next[$i] = $after;
                $prev[$after] = $i;
                $alive[$j] = false;
                $next[$jp] = $ipNext;
                $prev[$ipNext] = $jp;
                $alive[$ip] = false;
                $this->partner[$this->token[$i]] = $this->token[$jp];
                $this->partner[$this->token[$jp]] = $this->token[$i];
            }
        }
    }

    /** @param array{array<int, true>, array<int, true>} $touched */
    private function keepWholeFaces(array $touched): void
    {
        $m = $this->pair;
        // P is mostly the larger: its triangles keep their places, and those that go leave a gap
        $this->start = $m->pStart;
        $this->twin = $m->pTwin;
        $this->facet = $m->pFacet;
        $inc = $this->inclusion->of[0];
        $turned = [];
        foreach ($m->pFacet as $f => $_) {
            $i = $inc[$m->pStart[3 * $f]];
            if ($i !== 1) {
                $this->facet[$f] = -1;
                if ($i !== 0 && !isset($touched[0][$f])) {
                    $turned[] = $f;
                }
            }
        }
        foreach ($touched[0] as $f => $_) {
            $this->facet[$f] = -1;
        }
        foreach ($this->wholeTokens[0] as $h => $token) {
            if ($this->facet[intdiv($h, 3)] >= 0) {
                $this->twin[$h] = -1 - $token;
                $this->halfEdgeOf[$token] = $h;
            }
        }
        if ($turned !== []) {
            $this->appendWholeFaces(0, $turned);
        }
        $inc = $this->inclusion->of[1];
        $stay = [];
        foreach ($m->qFacet as $f => $_) {
            if ($inc[$m->qStart[3 * $f]] !== 0 && !isset($touched[1][$f])) {
                $stay[] = $f;
            }
        }
        $this->appendWholeFaces(1, $stay);
        $this->oldTriangles = count($this->facet);
    }

    /** @param list<int> $faces */
    private function appendWholeFaces(int $side, array $faces): void
    {
        $m = $this->pair;
        [$start, $twin, $facet] = $side === 1 ? [$m->qStart, $m->qTwin, $m->qFacet] : [$m->pStart, $m->pTwin, $m->pFacet];
        $inc = $this->inclusion->of[$side];
        $id = $this->inclusion->id[$side];
        $first = count($this->facet);
        $number = array_flip($faces);
        foreach ($faces as $f) {
            $h = 3 * $f;
            $reversed = $inc[$start[$h]] < 0;
            $this->start[] = $id[$start[$h]];
            $this->start[] = $id[$start[$reversed ? $h + 2 : $h + 1]];
            $this->start[] = $id[$start[$reversed ? $h + 1 : $h + 2]];
            $this->facet[] = $reversed ? $m->flip($facet[$f]) : $facet[$f];
            for ($k = 0; $k < 3; $k++) {
                $h = 3 * $f + ($reversed ? 2 - $k : $k);
                $o = $twin[$h];
                $other = $number[intdiv($o, 3)] ?? -1;
                if ($other >= 0) {
                    $this->twin[] = 3 * ($first + $other) + ($reversed ? 2 - ($o % 3) : $o % 3);
                } else {
                    $token = $this->wholeTokens[$side][$h];
                    $this->halfEdgeOf[$token] = count($this->twin);
                    $this->twin[] = -1 - $token;
                }
            }
        }
    }

    /**
     * First-order displacement of a result vertex under the symbolic movement of P, for a second attempt at faces
     * whose outlines fold over themselves.
     *
     * @return array{float,float,float}
     */
    public function displacement(int $vertex): array
    {
        $s = $this->inclusion->source[$vertex] ?? $vertex;
        if ($s === -1) {
            return [0.0, 0.0, 0.0];
        }
        if ($s >= 0) {
            return $this->shadow->displacement($s);
        }
        $m = $this->pair;
        [$ofP, $edge, $face] = $this->crossings->origin[-2 - $s];
        $at = [$this->inclusion->x[$vertex], $this->inclusion->y[$vertex], $this->inclusion->z[$vertex]];
        if ($ofP) {
            $u = $m->pStart[$edge];
            $v = $m->pStart[$edge % 3 === 2 ? $edge - 2 : $edge + 1];
            $t = [$m->px[$v] - $m->px[$u], $m->py[$v] - $m->py[$u], $m->pz[$v] - $m->pz[$u]];
            $l2 = $t[0] ** 2 + $t[1] ** 2 + $t[2] ** 2;
            $s = $l2 > 0 ? (($at[0] - $m->px[$u]) * $t[0] + ($at[1] - $m->py[$u]) * $t[1] + ($at[2] - $m->pz[$u]) * $t[2]) / $l2 : 0.5;
            $a = $this->shadow->displacement($u);
            $b = $this->shadow->displacement($v);
            $d = [$a[0] + $s * ($b[0] - $a[0]), $a[1] + $s * ($b[1] - $a[1]), $a[2] + $s * ($b[2] - $a[2])];
            $f = $m->qFacet[$face];
            $n = [$m->fx[$f], $m->fy[$f], $m->fz[$f]];
            $dn = $d[0] * $n[0] + $d[1] * $n[1] + $d[2] * $n[2];
            $tn = $t[0] * $n[0] + $t[1] * $n[1] + $t[2] * $n[2];
            if (abs($tn) <= 1e-3 * sqrt($l2)) {
                return [$d[0] - $dn * $n[0], $d[1] - $dn * $n[1], $d[2] - $dn * $n[2]];
            }
            $k = $dn / $tn;

            return [$d[0] - $k * $t[0], $d[1] - $k * $t[1], $d[2] - $k * $t[2]];
        }
        $u = $m->qStart[$edge];
        $v = $m->qStart[$edge % 3 === 2 ? $edge - 2 : $edge + 1];
        $t = [$m->qx[$v] - $m->qx[$u], $m->qy[$v] - $m->qy[$u], $m->qz[$v] - $m->qz[$u]];
        $f = $m->pFacet[$face];
        $n = [$m->fx[$f], $m->fy[$f], $m->fz[$f]];
        $d = [0.0, 0.0, 0.0];
        for ($k = 0; $k < 3; $k++) {
            foreach ($this->shadow->displacement($m->pStart[3 * $face + $k]) as $c => $value) {
                $d[$c] += $value / 3;
            }
        }
        $tn = $t[0] * $n[0] + $t[1] * $n[1] + $t[2] * $n[2];
        if (abs($tn) <= 1e-3 * sqrt($t[0] ** 2 + $t[1] ** 2 + $t[2] ** 2)) {
            return [0.0, 0.0, 0.0];
        }
        $k = ($d[0] * $n[0] + $d[1] * $n[1] + $d[2] * $n[2]) / $tn;

        return [$k * $t[0], $k * $t[1], $k * $t[2]];
    }
}
