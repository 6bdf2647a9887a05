<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Recipe\Message;
use Cubo\Recipe\ScrewSizes;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Maker\Revolution;
use Cubo\Solid\Solid;

/** Holes: plain, counterbored, countersunk; through or to a depth; by diameter or for a screw. */
final class Holes
{
    /** degrees at the point of a common twist drill (common practice, no source) */
    private const POINT = 118.0;

    /** All that the holes of a step take away. */
    public static function make(Task $t): Solid
    {
        $t->needsPart();
        [$place, $spots] = self::spots($t);
        // into the part: against the side the sketch or face looks to
        $into = $t->text('direction') === 'up' ? Transform::rotation(0, 180.0) : Transform::identity();
        [$low, $high] = $t->heights($place);
        $reach = ($t->text('direction') === 'up' ? $high : -$low) + 1.0;
        if ($reach <= 1.0) {
            throw new StepProblem(
                new Message(
                    'wrong-side',
                    'There is nothing that way.',
                    'All of the part lies on the other side. Turn the direction round.',
                    'direction',
                ),
            );
        }
        $profile = self::profile($t, $reach);
        $tools = [];
        foreach ($spots as $i => [$u, $v]) {
            $t->budget->spend(2000);
            $tool = Revolution::of($t->step->id, $profile, 360.0, $into->then(Transform::translation([$u, $v, 0.0]))->then($place));
            $tools[] = $i === 0 ? $tool : $tool->renamed(static fn(string $name): string => $name . ' ' . ($i + 1));
        }
        while (count($tools) > 1) {
            $tools = array_map(
                static fn(array $pair): Solid => isset($pair[1]) ? BooleanOperation::union($pair[0], $pair[1], $t->budget) : $pair[0],
                array_chunk($tools, 2),
            );
        }

        return $tools[0];
    }

    /** @return array{Transform, list<array{float,float}>} the plane, and places in it */
    public static function spots(Task $t): array
    {
        if ($t->text('where') === 'face') {
            return [$t->flatFace('face'), [[$t->number('u'), $t->number('v')]]];
        }
        $sketch = $t->sketch();
        $used = [];
        foreach ($sketch->drawn->entities as $e) {
            $used += array_fill_keys($e->points, true);
        }
        $spots = array_values(array_diff_key($sketch->drawn->points, $used));
        if ($spots === []) {
            throw new StepProblem(
                new Message(
                    'no-points',
                    'The sketch has no points.',
                    'A hole is made at every point that stands alone in the sketch. Draw points where the holes are to be.',
                    'sketch',
                ),
            );
        }
        if (count($spots) > 200) {
            throw new StepProblem(
                new Message('too-complex', 'These are too many holes.', 'No more than 200 holes are made at once.', 'sketch'),
            );
        }

        return [$sketch->placement, $spots];
    }

    /** Half a section of the hole, z upward out of the part, z = 0 in the plane. */
    private static function profile(Task $t, float $reach): Profile
    {
        $r = self::radius($t);
        $through = $t->text('extent') === 'through';
        $depth = $through ? $reach : $t->number('depth');
        $points = [[$r, -$depth, 'wall']];
        if (!$through && $t->text('bottom') === 'point') {
            array_unshift($points, [0.0, -$depth - $r / tan(deg2rad(self::POINT / 2)), 'point']);
        } else {
            array_unshift($points, [0.0, -$depth, 'bottom']);
        }
        if ($t->text('head') !== 'plain') {
            $h = $t->number('wide') / 2;
            if ($h <= $r) {
                throw new StepProblem(
                    new Message(
                        'narrow-head',
                        'The head is no wider than the hole.',
                        'It must be more than ' . $t->unit->brief(2 * $r) . " {$t->unit->value} across.",
                        'wide',
                    ),
                );
            }
            $bore = $t->text('head') === 'bore';
            $angle = $bore ? 0.0 : $t->number('angle');
            if (!$bore && ($angle < 20 || $angle > 170)) {
                throw new StepProblem(
                    new Message('no-angle', 'No countersink is like that.', 'Its angle lies between 20 and 170 degrees.', 'angle'),
                );
            }
            $down = $bore ? $t->number('deep') : ($h - $r) / tan(deg2rad($angle / 2));
            if ($down >= $depth) {
                throw new StepProblem(
                    new Message(
                        'deep-head',
                        'The head is deeper than the hole.',
                        'It goes ' . $t->unit->brief($down) . " {$t->unit->value} deep.",
                        $bore ? 'deep' : 'wide',
                    ),
                );
            }
            $points[] = [$r, -$down, $bore ? 'seat' : 'sink'];
            if ($bore) {
                $points[] = [$h, -$down, 'head'];
            }
            $points[] = [$h, 0.0, 'mouth'];
        } else {
            $points[] = [$r, 0.0, 'mouth'];
        }
        $points[] = [0.0, 0.0, 'axis'];

        return new Profile([array_map(static fn(array $p): array => [$p[0], $p[1], ['name' => $p[2], 'circle' => null]], $points)]);
    }

    private static function radius(Task $t): float
    {
        if ($t->text('by') !== 'screw') {
            return $t->v->radius('round');
        }

        return ScrewSizes::CLEARANCE[$t->text('screw')][ScrewSizes::FITS[$t->text('fit')]] / 2;
    }
}
