<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Patch;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * A column from a point of a facet to the true surface it stands for: its direction, its length, and how it widens on the
 * way: as 1 + a s + b s2 after the length s. One object is set again and again: columns are counted by the hundred thousand.
 */
final class LensColumn
{
    /** mm: nearer to its axis a point of a round surface has no direction. */
    private const ON_AXIS = 1e-12;

    public float $dx = 0.0;

    public float $dy = 0.0;

    public float $dz = 0.0;

    public float $length = 0.0;

    public float $a = 0.0;

    public float $b = 0.0;

    /**
     * From a point p, mm, as seen from the point of the surface.
     *
     * @return bool whether there is one
     */
    public function toPatch(Patch $patch, float $px, float $py, float $pz): bool
    {
        [$q, [$dx, $dy, $dz], $sum, $product] = $patch->foot([$px, $py, $pz]);
        $length = ($q[0] - $px) * $dx + ($q[1] - $py) * $dy + ($q[2] - $pz) * $dz;
        $wide = 1 + $length * $sum + $length * $length * $product;
        $this->dx = $dx;
        $this->dy = $dy;
        $this->dz = $dz;
        $this->length = $length;
        $this->a = -($sum + 2 * $length * $product) / $wide;
        $this->b = $product / $wide;

        return true;
    }

    /**
     * From a point p, mm, as seen from the point of the surface.
     *
     * @return bool whether there is one; a point on the axis has none
     */
    public function toRound(Surface $s, float $px, float $py, float $pz): bool
    {
        $h = 0.0;
        if ($s->kind !== SurfaceKind::Sphere) {
            [$ax, $ay, $az] = $s->axis;
            $h = $px * $ax + $py * $ay + $pz * $az;
            $px -= $h * $ax;
            $py -= $h * $ay;
            $pz -= $h * $az;
        }
        $rho = sqrt($px * $px + $py * $py + $pz * $pz);
        if ($rho < self::ON_AXIS) {
            return false;
        }
        $r = $s->radius + $s->slope * $h;
        $a = 1 / $rho;
        $b = 0.0;
        if ($s->kind === SurfaceKind::Torus) {
            $k = 1 - $s->radius / $rho;
            $across = $rho;
            $px = $k * $px + $h * $s->axis[0];
            $py = $k * $py + $h * $s->axis[1];
            $pz = $k * $pz + $h * $s->axis[2];
            $rho = sqrt($px * $px + $py * $py + $pz * $pz);
            $r = $s->tube;
            $cos = ($across - $s->radius) / $rho;
            $a = 1 / $rho + $cos / $across;
            $b = $cos / ($rho * $across);
        } elseif ($s->kind === SurfaceKind::Sphere) {
            $b = $a * $a;
            $a = 2 * $a;
        }
        $this->dx = $px / $rho;
        $this->dy = $py / $rho;
        $this->dz = $pz / $rho;
        $this->length = $r - $rho;
        $this->a = $a;
        $this->b = $b;

        return true;
    }
}
