<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Geometry\TriangleTree;
use Cubo\Solid\Solid;

/**
 * How far a part is from being its own mirror image in a plane through its middle: the greatest distance between the
 * surface and its mirror image, over corners, side middles and centres of all triangles, moved onto the true surface.
 */
final readonly class Symmetry
{
    /** @param float $deviation mm @param array{float,float,float}|null $worst the spot on the part, null when there is none */
    private function __construct(public float $deviation, public ?array $worst) {}

    /** @param int $axis 0, 1 or 2: the plane stands across x, y or z */
    public static function across(Solid $s, int $axis, Bounds $bounds, TriangleTree $tree): self
    {
        $twice = $bounds->min[$axis] + $bounds->max[$axis];
        $worst = null;
        $most = 0.0;
        $limit = max($bounds->size());
        foreach (SurfaceSamples::of($s) as [$p]) {
            $q = $p;
            $q[$axis] = $twice - $p[$axis];
            $d = $tree->distance($q, $limit);
            if ($d > $most) {
                $most = $d;
                $worst = $p;
            }
        }

        return new self($most, $worst);
    }
}
