<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Geometry\Vector;
use Cubo\Measure\Bounds;
use Cubo\Measure\Hole;
use Cubo\Measure\PartMeasures;
use Cubo\Measure\RoundPiece;
use Cubo\Quantity\Amount;
use Cubo\Solid\Solid;

/** What is missing or too much, as pieces of the difference to the reference part. */
final class FeatureSlips
{
    /**
     * @param bool $explained whether all that is off has its reason already
     * @return list<Finding>
     */
    public static function of(Facts $facts, bool $explained = false): array
    {
        if ($facts->subject->reference === null) {
            return [];
        }
        // a piece made downward may leave the part as it would be upside down
        $direction = self::direction($facts);
        // laid over the drawing's part it is that part: what is off is not its shape
        if ($direction === null && $facts->isReference()) {
            return [];
        }
        $out = array_values(array_filter([$direction, self::taper($facts), self::doubled($facts)]));
        if ($out !== [] || $explained) {
            return $out;
        }
        // with as many faces as the drawing's part a size is off, and no feature missing
        $told =
            $facts->off(
                'size',
                'face-distance',
                'distance',
                'hole-diameter',
                'hole-place',
                'hole-depth',
                'pin-diameter',
                'pin-place',
                'pin-height',
                'bodies',
                'slot-length',
                'slot-width',
            ) !== [] && self::count($facts->subject->part) === self::count($facts->subject->reference);
        [$missing, $surplus] = $facts->differences();
        if ($missing !== [] && $surplus === []) {
            return [self::lacking($facts, $missing, $told)];
        }
        if ($surplus !== [] && $missing === []) {
            return [self::tooMuch($facts, $surplus, $told)];
        }

        return $out;
    }

    /** How many faces of each kind a part has. */
    private static function count(PartMeasures $m): string
    {
        $f = $m->features();

        return implode(' ', array_map(count(...), [$f->flats, $f->holes, $f->bosses, $f->cones, $f->arcs, $f->slots]));
    }

    /** @param list<Solid> $missing */
    private static function lacking(Facts $facts, array $missing, bool $told): Finding
    {
        $m = new PartMeasures($missing[0], $facts->subject->part->budget);
        $rows = array_map(static fn($r): string => $r->id, $facts->off());
        $place = ['kind' => 'spot', 'at' => $m->bounds()->middle()];
        $volume = Amount::volume(
            array_sum(array_map(static fn(Solid $s): float => abs($s->facettedVolume()), $missing)),
            $facts->subject->unit,
        );
        if ($facts->areas() !== null ? !$facts->areas()[1] : $facts->subject->making === null && self::isOfOutline($facts, $m->bounds())) {
            return new Finding(
                Slip::RegionForgotten,
                0.88,
                "A piece of $volume is missing over the whole height of what stands beside it: an area of the sketch was left out.",
                $rows,
                $place,
            );
        }
        if (self::cutMissed($facts)) {
            return new Finding(Slip::WrongDirection, 0.9, 'A cut or a piece goes the wrong way: ' . $volume . ' differ.', $rows, $place);
        }

        return new Finding(Slip::FeatureMissing, $told ? 0.45 : 0.88, "A piece of $volume is missing at the marked spot.", $rows, $place);
    }

    /** @param list<Solid> $surplus */
    private static function tooMuch(Facts $facts, array $surplus, bool $told): Finding
    {
        $m = new PartMeasures($surplus[0], $facts->subject->part->budget);
        $rows = array_map(static fn($r): string => $r->id, $facts->off());
        $place = ['kind' => 'spot', 'at' => $m->bounds()->middle()];
        $volume = Amount::volume(
            array_sum(array_map(static fn(Solid $s): float => abs($s->facettedVolume()), $surplus)),
            $facts->subject->unit,
        );
        if (self::cutMissed($facts)) {
            return new Finding(
                Slip::WrongDirection,
                0.92,
                "A cut goes the wrong way and takes nothing away: $volume are too much.",
                $rows,
                $place,
            );
        }
        if ($facts->areas()[1] ?? false) {
            return new Finding(
                Slip::AllRegions,
                0.93,
                "All areas of the sketch were taken: $volume are too much. Choose the areas one by one.",
                $rows,
                $place,
            );
        }
        // what fills a hollow of the drawing was to be cut away
        if (self::fills($facts, $m->bounds())) {
            return new Finding(
                Slip::FeatureMissing,
                $told ? 0.45 : 0.88,
                "A cut is missing: $volume are too much at the marked spot.",
                $rows,
                $place,
            );
        }

        return new Finding(Slip::FeatureExtra, $told ? 0.45 : 0.85, "$volume are there that are not on the drawing.", $rows, $place);
    }

    /** Made on the other side: what is missing and what is too much are mirror images across a face of the part. */
    public static function direction(Facts $facts): ?Finding
    {
        $ref = $facts->subject->reference;
        if ($ref === null) {
            return null;
        }
        $step = $facts->turnedStep();
        if ($step !== null) {
            $rows = array_map(static fn($r): string => $r->id, $facts->off());

            return new Finding(
                Slip::WrongDirection,
                0.97,
                ($step->name === '' ? 'A step' : "“{$step->name}”") . ' goes the wrong way: turned round, this is the part of the drawing.',
                $rows,
            );
        }
        // what is only elsewhere is not less and not more
        if (abs($facts->subject->part->mass()->volume / $ref->mass()->volume - 1) > 0.01) {
            return null;
        }
        [$missing, $surplus] = $facts->differences();
        if (count($missing) !== 1 || count($surplus) !== 1) {
            return null;
        }
        [$m, $s] = [
            new PartMeasures($missing[0], $facts->subject->part->budget),
            new PartMeasures($surplus[0], $facts->subject->part->budget),
        ];
        if (abs($m->mass()->volume / $s->mass()->volume - 1) > 0.02) {
            return null;
        }
        // what has another place lacks something here and has it there, too
        foreach ($facts->off('hole-place', 'pin-place') as $row) {
            if (
                isset($row->place['centre']) &&
                (self::holds($m->bounds(), $row->place['centre']) || self::holds($s->bounds(), $row->place['centre']))
            ) {
                return null;
            }
        }
        if (self::taper($facts) !== null) {
            return null;
        }
        foreach ([0, 1, 2] as $axis) {
            $same = true;
            foreach ([0, 1, 2] as $k) {
                $alike = abs($m->bounds()->size()[$k] - $s->bounds()->size()[$k]) < 0.05;
                $there = abs($m->bounds()->middle()[$k] - $s->bounds()->middle()[$k]) < 0.05;
                $same = $same && $alike && ($k === $axis ? !$there : $there);
            }
            if (($same && $axis === 2) || ($same && self::mirroredAcross($m, $s, $axis))) {
                $rows = array_map(static fn($r): string => $r->id, $facts->off());

                return new Finding(
                    Slip::WrongDirection,
                    0.96,
                    'A piece of ' .
                        Amount::volume($m->mass()->volume, $facts->subject->unit) .
                        ' is there, but on the other side: it was made ' .
                        ['to the other side', 'forward instead of backward, or the reverse', 'downward instead of upward, or the reverse'][
                            $axis
                        ] .
                        '.',
                    $rows,
                    ['kind' => 'spot', 'at' => $s->bounds()->middle()],
                );
            }
        }

        return null;
    }

    /** @param array{float,float,float} $p */
    private static function holds(Bounds $b, array $p): bool
    {
        foreach ([0, 1, 2] as $k) {
            if ($p[$k] < $b->min[$k] - 0.5 || $p[$k] > $b->max[$k] + 0.5) {
                return false;
            }
        }

        return true;
    }

    /** Whether both pieces end at one plane between them: a place that is off has them overlap or lie anyhow. */
    private static function mirroredAcross(PartMeasures $m, PartMeasures $s, int $axis): bool
    {
        [$a, $b] = [$m->bounds(), $s->bounds()];

        return abs($a->min[$axis] - $b->max[$axis]) < 0.05 || abs($a->max[$axis] - $b->min[$axis]) < 0.05;
    }

    /** A cone or slanting faces that lean the other way. */
    private static function taper(Facts $facts): ?Finding
    {
        $ref = $facts->subject->reference?->features();
        $own = $facts->subject->part->features();
        if ($ref === null) {
            return null;
        }
        $rows = array_map(static fn($r): string => $r->id, $facts->off());
        foreach ($ref->cones as $c) {
            $alike = array_values(
                array_filter(
                    $own->cones,
                    static fn(RoundPiece $p): bool => $p->hollow === $c->hollow && abs(Vector::dot($p->axis, $c->axis)) > 1 - 1e-4,
                ),
            );
            $right = array_filter($alike, static fn(RoundPiece $p): bool => ($p->high - $p->low) * ($c->high - $c->low) > 0);
            $other = array_filter(
                $alike,
                static fn(RoundPiece $p): bool => ($p->high - $p->low) * ($c->high - $c->low) < 0 &&
                    abs(abs($p->high - $p->low) - abs($c->high - $c->low)) < 0.1 * abs($c->high - $c->low) + 0.1,
            );
            if ($right === [] && $other !== []) {
                return new Finding(Slip::TaperReversed, 0.96, 'A cone is wide where it should be narrow.', $rows, [
                    'kind' => 'spot',
                    'at' => $other[array_key_first($other)]->point,
                ]);
            }
        }
        $leaning = static fn($f): bool => abs($f->normal[2]) > 0.01 && abs($f->normal[2]) < 0.7;
        [$asked, $got] = [array_filter($ref->flats, $leaning), array_filter($own->flats, $leaning)];
        if ($asked === [] || $got === []) {
            return null;
        }
        $turned = 0;
        foreach ($asked as $f) {
            $is = static fn(float $sign): bool => array_filter(
                $got,
                static fn($g): bool => abs($g->normal[2] - $sign * $f->normal[2]) < 0.01 &&
                    abs($g->normal[0] - $f->normal[0]) < 0.02 &&
                    abs($g->normal[1] - $f->normal[1]) < 0.02,
            ) !== [];
            $turned += !$is(1.0) && $is(-1.0) ? 1 : 0;
        }

        return 2 * $turned > count($asked)
            ? new Finding(Slip::TaperReversed, 0.96, 'Slanting sides lean inward where they should lean outward, or the reverse.', $rows, [
                'kind' => 'spot',
                'at' => $got[array_key_first($got)]->centroid,
            ])
            : null;
    }

    /** More holes or pins of one width than there should be. */
    private static function doubled(Facts $facts): ?Finding
    {
        $ref = $facts->subject->reference?->features();
        $own = $facts->subject->part->features();
        if ($ref === null) {
            return null;
        }
        foreach ([['hole', $ref->holes, $own->holes], ['round', $ref->bosses, $own->bosses]] as [$what, $asked, $got]) {
            $count = static function (array $list): array {
                $n = [];
                foreach ($list as $h) {
                    /** @var Hole $h */
                    $n[$h->principal() . '|' . round($h->radius, 1)] = ($n[$h->principal() . '|' . round($h->radius, 1)] ?? 0) + 1;
                }

                return $n;
            };
            [$have, $want] = [$count($got), $count($asked)];
            foreach ($have as $key => $n) {
                if ($n > ($want[$key] ?? 0) && count($got) > count($asked) && self::wantedAllThere($have, $want)) {
                    $rows = array_map(static fn($r): string => $r->id, $facts->off());
                    $extra = array_values(
                        array_filter($got, static fn(Hole $h): bool => $h->principal() . '|' . round($h->radius, 1) === (string) $key),
                    );

                    return isset($want[$key])
                        ? new Finding(
                            Slip::FeatureDoubled,
                            0.9,
                            "There are $n {$what}s of this kind; {$want[$key]} " .
                                ($want[$key] === 1 ? 'is' : 'are') .
                                ' asked. Was a copy, a mirror or a repeat made once too often?',
                            $rows,
                            ['kind' => 'spot', 'at' => $extra[count($extra) - 1]->point],
                        )
                        : new Finding(Slip::FeatureExtra, 0.85, "There is a $what that is not on the drawing.", $rows, [
                            'kind' => 'spot',
                            'at' => $extra[0]->point,
                        ]);
                }
            }
        }

        return null;
    }

    /**
     * @param array<string, int> $have
     * @param array<string, int> $want
     */
    private static function wantedAllThere(array $have, array $want): bool
    {
        foreach ($want as $key => $n) {
            if (($have[$key] ?? 0) < $n) {
                return false;
            }
        }

        return true;
    }

    /** Whether a missing piece runs over the whole height, width or depth of what is there, as an area of an outline does. */
    private static function isOfOutline(Facts $facts, Bounds $piece): bool
    {
        $ref = $facts->subject->reference?->bounds();
        if ($ref === null) {
            return false;
        }
        // a level face of the part at its top and its bottom, beside it
        $levels = static fn(float $sign): array => array_map(
            static fn($f): float => $f->centroid[2],
            array_filter($facts->subject->part->features()->flats, static fn($f): bool => $f->normal[2] * $sign > 1 - 1e-9),
        );
        $low = $facts->subject->part->bounds()->min[2] - $ref->min[2];
        $has = static fn(array $list, float $z): bool => array_filter($list, static fn(float $v): bool => abs($v - $low - $z) < 0.02) !==
            [];

        return $has($levels(1.0), $piece->max[2]) && $has($levels(-1.0), $piece->min[2]) && abs($piece->min[2] - $ref->min[2]) < 0.02;
    }

    /** Whether a surplus piece lies inside the outer limits of the drawing's part: a hollow that was not cut. */
    private static function fills(Facts $facts, Bounds $piece): bool
    {
        $ref = $facts->subject->reference?->bounds();
        foreach ([0, 1, 2] as $k) {
            if ($ref === null || $piece->min[$k] < $ref->min[$k] - 0.02 || $piece->max[$k] > $ref->max[$k] + 0.02) {
                return false;
            }
        }

        return true;
    }

    /** Whether a step of the recipe was to cut and meets nothing. */
    public static function cutMissed(Facts $facts): bool
    {
        $making = $facts->subject->making;
        if ($making === null) {
            return false;
        }
        foreach ($making->made($making->recipe, $facts->subject->part->budget)->results as $result) {
            foreach ($result->messages as $m) {
                if ($m->code === 'cuts-nothing') {
                    return true;
                }
            }
        }

        return false;
    }
}
