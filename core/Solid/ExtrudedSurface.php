<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\PlaneCurve;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;

/**
 * A plane curve drawn out straight, square to its plane and without end: an elliptic cylinder, the side of an extruded spline.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class ExtrudedSurface implements Patch
{
    /**
     * @param V $origin of the curve's plane
     * @param V $u unit, its first direction in space
     * @param V $v unit, square to u
     */
    public function __construct(public PlaneCurve $curve, public array $origin, public array $u, public array $v) {}

    public function foot(array $p): array
    {
        $d = Vector::sub($p, $this->origin);
        [$pu, $pv] = [Vector::dot($d, $this->u), Vector::dot($d, $this->v)];
        [[$qu, $qv], [$nu, $nv], $bend] = $this->curve->nearest($pu, $pv);

        return [
            Vector::add(Vector::add($p, $this->u, $qu - $pu), $this->v, $qv - $pv),
            Vector::add(Vector::add([0.0, 0.0, 0.0], $this->u, $nu), $this->v, $nv),
            $bend,
            0.0,
        ];
    }

    public function moved(Transform $t): self
    {
        return new self($this->curve, $t->point($this->origin), $t->direction($this->u), $t->direction($this->v));
    }

    public function scaled(float $kx, float $ky, float $kz): Patch
    {
        return $kx === $ky && $ky === $kz
            ? new self(
                $this->curve->scaled($kx),
                [$kx * $this->origin[0], $kx * $this->origin[1], $kx * $this->origin[2]],
                $this->u,
                $this->v,
            )
            : StretchedSurface::by(Surface::free('', $this), $kx, $ky, $kz);
    }
}
