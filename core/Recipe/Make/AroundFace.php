<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Recipe\Message;
use Cubo\Recipe\PartEdge;
use Cubo\Recipe\PartEdges;
use Cubo\Recipe\StepProblem;
use Cubo\Sketch\EntityKind;
use Cubo\Solid\Maker\Path;
use Cubo\Solid\Maker\Profile;

/**
 * The edge of a flat face, or a drawn circle, as a path for a sweep: once round, beginning where the plane of the section crosses it
 * upright, next to the section.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Piece array{from: V, to: V, through: V|null, centre: V|null}
 */
final class AroundFace
{
    private const SAME = 1e-5;

    public static function path(Task $t, Profile $profile): Path
    {
        return self::once($t, self::loops($t), $profile, 'face');
    }

    /**
     * Once round a drawn circle, beginning where the section's plane crosses it.
     *
     * @param list<V> $quarters the ends of its four quarters, the first again at the end
     */
    public static function circle(Task $t, array $quarters, Profile $profile): Path
    {
        $piece = [
            'from' => $quarters[0],
            'to' => $quarters[0],
            'through' => $quarters[1],
            'centre' => Vector::halfway([$quarters[0], $quarters[2]]),
        ];

        return self::once($t, [[$piece]], $profile, 'path');
    }

    /** @param list<list<Piece>> $loops */
    private static function once(Task $t, array $loops, Profile $profile, string $field): Path
    {
        $section = $t->sketch()->placement;
        $n = $section->direction([0.0, 0.0, 1.0]);
        $near = self::middle($profile, $section);
        $best = null;
        foreach ($loops as $l => $pieces) {
            foreach ($pieces as $k => $piece) {
                foreach (self::crossings($piece, $section, $n) as $p) {
                    $d = Vector::distance($p, $near);
                    if ($best === null || $d < $best[0]) {
                        $best = [$d, $l, $k, $p];
                    }
                }
            }
        }
        if ($best === null) {
            throw new StepProblem(
                $field === 'face'
                    ? new Message(
                        'path-aslant',
                        'The section does not cross the edge.',
                        'The plane of the sketch must cross the edge of the face upright, away from its corners.',
                        'face',
                    )
                    : new Message(
                        'path-aslant',
                        'The section does not cross the circle.',
                        'The plane of the region must go upright through the middle of the circle.',
                        $field,
                    ),
            );
        }
        [, $l, $k, $p] = $best;
        $pieces = $loops[$l];
        $path = Path::from($p);
        $split = $pieces[$k];
        if ($split['centre'] !== null && Vector::distance($split['from'], $split['to']) < self::SAME) {
            // a full circle, from the crossing and back in two arcs
            $over = Vector::sub($split['centre'], Vector::sub($p, $split['centre']));
            $axis = Vector::unit(
                Vector::cross(Vector::sub($split['from'], $split['centre']), Vector::sub($split['through'] ?? $p, $split['centre'])),
            );
            $quarter = static fn(float $by): array => Vector::add(
                $split['centre'],
                Vector::turned(Vector::sub($p, $split['centre']), $axis, $by),
            );

            return $path->arcTo($quarter(90.0), $over)->arcTo($quarter(270.0), $p);
        }
        $path = self::go($path, $split, $p, $split['to']);
        for ($i = 1; $i < count($pieces); $i++) {
            $next = $pieces[($k + $i) % count($pieces)];
            $path = self::go($path, $next, $next['from'], $next['to']);
        }

        return self::go($path, $split, $split['from'], $p);
    }

    /**
     * @param Piece $piece
     * @param V $from
     * @param V $to
     */
    private static function go(Path $path, array $piece, array $from, array $to): Path
    {
        if ($piece['centre'] === null) {
            return $path->lineTo($to);
        }
        $a = Vector::sub($from, $piece['centre']);
        $axis = Vector::unit(
            Vector::cross(Vector::sub($piece['from'], $piece['centre']), Vector::sub($piece['through'] ?? $to, $piece['centre'])),
        );
        $angle = rad2deg(
            atan2(
                Vector::dot(Vector::cross($a, Vector::sub($to, $piece['centre'])), $axis),
                Vector::dot($a, Vector::sub($to, $piece['centre'])),
            ),
        );

        return $path->arcTo(Vector::add($piece['centre'], Vector::turned($a, $axis, ($angle < 0 ? $angle + 360 : $angle) / 2)), $to);
    }

    /**
     * The edges of the face, each loop in order.
     *
     * @return list<list<Piece>>
     */
    private static function loops(Task $t): array
    {
        $plane = $t->flatFace('face');
        $face = $t->text('face');
        $pieces = [];
        foreach (PartEdges::seenOnto($t->part, $plane) as $edge) {
            if (in_array($face, $edge->faces, true)) {
                $pieces[] = self::piece($edge, $plane);
            }
        }
        $loops = [];
        while ($pieces !== []) {
            $loop = [array_shift($pieces)];
            while (Vector::distance($loop[count($loop) - 1]['to'], $loop[0]['from']) > self::SAME) {
                $next = null;
                foreach ($pieces as $j => $q) {
                    foreach ([false, true] as $turned) {
                        $q = $turned ? ['from' => $q['to'], 'to' => $q['from']] + $q : $q;
                        if ($next === null && Vector::distance($q['from'], $loop[count($loop) - 1]['to']) < self::SAME) {
                            $next = [$j, $q];
                        }
                    }
                }
                if ($next === null) {
                    throw new StepProblem(
                        new Message(
                            'no-path',
                            'This edge cannot be followed.',
                            'It is not made of straight lines and arcs all the way round.',
                            'face',
                        ),
                    );
                }
                unset($pieces[$next[0]]);
                $loop[] = $next[1];
            }
            $loops[] = $loop;
        }

        return $loops;
    }

    /** @return Piece */
    private static function piece(PartEdge $edge, Transform $plane): array
    {
        $at = static fn(array $q): array => $plane->point([$q[0], $q[1], 0.0]);
        if ($edge->kind === EntityKind::Line) {
            return ['from' => $at($edge->points[0]), 'to' => $at($edge->points[1]), 'through' => null, 'centre' => null];
        }
        $c = $edge->points[0];
        if ($edge->kind === EntityKind::Circle) {
            $start = $at([$c[0] + $edge->size, $c[1]]);

            return ['from' => $start, 'to' => $start, 'through' => $at([$c[0], $c[1] + $edge->size]), 'centre' => $at($c)];
        }
        [$p, $q] = [$edge->points[1], $edge->points[2]];
        $a = atan2($p[1] - $c[1], $p[0] - $c[0]);
        $b = atan2($q[1] - $c[1], $q[0] - $c[0]);
        // a point soon after the beginning: it says which way round the arc runs, never half a turn away
        $soon = $a + min(1.0, ($b > $a ? $b - $a : $b - $a + 2 * M_PI) / 2);

        return [
            'from' => $at($p),
            'to' => $at($q),
            'through' => $at([$c[0] + $edge->size * cos($soon), $c[1] + $edge->size * sin($soon)]),
            'centre' => $at($c),
        ];
    }

    /**
     * Where a piece goes upright through the plane of the section, ends left out.
     *
     * @param Piece $piece
     * @param V $n the plane's normal
     * @return list<V>
     */
    private static function crossings(array $piece, Transform $section, array $n): array
    {
        $height = static fn(array $p): float => $section->local($p)[2];
        if ($piece['centre'] === null) {
            [$a, $b] = [$height($piece['from']), $height($piece['to'])];
            $d = Vector::sub($piece['to'], $piece['from']);

            return $a * $b < -(self::SAME ** 2) && abs(Vector::dot(Vector::unit($d), $n)) > 1 - 1e-9
                ? [Vector::add($piece['from'], $d, $a / ($a - $b))]
                : [];
        }
        // upright only where the plane goes through the middle
        if (abs($height($piece['centre'])) > self::SAME) {
            return [];
        }
        $r = Vector::sub($piece['from'], $piece['centre']);
        $axis = Vector::unit(Vector::cross($r, Vector::sub($piece['through'] ?? $piece['to'], $piece['centre'])));
        $along = Vector::cross($n, $axis);
        if (Vector::length($along) < 1 - 1e-9) {
            return [];
        }
        $out = [];
        foreach ([1.0, -1.0] as $sign) {
            $p = Vector::add($piece['centre'], Vector::unit($along), $sign * Vector::length($r));
            $full = Vector::distance($piece['from'], $piece['to']) < self::SAME;
            $turn = static function (array $q) use ($piece, $axis, $r): float {
                $a = rad2deg(
                    atan2(
                        Vector::dot(Vector::cross($r, Vector::sub($q, $piece['centre'])), $axis),
                        Vector::dot($r, Vector::sub($q, $piece['centre'])),
                    ),
                );

                return $a < 0 ? $a + 360 : $a;
            };
            if ($full || ($turn($p) > 1e-3 && $turn($p) < $turn($piece['to']) - 1e-3)) {
                $out[] = $p;
            }
        }

        return $out;
    }

    /** @return V */
    private static function middle(Profile $profile, Transform $section): array
    {
        $u = $v = $n = 0.0;
        foreach ($profile->loops as $loop) {
            foreach ($loop as [$pu, $pv]) {
                $u += $pu;
                $v += $pv;
                $n++;
            }
        }

        return $section->point([$u / $n, $v / $n, 0.0]);
    }
}
