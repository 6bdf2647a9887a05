<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Budget\OverBudget;
use Cubo\Check\Proposing\FaceProposals;
use Cubo\Check\Proposing\MakingProposals;
use Cubo\Check\Proposing\PrintProposals;
use Cubo\Check\Proposing\RoundProposals;
use Cubo\Check\Proposing\WholeProposals;
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
    public const AXIS = [['Width', 'left', 'x'], ['Depth', 'front', 'y'], ['Height', 'bottom', 'z']];

    /** A family (holes and rounds, faces, the whole, print) may cost this share of what is left of the part's budget. */
    private const SHARE = 3;

    /**
     * @param bool|null $whole set: whether everything was looked for; of a part with too many faces the dearest families are left out
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
        $fine = $unit === Unit::Inch ? 0.254 : 0.2;
        $size = $part->bounds()->size();
        $out = [];
        foreach ([0, 1, 2] as $axis) {
            $out[] = new Requirement('size-' . self::AXIS[$axis][2], RequirementKind::Size, self::AXIS[$axis][0], self::clean($size[$axis]), $fine, 2, true, ['axis' => $axis]);
        }

        foreach ([
            static fn (): array => RoundProposals::of($part, $fine),
            static fn (): array => FaceProposals::of($part, $fine),
            static fn (): array => WholeProposals::of($part, $fine),
            static fn (): array => PrintProposals::of($part, $unit, $profile ?? PrintProfile::of('')),
        ] as $family) {
            try {
                array_push($out, ...$part->budget->within(intdiv(max(0, $part->budget->left()), self::SHARE), $family));
            } catch (OverBudget $e) {
                if (! $e->limit->isOfThePart()) {
                    throw $e;
                }
                $whole = false;
            }
        }

        return [...$out, ...($recipe === null ? [] : MakingProposals::of($recipe))];
    }

    /** @return array{int,int} the two axes across the given one, in order */
    public static function others(int $axis): array
    {
        return [[1, 2], [0, 2], [0, 1]][$axis];
    }

    /** Removes the last digits' noise: 11.999999999 is 12. */
    public static function clean(float $v): float
    {
        return abs($v - round($v, 7)) < 1e-8 * max(1.0, abs($v)) ? round($v, 7) + 0.0 : $v;
    }
}
