<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepKind;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Maker\Lettering;
use Cubo\Solid\Maker\Primitives;
use Cubo\Solid\Maker\Shapes;
use Cubo\Solid\Maker\SoftBlock;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** Solids that are there ready made, each in its own frame, and then stood in its place. */
final class ReadySolids
{
    public static function make(Task $t): Solid
    {
        return Placing::placed($t, self::own($t));
    }

    /** The solid in its own frame: upright ones around the z axis on the ground, blocks as they are measured. */
    public static function own(Task $t): Solid
    {
        $id = $t->step->id;
        $n = $t->number(...);
        try {
            return match ($t->step->kind) {
                StepKind::Block => self::block($t),
                StepKind::Cylinder => self::along($t, Primitives::cylinder($id, $t->v->radius('round'), $n('length'))),
                StepKind::Cone => self::along($t, self::cone($t)),
                StepKind::Tube => self::along($t, self::tube($t)),
                StepKind::Ball => Primitives::sphere($id, $t->v->radius('round')),
                StepKind::HalfBall => Shapes::cap($id, $t->v->radius('round'), $t->v->radius('round')),
                StepKind::HalfCylinder => Shapes::halfCylinder($id, $t->v->radius('round'), $n('length')),
                StepKind::Ring => self::ring($t),
                StepKind::Wedge => Shapes::wedge($id, $n('width'), $n('depth'), $n('low'), $n('height'))->moved(Transform::translation([-$n('width') / 2, -$n('depth') / 2, 0.0])),
                StepKind::Roof => Shapes::roof($id, $n('width'), $n('depth'), $n('height')),
                StepKind::Prism => self::onFlat($t, Shapes::prism($id, self::sides($t), self::corners($t, 'round'), $n('height'))),
                StepKind::Letters => self::letters($t),
                StepKind::Group => Groups::solid($t),
                default => self::onFlat($t, Shapes::pyramid($id, self::sides($t), self::corners($t, 'round'), self::corners($t, 'tip'), $n('height'))),
            };
        } catch (Refused $r) {
            throw $t->refused($r, 'This shape cannot be.', ['too-wide' => 'bevel', 'no-hole' => 'thick', 'no-wall' => 'wall'][$r->reason] ?? null);
        }
    }

    private static function block(Task $t): Solid
    {
        $size = [$t->number('width'), $t->number('depth'), $t->number('height')];
        $edges = $t->text('edges');
        $solid = match ($edges) {
            'round', 'upright' => SoftBlock::rounded($t->step->id, $size, $t->number('bevel'), $edges === 'round'),
            'cut', 'uprightcut' => SoftBlock::chamfered($t->step->id, $size, $t->number('bevel'), $edges === 'cut'),
            default => Primitives::block($t->step->id, [0.0, 0.0, 0.0], $size),
        };

        return $t->text('from') === 'middle' ? $solid->moved(Transform::translation([-$size[0] / 2, -$size[1] / 2, 0.0])) : $solid;
    }

    /** Centred on its own frame, so that a place means its middle; upright letters are read from the front. */
    private static function letters(Task $t): Solid
    {
        try {
            $flat = Lettering::solid($t->step->id, $t->text('text'), $t->number('height'), $t->number('depth'), Transform::identity(), $t->budget);
        } catch (Refused $r) {
            throw $t->refused($r, 'This cannot be written.', 'text');
        }
        $box = $flat->vertexBox();
        [$u, $v] = [-($box[0] + $box[3]) / 2, -($box[1] + $box[4]) / 2];

        return $flat->moved($t->text('lie') === 'flat' ? Transform::translation([$u, $v, 0.0]) : Transform::rotation(0, 90.0)->then(Transform::translation([$u, ($box[2] + $box[5]) / 2, -$box[1]])));
    }

    private static function cone(Task $t): Solid
    {
        $base = $t->v->radius('round');
        $tip = $t->v->radius('tip');
        if ($base == 0.0 && $tip == 0.0) {
            throw new StepProblem(new Message('not-positive', 'This cone has no width.', 'Both ends are 0. One of them must be more.', 'round'));
        }

        return Primitives::cone($t->step->id, $base, $tip, $t->number('length'));
    }

    private static function tube(Task $t): Solid
    {
        $outer = $t->v->radius('round');
        $wall = $t->number('wall');
        if ($wall >= $outer) {
            throw new StepProblem(new Message('no-wall', 'This tube has no hole.', 'Its wall must be less than ' . $t->unit->brief($outer) . " {$t->unit->value}.", 'wall'));
        }

        return Shapes::tube($t->step->id, $outer, $outer - $wall, $t->number('length'));
    }

    /** Given by its outside and its thickness; it lies on the ground. */
    private static function ring(Task $t): Solid
    {
        $tube = $t->number('thick') / 2;
        $outer = $t->v->radius('round');
        if (2 * $tube >= $outer) {
            throw new StepProblem(new Message('no-hole', 'This ring has no hole.', 'Its thickness must be less than ' . $t->unit->brief($outer) . " {$t->unit->value}.", 'thick'));
        }

        return Shapes::torus($t->step->id, $outer - $tube, $tube);
    }

    private static function sides(Task $t): int
    {
        $n = (int) $t->number('sides');

        return $n >= 3 ? $n : throw new StepProblem(new Message('no-polygon', 'This is no polygon.', 'It needs at least three sides.', 'sides'));
    }

    /** Radius of the circle through the corners, for a width across corners or flats; across flats an odd polygon is as wide as its inner circle. */
    private static function corners(Task $t, string $key): float
    {
        return $t->number($key) / 2 / ($t->text('across') === 'flats' ? cos(M_PI / self::sides($t)) : 1.0);
    }

    /** What is measured across its flats shows a flat to the right, so that a square one stands square. */
    private static function onFlat(Task $t, Solid $solid): Solid
    {
        return $t->text('across') === 'flats' ? $solid->moved(Transform::rotation(2, 180.0 / self::sides($t))) : $solid;
    }

    /** Lays an upright solid along the step's axis. */
    private static function along(Task $t, Solid $solid): Solid
    {
        return match ($t->text('along')) {
            'x' => $solid->moved(Transform::rotation(1, 90.0)),
            'y' => $solid->moved(Transform::rotation(0, -90.0)),
            default => $solid,
        };
    }
}
