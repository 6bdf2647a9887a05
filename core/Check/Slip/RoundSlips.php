<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Check\Axes;
use Cubo\Check\Kind\Drawn;
use Cubo\Check\Kind\Feature;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Geometry\Vector;
use Cubo\Measure\Hole;

/** Slips of holes and pins: diameter for radius, the wrong face or edge, not through, missing. */
final class RoundSlips
{
    private const DIAMETERS = ['hole-diameter', 'pin-diameter', 'sink-diameter', 'pitch-circle'];

    /** @return list<Finding> */
    public static function of(Facts $facts): array
    {
        $asked = [];
        foreach ($facts->subject->exercise->requirements as $r) {
            $asked[$r->id] = $r;
        }
        $out = [];
        foreach ($facts->rows as $row) {
            $r = $asked[$row->id] ?? null;
            if ($r === null || $row->status === 'met' || $row->status === 'unknown') {
                continue;
            }
            $f = match (true) {
                $row->status === 'missing' && $r->kind->of() === Feature::Hole => self::gone($facts, $r, $row),
                in_array($row->kind, self::DIAMETERS, true) && $row->deviation !== null => self::diameter($facts, $r, $row),
                in_array($row->kind, ['hole-place', 'pin-place'], true) && $row->deviation !== null => self::place($facts, $r, $row),
                $row->kind === 'hole-depth' && $row->status === 'off' => self::depth($r, $row),
                default => null,
            };
            if ($f !== null) {
                $out[] = $f;
            }
        }

        return $out;
    }

    private static function diameter(Facts $facts, Requirement $r, Row $row): Finding
    {
        $unit = $facts->subject->unit;
        $got = $r->nominal + $row->deviation;
        $says = "{$r->label} is {$unit->show($got)}; {$unit->brief($r->nominal)} is asked.";
        if (Numbers::near($got, $r->nominal / 2) || Numbers::near($got, 2 * $r->nominal)) {
            return new Finding(
                Slip::DiameterRadius,
                0.95,
                $says .
                    ($got < $r->nominal
                        ? ' It is half: the radius was typed where the diameter is meant.'
                        : ' It is twice as much: the diameter was typed where the radius is meant.'),
                [$row->id],
                $row->place,
            );
        }
        $slip = Numbers::slip($got, $r->nominal, $unit);

        return $slip !== null
            ? new Finding($slip[0], $slip[1], "$says {$slip[2]}", [$row->id], $row->place)
            : new Finding(Slip::SizeWrong, 0.65, $says, [$row->id], $row->place);
    }

    private static function place(Facts $facts, Requirement $r, Row $row): ?Finding
    {
        $hole = self::near($facts, $r, $row);
        if ($hole === null) {
            return null;
        }
        // another overall size moves every place that is measured from its far side
        [$a, $b] = Axes::others($r->axis());
        $bounds = $facts->subject->part->bounds();
        $size = $bounds->size();
        $asked = [$r->number('u'), $r->number('v')];
        $got = [$hole->point[$a] - $bounds->min[$a], $hole->point[$b] - $bounds->min[$b]];
        $unit = $facts->subject->unit;
        $says = "{$r->label}: it sits at {$unit->show($got[0])}, {$unit->show($got[1])}; {$unit->brief($asked[0])}, {$unit->brief(
            $asked[1],
        )} is asked.";
        if (self::same($got[0], $asked[1], $r) && self::same($got[1], $asked[0], $r)) {
            return new Finding(Slip::SizesSwapped, 0.9, "$says Both are there, but the other way round.", [$row->id], $row->place);
        }
        foreach ([[0, $a], [1, $b]] as [$i, $axis]) {
            if (self::same($got[$i], $asked[$i], $r)) {
                continue;
            }
            if (self::sizeIsOff($facts, $axis)) {
                // the place follows from the size that is wrong, and is told there
                return new Finding(Slip::PlaceWrong, 0.3, $says, [$row->id], $row->place);
            }
            $half = $size[$axis] / 2;
            foreach (
                [
                    [$size[$axis] - $got[$i], 'from the opposite side'],
                    [$got[$i] - $half, 'from the middle instead of the edge'],
                    [$half - $got[$i], 'from the middle instead of the edge'],
                    [$size[$axis] - $got[$i] + $half, 'from the middle instead of the edge'],
                    // the way from the middle taken for the way from the edge
                    [$half - abs($got[$i]), 'from the edge as if from the middle'],
                ]
                as [$other, $how]
            ) {
                if (self::same($other, $asked[$i], $r)) {
                    return new Finding(Slip::HoleWrongEdge, 0.92, "$says It was measured $how.", [$row->id], $row->place);
                }
            }
            $slip = Numbers::slip($got[$i], $asked[$i], $unit);
            // measured from the middle a slip of the number shows there
            $slip ??= Numbers::slip(abs($got[$i] - $half), abs($asked[$i] - $half), $unit);
            if ($slip !== null && $slip[0] !== Slip::TotalAsHalf) {
                return new Finding($slip[0], $slip[1] - 0.05, "$says {$slip[2]}", [$row->id], $row->place);
            }
        }

        return new Finding(Slip::PlaceWrong, 0.7, $says, [$row->id], $row->place);
    }

    private static function sizeIsOff(Facts $facts, int $axis): bool
    {
        $off = array_map(static fn(Row $r): string => $r->id, $facts->off('size'));
        foreach ($facts->subject->exercise->requirements as $r) {
            if ($r->kind->drawn() === Drawn::Overall && $r->axis() === $axis && in_array($r->id, $off, true)) {
                return true;
            }
        }

        return false;
    }

    private static function same(float $a, float $b, Requirement $r): bool
    {
        return abs($a - $b) <= max($r->tolerance, 1e-3);
    }

    private static function near(Facts $facts, Requirement $r, Row $row): ?Hole
    {
        $f = $facts->subject->part->features();
        foreach ($r->kind->of() === Feature::Pin ? $f->bosses : $f->holes as $h) {
            [$a, $b] = Axes::others($r->axis());
            if (
                $h->principal() === $r->axis() &&
                isset($row->place['centre']) &&
                hypot($h->point[$a] - $row->place['centre'][$a], $h->point[$b] - $row->place['centre'][$b]) < 1e-6
            ) {
                return $h;
            }
        }

        return null;
    }

    private static function depth(Requirement $r, Row $row): ?Finding
    {
        if ($r->goesThrough()) {
            return new Finding(Slip::NotThrough, 0.95, $row->diagnosis, [$row->id], $row->place);
        }

        return $row->measured === 'through' ? new Finding(Slip::TooDeep, 0.93, $row->diagnosis, [$row->id], $row->place) : null;
    }

    private static function gone(Facts $facts, Requirement $r, Row $row): Finding
    {
        $wide = $r->number('diameter') ?: ($r->kind->id() === 'hole-diameter' ? $r->nominal : 0.0);
        foreach ($facts->subject->part->features()->holes as $h) {
            if ($h->principal() !== $r->axis() && $wide > 0 && abs(2 * $h->radius - $wide) < 0.02 * $wide && !self::asked($facts, $h)) {
                return new Finding(
                    Slip::HoleWrongFace,
                    0.93,
                    "{$r->label}: a hole of this width runs the other way. Was it put on the wrong face?",
                    [$row->id],
                    ['kind' => 'spot', 'at' => $h->point],
                );
            }
        }
        $areas = $facts->areas();
        if ($areas !== null && !$areas[1]) {
            return new Finding(Slip::RegionForgotten, 0.94, "{$r->label} has nothing to go through: an area of the sketch was left out.", [
                $row->id,
            ]);
        }
        if ($areas !== null) {
            return new Finding(
                Slip::AllRegions,
                0.94,
                "{$r->label}: the area inside the circle was taken along when the sketch was extruded. Choose the areas one by one.",
                [$row->id],
            );
        }
        if (FeatureSlips::cutMissed($facts)) {
            return new Finding(Slip::WrongDirection, 0.94, "{$r->label} is not there: a cut goes the wrong way and takes nothing away.", [
                $row->id,
            ]);
        }

        return new Finding(Slip::FeatureMissing, 0.9, "{$r->label}: {$row->diagnosis}", [$row->id]);
    }

    /** Whether the exercise has a hole like this one there. */
    private static function asked(Facts $facts, Hole $h): bool
    {
        $ref = $facts->subject->reference;
        if ($ref === null) {
            return false;
        }
        $shift = Vector::sub($ref->bounds()->min, $facts->subject->part->bounds()->min);
        foreach ($ref->features()->holes as $q) {
            $d = Vector::sub(Vector::add($h->point, $shift), $q->point);
            $d = Vector::add($d, $q->axis, -Vector::dot($d, $q->axis));
            if (
                abs(Vector::dot($q->axis, $h->axis)) > 1 - 1e-6 &&
                Vector::length($d) < 0.5 &&
                abs($q->radius - $h->radius) < 0.02 * $q->radius
            ) {
                return true;
            }
        }

        return false;
    }
}
