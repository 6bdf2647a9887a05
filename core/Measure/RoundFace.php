<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Geometry\Vector;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * What a drawing says about a round face: its radii, its axis and how deep it is.
 *
 * @phpstan-type V array{float,float,float}
 */
final readonly class RoundFace
{
    /**
     * @param float $radius of a cylinder, a ball or a ring's middle circle; the larger one of a cone's two ends, mm
     * @param float $other a ring's tube, the smaller end of a cone; otherwise the radius again
     * @param V $point of the axis: in the middle of the face's depth; the middle of a ball
     * @param V|null $axis unit; null for a ball
     * @param float $depth along the axis, mm; of a ball its extent along z
     * @param bool $hollow whether the face looks towards its axis or middle, as the wall of a hole does
     */
    private function __construct(
        public SurfaceKind $kind,
        public float $radius,
        public float $other,
        public array $point,
        public ?array $axis,
        public float $depth,
        public bool $hollow,
    ) {}

    /** @throws Refused no-face; not-round for flat and free faces */
    public static function of(Solid $s, string $name): self
    {
        $low = INF;
        $high = -INF;
        $surface = null;
        $hollow = false;
        foreach ($s->facet as $t => $f) {
            $u = $s->surfaces[$s->surfaceOf[$f]];
            if ($u->name !== $name) {
                continue;
            }
            if ($u->isFlat() || $u->patch !== null) {
                throw new Refused('not-round', "The face “{$name}” is not round.");
            }
            if ($surface === null) {
                $v = $s->start[3 * $t];
                $at = [$s->x[$v], $s->y[$v], $s->z[$v]];
                $out = SurfaceEquation::outward($u, $at, [0.0, 0.0, 0.0]);
                $hollow = $out[0] * $s->nx[$f] + $out[1] * $s->ny[$f] + $out[2] * $s->nz[$f] < 0;
            }
            $surface = $u;
            $axis = $u->kind === SurfaceKind::Sphere ? [0.0, 0.0, 1.0] : $u->axis;
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $s->start[$h];
                $along = Vector::dot(Vector::sub([$s->x[$v], $s->y[$v], $s->z[$v]], $u->point), $axis);
                $low = min($low, $along);
                $high = max($high, $along);
            }
        }
        if ($surface === null) {
            throw new Refused('no-face', "There is no face “{$name}”.");
        }
        $ball = $surface->kind === SurfaceKind::Sphere;
        $ends = [abs($surface->radius + $surface->slope * $low), abs($surface->radius + $surface->slope * $high)];
        [$radius, $other] = match ($surface->kind) {
            SurfaceKind::Cone => [max($ends), min($ends)],
            SurfaceKind::Torus => [abs($surface->radius), $surface->tube],
            default => [$surface->radius, $surface->radius],
        };

        return new self(
            $surface->kind,
            $radius,
            $other,
            $ball ? $surface->point : Vector::add($surface->point, $surface->axis, ($low + $high) / 2),
            $ball ? null : $surface->axis,
            $high - $low,
            $hollow,
        );
    }
}
