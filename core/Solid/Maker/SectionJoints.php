<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\Refused;

/**
 * Which places of the sections of a loft belong together: sections with equally many corners are joined corner to corner, in the
 * turn in which they lie most alike in space; others where the rays from their middles at the same angle leave them.
 */
final class SectionJoints
{
    /**
     * @param list<SectionOutline> $outlines
     * @param list<Transform> $places
     * @return list<list<float>> by section: where each stretch begins, mm along, rising
     *
     * @throws Refused not-alike
     */
    public static function of(array $outlines, array $places): array
    {
        $turns = array_map(static fn(Transform $place): float => self::turned($places[0], $place), $places);
        $all = [];
        $corners = array_map(static fn(SectionOutline $o): array => $o->corners(), $outlines);
        $counts = array_unique(array_map('count', $corners));
        if (count($counts) === 1 && $counts[0] > 0) {
            $all[] = $corners[0];
            for ($i = 1; $i < count($corners); $i++) {
                $all[] = self::bestTurn($outlines[$i - 1], $all[$i - 1], $outlines[$i], $corners[$i], $turns[$i] - $turns[$i - 1]);
            }

            return $all;
        }
        // rays through every corner of every section; four of them where there is none
        $angles = [];
        foreach ($outlines as $i => $o) {
            foreach ($corners[$i] as $s) {
                [$u, $v] = $o->at($s);
                $a = atan2($v - $o->middle[1], $u - $o->middle[0]) + $turns[$i];
                $a -= 2 * M_PI * ceil(($a - M_PI - 1e-9) / (2 * M_PI));
                $angles[(string) round($a, 7)] = $a;
            }
        }
        if ($angles === []) {
            $angles = [0.0, M_PI / 2, M_PI, -M_PI / 2];
        }
        sort($angles);
        foreach ($outlines as $i => $o) {
            $joints = [];
            foreach ($angles as $a) {
                $s =
                    $o->along($a - $turns[$i]) ??
                    throw new Refused(
                        'not-alike',
                        'These outlines have different counts of corners and cannot be joined ray by ray from their middles.',
                    );
                while ($joints !== [] && $s < $joints[count($joints) - 1] - 1e-9) {
                    $s += $o->length;
                }
                $joints[] = $s;
            }
            $all[] = $joints;
        }

        return $all;
    }

    /**
     * The corners in the turn in which their directions from the middle fit those of the section before best.
     *
     * @param list<float> $joints
     * @param list<float> $corners
     * @param float $between radians by which the frame of the second is turned against that of the first
     * @return list<float>
     */
    private static function bestTurn(SectionOutline $a, array $joints, SectionOutline $b, array $corners, float $between): array
    {
        $m = count($corners);
        [$cos, $sin] = [cos($between), sin($between)];
        $best = -INF;
        $out = $corners;
        for ($turn = 0; $turn < $m; $turn++) {
            $fit = 0.0;
            foreach ($joints as $k => $s) {
                [$u, $v] = $a->at($s);
                [$x, $y] = $b->at($corners[($k + $turn) % $m]);
                $u -= $a->middle[0];
                $v -= $a->middle[1];
                $x -= $b->middle[0];
                $y -= $b->middle[1];
                [$x, $y] = [$cos * $x - $sin * $y, $sin * $x + $cos * $y];
                $fit += ($u * $x + $v * $y) / (hypot($u, $v) * hypot($x, $y));
            }
            if ($fit > $best + 1e-9) {
                $best = $fit;
                $out = [];
                for ($k = 0; $k < $m; $k++) {
                    $out[] = $corners[($k + $turn) % $m] + ($k + $turn >= $m ? $b->length : 0.0);
                }
            }
        }

        return $out;
    }

    /**
     * How far a section's frame is turned about its normal against the first one's, with the normals laid on each other the
     * shortest way: corners are compared as they lie in space, however the sketches were drawn.
     *
     * @return float radians
     */
    private static function turned(Transform $first, Transform $other): float
    {
        [$n, $m, $e] = [$first->direction([0.0, 0.0, 1.0]), $other->direction([0.0, 0.0, 1.0]), $other->direction([1.0, 0.0, 0.0])];
        $axis = Vector::cross($m, $n);
        $sin = Vector::length($axis);
        if ($sin > 1e-12) {
            $e = Vector::turned($e, Vector::unit($axis), rad2deg(atan2($sin, Vector::dot($m, $n))));
        }

        return atan2(Vector::dot($e, $first->direction([0.0, 1.0, 0.0])), Vector::dot($e, $first->direction([1.0, 0.0, 0.0])));
    }
}
