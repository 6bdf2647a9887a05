<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Check\Axes;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Measuring\Patterns;
use Cubo\Check\Requirement;
use Cubo\Measure\Flat;

/** Steps, slanting faces, rounded and chamfered edges. */
final class FaceProposals
{
    /** Radians that a rounded edge turns less than half way round. */
    private const HALF = 0.05;

    /** Slanting faces that are proposed, largest first. */
    private const MOST_ANGLES = 4;

    /** Heights of flat faces that are proposed along one axis. */
    private const MOST_LEVELS = 40;

    /**
     * Steps in the part: from the first face along an axis to every face between the outermost two.
     *
     * @return list<Requirement>
     */
    public static function steps(Proposing $p, Kind $kind): array
    {
        [$part, $tolerance] = [$p->part, $p->tolerance];
        $min = $part->bounds()->min;
        $size = $part->bounds()->size();
        $out = [];
        foreach ([0, 1, 2] as $axis) {
            $levels = [];
            foreach ($part->features()->flats as $f) {
                if (abs(abs($f->normal[$axis]) - 1) > 1e-9) {
                    continue;
                }
                $at = Axes::clean($f->centroid[$axis] - $min[$axis]);
                $sign = $f->normal[$axis] > 0 ? 1 : -1;
                if (!isset($levels["$at"]) || $levels["$at"][1] < $f->area) {
                    $levels["$at"] = [$at, $f->area, $sign];
                }
            }
            ksort($levels, SORT_NUMERIC);
            foreach (array_slice($levels, 0, self::MOST_LEVELS, true) as [$at, , $sign]) {
                if ($at < 1e-6 || $at > $size[$axis] - 1e-6 || !isset($levels['0'])) {
                    continue;
                }
                $out[] = new Requirement(
                    'step-' . Axes::LETTER[$axis] . '-' . round($at, 3),
                    $kind,
                    'From ' . Axes::FIRST[$axis] . ' to the ' . ($sign > 0 ? 'step' : 'edge'),
                    $at,
                    $tolerance,
                    2,
                    count($levels) === 3,
                    ['axis' => $axis, 'low' => 0.0, 'high' => $at, 'lowSign' => -1, 'highSign' => $sign],
                );
            }
        }

        return $out;
    }

    /** @return list<Requirement> */
    public static function angles(Proposing $p, Kind $kind): array
    {
        $part = $p->part;
        $out = [];
        $chamfers = array_map(static fn(array $c): int => spl_object_id($c[1]), Patterns::chamfers($part));
        foreach ($part->features()->flats as $f) {
            if (
                max(array_map(abs(...), $f->normal)) > 1 - 1e-6 ||
                in_array(spl_object_id($f), $chamfers, true) ||
                count($out) === self::MOST_ANGLES
            ) {
                continue;
            }
            // against the ground, except where the face is upright
            $axis = abs($f->normal[2]) > 1e-6 ? 2 : 1;
            $n = array_map(static fn(float $v): float => round($v, 6) + 0.0, $f->normal);
            $out[] = new Requirement(
                'angle-' . substr(md5(implode(' ', $n) . round($f->offset, 2)), 0, 6),
                $kind,
                'Slanting face against the ' . ($axis === 2 ? 'ground' : 'front'),
                Axes::clean(round(self::against($f, $axis), 6)),
                1.0,
                1,
                false,
                ['axis' => $axis, 'nx' => $n[0], 'ny' => $n[1], 'nz' => $n[2], 'side' => self::slope($f, $axis)],
            );
        }

        return $out;
    }

    /** How long a slanting face is the way it falls against a plane across an axis, mm. */
    private static function slope(Flat $f, int $axis): float
    {
        $rise = $f->box === null ? 0.0 : $f->box[1][$axis] - $f->box[0][$axis];

        return Axes::clean($rise / max(1e-6, sqrt(1 - $f->normal[$axis] ** 2)));
    }

    /** @return list<Requirement> */
    public static function rounds(Proposing $p, Kind $kind): array
    {
        $rounds = $out = [];
        foreach ($p->part->features()->arcs as $arc) {
            if ($arc->turn < M_PI - self::HALF) {
                $rounds[(string) round($arc->low, 3)][(int) $arc->hollow][] = $arc->low;
            }
        }
        foreach ($p->part->features()->rings as $ring) {
            if ($ring->turn < M_PI - self::HALF) {
                $rounds[(string) round($ring->tube, 3)][(int) $ring->hollow][] = $ring->tube;
            }
        }
        foreach ($rounds as $radius => $kinds) {
            foreach ($kinds as $hollow => $list) {
                $out[] = new Requirement(
                    'round-' . $radius . ($hollow ? '-in' : ''),
                    $kind,
                    $hollow ? 'Rounded inner edges' : 'Rounded edges',
                    Axes::clean($list[0]),
                    $p->tolerance,
                    1,
                    false,
                    ['count' => count($list), 'hollow' => $hollow],
                );
            }
        }

        return $out;
    }

    /** @return list<Requirement> */
    public static function chamfers(Proposing $p, Kind $kind): array
    {
        $chamfers = $out = [];
        foreach (Patterns::chamfers($p->part) as [$width]) {
            $chamfers[(string) round($width, 3)][] = $width;
        }
        foreach ($chamfers as $width => $list) {
            $out[] = new Requirement("chamfer-$width", $kind, 'Chamfers', Axes::clean($list[0]), $p->tolerance, 1, false, [
                'count' => count($list),
            ]);
        }

        return $out;
    }

    /** The angle of a face to the plane across an axis, degrees. */
    public static function against(Flat $f, int $axis): float
    {
        return rad2deg(acos(min(1.0, abs($f->normal[$axis]))));
    }
}
