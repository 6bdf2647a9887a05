<?php

declare(strict_types=1);

namespace Cubo\Geometry;

use Closure;

/**
 * Polygons of one plane, facing up or down, that touch, overlap or cross each other or themselves, made into regions
 * fit for EarClipping: where an upward and a downward polygon cover the same place, both are gone there.
 *
 * Sides are divided where corners lie on them and where they cross; sides that lie on each other in opposite directions
 * go; what remains is followed around each region, never crossing itself. Every side carries a token, as in
 * EarClipping: a divided side keeps its token on a triangle without area.
 */
final class Untangling
{
    /** @var list<array{list<array{array<int, int>, array<int, int>}>, bool, int}> loops, whether they face up, label */
    public array $regions = [];

    /** @var list<array{array{int,int,int,int,int,int}, int}> triangles without area along divided sides, each with its label */
    public array $narrow = [];

    /** @var list<array{int,int}> tokens of sides that lay on each other */
    public array $glued = [];

    /** @var list<array{int,int,int,int}> from, to, token, label */
    private array $sides = [];

    /** @var list<array{list<array<int, int>>, bool, int}> */
    private array $polygons = [];

    /**
     * @param list<array{list<array{array<int, int>, array<int, int>}>, bool, int}> $polygons loops of corners (one number
     *     for one place) and tokens, whether they face up (run counter-clockwise in u, w), label
     * @param array<int, float> $u first coordinate by corner
     * @param array<int, float> $w second coordinate by corner
     * @param float $tolerance distance at which a corner lies on a side
     * @param Closure(int, int, float): int $newCorner a corner on the way from one to another, as a share of the way
     */
    public function __construct(
        array $polygons,
        private array $u,
        private array $w,
        public int $nextToken,
        private readonly float $tolerance,
        private readonly Closure $newCorner,
    ) {
        foreach ($polygons as [$loops, $up, $label]) {
            foreach ($loops as [$vertices, $tokens]) {
                $n = count($vertices);
                foreach ($vertices as $i => $v) {
                    $next = $vertices[$i + 1 < $n ? $i + 1 : 0];
                    if ($v !== $next) {
                        $this->sides[] = [$v, $next, $tokens[$i], $label];
                    } else {
                        // the neighbour across a side without length still asks for it
                        $t = $this->fresh();
                        $this->narrow[] = [[$v, $v, $v, $tokens[$i], $t, $t + 1], $label];
                    }
                }
            }
            $this->polygons[] = [array_column($loops, 0), $up, $label];
        }
        // a corner made at a crossing may lie on a third side
        for ($round = 0; $round < 8; $round++) {
            $this->divide($this->cornersOnSides());
            $crossings = $this->crossings();
            if ($crossings === []) {
                break;
            }
            $this->divide($crossings);
        }
        $this->follow($this->cancelled());
    }

    /** @return array<int, array<int, float>> side => corner => share of the way */
    private function cornersOnSides(): array
    {
        $corners = [];
        foreach ($this->sides as [$a, $b]) {
            $corners[$a] = $corners[$b] = true;
        }
        $found = [];
        foreach ($this->sides as $i => [$a, $b]) {
            $du = $this->u[$b] - $this->u[$a];
            $dw = $this->w[$b] - $this->w[$a];
            $l2 = $du * $du + $dw * $dw;
            $near2 = $this->tolerance ** 2 * $l2;
            foreach ($corners as $c => $_) {
                $eu = $this->u[$c] - $this->u[$a];
                $ew = $this->w[$c] - $this->w[$a];
                $along = $du * $eu + $dw * $ew;
                if ($along > 0 && $along < $l2 && ($du * $ew - $dw * $eu) ** 2 <= $near2 && $c !== $a && $c !== $b) {
                    $found[$i][$c] = $along / $l2;
                }
            }
        }

        return $found;
    }

    /** @return array<int, array<int, float>> side => new corner => share of the way */
    private function crossings(): array
    {
        $found = $made = [];
        $n = count($this->sides);
        for ($i = 0; $i < $n; $i++) {
            [$a, $b] = $this->sides[$i];
            $du = $this->u[$b] - $this->u[$a];
            $dw = $this->w[$b] - $this->w[$a];
            for ($j = $i + 1; $j < $n; $j++) {
                [$c, $d] = $this->sides[$j];
                if ($a === $c || $a === $d || $b === $c || $b === $d) {
                    continue;
                }
                $eu = $this->u[$d] - $this->u[$c];
                $ew = $this->w[$d] - $this->w[$c];
                $det = $du * $ew - $dw * $eu;
                if ($det == 0.0) {
                    continue;
                }
                $fu = $this->u[$c] - $this->u[$a];
                $fw = $this->w[$c] - $this->w[$a];
                $s = ($fu * $ew - $fw * $eu) / $det;
                $t = ($fu * $dw - $fw * $du) / $det;
                if ($s <= 0 || $s >= 1 || $t <= 0 || $t >= 1) {
                    continue;
                }
                $v = $this->cornerAt($this->u[$a] + $s * $du, $this->w[$a] + $s * $dw, $made) ?? ($this->newCorner)($a, $b, $s);
                $this->u[$v] ??= $this->u[$a] + $s * $du;
                $this->w[$v] ??= $this->w[$a] + $s * $dw;
                $made[] = $v;
                $found[$i][$v] = $s;
                $found[$j][$v] = $t;
            }
        }

        return $found;
    }

    /** @param array<int, int> $made corners made at crossings so far: several sides may cross in one place */
    private function cornerAt(float $u, float $w, array $made): ?int
    {
        foreach ($made as $v) {
            if (abs($this->u[$v] - $u) + abs($this->w[$v] - $w) <= 4 * $this->tolerance) {
                return $v;
            }
        }

        return null;
    }

    /** @param array<int, array<int, float>> $at */
    private function divide(array $at): void
    {
        $sides = [];
        foreach ($this->sides as $i => [$a, $b, $token, $label]) {
            if (!isset($at[$i])) {
                $sides[] = [$a, $b, $token, $label];

                continue;
            }
            asort($at[$i]);
            $chain = [$a, ...array_keys($at[$i]), $b];
            $pieces = [];
            for ($k = 0; $k + 1 < count($chain); $k++) {
                $pieces[] = $t = $this->fresh();
                $sides[] = [$chain[$k], $chain[$k + 1], $t, $label];
            }
            // the fan a, b, c_k, ... c_1 closes the gap between the whole side and its pieces
            $first = $token;
            for ($k = count($chain) - 2; $k >= 1; $k--) {
                $last = $k === 1 ? $pieces[0] + 1 : $this->fresh();
                $this->narrow[] = [[$a, $chain[$k + 1], $chain[$k], $first, $pieces[$k] + 1, $last], $label];
                $first = $last + 1;
            }
        }
        $this->sides = $sides;
    }

    private function fresh(): int
    {
        $this->nextToken += 2;

        return $this->nextToken - 2;
    }

    /** @return list<array{int,int,int,int}> the sides without those that lie on each other */
    private function cancelled(): array
    {
        $waiting = $gone = [];
        foreach ($this->sides as $i => [$a, $b, $token]) {
            if (($waiting["$b-$a"] ?? []) !== []) {
                $j = array_pop($waiting["$b-$a"]);
                $this->glued[] = [$this->sides[$j][2], $token];
                $gone[$i] = $gone[$j] = true;
            } else {
                $waiting["$a-$b"][] = $i;
            }
        }

        return array_values(array_diff_key($this->sides, $gone));
    }

    /**
     * How often the polygons cover a place, upward ones counted positive, and the label of one that does.
     *
     * @return array{int, int|null}
     */
    private function coverOn(float $pu, float $pw, bool $up): array
    {
        $sum = 0;
        $label = null;
        foreach ($this->polygons as [$loops, $faces, $l]) {
            $own = 0;
            foreach ($loops as $loop) {
                $a = $loop[count($loop) - 1];
                foreach ($loop as $b) {
                    if ($this->w[$a] > $pw !== $this->w[$b] > $pw) {
                        $at = $this->u[$a] + (($pw - $this->w[$a]) / ($this->w[$b] - $this->w[$a])) * ($this->u[$b] - $this->u[$a]);
                        $own += $at > $pu ? ($this->w[$b] > $this->w[$a] ? 1 : -1) : 0;
                    }
                    $a = $b;
                }
            }
            $sum += $own;
            if ($own !== 0 && $faces === $up) {
                $label ??= $l;
            }
        }

        return [$sum, $label];
    }

    /**
     * A side has its region on the left if that is covered from above, else, facing down, on the right.
     *
     * @param list<array{int,int,int,int}> $sides
     */
    private function follow(array $sides): void
    {
        $leaving = $label = $up = [];
        $copies = [];
        foreach ($sides as $i => [$a, $b, , $own]) {
            $du = $this->u[$b] - $this->u[$a];
            $dw = $this->w[$b] - $this->w[$a];
            $step = 1e-6;
            [$cover, $label[$i]] = $this->coverOn(
                ($this->u[$a] + $this->u[$b]) / 2 - $step * $dw,
                ($this->w[$a] + $this->w[$b]) / 2 + $step * $du,
                true,
            );
            // of several sides in one place as many face up as the place on the left is covered
            $copies["$a-$b"] = ($copies["$a-$b"] ?? 0) + 1;
            $up[$i] = $cover >= $copies["$a-$b"];
            if (!$up[$i]) {
                $label[$i] = $this->coverOn(
                    ($this->u[$a] + $this->u[$b]) / 2 + $step * $dw,
                    ($this->w[$a] + $this->w[$b]) / 2 - $step * $du,
                    false,
                )[1];
            }
            $label[$i] ??= $own;
            $leaving[$up[$i] ? 1 : 0][$a][] = $i;
        }
        $used = [];
        $found = [];
        foreach ($sides as $i => $_) {
            if (isset($used[$i])) {
                continue;
            }
            foreach (self::apart(...$this->around($i, $sides, $leaving[$up[$i] ? 1 : 0] ?? [], $up[$i] ? 1 : -1, $used)) as $loop) {
                $found[$up[$i] ? 1 : 0][$label[$i]][] = $loop;
            }
        }
        foreach ($found as $upward => $byLabel) {
            foreach ($byLabel as $l => $loops) {
                $this->regions[] = [$loops, $upward === 1, (int) $l];
            }
        }
    }

    /**
     * A loop that comes through a corner several times, cut into loops that do not: sheets that lie over each other may
     * have been followed in one go.
     *
     * @param list<int> $vertices
     * @param list<int> $tokens
     * @return list<array{list<int>, list<int>}>
     */
    private static function apart(array $vertices, array $tokens): array
    {
        $out = $v = $t = $at = [];
        foreach ($vertices as $i => $c) {
            if (isset($at[$c])) {
                $k = $at[$c];
                $out[] = [array_slice($v, $k), array_slice($t, $k)];
                foreach (array_slice($v, $k) as $gone) {
                    unset($at[$gone]);
                }
                $v = array_slice($v, 0, $k);
                $t = array_slice($t, 0, $k);
            }
            $at[$c] = count($v);
            $v[] = $c;
            $t[] = $tokens[$i];
        }
        $out[] = [$v, $t];

        return $out;
    }

    /**
     * @param list<array{int,int,int,int}> $sides
     * @param array<int, list<int>> $leaving
     * @param array<int, true> $used
     * @return array{list<int>, list<int>}
     */
    private function around(int $first, array $sides, array $leaving, int $hand, array &$used): array
    {
        $vertices = $tokens = [];
        $k = $first;
        do {
            $used[$k] = true;
            [$a, $b, $token] = $sides[$k];
            $vertices[] = $a;
            $tokens[] = $token;
            // the next side is the first one clockwise from the way back; counter-clockwise where the region faces down
            $back = atan2($this->w[$a] - $this->w[$b], $this->u[$a] - $this->u[$b]);
            $best = INF;
            $k = -1;
            foreach ($leaving[$b] ?? [] as $o) {
                if (isset($used[$o]) && $o !== $first) {
                    continue;
                }
                $turn = $hand * ($back - atan2($this->w[$sides[$o][1]] - $this->w[$b], $this->u[$sides[$o][1]] - $this->u[$b]));
                $turn -= 2 * M_PI * floor($turn / (2 * M_PI));
                $turn = $turn <= 1e-12 ? $turn + 2 * M_PI : $turn;
                if ($turn < $best) {
                    $best = $turn;
                    $k = $o;
                }
            }
        } while ($k !== $first && $k >= 0);

        return [$vertices, $tokens];
    }
}
