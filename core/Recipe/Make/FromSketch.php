<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\Measured;
use Cubo\Sketch\Sketch;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Maker\Revolution;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** Solids made of regions of a sketch: drawn out straight, or turned about an axis. */
final class FromSketch
{
    /** mm that a cut through everything goes on beyond the part */
    private const BEYOND = 1.0;

    public static function extrude(Task $t): Solid
    {
        $profile = $t->profile();
        $sign = $t->text('direction') === 'down' ? -1.0 : 1.0;
        $start = $t->number('start');
        $place = Transform::translation([0.0, 0.0, $sign * $start])->then($t->sketch()->placement);
        $toFace = null;
        [$up, $down] = match ($t->text('extent')) {
            'both' => [$t->number('distance'), $t->number('second')],
            'middle' => [$t->number('distance') / 2, $t->number('distance') / 2],
            'through' => [self::through($t, $place, $sign), 0.0],
            'face' => [self::untilFace($t, $place, $sign, $toFace), 0.0],
            default => [$t->number('distance'), 0.0],
        };
        [$up, $down] = $sign > 0 ? [$up, $down] : [$down, $up];
        try {
            $solid = Extrusion::tapered($t->step->id, $profile, $up, $down, $t->number('taper'), $place);
            if ($toFace !== null) {
                [$point, $normal] = $toFace;
                $solid = Cutting::split($t->step->id, $solid, $point, $normal)[1];
            }
        } catch (Refused $r) {
            throw $t->refused($r, 'This cannot be drawn out.', $t->number('taper') != 0.0 ? 'taper' : null, true);
        }
        if ($solid->isEmpty()) {
            throw new StepProblem(new Message('wrong-side', 'That face lies the other way.', 'Between the sketch and this face there is nothing in this direction. Turn the direction round.', 'direction'));
        }

        return $solid;
    }

    private static function through(Task $t, Transform $place, float $sign): float
    {
        if ($t->part->isEmpty()) {
            throw new StepProblem(new Message('nothing-there', 'There is nothing to go through.', 'No earlier step has made a part. Type a distance.', 'extent'));
        }
        [$low, $high] = $t->heights($place);
        $reach = ($sign > 0 ? $high : -$low) + self::BEYOND;

        return $reach > self::BEYOND ? $reach : throw new StepProblem(new Message('wrong-side', 'There is nothing that way.', 'All of the part lies on the other side of the sketch. Turn the direction round.', 'direction'));
    }

    /**
     * @param array{array{float,float,float}, array{float,float,float}}|null $slanting
     * @param-out array{array{float,float,float}, array{float,float,float}}|null $slanting point and normal (away from the sketch) of a face that is not level with the sketch
     */
    private static function untilFace(Task $t, Transform $place, float $sign, ?array &$slanting): float
    {
        $face = $t->flatFace('until');
        $past = $t->number('past');
        [$nx, $ny, $nz] = [$place->r[2], $place->r[5], $place->r[8]];
        $along = $face->r[2] * $nx + $face->r[5] * $ny + $face->r[8] * $nz;
        $height = ($face->t[0] - $place->t[0]) * $nx + ($face->t[1] - $place->t[1]) * $ny + ($face->t[2] - $place->t[2]) * $nz;
        if (abs($along) > 1 - 1e-9) {
            $way = $sign * $height + $past;

            return $way > 1e-6 ? $way : throw new StepProblem(new Message('wrong-side', 'That face lies the other way.', 'From the sketch it is reached in the other direction. Turn the direction round.', 'direction'));
        }
        if (abs($along) < 1e-6) {
            throw new StepProblem(new Message('never-meets', 'That face is never reached.', 'It stands upright on the sketch, so nothing drawn out ends on it. Pick another face.', 'until'));
        }
        // away from the sketch, and moved on by what it is to go past
        $out = $along * $sign > 0 ? 1.0 : -1.0;
        $normal = [$out * $face->r[2], $out * $face->r[5], $out * $face->r[8]];
        $slanting = [[$face->t[0] + $past * $sign * $nx, $face->t[1] + $past * $sign * $ny, $face->t[2] + $past * $sign * $nz], $normal];

        return self::through($t, $place, $sign) + abs($past);
    }

    public static function revolve(Task $t): Solid
    {
        $sketch = $t->sketch();
        [$au, $av, $du, $dv] = self::axis($t, $sketch->drawn);
        $profile = $t->profile();
        $off = static fn (float $u, float $v): float => ($u - $au) * $dv - ($v - $av) * $du;
        [$low, $high] = [INF, -INF];
        foreach ($profile->loops as $loop) {
            foreach ($loop as [$u, $v]) {
                $low = min($low, $off($u, $v));
                $high = max($high, $off($u, $v));
            }
        }
        // the axis runs so that the region lies to its right
        if (-$low > $high) {
            [$du, $dv] = [-$du, -$dv];
        }
        $turned = static fn (float $u, float $v): array => [($u - $au) * $dv - ($v - $av) * $du, ($u - $au) * $du + ($v - $av) * $dv];
        // what is drawn on the axis lies on it
        $profile = $profile->mapped(static function (float $u, float $v) use ($turned): array {
            [$r, $h] = $turned($u, $v);

            return [abs($r) < 1e-9 ? 0.0 : $r, $h];
        });
        $p = $sketch->placement;
        $x = $p->direction([$dv, -$du, 0.0]);
        $z = $p->direction([$du, $dv, 0.0]);
        $y = $p->direction([0.0, 0.0, -1.0]);
        $at = $p->point([$au, $av, 0.0]);
        $angle = $t->number('angle');
        $begin = match ($t->text('way')) {
            'middle' => -$angle / 2,
            // towards the sketch's up side
            'up' => -$angle,
            default => 0.0,
        };
        $frame = Transform::rotation(2, $begin)->then(new Transform([$x[0], $y[0], $z[0], $x[1], $y[1], $z[1], $x[2], $y[2], $z[2]], $at));
        try {
            return Revolution::of($t->step->id, $profile, $angle, $frame);
        } catch (Refused $r) {
            throw $t->refused($r, $r->reason === 'crosses-axis' ? 'The region crosses the axis.' : 'This cannot be turned.', $r->reason === 'no-angle' ? 'angle' : 'axis', $r->reason === 'no-angle');
        }
    }

    /** @return array{float,float,float,float} a point and the direction of the axis, in the sketch */
    private static function axis(Task $t, Sketch $s): array
    {
        $line = Measured::line($s, $t->text('axis'));
        if ($line === null) {
            throw new StepProblem(new Message('no-axis', 'There is no such axis.', "The sketch has no straight line called “{$t->text('axis')}”. Type the name of a line, u-axis or v-axis.", 'axis'));
        }
        [[$au, $av], [$bu, $bv]] = $line;
        $l = hypot($bu - $au, $bv - $av);
        if ($l < 1e-9) {
            throw new StepProblem(new Message('no-axis', 'This axis has no length.', 'Both ends of that line are one point.', 'axis'));
        }

        return [$au, $av, ($bu - $au) / $l, ($bv - $av) / $l];
    }
}
