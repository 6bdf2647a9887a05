<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Closure;
use Cubo\Geometry\LeastStep;
use Cubo\Geometry\Vector;
use Cubo\Solid\Layer\Gathering;
use Cubo\Solid\Layer\Inset;
use Cubo\Solid\Layer\Layers;
use Cubo\Solid\Layer\Skin;
use Cubo\Solid\Refused;
use Cubo\Solid\SelfCrossing;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;
use InvalidArgumentException;

/**
 * The solid between faces as they are and the place they are to be moved to. The faces beside stay in their surfaces and
 * are led on; they carry their names, so that what is added or cut runs on in them.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Between
{
    private const STAYS = 1e-9;

    private const OFF_PLANE = 1e-7;

    /** mm that a corner may lie beside the facets of a round face: they are chords */
    private const OFF_ROUND = 0.05;

    /** degrees of a bent face that one stretch of wall may turn by */
    private const TURN = 4.0;

    /** @var array<int, list<V>> by vertex: from where it is to where it comes to lie */
    private array $ways = [];

    private readonly Skin $skin;

    /** @var array<int, list<int>> facets of faces that stay, by vertex */
    private array $staying = [];

    private int $rows = 1;

    /**
     * @param array<int, Place> $places by face; all others stay
     * @param (Closure(int): Surface)|null $sides what lies between a face and its place beside another face, when the sides
     *     are to be straight instead of leading the faces beside on
     */
    public function __construct(private readonly Inset $inset, private readonly array $places, private readonly ?Closure $sides = null)
    {
        $this->skin = $inset->skin;
        $s = $this->skin->solid;
        $moving = [];
        foreach ($s->start as $h => $v) {
            if (isset($places[$this->skin->faceOf[intdiv($h, 3)]])) {
                $moving[$v] = true;
            }
        }
        foreach ($s->start as $h => $v) {
            if (isset($moving[$v]) && !isset($places[$this->skin->faceOf[intdiv($h, 3)]])) {
                $this->staying[$v][] = $s->facet[intdiv($h, 3)];
            }
        }
        $this->findWays(array_keys($moving));
    }

    /**
     * What lies between the faces and their places.
     *
     * @param bool $outwards whether it is to be added to the solid, else cut from it
     * @param (Closure(int): bool)|null $only triangles to go by; where others of the same face begin nothing may move
     *
     * @throws Refused no-room
     */
    public function solid(bool $outwards, ?Closure $only = null): ?Solid
    {
        $s = $this->skin->solid;
        $g = new Gathering();
        $add = static fn(array $a, array $b, array $c, int $surface, string $facet = '') => $outwards
            ? $g->triangle([$a, false], [$c, false], [$b, false], $surface, $facet)
            : $g->triangle([$a, false], [$b, false], [$c, false], $surface, $facet);
        $walls = [];
        foreach ($this->places as $face => $place) {
            $own = $g->surface($this->skin->faces[$face]->surface);
            $moved = $g->surface($place->surface());
            foreach (
                $only === null ? $this->skin->faces[$face]->triangles : array_filter($this->skin->faces[$face]->triangles, $only)
                as $t
            ) {
                $key = (string) $s->facet[$t];
                $ways = [];
                for ($k = 0; $k < 3; $k++) {
                    $ways[] = $this->ways[$s->start[3 * $t + $k]];
                }
                $add($ways[0][0], $ways[1][0], $ways[2][0], $own, $key);
                $add($ways[2][$this->rows], $ways[1][$this->rows], $ways[0][$this->rows], $moved, $key);
                for ($k = 0; $k < 3; $k++) {
                    $h = 3 * $t + $k;
                    $beside = $this->skin->beyond($h);
                    if (isset($this->places[$beside])) {
                        continue;
                    }
                    $wall = $walls[$beside] ??= $g->surface(
                        $this->sides === null ? $this->skin->faces[$beside]->surface : ($this->sides)($beside),
                    );
                    [$a, $b] = [$ways[$k], $ways[($k + 1) % 3]];
                    for ($row = 0; $row < $this->rows; $row++) {
                        foreach (
                            Layers::quad($b[$row], $a[$row], $a[$row + 1], $b[$row + 1], $s->start[$h] < $this->skin->end($h))
                            as [$p, $q, $r]
                        ) {
                            $add($p, $q, $r, $wall, $row . ',' . $s->facet[intdiv($s->twin[$h], 3)]);
                        }
                    }
                }
            }
        }
        try {
            $solid = $g->solid();
        } catch (InvalidArgumentException) {
            throw new Refused('no-room', 'The faces beside it cannot be led on there.');
        }
        if ($solid !== null && ($solid->facettedVolume() < 0 || SelfCrossing::found($solid))) {
            throw new Refused('no-room', 'The faces beside it would run into each other.');
        }

        return $solid;
    }

    /** @param list<int> $vertices */
    private function findWays(array $vertices): void
    {
        $ends = [];
        $turn = 0.0;
        foreach ($vertices as $v) {
            $ends[$v] = $this->solved($v, 1.0);
            foreach ($this->skin->at[$v] as $f) {
                $u = $this->skin->faces[$f]->surface;
                if ($this->sides === null && !isset($this->places[$f]) && self::isBent($u->kind)) {
                    $bend = Vector::dot($this->inset->normal($f, $this->skin->point($v)), $this->inset->normal($f, $ends[$v]));
                    $turn = max($turn, rad2deg(acos(max(-1.0, min(1.0, $bend)))));
                }
            }
        }
        $this->rows = max(1, (int) ceil($turn / self::TURN));
        foreach ($vertices as $v) {
            $way = [$this->skin->point($v)];
            for ($k = 1; $k < $this->rows; $k++) {
                $way[] = $this->solved($v, $k / $this->rows);
            }
            $way[] = $ends[$v];
            $this->ways[$v] = $way;
        }
    }

    private static function isBent(SurfaceKind $kind): bool
    {
        return in_array($kind, [SurfaceKind::Sphere, SurfaceKind::Torus, SurfaceKind::Patch], true);
    }

    /**
     * Where a vertex comes to lie after a share of the way, by Newton's method on all faces that meet there.
     *
     * @return V
     */
    private function solved(int $v, float $share): array
    {
        $p = $this->skin->point($v);
        $start = null;
        $from = [];
        $far = 0.0;
        foreach ($this->skin->at[$v] as $f) {
            if (isset($this->places[$f])) {
                $from[$f] = [$this->places[$f]->distance($p), $this->inset->distance($f, $p)];
                $way = Vector::sub($this->places[$f]->start($p), $p);
                $far = max($far, Vector::length($way));
                $start ??= Vector::add($p, $way, $share);
            }
        }
        // a point about which a face is tilted stays exactly where it is
        if ($start === null || $far < self::STAYS) {
            return $p;
        }
        if ($this->sides !== null) {
            return $start;
        }
        foreach ($this->choices($v) as $without) {
            $q = $this->tried($v, $start, $from, $share, $without);
            if ($q !== null && $this->isWithin($v, Vector::sub($q, $p), $without)) {
                return $q;
            }
        }

        throw new Refused('no-room', 'More faces meet in one point than can be moved together.');
    }

    /**
     * @param V $q where the search begins
     * @param array<int, array{float, float}> $from
     * @param list<int> $without facets left out
     * @return V|null null where not all conditions can be met
     */
    private function tried(int $v, array $q, array $from, float $share, array $without): ?array
    {
        for ($i = 0; $i < 25; $i++) {
            $rows = $this->conditions($v, $q, $from, $share, $without);
            $step = LeastStep::of(array_map(static fn(array $r): array => [$r[0], $r[1]], $rows));
            $q = Vector::add($q, $step);
            if (Vector::length($step) < 1e-13 * (1 + Vector::length($q))) {
                break;
            }
        }
        foreach ($this->conditions($v, $q, $from, $share, $without) as [$left, , $allowed]) {
            if (!(abs($left) < $allowed)) {
                return null;
            }
        }

        return $q;
    }

    /**
     * Facets to leave out: none; or, where a corner happens to lie on the line between facets of a round face, all of its
     * facets there but one, on which the corner then moves.
     *
     * @return list<list<int>>
     */
    private function choices(int $v): array
    {
        $s = $this->skin->solid;
        $bySurface = [];
        foreach (array_unique($this->staying[$v] ?? []) as $facet) {
            $u = $s->surfaces[$s->surfaceOf[$facet]];
            if (!$u->isFlat() && !self::isBent($u->kind)) {
                $bySurface[$s->surfaceOf[$facet]][] = $facet;
            }
        }
        $out = [[]];
        foreach ($bySurface as $facets) {
            foreach (count($facets) > 1 ? $facets : [] as $facet) {
                $out[] = array_values(array_diff($facets, [$facet]));
            }
        }

        return $out;
    }

    /**
     * Whether a corner that goes a way stays on this side of the facets left out.
     *
     * @param V $way
     * @param list<int> $without
     */
    private function isWithin(int $v, array $way, array $without): bool
    {
        $s = $this->skin->solid;
        foreach ($without as $facet) {
            foreach ($s->start as $h => $w) {
                if ($w !== $v || $s->facet[intdiv($h, 3)] !== $facet) {
                    continue;
                }
                $t = 3 * intdiv($h, 3);
                // from the corner into the facet: the way must not lead there
                $in = Vector::sub(
                    Vector::halfway([
                        $this->skin->point($s->start[$t + (($h + 1) % 3)]),
                        $this->skin->point($s->start[$t + (($h + 2) % 3)]),
                    ]),
                    $this->skin->point($v),
                );
                if (Vector::dot(Vector::unit($in), $way) > self::STAYS + Vector::length($way) / 2) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * @param V $q
     * @param array<int, array{float, float}> $from by face that moves: distance from its new place and from its own surface at the beginning
     * @param list<int> $without facets left out
     * @return list<array{float, V, float}> distance, normal, what may be left of it
     */
    private function conditions(int $v, array $q, array $from, float $share, array $without): array
    {
        $s = $this->skin->solid;
        $rows = $seen = [];
        foreach ($from as $f => [$far, $off]) {
            // a corner on a chord stays as far inside
            $rows[] = [
                $this->places[$f]->distance($q) - ((1 - $share) * $far + $share * $off),
                $this->places[$f]->normal($q),
                $this->skin->faces[$f]->surface->isFlat() ? self::OFF_PLANE : self::OFF_ROUND,
            ];
        }
        foreach ($this->skin->at[$v] as $f) {
            if (!isset($this->places[$f]) && self::isBent($this->skin->faces[$f]->surface->kind)) {
                array_push($rows, ...$this->onBent($f, $v, $q));
            }
        }
        // others by their facets, so that corners stay on the lines between these
        foreach ($this->staying[$v] ?? [] as $facet) {
            $u = $s->surfaces[$s->surfaceOf[$facet]];
            if (!self::isBent($u->kind) && !isset($seen[$facet]) && !in_array($facet, $without, true)) {
                $seen[$facet] = true;
                $n = [$s->nx[$facet], $s->ny[$facet], $s->nz[$facet]];
                $rows[] = [Vector::dot($n, $q) - $s->offset[$facet], $n, $u->isFlat() ? self::OFF_PLANE : self::OFF_ROUND];
            }
        }

        return $rows;
    }

    /**
     * What holds a vertex on a bent face that stays. Where a ring runs on smoothly into another face both only touch: there
     * the vertex stays on the circle in which they do.
     *
     * @param V $q
     * @return list<array{float, V, float}>
     */
    private function onBent(int $f, int $v, array $q): array
    {
        $p = $this->skin->point($v);
        $u = $this->skin->faces[$f]->surface;
        $smooth =
            array_filter($this->skin->at[$v], fn(int $g): bool => $g !== $f && !isset($this->places[$g]) && $this->inset->runOn($f, $g)) !==
            [];
        if ($u->kind !== SurfaceKind::Torus || !$smooth) {
            return [[$this->inset->distance($f, $q) - $this->inset->distance($f, $p), $this->inset->normal($f, $q), self::OFF_ROUND]];
        }
        $polar = static function (array $x) use ($u): array {
            $d = Vector::sub($x, $u->point);
            $h = Vector::dot($d, $u->axis);
            $across = Vector::add($d, $u->axis, -$h);
            $r = Vector::length($across);

            return [$r, $h, $r > 0 ? Vector::unit($across) : Vector::across($u->axis)];
        };
        [$r, $h] = $polar($p);
        [$far, $high, $out] = $polar($q);

        return [[$far - $r, $out, self::OFF_ROUND], [$high - $h, $u->axis, self::OFF_PLANE]];
    }
}
