<?php

declare(strict_types=1);

namespace Cubo\Solid\Shift;

use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Change\Cutting;
use Cubo\Solid\Layer\Crumbs;
use Cubo\Solid\Layer\Face;
use Cubo\Solid\Layer\Inset;
use Cubo\Solid\Layer\Skin;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * A flat face brought into another plane whatever meets at its corners, where these cannot be led on: what lies outside of the
 * new plane under the face is cut off, what lies inside of it before the face is filled straight. What stands on the face is led
 * down straight.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Outright
{
    /** What a facet of the face may miss by. */
    private const SAME = 1e-9;

    /** mm that what stands on the face is led on past the new plane */
    private const PAST = 1.0;

    /** of a unit vector: a side that is led on along a direction when its normals stand that upright on it */
    private const ALONG = 1e-6;

    private function __construct(private readonly Solid $solid, private readonly Budget $budget) {}

    /**
     * What lies inside of the new place before a flat, filled straight.
     *
     * @param callable(Face, Skin): Place $place
     * @param callable(int, Skin): bool $outwards whether a triangle of the face moves away from the material
     */
    public static function filled(Solid $solid, string $face, callable $place, callable $outwards, Budget $budget): Solid
    {
        $skin = new Skin($solid, static fn(): float => 0.0);
        foreach ($skin->faces as $f => $own) {
            if ($own->surface->name === $face) {
                $added = (new Between(
                    new Inset($skin),
                    [$f => $place($own, $skin)],
                    static fn(int $beside): Surface => self::upright($skin->faces[$beside], $own),
                ))->solid(true, static fn(int $t): bool => $outwards($t, $skin));
                $budget->spend(20 * ($added?->triangleCount() ?? 0));
                $solid = $added === null ? $solid : BooleanOperation::union($solid, $added, $budget);
            }
        }

        return $solid;
    }

    /**
     * A flat lowered: what lies under it outside of its new plane is cut off.
     *
     * @param callable(Face): array{V, float} $plane normal and offset of the new plane
     *
     * @throws Refused no-room
     */
    public static function lowered(Solid $solid, string $face, callable $plane, Budget $budget): Solid
    {
        $done = [];
        foreach ((new Skin($solid, static fn(): float => 0.0))->faces as $own) {
            if ($own->surface->name !== $face) {
                continue;
            }
            if (!$own->surface->isFlat()) {
                throw new Refused('no-room', 'Only a flat face can be moved there.');
            }
            $key = implode(' ', array_map(static fn(float $x): string => (string) round($x, 9), [...$own->normal, $own->offset]));
            if (!isset($done[$key])) {
                $done[$key] = true;
                $cut = (new self($solid, $budget))->under($own, ...$plane($own));
                $solid = $cut === null ? $solid : BooleanOperation::difference($solid, $cut, $budget);
            }
        }
        if ($solid->isEmpty()) {
            throw new Refused('no-room', 'Nothing would be left.');
        }

        return $solid;
    }

    /**
     * The part of the solid under a face that lies outside of its new plane.
     *
     * @param V $normal
     */
    private function under(Face $own, array $normal, float $offset): ?Solid
    {
        $beyond = $this->side($own->surface->name, $normal, $offset);
        $over = $this->side($own->surface->name, $own->normal, $own->offset);
        $pieces = BooleanOperation::difference(BooleanOperation::intersection($this->solid, $beyond, $this->budget), $over, $this->budget);
        if ($pieces->isEmpty()) {
            return null;
        }
        $deep = 0.0;
        foreach (array_keys($pieces->x) as $v) {
            $deep = max($deep, $own->offset - Vector::dot($own->normal, [$pieces->x[$v], $pieces->y[$v], $pieces->z[$v]]));
        }
        $standing = $this->ledDown($own, BooleanOperation::intersection($this->solid, $over, $this->budget), $deep + self::PAST);
        $pieces = $standing === null ? $pieces : BooleanOperation::difference($pieces, $standing, $this->budget);
        $of = Crumbs::bodies($pieces);
        $under = [];
        foreach ($pieces->facet as $t => $g) {
            if (
                $pieces->surfaceOfTriangle($t)->name === $own->surface->name &&
                Vector::dot([$pieces->nx[$g], $pieces->ny[$g], $pieces->nz[$g]], $own->normal) > 1 - self::SAME
            ) {
                $under[$of[$t]] = true;
            }
        }

        return $under === [] ? null : Crumbs::only($pieces, static fn(int $t): bool => isset($under[$of[$t]]));
    }

    /**
     * @param V $normal
     * @return Solid all on one side of a plane
     */
    private function side(string $name, array $normal, float $offset): Solid
    {
        return Cutting::halfSpace('', $this->solid, Vector::add([0.0, 0.0, 0.0], $normal, $offset), $normal)->renamed(
            static fn(): string => $name,
        );
    }

    /** Straight down from where the solid goes on over the plane of a face. */
    private function ledDown(Face $own, Solid $above, float $deep): ?Solid
    {
        if ($above->isEmpty()) {
            return null;
        }
        $skin = new Skin($above, static fn(): float => 0.0);
        $inset = new Inset($skin);
        $places = [];
        foreach ($skin->faces as $f => $face) {
            if ($face->surface->name === $own->surface->name && Vector::dot($face->normal, $own->normal) < -1 + self::SAME) {
                $places[$f] = new Moved($inset, $f, Vector::add([0.0, 0.0, 0.0], $own->normal, -$deep));
            }
        }

        return $places === []
            ? null
            : (new Between($inset, $places, static fn(int $beside): Surface => self::upright($skin->faces[$beside], $own)))->solid(true);
    }

    /** The straight side on the border of a face with another one: the other one led on where it stands upright, else a flat of its own. */
    private static function upright(Face $beside, Face $own): Surface
    {
        $u = $beside->surface;
        $upright = $u->isFlat()
            ? abs(Vector::dot($beside->normal, $own->normal)) < self::ALONG
            : $u->kind === SurfaceKind::Cylinder && Vector::length(Vector::cross($u->axis, $own->normal)) < self::ALONG;

        return $upright ? $u : Surface::plane("$u->name at {$own->surface->name}");
    }
}
