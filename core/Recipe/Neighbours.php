<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Budget\Budget;
use Cubo\Measure\Contact\Contact;
use Cubo\Measure\Contact\TriangleSet;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Make\Joining;
use Cubo\Solid\Boolean\BooleanFailed;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Solid;

/** How a shape lies to what is there already, in words: a gap, flush, sunk, or hidden. */
final class Neighbours
{
    /** Facets of both that are laid on each other: while a value moves, and when it rests. */
    public const QUICK = 1500;

    public const AT_REST = 8000;

    private const TOUCHES = 1e-6;

    /**
     * @param Solid $shape what a step makes
     * @param Solid $part as it is before that step
     * @param int $most facets of both
     * @return string nothing where there is nothing to say, or too much to look at
     */
    public static function words(
        Solid $shape,
        Solid $part,
        Recipe $recipe,
        int $most = self::AT_REST,
        Budget $budget = new Budget(),
    ): string {
        if ($shape->isEmpty() || $part->isEmpty() || $shape->triangleCount() + $part->triangleCount() > $most) {
            return '';
        }
        $u = $recipe->unit;
        try {
            $both = Joining::near($part, $shape) ? BooleanOperation::intersection($part, $shape, $budget) : new Solid();
        } catch (BooleanFailed) {
            return '';
        }
        if ($both->isEmpty()) {
            $contact = Contact::of(
                new TriangleSet($shape, array_keys($shape->facet), $budget),
                new TriangleSet($part, array_keys($part->facet), $budget),
            );
            $name = self::stepName($contact->face, $recipe);

            return match (true) {
                $contact->gap > self::TOUCHES => self::size($contact->gap, $u) . " gap to $name",
                $contact->gap < -self::TOUCHES => 'sunk ' . self::size(-$contact->gap, $u) . " into $name",
                default => "flush on $name",
            };
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
        $of = array_fill_keys(array_map(static fn($s): string => $s->name, $part->surfaces), true);
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
}
