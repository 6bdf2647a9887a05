<?php

declare(strict_types=1);

namespace Cubo\Measure;

/** A flat face: outward unit normal, offset along it, area (mm2), centroid, and its box (all mm). */
final readonly class Flat
{
    /**
     * @param array{float,float,float} $normal
     * @param array{float,float,float} $centroid
     * @param array{array{float,float,float}, array{float,float,float}}|null $box least and greatest corner
     */
    public function __construct(
        public array $normal,
        public float $offset,
        public float $area,
        public array $centroid,
        public ?array $box = null,
    ) {}
}
