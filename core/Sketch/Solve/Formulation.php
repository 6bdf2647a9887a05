<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Sketch;

/**
 * A sketch as numbers and equations. Where a relation can hold in several ways (a circle touching a line from either
 * side, a point to the left or right of another) the equation is that of the way nearest to how things are drawn.
 */
final class Formulation
{
    /** Before the id of an arc, for what it asks of itself. */
    public const OWN = 'own:';

    public readonly EquationSystem $system;

    /** @var array<string, array{int,int}> places of the coordinates by point */
    public array $at = [];

    /** @var array<string, int> place of the radius or half axis by entity */
    public array $size = [];

    /** @var array<string, string> points that relations make one, by the first of them */
    private array $same = [];

    private readonly float $scale;

    /**
     * @param array<string, float> $values of the dimensions, mm or degrees; those left out ask nothing
     * @param Sketch|null $held where what is fixed stands, if not where it is drawn
     *
     * @throws UnfitRelation
     */
    public function __construct(private readonly Sketch $sketch, private readonly array $values, private readonly ?Sketch $held = null)
    {
        $this->system = new EquationSystem;
        $this->scale = $sketch->size();
        $this->at[Sketch::ORIGIN] = [$this->system->number(0.0, true), $this->system->number(0.0, true)];
        foreach (Sketch::AXES as $id => [$u, $v]) {
            $this->at[$id] = [$this->system->number($u, true), $this->system->number($v, true)];
        }
        $followed = $sketch->followed();
        foreach ($sketch->points as $id => [$u, $v]) {
            $given = isset($followed[$id]);
            $this->at[$id] = [$this->system->number($u, $given), $this->system->number($v, $given)];
        }
        foreach ($sketch->entities as $e) {
            if ($e->kind->round() || $e->kind === EntityKind::Ellipse) {
                $this->size[$e->id] = $this->system->number($e->size, $e->edge !== '');
            }
            if ($e->kind === EntityKind::Arc && $e->edge === '') {
                foreach ([1, 2] as $k) {
                    $this->system->add(Equation::distance($this->points($e->points[$k], $e->points[0]), 0.0, [$this->size[$e->id]], [1.0]), self::OWN . $e->id);
                }
            }
        }
        foreach ($sketch->relations as $r) {
            if ($r->kind === RelationKind::Coincident && isset($this->at[$r->of[0]], $this->at[$r->of[1] ?? '']) && ! isset(Sketch::AXES[$r->of[0]]) && ! isset(Sketch::AXES[$r->of[1]])) {
                $a = $this->first($r->of[0]);
                $b = $this->first($r->of[1]);
                if ($a !== $b) {
                    $this->same[$b] = $a;
                }
            }
        }
        foreach ($sketch->relations as $r) {
            if (! $r->measured) {
                foreach ($this->equations($r) as $e) {
                    $this->system->add($e, $r->id);
                }
            }
        }
    }

    /** The sketch with the numbers as they are now. */
    public function read(): Sketch
    {
        $x = $this->system->x;
        $points = [];
        foreach ($this->sketch->points as $id => $_) {
            $points[$id] = [$x[$this->at[$id][0]], $x[$this->at[$id][1]]];
        }
        $entities = [];
        foreach ($this->sketch->entities as $e) {
            $entities[$e->id] = isset($this->size[$e->id]) ? $e->sized($x[$this->size[$e->id]]) : $e;
        }

        return new Sketch($points, $entities, $this->sketch->relations);
    }

    private function first(string $point): string
    {
        while (isset($this->same[$point])) {
            $point = $this->same[$point];
        }

        return $point;
    }

    /** @return list<int> */
    private function points(string ...$ids): array
    {
        $out = [];
        foreach ($ids as $id) {
            array_push($out, ...$this->at[$id]);
        }

        return $out;
    }

    /** @return array{string,string}|null both ends, when it is a line or an axis */
    private function line(string $id): ?array
    {
        if (isset(Sketch::AXES[$id])) {
            return [Sketch::ORIGIN, $id];
        }
        $e = $this->sketch->entities[$id] ?? null;

        return $e?->kind === EntityKind::Line ? [$e->points[0], $e->points[1]] : null;
    }

    private function isPoint(string $id): bool
    {
        return $id === Sketch::ORIGIN || isset($this->sketch->points[$id]);
    }

    private function round(string $id): ?Entity
    {
        $e = $this->sketch->entities[$id] ?? null;

        return $e !== null && $e->kind->round() ? $e : null;
    }

    /** The point itself, or the middle of what is round. */
    private function middle(string $id): ?string
    {
        if ($this->isPoint($id)) {
            return $id;
        }
        $e = $this->sketch->entities[$id] ?? null;

        return $e !== null && ($e->kind->round() || $e->kind === EntityKind::Ellipse) ? $e->points[0] : null;
    }

    /** @return list<Equation> */
    private function equations(Relation $r): array
    {
        $of = $r->of;
        if ($r->kind->isDimension()) {
            return isset($this->values[$r->id]) ? $this->dimension($r, $this->values[$r->id]) : [];
        }

        return match ($r->kind) {
            RelationKind::Coincident => $this->coincident($r),
            RelationKind::Midpoint => $this->isPoint($of[0]) && ($l = $this->line($of[1] ?? '')) !== null
                ? [$this->halfway(0, $of[0], $l), $this->halfway(1, $of[0], $l)]
                : throw $this->unfit($r, 'A midpoint needs a point and a line.'),
            RelationKind::Horizontal => [$this->level($r, 1)],
            RelationKind::Vertical => [$this->level($r, 0)],
            RelationKind::Parallel => $this->pairs($r, fn (array $a, array $b): array => [$this->turned($a, $b, 0.0)]),
            RelationKind::Perpendicular => $this->perpendicular($r),
            RelationKind::Collinear => $this->pairs($r, fn (array $a, array $b): array => [
                Equation::offset($this->points($b[0], $a[0], $a[1]), 0.0),
                Equation::offset($this->points($b[1], $a[0], $a[1]), 0.0),
            ]),
            RelationKind::Tangent => [$this->tangent($r)],
            RelationKind::Concentric => $this->concentric($r),
            RelationKind::Equal => $this->equal($r),
            RelationKind::Symmetric => $this->symmetric($r),
            default => $this->fixed($r),
        };
    }

    private function unfit(Relation $r, string $why): UnfitRelation
    {
        return new UnfitRelation($r->id, $why);
    }

    /** @return list<Equation> */
    private function coincident(Relation $r): array
    {
        [$p, $q] = [$r->of[0], $r->of[1] ?? ''];
        if (! $this->isPoint($p)) {
            [$p, $q] = [$q, $p];
        }
        if (! $this->isPoint($p)) {
            throw $this->unfit($r, 'Coincident needs at least one point.');
        }
        if ($this->isPoint($q)) {
            return $this->together($p, $q);
        }
        $l = $this->line($q);
        if ($l !== null) {
            return [Equation::offset($this->points($p, ...$l), 0.0)];
        }
        $c = $this->round($q);
        if ($c !== null) {
            return [Equation::distance($this->points($p, $c->points[0]), 0.0, [$this->size[$q]], [1.0])];
        }
        $e = $this->sketch->entities[$q] ?? null;
        if ($e?->kind === EntityKind::Ellipse) {
            return [Equation::onEllipse($this->points($p, $e->points[0], $e->points[1]), $this->size[$q])];
        }
        throw $this->unfit($r, 'A point can lie on another point, a line, a circle, an arc or an ellipse.');
    }

    /** @return list<Equation> */
    private function together(string $p, string $q): array
    {
        return [
            Equation::linear([$this->at[$p][0], $this->at[$q][0]], [1.0, -1.0]),
            Equation::linear([$this->at[$p][1], $this->at[$q][1]], [1.0, -1.0]),
        ];
    }

    /** @param array{string,string} $line */
    private function halfway(int $axis, string $p, array $line): Equation
    {
        return Equation::linear([$this->at[$p][$axis], $this->at[$line[0]][$axis], $this->at[$line[1]][$axis]], [1.0, -0.5, -0.5]);
    }

    /** Both ends of a line, or two points, at the same height (axis 1) or one above the other (axis 0). */
    private function level(Relation $r, int $axis): Equation
    {
        $l = $this->line($r->of[0]);
        if ($l === null && count($r->of) === 2) {
            [$a, $b] = [$this->middle($r->of[0]), $this->middle($r->of[1])];
            $l = $a !== null && $b !== null ? [$a, $b] : null;
        }
        if ($l === null) {
            throw $this->unfit($r, ucfirst($r->kind->value) . ' needs a line or two points.');
        }

        return Equation::linear([$this->at[$l[0]][$axis], $this->at[$l[1]][$axis]], [1.0, -1.0]);
    }

    /**
     * The first line with each of the others.
     *
     * @param callable(array{string,string}, array{string,string}): list<Equation> $each
     * @return list<Equation>
     */
    private function pairs(Relation $r, callable $each): array
    {
        $first = $this->line($r->of[0]);
        $out = [];
        foreach (array_slice($r->of, 1) as $id) {
            $other = $this->line($id);
            if ($first === null || $other === null) {
                $out = [];
                break;
            }
            array_push($out, ...$each($first, $other));
        }

        return $out !== [] ? $out : throw $this->unfit($r, ucfirst($r->kind->value) . ' needs two lines.');
    }

    /**
     * @param array{string,string} $a
     * @param array{string,string} $b
     */
    private function turned(array $a, array $b, float $angle): Equation
    {
        $length = fn (array $l): float => $this->apart($l[0], $l[1]);

        return Equation::direction($this->points(...$a, ...$b), $angle, max(min($length($a), $this->scale), min($length($b), $this->scale)));
    }

    /** @return list<Equation> */
    private function perpendicular(Relation $r): array
    {
        foreach ([[0, 1], [1, 0]] as [$i, $j]) {
            $l = $this->line($r->of[$i] ?? '');
            $c = $this->round($r->of[$j] ?? '');
            if ($l !== null && $c !== null) {
                return [Equation::offset($this->points($c->points[0], ...$l), 0.0)];
            }
        }

        return $this->pairs($r, fn (array $a, array $b): array => [$this->turned($a, $b, M_PI / 2)]);
    }

    private function tangent(Relation $r): Equation
    {
        [$a, $b] = [$r->of[0], $r->of[1] ?? ''];
        if ($this->line($a) === null) {
            [$a, $b] = [$b, $a];
        }
        $c = $this->round($b);
        $l = $this->line($a);
        if ($l !== null && $c !== null) {
            $shared = $this->shared($l, $c) ?? $this->onRim($l, $b);
            if ($shared !== null) {
                // they meet in an end already: the radius to it stands upright on the line
                return Equation::along($this->points($c->points[0], $shared, $shared === $l[0] ? $l[1] : $l[0]), 0.0);
            }
            $side = $this->side($c->points[0], $l) < 0 ? -1.0 : 1.0;

            return Equation::offset($this->points($c->points[0], ...$l), 0.0, [$this->size[$b]], [$side]);
        }
        [$c, $d] = [$this->round($a), $this->round($b)];
        if ($c === null || $d === null) {
            throw $this->unfit($r, 'Tangent needs a line and a circle or arc, or two of those.');
        }
        foreach ($c->kind === EntityKind::Arc ? [1, 2] : [] as $k) {
            $shared = $d->kind === EntityKind::Arc ? $this->shared([$c->points[$k], $c->points[$k]], $d) : null;
            if ($shared !== null) {
                return Equation::offset($this->points($shared, $c->points[0], $d->points[0]), 0.0);
            }
        }
        $apart = $this->apart($c->points[0], $d->points[0]);
        // from outside, or one inside the other
        $outside = abs($apart - $c->size - $d->size) <= abs($apart - abs($c->size - $d->size));
        $signs = $outside ? [1.0, 1.0] : ($c->size > $d->size ? [1.0, -1.0] : [-1.0, 1.0]);

        return Equation::distance($this->points($c->points[0], $d->points[0]), 0.0, [$this->size[$c->id], $this->size[$d->id]], $signs);
    }

    /**
     * The end of a line that is an end of an arc too.
     *
     * @param array{string,string} $line
     */
    private function shared(array $line, Entity $arc): ?string
    {
        if ($arc->kind === EntityKind::Arc) {
            foreach ($line as $p) {
                foreach ([$arc->points[1], $arc->points[2]] as $q) {
                    if ($this->first($p) === $this->first($q)) {
                        return $p;
                    }
                }
            }
        }

        return null;
    }

    /**
     * The end of a line that is asked to lie on a circle or arc.
     *
     * @param array{string,string} $line
     */
    private function onRim(array $line, string $round): ?string
    {
        foreach ($this->sketch->relations as $r) {
            if ($r->kind === RelationKind::Coincident && count($r->of) === 2 && in_array($round, $r->of, true)) {
                $p = $r->of[0] === $round ? $r->of[1] : $r->of[0];
                if (in_array($p, $line, true)) {
                    return $p;
                }
            }
        }

        return null;
    }

    /** @return list<Equation> */
    private function concentric(Relation $r): array
    {
        [$p, $q] = [$this->middle($r->of[0]), $this->middle($r->of[1] ?? '')];
        if ($p === null || $q === null || $p === $q) {
            throw $this->unfit($r, 'Concentric needs two things that are round.');
        }

        return $this->together($p, $q);
    }

    /** @return list<Equation> */
    private function equal(Relation $r): array
    {
        $first = $r->of[0];
        $out = [];
        foreach (array_slice($r->of, 1) as $other) {
            $l = $this->line($first);
            $m = $this->line($other);
            if ($l !== null && $m !== null && ! isset(Sketch::AXES[$first]) && ! isset(Sketch::AXES[$other])) {
                $out[] = Equation::equalDistances($this->points(...$l, ...$m));
            } elseif ($this->round($first) !== null && $this->round($other) !== null) {
                $out[] = Equation::linear([$this->size[$first], $this->size[$other]], [1.0, -1.0]);
            } else {
                throw $this->unfit($r, 'Equal needs lines, or circles and arcs.');
            }
        }

        return $out !== [] ? $out : throw $this->unfit($r, 'Equal needs two things.');
    }

    /** @return list<Equation> */
    private function symmetric(Relation $r): array
    {
        [$a, $b, $axis] = [$r->of[0], $r->of[1] ?? '', $this->line($r->of[2] ?? '')];
        if ($axis === null) {
            throw $this->unfit($r, 'Symmetric needs two things and the line between them.');
        }
        $mirrored = fn (string $p, string $q): array => [
            Equation::middleOn($this->points($p, $q, ...$axis)),
            Equation::across($this->points($p, $q, ...$axis)),
        ];
        if ($this->isPoint($a) && $this->isPoint($b)) {
            return $mirrored($a, $b);
        }
        [$e, $f] = [$this->sketch->entities[$a] ?? null, $this->sketch->entities[$b] ?? null];
        if ($e === null || $f === null || $e->kind !== $f->kind || count($e->points) !== count($f->points)) {
            throw $this->unfit($r, 'Only things of one kind can be symmetric to each other.');
        }
        $to = $f->points;
        if ($e->kind === EntityKind::Arc) {
            // the mirror image runs the other way
            $to = [$to[0], $to[2], $to[1]];
        } elseif ($e->kind === EntityKind::Line && $this->imageIsNearer($e->points[0], $to[1], $to[0], $axis)) {
            $to = [$to[1], $to[0]];
        }
        $out = [];
        foreach ($e->points as $i => $p) {
            if ($p !== $to[$i]) {
                array_push($out, ...$mirrored($p, $to[$i]));
            } else {
                $out[] = Equation::offset($this->points($p, ...$axis), 0.0);
            }
        }
        if ($e->kind === EntityKind::Circle || $e->kind === EntityKind::Ellipse) {
            $out[] = Equation::linear([$this->size[$a], $this->size[$b]], [1.0, -1.0]);
        }

        return $out;
    }

    /**
     * Whether the mirror image of p lies nearer to q than to s.
     *
     * @param array{string,string} $axis
     */
    private function imageIsNearer(string $p, string $q, string $s, array $axis): bool
    {
        [$a, $b] = [$this->place($axis[0]), $this->place($axis[1])];
        [$pu, $pv] = $this->place($p);
        $du = $b[0] - $a[0];
        $dv = $b[1] - $a[1];
        $k = 2 * (($pv - $a[1]) * $du - ($pu - $a[0]) * $dv) / max(1e-24, $du * $du + $dv * $dv);
        [$u, $v] = [$pu + $k * $dv, $pv - $k * $du];
        [$q, $s] = [$this->place($q), $this->place($s)];

        return hypot($q[0] - $u, $q[1] - $v) < hypot($s[0] - $u, $s[1] - $v);
    }

    /** @return list<Equation> */
    private function fixed(Relation $r): array
    {
        $out = [];
        foreach ($r->of as $id) {
            if (isset(Sketch::AXES[$id])) {
                continue;
            }
            $e = $this->sketch->entities[$id] ?? null;
            foreach ($e === null ? [$id] : $e->points as $p) {
                [$u, $v] = ($this->held ?? $this->sketch)->point($p);
                $out[] = Equation::linear([$this->at[$p][0]], [1.0], $u);
                $out[] = Equation::linear([$this->at[$p][1]], [1.0], $v);
            }
            // an arc's radius follows from its points
            if ($e !== null && isset($this->size[$id]) && $e->kind !== EntityKind::Arc) {
                $out[] = Equation::linear([$this->size[$id]], [1.0], ($this->held ?? $this->sketch)->entities[$id]->size);
            }
        }

        return $out;
    }

    /** @return list<Equation> */
    private function dimension(Relation $r, float $value): array
    {
        $of = $r->of;
        [$a, $b] = [$of[0], $of[1] ?? ''];
        [$p, $q] = [$this->middle($a), $this->middle($b)];
        [$l, $m] = [$this->line($a), $this->line($b)];
        switch ($r->kind) {
            case RelationKind::Length:
                return $l !== null && ! isset(Sketch::AXES[$a]) ? [Equation::distance($this->points(...$l), $value)] : throw $this->unfit($r, 'A length needs a line.');
            case RelationKind::Radius:
            case RelationKind::Diameter:
                return $this->round($a) !== null
                    ? [Equation::linear([$this->size[$a]], [1.0], $r->kind === RelationKind::Radius ? $value : $value / 2)]
                    : throw $this->unfit($r, 'A ' . $r->kind->value . ' needs a circle or an arc.');
            case RelationKind::HorizontalDistance:
            case RelationKind::VerticalDistance:
                if ($l !== null && $b === '') {
                    [$p, $q] = $l;
                }
                if ($p === null || $q === null) {
                    throw $this->unfit($r, 'This distance needs two points or a line.');
                }
                $axis = $r->kind === RelationKind::HorizontalDistance ? 0 : 1;
                $sign = $this->place($q)[$axis] < $this->place($p)[$axis] ? -1.0 : 1.0;

                return [Equation::linear([$this->at[$q][$axis], $this->at[$p][$axis]], [1.0, -1.0], $sign * $value)];
            case RelationKind::Angle:
                return $l !== null && $m !== null ? [$this->angle($l, $m, $value)] : throw $this->unfit($r, 'An angle needs two lines.');
            default:
                $half = $r->kind === RelationKind::DiameterAcross ? 0.5 : 1.0;
                if ($half === 1.0 && $p !== null && $q !== null) {
                    return [Equation::distance($this->points($p, $q), $value)];
                }
                // the first of two lines is the one that is measured from
                [$line, $point] = $l !== null ? [$l, $q ?? $m[0] ?? null] : [$m, $p];
                if ($half === 0.5 && $m !== null) {
                    [$line, $point] = [$m, $p ?? $l[0] ?? null];
                }
                if ($line === null || $point === null) {
                    throw $this->unfit($r, $half === 0.5 ? 'A diameter across needs a point or line and a centre line.' : 'A distance needs points or lines.');
                }
                $sign = $this->side($point, $line) < 0 ? -1.0 : 1.0;

                return [Equation::offset($this->points($point, ...$line), $sign * $half * $value)];
        }
    }

    /**
     * @param array{string,string} $l
     * @param array{string,string} $m
     */
    private function angle(array $l, array $m, float $degrees): Equation
    {
        [$l, $m] = $this->rays($l, $m);
        [$a, $b, $c, $d] = [$this->place($l[0]), $this->place($l[1]), $this->place($m[0]), $this->place($m[1])];
        $du = $b[0] - $a[0];
        $dv = $b[1] - $a[1];
        $eu = $d[0] - $c[0];
        $ev = $d[1] - $c[1];
        $sign = $du * $ev - $dv * $eu < 0 ? -1.0 : 1.0;

        return $this->turned($l, $m, $sign * deg2rad($degrees));
    }

    /**
     * Both lines seen from the end they share, if there is one.
     *
     * @param array{string,string} $l
     * @param array{string,string} $m
     * @return array{array{string,string}, array{string,string}}
     */
    private function rays(array $l, array $m): array
    {
        foreach ([$l, [$l[1], $l[0]]] as $p) {
            foreach ([$m, [$m[1], $m[0]]] as $q) {
                if ($this->first($p[0]) === $this->first($q[0])) {
                    return [$p, $q];
                }
            }
        }

        return [$l, $m];
    }

    /** @return array{float,float} where something is drawn */
    private function place(string $id): array
    {
        return Sketch::AXES[$id] ?? $this->sketch->point($id);
    }

    private function apart(string $p, string $q): float
    {
        [$a, $b] = [$this->place($p), $this->place($q)];

        return hypot($b[0] - $a[0], $b[1] - $a[1]);
    }

    /**
     * Twice the area of point and line: positive to the left.
     *
     * @param array{string,string} $line
     */
    private function side(string $p, array $line): float
    {
        [$a, $b, $c] = [$this->place($line[0]), $this->place($line[1]), $this->place($p)];

        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }
}
