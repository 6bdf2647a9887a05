<?php

declare(strict_types=1);

namespace Cubo\Printing;

use Cubo\Measure\PartMeasures;

/**
 * How far a part that stands may be leaned before it falls: the angle at the centre of mass between the upright and the
 * nearest side of what it stands on (statics: it falls when its centre of mass passes over that side).
 */
final readonly class Tipping
{
    /**
     * @param float $angle degrees; 0 when the centre of mass is not above what it stands on
     * @param array{float,float,float}|null $over a point of the side it would fall over
     */
    private function __construct(public float $angle, public ?array $over) {}

    public static function of(PartMeasures $m): self
    {
        $s = $m->solid;
        if ($s->isEmpty()) {
            return new self(0.0, null);
        }
        $low = $m->bounds()->min[2];
        $points = [];
        foreach ($s->z as $v => $z) {
            if ($z < $low + 1e-4) {
                $points[] = [$s->x[$v], $s->y[$v]];
            }
        }
        $hull = self::hull($points);
        $c = $m->mass()->centroid;
        if (count($hull) < 3 || $c[2] - $low < 1e-9) {
            return new self(0.0, $hull === [] ? null : [$hull[0][0], $hull[0][1], $low]);
        }
        $least = INF;
        $over = null;
        $n = count($hull);
        for ($i = 0; $i < $n; $i++) {
            [$a, $b] = [$hull[$i], $hull[($i + 1) % $n]];
            $long = hypot($b[0] - $a[0], $b[1] - $a[1]);
            // counter-clockwise: inside lies to the left
            $inside = (($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0])) / $long;
            if ($inside < $least) {
                $least = $inside;
                $over = [($a[0] + $b[0]) / 2, ($a[1] + $b[1]) / 2, $low];
            }
        }

        return new self($least <= 0 ? 0.0 : rad2deg(atan2($least, $c[2] - $low)), $over);
    }

    /**
     * Convex hull, counter-clockwise (A. M. Andrew, "Another efficient algorithm for convex hulls in two dimensions",
     * Information Processing Letters 9, 1979).
     *
     * @param list<array{float,float}> $points
     * @return list<array{float,float}>
     */
    public static function hull(array $points): array
    {
        sort($points);
        $points = array_values(array_unique($points, SORT_REGULAR));
        if (count($points) < 3) {
            return $points;
        }
        $halves = [];
        foreach ([$points, array_reverse($points)] as $run) {
            $half = [];
            foreach ($run as $p) {
                while (count($half) >= 2) {
                    [$a, $b] = [$half[count($half) - 2], $half[count($half) - 1]];
                    if (($b[0] - $a[0]) * ($p[1] - $a[1]) - ($b[1] - $a[1]) * ($p[0] - $a[0]) > 1e-12) {
                        break;
                    }
                    array_pop($half);
                }
                $half[] = $p;
            }
            array_pop($half);
            array_push($halves, ...$half);
        }

        return $halves;
    }
}
