<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Check\Measuring\Patterns;
use Cubo\Check\Measuring\SizeRows;
use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Measure\Flat;
use Cubo\Measure\PartMeasures;

/** Steps, slanting faces, rounded and chamfered edges. */
final class FaceProposals
{
    /** Slanting faces that are proposed, largest first. */
    private const MOST_ANGLES = 4;

    /** Heights of flat faces that are proposed along one axis. */
    private const MOST_LEVELS = 40;

    /** @return list<Requirement> */
    public static function of(PartMeasures $part, float $tolerance): array
    {
        return [...self::steps($part, $tolerance), ...self::angles($part), ...self::edges($part, $tolerance)];
    }

    /**
     * Steps in the part: from the first face along an axis to every face between the outermost two.
     *
     * @return list<Requirement>
     */
    private static function steps(PartMeasures $part, float $tolerance): array
    {
        $min = $part->bounds()->min;
        $size = $part->bounds()->size();
        $out = [];
        foreach ([0, 1, 2] as $axis) {
            $levels = [];
            foreach ($part->features()->flats as $f) {
                if (abs(abs($f->normal[$axis]) - 1) > 1e-9) {
                    continue;
                }
                $at = Proposer::clean($f->centroid[$axis] - $min[$axis]);
                $sign = $f->normal[$axis] > 0 ? 1 : -1;
                if (! isset($levels["$at"]) || $levels["$at"][1] < $f->area) {
                    $levels["$at"] = [$at, $f->area, $sign];
                }
            }
            ksort($levels, SORT_NUMERIC);
            foreach (array_slice($levels, 0, self::MOST_LEVELS, true) as [$at, , $sign]) {
                if ($at < 1e-6 || $at > $size[$axis] - 1e-6 || ! isset($levels['0'])) {
                    continue;
                }
                $out[] = new Requirement('step-' . Proposer::AXIS[$axis][2] . '-' . round($at, 3), RequirementKind::FaceDistance,
                    'From ' . Proposer::AXIS[$axis][1] . ' to the ' . ($sign > 0 ? 'step' : 'edge'), $at, $tolerance, 2, count($levels) === 3,
                    ['axis' => $axis, 'low' => 0.0, 'high' => $at, 'lowSign' => -1, 'highSign' => $sign]);
            }
        }

        return $out;
    }

    /** @return list<Requirement> */
    private static function angles(PartMeasures $part): array
    {
        $out = [];
        $chamfers = array_map(static fn (array $c): int => spl_object_id($c[1]), Patterns::chamfers($part));
        foreach ($part->features()->flats as $f) {
            if (max(array_map(abs(...), $f->normal)) > 1 - 1e-6 || in_array(spl_object_id($f), $chamfers, true) || count($out) === self::MOST_ANGLES) {
                continue;
            }
            // against the ground, except where the face is upright
            $axis = abs($f->normal[2]) > 1e-6 ? 2 : 1;
            $n = array_map(static fn (float $v): float => round($v, 6) + 0.0, $f->normal);
            $out[] = new Requirement('angle-' . substr(md5(implode(' ', $n) . round($f->offset, 2)), 0, 6), RequirementKind::Angle, 'Slanting face against the ' . ($axis === 2 ? 'ground' : 'front'), Proposer::clean(round(SizeRows::against($f, $axis), 6)), 1.0, 1, false,
                ['axis' => $axis, 'nx' => $n[0], 'ny' => $n[1], 'nz' => $n[2], 'side' => self::slope($f, $axis)]);
        }

        return $out;
    }

    /** How long a slanting face is the way it falls against a plane across an axis, mm. */
    private static function slope(Flat $f, int $axis): float
    {
        $rise = $f->box === null ? 0.0 : $f->box[1][$axis] - $f->box[0][$axis];

        return Proposer::clean($rise / max(1e-6, sqrt(1 - $f->normal[$axis] ** 2)));
    }

    /** @return list<Requirement> */
    private static function edges(PartMeasures $part, float $tolerance): array
    {
        $out = $rounds = $chamfers = [];
        foreach ($part->features()->arcs as $p) {
            if ($p->turn < M_PI - 0.05) {
                $rounds[(string) round($p->low, 3)][(int) $p->hollow][] = $p->low;
            }
        }
        foreach ($part->features()->rings as $p) {
            if ($p->turn < M_PI - 0.05) {
                $rounds[(string) round($p->tube, 3)][(int) $p->hollow][] = $p->tube;
            }
        }
        foreach ($rounds as $radius => $kinds) {
            foreach ($kinds as $hollow => $list) {
                $out[] = new Requirement('round-' . $radius . ($hollow ? '-in' : ''), RequirementKind::Rounds, $hollow ? 'Rounded inner edges' : 'Rounded edges', Proposer::clean($list[0]), $tolerance, 1, false, ['count' => count($list), 'hollow' => $hollow]);
            }
        }
        foreach (Patterns::chamfers($part) as [$width]) {
            $chamfers[(string) round($width, 3)][] = $width;
        }
        foreach ($chamfers as $width => $list) {
            $out[] = new Requirement("chamfer-$width", RequirementKind::Chamfers, 'Chamfers', Proposer::clean($list[0]), $tolerance, 1, false, ['count' => count($list)]);
        }

        return $out;
    }
}
