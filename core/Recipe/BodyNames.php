<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Measure\Bodies;
use Cubo\Solid\Solid;

/**
 * Lasting names of bodies: a body is named after the first step whose faces it has; further pieces of the same step
 * get ".2", ".3" in order of their place.
 */
final class BodyNames
{
    /** @return array<string, list<int>> triangles by name */
    public static function of(Solid $part): array
    {
        $found = [];
        foreach (Bodies::of($part) as $triangles) {
            $first = null;
            $low = [INF, INF, INF];
            foreach ($triangles as $t) {
                $step = explode(':', $part->surfaceOfTriangle($t)->name)[0];
                if ($first === null || strnatcmp($step, $first) < 0) {
                    $first = $step;
                }
                $v = $part->start[3 * $t];
                $low = min($low, [round($part->x[$v], 6), round($part->y[$v], 6), round($part->z[$v], 6)]);
            }
            $found[] = [(string) $first, $low, $triangles];
        }
        usort($found, static fn(array $a, array $b): int => strnatcmp($a[0], $b[0]) ?: $a[1] <=> $b[1]);
        $named = [];
        foreach ($found as [$step, , $triangles]) {
            $name = $step;
            for ($k = 2; isset($named[$name]); $k++) {
                $name = "$step.$k";
            }
            $named[$name] = $triangles;
        }

        return $named;
    }
}
