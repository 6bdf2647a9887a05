<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;

/** Bodies so thin everywhere that only rounding can have left them. */
final class Crumbs
{
    /** The solid without bodies whose volume is less than a third of their area times `thin`, mm: thinner than a ball of that radius. */
    public static function without(Solid $s, float $thin): Solid
    {
        $of = self::bodies($s);
        $volume = $area = [];
        foreach ($s->facet as $t => $f) {
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $ux = $s->x[$b] - $s->x[$a];
            $uy = $s->y[$b] - $s->y[$a];
            $uz = $s->z[$b] - $s->z[$a];
            $vx = $s->x[$c] - $s->x[$a];
            $vy = $s->y[$c] - $s->y[$a];
            $vz = $s->z[$c] - $s->z[$a];
            $w = ($uy * $vz - $uz * $vy) * $s->nx[$f] + ($uz * $vx - $ux * $vz) * $s->ny[$f] + ($ux * $vy - $uy * $vx) * $s->nz[$f];
            $area[$of[$t]] = ($area[$of[$t]] ?? 0.0) + $w / 2;
            $volume[$of[$t]] = ($volume[$of[$t]] ?? 0.0) + ($w * $s->offset[$f]) / 6;
        }
        $drop = [];
        foreach ($area as $body => $a) {
            // a void inside of a body counts below zero
            if (3 * abs($volume[$body]) < $thin * $a) {
                $drop[$body] = true;
            }
        }

        return $drop === [] ? $s : self::only($s, static fn(int $t): bool => !isset($drop[$of[$t]]));
    }

    /**
     * The bodies whose triangles are meant.
     *
     * @param Closure(int): bool $kept by triangle, the same for all of a body
     */
    public static function only(Solid $s, Closure $kept): Solid
    {
        $b = new SolidBuilder();
        $number = [];
        foreach ($s->surfaces as $u) {
            $b->surface($u);
        }
        foreach ($s->nx as $f => $nx) {
            $b->facet($nx, $s->ny[$f], $s->nz[$f], $s->offset[$f], $s->surfaceOf[$f]);
        }
        foreach ($s->facet as $t => $f) {
            if ($kept($t)) {
                $corners = [];
                for ($k = 0; $k < 3; $k++) {
                    $v = $s->start[3 * $t + $k];
                    $corners[] = $number[$v] ??= $b->vertex($s->x[$v], $s->y[$v], $s->z[$v]);
                }
                $b->triangle($corners[0], $corners[1], $corners[2], $f);
            }
        }

        return $b->build();
    }

    /** @return array<int, int> by triangle: the first triangle of all that hang together over edges */
    public static function bodies(Solid $s): array
    {
        $of = [];
        foreach ($s->facet as $first => $_) {
            if (isset($of[$first])) {
                continue;
            }
            $of[$first] = $first;
            $list = [$first];
            while ($list !== []) {
                $t = array_pop($list);
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    $u = intdiv($s->twin[$h], 3);
                    if (!isset($of[$u])) {
                        $of[$u] = $first;
                        $list[] = $u;
                    }
                }
            }
        }

        return $of;
    }
}
