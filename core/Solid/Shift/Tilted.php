<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;

/**
 * A flat face in another plane.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Tilted implements Place
{
    /**
     * @param V $old normal before
     * @param V $normal unit
     */
    public function __construct(private string $name, private array $old, private array $normal, private float $offset) {}

    public function surface(): Surface
    {
        return Surface::plane($this->name);
    }

    public function distance(array $p): float
    {
        return Vector::dot($this->normal, $p) - $this->offset;
    }

    public function normal(array $p): array
    {
        return $this->normal;
    }

    public function start(array $p): array
    {
        return Vector::add($p, $this->old, -$this->distance($p) / Vector::dot($this->old, $this->normal));
    }
}
