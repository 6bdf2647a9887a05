<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Maker\Loft;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** A skin from sketch to sketch. */
final class Lofting
{
    public static function make(Task $t): Solid
    {
        $ids = $t->step->names('sketches');
        if (count($ids) < 2) {
            throw new StepProblem(new Message('no-sections', 'A loft needs two sketches.', 'Pick at least two sketches on different planes, in the order in which it runs through them.', 'sketches'));
        }
        $sections = [];
        $up = null;
        foreach ($ids as $id) {
            $sketch = $t->named($id, 'sketches');
            $count = count($sketch->areas->regions);
            if ($count === 0) {
                throw new StepProblem(new Message('no-region', 'A sketch is empty.', 'Every sketch of a loft needs one closed outline.', 'sketches'));
            }
            $profile = $sketch->areas->profile(range(1, $count));
            $place = $sketch->placement;
            $n = $place->direction([0.0, 0.0, 1.0]);
            // sections that look the other way are turned over
            if ($up !== null && Vector::dot($n, $up) < 0) {
                $profile = $profile->mapped(static fn (float $u, float $v): array => [$u, -$v], true);
                $place = Transform::rotation(0, 180.0)->then($place);
                $n = $place->direction([0.0, 0.0, 1.0]);
            }
            $up = $n;
            $sections[] = [$profile, $place];
        }
        // the first section looks towards the last
        [$first, $last] = [$sections[0][1], $sections[count($sections) - 1][1]];
        if (Vector::dot(Vector::sub($last->t, $first->t), $first->direction([0.0, 0.0, 1.0])) < 0) {
            $sections = array_reverse($sections);
        }
        try {
            return Loft::through($t->step->id, $sections, $t->text('skin') === 'smooth', self::guide($t, $sections[0][1]));
        } catch (Refused $r) {
            throw $t->refused($r, 'These sketches cannot be joined.', $r->reason === 'off-guide' ? 'guide' : 'sketches');
        }
    }

    /**
     * Points of the line that guides the skin, from the first section on.
     *
     * @return list<array{float,float,float}>
     */
    private static function guide(Task $t, Transform $first): array
    {
        if ($t->text('guide') === '') {
            return [];
        }
        $pieces = SketchedPath::pieces($t->sketch('guide'));
        if (count($pieces) !== 1) {
            throw new StepProblem(new Message('no-path', 'The guide is not one line.', 'Its sketch must hold one line, arc or curve that leads from the first outline to the last.', 'guide'));
        }
        $points = $pieces[0]['points'];
        $height = static fn (array $p): float => abs($first->local($p)[2]);

        return $height($points[0]) <= $height($points[count($points) - 1]) ? $points : array_reverse($points);
    }
}
