<?php

declare(strict_types=1);

namespace Cubo\Solid\Change;

use Cubo\Budget\Budget;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/**
 * Places of copies in a row, in a grid and around an axis, and the copies joined. The first place is always the
 * original's own. Every other copy's faces are named "$step:copy N/" and their own name.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Repeats
{
    public const MOST = 400;

    /**
     * @param V $by from one copy to the next, mm
     * @param int $count with the original
     * @return list<Transform>
     *
     * @throws Refused no-offset, no-count with the largest count
     */
    public static function row(array $by, int $count): array
    {
        self::check($count, $by);
        $out = [];
        for ($i = 0; $i < $count; $i++) {
            $out[] = Transform::translation([$i * $by[0], $i * $by[1], $i * $by[2]]);
        }

        return $out;
    }

    /**
     * @param V $across from column to column, mm
     * @param V $along from row to row, mm
     * @return list<Transform> row after row
     *
     * @throws Refused
     */
    public static function grid(array $across, int $columns, array $along, int $rows): array
    {
        self::check($columns, $across);
        self::check($rows, $along);
        self::check($rows * $columns, $across);
        $out = [];
        for ($j = 0; $j < $rows; $j++) {
            for ($i = 0; $i < $columns; $i++) {
                $out[] = Transform::translation([
                    $i * $across[0] + $j * $along[0],
                    $i * $across[1] + $j * $along[1],
                    $i * $across[2] + $j * $along[2],
                ]);
            }
        }

        return $out;
    }

    /**
     * @param V $point of the axis
     * @param V $axis its direction
     * @param int $count with the original
     * @param float $angle degrees from the first copy to the last one; a full turn does not repeat the first
     * @return list<Transform>
     *
     * @throws Refused no-axis, no-angle, no-count
     */
    public static function circle(array $point, array $axis, int $count, float $angle = 360.0): array
    {
        $l = Vector::length($axis);
        if (!is_finite($l) || $l < 1e-12) {
            throw new Refused('no-axis', 'The axis has no direction.');
        }
        if (!is_finite($angle) || $angle == 0.0 || abs($angle) > 360) {
            throw new Refused('no-angle', 'The angle must be from -360 to 360 degrees and not 0.', 360.0);
        }
        self::check($count, [1.0, 0.0, 0.0]);
        $out = [];
        for ($i = 0; $i < $count; $i++) {
            $out[] = Transform::turn($point, Vector::unit($axis), ($angle * $i) / (abs($angle) >= 360 ? $count : max(1, $count - 1)));
        }

        return $out;
    }

    /** @param list<Transform> $places the first one the original's */
    public static function joined(string $step, Solid $solid, array $places, ?Budget $budget = null): Solid
    {
        $copies = [];
        $budget?->hold(count($places) * $solid->triangleCount());
        foreach ($places as $i => $t) {
            $copies[] = $i === 0 ? $solid->moved($t) : $solid->moved($t)->renamed(static fn(string $name): string => "$step:copy $i/$name");
        }

        return Together::of($copies, $budget);
    }

    /** @param V $by */
    private static function check(int $count, array $by): void
    {
        if ($count < 1 || $count > self::MOST) {
            throw new Refused('no-count', 'There can be from 1 to ' . self::MOST . ' copies.', self::MOST);
        }
        $l = Vector::length($by);
        if (!is_finite($l) || ($count > 1 && $l < 1e-9)) {
            throw new Refused('no-offset', 'The copies would lie on each other.');
        }
    }
}
