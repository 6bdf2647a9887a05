<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * Where a face beside a groove ends before what is filled in does: the fill would stand out over the border as a lip. It is cut
 * off flush with the flat that begins there.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Lips
{
    /** @var array<int, list<array{Edge, bool}>> edges around a face, and whether it lies on their left */
    private array $borders = [];

    /** @var array<string, array<string, array{V, float}>> name and plane of the flats beyond, by edge */
    private array $planes = [];

    public function __construct(private readonly Topology $topology)
    {
        foreach ($topology->edges as $edge) {
            $this->borders[$edge->left][] = [$edge, true];
            $this->borders[$edge->right][] = [$edge, false];
        }
    }

    /**
     * Notes the flat that begins where a face ends nearest to a point beyond it.
     *
     * @param V $p
     * @return bool whether there is one, so that what stands out can be cut off
     */
    public function note(EdgeShape $e, int $face, array $p): bool
    {
        $s = $this->topology->solid;
        $best = null;
        foreach ($this->borders[$face] ?? [] as [$edge, $left]) {
            if ($edge->name === $e->edge->name) {
                continue;
            }
            foreach ($edge->halfEdges as $h) {
                $d = $this->distance($p, $s->start[$h], $s->start[$s->twin[$h]]);
                if ($best === null || $d < $best[0]) {
                    $best = [$d, $s->facet[intdiv($left ? $s->twin[$h] : $h, 3)]];
                }
            }
        }
        if ($best === null) {
            return false;
        }
        $f = $best[1];
        $surface = $s->surfaces[$s->surfaceOf[$f]];
        $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
        // the point stands out over it
        if (! $surface->isFlat() || Vector::dot($n, $p) <= $s->offset[$f]) {
            return false;
        }
        $this->planes[$e->edge->name][$surface->name] = [$n, $s->offset[$f]];

        return true;
    }

    public function cutOff(EdgeShape $e, Solid $tool, Budget $budget): Solid
    {
        foreach ($this->planes[$e->edge->name] ?? [] as $name => [$n, $d]) {
            $outside = Cutting::halfSpace('', $tool, Vector::add([0.0, 0.0, 0.0], $n, $d), $n)->renamed(static fn (): string => $name);
            $tool = BooleanOperation::difference($tool, $outside, $budget);
        }

        return $tool;
    }

    /** @param V $p */
    private function distance(array $p, int $v, int $w): float
    {
        $s = $this->topology->solid;
        $a = [$s->x[$v], $s->y[$v], $s->z[$v]];
        $d = Vector::sub([$s->x[$w], $s->y[$w], $s->z[$w]], $a);
        $t = max(0.0, min(1.0, Vector::dot(Vector::sub($p, $a), $d) / max(1e-300, Vector::dot($d, $d))));

        return Vector::distance($p, Vector::add($a, $d, $t));
    }
}
