<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;

/**
 * Whether points lie in a solid, for many of them: by how often a ray leaves it. The ray leans so oddly that it meets no edge of
 * a part as people make it.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Inside
{
    /** direction of the ray */
    private const WAY = [0.5283, 0.6127, 0.5877];

    /** Triangles looked at for one unit. */
    private const A_UNIT = 8;

    /** Cells each way across the ray. */
    private const CELLS = 32;

    /** @var list<float> across the ray, by vertex */
    private array $u = [];

    /** @var list<float> */
    private array $v = [];

    /** @var list<float> along the ray */
    private array $w = [];

    /** @var V */
    private array $e1;

    /** @var V */
    private array $e2;

    /** @var V */
    private array $way;

    /** @var array<int, list<int>> triangles by cell */
    private array $cells = [];

    private float $u0;

    private float $v0;

    private float $width;

    public function __construct(private readonly Solid $solid)
    {
        $this->way = Vector::unit(self::WAY);
        $this->e1 = Vector::across($this->way);
        $this->e2 = Vector::cross($this->way, $this->e1);
        foreach ($solid->x as $i => $x) {
            $p = [$x, $solid->y[$i], $solid->z[$i]];
            $this->u[] = Vector::dot($p, $this->e1);
            $this->v[] = Vector::dot($p, $this->e2);
            $this->w[] = Vector::dot($p, $this->way);
        }
        [$this->u0, $this->v0] = [min($this->u ?: [0.0]), min($this->v ?: [0.0])];
        $this->width = max(1e-9, max($this->u ?: [0.0]) - $this->u0, max($this->v ?: [0.0]) - $this->v0) / self::CELLS;
        for ($h = 0, $n = count($solid->start); $h < $n; $h += 3) {
            [$a, $b, $c] = [$solid->start[$h], $solid->start[$h + 1], $solid->start[$h + 2]];
            [$i0, $i1] = [
                $this->cell(min($this->u[$a], $this->u[$b], $this->u[$c]) - $this->u0),
                $this->cell(max($this->u[$a], $this->u[$b], $this->u[$c]) - $this->u0),
            ];
            [$j0, $j1] = [
                $this->cell(min($this->v[$a], $this->v[$b], $this->v[$c]) - $this->v0),
                $this->cell(max($this->v[$a], $this->v[$b], $this->v[$c]) - $this->v0),
            ];
            for ($i = $i0; $i <= $i1; $i++) {
                for ($j = $j0; $j <= $j1; $j++) {
                    $this->cells[$i * self::CELLS + $j][] = intdiv($h, 3);
                }
            }
        }
    }

    private function cell(float $way): int
    {
        return max(0, min(self::CELLS - 1, (int) floor($way / $this->width)));
    }

    /** @param V $p */
    public function has(array $p, Budget $budget): bool
    {
        [$u, $v, $w] = [Vector::dot($p, $this->e1), Vector::dot($p, $this->e2), Vector::dot($p, $this->way)];
        $there = $this->cells[$this->cell($u - $this->u0) * self::CELLS + $this->cell($v - $this->v0)] ?? [];
        $budget->spend(1 + intdiv(count($there), self::A_UNIT));
        $winding = 0;
        foreach ($there as $t) {
            [$a, $b, $c] = [$this->solid->start[3 * $t], $this->solid->start[3 * $t + 1], $this->solid->start[3 * $t + 2]];
            $x = ($this->u[$b] - $u) * ($this->v[$c] - $v) - ($this->v[$b] - $v) * ($this->u[$c] - $u);
            $y = ($this->u[$c] - $u) * ($this->v[$a] - $v) - ($this->v[$c] - $v) * ($this->u[$a] - $u);
            $z = ($this->u[$a] - $u) * ($this->v[$b] - $v) - ($this->v[$a] - $v) * ($this->u[$b] - $u);
            $all = $x + $y + $z;
            if ($all == 0.0 || $x >= 0 !== $y >= 0 || $y >= 0 !== $z >= 0) {
                continue;
            }
            if (($x * $this->w[$a] + $y * $this->w[$b] + $z * $this->w[$c]) / $all > $w) {
                $winding += $all > 0 ? 1 : -1;
            }
        }

        return $winding > 0;
    }
}
