<?php

declare(strict_types=1);

namespace App\Support\Pad;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Drawing\FeatureEdges;
use Cubo\Geometry\Transform;
use Cubo\Quantity\Unit;
use Cubo\Recipe\NamedSizes;
use Cubo\Recipe\PartEdge;
use Cubo\Recipe\PartNames;
use Cubo\Recipe\Recipe;
use Cubo\Sketch\Area\Arrangement;
use Cubo\Sketch\Area\Curve;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\Area\Region;
use Cubo\Sketch\Area\Round;
use Cubo\Sketch\Area\TooManyPieces;
use Cubo\Sketch\DimensionValues;
use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Measured;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Sketch;
use Cubo\Sketch\Solve\Moving;
use Cubo\Sketch\Solve\SolvedSketch;
use Cubo\Sketch\Solve\Way;
use Cubo\Solid\Solid;

/** All that the pad shows of a sketch: shapes in mm for the drawing, and words. */
final class PadPage
{
    /** Units that looking for areas may take while somebody draws. */
    private const AREAS = 1_500_000;

    /** @return array<string, mixed> */
    public static function drawing(SolvedSketch $solved, Unit $unit): array
    {
        $s = $solved->sketch;
        $free = $solved->movements;
        try {
            $areas = new Arrangement(DrawnCurves::of($s), new Budget(self::AREAS));
        } catch (TooManyPieces | OverBudget) {
            $areas = new Arrangement([]);
        }

        return [
            'points' => array_map(
                static fn(string $id): array => [
                    'id' => $id,
                    'u' => $s->points[$id][0],
                    'v' => $s->points[$id][1],
                    'loose' => isset($free[$id]),
                ],
                array_keys($s->points),
            ),
            'lines' => array_map(
                static fn(Entity $e): array => [
                    'id' => $e->id,
                    'kind' => $e->kind->value,
                    'role' => $e->role->value,
                    'points' => $e->points,
                    'size' => $e->size,
                    'loose' => self::loose($e, $solved),
                    'edge' => $e->edge !== '',
                    'd' => implode('', array_map(self::path(...), DrawnCurves::curves($s, $e))),
                ],
                array_values($s->entities),
            ),
            'sizes' => array_values(
                array_filter(array_map(static fn(Relation $r): ?array => self::size($s, $r, $unit), array_values($s->relations))),
            ),
            'marks' => array_values(
                array_filter(
                    array_map(
                        static fn(Relation $r): ?array => self::mark($s, $r, in_array($r->id, $solved->idle, true)),
                        array_values($s->relations),
                    ),
                ),
            ),
            'regions' => array_map(
                static fn(Region $r): array => [
                    'key' => $r->key,
                    'number' => $r->number,
                    'area' => self::area($r->area, $unit),
                    'at' => $r->spot(),
                    'd' => implode(
                        '',
                        array_map(
                            static fn(array $l): string => 'M' .
                                implode('L', array_map(static fn(array $p): string => self::n($p[0]) . ' ' . self::n($p[1]), $l)) .
                                'Z',
                            $r->loops,
                        ),
                    ),
                ],
                $areas->regions,
            ),
            'moves' => array_values(
                array_filter(
                    array_map(
                        static fn(string $id): ?array => ($m = $free[$id])->along === null ? null : ['id' => $id, 'along' => $m->along],
                        array_keys($free),
                    ),
                ),
            ),
            'gaps' => array_map(
                static fn(array $g): array => [
                    'a' => self::pointAt($s, $g[0]),
                    'b' => self::pointAt($s, $g[1]),
                    'at' => $g[0],
                    'size' => $unit->show($g[2]),
                ],
                array_slice($areas->gaps(0.08 * $s->size()), 0, 6),
            ),
            'looseEnds' => $areas->looseEnds(),
            'doubled' => $areas->doubled(),
        ];
    }

    private static function loose(Entity $e, SolvedSketch $solved): bool
    {
        return isset($solved->movements[$e->id]) ||
            array_filter($e->points, static fn(string $p): bool => isset($solved->movements[$p])) !== [];
    }

    private static function n(float $v): string
    {
        return (string) round($v, 5);
    }

    private static function path(Curve $c): string
    {
        [$a, $b] = [$c->at($c->from()), $c->at($c->to())];
        $d = 'M' . self::n($a[0]) . ' ' . self::n($a[1]);
        if ($c instanceof Round) {
            $m = $c->at(($c->from() + $c->to()) / 2);
            $r = self::n($c->radius);

            return $d . "A$r $r 0 0 1 " . self::n($m[0]) . ' ' . self::n($m[1]) . "A$r $r 0 0 1 " . self::n($b[0]) . ' ' . self::n($b[1]);
        }
        foreach ([...$c->inner($c->from(), $c->to()), $c->to()] as $t) {
            [$u, $v] = $c->at($t);
            $d .= 'L' . self::n($u) . ' ' . self::n($v);
        }

        return $d;
    }

    /** @param array{float,float} $p */
    private static function pointAt(Sketch $s, array $p): string
    {
        foreach ([...$s->points, Sketch::ORIGIN => [0.0, 0.0]] as $id => $q) {
            if (hypot($q[0] - $p[0], $q[1] - $p[1]) < 1e-6) {
                return $id;
            }
        }

        return '';
    }

    /**
     * A sketch moved a little in one of the ways it can, forth and back.
     *
     * @return list<string> two paths
     */
    public static function ghost(SolvedSketch $solved, int $n, Unit $unit, NamedSizes $named): array
    {
        $way = $solved->ways[$n] ?? null;
        if ($way === null) {
            return [];
        }
        $values = (new DimensionValues($solved->sketch, $unit, $named))->values;
        $out = [];
        foreach ([false, true] as $back) {
            $s = Moving::along($way, $solved->sketch, $values, $back);
            $d = '';
            $moves = [...$way->points, ...$way->sizes];
            foreach ($s->entities as $e) {
                $d .=
                    !isset($moves[$e->id]) && array_intersect_key($moves, array_flip($e->points)) === []
                        ? ''
                        : implode('', array_map(self::path(...), DrawnCurves::curves($s, $e)));
            }
            foreach (array_keys($way->points) as $p) {
                [$u, $v] = $s->point($p);
                $d .= 'M' . self::n($u) . ' ' . self::n($v) . 'h0';
            }
            $out[] = $d;
        }

        return $out;
    }

    /**
     * What can be taken over of the part.
     *
     * @param array<string, PartEdge> $edges
     * @return list<array{key: string, faces: list<string>, words: string, d: string}>
     */
    public static function edges(array $edges, Recipe $recipe): array
    {
        $out = [];
        foreach (array_slice($edges, 0, 800, true) as $key => $edge) {
            $s = new Sketch();
            foreach ($edge->points as $i => [$u, $v]) {
                $s = $s->withPoint("p$i", $u, $v);
            }
            $e = new Entity('e', $edge->kind, array_keys($s->points), $edge->size);
            $out[] = [
                'key' => $key,
                'faces' => array_map(static fn(string $face): string => PartNames::face($face, $recipe), $edge->faces),
                'words' => $edge->kind->value . ' between ' . PartNames::edge($key, $recipe),
                'd' => implode('', array_map(self::path(...), DrawnCurves::curves($s->withEntity($e), $e))),
            ];
        }

        return $out;
    }

    /** The edges of a part on a plane, as a path. */
    public static function behind(Solid $part, Transform $plane): string
    {
        $seen = $out = [];
        foreach (FeatureEdges::of($part)->sharp as $h) {
            $ends = [];
            foreach ([$part->start[$h], $part->start[$part->twin[$h]]] as $v) {
                [$u, $w] = $plane->local([$part->x[$v], $part->y[$v], $part->z[$v]]);
                $ends[] = self::n($u) . ' ' . self::n($w);
            }
            sort($ends);
            $key = implode('L', $ends);
            if ($ends[0] !== $ends[1] && !isset($seen[$key])) {
                $seen[$key] = true;
                $out[] = "M$key";
            }
        }

        return implode('', array_slice($out, 0, 6000));
    }

    public static function area(float $mm2, Unit $unit): string
    {
        return number_format($mm2 / $unit->inMillimetres() ** 2, $unit === Unit::Inch ? 3 : 1, '.', '') . " {$unit->value}²";
    }

    /** What a dimension says: its typed text, or what it measures, in brackets. */
    public static function sizeText(Sketch $s, Relation $r, Unit $unit): string
    {
        $v = Measured::value($s, $r);
        $shown = $v === null ? '?' : ($r->kind === RelationKind::Angle ? round($v, 2) . '°' : $unit->show($v));

        return $r->measured ? "($shown)" : $r->value;
    }

    /** @return array{float,float} where the leader of a radius ends */
    private static function rim(Sketch $s, string $id): array
    {
        $c = DrawnCurves::curves($s, $s->entities[$id])[0] ?? null;
        if ($c === null) {
            return $s->point($s->entities[$id]->points[0]);
        }

        return $c->at($c instanceof Round && $c->closed() ? M_PI / 4 : ($c->from() + $c->to()) / 2);
    }

    /** @return array<string, mixed>|null from where to where it is drawn */
    private static function size(Sketch $s, Relation $r, Unit $unit): ?array
    {
        if (!$r->kind->isDimension()) {
            return null;
        }
        [$a, $b] = [$r->of[0], $r->of[1] ?? ''];
        [$p, $q] = [Measured::place($s, $a), Measured::place($s, $b)];
        [$l, $m] = [Measured::line($s, $a), Measured::line($s, $b)];
        $foot = static function (array $line, array $x): array {
            [$du, $dv] = [$line[1][0] - $line[0][0], $line[1][1] - $line[0][1]];
            $t = (($x[0] - $line[0][0]) * $du + ($x[1] - $line[0][1]) * $dv) / max(1e-12, $du * $du + $dv * $dv);

            return [$line[0][0] + $t * $du, $line[0][1] + $t * $dv];
        };
        $axis = ['horizontal distance' => 'u', 'vertical distance' => 'v'][$r->kind->value] ?? '';
        [$from, $to] = match (true) {
            $r->kind === RelationKind::Length, $axis !== '' && $b === '' => $l ?? [null, null],
            $r->kind === RelationKind::Radius, $r->kind === RelationKind::Diameter => $p === null ? [null, null] : [$p, self::rim($s, $a)],
            $r->kind === RelationKind::Angle => [
                $l === null ? null : [($l[0][0] + $l[1][0]) / 2, ($l[0][1] + $l[1][1]) / 2],
                $m === null ? null : [($m[0][0] + $m[1][0]) / 2, ($m[0][1] + $m[1][1]) / 2],
            ],
            $p !== null && $q !== null => [$p, $q],
            $l !== null => [$foot($l, $q ?? ($m[0] ?? $l[0])), $q ?? ($m[0] ?? $l[1])],
            $m !== null && $p !== null => [$foot($m, $p), $p],
            default => [null, null],
        };
        if ($from === null || $to === null) {
            return null;
        }
        $text = self::sizeText($s, $r, $unit);
        // names of other dimensions say nothing in the drawing: there the number stands
        $number = Measured::value($s, $r);
        $plain =
            preg_match('/[a-z]\d|[a-z]{3}/', $text) === 1 && $number !== null
                ? ($r->kind === RelationKind::Angle
                    ? round($number, 2) . '°'
                    : $unit->brief($number))
                : $text;

        return [
            'id' => $r->id,
            'of' => $r->of,
            'plain' => $plain,
            'kind' => $r->kind->value,
            'from' => $from,
            'to' => $to,
            'axis' => $axis,
            'text' => $text,
            'measured' => $r->measured,
            'show' => ['radius' => 'R ', 'diameter' => '⌀ ', 'diameter across' => '⌀ '][$r->kind->value] ?? '',
        ];
    }

    /** @return array<string, mixed>|null where its mark stands */
    private static function mark(Sketch $s, Relation $r, bool $idle): ?array
    {
        if ($r->kind->isDimension()) {
            return null;
        }
        $places = [];
        foreach ($r->of as $id) {
            $l = isset(Sketch::AXES[$id]) ? null : Measured::line($s, $id);
            $e = $s->entities[$id] ?? null;
            $p = $l !== null ? [($l[0][0] + $l[1][0]) / 2, ($l[0][1] + $l[1][1]) / 2] : Measured::place($s, $id);
            if ($p !== null && $e !== null && $e->kind->round() && $r->kind !== RelationKind::Concentric) {
                $at = DrawnCurves::curves($s, $e)[0] ?? null;
                $p = $at === null ? $p : $at->at(($at->from() + $at->to()) / 2);
            }
            if ($p !== null) {
                $places[] = $p;
            }
        }
        // marks of two things that meet stand once
        $places = in_array($r->kind, [RelationKind::Equal, RelationKind::Parallel, RelationKind::Symmetric], true)
            ? $places
            : array_slice($places, 0, 1);

        return $places === [] ? null : ['id' => $r->id, 'kind' => $r->kind->value, 'of' => $r->of, 'at' => $places, 'idle' => $idle];
    }

    /**
     * How far a sketch is settled, in words.
     *
     * @return array{total: int, free: int, words: string, ways: list<string>}
     */
    public static function freedom(SolvedSketch $solved): array
    {
        $s = $solved->sketch;
        $total =
            2 * count(array_diff_key($s->points, $s->followed())) +
            count(
                array_filter($s->entities, static fn(Entity $e): bool => $e->edge === '' && $e->size > 0 && $e->kind !== EntityKind::Text),
            );
        $n = $solved->free;

        return [
            'total' => $total,
            'free' => $n,
            'ways' => array_map(static fn(Way $w): string => $w->words($s), array_slice($solved->ways, 0, 40)),
            'words' =>
                $s->points === [] && $s->entities === []
                    ? 'Nothing is drawn yet.'
                    : ($n === 0
                        ? 'Nothing is loose.'
                        : ($n === 1
                            ? '1 way left to move:'
                            : "$n ways left to move:")),
        ];
    }
}
