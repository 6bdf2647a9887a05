<?php

declare(strict_types=1);

namespace Cubo\Sketch\Draw;

use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Measured;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Role;
use Cubo\Sketch\Sketch;
use InvalidArgumentException;

/** Moves, turns, scales, copies, mirrors and repeats what is picked; rounds and cuts off corners. */
final class Copying
{
    public function __construct(private readonly Pen $pen) {}

    /**
     * Picked things moved by a map of the plane.
     *
     * @param list<string> $of
     * @param callable(float, float): array{float,float} $map
     * @param float $scale by which radii change
     */
    public function moved(array $of, callable $map, float $scale = 1.0): void
    {
        $points = [];
        foreach ($this->entities($of) as $e) {
            $points += array_fill_keys($e->points, true);
            if ($scale !== 1.0) {
                $this->pen->sketch = $this->pen->sketch->withEntity($e->sized($e->size * $scale));
            }
        }
        foreach ($of as $id) {
            if (isset($this->pen->sketch->points[$id])) {
                $points[$id] = true;
            }
        }
        foreach (array_keys($points) as $p) {
            if ($p !== Sketch::ORIGIN) {
                [$u, $v] = $map(...$this->pen->sketch->point((string) $p));
                $this->pen->sketch = $this->pen->sketch->withPoint((string) $p, $u, $v);
            }
        }
    }

    /**
     * Copies of picked things, as drawn elsewhere by a map; round ones stay as large as what they are copied from.
     *
     * @param list<string> $of
     * @param callable(float, float): array{float,float} $map
     * @param bool $turnsOver a mirror image: arcs run the other way
     * @return array<string, string> new id by old id, points too
     */
    public function copied(array $of, callable $map, bool $turnsOver = false, bool $equal = true): array
    {
        $new = [];
        $point = function (string $p) use (&$new, $map): string {
            if (!isset($new[$p])) {
                [$u, $v] = $map(...$this->pen->sketch->point($p));
                $here = $this->pen->sketch->point($p);
                // what lies on the mirror stays one point
                $new[$p] = hypot($u - $here[0], $v - $here[1]) < 1e-6 ? $p : $this->pen->at($u, $v);
            }

            return $new[$p];
        };
        foreach ($this->entities($of) as $e) {
            $points = array_map($point, $e->points);
            if ($turnsOver && $e->kind === EntityKind::Arc) {
                $points = [$points[0], $points[2], $points[1]];
            }
            $new[$e->id] = $this->pen->draw($e->kind, $points, $e->size, $e->role, $e->text);
            if ($equal && $e->kind->round()) {
                $this->pen->relate(RelationKind::Equal, $e->id, $new[$e->id]);
            }
        }
        foreach ($of as $id) {
            if (isset($this->pen->sketch->points[$id])) {
                $point($id);
            }
        }

        return $new;
    }

    /**
     * Mirror images that stay mirror images.
     *
     * @param list<string> $of
     */
    public function mirror(array $of, string $axis): void
    {
        $l = Measured::line($this->pen->sketch, $axis) ?? throw new InvalidArgumentException('Things are mirrored over a line.');
        [$du, $dv] = [$l[1][0] - $l[0][0], $l[1][1] - $l[0][1]];
        $d2 = max(1e-18, $du * $du + $dv * $dv);
        $new = $this->copied(
            array_values(array_diff($of, [$axis])),
            static function (float $u, float $v) use ($l, $du, $dv, $d2): array {
                $k = (2 * (($v - $l[0][1]) * $du - ($u - $l[0][0]) * $dv)) / $d2;

                return [$u + $k * $dv, $v - $k * $du];
            },
            true,
        );
        foreach ($new as $old => $copy) {
            if ($old !== $copy && isset($this->pen->sketch->points[$old])) {
                $this->pen->relate(RelationKind::Symmetric, $old, $copy, $axis);
            }
        }
    }

    /**
     * Copies in a row, each as far from the one before as the first is from what it was copied from.
     *
     * @param list<string> $of
     */
    public function row(array $of, int $times, float $du, float $dv): void
    {
        $this->checkTimes($times);
        $before = null;
        $first = [];
        for ($i = 1; $i < $times; $i++) {
            $new = $this->copied($of, static fn(float $u, float $v): array => [$u + $i * $du, $v + $i * $dv]);
            // one point of it leads the row
            foreach ($new as $old => $copy) {
                if (isset($this->pen->sketch->points[$old])) {
                    $step = $this->pen->line($before[$old] ?? $old, $copy, Role::Construction);
                    if ($before !== null && isset($first[$old])) {
                        $this->pen->relate(RelationKind::Parallel, $first[$old], $step);
                        $this->pen->relate(RelationKind::Equal, $first[$old], $step);
                    }
                    $first[$old] ??= $step;
                }
            }
            $before = $new;
        }
    }

    /**
     * Copies around a point, evenly over a full turn.
     *
     * @param list<string> $of
     */
    public function around(array $of, int $times, string $about): void
    {
        $this->checkTimes($times);
        [$mu, $mv] = $this->pen->sketch->point($about);
        $rings = [];
        for ($i = 1; $i < $times; $i++) {
            [$c, $s] = [cos((2 * M_PI * $i) / $times), sin((2 * M_PI * $i) / $times)];
            foreach (
                $this->copied(
                    $of,
                    static fn(float $u, float $v): array => [
                        $mu + $c * ($u - $mu) - $s * ($v - $mv),
                        $mv + $s * ($u - $mu) + $c * ($v - $mv),
                    ],
                )
                as $old => $copy
            ) {
                if ($old !== $copy && isset($this->pen->sketch->points[$old])) {
                    $rings[$old][] = $copy;
                }
            }
        }
        foreach ($rings as $old => $copies) {
            [$u, $v] = $this->pen->sketch->point($old);
            $ring = $this->pen->draw(EntityKind::Circle, [$about], max(1e-3, hypot($u - $mu, $v - $mv)), Role::Construction);
            $chain = [$old, ...$copies, $old];
            $steps = [];
            foreach (array_slice($chain, 0, -1) as $p) {
                $this->pen->relate(RelationKind::Coincident, $p, $ring);
            }
            for ($i = 1; $i < count($chain); $i++) {
                $steps[] = $this->pen->line($chain[$i - 1], $chain[$i], Role::Construction);
            }
            $this->pen->relate(RelationKind::Equal, ...$steps);
        }
    }

    /**
     * Rounds the corner of two lines, or cuts it off. The corner stays as a point both lines run to.
     *
     * @param string $size as typed
     */
    public function corner(string $a, string $b, float $value, string $size, bool $round): void
    {
        [$e, $f] = [$this->line($a), $this->line($b)];
        $shared = array_values(array_intersect($e->points, $f->points));
        if (count($shared) !== 1) {
            throw new InvalidArgumentException("$a and $b have no corner in common.");
        }
        [$p] = $shared;
        [$cu, $cv] = $this->pen->sketch->point($p);
        $way = function (Entity $x) use ($p, $cu, $cv): array {
            [$u, $v] = $this->pen->sketch->point($x->points[0] === $p ? $x->points[1] : $x->points[0]);
            $l = hypot($u - $cu, $v - $cv);

            return [($u - $cu) / max(1e-12, $l), ($v - $cv) / max(1e-12, $l), $l];
        };
        [$eu, $ev, $el] = $way($e);
        [$fu, $fv, $fl] = $way($f);
        $angle = acos(max(-1.0, min(1.0, $eu * $fu + $ev * $fv)));
        if ($angle < 1e-3 || $angle > M_PI - 1e-3) {
            throw new InvalidArgumentException("$a and $b run straight on: there is no corner.");
        }
        $back = $round ? $value / tan($angle / 2) : $value;
        if ($back > min($el, $fl) - 1e-6) {
            $most = min($el, $fl) * ($round ? tan($angle / 2) : 1.0);
            throw new InvalidArgumentException('The lines are too short for that; ' . round($most, 2) . ' mm is where one is used up.');
        }
        $q = $this->pen->at($cu + $back * $eu, $cv + $back * $ev);
        $r = $this->pen->at($cu + $back * $fu, $cv + $back * $fv);
        foreach ([[$e, $q], [$f, $r]] as [$x, $end]) {
            $this->pen->sketch = $this->pen->sketch->withEntity(
                new Entity($x->id, $x->kind, array_map(static fn(string $y): string => $y === $p ? $end : $y, $x->points), 0.0, $x->role),
            );
        }
        if ($p !== Sketch::ORIGIN) {
            $this->pen->relate(RelationKind::Coincident, $p, $a);
            $this->pen->relate(RelationKind::Coincident, $p, $b);
        } else {
            foreach ([$a, $b] as $l) {
                $this->pen->relate(RelationKind::Coincident, Sketch::ORIGIN, $l);
            }
        }
        // what was asked of the whole length now goes to the corner, and an angle is still seen from there
        foreach ($this->pen->sketch->relations as $old) {
            if (
                $old->kind === RelationKind::Angle &&
                count($old->of) === 2 &&
                array_intersect($old->of, [$a, $b]) !== [] &&
                $this->meetAt($old->of, $p, [$a => $e, $b => $f])
            ) {
                $this->pen->sketch = $this->pen->sketch->withRelation(
                    new Relation($old->id, $old->kind, [...$old->of, $p], $old->value, $old->measured),
                );
            }
            if ($old->kind === RelationKind::Length && in_array($old->of[0], [$a, $b], true)) {
                $x = $old->of[0] === $a ? $e : $f;
                $this->pen->sketch = $this->pen->sketch->withRelation(
                    new Relation(
                        $old->id,
                        RelationKind::Distance,
                        [$p, $x->points[0] === $p ? $x->points[1] : $x->points[0]],
                        $old->value,
                        $old->measured,
                    ),
                );
            }
        }
        if ($round) {
            $m = $value / sin($angle / 2);
            $hu = ($eu + $fu) / (2 * cos($angle / 2));
            $hv = ($ev + $fv) / (2 * cos($angle / 2));
            $middle = $this->pen->at($cu + $m * $hu, $cv + $m * $hv);
            // counter-clockwise from q to r when the corner turns right there
            $arc = $this->pen->draw(EntityKind::Arc, [$middle, ...$eu * $fv - $ev * $fu < 0 ? [$q, $r] : [$r, $q]], $value);
            $this->pen->relate(RelationKind::Tangent, $a, $arc);
            $this->pen->relate(RelationKind::Tangent, $b, $arc);
            $this->pen->size(RelationKind::Radius, $size, $arc);
        } else {
            $this->pen->line($q, $r);
            $d = $this->pen->size(RelationKind::Distance, $size, $p, $q);
            $this->pen->size(RelationKind::Distance, $d, $p, $r);
        }
    }

    /**
     * Whether two lines met in a point before their ends were moved.
     *
     * @param list<string> $of
     * @param array<string, Entity> $before as some of them were
     */
    private function meetAt(array $of, string $point, array $before): bool
    {
        foreach ($of as $id) {
            $line = $before[$id] ?? ($this->pen->sketch->entities[$id] ?? null);
            if ($line === null ? $point !== Sketch::ORIGIN || !isset(Sketch::AXES[$id]) : !in_array($point, $line->points, true)) {
                return false;
            }
        }

        return true;
    }

    private function checkTimes(int $times): void
    {
        if ($times < 2 || $times > 60) {
            throw new InvalidArgumentException('2 to 60 of them can be made.');
        }
    }

    private function line(string $id): Entity
    {
        $e = $this->pen->sketch->entities[$id] ?? null;

        return $e?->kind === EntityKind::Line ? $e : throw new InvalidArgumentException("$id is no straight line.");
    }

    /**
     * @param list<string> $of
     * @return list<Entity>
     */
    private function entities(array $of): array
    {
        $out = array_values(array_filter(array_map(fn(string $id): ?Entity => $this->pen->sketch->entities[$id] ?? null, $of)));
        if ($out === [] && array_filter($of, fn(string $id): bool => isset($this->pen->sketch->points[$id])) === []) {
            throw new InvalidArgumentException('Pick first what to change.');
        }

        return $out;
    }
}
