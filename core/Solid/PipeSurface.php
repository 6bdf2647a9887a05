<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\PlaneCurve;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;

/**
 * All places at one distance from a plane curve: what a ball leaves that is rolled along it. With a circle it would be a ring.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class PipeSurface implements Patch
{
    /** mm; nearer to the curve than this there is no way out from it */
    private const ON_CURVE = 1e-12;

    /**
     * @param V $origin of the curve's plane
     * @param V $u unit, its first direction in space
     * @param V $v unit, square to u
     * @param float $radius mm
     */
    public function __construct(public PlaneCurve $curve, public array $origin, public array $u, public array $v, public float $radius) {}

    public function foot(array $p): array
    {
        $d = Vector::sub($p, $this->origin);
        [[$qu, $qv], [$nu, $nv], $bend] = $this->curve->nearest(Vector::dot($d, $this->u), Vector::dot($d, $this->v));
        $on = Vector::add(Vector::add($this->origin, $this->u, $qu), $this->v, $qv);
        $side = Vector::add(Vector::add([0.0, 0.0, 0.0], $this->u, $nu), $this->v, $nv);
        $out = Vector::sub($p, $on);
        $n = Vector::length($out) < self::ON_CURVE ? $side : Vector::unit($out);
        $towards = $bend * Vector::dot($n, $side);
        // as on a ring: around the pipe, and along it
        $along = $towards / (1 - $this->radius * $towards);

        return [Vector::add($on, $n, $this->radius), $n, $along - 1 / $this->radius, -$along / $this->radius];
    }

    public function moved(Transform $t): self
    {
        return new self($this->curve, $t->point($this->origin), $t->direction($this->u), $t->direction($this->v), $this->radius);
    }

    public function scaled(float $kx, float $ky, float $kz): Patch
    {
        return $kx === $ky && $ky === $kz
            ? new self(
                $this->curve->scaled($kx),
                [$kx * $this->origin[0], $kx * $this->origin[1], $kx * $this->origin[2]],
                $this->u,
                $this->v,
                $kx * $this->radius,
            )
            : StretchedSurface::by(Surface::free('', $this), $kx, $ky, $kz);
    }
}
