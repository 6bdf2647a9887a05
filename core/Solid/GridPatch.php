<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\Transform;
use InvalidArgumentException;

/**
 * A free surface through a grid of points: along each of its two directions every value follows the polynomial of
 * fifth degree through the six grid lines nearest to it (Lagrange), so that a grid taken from a smooth surface at
 * spacing h strays from it by about 0.005 h^6 of its sixth derivative. Directions with fewer lines use fewer.
 *
 * The parameter of every column and row is given: equal steps only make sense where the points follow evenly. A
 * closed direction has equal steps. At a break - a row where the surface bends less smoothly - no polynomial reaches
 * across. Lengths in mm.
 */
final class GridPatch implements Patch
{
    private const STENCIL = 6;

    /** @var list<float> parameter of every column */
    public readonly array $us;

    /** @var list<float> parameter of every row */
    public readonly array $vs;

    /**
     * Where the last foot was found: the next one is most often near.
     *
     * @var array{float, float}|null
     */
    private ?array $last = null;

    /**
     * @param list<float> $x row after row, u runs first
     * @param list<float> $y
     * @param list<float> $z
     * @param int $columns grid points along u, at least 2
     * @param bool $closed whether u closes on itself (the first column is not repeated)
     * @param list<float>|null $us parameter of every column, increasing; 0, 1, 2 ... when left out
     * @param list<float>|null $vs parameter of every row
     * @param list<int> $breaks numbers of rows, without the first and last
     */
    public function __construct(
        public readonly array $x,
        public readonly array $y,
        public readonly array $z,
        public readonly int $columns,
        public readonly bool $closed = false,
        ?array $us = null,
        ?array $vs = null,
        public readonly array $breaks = [],
    ) {
        if ($columns < 2 || count($x) < 2 * $columns || count($x) % $columns !== 0 || count($y) !== count($x) || count($z) !== count($x)) {
            throw new InvalidArgumentException('The grid of a patch needs at least two rows and two columns.');
        }
        $this->us = $us ?? array_map('floatval', range(0, $columns - 1));
        $this->vs = $vs ?? array_map('floatval', range(0, intdiv(count($x), $columns) - 1));
    }

    public function rows(): int
    {
        return intdiv(count($this->x), $this->columns);
    }

    public function moved(Transform $t): self
    {
        $x = $y = $z = [];
        foreach ($this->x as $i => $_) {
            [$x[], $y[], $z[]] = $t->point([$this->x[$i], $this->y[$i], $this->z[$i]]);
        }

        return new self($x, $y, $z, $this->columns, $this->closed, $this->us, $this->vs, $this->breaks);
    }

    /** The patch stretched along the axes. */
    public function scaled(float $kx, float $ky, float $kz): self
    {
        $by = static fn (array $l, float $k): array => array_map(static fn (float $v): float => $v * $k, array_values($l));

        return new self($by($this->x, $kx), $by($this->y, $ky), $by($this->z, $kz), $this->columns, $this->closed, $this->us, $this->vs, $this->breaks);
    }

    /**
     * The point of the surface nearest p, as far as one is found near the grid.
     *
     * @param array{float,float,float} $p
     * @return array{array{float,float,float}, array{float,float,float}, float, float} point, unit normal (du x dv), sum and
     *     product of the principal curvatures (positive where the surface bends towards its normal)
     */
    public function foot(array $p): array
    {
        if ($this->last !== null) {
            $found = $this->newton($p, ...$this->last);
            if ($found !== null) {
                return $found;
            }
        }
        $best = INF;
        $at = 0;
        foreach ($this->x as $i => $x) {
            $d = ($x - $p[0]) ** 2 + ($this->y[$i] - $p[1]) ** 2 + ($this->z[$i] - $p[2]) ** 2;
            if ($d < $best) {
                $best = $d;
                $at = $i;
            }
        }

        return $this->newton($p, $this->us[$at % $this->columns], $this->vs[intdiv($at, $this->columns)], true) ?? throw new InvalidArgumentException('The patch has a spot without a normal.');
    }

    /**
     * @param array{float,float,float} $p
     * @param bool $whatever take the last step even if it did not settle
     * @return array{array{float,float,float}, array{float,float,float}, float, float}|null
     */
    private function newton(array $p, float $u, float $v, bool $whatever = false): ?array
    {
        $bottom = $this->vs[0];
        $top = $this->vs[count($this->vs) - 1];
        $left = $this->us[0];
        $right = $this->us[$this->columns - 1];
        // one step goes no farther than a cell and a half, and a cell beyond the rim
        $du1 = ($right - $left) / ($this->columns - 1);
        $dv1 = ($top - $bottom) / (count($this->vs) - 1);
        for ($i = 0; $i < 12; $i++) {
            [$s, $su, $sv, $suu, $suv, $svv] = $this->derivatives($u, $v);
            $d = [$s[0] - $p[0], $s[1] - $p[1], $s[2] - $p[2]];
            $e = self::dot($su, $su);
            $f = self::dot($su, $sv);
            $g = self::dot($sv, $sv);
            $a = $e + self::dot($d, $suu);
            $b = $f + self::dot($d, $suv);
            $c = $g + self::dot($d, $svv);
            $det = $a * $c - $b * $b;
            if (abs($det) < 1e-12 * $e * $g) {
                return null;
            }
            $ru = self::dot($d, $su);
            $rv = self::dot($d, $sv);
            $du = max(-1.5 * $du1, min(1.5 * $du1, -($c * $ru - $b * $rv) / $det));
            $dv = max(-1.5 * $dv1, min(1.5 * $dv1, -($a * $rv - $b * $ru) / $det));
            $settled = abs($du) < 1e-9 * $du1 && abs($dv) < 1e-9 * $dv1;
            if ($settled || ($i === 11 && $whatever)) {
                $n = [$su[1] * $sv[2] - $su[2] * $sv[1], $su[2] * $sv[0] - $su[0] * $sv[2], $su[0] * $sv[1] - $su[1] * $sv[0]];
                $l = sqrt(self::dot($n, $n));
                if ($l < 1e-300) {
                    return null;
                }
                $n = [$n[0] / $l, $n[1] / $l, $n[2] / $l];
                // second fundamental form
                $ll = self::dot($suu, $n);
                $mm = self::dot($suv, $n);
                $nn = self::dot($svv, $n);
                $w = $e * $g - $f * $f;
                $this->last = [$u, $v];

                return [$s, $n, ($ll * $g - 2 * $mm * $f + $nn * $e) / $w, ($ll * $nn - $mm * $mm) / $w];
            }
            $u += $du;
            $v += $dv;
            // a little beyond the rim is needed where the facets of a neighbour cut the grid
            $v = max($bottom - $dv1, min($top + $dv1, $v));
            $u = $this->closed ? $u - ($right - $left + $du1) * floor(($u - $left) / ($right - $left + $du1)) : max($left - $du1, min($right + $du1, $u));
        }

        return null;
    }

    /**
     * @param array{float,float,float} $a
     * @param array{float,float,float} $b
     */
    private static function dot(array $a, array $b): float
    {
        return $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
    }

    /**
     * Point, first derivatives (u, v), second derivatives (uu, uv, vv).
     *
     * @return list<array{float,float,float}>
     */
    private function derivatives(float $u, float $v): array
    {
        [$i0, $cu] = self::weights($u, $this->us, $this->closed, []);
        [$j0, $cv] = self::weights($v, $this->vs, false, $this->breaks);
        $out = array_fill(0, 6, [0.0, 0.0, 0.0]);
        foreach ($cv as $j => [$v0, $v1, $v2]) {
            $row = ($j0 + $j) * $this->columns;
            $p = $pu = $puu = [0.0, 0.0, 0.0];
            foreach ($cu as $i => [$u0, $u1, $u2]) {
                $k = $i0 + $i;
                $k = $row + ($this->closed ? ($k % $this->columns + $this->columns) % $this->columns : $k);
                foreach ([$this->x[$k], $this->y[$k], $this->z[$k]] as $c => $value) {
                    $p[$c] += $u0 * $value;
                    $pu[$c] += $u1 * $value;
                    $puu[$c] += $u2 * $value;
                }
            }
            for ($c = 0; $c < 3; $c++) {
                $out[0][$c] += $v0 * $p[$c];
                $out[1][$c] += $v0 * $pu[$c];
                $out[2][$c] += $v1 * $p[$c];
                $out[3][$c] += $v0 * $puu[$c];
                $out[4][$c] += $v1 * $pu[$c];
                $out[5][$c] += $v2 * $p[$c];
            }
        }

        return $out;
    }

    /**
     * First line of the stencil and, for each of its lines, the weights of value, first and second derivative.
     *
     * @param list<float> $at parameters of the lines
     * @param list<int> $breaks
     * @return array{int, list<array{float,float,float}>}
     */
    private static function weights(float $t, array $at, bool $closed, array $breaks): array
    {
        $count = count($at);
        // the line at or below t
        $low = 0;
        $high = $count - 1;
        while ($high - $low > 1) {
            $mid = ($low + $high) >> 1;
            $at[$mid] <= $t ? $low = $mid : $high = $mid;
        }
        if ($closed) {
            $step = $at[1] - $at[0];
            $low = (int) floor(($t - $at[0]) / $step);
            $first = $low - intdiv(self::STENCIL, 2) + 1;
            $n = min(self::STENCIL, $count);
            $nodes = [];
            for ($i = 0; $i < $n; $i++) {
                $nodes[] = $at[0] + $step * ($first + $i);
            }
        } else {
            $from = 0;
            $to = $count - 1;
            foreach ($breaks as $b) {
                if ($b <= $low) {
                    $from = $b;
                } else {
                    $to = $b;
                    break;
                }
            }
            $n = min(self::STENCIL, $to - $from + 1);
            $first = max($from, min($to - $n + 1, $low - intdiv($n, 2) + 1));
            $nodes = array_slice($at, $first, $n);
        }
        $out = [];
        for ($i = 0; $i < $n; $i++) {
            // the Lagrange polynomial of line i, its value and derivatives by the product rule
            $value = 1.0;
            $one = $two = 0.0;
            for ($k = 0; $k < $n; $k++) {
                if ($k === $i) {
                    continue;
                }
                $a = 1.0 / ($nodes[$i] - $nodes[$k]);
                $w = ($t - $nodes[$k]) * $a;
                $two = $two * $w + 2 * $one * $a;
                $one = $one * $w + $value * $a;
                $value *= $w;
            }
            $out[] = [$value, $one, $two];
        }

        return [$first, $out];
    }
}
