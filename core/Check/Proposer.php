<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;

/**
 * Reads what can be asked from a reference part: every nominal value comes from its geometry. The ids tell what a
 * requirement is about, so that a teacher's choices survive a change of the reference part.
 */
final class Proposer
{
    /** Parts that differ from their mirror image by no more than the facets' rise are symmetric, mm. */
    private const MIRRORED = 0.035;

    private const AXIS = [['Width', 'left', 'x'], ['Depth', 'front', 'y'], ['Height', 'bottom', 'z']];

    /** @return list<Requirement> */
    public static function propose(PartMeasures $part, Unit $unit): array
    {
        if ($part->solid->isEmpty()) {
            return [];
        }
        $fine = $unit === Unit::Inch ? 0.254 : 0.2;
        $bounds = $part->bounds();
        $size = $bounds->size();
        $out = [];
        foreach ([0, 1, 2] as $axis) {
            $out[] = new Requirement('size-' . self::AXIS[$axis][2], RequirementKind::Size, self::AXIS[$axis][0], self::clean($size[$axis]), $fine, 2, true, ['axis' => $axis]);
        }
        array_push($out, ...self::holes($part, $fine), ...self::faceDistances($part, $fine));
        $out[] = new Requirement('volume', RequirementKind::Volume, 'Volume', $part->mass()->volume, 1.0, 2, false);
        foreach ([0 => 'Same left and right', 1 => 'Same front and back', 2 => 'Same top and bottom'] as $axis => $label) {
            if ($part->symmetry($axis)->deviation < self::MIRRORED) {
                $out[] = new Requirement('symmetry-' . self::AXIS[$axis][2], RequirementKind::Symmetry, $label, 0.0, $fine, 2, $axis === 0, ['axis' => $axis]);
            }
        }
        $out[] = new Requirement('bodies', RequirementKind::Bodies, $part->bodyCount() === 1 ? 'One piece' : 'Pieces', (float) $part->bodyCount(), 0.0, 1, true);
        $out[] = new Requirement('closed', RequirementKind::Closed, 'Closed solid', 1.0, 0.0, 1, false);
        $out[] = new Requirement('fits-bed', RequirementKind::FitsBed, 'Fits the printer', 0.0, 0.0, 1, false, array_fill_keys(['x', 'y', 'z'], $unit === Unit::Inch ? 7 * 25.4 : 180.0));
        $area = $part->standingArea();
        $out[] = new Requirement('standing', RequirementKind::Standing, 'Stands on the bed', floor($area * 0.9), 0.0, 1, abs($bounds->min[2]) < 1e-6 && $area > 20);
        $out[] = new Requirement('wall', RequirementKind::Wall, 'Thinnest wall', $unit === Unit::Inch ? 1.27 : 1.2, 0.0, 1, false);

        return $out;
    }

    /** @return list<Requirement> */
    private static function holes(PartMeasures $part, float $tolerance): array
    {
        $min = $part->bounds()->min;
        $out = [];
        $list = array_values(array_filter($part->features()->holes, static fn ($h): bool => $h->principal() !== null));
        $siblings = array_count_values(array_map(static fn ($h): string => 'a' . $h->principal(), $list));
        foreach ($list as $i => $h) {
            $axis = (int) $h->principal();
            [$a, $b] = self::others($axis);
            $where = ['axis' => $axis, 'u' => self::clean($h->point[$a] - $min[$a]), 'v' => self::clean($h->point[$b] - $min[$b]), 'siblings' => $siblings["a$axis"]];
            $name = count($list) === 1 ? 'Hole' : 'Hole ' . ($i + 1);
            $out[] = new Requirement("hole-$i-diameter", RequirementKind::HoleDiameter, "$name, diameter", self::clean(2 * $h->radius), $tolerance, 2, true, $where);
            $out[] = new Requirement("hole-$i-place", RequirementKind::HolePlace, "$name, from " . self::AXIS[$a][1] . ' and ' . self::AXIS[$b][1], 0.0, $tolerance, 2, true, $where);
            $out[] = new Requirement("hole-$i-depth", RequirementKind::HoleDepth, $h->through ? "$name goes through" : "$name, depth", $h->through ? 0.0 : self::clean($h->depth()), $tolerance, 1, false, $where);
        }

        return $out;
    }

    /**
     * Steps in the part: from the first face along an axis to every face between the outermost two.
     *
     * @return list<Requirement>
     */
    private static function faceDistances(PartMeasures $part, float $tolerance): array
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
                $at = self::clean($f->centroid[$axis] - $min[$axis]);
                $sign = $f->normal[$axis] > 0 ? 1 : -1;
                if (! isset($levels["$at"]) || $levels["$at"][1] < $f->area) {
                    $levels["$at"] = [$at, $f->area, $sign];
                }
            }
            ksort($levels, SORT_NUMERIC);
            foreach ($levels as [$at, , $sign]) {
                if ($at < 1e-6 || $at > $size[$axis] - 1e-6 || ! isset($levels['0'])) {
                    continue;
                }
                $out[] = new Requirement('step-' . self::AXIS[$axis][2] . '-' . round($at, 3), RequirementKind::FaceDistance,
                    'From ' . self::AXIS[$axis][1] . ' to the ' . ($sign > 0 ? 'step' : 'edge'), $at, $tolerance, 2, count($levels) === 3,
                    ['axis' => $axis, 'low' => 0.0, 'high' => $at, 'lowSign' => -1, 'highSign' => $sign]);
            }
        }

        return $out;
    }

    /** @return array{int,int} the two axes across the given one, in order */
    public static function others(int $axis): array
    {
        return [[1, 2], [0, 2], [0, 1]][$axis];
    }

    /** Removes the last digits' noise: 11.999999999 is 12. */
    private static function clean(float $v): float
    {
        return abs($v - round($v, 7)) < 1e-8 * max(1.0, abs($v)) ? round($v, 7) + 0.0 : $v;
    }
}
