<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\Transform;

/**
 * A surface stretched differently along different directions: a cylinder that became elliptic, a ball that became an
 * ellipsoid. Points go back through the stretch, where the surface has its simple equation; the nearest point is found
 * by Newton's method along the normal.
 */
final class StretchedSurface implements Patch
{
    /**
     * @param Surface $base before the stretch
     * @param array{float,float,float,float,float,float,float,float,float} $back row-major; takes a point to where it was before
     * @param array{float,float,float} $shift added before that
     */
    public function __construct(
        public readonly Surface $base,
        public readonly array $back,
        public readonly array $shift = [0.0, 0.0, 0.0],
    ) {}

    /** A surface stretched along the axes of the frame about the origin; all factors above zero. */
    public static function by(Surface $base, float $kx, float $ky, float $kz): self
    {
        return new self($base, [1 / $kx, 0.0, 0.0, 0.0, 1 / $ky, 0.0, 0.0, 0.0, 1 / $kz]);
    }

    public function foot(array $p): array
    {
        $q = $p;
        for ($i = 0; $i < 30; $i++) {
            [$f, $g] = $this->value($q);
            $g2 = $g[0] * $g[0] + $g[1] * $g[1] + $g[2] * $g[2];
            // onto the surface along the gradient, and so far along the surface that the way back to p is square to it
            $d = [$p[0] - $q[0], $p[1] - $q[1], $p[2] - $q[2]];
            $along = ($d[0] * $g[0] + $d[1] * $g[1] + $d[2] * $g[2]) / $g2;
            $step = [];
            for ($c = 0; $c < 3; $c++) {
                $step[] = $d[$c] - $along * $g[$c] - ($f / $g2) * $g[$c];
            }
            $q = [$q[0] + $step[0], $q[1] + $step[1], $q[2] + $step[2]];
            if (
                $step[0] * $step[0] + $step[1] * $step[1] + $step[2] * $step[2] <
                1e-26 * (1 + $q[0] * $q[0] + $q[1] * $q[1] + $q[2] * $q[2])
            ) {
                break;
            }
        }
        [$n, $sum, $product] = $this->bend($q);

        return [$q, $n, $sum, $product];
    }

    /**
     * @param array{float,float,float} $q
     * @return array{array{float,float,float}, float, float} normal, sum and product of the principal curvatures
     */
    private function bend(array $q): array
    {
        $n = $this->normal($q);
        $a = abs($n[0]) < 0.6 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0];
        $u = [$n[1] * $a[2] - $n[2] * $a[1], $n[2] * $a[0] - $n[0] * $a[2], $n[0] * $a[1] - $n[1] * $a[0]];
        $l = sqrt($u[0] ** 2 + $u[1] ** 2 + $u[2] ** 2);
        $u = [$u[0] / $l, $u[1] / $l, $u[2] / $l];
        $v = [$n[1] * $u[2] - $n[2] * $u[1], $n[2] * $u[0] - $n[0] * $u[2], $n[0] * $u[1] - $n[1] * $u[0]];
        // how the normal changes along two directions of the surface, by differences
        $h = 1e-4 * (1 + $this->base->radius);
        $rate = function (array $e) use ($q, $h): array {
            $p = $this->normal([$q[0] + $h * $e[0], $q[1] + $h * $e[1], $q[2] + $h * $e[2]]);
            $m = $this->normal([$q[0] - $h * $e[0], $q[1] - $h * $e[1], $q[2] - $h * $e[2]]);

            return [($p[0] - $m[0]) / (2 * $h), ($p[1] - $m[1]) / (2 * $h), ($p[2] - $m[2]) / (2 * $h)];
        };
        $du = $rate($u);
        $dv = $rate($v);
        $uu = -($du[0] * $u[0] + $du[1] * $u[1] + $du[2] * $u[2]);
        $vv = -($dv[0] * $v[0] + $dv[1] * $v[1] + $dv[2] * $v[2]);
        $uv = -($du[0] * $v[0] + $du[1] * $v[1] + $du[2] * $v[2]);
        $vu = -($dv[0] * $u[0] + $dv[1] * $u[1] + $dv[2] * $u[2]);

        return [$n, $uu + $vv, $uu * $vv - $uv * $vu];
    }

    /**
     * @param array{float,float,float} $p
     * @return array{float,float,float}
     */
    private function normal(array $p): array
    {
        $g = $this->value($p)[1];
        $l = sqrt($g[0] * $g[0] + $g[1] * $g[1] + $g[2] * $g[2]) ?: 1e-300;

        return [$g[0] / $l, $g[1] / $l, $g[2] / $l];
    }

    /**
     * The simple surface's equation at the point before the stretch, and its gradient here.
     *
     * @param array{float,float,float} $p
     * @return array{float, array{float,float,float}}
     */
    private function value(array $p): array
    {
        $b = $this->back;
        $x = $p[0] + $this->shift[0];
        $y = $p[1] + $this->shift[1];
        $z = $p[2] + $this->shift[2];
        $r = [$b[0] * $x + $b[1] * $y + $b[2] * $z, $b[3] * $x + $b[4] * $y + $b[5] * $z, $b[6] * $x + $b[7] * $y + $b[8] * $z];
        if ($this->base->patch !== null) {
            [$q, $g] = $this->base->patch->foot($r);
            $f = ($r[0] - $q[0]) * $g[0] + ($r[1] - $q[1]) * $g[1] + ($r[2] - $q[2]) * $g[2];
        } else {
            $f = SurfaceEquation::distance($this->base, $r);
            $g = SurfaceEquation::outward($this->base, $r, [0.0, 0.0, 0.0]);
        }

        return [
            $f,
            [
                $b[0] * $g[0] + $b[3] * $g[1] + $b[6] * $g[2],
                $b[1] * $g[0] + $b[4] * $g[1] + $b[7] * $g[2],
                $b[2] * $g[0] + $b[5] * $g[1] + $b[8] * $g[2],
            ],
        ];
    }

    public function moved(Transform $t): self
    {
        // p' = R p + t, so p + shift = R^T p' - R^T t + shift = R^T (p' - t + R shift)
        $r = $t->r;
        $shift = $t->direction($this->shift);
        $b = $this->back;
        $back = [];
        for ($i = 0; $i < 3; $i++) {
            for ($j = 0; $j < 3; $j++) {
                $back[] = $b[3 * $i] * $r[3 * $j] + $b[3 * $i + 1] * $r[3 * $j + 1] + $b[3 * $i + 2] * $r[3 * $j + 2];
            }
        }

        return new self($this->base, $back, [$shift[0] - $t->t[0], $shift[1] - $t->t[1], $shift[2] - $t->t[2]]);
    }

    public function scaled(float $kx, float $ky, float $kz): self
    {
        $b = $this->back;
        $s = $this->shift;

        // p' = K p, so p + shift = K^-1 (p' + K shift)
        return new self(
            $this->base,
            [$b[0] / $kx, $b[1] / $ky, $b[2] / $kz, $b[3] / $kx, $b[4] / $ky, $b[5] / $kz, $b[6] / $kx, $b[7] / $ky, $b[8] / $kz],
            [$kx * $s[0], $ky * $s[1], $kz * $s[2]],
        );
    }
}
