<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\Transform;

/** A free surface: all that is asked of it is where it is nearest to a point, and how it lies there. */
interface Patch
{
    /**
     * @param array{float,float,float} $p mm, near the surface
     * @return array{array{float,float,float}, array{float,float,float}, float, float} nearest point, unit normal on the
     *     surface's own positive side, sum and product of the principal curvatures (positive where the surface bends
     *     towards its normal)
     */
    public function foot(array $p): array;

    public function moved(Transform $t): self;

    /** The surface stretched along the axes of the frame, about the origin. */
    public function scaled(float $kx, float $ky, float $kz): self;
}
