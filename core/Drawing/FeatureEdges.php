<?php

declare(strict_types=1);

namespace Cubo\Drawing;

use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceEquation;

/**
 * The edges of a solid that a drawing shows: those between different surfaces that meet at an angle, and those
 * between the facets of round surfaces, which show only where the surface turns away from the viewer.
 */
final readonly class FeatureEdges
{
    /** Surfaces that meet flatter than this run into each other without an edge. */
    private const SMOOTH_DEGREES = 2.0;

    /**
     * @param list<int> $sharp half-edges
     * @param list<int> $round half-edges
     */
    private function __construct(public array $sharp, public array $round) {}

    public static function of(Solid $s): self
    {
        $sharp = $round = $keys = [];
        $flat = cos(deg2rad(self::SMOOTH_DEGREES));
        foreach ($s->twin as $h => $o) {
            if ($o < 0) {
                // the rim of an open surface
                $sharp[] = $h;

                continue;
            }
            if ($o < $h) {
                continue;
            }
            $f = $s->facet[intdiv($h, 3)];
            $g = $s->facet[intdiv($o, 3)];
            if ($f === $g) {
                continue;
            }
            $i = $s->surfaceOf[$f];
            $j = $s->surfaceOf[$g];
            $a = $s->surfaces[$i];
            $b = $s->surfaces[$j];
            $same = $i === $j || (!$a->isFlat() && ($keys[$i] ??= $a->geometryKey()) === ($keys[$j] ??= $b->geometryKey()));
            if ($same && !$a->isFlat()) {
                $round[] = $h;

                continue;
            }
            $u = $s->start[$h];
            $v = $s->start[$o];
            $m = [($s->x[$u] + $s->x[$v]) / 2, ($s->y[$u] + $s->y[$v]) / 2, ($s->z[$u] + $s->z[$v]) / 2];
            $n = SurfaceEquation::outward($a, $m, [$s->nx[$f], $s->ny[$f], $s->nz[$f]]);
            $k = SurfaceEquation::outward($b, $m, [$s->nx[$g], $s->ny[$g], $s->nz[$g]]);
            if ($n[0] * $k[0] + $n[1] * $k[1] + $n[2] * $k[2] < $flat) {
                $sharp[] = $h;
            } elseif ($s->nx[$f] * $s->nx[$g] + $s->ny[$f] * $s->ny[$g] + $s->nz[$f] * $s->nz[$g] < 1 - 1e-12) {
                // where one face runs smoothly into another the outline may go from one to the other
                $round[] = $h;
            }
        }

        return new self($sharp, $round);
    }
}
