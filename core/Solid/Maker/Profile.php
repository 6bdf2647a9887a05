<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\PlaneCurve;
use Cubo\Solid\Refused;

/**
 * A plane region to extrude, revolve, sweep or loft: closed loops of points, outlines counter-clockwise and holes
 * clockwise, each side labelled with the curve it lies on.
 *
 * Point: [u, v] in mm. Curve of the side that starts at the point: ['name' => string, 'circle' => [cu, cv, r] | null,
 * 'drawn' => the ellipse or spline it lies on | null].
 *
 * @phpstan-type Side array{name:string,circle:array{float,float,float}|null,drawn?:PlaneCurve|null}
 */
final readonly class Profile
{
    /** @param list<list<array{0:float,1:float,2:Side}>> $loops */
    public function __construct(public array $loops) {}

    /**
     * The profile in another frame of its plane.
     *
     * @param callable(float, float): array{float,float} $map a rigid motion or a mirror image
     * @param bool $turnsOver whether it is a mirror image: outlines then run the other way
     */
    public function mapped(callable $map, bool $turnsOver = false): self
    {
        $loops = $drawn = [];
        foreach ($this->loops as $loop) {
            $moved = [];
            foreach ($loop as [$u, $v, $side]) {
                $c = $side['circle'];
                $curve = $side['drawn'] ?? null;
                $moved[] = [
                    ...$map($u, $v),
                    [
                        'name' => $side['name'],
                        'circle' => $c === null ? null : [...$map($c[0], $c[1]), $c[2]],
                        'drawn' => $curve === null ? null : ($drawn[spl_object_id($curve)] ??= $curve->mapped($map)),
                    ],
                ];
            }
            if ($turnsOver) {
                $n = count($moved);
                $back = [];
                for ($i = $n - 1; $i >= 0; $i--) {
                    // the side that begins here now is the one that ended here
                    $back[] = [$moved[$i][0], $moved[$i][1], $moved[($i + $n - 1) % $n][2]];
                }
                $moved = $back;
            }
            $loops[] = $moved;
        }

        return new self($loops);
    }

    /**
     * Itself, if a solid can be made of it.
     *
     * @throws Refused no-region, no-size, crosses-itself
     */
    public function checked(): self
    {
        $area = 0.0;
        foreach ($this->loops as $loop) {
            $n = count($loop);
            if ($n < 3) {
                throw new Refused('no-region', 'An outline needs at least three points.');
            }
            foreach ($loop as $i => [$u, $v]) {
                [$qu, $qv] = $loop[($i + 1) % $n];
                if (!is_finite($u) || !is_finite($v)) {
                    throw new Refused('no-size', 'A point of the region is not a number.');
                }
                if ($u === $qu && $v === $qv) {
                    throw new Refused('no-region', 'Two neighbouring points of an outline are one.');
                }
                $area += $u * $qv - $v * $qu;
            }
        }
        if ($this->crosses()) {
            throw new Refused('crosses-itself', 'The outline of the region crosses itself.');
        }
        if ($area <= 0) {
            throw new Refused('no-region', 'The region encloses nothing.');
        }

        return $this;
    }

    /** Whether two sides cross. Sides are swept along u, so that only those near each other are compared. */
    public function crosses(): bool
    {
        $sides = [];
        foreach ($this->loops as $l => $loop) {
            $n = count($loop);
            foreach ($loop as $i => [$u, $v]) {
                [$qu, $qv] = $loop[($i + 1) % $n];
                $sides[] = [min($u, $qu), max($u, $qu), min($v, $qv), max($v, $qv), $u, $v, $qu, $qv, $l, $i, $n];
            }
        }
        usort($sides, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($sides as $k => [, $right, $low, $high, $au, $av, $bu, $bv, $l, $i, $n]) {
            for ($j = $k + 1; isset($sides[$j]) && $sides[$j][0] <= $right; $j++) {
                [, , $lo, $hi, $cu, $cv, $du, $dv, $m, $o] = $sides[$j];
                if ($lo > $high || $hi < $low || ($l === $m && (abs($i - $o) === 1 || abs($i - $o) === $n - 1))) {
                    continue;
                }
                $s1 = ($bu - $au) * ($cv - $av) - ($bv - $av) * ($cu - $au);
                $s2 = ($bu - $au) * ($dv - $av) - ($bv - $av) * ($du - $au);
                $s3 = ($du - $cu) * ($av - $cv) - ($dv - $cv) * ($au - $cu);
                $s4 = ($du - $cu) * ($bv - $cv) - ($dv - $cv) * ($bu - $cu);
                if ($s1 * $s2 < 0 && $s3 * $s4 < 0) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Whether every hole lies inside an outline. */
    public function nested(): bool
    {
        $outlines = $holes = [];
        foreach ($this->loops as $loop) {
            $area = 0.0;
            foreach ($loop as $i => [$u, $v]) {
                [$qu, $qv] = $loop[($i + 1) % count($loop)];
                $area += $u * $qv - $v * $qu;
            }
            $area > 0 ? ($outlines[] = $loop) : ($holes[] = $loop);
        }
        foreach ($holes as $hole) {
            $inside = array_filter($outlines, static fn(array $loop): bool => self::encloses($loop, $hole[0][0], $hole[0][1])) !== [];
            if (!$inside) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether a point lies inside a loop, by the sides a ray to the right passes.
     *
     * @param list<array{0:float,1:float,2:Side}> $loop
     */
    public static function encloses(array $loop, float $u, float $v): bool
    {
        $in = false;
        foreach ($loop as $i => [$au, $av]) {
            [$bu, $bv] = $loop[($i + 1) % count($loop)];
            if ($av > $v !== $bv > $v && $u < $au + (($v - $av) / ($bv - $av)) * ($bu - $au)) {
                $in = !$in;
            }
        }

        return $in;
    }
}
