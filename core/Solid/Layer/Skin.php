<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceEquation;

/** The faces of a solid, each of triangles that hang together, with what lies around every vertex. */
final class Skin
{
    private const SAME_PLANE = 1e-12;

    /** @var list<Face> */
    public readonly array $faces;

    /** @var array<int, int> face by triangle */
    public readonly array $faceOf;

    /** @var array<int, list<int>> faces by vertex */
    public readonly array $at;

    /** @param Closure(string): float $by mm that a face of that name is moved along its outward normal */
    public function __construct(public readonly Solid $solid, Closure $by)
    {
        $s = $solid;
        $like = self::alike($s);
        $faces = $of = $at = [];
        foreach ($s->facet as $first => $f) {
            if (isset($of[$first])) {
                continue;
            }
            $id = count($faces);
            $of[$first] = $id;
            $list = [$first];
            $flat = $s->surfaces[$s->surfaceOf[$f]]->isFlat();
            for ($k = 0; $k < count($list); $k++) {
                for ($h = 3 * $list[$k], $end = $h + 3; $h < $end; $h++) {
                    $t = intdiv($s->twin[$h], 3);
                    if (isset($of[$t])) {
                        continue;
                    }
                    $g = $s->facet[$t];
                    if (
                        $like[$s->surfaceOf[$g]] === $like[$s->surfaceOf[$f]] &&
                        (!$flat || $s->nx[$f] * $s->nx[$g] + $s->ny[$f] * $s->ny[$g] + $s->nz[$f] * $s->nz[$g] > 1 - self::SAME_PLANE)
                    ) {
                        $of[$t] = $id;
                        $list[] = $t;
                    }
                }
            }
            $faces[] = $this->face($list, $by);
        }
        foreach ($s->start as $h => $v) {
            $f = $of[intdiv($h, 3)];
            if (!in_array($f, $at[$v] ?? [], true)) {
                $at[$v][] = $f;
            }
        }
        $this->faces = $faces;
        $this->faceOf = $of;
        $this->at = $at;
    }

    /** @return array{float,float,float} */
    public function point(int $v): array
    {
        return [$this->solid->x[$v], $this->solid->y[$v], $this->solid->z[$v]];
    }

    /** The face on the other side of a half-edge. */
    public function beyond(int $h): int
    {
        return $this->faceOf[intdiv($this->solid->twin[$h], 3)];
    }

    /** The vertex to which a half-edge runs. */
    public function end(int $h): int
    {
        return $this->solid->start[$this->solid->twin[$h]];
    }

    /**
     * Surfaces of one name and one shape are one.
     *
     * @return list<int> by surface
     */
    private static function alike(Solid $s): array
    {
        $seen = $out = [];
        foreach ($s->surfaces as $i => $u) {
            $out[] = $seen[$u->name . '|' . $u->geometryKey()] ??= $i;
        }

        return $out;
    }

    /**
     * @param list<int> $triangles
     * @param Closure(string): float $by
     */
    private function face(array $triangles, Closure $by): Face
    {
        $s = $this->solid;
        $t = $triangles[0];
        $f = $s->facet[$t];
        $surface = $s->surfaces[$s->surfaceOf[$f]];
        $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
        $sign = 1.0;
        if (!$surface->isFlat()) {
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $g = SurfaceEquation::outward(
                $surface,
                [($s->x[$a] + $s->x[$b] + $s->x[$c]) / 3, ($s->y[$a] + $s->y[$b] + $s->y[$c]) / 3, ($s->z[$a] + $s->z[$b] + $s->z[$c]) / 3],
                [0.0, 0.0, 0.0],
            );
            $sign = $g[0] * $n[0] + $g[1] * $n[1] + $g[2] * $n[2] < 0 ? -1.0 : 1.0;
        }

        return new Face($surface, $triangles, $sign, $by($surface->name), $n, $s->offset[$f]);
    }
}
