<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\Angle;
use Cubo\Geometry\Transform;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/** A block with rounded or chamfered edges, one corner of its box at the origin. Flats are named as those of a block. */
final class SoftBlock
{
    /**
     * @param array{float,float,float} $size of the whole, mm
     * @param float $radius of the edges
     * @param bool $all all twelve edges, or only the four upright ones
     *
     * @throws Refused no-size; too-wide with the largest radius
     */
    public static function rounded(string $step, array $size, float $radius, bool $all = true): Solid
    {
        return self::make($step, $size, $radius, $all, true);
    }

    /**
     * @param array{float,float,float} $size of the whole, mm
     * @param float $width how much of both neighbouring faces the chamfer takes
     * @param bool $all all twelve edges, or only the four upright ones
     *
     * @throws Refused no-size; too-wide with the largest width
     */
    public static function chamfered(string $step, array $size, float $width, bool $all = true): Solid
    {
        if (!$all) {
            return self::make($step, $size, $width, false, false);
        }
        self::check($size, $width, true);
        // what three prisms share: at a corner the three chamfers meet in a point
        $octagon = static function (float $a, float $b, array $names) use ($width): Profile {
            $points = [
                [$width, 0.0],
                [$a - $width, 0.0],
                [$a, $width],
                [$a, $b - $width],
                [$a - $width, $b],
                [$width, $b],
                [0.0, $b - $width],
                [0.0, $width],
            ];
            [$low, $right, $high, $left] = $names;
            // x before y before z, whichever way the octagon lies
            $edge = static fn(string $p, string $q): string => in_array($q, ['left', 'right'], true) ||
            in_array($p, ['bottom', 'top'], true)
                ? "$q $p"
                : "$p $q";
            $sides = [$low, $edge($right, $low), $right, $edge($right, $high), $high, $edge($left, $high), $left, $edge($left, $low)];

            return new Profile([
                array_map(static fn(array $q, string $name): array => [...$q, ['name' => $name, 'circle' => null]], $points, $sides),
            ]);
        };
        [$a, $b, $c] = $size;
        $along = [
            [
                $octagon($a, $b, ['front', 'right', 'back', 'left']),
                $c,
                [1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0],
                ['start' => 'bottom', 'end' => 'top'],
            ],
            [
                $octagon($b, $c, ['bottom', 'back', 'top', 'front']),
                $a,
                [0.0, 0.0, 1.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0],
                ['start' => 'left', 'end' => 'right'],
            ],
            [
                $octagon($c, $a, ['left', 'top', 'right', 'bottom']),
                $b,
                [0.0, 1.0, 0.0, 0.0, 0.0, 1.0, 1.0, 0.0, 0.0],
                ['start' => 'front', 'end' => 'back'],
            ],
        ];
        $out = null;
        foreach ($along as [$profile, $length, $turn, $ends]) {
            $prism = Extrusion::straight($step, $profile, 0.0, $length, new Transform($turn))->renamed(
                static fn(string $n): string => "$step:" . ($ends[substr($n, strlen($step) + 1)] ?? substr($n, strlen($step) + 1)),
            );
            $out = $out === null ? $prism : BooleanOperation::intersection($out, $prism);
        }

        return $out;
    }

    /** @param array{float,float,float} $size */
    private static function check(array $size, float $r, bool $all): void
    {
        foreach ([...$size, $r] as $s) {
            if (!is_finite($s) || $s <= 0) {
                throw new Refused('no-size', 'A size is not a number above zero.');
            }
        }
        $most = min($size[0], $size[1], $all ? $size[2] : INF) / 2;
        if ($r >= $most) {
            throw new Refused('too-wide', 'The edges are too wide for the block: those on both sides would meet.', $most);
        }
    }

    /** @param array{float,float,float} $size */
    private static function make(string $step, array $size, float $r, bool $all, bool $round): Solid
    {
        self::check($size, $r, $all);
        $quarter = [[1.0, 0.0], [0.0, 1.0]];
        if ($round) {
            $n = intdiv(Fineness::facets($r), 4);
            $quarter = array_map(static fn(int $i): array => Angle::cosSin((90.0 * $i) / $n), range(0, $n));
        }
        // rings from below: how far drawn in, how high
        $rings = [[0.0, 0.0], [0.0, $size[2]]];
        if ($all) {
            $rings = [];
            foreach (array_reverse($quarter) as [$c, $s]) {
                $rings[] = [$r * (1 - $c), $r * (1 - $s)];
            }
            foreach ($quarter as [$c, $s]) {
                $rings[] = [$r * (1 - $c), $size[2] - $r * (1 - $s)];
            }
        }
        // the corners' middles, counter-clockwise from front right, and the quarter turn each begins at
        $middles = [[$size[0] - $r, $r, 3], [$size[0] - $r, $size[1] - $r, 0], [$r, $size[1] - $r, 1], [$r, $r, 2]];
        $stations = [];
        foreach ($rings as [$in, $z]) {
            $loop = [];
            foreach ($middles as [$mx, $my, $q]) {
                foreach ($quarter as [$c, $s]) {
                    [$x, $y] = [[$c, $s], [-$s, $c], [-$c, -$s], [$s, -$c]][$q];
                    $loop[] = [$mx + ($r - $in) * $x, $my + ($r - $in) * $y, $z];
                }
            }
            $stations[] = [$loop];
        }
        $turns = count($quarter);
        $steps = count($quarter) - 1;
        $surface = static function (int $i, int $l, int $k) use ($step, $size, $r, $round, $middles, $turns, $all, $steps): Surface {
            $corner = intdiv($k, $turns);
            $flat = $k % $turns === $turns - 1;
            $side = ['right', 'back', 'left', 'front'][$corner];
            $edge = ['right front', 'right back', 'left back', 'left front'][$corner];
            $level = $all ? ($i < $steps ? 'bottom' : ($i > $steps ? 'top' : '')) : '';
            if ($level === '') {
                if ($flat) {
                    return Surface::plane("$step:$side");
                }
                [$mx, $my] = $middles[$corner];

                return $round ? Surface::cylinder("$step:$edge", [$mx, $my, 0.0], [0.0, 0.0, 1.0], $r) : Surface::plane("$step:$edge");
            }
            if (!$round) {
                return Surface::plane($flat ? "$step:$side $level" : "$step:$edge $level");
            }
            $z = $level === 'top' ? $size[2] - $r : $r;
            if (!$flat) {
                return Surface::sphere("$step:$edge $level", [$middles[$corner][0], $middles[$corner][1], $z], $r);
            }
            [$mx, $my] = $middles[$corner];

            return Surface::cylinder("$step:$side $level", [$mx, $my, $z], $corner % 2 === 0 ? [0.0, 1.0, 0.0] : [1.0, 0.0, 0.0], $r);
        };

        return Skin::over($stations, $surface, "$step:bottom", "$step:top");
    }
}
