<?php

declare(strict_types=1);

namespace Cubo\Check\Comparing;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;
use InvalidArgumentException;

/**
 * What two solids have that the other lacks. Large parts that differ in one place only are compared there: around the corners
 * that only one of them has. That this was enough is seen by the volumes, which must differ by as much as the parts do.
 */
final class Differences
{
    /** Facets of both together from which on it is worth looking for the place. */
    private const LARGE = 1500;

    /** Corners closer than this, mm, are the same: 1 / GRID. */
    private const GRID = 1e4;

    /** Room around the corners, as a share of the part. */
    private const ROOM = 0.02;

    /** A place larger than this share of the part's box is no place. */
    private const PLACE = 0.5;

    /** Volumes that differ by no more than this share are the same. */
    private const SAME = 1e-7;

    /**
     * @return array{Solid, Solid} what only the second has, and what only the first has
     *
     * @throws BooleanFailed
     * @throws InvalidArgumentException for solids too large or open
     * @throws OverBudget
     */
    public static function of(Solid $part, Solid $other, Budget $budget = new Budget()): array
    {
        return self::inPlace($part, $other, $budget) ?? [
            BooleanOperation::difference($other, $part, $budget),
            BooleanOperation::difference($part, $other, $budget),
        ];
    }

    /**
     * The volume both have, over the facets, mm3.
     *
     * @throws BooleanFailed
     * @throws InvalidArgumentException
     * @throws OverBudget
     */
    public static function common(Solid $part, Solid $other, Budget $budget = new Budget()): float
    {
        $found = self::inPlace($part, $other, $budget);

        return $found !== null
            ? $other->facettedVolume() - $found[0]->facettedVolume()
            : abs(BooleanOperation::intersection($part, $other, $budget)->facettedVolume());
    }

    /** @return array{Solid, Solid}|null null where they do not differ in one place only */
    private static function inPlace(Solid $part, Solid $other, Budget $budget): ?array
    {
        $place = $part->triangleCount() + $other->triangleCount() >= self::LARGE ? self::place($part, $other) : null;
        if ($place === null) {
            return null;
        }
        $here = BooleanOperation::intersection($part, $place, $budget);
        $there = BooleanOperation::intersection($other, $place, $budget);
        $found = [BooleanOperation::difference($there, $here, $budget), BooleanOperation::difference($here, $there, $budget)];
        $differ = $other->facettedVolume() - $part->facettedVolume();

        return abs($found[0]->facettedVolume() - $found[1]->facettedVolume() - $differ) <= self::SAME * abs($other->facettedVolume())
            ? $found
            : null;
    }

    /** A block around the corners that only one of them has; null where that is no smaller than the parts. */
    private static function place(Solid $part, Solid $other): ?Solid
    {
        $box = [INF, INF, INF, -INF, -INF, -INF];
        foreach ([[$part, self::corners($other)], [$other, self::corners($part)]] as [$s, $known]) {
            foreach ($s->x as $v => $x) {
                if (!isset($known[self::key($x, $s->y[$v], $s->z[$v])])) {
                    foreach ([$x, $s->y[$v], $s->z[$v]] as $k => $c) {
                        $box[$k] = min($box[$k], $c);
                        $box[$k + 3] = max($box[$k + 3], $c);
                    }
                }
            }
        }
        $whole = $other->vertexBox();
        $room = self::ROOM * max($whole[3] - $whole[0], $whole[4] - $whole[1], $whole[5] - $whole[2]);
        $size = $all = 1.0;
        foreach ([0, 1, 2] as $k) {
            $size *= $box[$k + 3] - $box[$k] + 2 * $room;
            $all *= $whole[$k + 3] - $whole[$k];
        }
        if (!is_finite($size) || $size > self::PLACE * $all) {
            return null;
        }

        return Primitives::block(
            'place',
            [$box[0] - $room, $box[1] - $room, $box[2] - $room],
            [$box[3] - $box[0] + 2 * $room, $box[4] - $box[1] + 2 * $room, $box[5] - $box[2] + 2 * $room],
        );
    }

    /** @return array<string, true> */
    private static function corners(Solid $s): array
    {
        $out = [];
        foreach ($s->x as $v => $x) {
            $out[self::key($x, $s->y[$v], $s->z[$v])] = true;
        }

        return $out;
    }

    private static function key(float $x, float $y, float $z): string
    {
        return (int) round($x * self::GRID) . ' ' . (int) round($y * self::GRID) . ' ' . (int) round($z * self::GRID);
    }
}
