<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Quantity\Unit;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\Area\Outline;
use Cubo\Sketch\Area\TooManyPieces;
use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\RelationWords;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\Solve\SketchSolver;
use Cubo\Sketch\Solve\SolvingTooLong;
use Cubo\Sketch\Solve\UnfitRelation;
use Cubo\Solid\Solid;

/** A sketch step as a placed sketch: its outlines and drawing settled, its regions found. */
final class SketchReading
{
    /**
     * @param Solid $part as it is before the step; looked at only by sketches on its faces and with its edges
     * @return array{PlacedSketch, list<Message>} and what there is to say about it
     *
     * @throws StepProblem
     * @throws OverBudget
     */
    public static function read(Step $step, Sketch $drawn, Unit $unit, Solid $part, NamedSizes $named, ?Budget $budget = null): array
    {
        $budget ??= Budget::unlimited();
        $curves = [];
        $v = new StepValues($step, $unit, $named);
        foreach ($step->outlines() as $letter => $s) {
            $get = static fn(string $key, FieldType $type): float => $v->length(
                $s[$key],
                "shapes.$letter.$key",
                "$key of outline $letter",
                $type,
            );
            $at = [$get('u', FieldType::Length), $get('v', FieldType::Length)];
            if ($s['kind'] === 'circle') {
                $outline = Outline::circle($letter, $at[0], $at[1], $get('round', FieldType::Size) / ($s['by'] === 'radius' ? 1 : 2));
            } else {
                [$w, $h] = [$get('width', FieldType::Size), $get('height', FieldType::Size)];
                $outline =
                    $s['from'] === 'middle'
                        ? Outline::rectangle($letter, $at[0] - $w / 2, $at[1] - $h / 2, $w, $h)
                        : Outline::rectangle($letter, $at[0], $at[1], $w, $h);
            }
            array_push($curves, ...$outline);
        }
        $up =
            SketchPlacement::of($step, $part, $v) ??
            throw new StepProblem(
                $step->text('face') === ''
                    ? new Message(
                        'no-face',
                        'No face is picked yet.',
                        'Pick the flat face to sketch on, on the part or from the list.',
                        'face',
                    )
                    : new Message(
                        'no-face',
                        'This face is not there.',
                        'The part has no flat face of that name before this step. Pick another one, or a plane.',
                        'face',
                    ),
            );
        [$drawn, $gone] = EdgesTakenOver::any($drawn) ? EdgesTakenOver::renewed($drawn, PartEdges::seenOnto($part, $up)) : [$drawn, []];
        $notes =
            $gone === []
                ? []
                : [
                    new Message(
                        'edge-gone',
                        'An edge of the part is gone.',
                        implode(', ', array_slice($gone, 0, 6)) .
                            (count($gone) === 1 ? ' was taken over from an edge that is' : ' were taken over from edges that are') .
                            ' not there any more. The sketch keeps them where they last were.',
                        'drawn',
                        true,
                    ),
                ];
        $drawn = self::settled($drawn, $unit, $named, $budget);
        try {
            return [new PlacedSketch($up, new Arrangement([...$curves, ...DrawnCurves::of($drawn)], $budget), $drawn), $notes];
        } catch (TooManyPieces $e) {
            throw new StepProblem(new Message('too-complex', 'This sketch is too complex.', $e->getMessage(), 'drawn'));
        }
    }

    /** A sketch with its relations kept. */
    private static function settled(Sketch $sketch, Unit $unit, NamedSizes $named, Budget $budget): Sketch
    {
        $read = new DimensionValues($sketch, $unit, $named);
        foreach ($read->problems as $id => $problem) {
            throw new StepProblem(
                new Message(
                    'unreadable',
                    'This size cannot be read.',
                    "Dimension $id says “{$sketch->relations[$id]->value}”. $problem",
                    "drawn.$id",
                ),
            );
        }
        try {
            $clash = SketchSolver::settle($sketch, $read->values, $budget);
        } catch (SolvingTooLong $e) {
            throw new StepProblem(new Message(StepProblem::TOO_MUCH, 'This takes too long.', $e->getMessage(), 'drawn'));
        } catch (UnfitRelation $e) {
            throw new StepProblem(
                new Message(
                    'unfit',
                    'This relation does not fit.',
                    ucfirst(RelationWords::of($sketch, $e->relation)) . ': ' . $e->getMessage(),
                    "drawn.$e->relation",
                ),
            );
        }
        if ($clash !== []) {
            throw new StepProblem(
                new Message(
                    'clash',
                    'These relations contradict each other.',
                    ucfirst(RelationWords::list($sketch, $clash, 8)) . ' cannot all hold. Change one of them or take it out.',
                    "drawn.$clash[0]",
                ),
            );
        }

        return $sketch;
    }
}
