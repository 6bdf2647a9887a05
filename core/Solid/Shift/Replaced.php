<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Closure;
use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;

/**
 * A round face in another round surface.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Replaced implements Place
{
    /**
     * @param float $sign 1 where the surface's own outward side is the solid's outside
     * @param Closure(V): V $start where a point of the face comes to lie if nothing else holds it
     */
    public function __construct(private Surface $surface, private float $sign, private Closure $start) {}

    public function surface(): Surface
    {
        return $this->surface;
    }

    public function distance(array $p): float
    {
        return $this->sign * SurfaceEquation::distance($this->surface, $p);
    }

    public function normal(array $p): array
    {
        return Vector::add([0.0, 0.0, 0.0], SurfaceEquation::outward($this->surface, $p, [0.0, 0.0, 0.0]), $this->sign);
    }

    public function start(array $p): array
    {
        return ($this->start)($p);
    }
}
