<?php

declare(strict_types=1);

namespace Cubo\Sketch\Solve;

use Cubo\Sketch\Entity;
use Cubo\Sketch\EntityKind;
use Cubo\Sketch\Relation;
use Cubo\Sketch\RelationKind;

/** Tangency of lines, circles and arcs as equations. */
final readonly class TangentEquations
{
    public function __construct(private Places $on) {}

    public function tangent(Relation $r): Equation
    {
        [$a, $b] = [$r->of[0], $r->of[1] ?? ''];
        if ($this->on->line($a) === null) {
            [$a, $b] = [$b, $a];
        }
        $c = $this->on->round($b);
        $l = $this->on->line($a);
        if ($l !== null && $c !== null) {
            $shared = $this->shared($l, $c) ?? $this->onRim($l, $b);
            if ($shared !== null) {
                // they meet in an end already: the radius to it stands upright on the line
                return Equation::along($this->on->points($c->points[0], $shared, $shared === $l[0] ? $l[1] : $l[0]), 0.0);
            }
            $side = $this->on->side($c->points[0], $l) < 0 ? -1.0 : 1.0;

            return Equation::offset($this->on->points($c->points[0], ...$l), 0.0, [$this->on->size[$b]], [$side]);
        }
        [$c, $d] = [$this->on->round($a), $this->on->round($b)];
        if ($c === null || $d === null) {
            throw new UnfitRelation($r->id, 'Tangent needs a line and a circle or arc, or two of those.');
        }
        foreach ($c->kind === EntityKind::Arc ? [1, 2] : [] as $k) {
            $shared = $d->kind === EntityKind::Arc ? $this->shared([$c->points[$k], $c->points[$k]], $d) : null;
            if ($shared !== null) {
                return Equation::offset($this->on->points($shared, $c->points[0], $d->points[0]), 0.0);
            }
        }
        $apart = $this->on->apart($c->points[0], $d->points[0]);
        // from outside, or one inside the other
        $outside = abs($apart - $c->size - $d->size) <= abs($apart - abs($c->size - $d->size));
        $signs = $outside ? [1.0, 1.0] : ($c->size > $d->size ? [1.0, -1.0] : [-1.0, 1.0]);

        return Equation::distance(
            $this->on->points($c->points[0], $d->points[0]),
            0.0,
            [$this->on->size[$c->id], $this->on->size[$d->id]],
            $signs,
        );
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
                    if ($this->on->first($p) === $this->on->first($q)) {
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
        foreach ($this->on->sketch->relations as $r) {
            if ($r->kind === RelationKind::Coincident && count($r->of) === 2 && in_array($round, $r->of, true)) {
                $p = $r->of[0] === $round ? $r->of[1] : $r->of[0];
                if (in_array($p, $line, true)) {
                    return $p;
                }
            }
        }

        return null;
    }
}
