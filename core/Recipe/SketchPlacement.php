<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Geometry\Transform;
use Cubo\Solid\Solid;

/** Where a sketch lies: its plane or face, turned about the origin seen on it, moved along it and away from it. */
final class SketchPlacement
{
    /**
     * @param Solid $part as it is before the sketch
     * @return Transform|null takes (u, v, height above the sketch) to (x, y, z); null when the part has no such face
     *
     * @throws StepProblem when a value cannot be read
     */
    public static function of(Step $sketch, Solid $part, StepValues $v): ?Transform
    {
        $plane = SketchPlane::tryFrom($sketch->text('plane'))?->placement() ?? FacePlane::placement($part, $sketch->text('face'));
        if ($plane === null) {
            return null;
        }
        $own = Transform::translation([$v->number('u'), $v->number('v'), $v->number('offset')]);
        $turn = $v->number('turn');

        return ($turn === 0.0 ? $own : Transform::rotation(2, $turn)->then($own))->then($plane);
    }
}
