<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Cubo\Solid\Solid;

/**
 * Faces and edges of a solid, read from its mesh: a face is all triangles of one surface name, an edge a chain between
 * the same two faces. Edges end where more than two faces meet, and where several flats of one name do.
 */
final class Topology
{
    /** Cosine of the angle between facets of one flat. */
    private const ONE_PLANE = 1 - 1e-9;

    /** @var array<string, Edge> by name */
    public readonly array $edges;

    /** @var array<int, list<Edge>> edges that end at a vertex */
    public readonly array $endingAt;

    /** @var list<int> face by surface: the first surface of the same name */
    private array $faceOf = [];

    /** @var list<int> face by triangle */
    private array $faceOfTriangle = [];

    private static ?self $last = null;

    /** The topology of a solid. The last one asked for is remembered: one part is looked at in many ways in turn. */
    public static function of(Solid $solid): self
    {
        return self::$last !== null && self::$last->solid === $solid ? self::$last : (self::$last = new self($solid));
    }

    private function __construct(public readonly Solid $solid)
    {
        $first = [];
        foreach ($solid->surfaces as $i => $s) {
            $this->faceOf[] = $first[$s->name] ??= $i;
        }
        foreach ($solid->facet as $f) {
            $this->faceOfTriangle[] = $this->faceOf[$solid->surfaceOf[$f]];
        }
        $face = $this->faceOfTriangle;
        $many = count($solid->surfaces);
        $crease = $degree = [];
        $t = $k = 0;
        foreach ($solid->twin as $h => $o) {
            $a = $face[$t];
            $b = $face[intdiv($o, 3)];
            if (++$k === 3) {
                $k = 0;
                $t++;
            }
            if ($a !== $b) {
                $crease[$h] = [$a, $b];
                $pair = $a < $b ? $a * $many + $b : $b * $many + $a;
                $v = $solid->start[$h];
                $degree[$v][$pair] = ($degree[$v][$pair] ?? 0) + 1;
            }
        }
        // a chain goes on through a vertex where only its own two faces meet, once each
        $through = array_map(static fn(array $pairs): bool => array_values($pairs) === [2], $degree);
        $next = [];
        foreach ($crease as $h => [$a, $b]) {
            $next[$solid->start[$h]][$a * $many + $b] = $h;
        }
        // several flats may bear one name (a side drawn as one curve): an edge ends where the plane beside it changes
        foreach ($crease as $h => [$a, $b]) {
            $o = $solid->twin[$h];
            $g = $through[$solid->start[$o]] ? $next[$solid->start[$o]][$a * $many + $b] : $h;
            if (
                $g !== $h &&
                (!$this->runOn($solid->facet[intdiv($h, 3)], $solid->facet[intdiv($g, 3)]) ||
                    !$this->runOn($solid->facet[intdiv($o, 3)], $solid->facet[intdiv($solid->twin[$g], 3)]))
            ) {
                $through[$solid->start[$o]] = false;
            }
        }
        $chains = $used = [];
        foreach ([false, true] as $rings) {
            foreach ($crease as $h => [$a, $b]) {
                if (isset($used[$h]) || $a > $b || (!$rings && $through[$solid->start[$h]])) {
                    continue;
                }
                $halfEdges = [];
                $g = $h;
                do {
                    $used[$g] = true;
                    $halfEdges[] = $g;
                    $end = $solid->start[$solid->twin[$g]];
                    $g = $through[$end] ? $next[$end][$a * $many + $b] : -1;
                } while ($g >= 0 && !isset($used[$g]));
                $vertices = array_map(static fn(int $e): int => $solid->start[$e], $halfEdges);
                if (!$rings) {
                    $vertices[] = $end;
                }
                $chains[] = [$this->place($vertices), $a, $b, $vertices, $halfEdges, $rings];
            }
        }
        $edges = $ending = [];
        // pieces between the same faces are numbered by their place, whatever the order of the triangles
        usort($chains, static fn(array $p, array $q): int => $p[0] <=> $q[0]);
        foreach ($chains as [, $a, $b, $vertices, $halfEdges, $closed]) {
            $names = [$solid->surfaces[$a]->name, $solid->surfaces[$b]->name];
            sort($names, SORT_STRING);
            $name = $base = implode(' / ', $names);
            for ($k = 2; isset($edges[$name]); $k++) {
                $name = "$base $k";
            }
            $edge = $edges[$name] = new Edge($name, $a, $b, $vertices, $halfEdges, $closed);
            if (!$closed) {
                $ending[$vertices[0]][] = $edge;
                $ending[$vertices[count($vertices) - 1]][] = $edge;
            }
        }
        $this->edges = $edges;
        $this->endingAt = $ending;
    }

    /** Whether two facets of one face lie in one plane, or on one round surface. */
    private function runOn(int $f, int $g): bool
    {
        $s = $this->solid;
        if ($f === $g) {
            return true;
        }
        [$a, $b] = [$s->surfaceOf[$f], $s->surfaceOf[$g]];
        if ($a !== $b && $s->surfaces[$a]->geometryKey() !== $s->surfaces[$b]->geometryKey()) {
            return false;
        }

        return !$s->surfaces[$a]->isFlat() || $s->nx[$f] * $s->nx[$g] + $s->ny[$f] * $s->ny[$g] + $s->nz[$f] * $s->nz[$g] > self::ONE_PLANE;
    }

    public function face(int $triangle): int
    {
        return $this->faceOfTriangle[$triangle];
    }

    /** @return array<int, int> a facet of every face around a vertex, by face */
    public function facesAround(int $v): array
    {
        $s = $this->solid;
        $out = [];
        foreach (array_keys($s->start, $v, true) as $h) {
            $out[$this->face(intdiv($h, 3))] ??= $s->facet[intdiv($h, 3)];
        }

        return $out;
    }

    /** @return list<int> triangles of the face of that name */
    public function trianglesOf(string $face): array
    {
        $out = [];
        foreach ($this->solid->facet as $t => $f) {
            if ($this->solid->surfaces[$this->solid->surfaceOf[$f]]->name === $face) {
                $out[] = $t;
            }
        }

        return $out;
    }

    /**
     * @param list<int> $vertices
     * @return array{float,float,float}
     */
    private function place(array $vertices): array
    {
        $s = $this->solid;
        $best = [INF, INF, INF];
        foreach ($vertices as $v) {
            $best = min($best, [round($s->x[$v], 6), round($s->y[$v], 6), round($s->z[$v], 6)]);
        }

        return $best;
    }
}
