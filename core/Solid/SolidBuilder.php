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

    /** @var array<int, array{float,float,float,float,int}> normal, offset, surface */
    private array $facets = [];

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
        $this->facets[] = [$nx + 0.0, $ny + 0.0, $nz + 0.0, $offset, $surface];

        return count($this->facets) - 1;
    }

    /** Height of a vertex above a facet's plane, mm. */
    public function height(int $facet, int $v): float
    {
        [$nx, $ny, $nz, $d] = $this->facets[$facet];

        return $nx * $this->x[$v] + $ny * $this->y[$v] + $nz * $this->z[$v] - $d;
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

    /** Links twins by vertex numbers; -1 where the triangles leave a gap or use an edge twice. */
    public function buildOpen(): Solid
    {
        $s = $this->start;
        $n = count($s);
        $nv = count($this->x);
        $twin = array_fill(0, $n, -1);
        $waiting = [];
        for ($h = 0; $h < $n; $h++) {
            $a = $s[$h];
            $b = $s[$h % 3 === 2 ? $h - 2 : $h + 1];
            $back = $b * $nv + $a;
            if (isset($waiting[$back])) {
                $o = $waiting[$back];
                $twin[$h] = $o;
                $twin[$o] = $h;
                unset($waiting[$back]);
            } else {
                $key = $a * $nv + $b;
                $waiting[$key] ??= $h;
            }
        }

        return new Solid(
            $this->x, $this->y, $this->z, $s, $twin, $this->facet,
            array_column($this->facets, 0), array_column($this->facets, 1), array_column($this->facets, 2),
            array_column($this->facets, 3), array_column($this->facets, 4), $this->surfaces,
        );
    }
}
