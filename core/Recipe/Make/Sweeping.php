<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Vector;
use Cubo\Recipe\Message;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\EntityKind;
use Cubo\Solid\Maker\Path;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Maker\Sweep;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/**
 * Regions of a sketch carried along a path.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Sweeping
{
    public static function make(Task $t): Solid
    {
        $section = $t->sketch();
        $profile = $t->profile();
        $at = $section->placement->point([0.0, 0.0, 0.0]);
        $n = $section->placement->direction([0.0, 0.0, 1.0]);
        try {
            $path = $t->text('along') === 'face' ? AroundFace::path($t, $profile) : self::drawn($t, $profile, $at, $n);
            $first = $path->segments[0];
            $d = Sweep::begins($path);
            if (abs(Vector::dot($n, $d)) < 1 - 1e-6) {
                throw new StepProblem(
                    new Message(
                        'path-aslant',
                        'The path does not leave the region upright.',
                        'Where the path begins it must stand upright on the plane of the region.',
                        'path',
                    ),
                );
            }
            [$e1, $e2] = Sweep::frame($path);
            $local = static function (float $u, float $v) use ($section, $first, $e1, $e2): array {
                $p = Vector::sub($section->placement->point([$u, $v, 0.0]), $first['from']);

                return [Vector::dot($p, $e1), Vector::dot($p, $e2)];
            };

            return Sweep::along($t->step->id, $profile->mapped($local, Vector::dot($n, $d) < 0), $path);
        } catch (Refused $r) {
            throw $t->refused($r, 'This cannot be swept.', 'path');
        }
    }

    /**
     * The path in a sketch of its own.
     *
     * @param V $at a point of the section's plane
     * @param V $n its normal
     */
    private static function drawn(Task $t, Profile $profile, array $at, array $n): Path
    {
        $pieces = SketchedPath::pieces($t->sketch('path'), true);
        if ($pieces === []) {
            throw new StepProblem(
                new Message('no-path', 'There is no path.', 'The sketch of the path has no lines, arcs or curves.', 'path'),
            );
        }
        if (count($pieces) === 1 && $pieces[0]['kind'] === EntityKind::Circle) {
            return AroundFace::circle($t, $pieces[0]['points'], $profile);
        }
        $height = static fn(array $p): float => abs(Vector::dot($n, Vector::sub($p, $at)));
        $path = SketchedPath::chained($pieces, $height);
        if ($height($path->segments[0]['from']) > 1e-4) {
            throw new StepProblem(
                new Message(
                    'path-apart',
                    'The path begins somewhere else.',
                    'One end of the path must lie in the plane of the region it carries along.',
                    'path',
                ),
            );
        }

        return $path;
    }
}
