<?php

declare(strict_types=1);

namespace Cubo\Solid;

use InvalidArgumentException;

/** Gathers vertices, facets and triangles, then links the half-edges into a closed solid. */
final class SolidBuilder
{
    /** @var array<int, float> */
    public array $x = [];

    /** @var array<int, float> */
    public array $y = [];

    /** @var array<int, float> */
    public array $z = [];

    /** @var array<int, int> */
    private array $start = [];

    /** @var array<int, int> */
    private array $facet = [];

    // facets: normal, offset, surface
    /** @var array<int, float> */
    private array $nx = [];

    /** @var array<int, float> */
    private array $ny = [];

    /** @var array<int, float> */
    private array $nz = [];

    /** @var array<int, float> */
    private array $offset = [];

    /** @var array<int, int> */
    private array $surfaceOf = [];

    /** @var list<Surface> */
    private array $surfaces = [];

    public function vertex(float $x, float $y, float $z): int
    {
        $this->x[] = $x;
        $this->y[] = $y;
        $this->z[] = $z;

        return count($this->x) - 1;
    }

    public function surface(Surface $s): int
    {
        $this->surfaces[] = $s;

        return count($this->surfaces) - 1;
    }

    /** A facet in the plane through three of the vertices, counter-clockwise from outside. */
    public function facetThrough(int $a, int $b, int $c, int $surface): int
    {
        $ux = $this->x[$b] - $this->x[$a];
        $uy = $this->y[$b] - $this->y[$a];
        $uz = $this->z[$b] - $this->z[$a];
        $vx = $this->x[$c] - $this->x[$a];
        $vy = $this->y[$c] - $this->y[$a];
        $vz = $this->z[$c] - $this->z[$a];
        $nx = $uy * $vz - $uz * $vy;
        $ny = $uz * $vx - $ux * $vz;
        $nz = $ux * $vy - $uy * $vx;
        $l = sqrt($nx * $nx + $ny * $ny + $nz * $nz) ?: 1.0;

        return $this->facet($nx / $l, $ny / $l, $nz / $l, ($nx * $this->x[$a] + $ny * $this->y[$a] + $nz * $this->z[$a]) / $l, $surface);
    }

    public function facet(float $nx, float $ny, float $nz, float $offset, int $surface): int
    {
        $this->nx[] = $nx + 0.0;
        $this->ny[] = $ny + 0.0;
        $this->nz[] = $nz + 0.0;
        $this->offset[] = $offset;
        $this->surfaceOf[] = $surface;

        return count($this->nx) - 1;
    }

    /** Height of a vertex above a facet's plane, mm. */
    public function height(int $facet, int $v): float
    {
        return $this->nx[$facet] * $this->x[$v] +
            $this->ny[$facet] * $this->y[$v] +
            $this->nz[$facet] * $this->z[$v] -
            $this->offset[$facet];
    }

    public function distance2(int $a, int $b): float
    {
        return ($this->x[$a] - $this->x[$b]) ** 2 + ($this->y[$a] - $this->y[$b]) ** 2 + ($this->z[$a] - $this->z[$b]) ** 2;
    }

    public function triangle(int $a, int $b, int $c, int $facet): void
    {
        $this->start[] = $a;
        $this->start[] = $b;
        $this->start[] = $c;
        $this->facet[] = $facet;
    }

    /** @throws InvalidArgumentException when the mesh is not closed */
    public function build(): Solid
    {
        $solid = $this->buildOpen();
        if (in_array(-1, $solid->twin, true)) {
            throw new InvalidArgumentException('The triangles do not form a closed solid.');
        }

        return $solid;
    }

    /**
     * Links twins by vertex numbers. Where several faces meet in one edge, those with material between them belong
     * together; -1 where the triangles leave a gap or run alike.
     */
    public function buildOpen(): Solid
    {
        $s = $this->start;
        $n = count($s);
        $nv = count($this->x);
        $twin = array_fill(0, $n, -1);
        // half-edges by their lower vertex, in lists: a table of all edges would take three times the room
        $head = array_fill(0, max(1, $nv), -1);
        $link = $twin;
        $many = [];
        for ($h = 0; $h < $n; $h++) {
            $a = $s[$h];
            $b = $s[$h % 3 === 2 ? $h - 2 : $h + 1];
            $low = $a < $b ? $a : $b;
            $high = $a < $b ? $b : $a;
            // the first half-edge the same way and the first the other way round
            $same = $back = -1;
            for ($o = $head[$low]; $o >= 0; $o = $link[$o]) {
                if ($s[$o] === $a && $s[$o % 3 === 2 ? $o - 2 : $o + 1] === $b) {
                    $same = $o;
                } elseif ($s[$o] === $b && $s[$o % 3 === 2 ? $o - 2 : $o + 1] === $a) {
                    $back = $o;
                }
            }
            if ($same >= 0 || ($back >= 0 && $twin[$back] >= 0)) {
                $many[$low * $nv + $high] = true;
            } elseif ($back >= 0) {
                $twin[$h] = $back;
                $twin[$back] = $h;
            }
            if ($same < 0) {
                $link[$h] = $head[$low];
                $head[$low] = $h;
            }
        }
        unset($head, $link);
        if ($many !== []) {
            $this->pairByMaterial($many, $twin);
        }

        return new Solid(
            $this->x,
            $this->y,
            $this->z,
            $s,
            $twin,
            $this->facet,
            $this->nx,
            $this->ny,
            $this->nz,
            $this->offset,
            $this->surfaceOf,
            $this->surfaces,
        );
    }

    /**
     * @param array<int, true> $edges by lower vertex * count + higher vertex
     * @param array<int, int> $twin
     */
    private function pairByMaterial(array $edges, array &$twin): void
    {
        $nv = count($this->x);
        $at = [];
        foreach ($this->start as $h => $a) {
            $b = $this->start[$h % 3 === 2 ? $h - 2 : $h + 1];
            $key = $a < $b ? $a * $nv + $b : $b * $nv + $a;
            if (isset($edges[$key])) {
                $at[$key][] = $h;
            }
        }
        foreach ($at as $key => $list) {
            $a = intdiv($key, $nv);
            $b = $key % $nv;
            $faces = array_map(function (int $h) use ($a): array {
                $f = $this->facet[intdiv($h, 3)];

                return [$h, $this->start[$h] === $a, [$this->nx[$f], $this->ny[$f], $this->nz[$f]]];
            }, $list);
            foreach ($list as $h) {
                $twin[$h] = -1;
            }
            foreach (
                MaterialPairing::pairs([$this->x[$a], $this->y[$a], $this->z[$a]], [$this->x[$b], $this->y[$b], $this->z[$b]], $faces) ?? []
                as [$g, $h]
            ) {
                $twin[$g] = $h;
                $twin[$h] = $g;
            }
        }
    }
}
