<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Geometry\LeastStep;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * Where a face without a wall runs smoothly into a round no larger than the wall, and the round into a face with one: the
 * wall behind the round goes on as far as the open face.
 *
 * @phpstan-type V array{float,float,float}
 */
final class BehindRounds
{
    /** @param Closure(string): string $named name of the moved face */
    public function __construct(private readonly Skin $skin, private readonly Inset $inset, private readonly Closure $named) {}

    /** @return list<Solid> */
    public function all(): array
    {
        $skin = $this->skin;
        $open = [];
        foreach ($skin->solid->start as $h => $v) {
            $f = $skin->faceOf[intdiv($h, 3)];
            $g = $skin->beyond($h);
            if (
                $skin->faces[$g]->by == 0.0 &&
                $skin->faces[$f]->by != 0.0 &&
                $this->inset->runOn($f, $g) &&
                $this->inset->image($f, $v)[1]
            ) {
                $open[$f] = $g;
            }
        }
        $out = [];
        foreach ($skin->solid->start as $h => $v) {
            $round = $skin->faceOf[intdiv($h, 3)];
            $wall = $skin->beyond($h);
            if (isset($open[$round]) && $skin->faces[$wall]->by != 0.0 && !isset($open[$wall]) && $this->inset->runOn($round, $wall)) {
                $solid = $this->piece($v, $skin->end($h), $wall, $open[$round]);
                if ($solid !== null) {
                    $out[] = $solid;
                }
            }
        }

        return $out;
    }

    /** The wall behind one stretch of the edge between round and wall. */
    private function piece(int $v, int $w, int $wall, int $open): ?Solid
    {
        [$p, $q] = [$this->corners($v, $wall, $open), $this->corners($w, $wall, $open)];
        $g = new Gathering();
        $name = ($this->named)($this->skin->faces[$wall]->surface->name);
        $moved = $g->surface($this->inset->surface($wall, $name));
        $other = $g->surface(Surface::plane($name));
        $triangles = [];
        for ($k = 0; $k < 4; $k++) {
            $l = ($k + 1) % 4;
            // side 0 lies beside the layer of the wall
            foreach (Layers::quad($p[$k], $p[$l], $q[$l], $q[$k], $k === 0 ? $v > $w : $v < $w) as $t) {
                $triangles[] = [...$t, $k === 1 ? $moved : $other];
            }
        }
        array_push(
            $triangles,
            [$p[0], $p[2], $p[1], $other],
            [$p[0], $p[3], $p[2], $other],
            [$q[0], $q[1], $q[2], $other],
            [$q[0], $q[2], $q[3], $other],
        );

        return $g->turnedOut($triangles);
    }

    /**
     * Where the wall ends, there on its inner side, and both led on to the open face.
     *
     * @return list<V>
     */
    private function corners(int $v, int $wall, int $open): array
    {
        $p = $this->skin->point($v);
        $image = $this->inset->image($wall, $v);
        $stays = [$p, false];

        return [$p, $image[0], $this->led($image[0], $wall, $image, $open), $this->led($p, $wall, $stays, $open)];
    }

    /**
     * @param V $from
     * @param array{V, bool} $at
     * @return V
     */
    private function led(array $from, int $wall, array $at, int $open): array
    {
        $q = $from;
        for ($i = 0; $i < 20; $i++) {
            $step = LeastStep::of([
                [$this->inset->distance($open, $q), $this->inset->normal($open, $q)],
                [$this->inset->distance($wall, $q) - $this->inset->distance($wall, $at[0]), $this->inset->normal($wall, $q)],
            ]);
            $q = Vector::add($q, $step);
            if (Vector::length($step) < 1e-13 * (1 + Vector::length($q))) {
                break;
            }
        }

        return $q;
    }
}
