<?php

declare(strict_types=1);

namespace Cubo\Measure;

/**
 * A stretch of one ring: a whole one, or the round along a circular edge.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class RingPiece
{
    /**
     * @param V $axis unit
     * @param V $centre
     * @param float $radius from the axis to the middle of the tube, mm
     * @param float $tube radius of the tube, mm
     * @param float $turn how far round the tube, radians
     * @param bool $hollow whether it looks towards the middle of its tube, as the round of an inner edge does
     */
    public function __construct(
        public array $axis,
        public array $centre,
        public float $radius,
        public float $tube,
        public float $turn,
        public bool $hollow,
    ) {}
}
