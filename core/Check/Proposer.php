<?php

declare(strict_types=1);

namespace Cubo\Check;

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
    public static function propose(PartMeasures $part, Unit $unit, ?Recipe $recipe = null, ?PrintProfile $profile = null, ?bool &$whole = null): array
    {
        $whole = true;
        if ($part->solid->isEmpty()) {
            return [];
        }
        $p = new Proposing($part, $unit, $unit === Unit::Inch ? self::TOLERANCE_INCH : self::TOLERANCE, $profile ?? PrintProfile::of(''), $recipe);
        $out = [];
        foreach (Kinds::all() as $kind) {
            if (! $kind instanceof Proposes) {
                continue;
            }
            // without its overall sizes nothing can be said of a part
            if ($kind->drawn() === Drawn::Overall) {
                array_push($out, ...$kind->proposals($p));

                continue;
            }
            try {
                array_push($out, ...$part->budget->within(intdiv(max(0, $part->budget->left()), self::SHARE), static fn (): array => $kind->proposals($p)));
            } catch (OverBudget $e) {
                if (! $e->limit->isOfThePart()) {
                    throw $e;
                }
                $whole = false;
            }
        }

        return $out;
    }
}
