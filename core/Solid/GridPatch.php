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

    /** From a foot found before the next is looked for within so many cells, squared. */
    private const NEAR = 100.0;

    /** @var list<float> parameter of every column */
    public readonly array $us;

    /** @var list<float> parameter of every row */
    public readonly array $vs;

    /** @var list<array{float,float,float,float,float}>|null */
    private ?array $starts = null;

    private float $cell2 = 0.0;

    private float $width = 1.0;

    /** @var array<string, list<int>> starts by place */
    private array $buckets = [];

    /**
     * Where the last foot was found: the next one is most often near.
     *
     * @var array{float, float}|null
     */
    private ?array $last = null;

    /** @var array{float,float,float}|null the foot itself */
    private ?array $at = null;

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
        $by = static fn(array $l, float $k): array => array_map(static fn(float $v): float => $v * $k, array_values($l));

        return new self(
            $by($this->x, $kx),
            $by($this->y, $ky),
            $by($this->z, $kz),
            $this->columns,
            $this->closed,
            $this->us,
            $this->vs,
            $this->breaks,
        );
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
        $this->starts ??= $this->findStarts();
        if ($this->last !== null && ($this->at === null || self::distance2($this->at, $p) < self::NEAR * $this->cell2)) {
            $found = $this->newton($p, ...$this->last);
            // only where it is plainly the nearest: from a spot on the other side of a pipe Newton's method stays there
            if ($found !== null && self::distance2($found[0], $p) < 0.04 * $this->cell2) {
                return $found;
            }
        }
        [$best, $u, $v] = $this->nearestStart($p);
        $found = $this->newton($p, $u, $v);
        if ($found !== null && self::distance2($found[0], $p) <= $best * (1 + 1e-9)) {
            return $found;
        }

        // the nearest known point itself, rather than a far one
        return $this->shapeAt($u, $v) ?? throw new InvalidArgumentException('The patch has a spot without a normal.');
    }

    /** @return array{float, float}|null parameters of the foot found last */
    public function lastFoot(): ?array
    {
        return $this->last;
    }

    /** Where the next foot will be, as far as the caller knows: saves steps. */
    public function expect(float $u, float $v): void
    {
        [$this->last, $this->at] = [[$u, $v], null];
    }

    /** One turn of u where it closes on itself, 0 where it does not. */
    public function period(): float
    {
        return $this->closed ? $this->us[$this->columns - 1] - $this->us[0] + $this->us[1] - $this->us[0] : 0.0;
    }

    /**
     * @param array{float,float,float} $p
     * @return array{float,float,float} squared distance and parameters of the nearest known point
     */
    private function nearestStart(array $p): array
    {
        $best = INF;
        $at = 0;
        $i = (int) floor($p[0] / $this->width);
        $j = (int) floor($p[1] / $this->width);
        $k = (int) floor($p[2] / $this->width);
        for ($a = $i - 1; $a <= $i + 1; $a++) {
            for ($b = $j - 1; $b <= $j + 1; $b++) {
                for ($c = $k - 1; $c <= $k + 1; $c++) {
                    foreach ($this->buckets["$a $b $c"] ?? [] as $n) {
                        [$x, $y, $z] = $this->starts[$n] ?? [INF, INF, INF];
                        $d = ($x - $p[0]) ** 2 + ($y - $p[1]) ** 2 + ($z - $p[2]) ** 2;
                        if ($d < $best) {
                            $best = $d;
                            $at = $n;
                        }
                    }
                }
            }
        }
        // beyond one bucket's width a nearer one may lie outside of those
        if ($best > $this->width ** 2) {
            foreach ($this->starts ?? [] as $n => [$x, $y, $z]) {
                $d = ($x - $p[0]) ** 2 + ($y - $p[1]) ** 2 + ($z - $p[2]) ** 2;
                if ($d < $best) {
                    $best = $d;
                    $at = $n;
                }
            }
        }

        return [$best, $this->starts[$at][3] ?? 0.0, $this->starts[$at][4] ?? 0.0];
    }

    /**
     * Known points to begin from, at least five along each direction.
     *
     * @return list<array{float,float,float,float,float}> point and parameters
     */
    private function findStarts(): array
    {
        $rows = count($this->vs);
        $out = [];
        $perRow = max(1, (int) ceil(4 / ($rows - 1)));
        $perColumn = max(1, (int) ceil(4 / ($this->columns - 1)));
        for ($j = 0; $j < $rows; $j++) {
            for ($k = 0; $k < ($j + 1 < $rows ? $perRow : 1); $k++) {
                $v = $this->vs[$j] + ($k === 0 ? 0.0 : ($k / $perRow) * ($this->vs[$j + 1] - $this->vs[$j]));
                for ($i = 0; $i < $this->columns; $i++) {
                    for ($l = 0; $l < ($i + 1 < $this->columns ? $perColumn : 1); $l++) {
                        $u = $this->us[$i] + ($l === 0 ? 0.0 : ($l / $perColumn) * ($this->us[$i + 1] - $this->us[$i]));
                        $at = $j * $this->columns + $i;
                        [$x, $y, $z] = $k === 0 && $l === 0 ? [$this->x[$at], $this->y[$at], $this->z[$at]] : $this->derivatives($u, $v)[0];
                        $out[] = [$x, $y, $z, $u, $v];
                    }
                }
            }
        }
        // the smaller mesh width, which says what "near" is
        $n = $this->columns;
        $across = $along = INF;
        foreach ($this->x as $i => $x) {
            if ($i % $n > 0) {
                $across = min(
                    $across,
                    ($x - $this->x[$i - 1]) ** 2 + ($this->y[$i] - $this->y[$i - 1]) ** 2 + ($this->z[$i] - $this->z[$i - 1]) ** 2,
                );
            }
            if ($i >= $n) {
                $along = min(
                    $along,
                    ($x - $this->x[$i - $n]) ** 2 + ($this->y[$i] - $this->y[$i - $n]) ** 2 + ($this->z[$i] - $this->z[$i - $n]) ** 2,
                );
            }
        }
        $this->cell2 = min($across, $along);
        // buckets a little wider than the mesh, so that the nearest point lies in a neighbouring one
        $widest = 0.0;
        $level = ($this->columns - 1) * $perColumn + 1;
        foreach ($out as $i => [$x, $y, $z]) {
            foreach ([$i % $level > 0 ? $i - 1 : -1, $i - $level] as $o) {
                if ($o >= 0) {
                    $widest = max(
                        $widest,
                        min(($x - $out[$o][0]) ** 2 + ($y - $out[$o][1]) ** 2 + ($z - $out[$o][2]) ** 2, 1e6 * $this->cell2),
                    );
                }
            }
        }
        $this->width = max(1e-6, min(2 * sqrt($widest), 8 * sqrt(max($across, $along))));
        foreach ($out as $n => [$x, $y, $z]) {
            $this->buckets[floor($x / $this->width) . ' ' . floor($y / $this->width) . ' ' . floor($z / $this->width)][] = $n;
        }

        return $out;
    }

    /**
     * @param array{float,float,float} $a
     * @param array{float,float,float} $b
     */
    private static function distance2(array $a, array $b): float
    {
        return ($a[0] - $b[0]) ** 2 + ($a[1] - $b[1]) ** 2 + ($a[2] - $b[2]) ** 2;
    }

    /**
     * @param array{float,float,float} $p
     * @return array{array{float,float,float}, array{float,float,float}, float, float}|null
     */
    private function newton(array $p, float $u, float $v): ?array
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
            if (abs($du) < 1e-4 * $du1 && abs($dv) < 1e-4 * $dv1) {
                // the last step by Taylor's polynomial: what it leaves out is the cube of it
                for ($c = 0; $c < 3; $c++) {
                    $s[$c] +=
                        $du * $su[$c] + $dv * $sv[$c] + (($du * $du) / 2) * $suu[$c] + $du * $dv * $suv[$c] + (($dv * $dv) / 2) * $svv[$c];
                    $su[$c] += $du * $suu[$c] + $dv * $suv[$c];
                    $sv[$c] += $du * $suv[$c] + $dv * $svv[$c];
                }
                $found = $this->shape($s, $su, $sv, $suu, $suv, $svv);
                if ($found !== null) {
                    [$this->last, $this->at] = [[$u + $du, $v + $dv], $found[0]];
                }

                return $found;
            }
            $u += $du;
            $v += $dv;
            // a little beyond the rim is needed where the facets of a neighbour cut the grid
            $v = max($bottom - $dv1, min($top + $dv1, $v));
            $u = $this->closed
                ? $u - ($right - $left + $du1) * floor(($u - $left) / ($right - $left + $du1))
                : max($left - $du1, min($right + $du1, $u));
        }

        return null;
    }

    /** @return array{array{float,float,float}, array{float,float,float}, float, float}|null */
    private function shapeAt(float $u, float $v): ?array
    {
        return $this->shape(...$this->derivatives($u, $v));
    }

    /**
     * Point, normal, sum and product of curvatures from the derivatives (second fundamental form).
     *
     * @param array{float,float,float} $s
     * @param array{float,float,float} $su
     * @param array{float,float,float} $sv
     * @param array{float,float,float} $suu
     * @param array{float,float,float} $suv
     * @param array{float,float,float} $svv
     * @return array{array{float,float,float}, array{float,float,float}, float, float}|null
     */
    private function shape(array $s, array $su, array $sv, array $suu, array $suv, array $svv): ?array
    {
        $n = [$su[1] * $sv[2] - $su[2] * $sv[1], $su[2] * $sv[0] - $su[0] * $sv[2], $su[0] * $sv[1] - $su[1] * $sv[0]];
        $l = sqrt(self::dot($n, $n));
        if ($l < 1e-300) {
            return null;
        }
        $n = [$n[0] / $l, $n[1] / $l, $n[2] / $l];
        $e = self::dot($su, $su);
        $f = self::dot($su, $sv);
        $g = self::dot($sv, $sv);
        $w = $e * $g - $f * $f;
        $ll = self::dot($suu, $n);
        $mm = self::dot($suv, $n);
        $nn = self::dot($svv, $n);

        return [$s, $n, ($ll * $g - 2 * $mm * $f + $nn * $e) / $w, ($ll * $nn - $mm * $mm) / $w];
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
        $gx = $this->x;
        $gy = $this->y;
        $gz = $this->z;
        $columns = $this->columns;
        // which columns: the same for every row
        $at = [];
        foreach ($cu as $i => $_) {
            $k = $i0 + $i;
            $at[] = $this->closed ? (($k % $columns) + $columns) % $columns : $k;
        }
        $sx = $sy = $sz = $ux = $uy = $uz = $vx = $vy = $vz = 0.0;
        $uux = $uuy = $uuz = $uvx = $uvy = $uvz = $vvx = $vvy = $vvz = 0.0;
        foreach ($cv as $j => [$v0, $v1, $v2]) {
            $row = ($j0 + $j) * $columns;
            $px = $py = $pz = $qx = $qy = $qz = $rx = $ry = $rz = 0.0;
            foreach ($cu as $i => [$u0, $u1, $u2]) {
                $k = $row + $at[$i];
                $x = $gx[$k];
                $y = $gy[$k];
                $z = $gz[$k];
                $px += $u0 * $x;
                $py += $u0 * $y;
                $pz += $u0 * $z;
                $qx += $u1 * $x;
                $qy += $u1 * $y;
                $qz += $u1 * $z;
                $rx += $u2 * $x;
                $ry += $u2 * $y;
                $rz += $u2 * $z;
            }
            $sx += $v0 * $px;
            $sy += $v0 * $py;
            $sz += $v0 * $pz;
            $ux += $v0 * $qx;
            $uy += $v0 * $qy;
            $uz += $v0 * $qz;
            $vx += $v1 * $px;
            $vy += $v1 * $py;
            $vz += $v1 * $pz;
            $uux += $v0 * $rx;
            $uuy += $v0 * $ry;
            $uuz += $v0 * $rz;
            $uvx += $v1 * $qx;
            $uvy += $v1 * $qy;
            $uvz += $v1 * $qz;
            $vvx += $v2 * $px;
            $vvy += $v2 * $py;
            $vvz += $v2 * $pz;
        }

        return [[$sx, $sy, $sz], [$ux, $uy, $uz], [$vx, $vy, $vz], [$uux, $uuy, $uuz], [$uvx, $uvy, $uvz], [$vvx, $vvy, $vvz]];
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
            $at[$mid] <= $t ? ($low = $mid) : ($high = $mid);
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
