<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;

/** Cuts triangles of a solid along a level, so that each lies on one side of it. The solid stays what it is. */
final class LevelCut
{
    private const NEAR = 1e-7;

    /**
     * The same solid with the chosen triangles cut where they pass through the level.
     *
     * @param Closure(int): bool $chosen triangles
     * @param Closure(array{float,float,float}): float $height of a point above the level
     */
    public static function at(Solid $s, Closure $chosen, Closure $height): Solid
    {
        $h = [];
        $there = array_map($chosen, array_keys($s->facet));
        $above = $below = false;
        foreach ($s->start as $e => $v) {
            if ($there[intdiv($e, 3)]) {
                $d = $h[$v] ??= $height([$s->x[$v], $s->y[$v], $s->z[$v]]);
                $above = $above || $d > self::NEAR;
                $below = $below || $d < -self::NEAR;
            }
        }
        if (!$above || !$below) {
            return $s;
        }
        $b = new SolidBuilder();
        foreach ($s->x as $v => $x) {
            $b->vertex($x, $s->y[$v], $s->z[$v]);
        }
        foreach ($s->surfaces as $u) {
            $b->surface($u);
        }
        foreach ($s->nx as $f => $nx) {
            $b->facet($nx, $s->ny[$f], $s->nz[$f], $s->offset[$f], $s->surfaceOf[$f]);
        }
        $middle = [];
        foreach ($s->start as $e => $v) {
            $w = $s->start[$s->twin[$e]];
            if (
                $there[intdiv($e, 3)] &&
                !isset($middle[$e]) &&
                abs($h[$v]) > self::NEAR &&
                abs($h[$w]) > self::NEAR &&
                $h[$v] * $h[$w] < 0
            ) {
                $k = $h[$v] / ($h[$v] - $h[$w]);
                $middle[$e] = $middle[$s->twin[$e]] = $b->vertex(
                    $s->x[$v] + $k * ($s->x[$w] - $s->x[$v]),
                    $s->y[$v] + $k * ($s->y[$w] - $s->y[$v]),
                    $s->z[$v] + $k * ($s->z[$w] - $s->z[$v]),
                );
            }
        }
        foreach ($s->facet as $t => $f) {
            foreach (self::pieces($s, $t, $middle) as [$p, $q, $r]) {
                $b->triangle($p, $q, $r, $f);
            }
        }

        return $b->build();
    }

    /**
     * @param array<int, int> $middle new vertex by half-edge
     * @return list<array{int,int,int}>
     */
    private static function pieces(Solid $s, int $t, array $middle): array
    {
        $corner = static fn(int $k): int => $s->start[3 * $t + ($k % 3)];
        $cut = static fn(int $k): ?int => $middle[3 * $t + ($k % 3)] ?? null;
        for ($k = 0; $k < 3; $k++) {
            [$m, $n] = [$cut($k), $cut($k + 1)];
            if ($m !== null && $n !== null) {
                return [[$corner($k + 1), $n, $m], [$corner($k), $m, $n], [$corner($k), $n, $corner($k + 2)]];
            }
            if ($m !== null && $cut($k + 2) === null) {
                return [[$corner($k), $m, $corner($k + 2)], [$m, $corner($k + 1), $corner($k + 2)]];
            }
        }

        return [[$corner(0), $corner(1), $corner(2)]];
    }
}
