<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Sketch\Area\Region;

/** Which regions of a sketch a step takes: picked by number, kept by key. */
final class RegionPicks
{
    /**
     * A region by its number or key; by key the one that shares the most bounding curves, if more than half of them.
     *
     * @param list<Region> $regions
     */
    public static function find(array $regions, int|string $pick): ?Region
    {
        if (is_int($pick)) {
            return $regions[$pick - 1] ?? null;
        }
        $asked = explode(' ', $pick);
        $best = null;
        $most = 0.5;
        foreach ($regions as $r) {
            if ($r->key === $pick) {
                return $r;
            }
            $has = explode(' ', $r->key);
            $share = count(array_intersect($asked, $has)) / max(1, count(array_unique([...$asked, ...$has])));
            if ($share > $most) {
                $most = $share;
                $best = $r;
            }
        }

        return $best;
    }

    /**
     * Numbers become keys, where one region alone has that key; what is not there stays as it was typed.
     *
     * @param list<Region> $regions
     */
    public static function lasting(Step $step, array $regions): Step
    {
        $picks = $step->regions();
        if ($picks === null) {
            return $step;
        }
        $count = array_count_values(array_map(static fn(Region $r): string => $r->key, $regions));
        $kept = [];
        foreach ($picks as $pick) {
            $key = is_int($pick) ? $regions[$pick - 1]->key ?? null : $pick;
            $kept[] = $key !== null && ($count[$key] ?? 1) === 1 ? $key : $pick;
        }

        return $step->with('regions', array_values(array_unique($kept)));
    }

    /**
     * The numbers of what is picked now; null for all.
     *
     * @param list<Region> $regions
     * @return list<int|string>|null what is not there any more stands as it is
     */
    public static function numbers(Step $step, array $regions): ?array
    {
        $picks = $step->regions();

        return $picks === null
            ? null
            : array_values(
                array_unique(
                    array_map(
                        static fn(int|string $p): int|string => self::find($regions, $p)->number ?? (is_int($p) ? $p : 'one that is gone'),
                        $picks,
                    ),
                ),
            );
    }

    /**
     * One more or one less; from "all" the one alone.
     *
     * @param list<Region> $regions
     */
    public static function toggled(Step $step, array $regions, int $number): Step
    {
        $now = self::numbers($step, $regions) ?? [];
        $next = in_array($number, $now, true) ? array_values(array_diff($now, [$number])) : [...$now, $number];
        $next = array_values(array_filter($next, is_int(...)));
        sort($next);

        return $next === [] ? $step->with('regions', 'all') : self::lasting($step->with('regions', $next), $regions);
    }
}
