<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Layer\Gathering;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * Where a flat beside a groove ends before what is filled in does: the fill would stand out over the border as a lip. It is kept
 * to what stands upright on the flat, so that it ends flush.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Lips
{
    /** of unit normals: faces that stand upright on each other */
    private const UPRIGHT = 1e-9;

    /** mm that the column over a face goes on past the tool */
    private const PAST = 1.0;

    /** @var array<string, array<int, V>> by edge and face: an outward normal of it */
    private array $faces = [];

    public function __construct(private readonly Topology $topology) {}

    /**
     * Notes a face that ends too soon.
     *
     * @return bool whether what stands out over it can be cut off
     */
    public function note(EdgeShape $e, int $face): bool
    {
        $left = $e->edge->left === $face;
        if (!($left ? $e->left : $e->right)->isFlat()) {
            return false;
        }
        foreach (array_keys($e->stations) as $k) {
            if (($e->axis !== null || $e->curve !== null) && abs(Vector::dot($e->leftNormals[$k], $e->rightNormals[$k])) > self::UPRIGHT) {
                return false;
            }
        }
        $this->faces[$e->edge->name][$face] = $left ? $e->leftNormals[0] : $e->rightNormals[0];

        return true;
    }

    /** What fills a groove without what stands out over the faces noted. */
    public function cutOff(EdgeShape $e, Solid $tool, Budget $budget): Solid
    {
        foreach ($this->faces[$e->edge->name] ?? [] as $face => $n) {
            $high = 0.0;
            foreach (array_keys($tool->x) as $v) {
                $high = max($high, Vector::dot($n, Vector::sub([$tool->x[$v], $tool->y[$v], $tool->z[$v]], $e->stations[0])));
            }
            $lip = BooleanOperation::difference($tool, $this->over($face, $n, $high + self::PAST), $budget);
            if ($e->axis === null && $e->curve === null) {
                // what does not lie over the plane of the face at all stays
                $lip = BooleanOperation::intersection(
                    $lip,
                    Cutting::halfSpace('', $tool, $e->stations[0], Section::into($e, 0, $e->edge->left === $face)),
                    $budget,
                );
            }
            $tool = $lip->isEmpty() ? $tool : BooleanOperation::difference($tool, $lip, $budget);
        }

        return $tool;
    }

    /**
     * The column that stands upright on a face.
     *
     * @param V $n
     */
    private function over(int $face, array $n, float $high): Solid
    {
        $s = $this->topology->solid;
        $g = new Gathering();
        $point = static fn(int $v): array => [$s->x[$v], $s->y[$v], $s->z[$v]];
        $bottom = $g->surface($s->surfaces[$face]);
        $top = $g->surface(Surface::plane('top'));
        $walls = [];
        foreach ($this->topology->trianglesOf($s->surfaces[$face]->name) as $t) {
            $f = $s->facet[$t];
            if (Vector::dot([$s->nx[$f], $s->ny[$f], $s->nz[$f]], $n) < 1 - self::UPRIGHT) {
                continue;
            }
            $low = $up = [];
            for ($k = 0; $k < 3; $k++) {
                $low[] = $point($s->start[3 * $t + $k]);
                $up[] = Vector::add($low[$k], $n, $high);
            }
            $g->triangle([$low[0], false], [$low[2], false], [$low[1], false], $bottom, (string) $f);
            $g->triangle([$up[0], false], [$up[1], false], [$up[2], false], $top, 'top');
            for ($k = 0; $k < 3; $k++) {
                $o = intdiv($s->twin[3 * $t + $k], 3);
                if (
                    $this->topology->face($o) === $face &&
                    Vector::dot([$s->nx[$s->facet[$o]], $s->ny[$s->facet[$o]], $s->nz[$s->facet[$o]]], $n) > 1 - self::UPRIGHT
                ) {
                    continue;
                }
                [$a, $b, $c, $d] = [[$low[$k], false], [$low[($k + 1) % 3], false], [$up[($k + 1) % 3], false], [$up[$k], false]];
                $wall = $walls[$s->facet[$o]] ??= $g->surface($this->wall($s->facet[$o], $n));
                $g->triangle($a, $b, $c, $wall, "wall $t $k");
                $g->triangle($a, $c, $d, $wall, "wall $t $k");
            }
        }

        return $g->solid() ?? new Solid();
    }

    /**
     * The side of the column over a border: the face there where it stands upright, else a flat of its own.
     *
     * @param V $n
     */
    private function wall(int $facet, array $n): Surface
    {
        $s = $this->topology->solid;
        $u = $s->surfaces[$s->surfaceOf[$facet]];

        return abs(Vector::dot([$s->nx[$facet], $s->ny[$facet], $s->nz[$facet]], $n)) < self::UPRIGHT
            ? $u
            : Surface::plane("$u->name beside");
    }
}
