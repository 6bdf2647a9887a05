<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\Transform;
use InvalidArgumentException;

/**
 * A closed triangle mesh whose every triangle knows its facet (one plane) and through it its true surface.
 *
 * Packed arrays, no object per vertex. Half-edge h = 3t + k belongs to triangle t, starts at vertex start[h]
 * and runs to start[next(h)]; twin[h] is the same edge in the neighbouring triangle. Triangles turn
 * counter-clockwise seen from outside. Facet f has the unit outward normal (nx, ny, nz)[f], the plane
 * n.p = offset[f] and lies on surfaces[surfaceOf[f]]. Millimetres throughout. Treat instances as values.
 */
final class Solid
{
    /** @var array{float,float,float,float,float,float}|null */
    private ?array $box = null;

    private ?float $volume = null;

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @param array<int, int> $start
     * @param array<int, int> $twin
     * @param array<int, int> $facet
     * @param array<int, float> $nx
     * @param array<int, float> $ny
     * @param array<int, float> $nz
     * @param array<int, float> $offset
     * @param array<int, int> $surfaceOf
     * @param array<int, Surface> $surfaces
     */
    public function __construct(
        public array $x = [],
        public array $y = [],
        public array $z = [],
        public array $start = [],
        public array $twin = [],
        public array $facet = [],
        public array $nx = [],
        public array $ny = [],
        public array $nz = [],
        public array $offset = [],
        public array $surfaceOf = [],
        public array $surfaces = [],
    ) {}

    public function isEmpty(): bool
    {
        return $this->facet === [];
    }

    public function triangleCount(): int
    {
        return count($this->facet);
    }

    /** @return array{float,float,float} where a vertex lies */
    public function vertex(int $v): array
    {
        return [$this->x[$v], $this->y[$v], $this->z[$v]];
    }

    public function surfaceOfTriangle(int $t): Surface
    {
        return $this->surfaces[$this->surfaceOf[$this->facet[$t]]];
    }

    /** @return array{float,float,float,float,float,float} least and greatest x, y, z of the vertices; [1,1,1,-1,-1,-1] when empty */
    public function vertexBox(): array
    {
        if ($this->box !== null) {
            return $this->box;
        }

        return $this->box =
            $this->x === [] || $this->y === [] || $this->z === []
                ? [1.0, 1.0, 1.0, -1.0, -1.0, -1.0]
                : [min($this->x), min($this->y), min($this->z), max($this->x), max($this->y), max($this->z)];
    }

    /** Signed volume enclosed by the flat triangles, mm3. */
    public function facettedVolume(): float
    {
        if ($this->volume !== null) {
            return $this->volume;
        }
        $x = $this->x;
        $y = $this->y;
        $z = $this->z;
        $s = $this->start;
        $six = 0.0;
        for ($h = 0, $n = count($s); $h < $n; $h += 3) {
            $a = $s[$h];
            $b = $s[$h + 1];
            $c = $s[$h + 2];
            $six +=
                $x[$a] * ($y[$b] * $z[$c] - $z[$b] * $y[$c]) +
                $y[$a] * ($z[$b] * $x[$c] - $x[$b] * $z[$c]) +
                $z[$a] * ($x[$b] * $y[$c] - $y[$b] * $x[$c]);
        }

        return $this->volume = $six / 6;
    }

    public function moved(Transform $t): self
    {
        [$tx, $ty, $tz] = $t->t;
        $m = clone $this;
        $m->box = $m->volume = null;
        [$a, $b, $c, $d, $e, $f, $g, $h, $i] = $t->r;
        $px = $py = $pz = $nx = $ny = $nz = $offset = [];
        foreach ($this->x as $v => $x) {
            $y = $this->y[$v];
            $z = $this->z[$v];
            $px[] = $a * $x + $b * $y + $c * $z + $tx;
            $py[] = $d * $x + $e * $y + $f * $z + $ty;
            $pz[] = $g * $x + $h * $y + $i * $z + $tz;
        }
        foreach ($this->nx as $v => $x) {
            $y = $this->ny[$v];
            $z = $this->nz[$v];
            $nx[] = $u = $a * $x + $b * $y + $c * $z;
            $ny[] = $w = $d * $x + $e * $y + $f * $z;
            $nz[] = $k = $g * $x + $h * $y + $i * $z;
            $offset[] = $this->offset[$v] + $u * $tx + $w * $ty + $k * $tz;
        }
        [$m->x, $m->y, $m->z, $m->nx, $m->ny, $m->nz, $m->offset] = [$px, $py, $pz, $nx, $ny, $nz, $offset];
        foreach ($this->surfaces as $i => $s) {
            $m->surfaces[$i] = $s->moved($t);
        }

        return $t->mirrors() ? $m->turnedInsideOut() : $m;
    }

    /** Restores counter-clockwise triangles after a mirror image; facet normals are already right. */
    private function turnedInsideOut(): self
    {
        $m = clone $this;
        // triangle (a, b, c) becomes (a, c, b): edge 0 takes the place of edge 2, edge 1 stays, edge 2 of 0
        foreach ($this->facet as $t => $_) {
            $h = 3 * $t;
            $m->start[$h + 1] = $this->start[$h + 2];
            $m->start[$h + 2] = $this->start[$h + 1];
            for ($k = 0; $k < 3; $k++) {
                $o = $this->twin[$h + $k];
                $m->twin[$h + 2 - $k] = $o - ($o % 3) + 2 - ($o % 3);
            }
        }

        return $m;
    }

    /**
     * Stretched along the axes about a point.
     *
     * @param array{float,float,float} $about
     *
     * @throws InvalidArgumentException unless all factors are above zero
     */
    public function scaled(float $kx, float $ky, float $kz, array $about = [0.0, 0.0, 0.0]): self
    {
        foreach ([$kx, $ky, $kz] as $k) {
            if (!is_finite($k) || $k <= 0) {
                throw new InvalidArgumentException('A factor is not a number above zero.');
            }
        }
        if ($about !== [0.0, 0.0, 0.0]) {
            return $this->moved(Transform::translation([-$about[0], -$about[1], -$about[2]]))
                ->scaled($kx, $ky, $kz)
                ->moved(Transform::translation($about));
        }
        $m = clone $this;
        $m->box = $m->volume = null;
        foreach ($this->x as $i => $x) {
            $m->x[$i] = $kx * $x;
            $m->y[$i] = $ky * $this->y[$i];
            $m->z[$i] = $kz * $this->z[$i];
        }
        foreach ($this->nx as $f => $nx) {
            $n = [$nx / $kx, $this->ny[$f] / $ky, $this->nz[$f] / $kz];
            $l = sqrt($n[0] * $n[0] + $n[1] * $n[1] + $n[2] * $n[2]);
            [$m->nx[$f], $m->ny[$f], $m->nz[$f]] = [$n[0] / $l, $n[1] / $l, $n[2] / $l];
            $m->offset[$f] = $this->offset[$f] / $l;
        }
        foreach ($this->surfaces as $i => $s) {
            $m->surfaces[$i] = $s->scaled($kx, $ky, $kz) ?? Surface::free($s->name, StretchedSurface::by($s, $kx, $ky, $kz));
        }

        return $m;
    }

    /** @param callable(string): string $rename maps face names */
    public function renamed(callable $rename): self
    {
        $m = clone $this;
        foreach ($this->surfaces as $i => $s) {
            $m->surfaces[$i] = $s->renamed($rename($s->name));
        }

        return $m;
    }

    /** Both solids side by side, for parts known not to meet. */
    public function beside(self $o): self
    {
        return self::sideBySide([$this, $o]);
    }

    /**
     * All of them side by side, for solids known not to meet.
     *
     * @param list<self> $solids
     */
    public static function sideBySide(array $solids): self
    {
        if (count($solids) === 1) {
            return $solids[0];
        }
        $m = new self();
        foreach ($solids as $o) {
            [$nv, $nh, $nf, $ns] = [count($m->x), count($m->start), count($m->nx), count($m->surfaces)];
            array_push($m->x, ...$o->x);
            array_push($m->y, ...$o->y);
            array_push($m->z, ...$o->z);
            foreach ($o->start as $h => $v) {
                $m->start[] = $v + $nv;
                $m->twin[] = $o->twin[$h] + $nh;
            }
            foreach ($o->facet as $f) {
                $m->facet[] = $f + $nf;
            }
            foreach ($o->nx as $f => $n) {
                $m->nx[] = $n;
                $m->ny[] = $o->ny[$f];
                $m->nz[] = $o->nz[$f];
                $m->offset[] = $o->offset[$f];
                $m->surfaceOf[] = $o->surfaceOf[$f] + $ns;
            }
            array_push($m->surfaces, ...$o->surfaces);
        }

        return $m;
    }
}
