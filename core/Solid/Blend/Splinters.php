<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Maker\Fineness;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;

/**
 * What the tool of a round along a curve leaves of its sides: between its stations the facets of the face beside it stand out a
 * little. These splinters lie on the new face within the fineness and count to it, so that no face of their own is left.
 */
final class Splinters
{
    /** mm that a splinter may stray from the new face */
    private const STRAY = 2 * Fineness::CHORD;

    /** mm; a facet with a longer side is no splinter */
    private const LONG = 2.0;

    /** @param list<Surface> $faces the new ones along curves */
    public static function taken(Solid $s, string $prefix, array $faces, Budget $budget): Solid
    {
        $corners = [];
        foreach ($s->facet as $t => $f) {
            if (str_starts_with($s->surfaces[$s->surfaceOf[$f]]->name, $prefix)) {
                for ($k = 0; $k < 3; $k++) {
                    $v = $s->start[3 * $t + $k];
                    $corners[$f][$v] = [$s->x[$v], $s->y[$v], $s->z[$v]];
                }
            }
        }
        $there = array_flip(array_map(static fn(Surface $u): string => $u->name, $s->surfaces));
        $out = null;
        foreach ($corners as $f => $points) {
            if (!self::isSmall(array_values($points))) {
                continue;
            }
            foreach ($faces as $face) {
                $budget->spend(count($points));
                $on = isset($there[$face->name]);
                foreach ($points as $p) {
                    $on = $on && abs(SurfaceEquation::distance($face, $p)) < self::STRAY;
                }
                if ($on) {
                    $out ??= clone $s;
                    $out->surfaceOf[$f] = $there[$face->name];

                    break;
                }
            }
        }

        return $out === null ? $s : self::named($out);
    }

    /** The same without surfaces on which nothing lies any more. */
    private static function named(Solid $s): Solid
    {
        $number = [];
        foreach ($s->surfaceOf as $f => $u) {
            $s->surfaceOf[$f] = $number[$u] ??= count($number);
        }
        $s->surfaces = array_map(static fn(int $u): Surface => $s->surfaces[$u], array_keys($number));

        return $s;
    }

    /** @param list<array{float,float,float}> $points */
    private static function isSmall(array $points): bool
    {
        foreach ($points as $p) {
            if (Vector::distance($p, $points[0]) > self::LONG) {
                return false;
            }
        }

        return true;
    }
}
