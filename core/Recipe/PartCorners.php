<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Solid;

/**
 * The corners of a part: where more than two faces meet. A corner is named after all its faces in the order of the
 * alphabet, joined by " / ", with " 2", " 3" ... behind where the same faces meet again, the lowest place first.
 */
final class PartCorners
{
    /** @return array<string, array{float,float,float}> places by name, mm */
    public static function of(Solid $part): array
    {
        $topology = Topology::of($part);
        $faces = [];
        foreach ($part->start as $h => $v) {
            if (isset($topology->endingAt[$v])) {
                $faces[$v][$part->surfaceOfTriangle(intdiv($h, 3))->name] = true;
            }
        }
        $found = [];
        foreach ($faces as $v => $names) {
            if (count($names) > 2) {
                $names = array_map(strval(...), array_keys($names));
                sort($names, SORT_STRING);
                $found[] = [implode(' / ', $names), [$part->x[$v], $part->y[$v], $part->z[$v]]];
            }
        }
        usort(
            $found,
            static fn(array $a, array $b): int => array_map(static fn(float $c): float => round($c, 6), $a[1]) <=>
                array_map(static fn(float $c): float => round($c, 6), $b[1]),
        );
        $out = [];
        foreach ($found as [$base, $at]) {
            $name = $base;
            for ($k = 2; isset($out[$name]); $k++) {
                $name = "$base $k";
            }
            $out[$name] = $at;
        }

        return $out;
    }
}
