<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Layer\Inset;
use Cubo\Solid\Layer\Skin;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * Moves a face along its outward normal by adding or cutting what lies between. Rounds and chamfers along its edges move
 * with it, so that a block made higher keeps its edges; other faces beside it are led on. What stands in the way is swallowed.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Pulling
{
    /** what the chamfer of an edge is called, by whatever step */
    private const CHAMFER = '/(^|[\\/:])chamfer \d+$/';

    /** of a unit vector: a face is led on along a direction when its normals stand that upright on it */
    private const ALONG = 1e-6;

    /**
     * @param float $by mm, above zero outwards
     *
     * @throws Refused no-room
     */
    public static function run(Solid $solid, string $face, float $by, ?Budget $budget = null): Solid
    {
        $budget ??= Budget::unlimited();
        $skin = new Skin($solid, static fn(string $n): float => $n === $face ? $by : 0.0);
        $inset = new Inset($skin);
        $planes = [];
        foreach ($skin->faces as $f => $own) {
            if ($own->surface->name !== $face) {
                continue;
            }
            $key = $own->surface->isFlat()
                ? implode(',', array_map(static fn(float $x): string => (string) round($x, 9), [...$own->normal, $own->offset]))
                : 'round';
            $planes[$key][] = $f;
        }
        foreach ($planes as $key => $faces) {
            $places = $key === 'round' ? self::offset($inset, $faces) : self::along($inset, $faces, $by);
            $tool = (new Between($inset, $places))->solid($by > 0);
            $budget->spend(20 * ($tool?->triangleCount() ?? 0));
            if ($tool !== null) {
                $solid = $by > 0 ? BooleanOperation::union($solid, $tool, $budget) : BooleanOperation::difference($solid, $tool, $budget);
            }
        }
        if ($solid->isEmpty()) {
            throw new Refused('no-room', 'Nothing would be left.');
        }

        return $solid;
    }

    /**
     * Flat faces drawn out straight, whatever lies beside them. The new sides are named "$step:side of NAME".
     *
     * @param float $by mm, above zero
     *
     * @throws Refused no-room
     */
    public static function straight(string $step, Solid $solid, string $face, float $by, ?Budget $budget = null): Solid
    {
        $skin = new Skin($solid, static fn(): float => 0.0);
        $inset = new Inset($skin);
        foreach ($skin->faces as $f => $own) {
            if ($own->surface->name !== $face) {
                continue;
            }
            if (!$own->surface->isFlat() || $by <= 0) {
                throw new Refused('no-room', 'Only a flat face can be drawn out straight.');
            }
            $way = Vector::add([0.0, 0.0, 0.0], $own->normal, $by);
            $tool = (new Between(
                $inset,
                [$f => new Moved($inset, $f, $way)],
                static fn(int $beside): Surface => self::side($step, $skin->faces[$beside]->surface, $own->normal, $skin, $f, $beside),
            ))->solid(true);
            if ($tool !== null) {
                $solid = BooleanOperation::union($solid, $tool, $budget);
            }
        }

        return $solid;
    }

    /**
     * The straight side that stands on the border with a face: a cylinder on a circle, else flat.
     *
     * @param V $n
     */
    private static function side(string $step, Surface $u, array $n, Skin $skin, int $face, int $beside): Surface
    {
        $name = "$step:side of {$u->name}";
        $axis = $u->kind === SurfaceKind::Sphere ? $n : $u->axis;
        if ($u->isFlat() || $u->patch !== null || Vector::length(Vector::cross($axis, $n)) > self::ALONG) {
            return Surface::plane($name);
        }
        $radius = null;
        foreach ($skin->faces[$face]->triangles as $t) {
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                if ($skin->beyond($h) === $beside) {
                    $d = Vector::sub($skin->point($skin->solid->start[$h]), $u->point);
                    $r = Vector::length(Vector::add($d, $axis, -Vector::dot($d, $axis)));
                    $radius = max($radius ?? 0.0, $r);
                }
            }
        }

        return $radius === null || $radius < self::ALONG ? Surface::plane($name) : Surface::cylinder($name, $u->point, $axis, $radius);
    }

    /**
     * @param list<int> $faces
     * @return array<int, Place>
     */
    private static function offset(Inset $inset, array $faces): array
    {
        $out = [];
        foreach ($faces as $f) {
            $own = $inset->skin->faces[$f];
            $u = $own->surface;
            $radius = $u->kind === SurfaceKind::Torus ? $u->tube : $u->radius;
            if (
                in_array($u->kind, [SurfaceKind::Cylinder, SurfaceKind::Sphere, SurfaceKind::Torus], true) &&
                $radius + $own->sign * $own->by <= 1e-9
            ) {
                throw new Refused('no-room', 'A round face would vanish.', $radius);
            }
            $out[$f] = new Offset($inset, $f);
            if ($u->kind === SurfaceKind::Cylinder) {
                $out += self::rims($inset, $f);
            }
        }

        return $out;
    }

    /**
     * Rounds and chamfers at the rims of a cylinder, which keep their size when it gets wider.
     *
     * @return array<int, Place>
     */
    private static function rims(Inset $inset, int $cylinder): array
    {
        $skin = $inset->skin;
        $own = $skin->faces[$cylinder];
        $u = $own->surface;
        $by = $own->sign * $own->by;
        $out = [];
        foreach (self::beside($skin, $cylinder) as $g) {
            $rim = $skin->faces[$g]->surface;
            $is =
                $rim->kind === SurfaceKind::Torus
                    ? $inset->runOn($cylinder, $g)
                    : $rim->kind === SurfaceKind::Cone && preg_match(self::CHAMFER, $rim->name) === 1;
            $off = Vector::sub($rim->point, $u->point);
            if (
                !$is ||
                Vector::length(Vector::cross($rim->axis, $u->axis)) > self::ALONG ||
                Vector::length(Vector::cross($off, $u->axis)) > self::ALONG
            ) {
                continue;
            }
            $wider = new Surface($rim->kind, $rim->name, $rim->point, $rim->axis, $rim->radius + $by, $rim->slope, $rim->tube);
            $out[$g] = new Replaced($wider, $skin->faces[$g]->sign, static function (array $p) use ($u, $by): array {
                $d = Vector::sub($p, $u->point);
                $across = Vector::add($d, $u->axis, -Vector::dot($d, $u->axis));
                $r = Vector::length($across);

                return $r > 0 ? Vector::add($p, $across, $by / $r) : $p;
            });
        }

        return $out;
    }

    /**
     * The flat faces, and the rounds and chamfers along their edges, moved as a whole.
     *
     * @param list<int> $faces in one plane
     * @return array<int, Place>
     */
    private static function along(Inset $inset, array $faces, float $by): array
    {
        $skin = $inset->skin;
        $n = $skin->faces[$faces[0]]->normal;
        $taken = array_fill_keys($faces, true);
        $list = $faces;
        while ($list !== []) {
            $f = array_pop($list);
            foreach (self::beside($skin, $f) as $g) {
                if (!isset($taken[$g]) && self::goesWith($inset, $f, $g, $n)) {
                    $taken[$g] = true;
                    $list[] = $g;
                }
            }
        }

        return array_map(
            static fn(int $f): Place => new Moved($inset, $f, [$by * $n[0], $by * $n[1], $by * $n[2]]),
            array_combine(array_keys($taken), array_keys($taken)),
        );
    }

    /**
     * Whether a face is an edge's round or chamfer that goes with the one beside it: smooth beside it and not led on by
     * the move itself.
     *
     * @param V $n
     */
    private static function goesWith(Inset $inset, int $f, int $g, array $n): bool
    {
        $skin = $inset->skin;
        $face = $skin->faces[$g];
        if ($face->surface->isFlat()) {
            return preg_match(self::CHAMFER, $face->surface->name) === 1 &&
                abs(Vector::dot($face->normal, $n)) > self::ALONG &&
                abs(Vector::dot($face->normal, $n)) < 1 - self::ALONG;
        }
        if (!$inset->runOn($f, $g) && preg_match(self::CHAMFER, $face->surface->name) !== 1) {
            return false;
        }
        foreach ($face->triangles as $t) {
            $facet = $skin->solid->facet[$t];
            if (abs($skin->solid->nx[$facet] * $n[0] + $skin->solid->ny[$facet] * $n[1] + $skin->solid->nz[$facet] * $n[2]) > self::ALONG) {
                return true;
            }
        }

        return false;
    }

    /** @return list<int> faces that share an edge with a face */
    private static function beside(Skin $skin, int $face): array
    {
        $out = [];
        foreach ($skin->faces[$face]->triangles as $t) {
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $out[$skin->beyond($h)] = true;
            }
        }
        unset($out[$face]);

        return array_keys($out);
    }
}
