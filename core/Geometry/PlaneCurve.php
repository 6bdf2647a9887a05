<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/**
 * An ellipse, or the natural cubic spline through points, in a plane; coordinates (u, v) in mm. The parameter of an ellipse is
 * its eccentric anomaly in radians, that of a spline the way along the chords.
 *
 * @phpstan-type P array{float,float}
 */
final class PlaneCurve
{
    /** Places from which the nearest is looked for, on an ellipse and between two points of a spline. */
    private const ROUND_ELLIPSE = 64;

    private const BETWEEN_POINTS = 8;

    private const MOST_STEPS = 30;

    /** A place found before is plainly the nearest if it is nearer than this share of the way between two places. */
    private const PLAINLY = 0.1;

    private ?CubicSpline $spline = null;

    /** @var list<float>|null parameters of the places */
    private ?array $marks = null;

    /** @var list<P> */
    private array $points = [];

    private float $apart = 0.0;

    /** the shortest way between two marks, in the parameter */
    private float $stride = 0.0;

    private ?float $last = null;

    /**
     * @param list<P> $through middle and end of the first half axis, or the points of the spline
     * @param float|null $half the other half axis, mm; null for a spline
     * @param list<float>|null $at parameters of the points of a spline; by chord length when left out
     */
    private function __construct(public readonly array $through, public readonly ?float $half, public readonly ?array $at = null) {}

    /**
     * @param P $middle
     * @param P $end of the first half axis
     * @param float $half the other half axis, above zero
     */
    public static function ellipse(array $middle, array $end, float $half): self
    {
        return new self([$middle, $end], $half);
    }

    /**
     * @param list<P> $points at least two, neighbours apart
     * @param list<float>|null $at parameters of the points, rising
     */
    public static function spline(array $points, ?array $at = null): self
    {
        return new self($points, null, $at);
    }

    /** @param callable(float, float): P $map a rigid motion or a mirror image */
    public function mapped(callable $map): self
    {
        return new self(array_map(static fn(array $p): array => $map($p[0], $p[1]), $this->through), $this->half, $this->at);
    }

    public function scaled(float $by): self
    {
        return new self(
            array_map(static fn(array $p): array => [$by * $p[0], $by * $p[1]], $this->through),
            $this->half === null ? null : $by * $this->half,
            $this->at,
        );
    }

    /** @return array{P, P, P} point, first and second derivative */
    public function at(float $t): array
    {
        if ($this->half === null) {
            $this->spline ??= new CubicSpline($this->through, $this->at);
            [$p, $d, $dd] = $this->spline->at($t);

            return [[$p[0], $p[1]], [$d[0], $d[1]], [$dd[0], $dd[1]]];
        }
        [[$u, $v], $end] = $this->through;
        [$a, $b] = [$end[0] - $u, $end[1] - $v];
        $l = hypot($a, $b);
        [$c, $d] = [(-$b * $this->half) / $l, ($a * $this->half) / $l];
        [$cos, $sin] = [cos($t), sin($t)];

        return [
            [$u + $a * $cos + $c * $sin, $v + $b * $cos + $d * $sin],
            [-$a * $sin + $c * $cos, -$b * $sin + $d * $cos],
            [-$a * $cos - $c * $sin, -$b * $cos - $d * $sin],
        ];
    }

    /** @return list<float> parameters of the points of a spline */
    public function knots(): array
    {
        return $this->half !== null ? [] : ($this->spline ??= new CubicSpline($this->through, $this->at))->knots;
    }

    /**
     * The nearest place to a point, by Newton's method from the nearest of a row of places.
     *
     * @return array{P, P, float} point, unit normal to the left of the curve, curvature (1/mm, positive where it bends to the left)
     */
    public function nearest(float $u, float $v): array
    {
        $this->marks ??= $this->findMarks();
        if ($this->last !== null) {
            $t = $this->newton($u, $v, $this->last);
            [[$x, $y]] = $this->at($t);
            if (($x - $u) ** 2 + ($y - $v) ** 2 < (self::PLAINLY * $this->apart) ** 2) {
                return $this->shape($this->last = $t);
            }
        }
        $best = 0;
        $least = INF;
        foreach ($this->points as $i => [$x, $y]) {
            $d = ($x - $u) ** 2 + ($y - $v) ** 2;
            if ($d < $least) {
                [$least, $best] = [$d, $i];
            }
        }

        return $this->shape($this->last = $this->newton($u, $v, $this->marks[$best]));
    }

    private function newton(float $u, float $v, float $t): float
    {
        // a step never leads farther than to the next place
        $most = $this->stride;
        for ($k = 0; $k < self::MOST_STEPS; $k++) {
            [[$x, $y], [$a, $b], [$c, $d]] = $this->at($t);
            $g = ($x - $u) * $a + ($y - $v) * $b;
            $speed = $a * $a + $b * $b;
            $h = $speed + ($x - $u) * $c + ($y - $v) * $d;
            $step = max(-$most, min($most, $g / ($h > 0 ? $h : $speed)));
            $t -= $step;
            // the next step would be the square of this one
            if (abs($step) < 1e-9 * max(1.0, abs($t))) {
                break;
            }
        }

        return $t;
    }

    /** @return array{P, P, float} */
    private function shape(float $t): array
    {
        [$p, [$a, $b], [$c, $d]] = $this->at($t);
        $l = hypot($a, $b);

        return [$p, [-$b / $l, $a / $l], ($a * $d - $b * $c) / $l ** 3];
    }

    /** @return non-empty-list<float> */
    private function findMarks(): array
    {
        $marks = [];
        if ($this->half !== null) {
            for ($i = 0; $i < self::ROUND_ELLIPSE; $i++) {
                $marks[] = (2 * M_PI * $i) / self::ROUND_ELLIPSE;
            }
        }
        $knots = $this->knots();
        foreach ($knots as $i => $t) {
            for ($k = 0; isset($knots[$i + 1]) && $k < self::BETWEEN_POINTS; $k++) {
                $marks[] = $t + (($knots[$i + 1] - $t) * $k) / self::BETWEEN_POINTS;
            }
        }
        if ($knots !== []) {
            $marks[] = $knots[count($knots) - 1];
        }
        $this->apart = $this->stride = INF;
        foreach ($marks as $i => $t) {
            $this->points[] = $this->at($t)[0];
            if ($i > 0) {
                $this->stride = min($this->stride, $t - $marks[$i - 1]);
                $this->apart = min(
                    $this->apart,
                    hypot($this->points[$i][0] - $this->points[$i - 1][0], $this->points[$i][1] - $this->points[$i - 1][1]),
                );
            }
        }

        return $marks === [] ? [0.0] : $marks;
    }
}
