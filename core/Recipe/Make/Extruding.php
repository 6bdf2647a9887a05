<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Measure\Bounds;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Maker\Extrusion;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** Regions of a sketch drawn out straight, as far as the step says. */
final class Extruding
{
    /** mm that a cut through everything goes on beyond the part */
    private const BEYOND = 1.0;

    /** mm: less is nothing to go through */
    private const NOTHING = 1e-6;

    public static function make(Task $t): Solid
    {
        $profile = $t->profile();
        $sign = $t->text('direction') === 'down' ? -1.0 : 1.0;
        $place = self::begins($t);
        $toFace = null;
        [$up, $down] = match ($t->text('extent')) {
            'both' => [$t->number('distance'), $t->number('second')],
            'middle' => [$t->number('distance') / 2, $t->number('distance') / 2],
            'through' => [self::through($t, $place, $sign, $t->text('effect') === 'cut' ? self::BEYOND : 0.0), 0.0],
            'face' => [self::untilFace($t, $place, $sign, $toFace), 0.0],
            'level' => [self::untilLevel($t, $place, $sign), 0.0],
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
            throw new StepProblem(
                self::turnRound(
                    $t,
                    'That face lies the other way.',
                    'Between the sketch and this face there is nothing in this direction.',
                ),
            );
        }

        return $solid;
    }

    /** @param float $beyond mm past the end of the part: what is added ends where the part does */
    private static function through(Task $t, Transform $place, float $sign, float $beyond = self::BEYOND): float
    {
        if ($t->part->isEmpty()) {
            throw new StepProblem(
                new Message(
                    'nothing-there',
                    'There is nothing to go through.',
                    'No earlier step has made a part. Type a distance.',
                    'extent',
                ),
            );
        }
        if ($beyond > 0) {
            [$low, $high] = $t->heights($place);
        } else {
            // to the last bit, on true faces too
            $bounds = Bounds::of($t->part->moved($place->inverse()), $t->budget);
            [$low, $high] = [$bounds->min[2], $bounds->max[2]];
        }
        $reach = $sign > 0 ? $high : -$low;

        return $reach > self::NOTHING
            ? $reach + $beyond
            : throw new StepProblem(
                self::turnRound($t, 'There is nothing that way.', 'All of the part lies on the other side of the sketch.'),
            );
    }

    /** The plane an extrusion begins in: takes (u, v, height) to (x, y, z). */
    public static function begins(Task $t): Transform
    {
        $sign = $t->text('direction') === 'down' ? -1.0 : 1.0;
        $base = $t->text('from') === 'face' ? self::levelFace($t) : 0.0;

        return Transform::translation([0.0, 0.0, $base + $sign * $t->number('start')])->then($t->sketch()->placement);
    }

    /** Height above the sketch, mm, of the face an extrusion begins at. */
    private static function levelFace(Task $t): float
    {
        $face = $t->flatFace('base');
        $sketch = $t->sketch()->placement;
        $n = $sketch->direction([0.0, 0.0, 1.0]);
        if (abs(Vector::dot($n, $face->direction([0.0, 0.0, 1.0]))) < 1 - 1e-9) {
            throw new StepProblem(
                new Message(
                    'not-level',
                    'That face is not level with the sketch.',
                    'It can begin only at a face that runs parallel to the sketch. Pick another one.',
                    'base',
                ),
            );
        }

        return $sketch->local($face->t)[2];
    }

    private static function untilLevel(Task $t, Transform $place, float $sign): float
    {
        $way = $sign * $t->heightOf('level', $place) + $t->number('past');

        return $way > 1e-6
            ? $way
            : throw new StepProblem(
                self::turnRound($t, 'That corner lies the other way.', 'From where it begins it is reached in the other direction.'),
            );
    }

    private static function turnRound(Task $t, string $what, string $why): Message
    {
        return new Message('wrong-side', $what, "$why Turn the direction round.", 'direction', false, [
            'words' => 'Turn it round',
            'values' => ['direction' => $t->text('direction') === 'down' ? 'up' : 'down'],
        ]);
    }

    /**
     * @param array{array{float,float,float}, array{float,float,float}}|null $slanting
     *
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

            return $way > 1e-6
                ? $way
                : throw new StepProblem(
                    self::turnRound($t, 'That face lies the other way.', 'From the sketch it is reached in the other direction.'),
                );
        }
        if (abs($along) < 1e-6) {
            throw new StepProblem(
                new Message(
                    'never-meets',
                    'That face is never reached.',
                    'It stands upright on the sketch, so nothing drawn out ends on it. Pick another face.',
                    'until',
                ),
            );
        }
        // away from the sketch, and moved on by what it is to go past
        $out = $along * $sign > 0 ? 1.0 : -1.0;
        $normal = [$out * $face->r[2], $out * $face->r[5], $out * $face->r[8]];
        $slanting = [[$face->t[0] + $past * $sign * $nx, $face->t[1] + $past * $sign * $ny, $face->t[2] + $past * $sign * $nz], $normal];

        return self::through($t, $place, $sign) + abs($past);
    }
}
