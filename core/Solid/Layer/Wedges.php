<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Geometry\Vector;
use Cubo\Solid\SelfCrossing;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * What layers leave open between them at an edge that points towards them: a wedge along the edge as far as the moved
 * faces meet, so that the corner stays sharp. Also where a face that stays leans over the end of a layer. A station is a
 * vertex and the corners of the wedge there: on the edge, on one moved face, where both meet, on the other.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Station array{int, list<V>}
 */
final class Wedges
{
    /** of the thickness: a very sharp wedge ends here */
    private const FARTHEST = 12.0;

    private const ASLANT = 1e-6;

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
        foreach ($this->edges() as $key => $next) {
            [$f, $g] = array_map(intval(...), explode(',', $key));
            foreach (self::chains($next) as [$vertices, $closed]) {
                $stations = array_map(fn(int $v): array => [$v, $this->corners($f, $g, $v)], $vertices);
                array_push($out, ...$this->strips($stations, $closed, $f, $g));
            }
        }

        return $out;
    }

    /**
     * The edges that need a wedge, by the two faces that meet there.
     *
     * @return array<string, array<int, list<int>>> by "face,face": ends of the stretches by where they begin
     */
    private function edges(): array
    {
        $skin = $this->skin;
        $out = [];
        foreach ($skin->solid->start as $h => $v) {
            $f = $skin->faceOf[intdiv($h, 3)];
            $g = $skin->beyond($h);
            if ($f < $g && !$this->inset->runOn($f, $g) && $this->isNeeded($f, $g, $v, $skin->end($h))) {
                $out["$f,$g"][$v][] = $skin->end($h);
            }
        }

        return $out;
    }

    private function isNeeded(int $f, int $g, int $v, int $w): bool
    {
        $stay = ($this->skin->faces[$f]->by == 0.0 ? 1 : 0) + ($this->skin->faces[$g]->by == 0.0 ? 1 : 0);
        if ($stay === 2) {
            return false;
        }
        [$p, $q] = [$this->skin->point($v), $this->skin->point($w)];
        $e = Vector::unit(Vector::sub($q, $p));
        $bend = $dot = 0.0;
        foreach ([$p, $q] as $at) {
            [$m, $n] = [$this->inset->normal($f, $at), $this->inset->normal($g, $at)];
            $bend += Vector::dot(Vector::cross($m, $n), $e) / 2;
            $dot += Vector::dot($m, $n) / 2;
        }

        return $stay === 0 ? $bend * $this->side > Inset::SMOOTH : $bend > Inset::SMOOTH && $dot * $this->side < -self::ASLANT;
    }

    /** @return list<V> */
    private function corners(int $f, int $g, int $v): array
    {
        $p = $this->skin->point($v);
        [$m, $n] = [$this->inset->image($f, $v), $this->inset->image($g, $v)];
        $q = $this->inset->meet($p, [[$f, $m], [$g, $n]]);
        $far = self::FARTHEST * max(abs($this->skin->faces[$f]->by), abs($this->skin->faces[$g]->by));
        $l = Vector::distance($p, $q);

        return [$p, $m[0], $l > $far ? Vector::add($p, Vector::sub($q, $p), $far / $l) : $q, $n[0]];
    }

    /**
     * Stretches put together to lines as long as possible.
     *
     * @param array<int, list<int>> $next
     * @return list<array{list<int>, bool}> vertices, and whether the last one leads to the first
     */
    private static function chains(array $next): array
    {
        $into = [];
        foreach ($next as $ends) {
            foreach ($ends as $w) {
                $into[$w] = ($into[$w] ?? 0) + 1;
            }
        }
        $goesOn = static fn(int $v): bool => ($into[$v] ?? 0) === 1 && count($next[$v] ?? []) === 1;
        $out = $used = [];
        foreach ([false, true] as $rings) {
            foreach ($next as $v => $ends) {
                if (!$rings && $goesOn($v)) {
                    continue;
                }
                foreach ($ends as $w) {
                    if (isset($used["$v,$w"])) {
                        continue;
                    }
                    $used["$v,$w"] = true;
                    $chain = [$v, $w];
                    while ($goesOn($w) && !isset($used["$w,{$next[$w][0]}"])) {
                        $used["$w,{$next[$w][0]}"] = true;
                        $chain[] = $w = $next[$w][0];
                    }
                    $closed = $rings && $w === $v;
                    $out[] = [$closed ? array_slice($chain, 0, -1) : $chain, $closed];
                }
            }
        }

        return $out;
    }

    /**
     * The wedge along a line; in pieces where it would pass through itself, without those that are turned over.
     *
     * @param list<Station> $stations
     * @return list<Solid>
     */
    private function strips(array $stations, bool $closed, int $f, int $g): array
    {
        $whole = $this->strip($stations, $closed, $f, $g);
        if ($whole === null || !SelfCrossing::found($whole)) {
            return $whole === null ? [] : [$whole];
        }
        $n = count($stations);
        if ($closed) {
            $stations[] = $stations[0];
            $n++;
        } elseif ($n === 2) {
            return [];
        }
        $half = intdiv($n, 2);

        return [
            ...$this->strips(array_slice($stations, 0, $half + 1), false, $f, $g),
            ...$this->strips(array_slice($stations, $half), false, $f, $g),
        ];
    }

    /** @param list<Station> $stations */
    private function strip(array $stations, bool $closed, int $f, int $g): ?Solid
    {
        $triangles = [];
        $n = count($stations);
        for ($i = 0; $i < ($closed ? $n : $n - 1); $i++) {
            [$v, $p] = $stations[$i];
            [$w, $q] = $stations[($i + 1) % $n];
            for ($k = 0; $k < 4; $k++) {
                $l = ($k + 1) % 4;
                foreach (Layers::quad($p[$k], $p[$l], $q[$l], $q[$k], $this->diagonal($k, $v < $w)) as $t) {
                    $triangles[] = [...$t, $k];
                }
            }
        }
        if (!$closed) {
            // cut from the edge to where the faces meet, as corners are
            [$a, $b, $c, $d] = $stations[0][1];
            array_push($triangles, [$a, $d, $c, 4], [$a, $c, $b, 4]);
            [$a, $b, $c, $d] = $stations[$n - 1][1];
            array_push($triangles, [$a, $b, $c, 4], [$a, $c, $d, 4]);
        }

        return $this->solid($triangles, $f, $g);
    }

    /** The sides beside the layers use the diagonals of the layers: from the edge at the lower vertex to the moved face at the higher one. */
    private function diagonal(int $side, bool $up): bool
    {
        // side 0 begins at the edge, side 3 ends there
        return $side === 0 ? !$up : $up;
    }

    /** @param list<array{V, V, V, int}> $triangles with the side they belong to */
    private function solid(array $triangles, int $f, int $g): ?Solid
    {
        $gathering = new Gathering();
        $faces = [$this->skin->faces[$f], $this->skin->faces[$g]];
        $names = array_map(fn(Face $x): string => ($this->named)($x->surface->name), $faces);
        $end = $gathering->surface(Surface::plane($names[0]));
        $moved = [];
        foreach ([$f, $g] as $k => $face) {
            $u = $faces[$k]->surface;
            $fallen = in_array($u->kind, [SurfaceKind::Cylinder, SurfaceKind::Sphere], true)
                ? $u->radius + $faces[$k]->sign * $faces[$k]->by <= 1e-9
                : $u->kind === SurfaceKind::Torus && $u->tube + $faces[$k]->sign * $faces[$k]->by <= 1e-9;
            $moved[] = $gathering->surface($fallen ? Surface::plane($names[$k]) : $this->inset->surface($face, $names[$k]));
        }

        return $gathering->turnedOut(
            array_map(static fn(array $t): array => [$t[0], $t[1], $t[2], [1 => $moved[0], 2 => $moved[1]][$t[3]] ?? $end], $triangles),
        );
    }
}
