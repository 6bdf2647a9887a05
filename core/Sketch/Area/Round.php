<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

use Cubo\Geometry\PlaneCurve;
use Cubo\Solid\Maker\Fineness;

/** A circle or an arc, counter-clockwise; the parameter is the angle from the u direction, radians. */
final readonly class Round implements Curve
{
    /** @param array{float,float} $middle */
    public function __construct(
        private string $name,
        public array $middle,
        public float $radius,
        private float $from = 0.0,
        private float $to = 2 * M_PI,
    ) {}

    /**
     * @param array{float,float} $middle
     * @param array{float,float} $a
     * @param array{float,float} $b
     */
    public static function arc(string $name, array $middle, float $radius, array $a, array $b): self
    {
        $from = atan2($a[1] - $middle[1], $a[0] - $middle[0]);
        $to = atan2($b[1] - $middle[1], $b[0] - $middle[0]);

        return new self($name, $middle, $radius, $from, $to <= $from + 1e-12 ? $to + 2 * M_PI : $to);
    }

    public function name(): string
    {
        return $this->name;
    }

    public function from(): float
    {
        return $this->from;
    }

    public function to(): float
    {
        return $this->to;
    }

    public function closed(): bool
    {
        return $this->to - $this->from >= 2 * M_PI - 1e-12;
    }

    public function at(float $t): array
    {
        return [$this->middle[0] + $this->radius * cos($t), $this->middle[1] + $this->radius * sin($t)];
    }

    public function slope(float $t): array
    {
        return [-$this->radius * sin($t), $this->radius * cos($t)];
    }

    public function bend(float $t): float
    {
        return 1 / $this->radius;
    }

    public function box(float $a, float $b): array
    {
        [$p, $q] = [$this->at($a), $this->at($b)];
        $box = [min($p[0], $q[0]), min($p[1], $q[1]), max($p[0], $q[0]), max($p[1], $q[1])];
        // quarter points in between reach further
        for ($k = (int) ceil($a / (M_PI / 2)), $last = (int) floor($b / (M_PI / 2)); $k <= $last; $k++) {
            match ((($k % 4) + 4) % 4) {
                0 => ($box[2] = $this->middle[0] + $this->radius),
                1 => ($box[3] = $this->middle[1] + $this->radius),
                2 => ($box[0] = $this->middle[0] - $this->radius),
                default => ($box[1] = $this->middle[1] - $this->radius),
            };
        }

        return $box;
    }

    public function sweep(float $a, float $b): float
    {
        [$p, $q] = [$this->at($a), $this->at($b)];

        return $this->radius * $this->radius * ($b - $a) + $this->middle[0] * ($q[1] - $p[1]) - $this->middle[1] * ($q[0] - $p[0]);
    }

    /** The parameter of an angle, if it lies on the arc. */
    public function parameter(float $angle, float $slack): ?float
    {
        $t = $angle + 2 * M_PI * ceil(($this->from - $slack - $angle) / (2 * M_PI));

        return $t <= $this->to + $slack ? max($this->from, min($this->to, $t)) : null;
    }

    public function nearest(array $p): array
    {
        $du = $p[0] - $this->middle[0];
        $dv = $p[1] - $this->middle[1];
        $t = $this->parameter(atan2($dv, $du), 0.0);
        if ($t !== null) {
            return [$t, abs(hypot($du, $dv) - $this->radius)];
        }
        [$a, $b] = [$this->at($this->from), $this->at($this->to)];
        [$da, $db] = [hypot($p[0] - $a[0], $p[1] - $a[1]), hypot($p[0] - $b[0], $p[1] - $b[1])];

        return $da <= $db ? [$this->from, $da] : [$this->to, $db];
    }

    public function inner(float $a, float $b): array
    {
        // the corners of the full circle, so that pieces of equal circles match
        $step = (2 * M_PI) / Fineness::facets($this->radius);
        $out = [];
        for ($k = (int) floor($a / $step) + 1; $k * $step < $b - 1e-9 * $step; $k++) {
            if ($k * $step > $a + 1e-9 * $step) {
                $out[] = $k * $step;
            }
        }

        return $out;
    }

    /** @return array{float,float,float} */
    public function circle(): array
    {
        return [$this->middle[0], $this->middle[1], $this->radius];
    }

    public function drawn(): ?PlaneCurve
    {
        return null;
    }
}
