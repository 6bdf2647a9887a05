<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Budget\Budget;
use Cubo\Geometry\Transform;
use Cubo\Recipe\Message;
use Cubo\Recipe\PlacedSketch;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\Area\Straight;
use Cubo\Sketch\Measured;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Maker\Revolution;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/** Regions of a sketch turned about an axis. */
final class Revolving
{
    public static function make(Task $t): Solid
    {
        $sketch = $t->sketch();
        [$au, $av, $du, $dv] = self::axis($t, $sketch);
        $profile = self::turning($t, $sketch, [$au, $av, $du, $dv]);
        $off = static fn(float $u, float $v): float => ($u - $au) * $dv - ($v - $av) * $du;
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
        $turned = static fn(float $u, float $v): array => [($u - $au) * $dv - ($v - $av) * $du, ($u - $au) * $du + ($v - $av) * $dv];
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
            throw $t->refused(
                $r,
                $r->reason === 'crosses-axis' ? 'The region crosses the axis.' : 'This cannot be turned.',
                $r->reason === 'no-angle' ? 'angle' : 'axis',
                $r->reason === 'no-angle',
            );
        }
    }

    /**
     * The regions that are turned. Of a sketch without any, what an open line bounds with the axis, once that is wanted.
     *
     * @param array{float,float,float,float} $axis
     */
    private static function turning(Task $t, PlacedSketch $sketch, array $axis): Profile
    {
        if ($sketch->areas->regions !== [] || $sketch->drawn->entities === []) {
            return $t->profile();
        }
        $closed = self::closedAgainst($sketch, $axis, $t->budget);
        if ($closed->areas->regions !== [] && $t->text('close') === 'yes') {
            return $closed->areas->profile(range(1, count($closed->areas->regions)));
        }
        throw new StepProblem(
            new Message(
                'open-outline',
                'The outline is open.',
                $closed->areas->regions === []
                    ? 'Its lines close around no region, and led straight to the axis they do not either.'
                    : 'Led straight from its ends to the axis and along it, it would be closed.',
                'close',
                false,
                $closed->areas->regions === [] ? null : ['words' => 'Close it against the axis', 'values' => ['close' => 'yes']],
            ),
        );
    }

    /** @param array{float,float,float,float} $axis */
    private static function closedAgainst(PlacedSketch $sketch, array $axis, Budget $budget): PlacedSketch
    {
        [$au, $av, $du, $dv] = $axis;
        $feet = $lines = [];
        foreach ($sketch->areas->looseEnds() as $k => [$u, $v]) {
            $h = ($u - $au) * $du + ($v - $av) * $dv;
            $foot = [$au + $h * $du, $av + $h * $dv];
            $feet[] = [$h, $foot];
            if (hypot($u - $foot[0], $v - $foot[1]) > 1e-9) {
                $lines[] = new Straight('to-axis-' . ($k + 1), [$u, $v], $foot);
            }
        }
        if (count($feet) < 2) {
            return $sketch;
        }
        usort($feet, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $lines[] = new Straight('on-axis', $feet[0][1], $feet[count($feet) - 1][1]);

        return new PlacedSketch(
            $sketch->placement,
            new Arrangement([...DrawnCurves::of($sketch->drawn), ...$lines], $budget),
            $sketch->drawn,
        );
    }

    /** @return array{float,float,float,float} a point and the direction of the axis, in the sketch */
    private static function axis(Task $t, PlacedSketch $sketch): array
    {
        if ($t->text('about') === 'edge') {
            [$p, $q] = array_map($sketch->placement->local(...), $t->straightEdge('edge'));
            if (abs($p[2]) > 1e-6 || abs($q[2]) > 1e-6) {
                throw new StepProblem(
                    new Message(
                        'no-axis',
                        'This edge lies beside the sketch.',
                        'An axis must lie in the plane of the sketch. Pick another edge, or a line of the sketch.',
                        'edge',
                    ),
                );
            }
            $line = [[$p[0], $p[1]], [$q[0], $q[1]]];
        } else {
            $line = Measured::line($sketch->drawn, $t->text('axis'));
        }
        if ($line === null) {
            throw new StepProblem(
                new Message(
                    'no-axis',
                    'There is no such axis.',
                    "The sketch has no straight line called “{$t->text('axis')}”. Type the name of a line, u-axis or v-axis.",
                    'axis',
                ),
            );
        }
        [[$au, $av], [$bu, $bv]] = $line;
        $l = hypot($bu - $au, $bv - $av);
        if ($l < 1e-9) {
            throw new StepProblem(new Message('no-axis', 'This axis has no length.', 'Both ends of that line are one point.', 'axis'));
        }

        return [$au, $av, ($bu - $au) / $l, ($bv - $av) / $l];
    }
}
