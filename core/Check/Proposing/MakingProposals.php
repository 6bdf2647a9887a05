<?php

declare(strict_types=1);

namespace Cubo\Check\Proposing;

use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Quantity\Expression;
use Cubo\Quantity\Number;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;
use Cubo\Recipe\StepKind;

/** What can be asked about the steps, from the steps of the reference part. Never asked unless the teacher chooses it. */
final class MakingProposals
{
    /** Steps that are worth asking for: they hold a thought, not just a shape. */
    private const TELLING = [StepKind::Mirror, StepKind::Repeat, StepKind::Revolve, StepKind::Extrude, StepKind::Hollow, StepKind::Sweep, StepKind::Loft];

    private const MOST_SIZES = 4;

    /** @return list<Requirement> */
    public static function of(Recipe $recipe): array
    {
        $on = array_values(array_filter($recipe->steps, static fn (Step $s): bool => ! $s->off));
        $kinds = array_map(static fn (Step $s): StepKind => $s->kind, $on);
        $out = [];
        foreach (self::TELLING as $kind) {
            if (in_array($kind, $kinds, true)) {
                $out[] = new Requirement("uses-{$kind->value}", RequirementKind::StepUsed, "Made with “{$kind->value}”", 1.0, 0.0, 1, false, ['step' => $kind->value]);
            }
        }
        if (! in_array(StepKind::Scale, $kinds, true)) {
            $out[] = new Requirement('avoids-scale', RequirementKind::StepAvoided, 'Made without “scale”', 0.0, 0.0, 1, false, ['step' => StepKind::Scale->value]);
        }
        if (count($on) > 2) {
            $out[] = new Requirement('steps-most', RequirementKind::StepsMost, 'Number of steps', (float) (count($on) + 2), 0.0, 1, false);
        }
        if (in_array(StepKind::Sketch, $kinds, true)) {
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
