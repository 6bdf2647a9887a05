<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceEquation;

/**
 * A round face that stands in the way where an edge ends, or that a groove leaves the solid through: the tool ends in its
 * facets, point by point, so that neither a fin is left nor the face is cut into.
 *
 * @phpstan-type V array{float,float,float}
 */
final class WallEnd
{
    /** Facets this far from the end of the edge count, in sizes of the section. */
    private const NEAR = 4.0;

    private const ACROSS = 1e-3;

    /** @var list<array{V, float, bool}> planes of the facets, and whether the edge enters there */
    private array $planes = [];

    private readonly bool $farthest;

    /**
     * @param int $face surface number of the face, as the topology counts
     * @param V $at end of the edge
     * @param V $ahead unit, out of the edge
     * @param int $facet one of the face where the edge ends
     */
    public function __construct(private readonly Solid $solid, private readonly Topology $topology, private readonly int $face, private readonly array $at, private readonly array $ahead, int $facet)
    {
        $n = [$solid->nx[$facet], $solid->ny[$facet], $solid->nz[$facet]];
        $surface = $solid->surfaces[$face];
        $convex = Vector::dot(SurfaceEquation::outward($surface, $at, [0.0, 0.0, 0.0]), $n) > 0;
        $this->farthest = $convex === (Vector::dot($n, $ahead) < 0);
    }

    /** Looks for the facets near the end. @param float $size of the section, mm */
    private function findPlanes(float $size): void
    {
        $s = $this->solid;
        $seen = [];
        foreach ($this->topology->trianglesOf($s->surfaces[$this->face]->name) as $t) {
            $f = $s->facet[$t];
            if (isset($seen[$f])) {
                continue;
            }
            $low = $high = [0.0, 0.0, 0.0];
            for ($k = 0; $k < 3; $k++) {
                $v = $s->start[3 * $t + $k];
                foreach ([$s->x[$v], $s->y[$v], $s->z[$v]] as $c => $x) {
                    $low[$c] = $k === 0 ? $x : min($low[$c], $x);
                    $high[$c] = $k === 0 ? $x : max($high[$c], $x);
                }
            }
            $far = 0.0;
            for ($c = 0; $c < 3; $c++) {
                $far = max($far, $low[$c] - $this->at[$c], $this->at[$c] - $high[$c]);
            }
            if ($far > self::NEAR * $size) {
                continue;
            }
            $seen[$f] = true;
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            $cos = Vector::dot($n, $this->ahead);
            if (abs($cos) > self::ACROSS) {
                $this->planes[] = [$n, $s->offset[$f], $cos < 0];
            }
        }
    }

    /**
     * A loop of the tool carried along the edge into the facets.
     *
     * @param list<V> $loop
     * @param bool $entering whether the face is met from outside
     * @return list<V>
     */
    public function carried(EdgeShape $e, int $k, array $loop, bool $entering): array
    {
        if ($this->planes === []) {
            $size = 0.0;
            foreach ($loop as $p) {
                $size = max($size, Vector::distance($p, $this->at));
            }
            $this->findPlanes($size);
        }
        $out = [];
        foreach ($loop as $p) {
            $best = null;
            foreach ($this->planes as [$n, $d, $enters]) {
                if ($enters !== $entering) {
                    continue;
                }
                $q = $e->carried($p, $k, $n, $d);
                $far = Vector::dot(Vector::sub($q, $p), $this->ahead);
                if (is_finite($far) && ($best === null || ($this->farthest ? $far > $best[0] : $far < $best[0]))) {
                    $best = [$far, $q];
                }
            }
            $out[] = $best[1] ?? $p;
        }

        return $out;
    }
}
