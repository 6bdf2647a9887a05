<?php

declare(strict_types=1);

namespace Cubo\Recipe\Kind;

use InvalidArgumentException;

/** The kinds of steps there are, in the order in which they are offered. */
final class Kinds
{
    /** @var list<class-string<Kind>> */
    private const LIST = [
        Solid\Block::class,
        Solid\Cylinder::class,
        Solid\Tube::class,
        Solid\Cone::class,
        Solid\Ball::class,
        Solid\HalfBall::class,
        Solid\HalfCylinder::class,
        Solid\Ring::class,
        Solid\Wedge::class,
        Solid\Roof::class,
        Solid\Prism::class,
        Solid\Pyramid::class,
        Solid\NutBlank::class,
        Solid\Letters::class,
        Solid\Group::class,
        Sketch\Sketch::class,
        Sketch\Extrude::class,
        Sketch\Revolve::class,
        Sketch\Sweep::class,
        Sketch\Loft::class,
        Sketch\Rib::class,
        Face\Hole::class,
        Face\Text::class,
        Face\Round::class,
        Face\Chamfer::class,
        Face\Hollow::class,
        Face\Draft::class,
        Face\Pull::class,
        Whole\Move::class,
        Whole\Turn::class,
        Whole\Copy::class,
        Whole\Mirror::class,
        Whole\Repeat::class,
        Whole\Split::class,
        Whole\Scale::class,
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
        return self::find($id) ?? throw new InvalidArgumentException("There is no kind of step \"$id\".");
    }

    /** @return list<Kind> */
    public static function in(Family $family): array
    {
        return array_values(array_filter(self::all(), static fn(Kind $k): bool => $k->family() === $family));
    }
}
