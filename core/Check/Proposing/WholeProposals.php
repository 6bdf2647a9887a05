<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Check\Proposer;
use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Geometry\Vector;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\Symmetry;

/** Volume, mass, symmetry, and what is asked of the whole part. */
final class WholeProposals
{
    /** Parts that differ from their mirror image by no more than the facets' rise are symmetric, mm. */
    private const MIRRORED = 0.035;

    /** g/cm3 of the material that is proposed first: common printing plastic; common practice, no source. */
    private const DENSITY = 1.24;

    /** Percent in common with the reference part. */
    private const SHARE = 98.0;

    /** @return list<Requirement> */
    public static function of(PartMeasures $part, float $tolerance): array
    {
        $mass = $part->mass();
        $out = [new Requirement('volume', RequirementKind::Volume, 'Volume', $mass->volume, 1.0, 2, false)];
        $symmetric = [];
        foreach ([0 => 'Same left and right', 1 => 'Same front and back', 2 => 'Same top and bottom'] as $axis => $label) {
            $symmetric[$axis] = Symmetry::across($part->solid, $axis, $part->bounds(), $part->tree(), null, self::MIRRORED)->deviation < self::MIRRORED;
            if ($symmetric[$axis]) {
                $out[] = new Requirement('symmetry-' . Proposer::AXIS[$axis][2], RequirementKind::Symmetry, $label, 0.0, $tolerance, 2, $axis === 0, ['axis' => $axis]);
                if (abs($part->bounds()->middle()[$axis]) < 1e-6 && $axis < 2) {
                    $out[] = new Requirement('symmetry-' . Proposer::AXIS[$axis][2] . '-origin', RequirementKind::Symmetry, "$label of the origin", 0.0, $tolerance, 2, false, ['axis' => $axis, 'about' => 'origin']);
                }
            }
        }
        foreach ([2 => ['', ''], 0 => ['-x', ' the line left to right'], 1 => ['-y', ' the line front to back']] as $axis => [$end, $words]) {
            $order = self::order($part, $axis);
            // two alike about a level line is what two mirror planes say already
            if ($order > ($axis === 2 ? 1 : 2)) {
                $out[] = new Requirement("rotation-$order$end", RequirementKind::Rotation, "Alike $order times round$words", 0.0, $tolerance, 2, false, ['axis' => $axis, 'order' => $order]);
            }
        }
        foreach ([0 => 'Left and right differ', 1 => 'Front and back differ'] as $axis => $label) {
            if (! $symmetric[$axis]) {
                $out[] = new Requirement('differs-' . Proposer::AXIS[$axis][2], RequirementKind::NotSymmetric, $label, Symmetry::alike($part->bounds()), 0.0, 1, false, ['axis' => $axis]);
            }
        }
        $out[] = new Requirement('mass', RequirementKind::Mass, 'Mass', $mass->volume * self::DENSITY / 1000, 1.0, 2, false, ['density' => self::DENSITY]);
        $out[] = new Requirement('area', RequirementKind::Area, 'Surface', $mass->area, 1.0, 1, false);
        $c = Vector::sub($mass->centroid, $part->bounds()->min);
        $out[] = new Requirement('centroid', RequirementKind::Centroid, 'Centre of mass', 0.0, max($tolerance, 0.5), 1, false, ['x' => Proposer::clean($c[0]), 'y' => Proposer::clean($c[1]), 'z' => Proposer::clean($c[2])]);
        $out[] = new Requirement('bodies', RequirementKind::Bodies, $part->bodyCount() === 1 ? 'One piece' : 'Pieces', (float) $part->bodyCount(), 0.0, 1, true);
        $out[] = new Requirement('closed', RequirementKind::Closed, 'Closed solid', 1.0, 0.0, 1, false);
        if (hypot($part->bounds()->middle()[0], $part->bounds()->middle()[1]) < 1e-6) {
            $out[] = new Requirement('centred', RequirementKind::Centred, 'Middle on the origin', 0.0, $tolerance, 1, false);
        }
        $out[] = new Requirement('pose', RequirementKind::Pose, 'Lies as drawn', 0.0, 0.0, 1, false);
        $out[] = new Requirement('shape', RequirementKind::Shape, 'Whole shape', self::SHARE, 0.0, 2, false);

        return $out;
    }

    /** How many times it comes to lie on itself round an axis through its centre of mass: as often as equal holes do at the most. */
    private static function order(PartMeasures $part, int $axis): int
    {
        $count = [];
        foreach ($part->features()->holes as $h) {
            if ($h->principal() === $axis) {
                $count[(string) round($h->radius, 3)] = ($count[(string) round($h->radius, 3)] ?? 0) + 1;
            }
        }
        foreach (array_unique([...array_values($count), 6, 5, 4, 3, 2]) as $n) {
            if ($n > 1 && $n <= 24 && Symmetry::turned($part->solid, $axis, $n, $part->mass()->centroid, $part->tree(), self::MIRRORED)->deviation < self::MIRRORED) {
                return $n;
            }
        }

        return 1;
    }
}
