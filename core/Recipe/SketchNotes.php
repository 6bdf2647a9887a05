<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\Solve\SketchSolver;
use Cubo\Sketch\Solve\SolvingTooLong;
use Cubo\Sketch\Solve\UnfitRelation;

/** What is left open in a sketch that works: it can still move, or hangs on nothing. */
final class SketchNotes
{
    /** @return list<Message> warnings */
    public static function of(Recipe $recipe, Step $step): array
    {
        $drawn = $step->kind->draws() ? $step->drawn() : null;
        if ($drawn === null || $drawn->entities === []) {
            return [];
        }
        $read = new DimensionValues($drawn, $recipe->unit, $recipe->named());
        if ($read->problems !== []) {
            return [];
        }
        try {
            $solved = SketchSolver::solve($drawn, $read->values);
        } catch (SolvingTooLong | UnfitRelation) {
            return [];
        }
        if ($solved->clash !== [] || $solved->free === 0) {
            return [];
        }
        $out = [];
        if (self::isFirst($recipe, $step) && !self::tied($drawn)) {
            $out[] = new Message(
                'not-tied',
                'Nothing ties this sketch to the origin.',
                'The part has no fixed place then, and mirrors and repeats about the middle miss it. On the pad, put a point on the origin or give its distance from there.',
                'drawn',
                true,
            );
        }
        $out[] = new Message(
            'free',
            $solved->free === 1 ? 'One movement is left free.' : "$solved->free movements are left free.",
            'What is not dimensioned can shift when other sizes change. The pad shows what can still move.',
            'drawn',
            true,
        );

        return $out;
    }

    private static function isFirst(Recipe $recipe, Step $step): bool
    {
        foreach ($recipe->steps as $s) {
            if ($s->kind->draws() && $s->drawn()->entities !== []) {
                return $s->id === $step->id;
            }
        }

        return false;
    }

    private static function tied(Sketch $s): bool
    {
        foreach ($s->relations as $r) {
            if ($r->kind === RelationKind::Fixed || array_intersect($r->of, [Sketch::ORIGIN, ...array_keys(Sketch::AXES)]) !== []) {
                return true;
            }
        }
        foreach ($s->entities as $e) {
            // a line that begins at the origin needs nothing more
            if ($e->edge !== '' || in_array(Sketch::ORIGIN, $e->points, true)) {
                return true;
            }
        }

        return false;
    }
}
