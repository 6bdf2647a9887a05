<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Recipe\FacePlane;
use Cubo\Solid\Solid;

/**
 * Where a ready solid stands. At a place: its own frame is moved there. On the ground or on a face: its base lies on it,
 * never half below it, however the solid lies; aligned with what it stands on, moved on by what is typed, and sunk
 * (on the ground: lifted). At a corner or the middle of an edge or face: the middle of its base lies there. What is kept
 * is the face or corner, not the place, so what stands on it is carried when it moves.
 */
final class Placing
{
    public static function placed(Task $t, Solid $solid): Solid
    {
        return $solid->moved(self::motion($t, $solid));
    }

    /** The motion that takes a solid from its own frame to its place. */
    public static function motion(Task $t, Solid $solid): Transform
    {
        $turned = self::turned($t);
        $stand = $t->text('stand');
        if ($stand === 'place') {
            return $turned->then(Transform::translation($t->v->place()));
        }
        $box = $turned == Transform::identity() ? $solid->vertexBox() : $solid->moved($turned)->vertexBox();
        $face = $stand === 'face';
        $plane = $face ? $t->flatFace('on') : ($stand === 'point' ? Transform::translation($t->spot('at')) : Transform::identity());
        // the ground and a point have no sides: only their origin can be aligned with
        $room = $face ? FacePlane::extent($t->part, $t->text('on'), $plane) : [[0.0, 0.0], [0.0, 0.0]];
        $corner = $t->text('from') === 'corner';
        $at = [];
        foreach (['x' => 0, 'y' => 1] as $key => $k) {
            [$low, $high] = [$box[$k], $box[$k + 3]];
            $at[] =
                $t->number($key) +
                match ($t->text("align$key")) {
                    'middle' => ($room[$k][0] + $room[$k][1]) / 2 - ($low + $high) / 2,
                    'low' => $room[$k][0] - $low,
                    'high' => $room[$k][1] - $high,
                    default => $corner ? -$low : -($low + $high) / 2,
                };
        }

        return $turned
            ->then(Transform::translation([$at[0], $at[1], -$box[2] + ($face ? -$t->number('sink') : $t->number('z'))]))
            ->then($plane);
    }

    /** Leaning first, then turned about the upright. */
    private static function turned(Task $t): Transform
    {
        [$axis, $sign] = ['front' => [0, 1.0], 'back' => [0, -1.0], 'right' => [1, 1.0], 'left' => [1, -1.0]][$t->text('leans')] ?? [
            2,
            0.0,
        ];
        $lean = $sign * ($sign === 0.0 ? 0.0 : $t->number('lean'));
        $turn = $t->number('facing');
        $leaning = $lean == 0.0 ? Transform::identity() : Transform::rotation($axis, $lean);

        return $turn == 0.0 ? $leaning : $leaning->then(Transform::rotation(2, $turn));
    }
}
