<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Recipe\Message;
use Cubo\Recipe\PlacedSketch;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Role;
use Cubo\Solid\Maker\Loft;
use Cubo\Solid\Maker\Path;
use Cubo\Solid\Maker\Sweep;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/**
 * Solids that follow a drawn path, or lead from section to section.
 *
 * @phpstan-type V array{float,float,float}
 */
final class AlongPath
{
    /** mm: so near ends count as joined */
    private const JOINED = 1e-6;

    public static function sweep(Task $t): Solid
    {
        $section = $t->sketch();
        $profile = $t->profile();
        $pieces = self::pieces($t->sketch('path'));
        if ($pieces === []) {
            throw new StepProblem(new Message('no-path', 'There is no path.', 'The sketch of the path has no lines, arcs or curves.', 'path'));
        }
        $at = $section->placement->point([0.0, 0.0, 0.0]);
        $n = $section->placement->direction([0.0, 0.0, 1.0]);
        $height = static fn (array $p): float => abs(Vector::dot($n, Vector::sub($p, $at)));
        try {
            $path = self::chained($pieces, $height);
            $first = $path->segments[0];
            if ($height($first['from']) > 1e-4) {
                throw new StepProblem(new Message('path-apart', 'The path begins somewhere else.', 'One end of the path must lie in the plane of the region it carries along.', 'path'));
            }
            $d = Sweep::begins($path);
            if (abs(Vector::dot($n, $d)) < 1 - 1e-6) {
                throw new StepProblem(new Message('path-aslant', 'The path does not leave the region upright.', 'Where the path begins it must stand upright on the plane of the region.', 'path'));
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

    /** @return list<array{kind: EntityKind, points: list<V>}> lines with both ends, arcs with a point between, curves with all points */
    private static function pieces(PlacedSketch $path): array
    {
        $out = [];
        foreach ($path->drawn->entities as $e) {
            if ($e->role !== Role::Outline || ! in_array($e->kind, [EntityKind::Line, EntityKind::Arc, EntityKind::Curve], true)) {
                continue;
            }
            $p = array_map($path->drawn->point(...), $e->points);
            if ($e->kind === EntityKind::Arc) {
                $curve = DrawnCurves::curves($path->drawn, $e)[0] ?? null;
                if ($curve === null) {
                    continue;
                }
                $p = [$p[1], $curve->at(($curve->from() + $curve->to()) / 2), $p[2]];
            }
            $points = array_map(static fn (array $q): array => $path->placement->point([$q[0], $q[1], 0.0]), $p);
            $out[] = ['kind' => $e->kind, 'points' => $points];
        }

        return $out;
    }

    /**
     * The pieces one behind the other.
     *
     * @param list<array{kind: EntityKind, points: list<V>}> $pieces
     * @param callable(V): float $height above the plane in which the path is to begin
     *
     * @throws StepProblem when they do not hang together in one row
     */
    private static function chained(array $pieces, callable $height): Path
    {
        $ends = static fn (array $piece): array => [$piece['points'][0], $piece['points'][count($piece['points']) - 1]];
        $meets = static fn (array $a, array $b): bool => Vector::distance($a, $b) < self::JOINED;
        // begin at an end that nothing else meets, the one nearest to the plane; at any in a closed path
        $best = null;
        foreach ([true, false] as $open) {
            foreach ($pieces as $i => $piece) {
                foreach ($ends($piece) as $k => $end) {
                    $free = true;
                    foreach ($pieces as $j => $other) {
                        $free = $free && ($i === $j || ! $meets($end, $ends($other)[0]) && ! $meets($end, $ends($other)[1]));
                    }
                    if (($free || ! $open) && ($best === null || $height($end) < $best[2] - 1e-9)) {
                        $best = [$i, $k, $height($end)];
                    }
                }
            }
            if ($best !== null) {
                break;
            }
        }
        [$i, $k] = $best ?? [0, 0];
        $at = $ends($pieces[$i])[$k];
        $path = Path::from($at);
        while ($pieces !== []) {
            $next = null;
            foreach ($pieces as $j => $piece) {
                foreach ($ends($piece) as $side => $end) {
                    if ($meets($end, $at) && ($next === null || $j === $i)) {
                        $next = [$j, $side];
                    }
                }
            }
            if ($next === null) {
                throw new StepProblem(new Message('path-broken', 'The path is not in one piece.', 'Its lines must follow each other end to end. ' . count($pieces) . ' of them do not hang on the others.', 'path'));
            }
            $points = $next[1] === 0 ? $pieces[$next[0]]['points'] : array_reverse($pieces[$next[0]]['points']);
            $path = match ($pieces[$next[0]]['kind']) {
                EntityKind::Line => $path->lineTo($points[1]),
                EntityKind::Arc => $path->arcTo($points[1], $points[2]),
                default => count($points) === 2 ? $path->lineTo($points[1]) : $path->splineThrough(array_slice($points, 1)),
            };
            $at = $points[count($points) - 1];
            unset($pieces[$next[0]]);
            $i = -1;
        }

        return $path;
    }

    public static function loft(Task $t): Solid
    {
        $ids = $t->step->names('sketches');
        if (count($ids) < 2) {
            throw new StepProblem(new Message('no-sections', 'A loft needs two sketches.', 'Pick at least two sketches on different planes, in the order in which it runs through them.', 'sketches'));
        }
        $sections = [];
        $up = null;
        foreach ($ids as $id) {
            $sketch = $t->named($id, 'sketches');
            $count = count($sketch->areas->regions);
            if ($count === 0) {
                throw new StepProblem(new Message('no-region', 'A sketch is empty.', 'Every sketch of a loft needs one closed outline.', 'sketches'));
            }
            $profile = $sketch->areas->profile(range(1, $count));
            $place = $sketch->placement;
            $n = $place->direction([0.0, 0.0, 1.0]);
            // sections that look the other way are turned over
            if ($up !== null && Vector::dot($n, $up) < 0) {
                $profile = $profile->mapped(static fn (float $u, float $v): array => [$u, -$v], true);
                $place = Transform::rotation(0, 180.0)->then($place);
                $n = $place->direction([0.0, 0.0, 1.0]);
            }
            $up = $n;
            $sections[] = [$profile, $place];
        }
        // the first section looks towards the last
        [$first, $last] = [$sections[0][1], $sections[count($sections) - 1][1]];
        if (Vector::dot(Vector::sub($last->t, $first->t), $first->direction([0.0, 0.0, 1.0])) < 0) {
            $sections = array_reverse($sections);
        }
        try {
            return Loft::through($t->step->id, $sections, $t->text('skin') === 'smooth');
        } catch (Refused $r) {
            throw $t->refused($r, 'These sketches cannot be joined.', 'sketches');
        }
    }
}
