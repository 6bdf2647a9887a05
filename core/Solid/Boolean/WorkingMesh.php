<?php

declare(strict_types=1);

namespace Cubo\Solid\Boolean;

use Cubo\Solid\Solid;

/**
 * The result of a boolean while it is being tidied: packed half-edges as in Solid, facets and surfaces still those of
 * the operand pair, and the few changes of topology that the stages of the clean-up are made of. A triangle whose
 * facet is -1 is gone.
 */
final class WorkingMesh
{
    /** @var array<int, float> */
    public array $x;

    /** @var array<int, float> */
    public array $y;

    /** @var array<int, float> */
    public array $z;

    /** @var array<int, int> */
    public array $start;

    /** @var array<int, int> */
    public array $twin;

    /** @var array<int, int> facet by triangle, -1 when removed */
    public array $facet;

    /** @var array<int, int> a half-edge leaving each vertex that may be simplified */
    public array $leaving = [];

    /**
     * @param int $whole count of triangles at the beginning that are not new
     * @param float $eps distances below this count as none, mm
     */
    public function __construct(Solid $mesh, public readonly OperandPair $pair, public readonly int $whole, public readonly float $eps)
    {
        $this->x = $mesh->x;
        $this->y = $mesh->y;
        $this->z = $mesh->z;
        $this->start = $mesh->start;
        $this->twin = $mesh->twin;
        $this->facet = $mesh->facet;
    }

    public function join(int $a, int $b): void
    {
        $this->twin[$a] = $b;
        $this->twin[$b] = $a;
    }

    /** Twice the area of triangle abc seen along the normal of a facet. */
    public function area(int $a, int $b, int $c, int $f): float
    {
        $ax = $this->x[$b] - $this->x[$a];
        $ay = $this->y[$b] - $this->y[$a];
        $az = $this->z[$b] - $this->z[$a];
        $bx = $this->x[$c] - $this->x[$a];
        $by = $this->y[$c] - $this->y[$a];
        $bz = $this->z[$c] - $this->z[$a];

        return $this->pair->fx[$f] * ($ay * $bz - $az * $by) +
            $this->pair->fy[$f] * ($az * $bx - $ax * $bz) +
            $this->pair->fz[$f] * ($ax * $by - $ay * $bx);
    }

    public function distance2(int $a, int $b): float
    {
        return ($this->x[$a] - $this->x[$b]) ** 2 + ($this->y[$a] - $this->y[$b]) ** 2 + ($this->z[$a] - $this->z[$b]) ** 2;
    }

    /** Whether the vertex at the start of half-edge h already has an edge to d. */
    public function connected(int $h, int $d): bool
    {
        $s = $h;
        $k = 0;
        do {
            if ($this->start[$s % 3 === 2 ? $s - 2 : $s + 1] === $d) {
                return true;
            }
            $s = $this->twin[$s % 3 === 0 ? $s + 2 : $s - 1];
        } while ($s !== $h && ++$k <= 2000);

        return false;
    }

    /** Replaces edge h/g by the other diagonal; both triangles get facet f. */
    public function turn(int $h, int $g, int $f): void
    {
        $hn = $h % 3 === 2 ? $h - 2 : $h + 1;
        $hp = $h % 3 === 0 ? $h + 2 : $h - 1;
        $gn = $g % 3 === 2 ? $g - 2 : $g + 1;
        $gp = $g % 3 === 0 ? $g + 2 : $g - 1;
        $a = $this->start[$h];
        $b = $this->start[$g];
        $c = $this->start[$hp];
        $d = $this->start[$gp];
        $this->facet[intdiv($h, 3)] = $f;
        $this->facet[intdiv($g, 3)] = $f;
        $x = $this->twin[$gp];
        $y = $this->twin[$hp];
        $this->start[$h] = $d;
        $this->start[$g] = $c;
        $this->join($h, $x);
        $this->join($g, $y);
        $this->join($hp, $gp);
        $this->leaving[$a] = $gn;
        $this->leaving[$b] = $hn;
        $this->leaving[$c] = $hp;
        $this->leaving[$d] = $gp;
    }

    /** Removes a triangle whose side h has no length; its two other sides' neighbours meet. */
    public function dropNarrow(int $h): void
    {
        $hn = $h % 3 === 2 ? $h - 2 : $h + 1;
        $hp = $h % 3 === 0 ? $h + 2 : $h - 1;
        $this->facet[intdiv($h, 3)] = -1;
        if ($this->twin[$hn] !== $hp) {
            $this->join($this->twin[$hn], $this->twin[$hp]);
        }
    }

    /** Removes two triangles back to back that share side h and all three corners; their outer neighbours meet. */
    public function dropFlap(int $h, int $g): void
    {
        $hn = $h % 3 === 2 ? $h - 2 : $h + 1;
        $hp = $h % 3 === 0 ? $h + 2 : $h - 1;
        $gn = $g % 3 === 2 ? $g - 2 : $g + 1;
        $gp = $g % 3 === 0 ? $g + 2 : $g - 1;
        [$a, $b, $c, $d] = [$this->twin[$hn], $this->twin[$gp], $this->twin[$hp], $this->twin[$gn]];
        if ($a !== $gp) {
            $this->join($a, $b);
        }
        if ($c !== $gn) {
            $this->join($c, $d);
        }
        $this->facet[intdiv($h, 3)] = $this->facet[intdiv($g, 3)] = -1;
    }
}
