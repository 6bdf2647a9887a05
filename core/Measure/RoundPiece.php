<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\SurfaceKind;

/**
 * A stretch of one cylinder or cone: all of its way round or a part of it.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class RoundPiece
{
    /**
     * @param V $axis unit, canonical sign
     * @param V $point the axis at the middle of the stretch
     * @param float $low radius at `from`, mm; the same as `high` for a cylinder
     * @param float $high radius at `to`, mm
     * @param float $from along the axis from the surface's own point, mm
     * @param float $turn how far round, radians
     * @param bool $hollow whether it looks towards its axis, as the wall of a hole does
     * @param V $toward unit, across the axis, to the middle of what is there of it; of no meaning for a full round
     */
    public function __construct(
        public SurfaceKind $kind,
        public array $axis,
        public array $point,
        public float $low,
        public float $high,
        public float $from,
        public float $to,
        public float $turn,
        public bool $hollow,
        public array $toward,
    ) {}

    /** Whether it goes all the way round. */
    public function full(): bool
    {
        return $this->turn > 2 * M_PI - 0.05;
    }

    public function length(): float
    {
        return $this->to - $this->from;
    }

    /** Of a cone: the angle between opposite sides, degrees. */
    public function opening(): float
    {
        return rad2deg(2 * atan(abs($this->high - $this->low) / max(1e-9, $this->length())));
    }
}
