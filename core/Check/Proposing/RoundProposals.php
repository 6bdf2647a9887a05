<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Check\Axes;
use Cubo\Check\Kind\Feature;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Measuring\Patterns;
use Cubo\Check\Requirement;
use Cubo\Measure\Hole;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\RoundPiece;

/** Holes, pins, sinkings, cones and slots, and how holes repeat. */
final class RoundProposals
{
    /** mm: steps of a row that differ by less are even */
    private const EVEN = 0.01;

    /** Cosine: what leans less against an axis runs along it. */
    private const ALONG = 1 - 1e-6;

    /** Between how many pairs of holes a distance is proposed. */
    private const MOST_DISTANCES = 4;

    /** Holes, pins, sinkings and slots that are proposed one by one; how many there are is always proposed. */
    private const MOST_SINGLE = 60;

    /**
     * @param list<Hole> $list
     * @return list<Hole>
     */
    private static function along(array $list): array
    {
        return array_values(array_filter($list, static fn(Hole $h): bool => $h->principal() !== null));
    }

    /** @return array<string, float|int> */
    private static function where(PartMeasures $part, int $axis, float ...$point): array
    {
        [$a, $b] = Axes::others($axis);
        $min = $part->bounds()->min;

        return ['axis' => $axis, 'u' => Axes::clean($point[$a] - $min[$a]), 'v' => Axes::clean($point[$b] - $min[$b])];
    }

    /**
     * Holes or pins one by one: how wide, where, how deep or high.
     *
     * @return list<Requirement>
     */
    public static function single(Proposing $p, Feature $of, Kind $width, Kind $place, Kind $depth): array
    {
        [$part, $tolerance, $what] = [$p->part, $p->tolerance, $of->value];
        $list = self::along($of === Feature::Hole ? $part->features()->holes : $part->features()->bosses);
        $out = $there = [];
        $siblings = array_count_values(array_map(static fn(Hole $h): string => 'a' . $h->principal(), $list));
        $asked = $of === Feature::Hole;
        foreach (array_slice($list, 0, self::MOST_SINGLE) as $i => $h) {
            $axis = (int) $h->principal();
            [$a, $b] = Axes::others($axis);
            $where = self::where($part, $axis, ...$h->point) + ['siblings' => $siblings["a$axis"]];
            // several on one axis, as in a counterbore, are told apart by their width
            $key = "$axis|" . round((float) $where['u'], 4) . '|' . round((float) $where['v'], 4);
            $nth = $there[$key] = ($there[$key] ?? -1) + 1;
            $where += $nth > 0 ? ['nth' => $nth, 'diameter' => Axes::clean(2 * $h->radius)] : ['diameter' => Axes::clean(2 * $h->radius)];
            $name = ($asked ? 'Hole' : 'Round') . (count($list) === 1 ? '' : ' ' . ($i + 1));
            $out[] = new Requirement(
                "$what-$i-diameter",
                $width,
                "$name, diameter",
                Axes::clean(2 * $h->radius),
                $tolerance,
                2,
                $asked,
                $where,
            );
            $out[] = new Requirement(
                "$what-$i-place",
                $place,
                "$name, from " . Axes::FIRST[$a] . ' and ' . Axes::FIRST[$b],
                0.0,
                $tolerance,
                2,
                $asked,
                $where,
            );
            $out[] = $asked
                ? new Requirement(
                    "hole-$i-depth",
                    $depth,
                    $h->through ? "$name goes through" : "$name, depth",
                    $h->through ? 0.0 : Axes::clean($h->depth()),
                    $tolerance,
                    1,
                    false,
                    $where,
                )
                : new Requirement("pin-$i-height", $depth, "$name, height", Axes::clean($h->depth()), $tolerance, 1, false, $where);
        }

        return $out;
    }

    /**
     * How equal holes repeat: how many, on what circle, how far from one to the next.
     *
     * @return list<Requirement>
     */
    public static function patterns(Proposing $p, Kind $count, Kind $circleOf, Kind $pitch, Kind $distance): array
    {
        [$part, $tolerance] = [$p->part, $p->tolerance];
        $groups = [];
        foreach (self::along($part->features()->holes) as $h) {
            $groups[$h->principal() . '|' . round(2 * $h->radius, 3)][] = $h;
        }
        $out = [];
        $distances = 0;
        foreach ($groups as $holes) {
            $axis = (int) $holes[0]->principal();
            $diameter = Axes::clean(2 * $holes[0]->radius);
            $where = ['axis' => $axis, 'diameter' => $diameter, 'count' => count($holes)];
            $id = Axes::LETTER[$axis] . '-' . round($diameter, 2);
            $name = count($holes) . (count($holes) === 1 ? ' hole ⌀ ' : ' holes ⌀ ') . round($diameter, 2);
            $out[] = new Requirement("count-$id", $count, "$name, no more", (float) count($holes), 0.0, 1, false, $where);
            $circle = Patterns::circle($holes, $axis);
            if ($circle !== null) {
                $out[] = new Requirement(
                    "circle-$id",
                    $circleOf,
                    "$name, pitch circle",
                    Axes::clean($circle[2]),
                    $tolerance,
                    2,
                    false,
                    $where,
                );
            }
            $row = Patterns::row($holes, $axis);
            if ($row !== null && $row[0] - $row[1] < self::EVEN) {
                $out[] = new Requirement("pitch-$id", $pitch, "$name, pitch", Axes::clean($row[0]), $tolerance, 2, false, $where);
            }
            [$a, $b] = Axes::others($axis);
            for ($i = 1; $i < count($holes) && $distances < self::MOST_DISTANCES; $i++, $distances++) {
                [$one, $next] = [$holes[$i - 1], $holes[$i]];
                $to = self::where($part, $axis, ...$next->point);
                $out[] = new Requirement(
                    "between-$id-$i",
                    $distance,
                    'Between the axes of two holes ⌀ ' . round($diameter, 2),
                    Axes::clean(hypot($one->point[$a] - $next->point[$a], $one->point[$b] - $next->point[$b])),
                    $tolerance,
                    2,
                    false,
                    self::where($part, $axis, ...$one->point) + ['u2' => $to['u'], 'v2' => $to['v'], 'diameter' => $diameter],
                );
            }
        }

        return $out;
    }

    /**
     * Cones that are sunk into holes, and those that stand.
     *
     * @return list<Requirement>
     */
    public static function cones(Proposing $p, Kind $wide, Kind $opening, Kind $taper): array
    {
        [$part, $tolerance] = [$p->part, $p->tolerance];
        $out = [];
        foreach (array_slice($part->features()->cones, 0, self::MOST_SINGLE) as $i => $c) {
            $axis = self::axisOf($c);
            if ($axis === null) {
                continue;
            }
            $where = self::where($part, $axis, ...$c->point);
            $angle = $where + ['up' => $c->high > $c->low ? 1 : -1, 'side' => Axes::clean(hypot($c->length(), $c->high - $c->low))];
            if ($c->hollow) {
                $out[] = new Requirement(
                    "sink-$i-diameter",
                    $wide,
                    'Sinking, diameter',
                    Axes::clean(2 * max($c->low, $c->high)),
                    $tolerance,
                    2,
                    false,
                    $where,
                );
                $out[] = new Requirement("sink-$i-angle", $opening, 'Sinking, angle', Axes::clean($c->opening()), 1.0, 1, false, $angle);
            } else {
                $out[] = new Requirement("taper-$i", $taper, 'Cone, angle', Axes::clean($c->opening()), 1.0, 1, false, $angle);
            }
        }

        return $out;
    }

    private static function axisOf(RoundPiece $p): ?int
    {
        foreach ($p->axis as $k => $v) {
            if (abs($v) > self::ALONG) {
                return $k;
            }
        }

        return null;
    }

    /** @return list<Requirement> */
    public static function slots(Proposing $p, Kind $length, Kind $width): array
    {
        [$part, $tolerance] = [$p->part, $p->tolerance];
        $out = [];
        foreach (array_slice($part->features()->slots, 0, self::MOST_SINGLE) as $i => $s) {
            $axis = null;
            foreach ($s->axis as $k => $v) {
                $axis = abs($v) > self::ALONG ? $k : $axis;
            }
            if ($axis === null) {
                continue;
            }
            $where = self::where($part, $axis, ...$s->middle);
            $out[] = new Requirement("slot-$i-length", $length, 'Slot, length', Axes::clean($s->length), $tolerance, 2, false, $where);
            $out[] = new Requirement("slot-$i-width", $width, 'Slot, width', Axes::clean($s->width), $tolerance, 2, false, $where);
        }

        return $out;
    }
}
