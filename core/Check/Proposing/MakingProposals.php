<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Quantity\Expression;
use Cubo\Quantity\Number;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\Kind\Kind;
use Cubo\Recipe\Kind\Kinds;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;

/** What can be asked about the steps, from the steps of the reference part. Never asked unless the teacher chooses it. */
final class MakingProposals
{
    private const MOST_SIZES = 4;

    /** @return list<Requirement> */
    public static function of(Recipe $recipe): array
    {
        $on = array_values(array_filter($recipe->steps, static fn (Step $s): bool => ! $s->off));
        $kinds = array_map(static fn (Step $s): Kind => $s->kind, $on);
        $out = [];
        foreach (Kinds::all() as $id => $kind) {
            if ($kind->isTelling() && in_array($kind, $kinds, true)) {
                $out[] = new Requirement("uses-$id", RequirementKind::StepUsed, "Made with “{$kind->label()}”", 1.0, 0.0, 1, false, ['step' => $id]);
            }
            if ($kind->isSuspect() && ! in_array($kind, $kinds, true)) {
                $out[] = new Requirement("avoids-$id", RequirementKind::StepAvoided, "Made without “{$kind->label()}”", 0.0, 0.0, 1, false, ['step' => $id]);
            }
        }
        if (count($on) > 2) {
            $out[] = new Requirement('steps-most', RequirementKind::StepsMost, 'Number of steps', (float) (count($on) + 2), 0.0, 1, false);
        }
        if (array_filter($kinds, static fn (Kind $k): bool => $k->draws()) !== []) {
            $out[] = new Requirement('settled', RequirementKind::SketchesSettled, 'Sketches cannot move', 0.0, 0.0, 1, false);
            $out[] = new Requirement('tied', RequirementKind::SketchTied, 'First sketch tied to the origin', 0.0, 0.0, 1, false);
        }
        $out[] = new Requirement('two-ways', RequirementKind::TwoWays, 'Made in two ways', 0.0, 0.0, 2, false);
        foreach (array_slice($recipe->sizes, 0, self::MOST_SIZES, true) as $name => $typed) {
            try {
                $now = Expression::number($typed);
            } catch (UnreadableExpression) {
                continue;
            }
            $out[] = new Requirement("what-if-$name", RequirementKind::WhatIf, "Holds when “{$name}” changes", 0.0, 0.0, 2, false, ['size' => (string) $name, 'was' => $typed, 'becomes' => Number::brief($now * 1.4, 3)]);
        }

        return $out;
    }
}
