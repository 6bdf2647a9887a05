<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Closure;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepKind;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Change\Repeats;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** Moves, turns, scales, splits, mirrors and repeats bodies, or what another step makes. */
final class Arranging
{
    public static function change(Task $t): Solid
    {
        [$chosen, $rest] = $t->body();
        try {
            return match ($t->step->kind) {
                StepKind::Move => self::joined($t, $rest, $chosen->moved(Transform::translation($t->v->place()))),
                StepKind::Turn => self::joined($t, $rest, $chosen->moved(self::turn($t))),
                StepKind::Copy => self::copies($t, $chosen),
                StepKind::Scale => self::joined($t, $rest, self::scaled($t, $chosen)),
                StepKind::Split => self::split($t, $chosen, $rest),
                StepKind::Mirror => self::mirrored($t, $chosen, $rest),
                default => self::joined($t, $rest, Repeats::joined($t->step->id, $chosen, array_values(self::places($t)), $t->budget)),
            };
        } catch (Refused $r) {
            throw $t->refused($r, 'This cannot be done.', ['no-count' => 'count', 'no-angle' => 'angle', 'no-offset' => 'x'][$r->reason] ?? null, $r->reason === 'no-angle');
        }
    }

    /**
     * What another step makes, once more in every further place of a repeat or as a mirror image.
     *
     * @param Closure(int): Solid $make what it makes as the n-th copy
     * @return list<Solid>
     */
    public static function again(Task $t, Closure $make): array
    {
        if ($t->step->kind === StepKind::Mirror) {
            $plane = $t->plane();

            return [Cutting::mirrored($t->step->id, $make(0), $plane->t, [$plane->r[2], $plane->r[5], $plane->r[8]])];
        }
        try {
            $places = self::places($t);
            unset($places[0]);
        } catch (Refused $r) {
            throw $t->refused($r, 'This cannot be repeated.', ['no-count' => 'count', 'no-angle' => 'angle', 'no-offset' => 'x'][$r->reason] ?? null, $r->reason === 'no-angle');
        }
        $out = [];
        $facets = 0;
        foreach ($places as $i => $place) {
            $out[] = $one = $make($i)->moved($place)->renamed(static fn (string $name): string => $t->step->id . ":copy $i/$name");
            $t->budget->spend($one->triangleCount());
            $t->budget->room($facets += $one->triangleCount());
        }

        return $out;
    }

    private static function axis(Task $t): int
    {
        return ['x' => 0, 'y' => 1, 'z' => 2][$t->text('about')];
    }

    private static function turn(Task $t): Transform
    {
        if ($t->text('about') !== 'edge') {
            return Transform::rotation(self::axis($t), $t->number('angle'), $t->v->place());
        }
        [$a, $b] = $t->straightEdge('edge');
        $way = Vector::sub($b, $a);
        $l = Vector::length($way);

        return Transform::turn($a, [$way[0] / $l, $way[1] / $l, $way[2] / $l], $t->number('angle'));
    }

    private static function joined(Task $t, ?Solid $rest, Solid $solid): Solid
    {
        return match (true) {
            $rest === null => $solid,
            // bodies stay what they are; the one that was moved gives way
            $t->apart => Joining::apart($rest, $solid, $t->budget) ?? $rest,
            default => BooleanOperation::union($rest, $solid, $t->budget),
        };
    }

    private static function copies(Task $t, Solid $chosen): Solid
    {
        $by = $t->v->place();
        if ($by === [0.0, 0.0, 0.0]) {
            throw new StepProblem(new Message('no-offset', 'The copy lies on itself.', 'Give it a way to go: to the right, to the back or up.', 'x'));
        }
        $part = $t->part;
        for ($i = 1, $n = (int) $t->number('times'); $i <= $n; $i++) {
            $t->budget->spend($chosen->triangleCount());
            $copy = $chosen->moved(Transform::translation([$by[0] * $i, $by[1] * $i, $by[2] * $i]))->renamed(static fn (string $name): string => $t->step->id . ':copy ' . $i . '/' . $name);
            $part = self::joined($t, $part, $copy);
        }

        return $part;
    }

    private static function scaled(Task $t, Solid $chosen): Solid
    {
        if ($t->text('by') === 'size') {
            return self::stretched($t, $chosen);
        }
        $k = [];
        foreach (['x', 'y', 'z'] as $axis) {
            $k[] = $f = $t->number($t->text('by') === 'all' ? 'factor' : "factor$axis");
            if ($f < 0.001 || $f > 1000) {
                throw new StepProblem(new Message('no-factor', 'That is no factor.', 'A factor lies between 0.001 and 1000.', $t->text('by') === 'all' ? 'factor' : "factor$axis"));
            }
        }

        return $chosen->scaled(...$k);
    }

    /** To a size along one axis; the low side stays where it is. */
    private static function stretched(Task $t, Solid $chosen): Solid
    {
        $k = ['x' => 0, 'y' => 1, 'z' => 2][$t->text('axis')];
        $box = $chosen->vertexBox();
        $factors = [1.0, 1.0, 1.0];
        $factors[$k] = $f = $t->number('size') / ($box[$k + 3] - $box[$k]);
        if ($f < 0.001 || $f > 1000) {
            throw new StepProblem(new Message('no-factor', 'That is too much.', 'It can be made up to a thousand times longer or shorter.', 'size'));
        }
        $back = [0.0, 0.0, 0.0];
        $back[$k] = $box[$k] - $f * $box[$k];

        return $chosen->scaled(...$factors)->moved(Transform::translation([$back[0], $back[1], $back[2]]));
    }

    private static function split(Task $t, Solid $chosen, ?Solid $rest): Solid
    {
        $plane = $t->plane();
        $front = $back = new Solid;
        foreach ($t->apart ? Joining::bodies($chosen) : [$chosen] as $body) {
            [$f, $b] = Cutting::split($t->step->id, $body, $plane->t, [$plane->r[2], $plane->r[5], $plane->r[8]], $t->budget);
            [$front, $back] = [Joining::beside([$front, $f]), Joining::beside([$back, $b])];
        }
        if ($front->isEmpty() || $back->isEmpty()) {
            throw new StepProblem(new Message('not-cut', 'The plane does not cut it.', 'All of it lies on one side of the plane.', 'plane'));
        }

        return self::joined($t, $rest, $t->text('keep') === 'up' ? $front : $back);
    }

    private static function mirrored(Task $t, Solid $chosen, ?Solid $rest): Solid
    {
        $plane = $t->plane();
        $normal = [$plane->r[2], $plane->r[5], $plane->r[8]];

        return self::joined($t, $rest, $t->text('keep') === 'both' ? Cutting::mirrorJoined($t->step->id, $chosen, $plane->t, $normal, $t->budget) : Cutting::mirrored($t->step->id, $chosen, $plane->t, $normal));
    }

    /** @return array<int, Transform> by number, the first one where it is; those left out are not in it */
    private static function places(Task $t): array
    {
        $every = (int) $t->number('every');

        return array_filter(self::all($t), static fn (int $i): bool => $i % $every === 0, ARRAY_FILTER_USE_KEY);
    }

    /** @return list<Transform> */
    private static function all(Task $t): array
    {
        $by = $t->v->place();
        $count = (int) $t->number('count');

        return match ($t->text('way')) {
            'around' => Repeats::circle([$t->number('x'), $t->number('y'), $t->number('z')], [(float) (self::axis($t) === 0), (float) (self::axis($t) === 1), (float) (self::axis($t) === 2)], $count, $t->number('angle')),
            'grid' => Repeats::grid($by, $count, [$t->number('x2'), $t->number('y2'), $t->number('z2')], (int) $t->number('rows')),
            default => Repeats::row($by, $count),
        };
    }
}
