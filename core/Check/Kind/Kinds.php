<?php

declare(strict_types=1);

namespace Cubo\Check\Kind;

use InvalidArgumentException;

/** The kinds of requirements there are, in the order in which they are proposed: what practitioners look at first comes first. */
final class Kinds
{
    /** @var list<class-string<Kind>> */
    private const LIST = [
        Size\Size::class,
        Round\HoleDiameter::class,
        Round\HolePlace::class,
        Round\HoleDepth::class,
        Round\HoleCount::class,
        Round\PitchCircle::class,
        Round\Pitch::class,
        Round\AxisDistance::class,
        Round\SinkDiameter::class,
        Round\SinkAngle::class,
        Round\Taper::class,
        Round\SlotLength::class,
        Round\SlotWidth::class,
        Round\PinDiameter::class,
        Round\PinPlace::class,
        Round\PinHeight::class,
        Size\FaceDistance::class,
        Size\Distance::class,
        Size\Angle::class,
        Edge\Rounds::class,
        Edge\Chamfers::class,
        Whole\Volume::class,
        Form\Symmetry::class,
        Form\Rotation::class,
        Form\NotSymmetric::class,
        Whole\Mass::class,
        Whole\Area::class,
        Whole\Centroid::class,
        Whole\Bodies::class,
        Whole\BodyDistance::class,
        Whole\Closed::class,
        Form\Centred::class,
        Form\Pose::class,
        Form\Shape::class,
        Printing\FitsBed::class,
        Printing\Standing::class,
        Printing\Wall::class,
        Printing\Gap::class,
        Printing\Overhang::class,
        Printing\Bridge::class,
        Printing\Islands::class,
        Printing\Tips::class,
        Printing\Hollow::class,
        Printing\EdgeContact::class,
        Making\StepUsed::class,
        Making\StepAvoided::class,
        Making\StepsMost::class,
        Making\SketchesSettled::class,
        Making\SketchTied::class,
        Making\TwoWays::class,
        Making\WhatIf::class,
    ];

    /** @var array<string, Kind>|null */
    private static ?array $all = null;

    /** @return array<string, Kind> by id */
    public static function all(): array
    {
        if (self::$all === null) {
            self::$all = [];
            foreach (self::LIST as $class) {
                $kind = new $class();
                self::$all[$kind->id()] = $kind;
            }
        }

        return self::$all;
    }

    public static function find(string $id): ?Kind
    {
        return self::all()[$id] ?? null;
    }

    /** @throws InvalidArgumentException where there is none */
    public static function of(string $id): Kind
    {
        return self::find($id) ?? throw new InvalidArgumentException("There is no kind of requirement \"$id\".");
    }
}
