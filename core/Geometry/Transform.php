<?php

declare(strict_types=1);

namespace Cubo\Geometry;

/** A rigid motion or mirror image: x -> R x + t, R row-major. Quarter turns are exact. */
final readonly class Transform
{
    /**
     * @param array{float,float,float,float,float,float,float,float,float} $r
     * @param array{float,float,float} $t
     */
    public function __construct(public array $r, public array $t = [0.0, 0.0, 0.0]) {}

    public static function identity(): self
    {
        return new self([1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0]);
    }

    /** @param array{float,float,float} $by millimetres */
    public static function translation(array $by): self
    {
        return new self([1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0], $by);
    }

    /**
     * Right-handed turn about a principal axis (0 = x, 1 = y, 2 = z) through a point.
     *
     * @param array{float,float,float} $through
     */
    public static function rotation(int $axis, float $degrees, array $through = [0.0, 0.0, 0.0]): self
    {
        [$c, $s] = Angle::cosSin($degrees);
        $r = match ($axis) {
            0 => [1.0, 0.0, 0.0, 0.0, $c, -$s, 0.0, $s, $c],
            1 => [$c, 0.0, $s, 0.0, 1.0, 0.0, -$s, 0.0, $c],
            default => [$c, -$s, 0.0, $s, $c, 0.0, 0.0, 0.0, 1.0],
        };
        $turn = new self($r);
        $moved = $turn->point($through);

        return new self($r, [$through[0] - $moved[0], $through[1] - $moved[1], $through[2] - $moved[2]]);
    }

    /** Mirror image in the plane x, y or z (axis 0, 1, 2) = $at. */
    public static function mirror(int $axis, float $at): self
    {
        $r = [1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0];
        $r[4 * $axis] = -1.0;
        $t = [0.0, 0.0, 0.0];
        $t[$axis] = 2 * $at;

        return new self($r, $t);
    }

    /**
     * Mirror image in any plane.
     *
     * @param array{float,float,float} $point of the plane
     * @param array{float,float,float} $normal unit
     */
    public static function mirrorIn(array $point, array $normal): self
    {
        [$a, $b, $c] = $normal;
        $k = 2 * ($point[0] * $a + $point[1] * $b + $point[2] * $c);

        return new self(
            [
                1 - 2 * $a * $a,
                -2 * $a * $b,
                -2 * $a * $c,
                -2 * $a * $b,
                1 - 2 * $b * $b,
                -2 * $b * $c,
                -2 * $a * $c,
                -2 * $b * $c,
                1 - 2 * $c * $c,
            ],
            [$k * $a, $k * $b, $k * $c],
        );
    }

    /**
     * Right-handed turn about any line.
     *
     * @param array{float,float,float} $point of the line
     * @param array{float,float,float} $axis unit
     */
    public static function turn(array $point, array $axis, float $degrees): self
    {
        $columns = [];
        foreach ([[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]] as $e) {
            $columns[] = Vector::turned($e, $axis, $degrees);
        }
        [$x, $y, $z] = $columns;
        $r = new self([$x[0], $y[0], $z[0], $x[1], $y[1], $z[1], $x[2], $y[2], $z[2]]);
        $moved = $r->direction($point);

        return new self($r->r, [$point[0] - $moved[0], $point[1] - $moved[1], $point[2] - $moved[2]]);
    }

    public function then(self $next): self
    {
        $a = $next->r;
        $b = $this->r;
        $r = [];
        for ($i = 0; $i < 3; $i++) {
            for ($j = 0; $j < 3; $j++) {
                $r[] = $a[3 * $i] * $b[$j] + $a[3 * $i + 1] * $b[3 + $j] + $a[3 * $i + 2] * $b[6 + $j];
            }
        }

        return new self($r, $next->point($this->t));
    }

    public function inverse(): self
    {
        $r = $this->r;

        return new self([$r[0], $r[3], $r[6], $r[1], $r[4], $r[7], $r[2], $r[5], $r[8]], $this->local([0.0, 0.0, 0.0]));
    }

    public function mirrors(): bool
    {
        $r = $this->r;

        return $r[0] * ($r[4] * $r[8] - $r[5] * $r[7]) - $r[1] * ($r[3] * $r[8] - $r[5] * $r[6]) + $r[2] * ($r[3] * $r[7] - $r[4] * $r[6]) <
            0;
    }

    /**
     * @param array{float,float,float} $p
     * @return array{float,float,float}
     */
    public function point(array $p): array
    {
        $d = $this->direction($p);

        return [$d[0] + $this->t[0], $d[1] + $this->t[1], $d[2] + $this->t[2]];
    }

    /**
     * The place a rigid motion brings to a point: the way back.
     *
     * @param array{float,float,float} $p
     * @return array{float,float,float}
     */
    public function local(array $p): array
    {
        $r = $this->r;
        [$x, $y, $z] = [$p[0] - $this->t[0], $p[1] - $this->t[1], $p[2] - $this->t[2]];

        return [$r[0] * $x + $r[3] * $y + $r[6] * $z, $r[1] * $x + $r[4] * $y + $r[7] * $z, $r[2] * $x + $r[5] * $y + $r[8] * $z];
    }

    /**
     * @param array{float,float,float} $d
     * @return array{float,float,float}
     */
    public function direction(array $d): array
    {
        $r = $this->r;

        return [
            $r[0] * $d[0] + $r[1] * $d[1] + $r[2] * $d[2],
            $r[3] * $d[0] + $r[4] * $d[1] + $r[5] * $d[2],
            $r[6] * $d[0] + $r[7] * $d[1] + $r[8] * $d[2],
        ];
    }
}
