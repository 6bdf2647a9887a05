<?php

declare(strict_types=1);

namespace Cubo\Measure\Contact;

use Cubo\Geometry\Vector;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceKind;

/**
 * What a ball, a cylinder or a ring lies at one distance from: a point, a line as long as the face, a circle.
 *
 * @phpstan-import-type V from TriangleSet
 */
final readonly class Spine
{
    /**
     * @param float $radius distance of the face from it, mm
     * @param float $from where it begins and ends: mm along a line, radians round a circle
     * @param V $u across the axis of a ring, where its circle begins
     * @param V $w
     */
    private function __construct(
        public Surface $surface,
        public float $radius,
        public float $from,
        public float $to,
        private array $u,
        private array $w,
    ) {}

    public static function has(Surface $s): bool
    {
        return in_array($s->kind, [SurfaceKind::Sphere, SurfaceKind::Cylinder, SurfaceKind::Torus], true);
    }

    public static function of(TriangleSet $set, Surface $s): self
    {
        $none = [0.0, 0.0, 0.0];
        if ($s->kind === SurfaceKind::Torus) {
            $u = Vector::across($s->axis);

            return new self($s, $s->tube, 0.0, 2 * M_PI, $u, Vector::cross($s->axis, $u));
        }
        if ($s->kind === SurfaceKind::Sphere) {
            return new self($s, $s->radius, 0.0, 0.0, $none, $none);
        }
        [$lo, $hi] = [INF, -INF];
        foreach ($set->triangles as $t) {
            if ($set->surface($t) === $s) {
                foreach ($set->corners($t) as $p) {
                    $h = Vector::dot(Vector::sub($p, $s->point), $s->axis);
                    [$lo, $hi] = [min($lo, $h), max($hi, $h)];
                }
            }
        }

        return new self($s, $s->radius, $lo, $hi, $none, $none);
    }

    public function isPoint(): bool
    {
        return $this->surface->kind === SurfaceKind::Sphere;
    }

    /** Whether it ends where it begins. */
    public function isRound(): bool
    {
        return $this->surface->kind === SurfaceKind::Torus;
    }

    /** @return V */
    public function at(float $t): array
    {
        $s = $this->surface;

        return match ($s->kind) {
            SurfaceKind::Torus => Vector::add(Vector::add($s->point, $this->u, $s->radius * cos($t)), $this->w, $s->radius * sin($t)),
            SurfaceKind::Cylinder => Vector::add($s->point, $s->axis, $t),
            default => $s->point,
        };
    }

    /**
     * The way along the face between two of its points over a stretch of the spine: a ring's is an arc.
     *
     * @param V $p
     * @param V $q
     */
    public function way(array $p, array $q, float $stretch): float
    {
        $half = abs($stretch) / 2;

        return Vector::distance($p, $q) * ($this->isRound() && $half > 1e-9 ? $half / sin($half) : 1.0);
    }
}
