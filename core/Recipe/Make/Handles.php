<?php

declare(strict_types=1);

namespace Cubo\Recipe\Make;

use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Recipe\FieldType;
use Cubo\Recipe\SketchPlacement;
use Cubo\Recipe\StepKind;
use Cubo\Recipe\StepProblem;
use Cubo\Solid\Solid;

/**
 * Where the values of a step can be taken hold of on the part: arrows that change a length when they are drawn along.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Handle array{key: string, at: V, way: V, per: float, value: float, turns: bool, size: bool}
 */
final class Handles
{
    /**
     * @return list<Handle> `at` the arrow's tip now, mm; `way` its unit direction; `per` mm it moves for one mm of the
     *     value; `value` in mm; `turns` whether the step's direction turns round when it is drawn past nothing; `size` whether it must
     *     stay above zero
     */
    public static function of(Task $t): array
    {
        try {
            return match ($t->step->kind) {
                StepKind::Extrude => self::extrude($t),
                StepKind::Hole => self::hole($t),
                StepKind::Pull => self::pull($t),
                StepKind::Move, StepKind::Copy => self::along($t, ['x', 'y', 'z'], self::middle($t->part)),
                StepKind::Repeat => match ($t->text('way')) {
                    'around' => [],
                    'grid' => [...self::along($t, ['x', 'y', 'z'], self::middle($t->part)), ...self::along($t, ['x2', 'y2', 'z2'], self::middle($t->part))],
                    default => self::along($t, ['x', 'y', 'z'], self::middle($t->part)),
                },
                StepKind::Sketch => self::offset($t, SketchPlacement::of($t->step, $t->part, $t->v)),
                StepKind::Split, StepKind::Mirror => self::offset($t, $t->plane()),
                default => in_array($t->step->kind, StepKind::solids(), true) ? self::solid($t) : [],
            };
        } catch (StepProblem) {
            return [];
        }
    }

    /**
     * @param V $at
     * @param V $way
     * @return Handle
     */
    private static function one(Task $t, string $key, array $at, array $way, float $per = 1.0, bool $turns = false): array
    {
        return ['key' => $key, 'at' => $at, 'way' => $way, 'per' => $per, 'value' => $t->number($key), 'turns' => $turns, 'size' => $t->step->kind->fields()[$key]->type === FieldType::Size];
    }

    /** @return list<Handle> */
    private static function extrude(Task $t): array
    {
        $extent = $t->text('extent');
        if (! in_array($extent, ['distance', 'both', 'middle'], true)) {
            return [];
        }
        $place = Extruding::begins($t);
        $sign = $t->text('direction') === 'down' ? -1.0 : 1.0;
        $up = $place->direction([0.0, 0.0, $sign]);
        $u = $v = $n = 0.0;
        foreach ($t->profile()->loops[0] ?? [] as [$pu, $pv]) {
            $u += $pu;
            $v += $pv;
            $n++;
        }
        $from = $place->point([$u / max(1, $n), $v / max(1, $n), 0.0]);
        $per = $extent === 'middle' ? 0.5 : 1.0;
        $out = [self::one($t, 'distance', Vector::add($from, $up, $per * $t->number('distance')), $up, $per, $extent === 'distance')];
        if ($extent === 'both') {
            $out[] = self::one($t, 'second', Vector::add($from, $up, -$t->number('second')), Vector::add([0.0, 0.0, 0.0], $up, -1.0));
        }

        return $out;
    }

    /**
     * A ready solid: its sizes at its sides, its place at the middle of its base.
     *
     * @return list<Handle>
     */
    private static function solid(Task $t): array
    {
        $own = ReadySolids::own($t);
        $motion = Placing::motion($t, $own);
        $box = $own->vertexBox();
        $mid = [($box[0] + $box[3]) / 2, ($box[1] + $box[4]) / 2, ($box[2] + $box[5]) / 2];
        $along = ['x' => 0, 'y' => 1][$t->text('along')] ?? ($t->step->kind === StepKind::HalfCylinder ? 0 : 2);
        $placed = $t->text('stand') === 'place';
        $out = [];
        $sides = ['width' => 0, 'depth' => 1, 'height' => 2, 'length' => $along, 'round' => $along === 0 ? 1 : 0];
        foreach (array_intersect_key($sides, $t->step->kind->fields()) as $key => $k) {
            $at = $mid;
            $at[$k] = $box[$k + 3];
            $way = [0.0, 0.0, 0.0];
            $way[$k] = 1.0;
            // a side moves by half of what is added where the solid grows to both sides
            $oneSided = $k === 2 ? $box[2] > -1e-9 || ! $placed : ($placed ? abs($box[$k]) < 1e-9 : ($t->text('align' . 'xy'[$k]) === 'low' || $t->text('from') === 'corner' && $t->text('align' . 'xy'[$k]) === 'origin'));
            $per = $key === 'round' && $t->text('by') === 'radius' ? 1.0 : ($oneSided && $key !== 'round' ? 1.0 : 0.5);
            if ($placed || $k === 2 || $t->text('align' . 'xy'[$k]) !== 'high') {
                $out[] = self::one($t, $key, $motion->point([$at[0], $at[1], $at[2]]), $motion->direction($way), $per);
            }
        }
        // moved in the plane it stands on, which a turn about its middle does not turn along
        $plane = $t->text('stand') === 'face' ? $t->flatFace('on') : Transform::identity();
        $base = $motion->point([$mid[0], $mid[1], $box[2]]);
        foreach (['x' => [1.0, 0.0, 0.0], 'y' => [0.0, 1.0, 0.0]] as $key => $way) {
            $out[] = self::one($t, $key, $base, $plane->direction($way));
        }

        return $out;
    }

    /** @return list<Handle> */
    private static function hole(Task $t): array
    {
        if ($t->text('extent') !== 'depth') {
            return [];
        }
        [$place, $spots] = Holes::spots($t);
        $into = $place->direction([0.0, 0.0, $t->text('where') === 'points' && $t->text('direction') === 'up' ? 1.0 : -1.0]);

        return [self::one($t, 'depth', Vector::add($place->point([$spots[0][0], $spots[0][1], 0.0]), $into, $t->number('depth')), $into)];
    }

    /** @return list<Handle> */
    private static function pull(Task $t): array
    {
        $name = $t->step->names('faces')[0] ?? '';
        $sum = [0.0, 0.0, 0.0];
        $area = 0.0;
        $normal = null;
        foreach ($t->part->facet as $f => $facet) {
            $surface = $t->part->surfaces[$t->part->surfaceOf[$facet]];
            if ($surface->name !== $name || ! $surface->isFlat()) {
                continue;
            }
            [$a, $b, $c] = array_map(static fn (int $h): array => [$t->part->x[$t->part->start[$h]], $t->part->y[$t->part->start[$h]], $t->part->z[$t->part->start[$h]]], [3 * $f, 3 * $f + 1, 3 * $f + 2]);
            $w = Vector::length(Vector::cross(Vector::sub($b, $a), Vector::sub($c, $a)));
            $sum = Vector::add($sum, Vector::add(Vector::add($a, $b), $c), $w / 3);
            $area += $w;
            $normal ??= [$t->part->nx[$facet], $t->part->ny[$facet], $t->part->nz[$facet]];
        }

        return $normal === null || $area <= 0 ? [] : [self::one($t, 'distance', Vector::add(Vector::add([0.0, 0.0, 0.0], $sum, 1 / $area), $normal, $t->number('distance')), $normal)];
    }

    /**
     * @param list<string> $keys of the three parts of a way
     * @param V $from
     * @return list<Handle>
     */
    private static function along(Task $t, array $keys, array $from): array
    {
        $to = $from;
        foreach ($keys as $k => $key) {
            $to[$k] += $t->number($key);
        }
        $out = [];
        foreach ($keys as $k => $key) {
            $way = [0.0, 0.0, 0.0];
            $way[$k] = 1.0;
            $out[] = self::one($t, $key, [$to[0], $to[1], $to[2]], $way);
        }

        return $out;
    }

    /** @return list<Handle> */
    private static function offset(Task $t, ?Transform $plane): array
    {
        return $plane === null || ! isset($t->step->kind->fields()['offset']) || ($t->step->kind === StepKind::Sketch && $t->step->drawn()->entities === [] && $t->step->shapes() === []) ? [] : [self::one($t, 'offset', $plane->t, $plane->direction([0.0, 0.0, 1.0]))];
    }

    /** @return V middle of a part's box */
    private static function middle(Solid $s): array
    {
        $b = $s->vertexBox();

        return [($b[0] + $b[3]) / 2, ($b[1] + $b[4]) / 2, ($b[2] + $b[5]) / 2];
    }
}
