<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\Region;

/** A sketch's regions and where they lie. */
final readonly class PlacedSketch
{
    /** @param Transform $placement takes (u, v, height above the sketch) to (x, y, z) */
    public function __construct(public Transform $placement, public Arrangement $areas) {}

    /** A region by its number or key; by key the one that shares the most bounding curves, if at least half of them. */
    public function region(int|string $pick): ?Region
    {
        $regions = $this->areas->regions;
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
}
