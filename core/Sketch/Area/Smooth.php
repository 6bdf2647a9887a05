<?php

declare(strict_types=1);

namespace Cubo\Sketch\Area;

use Closure;
use Cubo\Geometry\PlaneCurve;
use Cubo\Solid\Maker\Fineness;

/**
 * Any other smooth curve by its point and first two derivatives: an ellipse, or a spline through points. Areas are
 * summed by Gauss's rule over stretches in which the curve turns by little; nearest places are found by Newton's method
 * from the nearest of a row of points.
 */
final class Smooth implements Curve
{
    /** Abscissas and weights of Gauss's rule with five points (M. Abramowitz, I. Stegun, table 25.4). */
    private const GAUSS = [
        [0.0, 0.5688888888888889],
        [0.5384693101056831, 0.47862867049936647],
        [-0.5384693101056831, 0.47862867049936647],
        [0.906179845938664, 0.23692688505618908],
        [-0.906179845938664, 0.23692688505618908],
    ];

    /** Pieces of a stretch between two marks. */
    private const MOST_PIECES = 24;

    /** @var list<float>|null */
    private ?array $stops = null;

    /** @var list<array{float,float}> points at the marks */
    private array $points = [];

    /**
     * @param Closure(float): array{array{float,float}, array{float,float}, array{float,float}} $local point, first and second derivative
     * @param list<float> $marks ascending from the first to the last parameter, close enough that the curve turns by less than
     *     about 20 degrees in between; curves that are made of pieces have marks where these meet
     * @param PlaneCurve|null $drawn the whole curve of which this is a part
     */
    public function __construct(
        private readonly string $name,
        private readonly Closure $local,
        private readonly array $marks,
        private readonly ?PlaneCurve $drawn = null,
    ) {
        foreach ($marks as $t) {
            $this->points[] = $local($t)[0];
        }
    }

    /**
     * @param array{float,float} $middle
     * @param array{float,float} $end of the first half axis
     */
    public static function ellipse(string $name, array $middle, array $end, float $half): self
    {
        $l = hypot($end[0] - $middle[0], $end[1] - $middle[1]);
        $curve = PlaneCurve::ellipse($middle, $end, $half);

        return new self(
            $name,
            $curve->at(...),
            self::even(0.0, 2 * M_PI, max(32, min(256, (int) ceil(24 * max($l / $half, $half / $l))))),
            $curve,
        );
    }

    /** @return list<float> */
    public static function even(float $from, float $to, int $count): array
    {
        return array_map(static fn(int $i): float => $from + (($to - $from) * $i) / $count, range(0, $count));
    }

    public function name(): string
    {
        return $this->name;
    }

    public function from(): float
    {
        return $this->marks[0];
    }

    public function to(): float
    {
        return $this->marks[count($this->marks) - 1];
    }

    public function at(float $t): array
    {
        return ($this->local)($t)[0];
    }

    public function slope(float $t): array
    {
        return ($this->local)($t)[1];
    }

    public function bend(float $t): float
    {
        [, [$a, $b], [$c, $d]] = ($this->local)($t);

        return ($a * $d - $b * $c) / max(1e-300, ($a * $a + $b * $b) ** 1.5);
    }

    public function box(float $a, float $b): array
    {
        // between marks the curve stays near the chord: within the reach of its slopes at both ends
        $box = [INF, INF, -INF, -INF];
        $stops = [$a, ...$this->between($a, $b), $b];
        foreach ($stops as $i => $t) {
            [[$u, $v], [$du, $dv]] = ($this->local)($t);
            $reach = max($i > 0 ? $t - $stops[$i - 1] : 0.0, isset($stops[$i + 1]) ? $stops[$i + 1] - $t : 0.0) * 0.34;
            $box = [
                min($box[0], $u - $reach * abs($du)),
                min($box[1], $v - $reach * abs($dv)),
                max($box[2], $u + $reach * abs($du)),
                max($box[3], $v + $reach * abs($dv)),
            ];
        }

        return $box;
    }

    /** @return list<float> */
    private function between(float $a, float $b): array
    {
        return array_values(array_filter($this->marks, static fn(float $t): bool => $t > $a && $t < $b));
    }

    public function sweep(float $a, float $b): float
    {
        $sum = 0.0;
        $from = $a;
        foreach ([...$this->between($a, $b), $b] as $to) {
            foreach (self::GAUSS as [$x, $w]) {
                [[$u, $v], [$du, $dv]] = ($this->local)(($from + $to) / 2 + ($x * ($to - $from)) / 2);
                $sum += (($w * ($to - $from)) / 2) * ($u * $dv - $v * $du);
            }
            $from = $to;
        }

        return $sum;
    }

    public function nearest(array $p): array
    {
        $best = 0;
        $least = INF;
        foreach ($this->points as $i => [$u, $v]) {
            $d = ($u - $p[0]) ** 2 + ($v - $p[1]) ** 2;
            if ($d < $least) {
                $least = $d;
                $best = $i;
            }
        }
        $low = $this->marks[max(0, $best - 1)];
        $high = $this->marks[min(count($this->marks) - 1, $best + 1)];
        $t = $this->marks[$best];
        for ($k = 0; $k < 30; $k++) {
            [[$u, $v], [$a, $b], [$c, $d]] = ($this->local)($t);
            $g = ($u - $p[0]) * $a + ($v - $p[1]) * $b;
            $h = $a * $a + $b * $b + ($u - $p[0]) * $c + ($v - $p[1]) * $d;
            $s = max($low, min($high, $t - $g / ($h > 0 ? $h : max(1e-300, $a * $a + $b * $b))));
            if (abs($s - $t) < 1e-15 * max(1.0, abs($t))) {
                break;
            }
            $t = $s;
        }
        [$u, $v] = $this->at($t);

        return [$t, hypot($u - $p[0], $v - $p[1])];
    }

    public function inner(float $a, float $b): array
    {
        return array_values(array_filter($this->stops ??= $this->stops(), static fn(float $t): bool => $t > $a + 1e-12 && $t < $b - 1e-12));
    }

    /**
     * The marks, and between them as many further places as keep the chords within the fineness. They are the curve's own,
     * whatever piece of it is asked for, so that pieces of equal curves match.
     *
     * @return list<float>
     */
    private function stops(): array
    {
        $out = [$this->marks[0]];
        for ($i = 1; $i < count($this->marks); $i++) {
            [$from, $to] = [$this->marks[$i - 1], $this->marks[$i]];
            [$p, $q] = [$this->points[$i - 1], $this->points[$i]];
            [[$a, $b], [$c, $d]] = [$this->slope($from), $this->slope($to)];
            // an arc rises by an eighth of its chord times its turn
            $rise = (hypot($q[0] - $p[0], $q[1] - $p[1]) * abs(atan2($a * $d - $b * $c, $a * $c + $b * $d))) / 8;
            $n = max(1, min(self::MOST_PIECES, (int) ceil(sqrt($rise / Fineness::CHORD) - 1e-6)));
            for ($k = 1; $k <= $n; $k++) {
                $out[] = $k === $n ? $to : $from + (($to - $from) * $k) / $n;
            }
        }

        return $out;
    }

    public function circle(): ?array
    {
        return null;
    }

    public function drawn(): ?PlaneCurve
    {
        return $this->drawn;
    }

    /** @return list<float> */
    public function marks(): array
    {
        return $this->marks;
    }
}
