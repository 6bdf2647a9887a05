<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

/**
 * One equation between the numbers of a sketch (point coordinates, radii; mm), with its derivatives. Residuals are
 * lengths, so that all equations weigh alike; signs are fixed when an equation is made, so that a solution keeps to the
 * side it began on.
 *
 * Numbers are given by their places in the list of unknowns. Points are two places each, in the order named.
 */
final readonly class Equation
{
    private const LINEAR = 0;

    private const DISTANCE = 1;

    private const EQUAL_DISTANCES = 2;

    private const OFFSET = 3;

    private const ALONG = 4;

    private const DIRECTION = 5;

    private const MIDDLE_OFFSET = 6;

    private const ACROSS = 7;

    private const ON_ELLIPSE = 8;

    /**
     * @param list<int> $vars places of the numbers it depends on
     * @param list<float> $factors of the plain numbers that follow the points
     */
    private function __construct(
        private int $kind,
        public array $vars,
        private array $factors = [],
        private float $constant = 0.0,
        private float $scale = 1.0,
    ) {}

    /**
     * Sum of factor times number = constant.
     *
     * @param list<int> $vars
     * @param list<float> $factors
     */
    public static function linear(array $vars, array $factors, float $constant = 0.0): self
    {
        return new self(self::LINEAR, $vars, $factors, $constant);
    }

    /**
     * |pq| = constant + sum of factor times number.
     *
     * @param list<int> $pq
     * @param list<int> $vars
     * @param list<float> $factors
     */
    public static function distance(array $pq, float $constant, array $vars = [], array $factors = []): self
    {
        return new self(self::DISTANCE, [...$pq, ...$vars], $factors, $constant);
    }

    /**
     * |pq| = |st|.
     *
     * @param list<int> $pqst
     */
    public static function equalDistances(array $pqst): self
    {
        return new self(self::EQUAL_DISTANCES, $pqst);
    }

    /**
     * The distance of p from the line ab, positive to its left = constant + sum of factor times number.
     *
     * @param list<int> $pab
     * @param list<int> $vars
     * @param list<float> $factors
     */
    public static function offset(array $pab, float $constant, array $vars = [], array $factors = []): self
    {
        return new self(self::OFFSET, [...$pab, ...$vars], $factors, $constant);
    }

    /**
     * The way from a to the foot of p on the line ab = constant.
     *
     * @param list<int> $pab
     */
    public static function along(array $pab, float $constant): self
    {
        return new self(self::ALONG, $pab, [], $constant);
    }

    /**
     * The angle from ab to cd, counter-clockwise, is this (radians), or differs by half a turn.
     *
     * @param list<int> $abcd
     * @param float $scale length by which the sine of the error is multiplied, mm
     */
    public static function direction(array $abcd, float $angle, float $scale): self
    {
        return new self(self::DIRECTION, $abcd, [], $angle, max(1e-6, $scale));
    }

    /**
     * The middle of pq lies on the line ab.
     *
     * @param list<int> $pqab
     */
    public static function middleOn(array $pqab): self
    {
        return new self(self::MIDDLE_OFFSET, $pqab);
    }

    /**
     * pq runs straight across ab.
     *
     * @param list<int> $pqab
     */
    public static function across(array $pqab): self
    {
        return new self(self::ACROSS, $pqab);
    }

    /**
     * p lies on the ellipse with middle c, end of the long axis e and the other half axis.
     *
     * @param list<int> $pce
     */
    public static function onEllipse(array $pce, int $half): self
    {
        return new self(self::ON_ELLIPSE, [...$pce, $half]);
    }

    /**
     * @param array<int, float> $x all numbers
     * @param array<int, float> $g set to the derivatives by the numbers of vars, in their order
     * @return float the residual, mm
     */
    public function evaluate(array $x, array &$g): float
    {
        $v = $this->vars;
        if ($this->kind === self::LINEAR) {
            $sum = -$this->constant;
            foreach ($v as $i => $at) {
                $sum += $this->factors[$i] * $x[$at];
            }
            $g = $this->factors;

            return $sum;
        }
        // all others begin with points
        $au = $x[$v[0]];
        $av = $x[$v[1]];
        $bu = $x[$v[2]];
        $bv = $x[$v[3]];
        if ($this->kind === self::DISTANCE) {
            $du = $bu - $au;
            $dv = $bv - $av;
            $l = sqrt($du * $du + $dv * $dv);
            if ($l > 1e-12) {
                $du /= $l;
                $dv /= $l;
            } else {
                [$du, $dv] = [1.0, 0.0];
            }
            $g = [-$du, -$dv, $du, $dv];

            return $l - $this->constant - $this->rest($x, 4, $g);
        }
        $cu = $x[$v[4]];
        $cv = $x[$v[5]];

        return match ($this->kind) {
            self::EQUAL_DISTANCES => self::equal($bu - $au, $bv - $av, $x[$v[6]] - $cu, $x[$v[7]] - $cv, $g),
            self::OFFSET => self::fromLine($au - $bu, $av - $bv, $cu - $bu, $cv - $bv, $g) - $this->constant - $this->rest($x, 6, $g),
            self::ALONG => self::alongLine($au - $bu, $av - $bv, $cu - $bu, $cv - $bv, $g) - $this->constant,
            self::DIRECTION => $this->turned($bu - $au, $bv - $av, $x[$v[6]] - $cu, $x[$v[7]] - $cv, $g),
            self::MIDDLE_OFFSET => self::middle($au, $av, $bu, $bv, $cu, $cv, $x[$v[6]], $x[$v[7]], $g),
            self::ACROSS => self::crossing($bu - $au, $bv - $av, $x[$v[6]] - $cu, $x[$v[7]] - $cv, $g),
            default => self::ellipse($au - $bu, $av - $bv, $cu - $bu, $cv - $bv, $x[$v[6]], $g),
        };
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $g
     */
    private function rest(array $x, int $from, array &$g): float
    {
        $sum = 0.0;
        foreach ($this->factors as $i => $f) {
            $sum += $f * $x[$this->vars[$from + $i]];
            $g[] = -$f;
        }

        return $sum;
    }

    /** @param array<int, float> $g */
    private static function equal(float $du, float $dv, float $eu, float $ev, array &$g): float
    {
        $l = max(1e-12, sqrt($du * $du + $dv * $dv));
        $k = max(1e-12, sqrt($eu * $eu + $ev * $ev));
        $g = [-$du / $l, -$dv / $l, $du / $l, $dv / $l, $eu / $k, $ev / $k, -$eu / $k, -$ev / $k];

        return $l - $k;
    }

    /**
     * Distance of a point from a line, all seen from the line's first point.
     *
     * @param array<int, float> $g by the point, the line's first and its second point
     */
    private static function fromLine(float $pu, float $pv, float $du, float $dv, array &$g): float
    {
        $l = max(1e-12, sqrt($du * $du + $dv * $dv));
        $du /= $l;
        $dv /= $l;
        $off = $du * $pv - $dv * $pu;
        // the second point moves the line in proportion to how far along the foot lies
        $t = ($pu * $du + $pv * $dv) / $l;
        $g = [-$dv, $du, $dv * (1 - $t), -$du * (1 - $t), $t * $dv, -$t * $du];

        return $off;
    }

    /** @param array<int, float> $g */
    private static function alongLine(float $pu, float $pv, float $du, float $dv, array &$g): float
    {
        $l = max(1e-12, sqrt($du * $du + $dv * $dv));
        $du /= $l;
        $dv /= $l;
        $along = $pu * $du + $pv * $dv;
        $off = ($du * $pv - $dv * $pu) / $l;
        $g = [$du, $dv, -$du + $off * $dv, -$dv - $off * $du, -$off * $dv, $off * $du];

        return $along;
    }

    /** @param array<int, float> $g */
    private function turned(float $du, float $dv, float $eu, float $ev, array &$g): float
    {
        $d2 = max(1e-24, $du * $du + $dv * $dv);
        $e2 = max(1e-24, $eu * $eu + $ev * $ev);
        $l = sqrt($d2 * $e2);
        $sin = ($du * $ev - $dv * $eu) / $l;
        $cos = ($du * $eu + $dv * $ev) / $l;
        $s = sin($this->constant);
        $c = cos($this->constant);
        $k = $this->scale * ($cos * $c + $sin * $s);
        $g = [
            (-$k * $dv) / $d2,
            ($k * $du) / $d2,
            ($k * $dv) / $d2,
            (-$k * $du) / $d2,
            ($k * $ev) / $e2,
            (-$k * $eu) / $e2,
            (-$k * $ev) / $e2,
            ($k * $eu) / $e2,
        ];

        return $this->scale * ($sin * $c - $cos * $s);
    }

    /** @param array<int, float> $g */
    private static function middle(float $pu, float $pv, float $qu, float $qv, float $au, float $av, float $bu, float $bv, array &$g): float
    {
        $off = self::fromLine(($pu + $qu) / 2 - $au, ($pv + $qv) / 2 - $av, $bu - $au, $bv - $av, $g);
        $g = [$g[0] / 2, $g[1] / 2, $g[0] / 2, $g[1] / 2, $g[2], $g[3], $g[4], $g[5]];

        return $off;
    }

    /** @param array<int, float> $g */
    private static function crossing(float $pu, float $pv, float $du, float $dv, array &$g): float
    {
        $l = max(1e-12, sqrt($du * $du + $dv * $dv));
        $du /= $l;
        $dv /= $l;
        $off = ($du * $pv - $dv * $pu) / $l;
        $g = [-$du, -$dv, $du, $dv, $off * $dv, -$off * $du, -$off * $dv, $off * $du];

        return $pu * $du + $pv * $dv;
    }

    /** @param array<int, float> $g */
    private static function ellipse(float $pu, float $pv, float $du, float $dv, float $half, array &$g): float
    {
        $l2 = max(1e-24, $du * $du + $dv * $dv);
        $l = sqrt($l2);
        $m = abs($half) < 1e-12 ? 1e-12 : $half;
        $s = ($pu * $du + $pv * $dv) / $l2;
        $t = ($du * $pv - $dv * $pu) / ($l * $m);
        $f = max(1e-12, sqrt($s * $s + $t * $t));
        // the distance from the ellipse along the ray through its middle
        $rho = max(1e-12, sqrt($pu * $pu + $pv * $pv));
        $r = $rho * (1 - 1 / $f);
        $k = $rho / ($f * $f * $f);
        $w = (1 - 1 / $f) / $rho;
        $by = static fn(float $ds, float $dt): float => $k * ($s * $ds + $t * $dt);
        $p = [$by($du / $l2, -$dv / ($l * $m)) + $w * $pu, $by($dv / $l2, $du / ($l * $m)) + $w * $pv];
        $d = [
            $by($pu / $l2 - (2 * $s * $du) / $l2, $pv / ($l * $m) - ($t * $du) / $l2),
            $by($pv / $l2 - (2 * $s * $dv) / $l2, -$pu / ($l * $m) - ($t * $dv) / $l2),
        ];
        // a moved middle moves the point and the end of the axis the other way
        $g = [$p[0], $p[1], -$p[0] - $d[0], -$p[1] - $d[1], $d[0], $d[1], $by(0.0, -$t / $m)];

        return $r;
    }
}
