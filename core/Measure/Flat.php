<?php

declare(strict_types=1);

namespace Cubo\Measure;

/** A flat face: outward unit normal, offset along it, area (mm2), centroid, and its box (all mm). */
final readonly class Flat
{
    /**
     * @param array{float,float,float} $normal
     * @param array{float,float,float} $centroid
     */
    public function __construct(public array $normal, public float $offset, public float $area, public array $centroid) {}
}
