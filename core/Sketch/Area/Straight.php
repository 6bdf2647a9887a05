<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

use Cubo\Geometry\PlaneCurve;

/** A straight line between two points, parameter 0 to 1. */
final readonly class Straight implements Curve
{
    /**
     * @param array{float,float} $a
     * @param array{float,float} $b apart from a
     */
    public function __construct(private string $name, public array $a, public array $b) {}

    public function name(): string
    {
        return $this->name;
    }

    public function from(): float
    {
        return 0.0;
    }

    public function to(): float
    {
        return 1.0;
    }

    public function at(float $t): array
    {
        // exact at both ends
        return $t === 1.0 ? $this->b : [$this->a[0] + $t * ($this->b[0] - $this->a[0]), $this->a[1] + $t * ($this->b[1] - $this->a[1])];
    }

    public function slope(float $t): array
    {
        return [$this->b[0] - $this->a[0], $this->b[1] - $this->a[1]];
    }

    public function bend(float $t): float
    {
        return 0.0;
    }

    public function box(float $a, float $b): array
    {
        [$p, $q] = [$this->at($a), $this->at($b)];

        return [min($p[0], $q[0]), min($p[1], $q[1]), max($p[0], $q[0]), max($p[1], $q[1])];
    }

    public function sweep(float $a, float $b): float
    {
        [$p, $q] = [$this->at($a), $this->at($b)];

        return $p[0] * $q[1] - $p[1] * $q[0];
    }

    public function nearest(array $p): array
    {
        [$du, $dv] = $this->slope(0.0);
        $t = max(0.0, min(1.0, (($p[0] - $this->a[0]) * $du + ($p[1] - $this->a[1]) * $dv) / ($du * $du + $dv * $dv)));
        $q = $this->at($t);

        return [$t, hypot($p[0] - $q[0], $p[1] - $q[1])];
    }

    public function inner(float $a, float $b): array
    {
        return [];
    }

    public function circle(): ?array
    {
        return null;
    }

    public function drawn(): ?PlaneCurve
    {
        return null;
    }
}
