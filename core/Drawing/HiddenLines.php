<?php

declare(strict_types=1);

namespace Cubo\Drawing;

use Cubo\Budget\Budget;
use Cubo\Measure\TriangleTree;
use Cubo\Solid\Solid;

/**
 * A view of a solid with hidden lines told apart. Every edge is cut where another edge crosses it in the view; the
 * middle of each piece is then looked at along the line of sight (A. Appel, "The notion of quantitative invisibility
 * and the machine rendering of solids", Proc. ACM National Conference, 1967, without its bookkeeping).
 */
final class HiddenLines
{
    private const JOIN = 1e-5;

    public static function draw(Solid $s, View $view, TriangleTree $tree, FeatureEdges $edges, ?Budget $budget = null): ViewLines
    {
        $budget ??= Budget::unlimited();
        [$right, $up, $sight] = $view->frame();
        $segments = [];
        foreach ($edges->sharp as $h) {
            $segments[] = self::segment($s, $h, $right, $up);
        }
        foreach ($edges->round as $h) {
            $f = $s->facet[intdiv($h, 3)];
            $g = $s->facet[intdiv($s->twin[$h], 3)];
            $a = $s->nx[$f] * $sight[0] + $s->ny[$f] * $sight[1] + $s->nz[$f] * $sight[2];
            $b = $s->nx[$g] * $sight[0] + $s->ny[$g] * $sight[1] + $s->nz[$g] * $sight[2];
            if ($a > 1e-9 !== $b > 1e-9) {
                $segments[] = self::segment($s, $h, $right, $up);
            }
        }
        $segments = array_values(array_filter($segments, static fn(array $e): bool => hypot($e[2] - $e[0], $e[3] - $e[1]) > self::JOIN));
        $box = $s->vertexBox();
        $scale = max($box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2], 1e-6);
        $cuts = self::cuts($segments, $budget);
        $visible = $hidden = [];
        foreach ($segments as $i => [$u0, $v0, $u1, $v1, $p, $q, $n]) {
            $budget->spend(30 * (1 + count($cuts[$i])));
            $stops = [0.0, ...$cuts[$i], 1.0];
            sort($stops);
            for ($k = 1; $k < count($stops); $k++) {
                [$from, $to] = [$stops[$k - 1], $stops[$k]];
                if ($to - $from < 1e-7) {
                    continue;
                }
                $m = ($from + $to) / 2;
                // a little off the surface, so that the edge's own faces are not in the way
                $eye = [];
                for ($c = 0; $c < 3; $c++) {
                    $eye[$c] = $p[$c] + $m * ($q[$c] - $p[$c]) + 2e-4 * $scale * $n[$c];
                }
                $line = [[$u0 + $from * ($u1 - $u0), $v0 + $from * ($v1 - $v0)], [$u0 + $to * ($u1 - $u0), $v0 + $to * ($v1 - $v0)]];
                if ($tree->firstHit($eye, $sight, 1e-6 * $scale, 10 * $scale) === null) {
                    $visible[self::key($line)] = $line;
                } else {
                    $hidden[self::key($line)] = $line;
                }
            }
        }

        return new ViewLines(self::chained($visible), self::chained(array_diff_key($hidden, $visible)));
    }

    /**
     * @param array{float,float,float} $right
     * @param array{float,float,float} $up
     * @return array{float,float,float,float,array{float,float,float},array{float,float,float},array{float,float,float}} ends in the view, ends in space, mean normal
     */
    private static function segment(Solid $s, int $h, array $right, array $up): array
    {
        $o = $s->twin[$h];
        $p = [$s->x[$s->start[$h]], $s->y[$s->start[$h]], $s->z[$s->start[$h]]];
        $q = [$s->x[$s->start[$o]], $s->y[$s->start[$o]], $s->z[$s->start[$o]]];
        $f = $s->facet[intdiv($h, 3)];
        $g = $s->facet[intdiv($o, 3)];

        return [
            $p[0] * $right[0] + $p[1] * $right[1] + $p[2] * $right[2],
            $p[0] * $up[0] + $p[1] * $up[1] + $p[2] * $up[2],
            $q[0] * $right[0] + $q[1] * $right[1] + $q[2] * $right[2],
            $q[0] * $up[0] + $q[1] * $up[1] + $q[2] * $up[2],
            $p,
            $q,
            [$s->nx[$f] + $s->nx[$g], $s->ny[$f] + $s->ny[$g], $s->nz[$f] + $s->nz[$g]],
        ];
    }

    /**
     * Where along each segment (0 to 1) another one crosses it in the view.
     *
     * @param list<array<int, mixed>> $segments
     * @return list<list<float>>
     */
    private static function cuts(array $segments, Budget $budget): array
    {
        $cuts = array_fill(0, count($segments), []);
        $order = array_keys($segments);
        usort(
            $order,
            static fn(int $a, int $b): int => min($segments[$a][0], $segments[$a][2]) <=> min($segments[$b][0], $segments[$b][2]),
        );
        $open = [];
        foreach ($order as $i) {
            [$a0, $b0, $a1, $b1] = $segments[$i];
            $left = min($a0, $a1);
            $low = min($b0, $b1);
            $high = max($b0, $b1);
            $budget->spend(count($open));
            foreach ($open as $j => $reach) {
                if ($reach < $left) {
                    unset($open[$j]);

                    continue;
                }
                [$c0, $d0, $c1, $d1] = $segments[$j];
                if (min($d0, $d1) > $high || max($d0, $d1) < $low) {
                    continue;
                }
                $ux = $a1 - $a0;
                $uy = $b1 - $b0;
                $vx = $c1 - $c0;
                $vy = $d1 - $d0;
                $det = $ux * $vy - $uy * $vx;
                if (abs($det) < 1e-9 * hypot($ux, $uy) * hypot($vx, $vy)) {
                    // along one line: the other's ends cut this one
                    self::overlap($segments, $i, $j, $cuts);
                    self::overlap($segments, $j, $i, $cuts);

                    continue;
                }
                $t = (($c0 - $a0) * $vy - ($d0 - $b0) * $vx) / $det;
                $s = (($c0 - $a0) * $uy - ($d0 - $b0) * $ux) / $det;
                if ($t > -1e-9 && $t < 1 + 1e-9 && $s > -1e-9 && $s < 1 + 1e-9) {
                    if ($t > 1e-7 && $t < 1 - 1e-7) {
                        $cuts[$i][] = $t;
                    }
                    if ($s > 1e-7 && $s < 1 - 1e-7) {
                        $cuts[$j][] = $s;
                    }
                }
            }
            $open[$i] = max($a0, $a1);
        }

        return $cuts;
    }

    /**
     * @param list<array<int, mixed>> $segments
     * @param list<list<float>> $cuts
     */
    private static function overlap(array $segments, int $i, int $j, array &$cuts): void
    {
        [$a0, $b0, $a1, $b1] = $segments[$i];
        $l2 = ($a1 - $a0) ** 2 + ($b1 - $b0) ** 2;
        foreach ([[$segments[$j][0], $segments[$j][1]], [$segments[$j][2], $segments[$j][3]]] as [$u, $v]) {
            $t = (($u - $a0) * ($a1 - $a0) + ($v - $b0) * ($b1 - $b0)) / $l2;
            $away = abs(($u - $a0) * ($b1 - $b0) - ($v - $b0) * ($a1 - $a0));
            if ($t > 1e-7 && $t < 1 - 1e-7 && $away < 1e-6 * $l2 + 1e-9) {
                $cuts[$i][] = $t;
            }
        }
    }

    /** @param array{array{float,float},array{float,float}} $line */
    private static function key(array $line): string
    {
        $a = round($line[0][0], 4) . ',' . round($line[0][1], 4);
        $b = round($line[1][0], 4) . ',' . round($line[1][1], 4);

        return $a < $b ? "$a $b" : "$b $a";
    }

    /**
     * Pieces joined end to end, so that dashes run through.
     *
     * @param array<string, array{array{float,float},array{float,float}}> $lines
     * @return list<list<array{float,float}>>
     */
    private static function chained(array $lines): array
    {
        $at = static fn(array $p): string => round($p[0], 4) . ',' . round($p[1], 4);
        $ends = [];
        foreach ($lines as $k => [$p, $q]) {
            $ends[$at($p)][$k] = $q;
            $ends[$at($q)][$k] = $p;
        }
        $chains = [];
        $used = [];
        foreach ($lines as $k => [$p, $q]) {
            if (isset($used[$k])) {
                continue;
            }
            $used[$k] = true;
            $chain = [$p, $q];
            for ($side = 0; $side < 2; $side++) {
                while (true) {
                    $tip = $chain[count($chain) - 1];
                    $free = array_diff_key($ends[$at($tip)], $used);
                    // only where exactly two pieces meet
                    if (count($free) !== 1 || count($ends[$at($tip)]) !== 2) {
                        break;
                    }
                    $used[array_key_first($free)] = true;
                    $chain[] = reset($free);
                }
                $chain = array_reverse($chain);
            }
            $chains[] = $chain;
        }

        return $chains;
    }
}
