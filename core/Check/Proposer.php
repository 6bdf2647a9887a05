<?php

declare(strict_types=1);

namespace Cubo\Check;

use Closure;
use Cubo\Budget\OverBudget;
use Cubo\Check\Kind\Drawn;
use Cubo\Check\Kind\Kinds;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Proposing\Proposing;
use Cubo\Measure\PartMeasures;
use Cubo\Printing\PrintProfile;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Recipe;

/**
 * Reads what can be asked from a reference part: every nominal value comes from its geometry. What practitioners look at
 * first comes first: overall sizes, holes, steps, volume, symmetry. The ids tell what a requirement is about, so that a
 * teacher's choices survive a change of the reference part.
 */
final class Proposer
{
    /** mm, where nothing else is asked: common practice, no source. */
    private const TOLERANCE = 0.2;

    private const TOLERANCE_INCH = 0.254;

    /** A kind may cost this share of what is left of the part's budget. */
    private const SHARE = 3;

    /**
     * @param bool|null $whole set: whether everything was looked for; of a part with too many faces the dearest families are left out
     *
     * @param-out bool $whole
     *
     * @return list<Requirement>
     *
     * @throws OverBudget where not even the sizes are within the part's budget, or time or memory run out
     */
    public static function propose(
        PartMeasures $part,
        Unit $unit,
        ?Recipe $recipe = null,
        ?PrintProfile $profile = null,
        ?bool &$whole = null,
    ): array {
        $whole = true;
        if ($part->solid->isEmpty()) {
            return [];
        }
        $p = new Proposing(
            $part,
            $unit,
            $unit === Unit::Inch ? self::TOLERANCE_INCH : self::TOLERANCE,
            $profile ?? PrintProfile::of(''),
            $recipe,
        );
        $out = [];
        // without its overall sizes nothing can be said of a part
        $part->bounds();
        // found once for all that need them: tried by one kind after the other they would eat up what the rest needs
        $faces = self::within($part, static fn(): array => [$part->features()]) !== null;
        foreach (Kinds::all() as $kind) {
            if (!($kind instanceof Proposes)) {
                continue;
            }
            $got = match (true) {
                $kind->drawn() === Drawn::Overall => $kind->proposals($p),
                $kind->heading()->isOfFaces() && !$faces => null,
                default => self::within($part, static fn(): array => $kind->proposals($p)),
            };
            $whole = $whole && $got !== null;
            array_push($out, ...$got ?? []);
        }

        return $out;
    }

    /**
     * What a piece of the work gives; null where it costs more than its share of what is left.
     *
     * @template T
     *
     * @param Closure(): list<T> $work
     * @return list<T>|null
     *
     * @throws OverBudget where time or memory run out
     */
    private static function within(PartMeasures $part, Closure $work): ?array
    {
        try {
            return $part->budget->within(intdiv(max(0, $part->budget->left()), self::SHARE), $work);
        } catch (OverBudget $e) {
            return $e->limit->isOfThePart() ? null : throw $e;
        }
    }
}
