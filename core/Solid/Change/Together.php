<?php

declare(strict_types=1);

namespace Cubo\Solid\Change;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Solid;

/**
 * Many solids made one. Only those are united whose boxes hang together; all others are laid side by side, so that hundreds
 * that stand apart cost no more than to be copied.
 */
final class Together
{
    /** Boxes nearer than this, mm, touch. */
    private const TOUCH = 1e-9;

    /**
     * @param list<Solid> $solids
     *
     * @throws OverBudget
     */
    public static function of(array $solids, ?Budget $budget = null): Solid
    {
        $solids = array_values(array_filter($solids, static fn(Solid $s): bool => !$s->isEmpty()));
        $budget?->hold(array_sum(array_map(static fn(Solid $s): int => $s->triangleCount(), $solids)));

        return Solid::sideBySide(
            array_map(static fn(array $group): Solid => self::united($group, $budget), self::groups($solids, $budget)),
        );
    }

    /**
     * In pairs, so that no solid is gone through more often than needed.
     *
     * @param non-empty-list<Solid> $solids
     */
    private static function united(array $solids, ?Budget $budget): Solid
    {
        while (count($solids) > 1) {
            $solids = array_map(
                static fn(array $pair): Solid => isset($pair[1]) ? BooleanOperation::union($pair[0], $pair[1], $budget) : $pair[0],
                array_chunk($solids, 2),
            );
        }

        return $solids[0];
    }

    /**
     * Solids whose boxes hang together, found by going from left to right.
     *
     * @param list<Solid> $solids
     * @return list<non-empty-list<Solid>> in the order of their first ones
     */
    private static function groups(array $solids, ?Budget $budget): array
    {
        $box = array_map(static fn(Solid $s): array => $s->vertexBox(), $solids);
        $root = array_keys($solids);
        $find = static function (int $i) use (&$root): int {
            while ($root[$i] !== $i) {
                $i = $root[$i] = $root[$root[$i]];
            }

            return $i;
        };
        $order = array_keys($solids);
        usort($order, static fn(int $i, int $j): int => $box[$i][0] <=> $box[$j][0]);
        $open = [];
        foreach ($order as $i) {
            foreach ($open as $j) {
                if ($box[$j][3] < $box[$i][0] - self::TOUCH) {
                    unset($open[$j]);
                } elseif (
                    $box[$i][1] <= $box[$j][4] + self::TOUCH &&
                    $box[$j][1] <= $box[$i][4] + self::TOUCH &&
                    $box[$i][2] <= $box[$j][5] + self::TOUCH &&
                    $box[$j][2] <= $box[$i][5] + self::TOUCH
                ) {
                    [$p, $q] = [$find($i), $find($j)];
                    $root[max($p, $q)] = min($p, $q);
                }
            }
            $budget?->spend(1 + intdiv(count($open), 4));
            $open[$i] = $i;
        }
        $groups = [];
        foreach ($solids as $i => $s) {
            $groups[$find($i)][] = $s;
        }

        return array_values($groups);
    }
}
