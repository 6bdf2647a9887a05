<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * Whether two true faces touch each other smoothly, told by their sizes and places: where one of them bulges, the corners
 * of the mesh do not lie on the line in which they touch.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Tangency
{
    /** mm per mm of size, and sine of an angle */
    private const OFF = 1e-6;

    public static function touch(Face $f, Face $g): bool
    {
        foreach ([[$f, $g], [$g, $f]] as [$a, $b]) {
            $touch = match ($a->surface->kind) {
                SurfaceKind::Torus => self::ring($a->surface, $b),
                SurfaceKind::Sphere => self::ball($a->surface, $b),
                default => null,
            };
            if ($touch !== null) {
                return $touch;
            }
        }

        return false;
    }

    /** A ring and a face about the same axis; null for another ring or a face that is not about it. */
    private static function ring(Surface $ring, Face $other): ?bool
    {
        $s = $other->surface;
        if ($s->isFlat()) {
            return Vector::length(Vector::cross($other->normal, $ring->axis)) < self::OFF &&
                self::same(abs(Vector::dot($other->normal, $ring->point) - $other->offset), $ring->tube);
        }
        $off = Vector::sub($s->point, $ring->point);
        $h = Vector::dot($off, $ring->axis);
        if (Vector::length(Vector::add($off, $ring->axis, -$h)) > self::OFF * (1 + abs($ring->radius))) {
            return null;
        }
        if ($s->kind === SurfaceKind::Sphere) {
            $far = hypot($ring->radius, $h);

            return self::same($far, $s->radius + $ring->tube) || self::same($far, abs($s->radius - $ring->tube));
        }
        if (
            !in_array($s->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone], true) ||
            Vector::length(Vector::cross($s->axis, $ring->axis)) > self::OFF
        ) {
            return null;
        }
        // in the half plane through the axis the ring is a circle and the other one a line
        $along = Vector::dot(Vector::sub($ring->point, $s->point), $s->axis);

        return self::same(abs($ring->radius - $s->radius - $s->slope * $along) / sqrt(1 + $s->slope ** 2), $ring->tube);
    }

    private static function ball(Surface $ball, Face $other): ?bool
    {
        $s = $other->surface;
        if ($s->isFlat()) {
            return self::same(abs(Vector::dot($other->normal, $ball->point) - $other->offset), $ball->radius);
        }
        if ($s->kind === SurfaceKind::Sphere) {
            $far = Vector::distance($s->point, $ball->point);

            return self::same($far, $s->radius + $ball->radius) || ($far > self::OFF && self::same($far, abs($s->radius - $ball->radius)));
        }
        if (!in_array($s->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone], true)) {
            return null;
        }
        $off = Vector::sub($ball->point, $s->point);
        $along = Vector::dot($off, $s->axis);
        $across = Vector::length(Vector::add($off, $s->axis, -$along));

        return self::same(abs($across - $s->radius - $s->slope * $along) / sqrt(1 + $s->slope ** 2), $ball->radius);
    }

    private static function same(float $a, float $b): bool
    {
        return abs($a - $b) < self::OFF * (1 + abs($a));
    }
}
