<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Geometry\EarClipping;
use Cubo\Geometry\Transform;
use Cubo\Geometry\Vector;
use Cubo\Solid\ExtrudedSurface;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;

/**
 * A plane region drawn out straight.
 *
 * @phpstan-import-type Side from Profile
 */
final class Extrusion
{
    /**
     * The profile's (u, v) become (x, y); the solid reaches from z = $from to z = $to and is then placed.
     * Sides are named after their curves, the ends "end" (at $to) and "start".
     *
     * @param Transform $place a rigid motion, not a mirror image
     *
     * @throws Refused no-length, or what is wrong with the profile
     */
    public static function straight(string $step, Profile $profile, float $from, float $to, Transform $place): Solid
    {
        $profile->checked();
        if (!is_finite($from) || !is_finite($to)) {
            throw new Refused('no-length', 'The length of the extrusion is not a number.');
        }
        if ($from > $to) {
            [$from, $to, $low, $high] = [$to, $from, 'end', 'start'];
        } else {
            [$low, $high] = ['start', 'end'];
        }
        if ($to - $from <= 0) {
            throw new Refused('no-length', 'The extrusion has no length.');
        }
        $b = new SolidBuilder();
        $u = $w = $loops = [];
        $surfaces = [];
        $surfaceFor = static function (array $curve) use (&$surfaces, $b, $step): int {
            $key = $curve['name'];

            return $surfaces[$key] ??= $b->surface(self::side("$step:$key", $curve, [0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [0.0, 1.0, 0.0]));
        };
        $count = 0;
        foreach ($profile->loops as $loop) {
            $count += count($loop);
        }
        $sides = [];
        foreach ($profile->loops as $loop) {
            $ids = [];
            foreach ($loop as $i => [$pu, $pv, $curve]) {
                $id = $b->vertex($pu, $pv, $from);
                $u[$id] = $pu;
                $w[$id] = $pv;
                $ids[] = $id;
                $sides[] = [$id, $id - $i + (($i + 1) % count($loop)), $curve];
            }
            $loops[] = $ids;
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
        foreach (EarClipping::fill($loops, $u, $w) as [$p, $q, $r]) {
            $b->triangle($p, $r, $q, $bottom);
            $b->triangle($p + $count, $q + $count, $r + $count, $top);
        }

        return $b->build()->moved($place);
    }

    /**
     * The true face that a side of a profile leaves when it is drawn out straight.
     *
     * @param Side $curve
     * @param array{float,float,float} $origin of the profile's plane
     * @param array{float,float,float} $u unit
     * @param array{float,float,float} $v unit
     */
    public static function side(string $name, array $curve, array $origin, array $u, array $v): Surface
    {
        [$circle, $drawn] = [$curve['circle'], $curve['drawn'] ?? null];

        return match (true) {
            $circle !== null => Surface::cylinder(
                $name,
                Vector::add(Vector::add($origin, $u, $circle[0]), $v, $circle[1]),
                Vector::cross($u, $v),
                $circle[2],
            ),
            $drawn !== null => Surface::free($name, new ExtrudedSurface($drawn, $origin, $u, $v)),
            default => Surface::plane($name),
        };
    }

    /**
     * Drawn out both ways from the profile's plane z = 0, getting narrower (a negative angle: wider) with the distance
     * from it. Straight sides become inclined planes, round ones cones.
     *
     * @param float $up length in +z, mm; at least one of the lengths is above zero
     * @param float $down length in -z, mm
     * @param float $taper degrees between the sides and the straight direction, between -89 and 89
     *
     * @throws Refused no-length, no-angle; vanishes with the largest angle that works, or runs-together
     */
    public static function tapered(string $step, Profile $profile, float $up, float $down, float $taper, Transform $place): Solid
    {
        if (!is_finite($up) || !is_finite($down) || $up < 0 || $down < 0 || $up + $down <= 0) {
            throw new Refused('no-length', 'The extrusion has no length.');
        }
        if (!is_finite($taper) || abs($taper) > 89) {
            throw new Refused('no-angle', 'The taper must lie between -89 and 89 degrees.', 89.0);
        }
        if ($taper == 0.0) {
            return self::straight($step, $profile, -$down, $up, $place);
        }
        $profile->checked();
        $slope = tan(deg2rad($taper));
        $levels = [];
        foreach ([-$down, 0.0, $up] as $z) {
            if ($z == 0.0) {
                $levels[] = [0.0, $profile];
            } else {
                try {
                    $levels[] = [$z, Offset::inward($profile, $slope * abs($z))];
                } catch (Refused $r) {
                    throw $r->largest === null ? $r : new Refused($r->reason, $r->getMessage(), rad2deg(atan($r->largest / abs($z))));
                }
            }
        }
        usort($levels, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $levels = array_values(
            array_filter($levels, static fn(array $l, int $i): bool => $i === 0 || $l[0] > $levels[$i - 1][0], ARRAY_FILTER_USE_BOTH),
        );
        $stations = array_map(
            static fn(array $l): array => array_map(
                static fn(array $loop): array => array_map(static fn(array $p): array => [$p[0], $p[1], $l[0]], $loop),
                $l[1]->loops,
            ),
            $levels,
        );
        $halves = count($levels) === 3;
        $surface = static function (int $i, int $l, int $k) use ($levels, $step, $halves): Surface {
            [$z0, $low] = $levels[$i];
            [$z1, $high] = $levels[$i + 1];
            $curve = $low->loops[$l][$k][2];
            $name = "$step:{$curve['name']}" . ($halves ? ($i === 0 ? ' down' : ' up') : '');
            if ($curve['circle'] === null) {
                return Surface::plane($name);
            }
            [$u, $v, $r] = $curve['circle'];
            $slope = ($high->loops[$l][$k][2]['circle'][2] - $r) / ($z1 - $z0);

            return Surface::cone($name, [$u, $v, $z0], [0.0, 0.0, 1.0], $r, $slope);
        };

        return Skin::over($stations, $surface, "$step:start", "$step:end")->moved($place);
    }
}
