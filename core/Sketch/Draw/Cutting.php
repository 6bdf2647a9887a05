<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use Cubo\Sketch\Area\Curve;
use Cubo\Sketch\Area\DrawnCurves;
use Cubo\Sketch\Area\Meeting;
use Cubo\Sketch\Area\Straight;
use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Role;
use InvalidArgumentException;

/** Shortens, lengthens and divides lines, circles and arcs where others cross them. */
final class Cutting
{
    public function __construct(private readonly Pen $pen) {}

    /**
     * Takes out the piece of a line between the crossings on both sides of a place; without crossings the whole line.
     *
     * @throws InvalidArgumentException
     */
    public function trim(string $id, float $u, float $v): void
    {
        $e = $this->entity($id);
        $curve = $this->curve($e);
        $cuts = $this->crossings($e, $curve);
        [$t] = $curve->nearest([$u, $v]);
        if ($e->kind === EntityKind::Circle) {
            if (count($cuts) < 2) {
                $this->pen->sketch = $this->pen->sketch->without($id);

                return;
            }
            // the piece that goes lies between the last crossing before and the first one after, around the seam if need be
            [$before, $after] = [$cuts[count($cuts) - 1], $cuts[0]];
            foreach ($cuts as $k => $cut) {
                if ($cut[0] <= $t) {
                    $before = $cut;
                    $after = $cuts[($k + 1) % count($cuts)];
                }
            }
            $from = $this->cutPoint($curve, $after);
            $to = $this->cutPoint($curve, $before);
            $this->replaced($e, [new Entity($id, EntityKind::Arc, [$e->points[0], $from, $to], $e->size, $e->role)]);

            return;
        }
        $before = $after = null;
        foreach ($cuts as $cut) {
            if ($cut[0] <= $t) {
                $before = $cut;
            } else {
                $after ??= $cut;
            }
        }
        if ($before === null && $after === null) {
            $this->pen->sketch = $this->pen->sketch->without($id);

            return;
        }
        [$m, $a, $b] = $e->kind === EntityKind::Arc ? [$e->points[0], $e->points[1], $e->points[2]] : [null, $e->points[0], $e->points[1]];
        $pieces = [];
        if ($before !== null) {
            $pieces[] = [$a, $this->cutPoint($curve, $before)];
        }
        if ($after !== null) {
            $pieces[] = [$this->cutPoint($curve, $after), $b];
        }
        $this->replaced($e, $this->pieces($e, $m, $pieces));
    }

    /** Divides a line or arc in two at the place nearest to a given one. */
    public function split(string $id, float $u, float $v): void
    {
        $e = $this->entity($id);
        if ($e->kind === EntityKind::Circle) {
            throw new InvalidArgumentException('A circle is divided by trimming it, or into equal parts.');
        }
        $curve = $this->curve($e);
        [$t] = $curve->nearest([$u, $v]);
        if ($t < $curve->from() + 1e-6 || $t > $curve->to() - 1e-6) {
            throw new InvalidArgumentException('It ends there already.');
        }
        [$m, $a, $b] = $e->kind === EntityKind::Arc ? [$e->points[0], $e->points[1], $e->points[2]] : [null, $e->points[0], $e->points[1]];
        $p = $this->pen->at(...$curve->at($t));
        $this->replaced($e, $this->pieces($e, $m, [[$a, $p], [$p, $b]]));
    }

    /**
     * Lengthens a line beyond its end nearest to a place, to the first line it meets there.
     *
     * @throws InvalidArgumentException when it meets none
     */
    public function extend(string $id, float $u, float $v): void
    {
        $e = $this->entity($id);
        if ($e->kind !== EntityKind::Line) {
            throw new InvalidArgumentException('Only straight lines are extended.');
        }
        $s = $this->pen->sketch;
        [$a, $b] = array_map($s->point(...), $e->points);
        $end = hypot($u - $a[0], $v - $a[1]) < hypot($u - $b[0], $v - $b[1]) ? 0 : 1;
        [$from, $to] = $end === 1 ? [$a, $b] : [$b, $a];
        $far = (10 * $s->size()) / max(1e-9, hypot($to[0] - $from[0], $to[1] - $from[1]));
        $ray = new Straight('ray', $to, [$to[0] + $far * ($to[0] - $from[0]), $to[1] + $far * ($to[1] - $from[1])]);
        $best = null;
        foreach ($this->crossings($e, $ray) as $cut) {
            if ($cut[0] > 1e-7 / $far && ($best === null || $cut[0] < $best[0])) {
                $best = $cut;
            }
        }
        if ($best === null) {
            throw new InvalidArgumentException('It meets no other line there.');
        }
        $p = $this->cutPoint($ray, $best);
        $this->replaced($e, [new Entity($id, EntityKind::Line, $end === 0 ? [$p, $e->points[1]] : [$e->points[0], $p], 0.0, $e->role)]);
    }

    /**
     * Points that divide a line or circle into equal parts.
     *
     * @return list<string>
     */
    public function divide(string $id, int $n): array
    {
        if ($n < 2 || $n > 60) {
            throw new InvalidArgumentException('A line is divided into 2 to 60 parts.');
        }
        $e = $this->entity($id);
        $curve = $this->curve($e);
        $circle = $e->kind === EntityKind::Circle;
        $points = [];
        for ($i = $circle ? 0 : 1; $i < $n; $i++) {
            $points[] = $p = $this->pen->at(...$curve->at($curve->from() + (($curve->to() - $curve->from()) * $i) / $n));
            $this->pen->relate(RelationKind::Coincident, $p, $id);
        }
        // equal steps from one to the next
        $chain = $circle ? [...$points, $points[0]] : [...array_slice($e->points, -2, 1), ...$points, ...array_slice($e->points, -1)];
        $steps = [];
        for ($i = 1; $i < count($chain); $i++) {
            $steps[] = $this->pen->line($chain[$i - 1], $chain[$i], Role::Construction);
        }
        if (count($steps) > 1) {
            $this->pen->relate(RelationKind::Equal, ...$steps);
        }

        return $points;
    }

    private function entity(string $id): Entity
    {
        $e = $this->pen->sketch->entities[$id] ?? throw new InvalidArgumentException("There is no line $id.");

        return in_array($e->kind, [EntityKind::Line, EntityKind::Circle, EntityKind::Arc], true)
            ? $e
            : throw new InvalidArgumentException('This works with lines, circles and arcs.');
    }

    private function curve(Entity $e): Curve
    {
        return DrawnCurves::curves($this->pen->sketch, $e)[0] ?? throw new InvalidArgumentException("$e->id has no length.");
    }

    /** @return list<array{float, array{float,float}, string}> parameter, place and the other line, by parameter; those inside the curve only */
    private function crossings(Entity $e, Curve $curve): array
    {
        $out = [];
        $box = $curve->box($curve->from(), $curve->to());
        foreach ($this->pen->sketch->entities as $other) {
            if ($other->id === $e->id) {
                continue;
            }
            foreach (DrawnCurves::curves($this->pen->sketch, $other) as $c) {
                foreach (Meeting::of($curve, $c, $box, $c->box($c->from(), $c->to())) as [$t, , $p]) {
                    $ends = $e->kind !== EntityKind::Circle && ($t < $curve->from() + 1e-9 || $t > $curve->to() - 1e-9);
                    if (!$ends && array_filter($out, static fn(array $o): bool => abs($o[0] - $t) < 1e-9) === []) {
                        $out[] = [$t, $p, $other->id];
                    }
                }
            }
        }
        usort($out, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return $out;
    }

    /**
     * The point there, or a new one that stays on the crossing line.
     *
     * @param array{float, array{float,float}, string} $cut
     */
    private function cutPoint(Curve $curve, array $cut): string
    {
        [$u, $v] = $cut[1];
        foreach ($this->pen->sketch->points as $id => $p) {
            if (hypot($p[0] - $u, $p[1] - $v) < 1e-6) {
                return $id;
            }
        }

        return $this->pen->point(new Spot($u, $v, on: [$cut[2]]));
    }

    /**
     * @param list<array{string,string}> $ends
     * @return list<Entity>
     */
    private function pieces(Entity $e, ?string $middle, array $ends): array
    {
        $out = [];
        foreach ($ends as $k => [$a, $b]) {
            if ($a !== $b) {
                $id = $k === 0 ? $e->id : $this->pen->fresh($e->kind === EntityKind::Arc ? 'a' : 'l');
                $out[] = new Entity($id, $e->kind, $middle === null ? [$a, $b] : [$middle, $a, $b], $e->size, $e->role);
            }
        }

        return $out;
    }

    /**
     * Pieces in the place of what they were cut from. Its relations stay with the first piece; its length does not.
     *
     * @param list<Entity> $pieces
     */
    private function replaced(Entity $old, array $pieces): void
    {
        foreach ($this->pen->sketch->relations as $r) {
            if (
                ($r->of === [$old->id] && $r->kind === RelationKind::Length) ||
                ($r->kind === RelationKind::Midpoint && in_array($old->id, $r->of, true)) ||
                ($r->kind === RelationKind::Equal && $old->kind === EntityKind::Line && in_array($old->id, $r->of, true))
            ) {
                $this->pen->sketch = $this->pen->sketch->without($r->id);
            }
        }
        foreach ($pieces as $k => $piece) {
            $this->pen->sketch = $this->pen->sketch->withEntity($piece);
            if ($k > 0) {
                $old->kind === EntityKind::Line
                    ? $this->pen->relate(RelationKind::Collinear, $pieces[0]->id, $piece->id)
                    : $this->pen->relate(RelationKind::Equal, $pieces[0]->id, $piece->id);
            }
        }
        // an end that nothing is drawn to any more goes, unless something is asked of it
        $used = [];
        foreach ($this->pen->sketch->entities as $e) {
            $used += array_fill_keys($e->points, true);
        }
        foreach ($this->pen->sketch->relations as $r) {
            $used += array_fill_keys($r->of, true);
        }
        foreach ($old->points as $p) {
            if (!isset($used[$p]) && isset($this->pen->sketch->points[$p])) {
                $this->pen->sketch = $this->pen->sketch->without($p);
            }
        }
    }
}
