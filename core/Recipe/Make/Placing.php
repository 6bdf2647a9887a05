<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Solid\Solid;

/**
 * Where a ready solid stands. At a place: its own frame is moved there. On the ground or on a face: its base lies on it,
 * never half below it, however the solid lies; aligned with what it stands on, moved on by what is typed, and sunk
 * (on the ground: lifted). What
 * is kept is the face, not the place, so what stands on a face is carried when the face moves.
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
        $turn = $t->number('facing');
        $turned = $turn == 0.0 ? Transform::identity() : Transform::rotation(2, $turn);
        if ($t->text('stand') === 'place') {
            return $turned->then(Transform::translation($t->v->place()));
        }
        $solid = $turn == 0.0 ? $solid : $solid->moved($turned);
        $face = $t->text('stand') === 'face';
        $plane = $face ? $t->flatFace('on') : Transform::identity();
        $box = $solid->vertexBox();
        // the ground has no sides: only its origin can be aligned with
        $room = $face ? self::extent($t->part, $t->text('on'), $plane) : [[0.0, 0.0], [0.0, 0.0]];
        $corner = $t->text('from') === 'corner';
        $at = [];
        foreach (['x' => 0, 'y' => 1] as $key => $k) {
            [$low, $high] = [$box[$k], $box[$k + 3]];
            $at[] = $t->number($key) + match ($t->text("align$key")) {
                'middle' => ($room[$k][0] + $room[$k][1]) / 2 - ($low + $high) / 2,
                'low' => $room[$k][0] - $low,
                'high' => $room[$k][1] - $high,
                default => $corner ? -$low : -($low + $high) / 2,
            };
        }

        return $turned->then(Transform::translation([$at[0], $at[1], -$box[2] + ($face ? -$t->number('sink') : $t->number('z'))]))->then($plane);
    }

    /**
     * How far a face reaches along its own u and v, mm.
     *
     * @return array{array{float,float}, array{float,float}}
     */
    private static function extent(Solid $part, string $face, Transform $plane): array
    {
        [$u, $v] = [[INF, -INF], [INF, -INF]];
        foreach ($part->facet as $t => $f) {
            if ($part->surfaces[$part->surfaceOf[$f]]->name !== $face) {
                continue;
            }
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $i = $part->start[$h];
                [$pu, $pv] = $plane->local([$part->x[$i], $part->y[$i], $part->z[$i]]);
                $u = [min($u[0], $pu), max($u[1], $pu)];
                $v = [min($v[0], $pv), max($v[1], $pv)];
            }
        }

        return [$u, $v];
    }
}
