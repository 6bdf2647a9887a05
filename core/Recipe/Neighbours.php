<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Budget\Budget;
use Cubo\Measure\Between;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Make\Joining;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Solid;

/** How a shape lies to what is there already, in words: a gap, flush, sunk, or hidden. */
final class Neighbours
{
    /** Pairs of facets that are looked at for a gap: while a value moves, and when it rests. */
    public const QUICK = 60_000;

    public const AT_REST = 600_000;

    private const TOUCHES = 1e-6;

    /**
     * @param Solid $shape what a step makes
     * @param Solid $part as it is before that step
     * @param int $pairs of facets that may be looked at
     * @return string nothing where there is nothing to say, or too much to look at
     */
    public static function words(Solid $shape, Solid $part, Recipe $recipe, int $pairs = self::AT_REST, ?Budget $budget = null): string
    {
        if ($shape->isEmpty() || $part->isEmpty() || $shape->triangleCount() * $part->triangleCount() > $pairs) {
            return '';
        }
        $u = $recipe->unit;
        try {
            $both = Joining::near($part, $shape) ? BooleanOperation::intersection($part, $shape, $budget) : new Solid;
        } catch (BooleanFailed) {
            return '';
        }
        if ($both->isEmpty()) {
            [$gap, , , , $j] = Between::nearest(self::pieces($shape), self::pieces($part), $budget);
            $name = self::stepName($part->surfaceOfTriangle($j)->name, $recipe);

            return $gap < self::TOUCHES ? "flush on $name" : self::size($gap, $u) . " gap to $name";
        }
        if ($both->facettedVolume() > (1 - 1e-9) * $shape->facettedVolume()) {
            return 'hidden inside ' . self::names($both, $part, $recipe) . ': nothing of it is seen';
        }
        $box = $both->vertexBox();
        $sunk = min($box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2]);

        return 'sunk ' . self::size($sunk, $u) . ' into ' . self::names($both, $part, $recipe);
    }

    private static function size(float $mm, Unit $u): string
    {
        return $u->brief(round($mm, 6)) . " {$u->value}";
    }

    /** The steps of the part that a piece of it has faces of; where it has none, the part. */
    private static function names(Solid $both, Solid $part, Recipe $recipe): string
    {
        $of = array_fill_keys(array_map(static fn ($s): string => $s->name, $part->surfaces), true);
        $out = [];
        foreach (array_unique($both->facet) as $f) {
            $name = $both->surfaces[$both->surfaceOf[$f]]->name;
            if (isset($of[$name])) {
                $out[self::stepName($name, $recipe)] = true;
            }
        }

        return $out === [] ? 'the part' : implode(' and ', array_slice(array_map(strval(...), array_keys($out)), 0, 3));
    }

    private static function stepName(string $face, Recipe $recipe): string
    {
        $id = explode(':', $face)[0];

        return $recipe->step($id)->name ?? 'the part';
    }

    /** @return list<array{array{float,float,float}, array{float,float,float}, array{float,float,float}, int, list<int>}> */
    private static function pieces(Solid $s): array
    {
        $at = static fn (int $h): array => [$s->x[$s->start[$h]], $s->y[$s->start[$h]], $s->z[$s->start[$h]]];

        return array_map(static fn (int $t): array => [$at(3 * $t), $at(3 * $t + 1), $at(3 * $t + 2), -1, [-1, -1, -1]], array_keys($s->facet));
    }
}
