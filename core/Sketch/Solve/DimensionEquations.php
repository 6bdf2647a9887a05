<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;
use Cubo\Sketch\Sketch;

/** Dimensions as equations. */
final readonly class DimensionEquations
{
    public function __construct(private Places $on) {}

    /** @return list<Equation> */
    public function dimension(Relation $r, float $value): array
    {
        $of = $r->of;
        [$a, $b] = [$of[0], $of[1] ?? ''];
        [$p, $q] = [$this->on->middle($a), $this->on->middle($b)];
        [$l, $m] = [$this->on->line($a), $this->on->line($b)];
        switch ($r->kind) {
            case RelationKind::Length:
                return $l !== null && !isset(Sketch::AXES[$a])
                    ? [Equation::distance($this->on->points(...$l), $value)]
                    : throw new UnfitRelation($r->id, 'A length needs a line.');
            case RelationKind::Radius:
            case RelationKind::Diameter:
                return $this->on->round($a) !== null
                    ? [Equation::linear([$this->on->size[$a]], [1.0], $r->kind === RelationKind::Radius ? $value : $value / 2)]
                    : throw new UnfitRelation($r->id, 'A ' . $r->kind->value . ' needs a circle or an arc.');
            case RelationKind::HorizontalDistance:
            case RelationKind::VerticalDistance:
                if ($l !== null && $b === '') {
                    [$p, $q] = $l;
                }
                if ($p === null || $q === null) {
                    throw new UnfitRelation($r->id, 'This distance needs two points or a line.');
                }
                $axis = $r->kind === RelationKind::HorizontalDistance ? 0 : 1;
                $sign = $this->on->place($q)[$axis] < $this->on->place($p)[$axis] ? -1.0 : 1.0;

                return [Equation::linear([$this->on->at[$q][$axis], $this->on->at[$p][$axis]], [1.0, -1.0], $sign * $value)];
            case RelationKind::Angle:
                return $l !== null && $m !== null
                    ? [$this->angle($l, $m, $value, $of[2] ?? null)]
                    : throw new UnfitRelation($r->id, 'An angle needs two lines.');
            default:
                $half = $r->kind === RelationKind::DiameterAcross ? 0.5 : 1.0;
                if ($half === 1.0 && $p !== null && $q !== null) {
                    return [Equation::distance($this->on->points($p, $q), $value)];
                }
                // the first of two lines is the one that is measured from
                [$line, $point] = $l !== null ? [$l, $q ?? ($m[0] ?? null)] : [$m, $p];
                if ($half === 0.5 && $m !== null) {
                    [$line, $point] = [$m, $p ?? ($l[0] ?? null)];
                }
                if ($line === null || $point === null) {
                    throw new UnfitRelation(
                        $r->id,
                        $half === 0.5 ? 'A diameter across needs a point or line and a centre line.' : 'A distance needs points or lines.',
                    );
                }
                $sign = $this->on->side($point, $line) < 0 ? -1.0 : 1.0;

                return [Equation::offset($this->on->points($point, ...$line), $sign * $half * $value)];
        }
    }

    /**
     * @param array{string,string} $l
     * @param array{string,string} $m
     * @param string|null $from point that both run away from, where they share no end any more: the corner that was rounded
     */
    private function angle(array $l, array $m, float $degrees, ?string $from): Equation
    {
        [$l, $m] = $from === null ? $this->rays($l, $m) : [$this->away($l, $from), $this->away($m, $from)];
        [$a, $b, $c, $d] = [$this->on->place($l[0]), $this->on->place($l[1]), $this->on->place($m[0]), $this->on->place($m[1])];
        $du = $b[0] - $a[0];
        $dv = $b[1] - $a[1];
        $eu = $d[0] - $c[0];
        $ev = $d[1] - $c[1];
        $sign = $du * $ev - $dv * $eu < 0 ? -1.0 : 1.0;

        return $this->on->turned($l, $m, $sign * deg2rad($degrees));
    }

    /**
     * A line from its end nearer to a point to the other one.
     *
     * @param array{string,string} $l
     * @return array{string,string}
     */
    private function away(array $l, string $from): array
    {
        return $this->on->apart($l[0], $from) <= $this->on->apart($l[1], $from) ? $l : [$l[1], $l[0]];
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
                if ($this->on->first($p[0]) === $this->on->first($q[0])) {
                    return [$p, $q];
                }
            }
        }

        return [$l, $m];
    }
}
