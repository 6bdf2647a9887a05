<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Sketch;

/**
 * Relations as equations. Where a relation can hold in several ways (a circle touching a line from either side, a point to
 * the left or right of another) the equation is that of the way nearest to how things are drawn.
 */
final readonly class RelationEquations
{
    private TangentEquations $tangents;

    private DimensionEquations $dimensions;

    /**
     * @param array<string, float> $values of the dimensions, mm or degrees; those left out ask nothing
     * @param Sketch|null $held where what is fixed stands, if not where it is drawn
     */
    public function __construct(private Places $on, private array $values, private ?Sketch $held = null)
    {
        $this->tangents = new TangentEquations($on);
        $this->dimensions = new DimensionEquations($on);
    }

    /** @return list<Equation> */
    public function equations(Relation $r): array
    {
        $of = $r->of;
        if ($r->kind->isDimension()) {
            return isset($this->values[$r->id]) ? $this->dimensions->dimension($r, $this->values[$r->id]) : [];
        }

        return match ($r->kind) {
            RelationKind::Coincident => $this->coincident($r),
            RelationKind::Midpoint => $this->on->isPoint($of[0]) && ($l = $this->on->line($of[1] ?? '')) !== null
                ? [$this->halfway(0, $of[0], $l), $this->halfway(1, $of[0], $l)]
                : throw new UnfitRelation($r->id, 'A midpoint needs a point and a line.'),
            RelationKind::Horizontal => [$this->level($r, 1)],
            RelationKind::Vertical => [$this->level($r, 0)],
            RelationKind::Parallel => $this->pairs($r, fn(array $a, array $b): array => [$this->on->turned($a, $b, 0.0)]),
            RelationKind::Perpendicular => $this->perpendicular($r),
            RelationKind::Collinear => $this->pairs(
                $r,
                fn(array $a, array $b): array => [
                    Equation::offset($this->on->points($b[0], $a[0], $a[1]), 0.0),
                    Equation::offset($this->on->points($b[1], $a[0], $a[1]), 0.0),
                ],
            ),
            RelationKind::Tangent => [$this->tangents->tangent($r)],
            RelationKind::Concentric => $this->concentric($r),
            RelationKind::Equal => $this->equal($r),
            RelationKind::Symmetric => $this->symmetric($r),
            default => $this->fixed($r),
        };
    }

    /** @return list<Equation> */
    private function coincident(Relation $r): array
    {
        [$p, $q] = [$r->of[0], $r->of[1] ?? ''];
        if (!$this->on->isPoint($p)) {
            [$p, $q] = [$q, $p];
        }
        if (!$this->on->isPoint($p)) {
            throw new UnfitRelation($r->id, 'Coincident needs at least one point.');
        }
        if ($this->on->isPoint($q)) {
            return $this->together($p, $q);
        }
        $l = $this->on->line($q);
        if ($l !== null) {
            return [Equation::offset($this->on->points($p, ...$l), 0.0)];
        }
        $c = $this->on->round($q);
        if ($c !== null) {
            return [Equation::distance($this->on->points($p, $c->points[0]), 0.0, [$this->on->size[$q]], [1.0])];
        }
        $e = $this->on->sketch->entities[$q] ?? null;
        if ($e?->kind === EntityKind::Ellipse) {
            return [Equation::onEllipse($this->on->points($p, $e->points[0], $e->points[1]), $this->on->size[$q])];
        }
        throw new UnfitRelation($r->id, 'A point can lie on another point, a line, a circle, an arc or an ellipse.');
    }

    /** @return list<Equation> */
    private function together(string $p, string $q): array
    {
        return [
            Equation::linear([$this->on->at[$p][0], $this->on->at[$q][0]], [1.0, -1.0]),
            Equation::linear([$this->on->at[$p][1], $this->on->at[$q][1]], [1.0, -1.0]),
        ];
    }

    /** @param array{string,string} $line */
    private function halfway(int $axis, string $p, array $line): Equation
    {
        return Equation::linear(
            [$this->on->at[$p][$axis], $this->on->at[$line[0]][$axis], $this->on->at[$line[1]][$axis]],
            [1.0, -0.5, -0.5],
        );
    }

    /** Both ends of a line, or two points, at the same height (axis 1) or one above the other (axis 0). */
    private function level(Relation $r, int $axis): Equation
    {
        $l = $this->on->line($r->of[0]);
        if ($l === null && count($r->of) === 2) {
            [$a, $b] = [$this->on->middle($r->of[0]), $this->on->middle($r->of[1])];
            $l = $a !== null && $b !== null ? [$a, $b] : null;
        }
        if ($l === null) {
            throw new UnfitRelation($r->id, ucfirst($r->kind->value) . ' needs a line or two points.');
        }

        return Equation::linear([$this->on->at[$l[0]][$axis], $this->on->at[$l[1]][$axis]], [1.0, -1.0]);
    }

    /**
     * The first line with each of the others.
     *
     * @param callable(array{string,string}, array{string,string}): list<Equation> $each
     * @return list<Equation>
     */
    private function pairs(Relation $r, callable $each): array
    {
        $first = $this->on->line($r->of[0]);
        $out = [];
        foreach (array_slice($r->of, 1) as $id) {
            $other = $this->on->line($id);
            if ($first === null || $other === null) {
                $out = [];
                break;
            }
            array_push($out, ...$each($first, $other));
        }

        return $out !== [] ? $out : throw new UnfitRelation($r->id, ucfirst($r->kind->value) . ' needs two lines.');
    }

    /** @return list<Equation> */
    private function perpendicular(Relation $r): array
    {
        foreach ([[0, 1], [1, 0]] as [$i, $j]) {
            $l = $this->on->line($r->of[$i] ?? '');
            $c = $this->on->round($r->of[$j] ?? '');
            if ($l !== null && $c !== null) {
                return [Equation::offset($this->on->points($c->points[0], ...$l), 0.0)];
            }
        }

        return $this->pairs($r, fn(array $a, array $b): array => [$this->on->turned($a, $b, M_PI / 2)]);
    }

    /** @return list<Equation> */
    private function concentric(Relation $r): array
    {
        [$p, $q] = [$this->on->middle($r->of[0]), $this->on->middle($r->of[1] ?? '')];
        if ($p === null || $q === null || $p === $q) {
            throw new UnfitRelation($r->id, 'Concentric needs two things that are round.');
        }

        return $this->together($p, $q);
    }

    /** @return list<Equation> */
    private function equal(Relation $r): array
    {
        $first = $r->of[0];
        $out = [];
        foreach (array_slice($r->of, 1) as $other) {
            $l = $this->on->line($first);
            $m = $this->on->line($other);
            if ($l !== null && $m !== null && !isset(Sketch::AXES[$first]) && !isset(Sketch::AXES[$other])) {
                $out[] = Equation::equalDistances($this->on->points(...$l, ...$m));
            } elseif ($this->on->round($first) !== null && $this->on->round($other) !== null) {
                $out[] = Equation::linear([$this->on->size[$first], $this->on->size[$other]], [1.0, -1.0]);
            } else {
                throw new UnfitRelation($r->id, 'Equal needs lines, or circles and arcs.');
            }
        }

        return $out !== [] ? $out : throw new UnfitRelation($r->id, 'Equal needs two things.');
    }

    /** @return list<Equation> */
    private function symmetric(Relation $r): array
    {
        [$a, $b, $axis] = [$r->of[0], $r->of[1] ?? '', $this->on->line($r->of[2] ?? '')];
        if ($axis === null) {
            throw new UnfitRelation($r->id, 'Symmetric needs two things and the line between them.');
        }
        $mirrored = fn(string $p, string $q): array => [
            Equation::middleOn($this->on->points($p, $q, ...$axis)),
            Equation::across($this->on->points($p, $q, ...$axis)),
        ];
        if ($this->on->isPoint($a) && $this->on->isPoint($b)) {
            return $mirrored($a, $b);
        }
        [$e, $f] = [$this->on->sketch->entities[$a] ?? null, $this->on->sketch->entities[$b] ?? null];
        if ($e === null || $f === null || $e->kind !== $f->kind || count($e->points) !== count($f->points)) {
            throw new UnfitRelation($r->id, 'Only things of one kind can be symmetric to each other.');
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
                $out[] = Equation::offset($this->on->points($p, ...$axis), 0.0);
            }
        }
        if ($e->kind === EntityKind::Circle || $e->kind === EntityKind::Ellipse) {
            $out[] = Equation::linear([$this->on->size[$a], $this->on->size[$b]], [1.0, -1.0]);
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
        [$a, $b] = [$this->on->place($axis[0]), $this->on->place($axis[1])];
        [$pu, $pv] = $this->on->place($p);
        $du = $b[0] - $a[0];
        $dv = $b[1] - $a[1];
        $k = (2 * (($pv - $a[1]) * $du - ($pu - $a[0]) * $dv)) / max(1e-24, $du * $du + $dv * $dv);
        [$u, $v] = [$pu + $k * $dv, $pv - $k * $du];
        [$q, $s] = [$this->on->place($q), $this->on->place($s)];

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
            $e = $this->on->sketch->entities[$id] ?? null;
            foreach ($e === null ? [$id] : $e->points as $p) {
                [$u, $v] = ($this->held ?? $this->on->sketch)->point($p);
                $out[] = Equation::linear([$this->on->at[$p][0]], [1.0], $u);
                $out[] = Equation::linear([$this->on->at[$p][1]], [1.0], $v);
            }
            // an arc's radius follows from its points
            if ($e !== null && isset($this->on->size[$id]) && $e->kind !== EntityKind::Arc) {
                $out[] = Equation::linear([$this->on->size[$id]], [1.0], ($this->held ?? $this->on->sketch)->entities[$id]->size);
            }
        }

        return $out;
    }
}
