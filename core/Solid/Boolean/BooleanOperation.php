<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Solid\Solid;

/**
 * Union, difference and intersection of two closed solids; the result is closed and consistently oriented.
 *
 * Stages: candidate pairs (BroadPhase), crossings (Crossings with ShadowPredicates), what of each vertex stays
 * (inclusion numbers by flooding), the outlines of every touched face (FaceOutlines), their triangles
 * (Triangulator), and a last clean-up of slivers and needless vertices (CleanUp).
 */
final class BooleanOperation
{
    /** Gaps below this share of the part's size count as touching. */
    public const RELATIVE_TOLERANCE = 1e-10;

    public static function union(Solid $p, Solid $q): Solid
    {
        return self::run($p, $q, Operation::Union);
    }

    public static function difference(Solid $p, Solid $q): Solid
    {
        return self::run($p, $q, Operation::Difference);
    }

    public static function intersection(Solid $p, Solid $q): Solid
    {
        return self::run($p, $q, Operation::Intersection);
    }

    public static function run(Solid $p, Solid $q, Operation $op): Solid
    {
        try {
            return (new self($p, $q, $op))->evaluate(true);
        } catch (Imbalance) {
            return (new self($p, $q, $op))->evaluate(false);
        }
    }

    private function __construct(private readonly Solid $p, private readonly Solid $q, private readonly Operation $op) {}

    private function evaluate(bool $filter): Solid
    {
        $p = $this->p;
        $q = $this->q;
        $op = $this->op;
        $a = $p->vertexBox();
        $b = $q->vertexBox();
        $size = max($a[3] - $a[0], $a[4] - $a[1], $a[5] - $a[2], $b[3] - $b[0], $b[4] - $b[1], $b[5] - $b[2]);
        $size = max($size, ...array_map('abs', $a), ...array_map('abs', $b));
        $tolerance = self::RELATIVE_TOLERANCE * $size;
        $common = [];
        for ($k = 0; $k < 3; $k++) {
            $common[$k] = max($a[$k], $b[$k]) - 2 * $tolerance;
            $common[$k + 3] = min($a[$k + 3], $b[$k + 3]) + 2 * $tolerance;
        }
        ksort($common);
        if ($p->isEmpty() || $q->isEmpty() || $common[0] > $common[3] || $common[1] > $common[4] || $common[2] > $common[5]) {
            return match ($op) {
                Operation::Intersection => new Solid,
                Operation::Difference => $p,
                Operation::Union => $p->isEmpty() ? $q : ($q->isEmpty() ? $p : $p->beside($q)),
            };
        }
        $margin = $filter ? 1e-6 * $size : INF;
        $pair = new OperandPair($p, $q);
        $shadow = new ShadowPredicates($pair, $op === Operation::Union ? 1.0 : -1.0, $tolerance);
        $broad = new BroadPhase($pair, $common, 2 * $tolerance, $margin);
        $crossings = new Crossings($pair, $shadow, $broad, $op, $margin);
        $inclusion = new Inclusion($pair, $shadow, $crossings, $op);
        $outlines = new FaceOutlines($pair, $shadow, $crossings, $inclusion, $op, $tolerance);

        $triangulator = new Triangulator($outlines, $pair, 1e-7 * $size);
        foreach ($outlines->groups as $face => $loops) {
            $ofQ = ($face & 1) === 1;
            $facet = $ofQ ? $pair->qFacet[$face >> 1] : $pair->pFacet[$face >> 1];
            $triangulator->fill($loops, $ofQ && $op === Operation::Difference ? $pair->flip($facet) : $facet);
        }
        $mesh = $triangulator->mesh();
        $flats = [];
        foreach ($broad->pTriangles as $t) {
            $flats[$pair->pFacet[$t]] = true;
        }
        foreach ($broad->qTriangles as $t) {
            $f = $pair->qFacet[$t];
            $flats[$op === Operation::Difference ? $pair->flip($f) : $f] = true;
        }

        return CleanUp::run($mesh, $pair, $outlines->wholeTriangles, $tolerance, $flats);
    }
}
