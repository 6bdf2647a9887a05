<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * What layers and wedges leave open where three edges that point towards them meet: a block between the corner and where
 * the three moved faces meet.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Corners
{
    /** @var array<int, int> a half-edge that leaves a vertex */
    private array $out = [];

    /**
     * @param int $side -1 inwards, 1 outwards
     * @param Closure(string): string $named name of the moved face
     */
    public function __construct(
        private readonly Skin $skin,
        private readonly Inset $inset,
        private readonly int $side,
        private readonly Closure $named,
    ) {}

    /** @return list<Solid> */
    public function all(): array
    {
        $out = [];
        foreach ($this->skin->at as $v => $faces) {
            if (count($faces) < 3) {
                continue;
            }
            foreach ($this->triples($v) as $three) {
                $solid = $this->block($v, $three);
                if ($solid !== null) {
                    $out[] = $solid;
                }
            }
        }

        return $out;
    }

    /**
     * Threes of faces around a vertex of which each two meet in an edge that points towards the layers. Faces that run on
     * smoothly count as one. More than three are taken three by three from the first one.
     *
     * @return list<array{int,int,int}>
     */
    private function triples(int $v): array
    {
        $ring = $this->ring($v);
        $n = count($ring);
        if ($n < 3) {
            return [];
        }
        $p = $this->skin->point($v);
        $normals = array_map(fn(int $f): array => $this->inset->normal($f, $p), $ring);
        foreach ($ring as $f) {
            if ($this->skin->faces[$f]->by == 0.0) {
                return [];
            }
        }
        $out = [];
        for ($k = 1; $k + 1 < $n; $k++) {
            $turn = Vector::dot($normals[0], Vector::cross($normals[$k], $normals[$k + 1]));
            if ($turn > Inset::SMOOTH) {
                $out[] = [$ring[0], $ring[$k], $ring[$k + 1]];
            }
        }

        // with two edges one way and one the other the wedges are enough
        return count($out) === $n - 2 && $this->allBend($v) ? $out : [];
    }

    /**
     * The faces around a vertex in order, counter-clockwise seen from outside; smooth neighbours as one.
     *
     * @return list<int>
     */
    private function ring(int $v): array
    {
        $s = $this->skin->solid;
        $start = $this->out[$v] ?? $this->outgoing()[$v];
        $h = $start;
        $ring = [];
        do {
            $f = $this->skin->faceOf[intdiv($h, 3)];
            $last = $ring === [] ? null : $ring[count($ring) - 1];
            if ($last === null || ($last !== $f && !$this->inset->runOn($last, $f))) {
                $ring[] = $f;
            }
            // the half-edge before this one in its triangle ends here; its twin goes out again
            $h = $s->twin[$h % 3 === 0 ? $h + 2 : $h - 1];
        } while ($h !== $start);
        while (count($ring) > 1 && ($ring[0] === $ring[count($ring) - 1] || $this->inset->runOn($ring[0], $ring[count($ring) - 1]))) {
            array_pop($ring);
        }

        return $ring;
    }

    /** @return array<int, int> */
    private function outgoing(): array
    {
        foreach ($this->skin->solid->start as $h => $v) {
            $this->out[$v] = $h;
        }

        return $this->out;
    }

    private function allBend(int $v): bool
    {
        $s = $this->skin->solid;
        $start = $h = $this->out[$v];
        do {
            $f = $this->skin->faceOf[intdiv($h, 3)];
            $g = $this->skin->beyond($h);
            if ($f !== $g && !$this->inset->runOn($f, $g)) {
                $p = $this->skin->point($v);
                $e = Vector::sub($this->skin->point($this->skin->end($h)), $p);
                if (Vector::dot(Vector::cross($this->inset->normal($f, $p), $this->inset->normal($g, $p)), $e) * $this->side <= 0) {
                    return false;
                }
            }
            $h = $s->twin[$h % 3 === 0 ? $h + 2 : $h - 1];
        } while ($h !== $start);

        return true;
    }

    /** @param array{int,int,int} $three */
    private function block(int $v, array $three): ?Solid
    {
        $p = $this->skin->point($v);
        $images = array_map(fn(int $f): array => [$f, $this->inset->image($f, $v)], $three);
        foreach ($images as [, [, $fallen]]) {
            if ($fallen) {
                return null;
            }
        }
        $i = array_map(static fn(array $x): array => $x[1][0], $images);
        $pair = fn(int $k, int $l): array => $this->inset->meet($p, [$images[$k], $images[$l]]);
        $m = [$pair(0, 1), $pair(1, 2), $pair(2, 0)];
        $all = $this->inset->meet($p, $images);
        $g = new Gathering();
        $sides = [];
        for ($k = 0; $k < 3; $k++) {
            $next = ($k + 1) % 3;
            // beside a wedge, then on a moved face
            $sides[] = [$p, $i[$k], $m[$k], $i[$next], null];
            $sides[] = [$i[$k], $m[($k + 2) % 3], $all, $m[$k], $k];
        }
        $flat = $g->surface(Surface::plane(($this->named)($this->skin->faces[$three[0]]->surface->name)));
        $triangles = [];
        foreach ($sides as [$a, $b, $c, $d, $face]) {
            $surface =
                $face === null
                    ? $flat
                    : $g->surface($this->inset->surface($three[$face], ($this->named)($this->skin->faces[$three[$face]]->surface->name)));
            array_push($triangles, [$a, $b, $c, $surface], [$a, $c, $d, $surface]);
        }

        return $g->turnedOut($triangles);
    }
}
