<?php

declare(strict_types=1);

namespace Cubo\Printing;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\Solid;

/**
 * A closed solid cut level: the outlines at a height. Every triangle that crosses the height gives one side, and the next
 * side lies in the triangle across the edge where it leaves, so outlines close by themselves.
 *
 * @phpstan-type Outline list<array{float,float}>
 */
final class Layers
{
    /** Units a triangle costs when they are put in order. */
    private const SORTED = 3;

    /** Triangles below a height that are looked at for a unit. */
    private const LOOKED_AT = 20;

    /** @var list<int> triangles by their lowest corner */
    private array $order;

    /** @var array<int, array{float, float}> lowest and highest corner by triangle */
    private array $span = [];

    public readonly float $low;

    public readonly float $high;

    /**
     * @param Budget $budget spent by every layer, too
     *
     * @throws OverBudget
     */
    public function __construct(private readonly Solid $solid, private readonly Budget $budget = new Budget())
    {
        $budget->spend(self::SORTED * $solid->triangleCount());
        foreach ($solid->facet as $t => $_) {
            $z = [$solid->z[$solid->start[3 * $t]], $solid->z[$solid->start[3 * $t + 1]], $solid->z[$solid->start[3 * $t + 2]]];
            $this->span[$t] = [min($z), max($z)];
        }
        $this->order = array_keys($this->span);
        usort($this->order, fn(int $a, int $b): int => $this->span[$a][0] <=> $this->span[$b][0]);
        $this->low = $this->span === [] ? 0.0 : min(array_column($this->span, 0));
        $this->high = $this->span === [] ? 0.0 : max(array_column($this->span, 1));
    }

    public function count(float $layer): int
    {
        return max(0, (int) ceil(($this->high - $this->low) / $layer - 1e-6));
    }

    /** Height at which the layer with this number (from 0) is cut: half way up it. */
    public function height(int $n, float $layer): float
    {
        return min($this->low + ($n + 0.5) * $layer, $this->high - 1e-6 * max(1.0, $this->high - $this->low));
    }

    /**
     * @return list<Outline> outer ones run counter-clockwise, holes clockwise; nothing of an open mesh's torn outlines
     *
     * @throws OverBudget
     */
    public function at(float $z): array
    {
        $s = $this->solid;
        $crossing = [];
        foreach ($this->order as $n => $t) {
            if ($this->span[$t][0] > $z) {
                break;
            }
            if ($this->span[$t][1] > $z) {
                $crossing[$t] = true;
            }
        }
        $this->budget->spend(intdiv($n ?? 0, self::LOOKED_AT) + 2 * count($crossing));
        $out = [];
        while ($crossing !== []) {
            $first = $t = array_key_first($crossing);
            $outline = [];
            while (true) {
                unset($crossing[$t]);
                // corners at the height count as above it, so no side is ever met twice
                $leaves = -1;
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $n = $h % 3 === 2 ? $h - 2 : $h + 1;
                    // with the material to the left one goes out where the edge comes down
                    if ($s->z[$s->start[$h]] > $z && $s->z[$s->start[$n]] <= $z) {
                        $leaves = $h;
                    }
                }
                if ($leaves < 0) {
                    break;
                }
                $a = $s->start[$leaves];
                $b = $s->start[$leaves % 3 === 2 ? $leaves - 2 : $leaves + 1];
                $k = ($z - $s->z[$a]) / ($s->z[$b] - $s->z[$a]);
                $outline[] = [$s->x[$a] + $k * ($s->x[$b] - $s->x[$a]), $s->y[$a] + $k * ($s->y[$b] - $s->y[$a])];
                $o = $s->twin[$leaves];
                $t = intdiv($o, 3);
                if ($o < 0 || $t === $first || !isset($crossing[$t])) {
                    if ($o >= 0 && $t === $first && count($outline) > 2) {
                        $out[] = $outline;
                    }

                    break;
                }
            }
        }

        return array_map(self::withoutNeedless(...), $out);
    }

    /** @param list<Outline> $outlines */
    public static function area(array $outlines): float
    {
        $sum = 0.0;
        foreach ($outlines as $o) {
            $n = count($o);
            for ($i = 0; $i < $n; $i++) {
                [$p, $q] = [$o[$i], $o[($i + 1) % $n]];
                $sum += $p[0] * $q[1] - $p[1] * $q[0];
            }
        }

        return abs($sum) / 2;
    }

    /** @param list<Outline> $outlines */
    public static function length(array $outlines): float
    {
        $sum = 0.0;
        foreach ($outlines as $o) {
            $n = count($o);
            for ($i = 0; $i < $n; $i++) {
                $sum += hypot($o[($i + 1) % $n][0] - $o[$i][0], $o[($i + 1) % $n][1] - $o[$i][1]);
            }
        }

        return $sum;
    }

    /**
     * Points on straight sides are left out.
     *
     * @param Outline $o
     * @return Outline
     */
    private static function withoutNeedless(array $o): array
    {
        $out = [];
        $n = count($o);
        for ($i = 0; $i < $n; $i++) {
            [$p, $q, $r] = [$out === [] ? $o[($i + $n - 1) % $n] : $out[count($out) - 1], $o[$i], $o[($i + 1) % $n]];
            $long = hypot($r[0] - $p[0], $r[1] - $p[1]);
            if (abs(($q[0] - $p[0]) * ($r[1] - $p[1]) - ($q[1] - $p[1]) * ($r[0] - $p[0])) > 1e-9 * max(1.0, $long)) {
                $out[] = $q;
            }
        }

        return count($out) > 2 ? $out : $o;
    }
}
