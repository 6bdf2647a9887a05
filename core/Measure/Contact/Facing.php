<?php

declare(strict_types=1);

namespace Cubo\Measure\Contact;

use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * A face as something rolls on it: how far off a point lies on the side that is empty, and where the face is nearest to it.
 *
 * @phpstan-import-type V from TriangleSet
 */
final readonly class Facing
{
    /** Directions tried from the axis of a bore, and how near to it, mm, all of them are alike. */
    public const ROUND = 8;

    private const ON_AXIS = 1e-9;

    /** How far a point is moved to see on which side of a face it lies, mm. */
    private const STEP = 1e-3;

    /**
     * @param V $normal outward, of a flat face
     * @param float $sign of the curved one's distance outside of the material
     */
    private function __construct(public Surface $surface, private array $normal, private float $offset, public float $sign) {}

    /** @param int $t a triangle of the face */
    public static function of(TriangleSet $set, int $t): self
    {
        $s = $set->solid;
        $f = $s->facet[$t];
        $surface = $set->surface($t);

        return $surface->isFlat()
            ? new self($surface, [$s->nx[$f], $s->ny[$f], $s->nz[$f]], $s->offset[$f], 1.0)
            : new self($surface, [0.0, 0.0, 0.0], 0.0, self::isOuter($set, $t) ? 1.0 : -1.0);
    }

    /** Whether a facet looks away from the inside of its curved surface. */
    public static function isOuter(TriangleSet $set, int $t): bool
    {
        $f = $set->solid->facet[$t];
        $surface = $set->surface($t);
        $middle = Vector::middle($set->corners($t));
        $out = SurfaceEquation::outward($surface, $middle, [$set->solid->nx[$f], $set->solid->ny[$f], $set->solid->nz[$f]]);

        return SurfaceEquation::distance($surface, Vector::add($middle, $out, self::STEP)) >
            SurfaceEquation::distance($surface, Vector::add($middle, $out, -self::STEP));
    }

    /** @param V $p */
    public function distance(array $p): float
    {
        return $this->surface->isFlat()
            ? Vector::dot($this->normal, $p) - $this->offset
            : $this->sign * SurfaceEquation::distance($this->surface, $p);
    }

    /**
     * Whether a point lies on the axis of a bore.
     *
     * @param V $p
     */
    public function isBoreAround(array $p): bool
    {
        return $this->surface->kind === SurfaceKind::Cylinder &&
            $this->sign < 0 &&
            Vector::length(Vector::cross(Vector::sub($p, $this->surface->point), $this->surface->axis)) < self::ON_AXIS;
    }

    /**
     * The points of the face nearest to a point, with its outward normals there: from the axis of a bore all round are.
     *
     * @param V $p
     * @return list<array{V, V}>
     */
    public function ways(array $p): array
    {
        $s = $this->surface;
        if ($s->isFlat()) {
            return [[Vector::add($p, $this->normal, -$this->distance($p)), $this->normal]];
        }
        if (!$this->isBoreAround($p)) {
            $to = SurfaceEquation::foot($s, $p);

            return [[$to, Vector::add([0.0, 0.0, 0.0], SurfaceEquation::outward($s, $to, [0.0, 0.0, 0.0]), $this->sign)]];
        }
        $u = Vector::across($s->axis);
        $w = Vector::cross($s->axis, $u);
        $out = [];
        for ($i = 0; $i < self::ROUND; $i++) {
            $way = Vector::add(
                Vector::add([0.0, 0.0, 0.0], $u, cos((2 * M_PI * $i) / self::ROUND)),
                $w,
                sin((2 * M_PI * $i) / self::ROUND),
            );
            $out[] = [Vector::add($p, $way, $s->radius), Vector::add([0.0, 0.0, 0.0], $way, -1.0)];
        }

        return $out;
    }
}
