<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\PlaneCurve;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;

/**
 * A plane curve turned about an axis in its plane: an ellipsoid, the skin of a turned spline. The curve's first coordinate is
 * the distance from the axis, the second the height along it.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class RevolvedSurface implements Patch
{
    /** mm; nearer to the axis than this it bends alike in all directions */
    private const ON_AXIS = 1e-9;

    /**
     * @param V $origin on the axis, at height 0
     * @param V $axis unit
     */
    public function __construct(public PlaneCurve $curve, public array $origin, public array $axis) {}

    public function foot(array $p): array
    {
        $d = Vector::sub($p, $this->origin);
        $h = Vector::dot($d, $this->axis);
        $out = Vector::add($d, $this->axis, -$h);
        $r = Vector::length($out);
        $out = $r < self::ON_AXIS ? Vector::across($this->axis) : [$out[0] / $r, $out[1] / $r, $out[2] / $r];
        [[$qr, $qh], [$nr, $nh], $bend] = $this->curve->nearest($r, $h);
        // the circle around the axis bends towards it
        $around = abs($qr) < self::ON_AXIS ? $bend : -$nr / $qr;

        return [
            Vector::add(Vector::add($p, $out, $qr - $r), $this->axis, $qh - $h),
            Vector::add(Vector::add([0.0, 0.0, 0.0], $out, $nr), $this->axis, $nh),
            $bend + $around,
            $bend * $around,
        ];
    }

    public function moved(Transform $t): self
    {
        return new self($this->curve, $t->point($this->origin), $t->direction($this->axis));
    }

    public function scaled(float $kx, float $ky, float $kz): Patch
    {
        return $kx === $ky && $ky === $kz
            ? new self($this->curve->scaled($kx), [$kx * $this->origin[0], $kx * $this->origin[1], $kx * $this->origin[2]], $this->axis)
            : StretchedSurface::by(Surface::free('', $this), $kx, $ky, $kz);
    }
}
