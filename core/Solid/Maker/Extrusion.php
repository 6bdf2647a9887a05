<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\EarClipping;
use Cubo\Geometry\Transform;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;
use InvalidArgumentException;

/** A plane region drawn out straight. */
final class Extrusion
{
    /**
     * The profile's (u, v) become (x, y); the solid reaches from z = $from to z = $to and is then placed.
     * Sides are named after their curves, the ends "end" (at $to) and "start".
     *
     * @param Transform $place a rigid motion, not a mirror image
     */
    public static function straight(string $step, Profile $profile, float $from, float $to, Transform $place): Solid
    {
        if ($from > $to) {
            [$from, $to, $low, $high] = [$to, $from, 'end', 'start'];
        } else {
            [$low, $high] = ['start', 'end'];
        }
        if ($to - $from <= 0) {
            throw new InvalidArgumentException('The extrusion has no length.');
        }
        $b = new SolidBuilder;
        $u = $w = $loops = [];
        $surfaces = [];
        $surfaceFor = static function (array $curve) use (&$surfaces, $b, $step): int {
            $key = $curve['name'];

            return $surfaces[$key] ??= $b->surface($curve['circle'] === null
                ? Surface::plane("$step:$key")
                : Surface::cylinder("$step:$key", [$curve['circle'][0], $curve['circle'][1], 0.0], [0.0, 0.0, 1.0], $curve['circle'][2]));
        };
        $count = 0;
        foreach ($profile->loops as $loop) {
            $count += count($loop);
        }
        $token = 0;
        $sides = [];
        foreach ($profile->loops as $loop) {
            $ids = [];
            foreach ($loop as $i => [$pu, $pv, $curve]) {
                $id = $b->vertex($pu, $pv, $from);
                $u[$id] = $pu;
                $w[$id] = $pv;
                $ids[] = $id;
                $sides[] = [$id, $id - $i + ($i + 1) % count($loop), $curve];
            }
            $loops[] = [$ids, range($token, $token + count($ids) - 1)];
            $token += count($ids);
        }
        for ($i = 0; $i < $count; $i++) {
            $b->vertex($b->x[$i], $b->y[$i], $to);
        }
        foreach ($sides as [$p, $q, $curve]) {
            $f = $b->facetThrough($p, $q, $q + $count, $surfaceFor($curve));
            $b->triangle($p, $q, $q + $count, $f);
            $b->triangle($p, $q + $count, $p + $count, $f);
        }
        $bottom = $b->facet(0, 0, -1, -$from, $b->surface(Surface::plane("$step:$low")));
        $top = $b->facet(0, 0, 1, $to, $b->surface(Surface::plane("$step:$high")));
        foreach ((new EarClipping($loops, $u, $w, $token + $token % 2))->triangles as [$p, $q, $r]) {
            $b->triangle($p, $r, $q, $bottom);
            $b->triangle($p + $count, $q + $count, $r + $count, $top);
        }

        return $b->build()->moved($place);
    }
}
