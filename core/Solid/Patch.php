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
 * Parameters: u from 0 to columns - 1 (or columns, where it closes on itself), v from 0 to rows - 1. Lengths in mm.
 */
final class Patch
{
    private const STENCIL = 6;

    /** Where the last foot was found: the next one is most often near. @var array{float, float}|null */
    private ?array $last = null;

    /**
     * @param list<float> $x row after row, u runs first
     * @param list<float> $y
     * @param list<float> $z
     * @param int $columns grid points along u, at least 2
     * @param bool $closed whether u closes on itself (the first column is not repeated)
     */
    public function __construct(public readonly array $x, public readonly array $y, public readonly array $z, public readonly int $columns, public readonly bool $closed = false)
    {
        if ($columns < 2 || count($x) < 2 * $columns || count($x) % $columns !== 0 || count($y) !== count($x) || count($z) !== count($x)) {
            throw new InvalidArgumentException('The grid of a patch needs at least two rows and two columns.');
        }
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

        return new self($x, $y, $z, $this->columns, $this->closed);
    }

    /** The patch stretched along the axes. */
    public function scaled(float $kx, float $ky, float $kz): self
    {
        $by = static fn (array $l, float $k): array => array_map(static fn (float $v): float => $v * $k, $l);

        return new self($by($this->x, $kx), $by($this->y, $ky), $by($this->z, $kz), $this->columns, $this->closed);
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

        return $this->newton($p, (float) ($at % $this->columns), (float) intdiv($at, $this->columns), true) ?? throw new InvalidArgumentException('The patch has a spot without a normal.');
    }

    /**
     * @param array{float,float,float} $p
     * @param bool $whatever take the last step even if it did not settle
     * @return array{array{float,float,float}, array{float,float,float}, float, float}|null
     */
    private function newton(array $p, float $u, float $v, bool $whatever = false): ?array
    {
        $top = $this->rows() - 1.0;
        $right = $this->columns - 1.0;
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
            $du = max(-1.5, min(1.5, -($c * $ru - $b * $rv) / $det));
            $dv = max(-1.5, min(1.5, -($a * $rv - $b * $ru) / $det));
            $settled = abs($du) + abs($dv) < 1e-9;
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
            $v = max(-1.0, min($top + 1.0, $v));
            $u = $this->closed ? $u - $this->columns * floor($u / $this->columns) : max(-1.0, min($right + 1.0, $u));
        }

        return null;
    }

    /** @param array{float,float,float} $a @param array{float,float,float} $b */
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
        $rows = $this->rows();
        [$i0, $cu] = self::weights($u, $this->columns, $this->closed);
        [$j0, $cv] = self::weights($v, $rows, false);
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
     * @return array{int, list<array{float,float,float}>}
     */
    private static function weights(float $t, int $count, bool $closed): array
    {
        $n = min(self::STENCIL, $count);
        $first = (int) floor($t) - intdiv($n, 2) + 1;
        if (! $closed) {
            $first = max(0, min($count - $n, $first));
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
                $a = 1.0 / ($i - $k);
                $w = ($t - $first - $k) * $a;
                $two = $two * $w + 2 * $one * $a;
                $one = $one * $w + $value * $a;
                $value *= $w;
            }
            $out[] = [$value, $one, $two];
        }

        return [$first, $out];
    }
}
