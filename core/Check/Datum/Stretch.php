<?php

declare(strict_types=1);

namespace Cubo\Check\Datum;

use Cubo\Geometry\Vector;

/**
 * The distance of two data: between parallel planes, lines and points at right angles; between two points straight; between
 * axes that pass each other the shortest way.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class Stretch
{
    /** Directions that lean by more than this against each other, in radians, are not parallel. */
    private const PARALLEL = 2e-3;

    /**
     * @param V $a its ends
     * @param V $b
     */
    private function __construct(public float $length, public array $a, public array $b) {}

    /** @return self|null null where they have no distance: they cut each other, or would when they went on */
    public static function between(Datum $from, Datum $to): ?self
    {
        if ($to->kind === DatumKind::Face && $from->kind !== DatumKind::Face) {
            $s = self::between($to, $from);

            return $s === null ? null : new self($s->length, $s->b, $s->a);
        }
        $way = Vector::sub($to->at, $from->at);
        if ($from->direction === null) {
            return $to->direction === null ? self::ends($from->at, $to->at) : self::ends($from->at, self::foot($from->at, $to));
        }
        if ($from->kind === DatumKind::Face) {
            $lean =
                $to->direction === null
                    ? 0.0
                    : ($to->kind === DatumKind::Face
                        ? Vector::length(Vector::cross($from->direction, $to->direction))
                        : abs(Vector::dot($from->direction, $to->direction)));

            return $lean > self::PARALLEL
                ? null
                : self::ends(Vector::add($to->at, $from->direction, -Vector::dot($way, $from->direction)), $to->at);
        }
        if ($to->direction === null) {
            return self::ends(self::foot($to->at, $from), $to->at);
        }
        $across = Vector::cross($from->direction, $to->direction);
        if (Vector::length($across) <= self::PARALLEL) {
            return self::ends($from->at, self::foot($from->at, $to));
        }
        // lines that pass each other: the feet of their common perpendicular
        $n = Vector::unit($across);
        $u = Vector::dot(Vector::cross($way, $to->direction), $n) / Vector::length($across);
        $v = Vector::dot(Vector::cross($way, $from->direction), $n) / Vector::length($across);
        $s = self::ends(Vector::add($from->at, $from->direction, $u), Vector::add($to->at, $to->direction, $v));

        return $s->length < 1e-6 ? null : $s;
    }

    /**
     * @param V $p
     * @return V the point of an axis that is nearest to p
     */
    private static function foot(array $p, Datum $axis): array
    {
        $d = $axis->direction ?? [0.0, 0.0, 0.0];

        return Vector::add($axis->at, $d, Vector::dot(Vector::sub($p, $axis->at), $d));
    }

    /**
     * @param V $a
     * @param V $b
     */
    private static function ends(array $a, array $b): self
    {
        return new self(Vector::distance($a, $b), $a, $b);
    }
}
