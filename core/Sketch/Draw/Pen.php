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

/**
 * Draws in a sketch: adds points, lines and the relations that make them what they are. Every method returns the id of
 * what it drew; the sketch so far is in $sketch.
 */
final class Pen
{
    /** The letter ids begin with. */
    private const LETTERS = ['line' => 'l', 'circle' => 'c', 'arc' => 'a', 'ellipse' => 'e', 'curve' => 'w', 'text' => 't'];

    public function __construct(public Sketch $sketch) {}

    /** An id nothing has: the letter and the next number. */
    public function fresh(string $letter): string
    {
        $most = 0;
        foreach ([$this->sketch->points, $this->sketch->entities, $this->sketch->relations] as $list) {
            foreach (array_keys($list) as $id) {
                if (preg_match('/^' . $letter . '(\d{1,6})$/', (string) $id, $m)) {
                    $most = max($most, (int) $m[1]);
                }
            }
        }

        return $letter . ($most + 1);
    }

    /** @throws InvalidArgumentException when what it refers to is not there */
    public function point(Spot $s): string
    {
        if ($s->point !== null) {
            if ($s->point !== Sketch::ORIGIN && !isset($this->sketch->points[$s->point])) {
                throw new InvalidArgumentException("There is no point {$s->point}.");
            }

            return $s->point;
        }
        $id = $this->fresh('p');
        $this->sketch = $this->sketch->withPoint($id, $s->u, $s->v);
        foreach ($s->on as $line) {
            $this->relate(RelationKind::Coincident, $id, $line);
        }
        if ($s->middleOf !== null) {
            $this->relate(RelationKind::Midpoint, $id, $s->middleOf);
        }
        if ($s->level !== null) {
            $this->relate(RelationKind::Horizontal, $id, $s->level);
        }
        if ($s->plumb !== null) {
            $this->relate(RelationKind::Vertical, $id, $s->plumb);
        }

        return $id;
    }

    public function at(float $u, float $v): string
    {
        return $this->point(new Spot($u, $v));
    }

    public function relate(RelationKind $kind, string ...$of): string
    {
        $id = $this->fresh('r');
        $this->sketch = $this->sketch->withRelation(new Relation($id, $kind, array_values($of)));

        return $id;
    }

    public function size(RelationKind $kind, string $value, string ...$of): string
    {
        $id = $this->fresh('d');
        $this->sketch = $this->sketch->withRelation(new Relation($id, $kind, array_values($of), $value));

        return $id;
    }

    /** @param list<string> $points */
    public function draw(
        EntityKind $kind,
        array $points,
        float $size = 0.0,
        Role $role = Role::Outline,
        string $text = '',
        string $edge = '',
    ): string {
        $id = $this->fresh(self::LETTERS[$kind->value]);
        $this->sketch = $this->sketch->withEntity(new Entity($id, $kind, $points, $size, $role, $text, $edge));

        return $id;
    }

    public function line(string $from, string $to, Role $role = Role::Outline): string
    {
        return $from === $to
            ? throw new InvalidArgumentException('A line needs two different points.')
            : $this->draw(EntityKind::Line, [$from, $to], 0.0, $role);
    }

    /**
     * A rectangle between two opposite corners.
     *
     * @return list<string> its sides: low, right, high, left
     */
    public function rectangle(string $corner, string $opposite): array
    {
        [[$u0, $v0], [$u1, $v1]] = [$this->sketch->point($corner), $this->sketch->point($opposite)];
        $right = $this->at($u1, $v0);
        $left = $this->at($u0, $v1);
        $sides = [];
        foreach (
            [
                [$corner, $right, RelationKind::Horizontal],
                [$right, $opposite, RelationKind::Vertical],
                [$opposite, $left, RelationKind::Horizontal],
                [$left, $corner, RelationKind::Vertical],
            ]
            as [$a, $b, $kind]
        ) {
            $sides[] = $l = $this->line($a, $b);
            $this->relate($kind, $l);
        }

        return $sides;
    }

    /**
     * A rectangle around its middle.
     *
     * @return list<string> its sides
     */
    public function rectangleAround(string $middle, string $corner): array
    {
        [[$u, $v], [$cu, $cv]] = [$this->sketch->point($middle), $this->sketch->point($corner)];
        $opposite = $this->at(2 * $u - $cu, 2 * $v - $cv);
        $sides = $this->rectangle($corner, $opposite);
        $this->relate(RelationKind::Midpoint, $middle, $this->line($corner, $opposite, Role::Construction));

        return $sides;
    }

    public function circle(string $middle, float $radius): string
    {
        return $this->draw(EntityKind::Circle, [$middle], max(1e-3, $radius));
    }

    /** A circle whose rim runs through a point. */
    public function circleThrough(string $middle, string $rim): string
    {
        [$a, $b] = [$this->sketch->point($middle), $this->sketch->point($rim)];
        $c = $this->circle($middle, hypot($b[0] - $a[0], $b[1] - $a[1]));
        $this->relate(RelationKind::Coincident, $rim, $c);

        return $c;
    }

    /** A circle by both ends of a diameter. */
    public function circleOver(string $a, string $b): string
    {
        [$p, $q] = [$this->sketch->point($a), $this->sketch->point($b)];
        $m = $this->at(($p[0] + $q[0]) / 2, ($p[1] + $q[1]) / 2);
        $this->relate(RelationKind::Midpoint, $m, $this->line($a, $b, Role::Construction));

        return $this->circleThrough($m, $a);
    }

    /** @throws InvalidArgumentException when they lie in one line */
    public function circleThroughThree(string $a, string $b, string $c): string
    {
        [$u, $v] = $this->middleOfThree($a, $b, $c);
        $circle = $this->circleThrough($this->at($u, $v), $a);
        $this->relate(RelationKind::Coincident, $b, $circle);
        $this->relate(RelationKind::Coincident, $c, $circle);

        return $circle;
    }

    /**
     * A circle that touches two lines, circles or arcs: drawn between them, which decides on what side of each it stays.
     *
     * @throws InvalidArgumentException
     */
    public function circleTouching(string $a, string $b, float $radius): string
    {
        [$l, $m] = [Measured::line($this->sketch, $a), Measured::line($this->sketch, $b)];
        $middle = static fn(array $line): array => [($line[0][0] + $line[1][0]) / 2, ($line[0][1] + $line[1][1]) / 2];
        $places = [];
        foreach ([[$a, $l], [$b, $m]] as [$id, $line]) {
            $places[] =
                $line !== null
                    ? $middle($line)
                    : Measured::place($this->sketch, $id) ?? throw new InvalidArgumentException("$id is no line, circle or arc.");
        }
        $at = [($places[0][0] + $places[1][0]) / 2, ($places[0][1] + $places[1][1]) / 2];
        if ($l !== null && $m !== null) {
            [$au, $av, $bu, $bv] = [$l[1][0] - $l[0][0], $l[1][1] - $l[0][1], $m[1][0] - $m[0][0], $m[1][1] - $m[0][1]];
            $cross = $au * $bv - $av * $bu;
            if (abs($cross) > 1e-6 * hypot($au, $av) * hypot($bu, $bv)) {
                // in the corner, on the side where both lines are
                $t = (($m[0][0] - $l[0][0]) * $bv - ($m[0][1] - $l[0][1]) * $bu) / $cross;
                $corner = [$l[0][0] + $t * $au, $l[0][1] + $t * $av];
                [$eu, $ev, $fu, $fv] = [
                    $places[0][0] - $corner[0],
                    $places[0][1] - $corner[1],
                    $places[1][0] - $corner[0],
                    $places[1][1] - $corner[1],
                ];
                [$el, $fl] = [max(1e-9, hypot($eu, $ev)), max(1e-9, hypot($fu, $fv))];
                [$du, $dv] = [$eu / $el + $fu / $fl, $ev / $el + $fv / $fl];
                $half = acos(max(-1.0, min(1.0, ($eu * $fu + $ev * $fv) / $el / $fl))) / 2;
                $k = $radius / max(0.05, sin($half)) / max(1e-9, hypot($du, $dv));
                $at = [$corner[0] + $k * $du, $corner[1] + $k * $dv];
            }
        }
        $c = $this->circle($this->at($at[0], $at[1]), $radius);
        $this->relate(RelationKind::Tangent, $a, $c);
        $this->relate(RelationKind::Tangent, $b, $c);

        return $c;
    }

    /** An arc from a to b through c. */
    public function arcThrough(string $a, string $b, string $c): string
    {
        [$u, $v] = $this->middleOfThree($a, $b, $c);
        [$p, $q, $r] = array_map($this->sketch->point(...), [$a, $b, $c]);
        // counter-clockwise from a to b when c lies to the right of the way
        $turn = ($q[0] - $p[0]) * ($r[1] - $p[1]) - ($q[1] - $p[1]) * ($r[0] - $p[0]);
        $arc = $this->draw(EntityKind::Arc, [$this->at($u, $v), ...$turn < 0 ? [$a, $b] : [$b, $a]], hypot($p[0] - $u, $p[1] - $v));
        $this->relate(RelationKind::Coincident, $c, $arc);

        return $arc;
    }

    /** An arc around a middle, counter-clockwise from a point to the direction of another, which becomes its end. */
    public function arcAround(string $middle, string $from, string $to): string
    {
        [$m, $p] = [$this->sketch->point($middle), $this->sketch->point($from)];

        return $this->draw(EntityKind::Arc, [$middle, $from, $to], max(1e-3, hypot($p[0] - $m[0], $p[1] - $m[1])));
    }

    /**
     * An arc that runs on smoothly from the end of a line or arc.
     *
     * @throws InvalidArgumentException when the point is no end of it, or the arc would be a line
     */
    public function arcOn(string $before, string $end, string $to): string
    {
        $e = $this->sketch->entities[$before] ?? null;
        if ($e === null || !in_array($end, $e->points, true) || ($e->kind !== EntityKind::Line && $e->kind !== EntityKind::Arc)) {
            throw new InvalidArgumentException("$end is no end of $before.");
        }
        [$p, $q] = [$this->sketch->point($end), $this->sketch->point($to)];
        if ($e->kind === EntityKind::Line) {
            $o = $this->sketch->point($e->points[0] === $end ? $e->points[1] : $e->points[0]);
            [$du, $dv] = [$p[0] - $o[0], $p[1] - $o[1]];
        } else {
            $m = $this->sketch->point($e->points[0]);
            $sign = $e->points[2] === $end ? 1 : -1;
            [$du, $dv] = [-$sign * ($p[1] - $m[1]), $sign * ($p[0] - $m[0])];
        }
        // the middle lies straight across the direction and equally far from both ends
        [$nu, $nv] = [-$dv, $du];
        [$wu, $wv] = [$q[0] - $p[0], $q[1] - $p[1]];
        $across = $wu * $nu + $wv * $nv;
        if (abs($across) <= 1e-9 * hypot($wu, $wv) * hypot($nu, $nv)) {
            throw new InvalidArgumentException('Straight on there is no arc.');
        }
        $t = ($wu * $wu + $wv * $wv) / (2 * $across);
        $middle = $this->at($p[0] + $t * $nu, $p[1] + $t * $nv);
        $arc = $this->draw(EntityKind::Arc, [$middle, ...$across > 0 ? [$end, $to] : [$to, $end]], abs($t) * hypot($nu, $nv));
        $this->relate(RelationKind::Tangent, $before, $arc);

        return $arc;
    }

    /**
     * A slot around two middles.
     *
     * @return list<string> first round, line, second round, line
     */
    public function slot(string $a, string $b, float $width): array
    {
        [$p, $q] = [$this->sketch->point($a), $this->sketch->point($b)];
        $l = hypot($q[0] - $p[0], $q[1] - $p[1]);
        if ($l < 1e-6) {
            throw new InvalidArgumentException('Both middles of a slot are one point.');
        }
        $r = max(1e-3, $width / 2);
        [$nu, $nv] = [(-($q[1] - $p[1]) / $l) * $r, (($q[0] - $p[0]) / $l) * $r];
        [$p1, $p2] = [$this->at($p[0] + $nu, $p[1] + $nv), $this->at($p[0] - $nu, $p[1] - $nv)];
        [$q1, $q2] = [$this->at($q[0] - $nu, $q[1] - $nv), $this->at($q[0] + $nu, $q[1] + $nv)];
        $first = $this->draw(EntityKind::Arc, [$a, $p1, $p2], $r);
        $low = $this->line($p2, $q1);
        $second = $this->draw(EntityKind::Arc, [$b, $q1, $q2], $r);
        $high = $this->line($q2, $p1);
        foreach ([[$low, $first], [$low, $second], [$high, $first], [$high, $second]] as [$line, $arc]) {
            $this->relate(RelationKind::Tangent, $line, $arc);
        }
        $this->relate(RelationKind::Equal, $first, $second);
        $this->line($a, $b, Role::Construction);

        return [$first, $low, $second, $high];
    }

    /**
     * A slot by the ends of its length over all.
     *
     * @return list<string> as slot()
     *
     * @throws InvalidArgumentException when it would be wider than long
     */
    public function slotOverAll(string $a, string $b, float $width): array
    {
        [$p, $q] = [$this->sketch->point($a), $this->sketch->point($b)];
        $l = hypot($q[0] - $p[0], $q[1] - $p[1]);
        if ($width >= $l - 1e-6) {
            throw new InvalidArgumentException('A slot is longer over all than it is wide.');
        }
        $k = $width / 2 / $l;
        $middles = [];
        foreach ([[$p, $q], [$q, $p]] as [$from, $to]) {
            $middles[] = $this->at($from[0] + $k * ($to[0] - $from[0]), $from[1] + $k * ($to[1] - $from[1]));
        }
        $slot = $this->slot($middles[0], $middles[1], $width);
        $spine = (string) array_key_last($this->sketch->entities);
        foreach ([[$a, $slot[0]], [$b, $slot[2]]] as [$end, $round]) {
            $this->relate(RelationKind::Coincident, $end, $round);
            $this->relate(RelationKind::Coincident, $end, $spine);
        }

        return $slot;
    }

    /**
     * A regular polygon by its middle and one corner.
     *
     * @return list<string> its sides
     */
    public function polygon(string $middle, string $corner, int $n): array
    {
        if ($n < 3 || $n > 60) {
            throw new InvalidArgumentException('A polygon has 3 to 60 sides.');
        }
        [$m, $p] = [$this->sketch->point($middle), $this->sketch->point($corner)];
        $r = hypot($p[0] - $m[0], $p[1] - $m[1]);
        $start = atan2($p[1] - $m[1], $p[0] - $m[0]);
        $rim = $this->draw(EntityKind::Circle, [$middle], max(1e-3, $r), Role::Construction);
        $corners = [$corner];
        $this->relate(RelationKind::Coincident, $corner, $rim);
        for ($i = 1; $i < $n; $i++) {
            $a = $start + (2 * M_PI * $i) / $n;
            $corners[] = $c = $this->at($m[0] + $r * cos($a), $m[1] + $r * sin($a));
            $this->relate(RelationKind::Coincident, $c, $rim);
        }
        $sides = [];
        foreach ($corners as $i => $c) {
            $sides[] = $this->line($c, $corners[($i + 1) % $n]);
        }
        $this->relate(RelationKind::Equal, ...$sides);

        return $sides;
    }

    public function ellipse(string $middle, string $end, float $half): string
    {
        return $this->draw(EntityKind::Ellipse, [$middle, $end], max(1e-3, $half));
    }

    /** @param list<string> $points */
    public function curve(array $points): string
    {
        return count($points) < 2
            ? throw new InvalidArgumentException('A curve needs at least two points.')
            : $this->draw(EntityKind::Curve, $points);
    }

    /**
     * @return array{float,float}
     *
     * @throws InvalidArgumentException
     */
    private function middleOfThree(string $a, string $b, string $c): array
    {
        [[$au, $av], [$bu, $bv], [$cu, $cv]] = array_map($this->sketch->point(...), [$a, $b, $c]);
        [$pu, $pv, $qu, $qv] = [$bu - $au, $bv - $av, $cu - $au, $cv - $av];
        $d = 2 * ($pu * $qv - $pv * $qu);
        if (abs($d) < 1e-9 * max(1e-12, hypot($pu, $pv) * hypot($qu, $qv))) {
            throw new InvalidArgumentException('These three points lie in one line.');
        }
        [$p, $q] = [$pu * $pu + $pv * $pv, $qu * $qu + $qv * $qv];

        return [$au + ($qv * $p - $pv * $q) / $d, $av + ($pu * $q - $qu * $p) / $d];
    }
}
