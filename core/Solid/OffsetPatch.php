<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\Transform;

/** A free surface at an even distance from another one, on the side of its normal; below zero on the other side. */
final readonly class OffsetPatch implements Patch
{
    /** mm: a thinner pipe is not made */
    private const THIN = 1e-6;

    private function __construct(public Patch $base, public float $distance) {}

    /** An offset of an offset is one of the first surface. */
    public static function of(Patch $base, float $distance): Patch
    {
        if ($base instanceof self) {
            $distance += $base->distance;
            $base = $base->base;
        }

        if ($base instanceof PipeSurface && $base->radius + $distance > self::THIN) {
            return new PipeSurface($base->curve, $base->origin, $base->u, $base->v, $base->radius + $distance);
        }

        return abs($distance) < 1e-12 ? $base : new self($base, $distance);
    }

    public function foot(array $p): array
    {
        [$q, $n, $sum, $product] = $this->base->foot($p);
        $d = $this->distance;
        // each curvature c becomes c / (1 - c d); together: the sums and products of those
        $all = 1 - $sum * $d + $product * $d * $d;
        $all = abs($all) < 1e-9 ? ($all < 0 ? -1e-9 : 1e-9) : $all;

        return [[$q[0] + $d * $n[0], $q[1] + $d * $n[1], $q[2] + $d * $n[2]], $n, ($sum - 2 * $product * $d) / $all, $product / $all];
    }

    public function moved(Transform $t): self
    {
        // the normal of a grid follows its rows and columns, which run the other way round in a mirror
        return new self($this->base->moved($t), $t->mirrors() && $this->base instanceof GridPatch ? -$this->distance : $this->distance);
    }

    public function scaled(float $kx, float $ky, float $kz): Patch
    {
        if ($kx === $ky && $ky === $kz) {
            return new self($this->base->scaled($kx, $ky, $kz), $kx * $this->distance);
        }

        return StretchedSurface::by(Surface::free('', $this), $kx, $ky, $kz);
    }
}
