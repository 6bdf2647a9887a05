<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Check\Measuring\Patterns;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Measure\Hole;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\RoundPiece;

/** Holes, pins, sinkings, cones and slots, and how holes repeat. */
final class RoundProposals
{
    /** Between how many pairs of holes a distance is proposed. */
    private const MOST_DISTANCES = 4;

    /** Holes, pins, sinkings and slots that are proposed one by one; how many there are is always proposed. */
    private const MOST_SINGLE = 60;

    /** @return list<Requirement> */
    public static function of(PartMeasures $part, float $tolerance): array
    {
        $f = $part->features();

        return [
            ...self::rounds($part, self::along($f->holes), $tolerance, 'hole', ['hole' => RequirementKind::HoleDiameter, 'place' => RequirementKind::HolePlace, 'depth' => RequirementKind::HoleDepth]),
            ...self::patterns($part, $tolerance),
            ...self::cones($part, $tolerance),
            ...self::slots($part, $tolerance),
            ...self::rounds($part, self::pins($part), $tolerance, 'pin', ['hole' => RequirementKind::PinDiameter, 'place' => RequirementKind::PinPlace, 'depth' => RequirementKind::PinHeight]),
        ];
    }

    /**
     * @param list<Hole> $list
     * @return list<Hole>
     */
    private static function along(array $list): array
    {
        return array_values(array_filter($list, static fn (Hole $h): bool => $h->principal() !== null));
    }

    /** @return list<Hole> */
    private static function pins(PartMeasures $part): array
    {
        return self::along($part->features()->bosses);
    }

    /** @return array<string, float|int> */
    private static function where(PartMeasures $part, int $axis, float ...$point): array
    {
        [$a, $b] = Proposer::others($axis);
        $min = $part->bounds()->min;

        return ['axis' => $axis, 'u' => Proposer::clean($point[$a] - $min[$a]), 'v' => Proposer::clean($point[$b] - $min[$b])];
    }

    /**
     * @param list<Hole> $list
     * @param array{hole: RequirementKind, place: RequirementKind, depth: RequirementKind} $kinds
     * @return list<Requirement>
     */
    private static function rounds(PartMeasures $part, array $list, float $tolerance, string $what, array $kinds): array
    {
        $out = $there = [];
        $siblings = array_count_values(array_map(static fn (Hole $h): string => 'a' . $h->principal(), $list));
        $asked = $what === 'hole';
        foreach (array_slice($list, 0, self::MOST_SINGLE) as $i => $h) {
            $axis = (int) $h->principal();
            [$a, $b] = Proposer::others($axis);
            $where = self::where($part, $axis, ...$h->point) + ['siblings' => $siblings["a$axis"]];
            // several on one axis, as in a counterbore, are told apart by their width
            $key = "$axis|" . round((float) $where['u'], 4) . '|' . round((float) $where['v'], 4);
            $nth = $there[$key] = ($there[$key] ?? -1) + 1;
            $where += $nth > 0 ? ['nth' => $nth, 'diameter' => Proposer::clean(2 * $h->radius)] : ['diameter' => Proposer::clean(2 * $h->radius)];
            $name = ($asked ? 'Hole' : 'Round') . (count($list) === 1 ? '' : ' ' . ($i + 1));
            $out[] = new Requirement("$what-$i-diameter", $kinds['hole'], "$name, diameter", Proposer::clean(2 * $h->radius), $tolerance, 2, $asked, $where);
            $out[] = new Requirement("$what-$i-place", $kinds['place'], "$name, from " . Proposer::AXIS[$a][1] . ' and ' . Proposer::AXIS[$b][1], 0.0, $tolerance, 2, $asked, $where);
            $out[] = $asked
                ? new Requirement("hole-$i-depth", $kinds['depth'], $h->through ? "$name goes through" : "$name, depth", $h->through ? 0.0 : Proposer::clean($h->depth()), $tolerance, 1, false, $where)
                : new Requirement("pin-$i-height", $kinds['depth'], "$name, height", Proposer::clean($h->depth()), $tolerance, 1, false, $where);
        }

        return $out;
    }

    /** @return list<Requirement> */
    private static function patterns(PartMeasures $part, float $tolerance): array
    {
        $groups = [];
        foreach (self::along($part->features()->holes) as $h) {
            $groups[$h->principal() . '|' . round(2 * $h->radius, 3)][] = $h;
        }
        $out = [];
        $distances = 0;
        foreach ($groups as $holes) {
            $axis = (int) $holes[0]->principal();
            $diameter = Proposer::clean(2 * $holes[0]->radius);
            $where = ['axis' => $axis, 'diameter' => $diameter, 'count' => count($holes)];
            $id = Proposer::AXIS[$axis][2] . '-' . round($diameter, 2);
            $name = count($holes) . (count($holes) === 1 ? ' hole ⌀ ' : ' holes ⌀ ') . round($diameter, 2);
            $out[] = new Requirement("count-$id", RequirementKind::HoleCount, "$name, no more", (float) count($holes), 0.0, 1, false, $where);
            $circle = Patterns::circle($holes, $axis);
            if ($circle !== null) {
                $out[] = new Requirement("circle-$id", RequirementKind::PitchCircle, "$name, pitch circle", Proposer::clean($circle[2]), $tolerance, 2, false, $where);
            }
            $row = Patterns::row($holes, $axis);
            if ($row !== null && $row[0] - $row[1] < 0.01) {
                $out[] = new Requirement("pitch-$id", RequirementKind::Pitch, "$name, pitch", Proposer::clean($row[0]), $tolerance, 2, false, $where);
            }
            [$a, $b] = Proposer::others($axis);
            for ($i = 1; $i < count($holes) && $distances < self::MOST_DISTANCES; $i++, $distances++) {
                [$p, $q] = [$holes[$i - 1], $holes[$i]];
                $to = self::where($part, $axis, ...$q->point);
                $out[] = new Requirement("between-$id-$i", RequirementKind::AxisDistance, 'Between the axes of two holes ⌀ ' . round($diameter, 2), Proposer::clean(hypot($p->point[$a] - $q->point[$a], $p->point[$b] - $q->point[$b])), $tolerance, 2, false,
                    self::where($part, $axis, ...$p->point) + ['u2' => $to['u'], 'v2' => $to['v'], 'diameter' => $diameter]);
            }
        }

        return $out;
    }

    /** @return list<Requirement> */
    private static function cones(PartMeasures $part, float $tolerance): array
    {
        $out = [];
        foreach (array_slice($part->features()->cones, 0, self::MOST_SINGLE) as $i => $c) {
            $axis = self::axisOf($c);
            if ($axis === null) {
                continue;
            }
            $where = self::where($part, $axis, ...$c->point);
            $angle = $where + ['up' => $c->high > $c->low ? 1 : -1, 'side' => Proposer::clean(hypot($c->length(), $c->high - $c->low))];
            if ($c->hollow) {
                $out[] = new Requirement("sink-$i-diameter", RequirementKind::SinkDiameter, 'Sinking, diameter', Proposer::clean(2 * max($c->low, $c->high)), $tolerance, 2, false, $where);
                $out[] = new Requirement("sink-$i-angle", RequirementKind::SinkAngle, 'Sinking, angle', Proposer::clean($c->opening()), 1.0, 1, false, $angle);
            } else {
                $out[] = new Requirement("taper-$i", RequirementKind::Taper, 'Cone, angle', Proposer::clean($c->opening()), 1.0, 1, false, $angle);
            }
        }

        return $out;
    }

    private static function axisOf(RoundPiece $p): ?int
    {
        foreach ($p->axis as $k => $v) {
            if (abs($v) > 1 - 1e-6) {
                return $k;
            }
        }

        return null;
    }

    /** @return list<Requirement> */
    private static function slots(PartMeasures $part, float $tolerance): array
    {
        $out = [];
        foreach (array_slice($part->features()->slots, 0, self::MOST_SINGLE) as $i => $s) {
            $axis = null;
            foreach ($s->axis as $k => $v) {
                $axis = abs($v) > 1 - 1e-6 ? $k : $axis;
            }
            if ($axis === null) {
                continue;
            }
            $where = self::where($part, $axis, ...$s->middle);
            $out[] = new Requirement("slot-$i-length", RequirementKind::SlotLength, 'Slot, length', Proposer::clean($s->length), $tolerance, 2, false, $where);
            $out[] = new Requirement("slot-$i-width", RequirementKind::SlotWidth, 'Slot, width', Proposer::clean($s->width), $tolerance, 2, false, $where);
        }

        return $out;
    }
}
