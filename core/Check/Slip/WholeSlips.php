<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Check\Comparing\Alignment;
use Cubo\Check\Kind\Drawn;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Measure\PartMeasures;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;

/** Slips of the whole part: its unit, how it lies, its mirror image, half of it. */
final class WholeSlips
{
    /** @return list<Finding> surest first */
    public static function of(Facts $facts): array
    {
        $out = array_values(array_filter([self::scaled($facts), self::turned($facts) ?? self::mirrored($facts), self::half($facts)]));
        usort($out, static fn(Finding $a, Finding $b): int => $b->confidence <=> $a->confidence);

        return $out;
    }

    /** All sizes are the same multiple of what they should be. */
    public static function scaled(Facts $facts): ?Finding
    {
        $asked = self::sizes($facts);
        if ($asked === null) {
            return null;
        }
        $got = $facts->subject->part->bounds()->size();
        sort($got);
        sort($asked);
        $k = $got[2] / max(1e-9, $asked[2]);
        foreach ([0, 1] as $i) {
            if (!Numbers::near($got[$i] / max(1e-9, $asked[$i]), $k)) {
                return null;
            }
        }
        $volume = $facts->subject->reference?->mass()->volume;
        // the sizes alone may agree by chance; the volume does not
        $sure = $volume === null ? 0.95 : (abs($facts->subject->part->mass()->volume / ($volume * $k ** 3) - 1) < 0.02 ? 0.99 : 0.9);
        if (Numbers::near($k, 25.4) || Numbers::near($k, 1 / 25.4)) {
            return new Finding(
                Slip::Unit,
                $sure,
                $k > 1
                    ? 'Every size is 25.4 times as large: numbers in millimetres were taken for inches.'
                    : 'Every size is 25.4 times too small: numbers in inches were taken for millimetres.',
            );
        }
        foreach ([1000.0, 100.0, 10.0, 2.0, 0.5, 0.1, 0.01, 0.001] as $f) {
            if (Numbers::near($k, $f)) {
                return new Finding(
                    Slip::Scaled,
                    $sure,
                    'Every size is ' .
                        ($f > 1 ? (int) $f . ' times as large' : (int) round(1 / $f) . ' times too small') .
                        (in_array($f, [10.0, 0.1], true)
                            ? ': centimetres and millimetres?'
                            : ($f === 2.0 || $f === 0.5
                                ? ': drawn to a scale?'
                                : ': metres and millimetres?')),
                );
            }
        }

        return abs($k - 1) > 0.02 && $sure > 0.95
            ? new Finding(Slip::Scaled, 0.95, 'Every size is ' . round($k, 3) . ' times what is asked.')
            : null;
    }

    /** @return array{float,float,float}|null overall sizes that are asked */
    private static function sizes(Facts $facts): ?array
    {
        if ($facts->subject->reference !== null) {
            return $facts->subject->reference->bounds()->size();
        }
        $sizes = [];
        foreach ($facts->subject->exercise->requirements as $r) {
            if ($r->kind->drawn() === Drawn::Overall) {
                $sizes[$r->axis()] = $r->nominal;
            }
        }

        return count($sizes) === 3 ? [$sizes[0], $sizes[1], $sizes[2]] : null;
    }

    private static function turned(Facts $facts): ?Finding
    {
        $fit = $facts->fit();
        if ($fit === null || !$fit->within($facts->same()) || $fit->isStraight() || self::downward($facts)) {
            return null;
        }

        return new Finding(Slip::Turned, 0.97, 'The part is right, but it lies ' . $fit->words() . ' against the drawing.');
    }

    private static function mirrored(Facts $facts): ?Finding
    {
        $fit = $facts->fit();
        if ($fit === null || $fit->within($facts->same())) {
            return null;
        }
        $mirrored = $facts->fit(true);
        if ($mirrored === null || !$mirrored->within($facts->same()) || self::grows($facts)) {
            return null;
        }

        return new Finding(
            Slip::MirrorImage,
            0.97,
            'The part is right, but it is the mirror image of the one on the drawing: left and right, or front and back, are the other way round.',
        );
    }

    /** Whether it looks turned only because one piece of it was made below the ground instead of above. */
    private static function downward(Facts $facts): bool
    {
        return $facts->subject->part->bounds()->min[2] < -1e-3 && self::grows($facts);
    }

    /** Whether the part is in its place and only one piece of it is on the other side: then a direction is wrong. */
    private static function grows(Facts $facts): bool
    {
        return FeatureSlips::direction($facts) !== null;
    }

    private static function half(Facts $facts): ?Finding
    {
        $ref = $facts->subject->reference;
        $part = $facts->subject->part;
        if ($ref === null || !$part->isClosed() || abs((2 * $part->mass()->volume) / $ref->mass()->volume - 1) > 0.03) {
            return null;
        }
        foreach ([0, 1, 2] as $axis) {
            foreach ([-1.0, 1.0] as $side) {
                $half = self::halved($ref, $axis, $side);
                if ($half === null || !self::alikeIn($part, $half)) {
                    continue;
                }
                $move = Vector::sub($half->bounds()->middle(), $part->bounds()->middle());
                $fit = Alignment::asItLies($part, $half, Transform::translation($move));
                if ($fit->within($facts->same())) {
                    return new Finding(
                        Slip::HalfPart,
                        0.97,
                        'This is one half of the part, up to its ' .
                            ['plane from front to back', 'plane from left to right', 'level middle'][$axis] .
                            '. Was it to be mirrored?',
                        [],
                        ['kind' => 'spot', 'at' => self::cut($part, $axis, -$side)],
                    );
                }
            }
        }

        return null;
    }

    private static function alikeIn(PartMeasures $a, PartMeasures $b): bool
    {
        foreach ($a->bounds()->size() as $k => $size) {
            if (!Numbers::near($size, $b->bounds()->size()[$k])) {
                return false;
            }
        }

        return true;
    }

    /** @return array{float,float,float} the middle of the side it was cut on */
    private static function cut(PartMeasures $part, int $axis, float $side): array
    {
        $at = $part->bounds()->middle();
        $at[$axis] = $side > 0 ? $part->bounds()->max[$axis] : $part->bounds()->min[$axis];

        return $at;
    }

    private static function halved(PartMeasures $ref, int $axis, float $side): ?PartMeasures
    {
        $b = $ref->bounds();
        $min = array_map(static fn(float $v): float => $v - 5, $b->min);
        $size = array_map(static fn(float $v): float => $v + 10, $b->size());
        $size[$axis] /= 2;
        if ($side > 0) {
            $min[$axis] = $b->middle()[$axis];
        }
        $box = Primitives::block('half', $min, $size);
        try {
            $half = BooleanOperation::intersection($ref->solid, $box, $ref->budget);
        } catch (BooleanFailed) {
            return null;
        }

        return $half->isEmpty() ? null : new PartMeasures($half, $ref->budget);
    }
}
