<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Blend\EdgeShape;
use Cubo\Solid\Blend\Topology;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * What can be measured from or to: a face, an edge or a point. Where it has one, its direction: the normal of a flat
 * face, the axis of a round face or edge, the run of a straight edge.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Item
{
    /**
     * @param list<array{V, V, V, int, list<int>}> $pieces triangles; sides and points repeat their corners; own facet or
     *     -1, facets across each side (for a side: both facets beside it) or -1 where the face goes on
     * @param V|null $direction unit
     * @param bool $normal whether the direction stands across the item (a flat face) or runs along it
     * @param V|null $on a point of the axis, or of the plane
     */
    private function __construct(
        public array $pieces,
        public ?array $direction,
        public bool $normal,
        public ?array $on,
        public ?Solid $solid,
        public ?Surface $surface,
    ) {}

    /** @param V $p */
    public static function point(array $p): self
    {
        return new self([[$p, $p, $p, -1, [-1, -1, -1]]], null, false, $p, null, null);
    }

    /** @throws Refused no-face */
    public static function face(Solid $s, string $name): self
    {
        $pieces = [];
        $first = null;
        foreach ($s->facet as $t => $f) {
            if ($s->surfaces[$s->surfaceOf[$f]]->name === $name) {
                $first ??= $f;
                $across = [];
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $g = $s->facet[intdiv($s->twin[$h], 3)];
                    $across[] = $s->surfaces[$s->surfaceOf[$g]]->name === $name ? -1 : $g;
                }
                $pieces[] = [
                    self::at($s, $s->start[3 * $t]),
                    self::at($s, $s->start[3 * $t + 1]),
                    self::at($s, $s->start[3 * $t + 2]),
                    $f,
                    $across,
                ];
            }
        }
        if ($first === null) {
            throw new Refused('no-face', "There is no face “{$name}”.");
        }
        $surface = $s->surfaces[$s->surfaceOf[$first]];
        if ($surface->isFlat()) {
            return new self($pieces, [$s->nx[$first], $s->ny[$first], $s->nz[$first]], true, $pieces[0][0], $s, $surface);
        }
        $axis = in_array($surface->kind->value, ['cylinder', 'cone', 'torus'], true) ? $surface->axis : null;

        return new self($pieces, $axis, false, $surface->patch === null ? $surface->point : null, $s, $surface);
    }

    /** @throws Refused no-edge */
    public static function edge(Solid $s, string $name): self
    {
        $edge = Topology::of($s)->edges[$name] ?? throw new Refused('no-edge', "There is no edge “{$name}”.");
        $pieces = [];
        foreach ($edge->halfEdges as $h) {
            $a = self::at($s, $s->start[$h]);
            $b = self::at($s, $s->start[$s->twin[$h]]);
            $pieces[] = [$a, $b, $b, -1, [$s->facet[intdiv($h, 3)], $s->facet[intdiv($s->twin[$h], 3)]]];
        }
        try {
            $shape = new EdgeShape($s, $edge);
        } catch (Refused) {
            return new self($pieces, null, false, null, $s, null);
        }

        return new self(
            $pieces,
            $shape->axis ?? $shape->tangents[0],
            false,
            $shape->axis === null ? $shape->stations[0] : $shape->centre,
            $s,
            null,
        );
    }

    /** @return V */
    private static function at(Solid $s, int $v): array
    {
        return [$s->x[$v], $s->y[$v], $s->z[$v]];
    }
}
