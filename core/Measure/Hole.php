<?php

declare(strict_types=1);

namespace Cubo\Measure;

/** A round hole: its axis (unit vector, canonical sign), a point on it, radius and the reach along the axis, mm. */
final readonly class Hole
{
    /**
     * @param array{float,float,float} $axis
     * @param array{float,float,float} $point the axis at the middle of the hole
     */
    public function __construct(
        public array $axis,
        public array $point,
        public float $radius,
        public float $from,
        public float $to,
        public bool $through,
    ) {}

    public function depth(): float
    {
        return $this->to - $this->from;
    }

    /** 0, 1 or 2 when the axis runs along x, y or z; null when oblique. */
    public function principal(): ?int
    {
        foreach ($this->axis as $k => $v) {
            if (abs(abs($v) - 1) < 1e-6) {
                return $k;
            }
        }

        return null;
    }
}
