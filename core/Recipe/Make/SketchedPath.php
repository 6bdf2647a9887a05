<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Vector;
use Cubo\Recipe\Message;
use Cubo\Recipe\PlacedSketch;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Role;
use Cubo\Solid\Maker\Path;

/**
 * The lines, arcs and curves of a sketch in space, and in the order in which they hang on each other.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Piece array{kind: EntityKind, points: list<V>}
 */
final class SketchedPath
{
    /** mm: so near ends count as joined */
    private const JOINED = 1e-6;

    /** @return list<array{kind: EntityKind, points: list<V>}> lines with both ends, arcs with a point between, curves with all points, circles with the ends of four quarters */
    public static function pieces(PlacedSketch $path, bool $circles = false): array
    {
        $out = [];
        foreach ($path->drawn->entities as $e) {
            if (
                $e->role !== Role::Outline ||
                !in_array($e->kind, [EntityKind::Line, EntityKind::Arc, EntityKind::Curve, ...$circles ? [EntityKind::Circle] : []], true)
            ) {
                continue;
            }
            $p = array_map($path->drawn->point(...), $e->points);
            if ($e->kind === EntityKind::Arc) {
                $curve = DrawnCurves::curves($path->drawn, $e)[0] ?? null;
                if ($curve === null) {
                    continue;
                }
                $p = [$p[1], $curve->at(($curve->from() + $curve->to()) / 2), $p[2]];
            } elseif ($e->kind === EntityKind::Circle) {
                $p = [
                    [$p[0][0] + $e->size, $p[0][1]],
                    [$p[0][0], $p[0][1] + $e->size],
                    [$p[0][0] - $e->size, $p[0][1]],
                    [$p[0][0], $p[0][1] - $e->size],
                    [$p[0][0] + $e->size, $p[0][1]],
                ];
            }
            $points = array_map(static fn(array $q): array => $path->placement->point([$q[0], $q[1], 0.0]), $p);
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
    public static function chained(array $pieces, callable $height): Path
    {
        $ends = static fn(array $piece): array => [$piece['points'][0], $piece['points'][count($piece['points']) - 1]];
        $meets = static fn(array $a, array $b): bool => Vector::distance($a, $b) < self::JOINED;
        // begin at an end that nothing else meets, the one nearest to the plane; at any in a closed path
        $best = null;
        foreach ([true, false] as $open) {
            foreach ($pieces as $i => $piece) {
                foreach ($ends($piece) as $k => $end) {
                    $free = true;
                    foreach ($pieces as $j => $other) {
                        $free = $free && ($i === $j || (!$meets($end, $ends($other)[0]) && !$meets($end, $ends($other)[1])));
                    }
                    if (($free || !$open) && ($best === null || $height($end) < $best[2] - 1e-9)) {
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
                throw new StepProblem(
                    new Message(
                        'path-broken',
                        'The path is not in one piece.',
                        'Its lines must follow each other end to end. ' . count($pieces) . ' of them do not hang on the others.',
                        'path',
                    ),
                );
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
}
