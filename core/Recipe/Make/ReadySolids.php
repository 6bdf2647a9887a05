<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepKind;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Solid;

/** Solids that are there ready made: block, cylinder, cone, ball. */
final class ReadySolids
{
    public static function make(Task $t): Solid
    {
        return match ($t->step->kind) {
            StepKind::Block => self::block($t),
            StepKind::Cylinder => self::upright($t, Primitives::cylinder($t->step->id, $t->v->radius('round'), $t->number('length'))),
            StepKind::Cone => self::cone($t),
            default => Primitives::sphere($t->step->id, $t->v->radius('round'))->moved(Transform::translation($t->v->place())),
        };
    }

    private static function block(Task $t): Solid
    {
        $size = [$t->number('width'), $t->number('depth'), $t->number('height')];
        $at = $t->v->place();
        if ($t->text('from') === 'middle') {
            $at = [$at[0] - $size[0] / 2, $at[1] - $size[1] / 2, $at[2]];
        }

        return Primitives::block($t->step->id, $at, $size);
    }

    private static function cone(Task $t): Solid
    {
        $base = $t->v->radius('round');
        $tip = $t->v->radius('tip');
        if ($base == 0.0 && $tip == 0.0) {
            throw new StepProblem(new Message('not-positive', 'This cone has no width.', 'Both ends are 0. One of them must be more.', 'round'));
        }

        return self::upright($t, Primitives::cone($t->step->id, $base, $tip, $t->number('length')));
    }

    /** Lays an upright solid along the step's axis and puts it in its place. */
    private static function upright(Task $t, Solid $solid): Solid
    {
        $turn = match ($t->text('along')) {
            'x' => Transform::rotation(1, 90.0),
            'y' => Transform::rotation(0, -90.0),
            default => Transform::identity(),
        };

        return $solid->moved($turn->then(Transform::translation($t->v->place())));
    }
}
