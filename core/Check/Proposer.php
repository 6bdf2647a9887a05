<?php

declare(strict_types=1);

namespace Cubo\Check;

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

    /** @return list<Requirement> */
    public static function propose(PartMeasures $part, Unit $unit, ?Recipe $recipe = null, ?PrintProfile $profile = null): array
    {
        if ($part->solid->isEmpty()) {
            return [];
        }
        $fine = $unit === Unit::Inch ? 0.254 : 0.2;
        $size = $part->bounds()->size();
        $out = [];
        foreach ([0, 1, 2] as $axis) {
            $out[] = new Requirement('size-' . self::AXIS[$axis][2], RequirementKind::Size, self::AXIS[$axis][0], self::clean($size[$axis]), $fine, 2, true, ['axis' => $axis]);
        }

        return [
            ...$out,
            ...RoundProposals::of($part, $fine),
            ...FaceProposals::of($part, $fine),
            ...WholeProposals::of($part, $fine),
            ...PrintProposals::of($part, $unit, $profile ?? PrintProfile::of('')),
            ...($recipe === null ? [] : MakingProposals::of($recipe)),
        ];
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
