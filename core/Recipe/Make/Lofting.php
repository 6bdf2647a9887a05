<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\EntityKind;
use Cubo\Solid\Maker\Loft;
use Cubo\Solid\Maker\Path;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** A skin from sketch to sketch. */
final class Lofting
{
    /** Stretches in which an arc is followed as a guide. */
    private const ON_ARC = 16;

    public static function make(Task $t): Solid
    {
        $ids = $t->step->names('sketches');
        if (count($ids) < 2) {
            throw new StepProblem(
                new Message(
                    'no-sections',
                    'A loft needs two sketches.',
                    'Pick at least two sketches on different planes, in the order in which it runs through them.',
                    'sketches',
                ),
            );
        }
        $sections = [];
        $up = null;
        foreach ($ids as $id) {
            $sketch = $t->named($id, 'sketches');
            $count = count($sketch->areas->regions);
            if ($count === 0) {
                throw new StepProblem(
                    new Message('no-region', 'A sketch is empty.', 'Every sketch of a loft needs one closed outline.', 'sketches'),
                );
            }
            $profile = $sketch->areas->profile(range(1, $count));
            $place = $sketch->placement;
            $n = $place->direction([0.0, 0.0, 1.0]);
            // sections that look the other way are turned over
            if ($up !== null && Vector::dot($n, $up) < 0) {
                $profile = $profile->mapped(static fn(float $u, float $v): array => [$u, -$v], true);
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
            return Loft::through($t->step->id, $sections, $t->text('skin') === 'smooth', self::guides($t, $sections[0][1]));
        } catch (Refused $r) {
            throw $t->refused($r, 'These sketches cannot be joined.', $r->reason === 'off-guide' ? 'guide' : 'sketches');
        }
    }

    /**
     * Points of the lines that guide the skin, each from the first section on.
     *
     * @return list<list<array{float,float,float}>>
     */
    private static function guides(Task $t, Transform $first): array
    {
        $height = static fn(array $p): float => abs($first->local($p)[2]);
        $out = [];
        // the second field is only seen, and only counts, beside the first
        foreach ($t->text('guide') === '' ? [] : ['guide', 'across'] as $field) {
            if ($t->text($field) === '') {
                continue;
            }
            $pieces = SketchedPath::pieces($t->sketch($field));
            if ($pieces === []) {
                throw new StepProblem(
                    new Message(
                        'no-path',
                        'There is no guide.',
                        'Its sketch must hold lines, arcs or curves that lead from the first outline to the last.',
                        $field,
                    ),
                );
            }
            foreach ($pieces as $piece) {
                $points = $piece['kind'] === EntityKind::Arc ? self::onArc($piece['points']) : $piece['points'];
                $out[] = $height($points[0]) <= $height($points[count($points) - 1]) ? $points : array_reverse($points);
            }
        }

        return $out;
    }

    /**
     * Enough points of an arc for a spline through them to follow it.
     *
     * @param list<array{float,float,float}> $three its beginning, a point between, its end
     * @return list<array{float,float,float}>
     */
    private static function onArc(array $three): array
    {
        $arc = Path::from($three[0])->arcTo($three[1], $three[2])->segments[0];
        [$centre, $axis, $angle] = [$arc['centre'] ?? $three[0], $arc['axis'] ?? [0.0, 0.0, 1.0], $arc['angle'] ?? 0.0];

        return array_map(
            static fn(int $k): array => Vector::add(
                $centre,
                Vector::turned(Vector::sub($three[0], $centre), $axis, ($angle * $k) / self::ON_ARC),
            ),
            range(0, self::ON_ARC),
        );
    }
}
