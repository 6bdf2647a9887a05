<?php

declare(strict_types=1);

namespace Cubo\Solid;

use Cubo\Geometry\Transform;

/**
 * The true surface of a face and the face's lasting name.
 *
 * Frames: `point` is a point on the axis (cylinder), the apex-side reference point on the axis (cone)
 * or the centre (sphere, torus); `axis` is a unit vector. A plane carries no numbers here: its facets do.
 * A cone's radius at height h above `point` along `axis` is radius + slope * h. A torus' tube of radius `tube` runs
 * around the axis at `radius`. A free surface carries its `patch`.
 * Lengths are millimetres. The name is "step:role", for instance "s3:side 2".
 */
final readonly class Surface
{
    /**
     * @param array{float,float,float} $point
     * @param array{float,float,float} $axis
     */
    public function __construct(
        public SurfaceKind $kind,
        public string $name,
        public array $point = [0.0, 0.0, 0.0],
        public array $axis = [0.0, 0.0, 1.0],
        public float $radius = 0.0,
        public float $slope = 0.0,
        public float $tube = 0.0,
        public ?Patch $patch = null,
    ) {}

    public static function plane(string $name): self
    {
        return new self(SurfaceKind::Plane, $name);
    }

    /**
     * @param array{float,float,float} $point
     * @param array{float,float,float} $axis
     */
    public static function cylinder(string $name, array $point, array $axis, float $radius): self
    {
        return new self(SurfaceKind::Cylinder, $name, $point, $axis, $radius);
    }

    /** @param array{float,float,float} $centre */
    public static function sphere(string $name, array $centre, float $radius): self
    {
        return new self(SurfaceKind::Sphere, $name, $centre, [0.0, 0.0, 1.0], $radius);
    }

    /**
     * @param array{float,float,float} $point
     * @param array{float,float,float} $axis
     */
    public static function cone(string $name, array $point, array $axis, float $radius, float $slope): self
    {
        return new self(SurfaceKind::Cone, $name, $point, $axis, $radius, $slope);
    }

    /**
     * @param array{float,float,float} $centre
     * @param array{float,float,float} $axis
     * @param float $radius from the axis to the middle of the tube
     * @param float $tube radius of the tube
     */
    public static function torus(string $name, array $centre, array $axis, float $radius, float $tube): self
    {
        return new self(SurfaceKind::Torus, $name, $centre, $axis, $radius, 0.0, $tube);
    }

    public static function free(string $name, Patch $patch): self
    {
        return new self(SurfaceKind::Patch, $name, patch: $patch);
    }

    public function isFlat(): bool
    {
        return $this->kind === SurfaceKind::Plane;
    }

    public function moved(Transform $t): self
    {
        if ($this->isFlat()) {
            return $this;
        }

        if ($this->patch !== null) {
            return self::free($this->name, $this->patch->moved($t));
        }

        return new self(
            $this->kind,
            $this->name,
            $t->point($this->point),
            $t->direction($this->axis),
            $this->radius,
            $this->slope,
            $this->tube,
        );
    }

    /** Stretched along the axes of the frame about the origin; all factors above zero. */
    public function scaled(float $kx, float $ky, float $kz): ?self
    {
        if ($this->isFlat()) {
            return $this;
        }
        if ($this->patch !== null) {
            return self::free($this->name, $this->patch->scaled($kx, $ky, $kz));
        }
        $k = [$kx, $ky, $kz];
        $at = [$kx * $this->point[0], $ky * $this->point[1], $kz * $this->point[2]];
        if ($kx === $ky && $ky === $kz) {
            return new self($this->kind, $this->name, $at, $this->axis, $kx * $this->radius, $this->slope, $kx * $this->tube);
        }
        // a round along an axis stays round when both directions across grow alike
        foreach ([[0, 1, 2], [1, 2, 0], [2, 0, 1]] as [$a, $b, $c]) {
            if (
                in_array($this->kind, [SurfaceKind::Cylinder, SurfaceKind::Cone], true) &&
                abs($this->axis[$a]) > 1 - 1e-15 &&
                $k[$b] === $k[$c]
            ) {
                return new self($this->kind, $this->name, $at, $this->axis, $k[$b] * $this->radius, ($this->slope * $k[$b]) / $k[$a]);
            }
        }

        return null;
    }

    public function renamed(string $name): self
    {
        return new self($this->kind, $name, $this->point, $this->axis, $this->radius, $this->slope, $this->tube, $this->patch);
    }

    /**
     * A key that is equal for equal geometry, whatever step made it: the axis has a canonical sign and the
     * point is the axis' nearest point to the origin. Rounded to 1e-6 mm.
     */
    public function geometryKey(): string
    {
        if ($this->kind === SurfaceKind::Plane) {
            return 'plane';
        }
        [$a, $b, $c] = $this->point;
        if ($this->kind === SurfaceKind::Sphere) {
            return 'sphere|' . self::key($a, $b, $c, $this->radius);
        }
        if ($this->patch !== null) {
            return 'patch|' . spl_object_id($this->patch);
        }
        [$u, $v, $w] = $this->axis;
        $sign = $w < -1e-9 || (abs($w) <= 1e-9 && ($v < -1e-9 || (abs($v) <= 1e-9 && $u < 0))) ? -1.0 : 1.0;
        if ($this->kind === SurfaceKind::Cone) {
            // the apex and the opening say all
            $h = $this->slope == 0.0 ? 0.0 : -$this->radius / $this->slope;

            return 'cone|' . self::key($a + $h * $u, $b + $h * $v, $c + $h * $w, $u * $sign, $v * $sign, $w * $sign, $this->slope * $sign);
        }
        if ($this->kind === SurfaceKind::Torus) {
            return 'torus|' . self::key($a, $b, $c, $u * $sign, $v * $sign, $w * $sign, $this->radius, $this->tube);
        }
        $h = $a * $u + $b * $v + $c * $w;

        return 'cylinder|' . self::key($a - $h * $u, $b - $h * $v, $c - $h * $w, $u * $sign, $v * $sign, $w * $sign, $this->radius);
    }

    private static function key(float ...$numbers): string
    {
        return implode(',', array_map(static fn(float $n): string => (string) (int) round($n * 1e6), $numbers));
    }
}
