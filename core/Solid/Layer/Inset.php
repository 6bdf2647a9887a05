<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Cubo\Geometry\LeastStep;
use Cubo\Geometry\Vector;
use Cubo\Solid\OffsetPatch;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * Where the points of a face come to lie when it is moved along its normal, so that flat facets stay flat. A round face
 * that would be moved past its own axis, centre or middle circle ends there: it has fallen. An image is a point and whether it has fallen.
 *
 * @phpstan-type V array{float,float,float}
 * @phpstan-type Image array{V, bool}
 */
final class Inset
{
    /** sine of the angle below which two faces run on smoothly: much more than rounding, much less than anybody models */
    public const SMOOTH = 2e-4;

    /** sine of the angle by which the corners of bulging faces may miss that they touch */
    private const BULGING = 0.4;

    private const NOTHING = 1e-9;

    /** of the least radius of curvature: a free face goes no farther */
    private const NEARLY = 0.999;

    /** @var array<string, Image> */
    private array $images = [];

    /** @var array<string, bool> pairs of faces that run on smoothly into each other */
    private array $smooth = [];

    public function __construct(public readonly Skin $skin)
    {
        $this->findSmooth();
    }

    /** Whether two faces run on smoothly into each other where they meet. */
    public function runOn(int $f, int $g): bool
    {
        return $this->smooth[min($f, $g) . ',' . max($f, $g)] ?? false;
    }

    /**
     * The true outward normal of a face at a point of it.
     *
     * @param V $p
     * @return V
     */
    public function normal(int $f, array $p): array
    {
        $face = $this->skin->faces[$f];
        $s = $face->surface;
        if ($s->isFlat()) {
            return $face->normal;
        }
        if (
            $s->kind === SurfaceKind::Cone &&
            abs($s->radius + $s->slope * Vector::dot(Vector::sub($p, $s->point), $s->axis)) < self::NOTHING
        ) {
            // at the tip
            return Vector::add([0.0, 0.0, 0.0], $s->axis, $s->slope > 0 ? -$face->sign : $face->sign);
        }
        $g = SurfaceEquation::outward($s, $p, [0.0, 0.0, 0.0]);

        return [$face->sign * $g[0], $face->sign * $g[1], $face->sign * $g[2]];
    }

    /**
     * Signed distance from the surface of a face, positive outside of the solid.
     *
     * @param V $p
     */
    public function distance(int $f, array $p): float
    {
        $face = $this->skin->faces[$f];

        return $face->surface->isFlat()
            ? Vector::dot($face->normal, $p) - $face->offset
            : $face->sign * SurfaceEquation::distance($face->surface, $p);
    }

    /**
     * Where a vertex comes to lie on a face; the same for all faces that run on smoothly there.
     *
     * @return Image
     */
    public function image(int $f, int $v): array
    {
        if (isset($this->images["$f,$v"])) {
            return $this->images["$f,$v"];
        }
        $p = $this->skin->point($v);
        $own = $this->moved($f, $p);
        $face = $this->skin->faces[$f];
        if (!$own[1] && !$face->surface->isFlat()) {
            foreach ($this->skin->at[$v] as $g) {
                $other = $this->skin->faces[$g];
                if ($g === $f || $other->by !== $face->by || (!$other->surface->isFlat() && $g > $f) || !$this->runOn($f, $g)) {
                    continue;
                }
                $image = $this->moved($g, $p);
                if (!$image[1]) {
                    $own = $image;
                    break;
                }
            }
        }

        return $this->images["$f,$v"] = $own;
    }

    /**
     * @param V $p
     * @return Image
     */
    private function moved(int $f, array $p): array
    {
        $face = $this->skin->faces[$f];
        $s = $face->surface;
        $out = $face->sign * $face->by;

        return match (true) {
            $face->by == 0.0 => [$p, false],
            $s->isFlat() => [Vector::add($p, $face->normal, $face->by), false],
            $s->kind === SurfaceKind::Sphere => self::fromCentre($s->point, $p, $s->radius, $out),
            $s->kind === SurfaceKind::Torus => self::onRing($s, $p, $out),
            $s->kind === SurfaceKind::Patch => [self::onPatch($face, $p), false],
            default => self::acrossAxis($s, $p, $out),
        };
    }

    /**
     * @param V $centre
     * @param V $p
     * @return Image
     */
    private static function fromCentre(array $centre, array $p, float $radius, float $out): array
    {
        $k = ($radius + $out) / $radius;

        return $k < self::NOTHING ? [$centre, true] : [Vector::add($centre, Vector::sub($p, $centre), $k), false];
    }

    /**
     * A cylinder or cone moved by `out` along its own normal.
     *
     * @param V $p
     * @return Image
     */
    private static function acrossAxis(Surface $s, array $p, float $out): array
    {
        $d = Vector::sub($p, $s->point);
        $h = Vector::dot($d, $s->axis);
        $foot = Vector::add($s->point, $s->axis, $h);
        $r = $s->radius + $s->slope * $h;
        $cos = 1 / sqrt(1 + $s->slope ** 2);
        if ($out < 0 && $r + $out * $cos < self::NOTHING * max(1.0, $s->radius)) {
            // where the normal meets the axis
            return [Vector::add($foot, $s->axis, max(0.0, $r) * $s->slope), true];
        }
        if ($r < self::NOTHING) {
            // the tip of a hollow cone: the tip of the moved one
            return [Vector::add($foot, $s->axis, -$out / ($s->slope * $cos)), false];
        }

        return [Vector::add(Vector::add($foot, Vector::sub($p, $foot), 1 + ($out * $cos) / $r), $s->axis, -$out * $s->slope * $cos), false];
    }

    /**
     * @param V $p
     * @return Image
     */
    private static function onRing(Surface $s, array $p, float $out): array
    {
        $d = Vector::sub($p, $s->point);
        [$q, $fallen] = self::fromCentre(Vector::sub($p, SurfaceEquation::fromTube($s, $d)), $p, $s->tube, $out);
        $across = static fn(array $e): array => Vector::add($e, $s->axis, -Vector::dot($e, $s->axis));
        $before = $across($d);
        $r = Vector::length($before);
        $e = Vector::sub($q, $s->point);
        $after = $r > 0 ? Vector::dot($across($e), $before) / $r : 0.0;
        if ($after >= self::NOTHING || $fallen) {
            return [$q, $fallen];
        }
        // past the axis of the ring: it ends there
        $h = Vector::dot($d, $s->axis);

        return [Vector::add($s->point, $s->axis, $h + ($r / max(1e-12, $r - $after)) * (Vector::dot($e, $s->axis) - $h)), true];
    }

    /**
     * @param V $p
     * @return V
     */
    private static function onPatch(Face $face, array $p): array
    {
        [, $n, $sum, $product] = $face->surface->patch?->foot($p) ?? [$p, $face->normal, 0.0, 0.0];
        // bends towards where it is moved are positive here
        $bend = (($face->sign * $sum) / 2) * ($face->by < 0 ? -1 : 1);
        $most = $bend + sqrt(max(0.0, $bend * $bend - $product));
        $by = $most > 0 ? min(abs($face->by), self::NEARLY / $most) : abs($face->by);

        return Vector::add($p, $n, $face->sign * ($face->by < 0 ? -$by : $by));
    }

    /** The true surface of a face after it is moved. */
    public function surface(int $f, string $name): Surface
    {
        $face = $this->skin->faces[$f];
        $s = $face->surface;
        $out = $face->sign * $face->by;

        return match (true) {
            $s->isFlat() => $s->renamed($name),
            $s->patch !== null => Surface::free($name, OffsetPatch::of($s->patch, $out)),
            $s->kind === SurfaceKind::Torus => Surface::torus($name, $s->point, $s->axis, $s->radius, max(self::NOTHING, $s->tube + $out)),
            $s->kind === SurfaceKind::Cone => Surface::cone(
                $name,
                $s->point,
                $s->axis,
                $s->radius + $out * sqrt(1 + $s->slope ** 2),
                $s->slope,
            ),
            default => new Surface($s->kind, $name, $s->point, $s->axis, max(self::NOTHING, $s->radius + $out)),
        };
    }

    /**
     * The point where the moved faces meet, by the shortest way from p: Newton's method on the distances that their images
     * have. A face that has fallen leaves only its axis to go along.
     *
     * @param V $p
     * @param list<array{int, Image}> $faces each with its image of p
     * @return V
     */
    public function meet(array $p, array $faces): array
    {
        foreach ($faces as $k => [, [$on, $fallen]]) {
            if ($fallen) {
                $others = array_values(array_filter($faces, static fn(array $o): bool => !$o[1][1]));

                return count($faces) === 2 && $others !== [] ? $this->alongAxis($faces[$k][0], $on, $others[0]) : self::average($faces);
            }
        }
        $q = $p;
        foreach ($faces as [, [$on]]) {
            $q = Vector::add($q, Vector::sub($on, $p));
        }
        for ($i = 0; $i < 20; $i++) {
            $rows = [];
            foreach ($faces as [$f, [$on]]) {
                $rows[] = [$this->distance($f, $q) - $this->distance($f, $on), $this->normal($f, $q)];
            }
            $step = LeastStep::of($rows);
            $q = Vector::add($q, $step);
            if (Vector::length($step) < 1e-13 * (1 + Vector::length($q))) {
                break;
            }
        }

        return is_finite($q[0] + $q[1] + $q[2]) ? $q : self::average($faces);
    }

    /**
     * @param V $on
     * @param array{int, Image} $other
     * @return V
     */
    private function alongAxis(int $f, array $on, array $other): array
    {
        $s = $this->skin->faces[$f]->surface;
        [$g, [$image]] = $other;
        $wanted = $this->distance($g, $image);
        // a ball has fallen to a point
        $q = $on;
        for ($i = 0; $i < 20 && $s->kind !== SurfaceKind::Sphere && $s->kind !== SurfaceKind::Torus; $i++) {
            $slope = Vector::dot($this->normal($g, $q), $s->axis);
            if (abs($slope) < 1e-3) {
                break;
            }
            $step = ($wanted - $this->distance($g, $q)) / $slope;
            $q = Vector::add($q, $s->axis, $step);
            if (abs($step) < 1e-13 * (1 + Vector::length($q))) {
                break;
            }
        }

        return $q;
    }

    /**
     * @param list<array{int, Image}> $faces
     * @return V
     */
    private static function average(array $faces): array
    {
        $q = [0.0, 0.0, 0.0];
        foreach ($faces as [, [$on]]) {
            $q = Vector::add($q, $on, 1 / count($faces));
        }

        return $q;
    }

    /** Smoothness is judged by the middle value along where two faces meet: single vertices lie on chords. */
    private function findSmooth(): void
    {
        $skin = $this->skin;
        $bends = [];
        foreach ($skin->solid->start as $h => $v) {
            $f = $skin->faceOf[intdiv($h, 3)];
            $g = $skin->beyond($h);
            if ($f < $g) {
                $p = $skin->point($v);
                [$m, $n] = [$this->normal($f, $p), $this->normal($g, $p)];
                $bends["$f,$g"][] = Vector::dot($m, $n) > 0 ? Vector::length(Vector::cross($m, $n)) : 1.0;
            }
        }
        foreach ($bends as $pair => $list) {
            sort($list);
            $middle = $list[intdiv(count($list), 2)];
            [$f, $g] = array_map(intval(...), explode(',', $pair));
            $this->smooth[$pair] =
                $middle < self::SMOOTH || ($middle < self::BULGING && Tangency::touch($skin->faces[$f], $skin->faces[$g]));
        }
    }
}
