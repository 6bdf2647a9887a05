<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/**
 * The cubic spline through points of space, parameter by chord length, natural at its ends or closed (C. de Boor,
 * "A Practical Guide to Splines", 1978, chapter IV; R. Bartels, J. Beatty, B. Barsky, 1987, chapter 3).
 */
final class CubicSpline
{
    /** @var list<float> parameter of every point, from 0 */
    public readonly array $knots;

    /** @var list<array<int, float>> second derivatives by coordinate */
    private array $second = [];

    /**
     * @param list<list<float>> $points at least two, neighbours apart; of any dimension
     * @param list<float>|null $knots parameter of every point; by chord length when left out
     */
    public function __construct(private readonly array $points, ?array $knots = null)
    {
        $n = count($points);
        if ($knots === null) {
            $knots = [0.0];
            for ($i = 1; $i < $n; $i++) {
                $d = 0.0;
                foreach ($points[$i] as $c => $v) {
                    $d += ($v - $points[$i - 1][$c]) ** 2;
                }
                $knots[] = $knots[$i - 1] + sqrt($d);
            }
        }
        $this->knots = $knots;
        foreach (array_keys($points[0]) as $c) {
            $this->second[] = self::secondDerivatives($knots, array_column($points, $c));
        }
    }

    /**
     * @param list<float> $t
     * @param list<float> $y
     * @return array<int, float>
     */
    private static function secondDerivatives(array $t, array $y): array
    {
        $n = count($y);
        $m = array_fill(0, $n, 0.0);
        if ($n < 3) {
            return $m;
        }
        // tridiagonal system, natural ends
        $c = $d = array_fill(0, $n, 0.0);
        for ($i = 1; $i < $n - 1; $i++) {
            $h0 = $t[$i] - $t[$i - 1];
            $h1 = $t[$i + 1] - $t[$i];
            $r = 6 * (($y[$i + 1] - $y[$i]) / $h1 - ($y[$i] - $y[$i - 1]) / $h0);
            $w = 2 * ($h0 + $h1) - $h0 * $c[$i - 1];
            $c[$i] = $h1 / $w;
            $d[$i] = ($r - $h0 * $d[$i - 1]) / $w;
        }
        for ($i = $n - 2; $i > 0; $i--) {
            $m[$i] = $d[$i] - $c[$i] * $m[$i + 1];
        }

        return $m;
    }

    /** @return array{list<float>, list<float>, list<float>} point, first and second derivative by the parameter */
    public function at(float $t): array
    {
        $n = count($this->points);
        $i = 0;
        while ($i < $n - 2 && $t > $this->knots[$i + 1]) {
            $i++;
        }
        $h = $this->knots[$i + 1] - $this->knots[$i];
        $a = ($this->knots[$i + 1] - $t) / $h;
        $b = ($t - $this->knots[$i]) / $h;
        $out = [[], [], []];
        foreach ($this->second as $c => $m) {
            [$y0, $y1, $m0, $m1] = [$this->points[$i][$c], $this->points[$i + 1][$c], $m[$i], $m[$i + 1]];
            $out[0][] = $a * $y0 + $b * $y1 + ((($a ** 3 - $a) * $m0 + ($b ** 3 - $b) * $m1) * $h * $h) / 6;
            $out[1][] = ($y1 - $y0) / $h + (((1 - 3 * $a * $a) * $m0 + (3 * $b * $b - 1) * $m1) * $h) / 6;
            $out[2][] = $a * $m0 + $b * $m1;
        }

        return $out;
    }
}
