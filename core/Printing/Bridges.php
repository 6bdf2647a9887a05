<?php

declare(strict_types=1);

namespace Cubo\Printing;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\Solid;

/**
 * Level faces that hang in the air. Where thread can be laid from one supported rim to another the face is a bridge, and
 * its span is the shortest such way; what has support on one side only hangs free. A rim is supported where the part goes
 * on downward from it.
 *
 * @phpstan-type P array{float,float}
 * @phpstan-type Bridge array{span: float, area: float, free: bool, at: array{float,float,float}}
 */
final class Bridges
{
    private const LEVEL = -1 + 1e-6;

    /** Ways that are tried: every 15 degrees. */
    private const WAYS = 12;

    private const MOST_POINTS = 40;

    /** Sides of a rim that are looked at for a unit. */
    private const A_UNIT = 8;

    /**
     * @return list<Bridge> widest first; mm and mm2
     *
     * @throws OverBudget
     */
    public static function of(Solid $s, Budget $budget = new Budget()): array
    {
        if ($s->isEmpty()) {
            return [];
        }
        $budget->spend($s->triangleCount());
        $low = $s->vertexBox()[2];
        $level = [];
        foreach ($s->facet as $t => $f) {
            if ($s->nz[$f] < self::LEVEL && $s->surfaces[$s->surfaceOf[$f]]->isFlat() && $s->z[$s->start[3 * $t]] > $low + 1e-4) {
                $level[$t] = true;
            }
        }
        $out = [];
        while ($level !== []) {
            $members = [array_key_first($level)];
            unset($level[$members[0]]);
            for ($stack = $members; $stack !== []; ) {
                $t = array_pop($stack);
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $o = intdiv($s->twin[$h], 3);
                    if ($s->twin[$h] >= 0 && isset($level[$o])) {
                        unset($level[$o]);
                        $members[] = $stack[] = $o;
                    }
                }
            }
            $out[] = self::face($s, $members, $budget);
        }
        usort($out, static fn(array $a, array $b): int => $b['span'] <=> $a['span']);

        return $out;
    }

    /**
     * @param list<int> $members
     * @return Bridge
     */
    private static function face(Solid $s, array $members, Budget $budget): array
    {
        $in = array_fill_keys($members, true);
        $rim = $points = [];
        $area = 0.0;
        foreach ($members as $t) {
            $c = [];
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $a = $s->start[$h];
                $b = $s->start[$h % 3 === 2 ? $h - 2 : $h + 1];
                $c[] = [$s->x[$a], $s->y[$a]];
                $o = $s->twin[$h] < 0 ? -1 : intdiv($s->twin[$h], 3);
                if ($o < 0 || !isset($in[$o])) {
                    $rim[] = [[$s->x[$a], $s->y[$a]], [$s->x[$b], $s->y[$b]], $o >= 0 && self::goesDown($s, $o, $s->z[$a])];
                }
            }
            $size = abs(($c[1][0] - $c[0][0]) * ($c[2][1] - $c[0][1]) - ($c[1][1] - $c[0][1]) * ($c[2][0] - $c[0][0])) / 2;
            $area += $size;
            $points[] = [$size, [($c[0][0] + $c[1][0] + $c[2][0]) / 3, ($c[0][1] + $c[1][1] + $c[2][1]) / 3]];
            foreach ([[0.6, 0.2, 0.2], [0.2, 0.6, 0.2], [0.2, 0.2, 0.6]] as [$u, $v, $w]) {
                $points[] = [$size / 2, [$u * $c[0][0] + $v * $c[1][0] + $w * $c[2][0], $u * $c[0][1] + $v * $c[1][1] + $w * $c[2][1]]];
            }
        }
        $budget->spend(intdiv(count($rim) * self::WAYS * min(self::MOST_POINTS, count($points)), self::A_UNIT));
        usort($points, static fn(array $p, array $q): int => $q[0] <=> $p[0]);
        $span = 0.0;
        $at = $points[0][1];
        $free = false;
        foreach (array_slice($points, 0, self::MOST_POINTS) as [, $p]) {
            $way = self::shortest($rim, $p);
            if ($way === INF) {
                if (!$free) {
                    $at = $p;
                }
                $free = true;
            } elseif ($way > $span) {
                $span = $way;
                $at = $free ? $at : $p;
            }
        }

        return ['span' => $span, 'area' => $area, 'free' => $free, 'at' => [$at[0], $at[1], $s->z[$s->start[3 * $members[0]]]]];
    }

    private static function goesDown(Solid $s, int $t, float $z): bool
    {
        for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
            if ($s->z[$s->start[$h]] < $z - 1e-6) {
                return true;
            }
        }

        return false;
    }

    /**
     * The shortest way over a point from a supported rim to a supported rim, INF when there is none.
     *
     * @param list<array{P, P, bool}> $rim
     * @param P $p
     */
    private static function shortest(array $rim, array $p): float
    {
        $least = INF;
        for ($i = 0; $i < self::WAYS; $i++) {
            $d = [cos((M_PI * $i) / self::WAYS), sin((M_PI * $i) / self::WAYS)];
            $ends = [[-INF, false], [INF, false]];
            foreach ($rim as [$a, $b, $held]) {
                $across = [($a[0] - $p[0]) * $d[1] - ($a[1] - $p[1]) * $d[0], ($b[0] - $p[0]) * $d[1] - ($b[1] - $p[1]) * $d[0]];
                if ($across[0] > 0 === $across[1] > 0) {
                    continue;
                }
                $k = $across[0] / ($across[0] - $across[1]);
                $along = ($a[0] + $k * ($b[0] - $a[0]) - $p[0]) * $d[0] + ($a[1] + $k * ($b[1] - $a[1]) - $p[1]) * $d[1];
                if ($along < 0 && $along > $ends[0][0]) {
                    $ends[0] = [$along, $held];
                } elseif ($along >= 0 && $along < $ends[1][0]) {
                    $ends[1] = [$along, $held];
                }
            }
            if ($ends[0][1] && $ends[1][1]) {
                $least = min($least, $ends[1][0] - $ends[0][0]);
            }
        }

        return $least;
    }
}
