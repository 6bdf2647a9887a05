<?php

declare(strict_types=1);

namespace Cubo\Solid\Layer;

use Closure;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;
use Cubo\Solid\SurfaceEquation;
use Cubo\Solid\SurfaceKind;

/**
 * Layers between the faces of a solid and where they come to lie when they are moved along their normals, each a solid of
 * its own with the true surface of the moved face.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Layers
{
    /** @param Closure(string): string $named name of the moved face */
    public function __construct(
        private readonly Skin $skin,
        private readonly Inset $inset,
        private readonly Closure $named,
        private readonly string $step,
    ) {}

    /** The layer of one face; null for a face that stays, or whose layer is nothing. */
    public function of(int $face): ?Solid
    {
        $skin = $this->skin;
        $s = $skin->solid;
        $f = $skin->faces[$face];
        if ($f->by == 0.0) {
            return null;
        }
        $g = $this->gathering($f);
        $own = $g->surface($f->surface);
        $moved = $g->surface($this->inset->surface($face, ($this->named)($f->surface->name)));
        $walls = [];
        // inwards the face itself looks outwards and what is moved looks inwards; outwards it is the other way round
        $add = static fn(array $a, array $b, array $c, int $surface, string $facet = '') => $f->by < 0
            ? $g->triangle($a, $b, $c, $surface, $facet)
            : $g->triangle($a, $c, $b, $surface, $facet);
        foreach ($f->triangles as $t) {
            $points = $images = [];
            for ($k = 0; $k < 3; $k++) {
                $v = $s->start[3 * $t + $k];
                $points[] = [$skin->point($v), false];
                $images[] = $this->inset->image($face, $v);
            }
            $add($points[0], $points[1], $points[2], $own, (string) $s->facet[$t]);
            $add($images[2], $images[1], $images[0], $moved, (string) $s->facet[$t]);
            for ($k = 0; $k < 3; $k++) {
                $h = 3 * $t + $k;
                $beside = $skin->beyond($h);
                if ($beside === $face) {
                    continue;
                }
                $wall = $walls[$beside] ??= $g->surface($this->wall($face, $beside));
                [$a, $b, $c, $d] = [$points[$k], $points[($k + 1) % 3], $images[($k + 1) % 3], $images[$k]];
                foreach (self::quad($b, $a, $d, $c, $s->start[$h] < $skin->end($h)) as [$p, $q, $r]) {
                    $add($p, $q, $r, $wall);
                }
            }
        }

        return $g->solid();
    }

    /**
     * Two triangles of a quadrilateral; layers and wedges side by side use the same diagonal.
     *
     * @template P
     *
     * @param P $p
     * @param P $q
     * @param P $r
     * @param P $s
     * @param bool $second whether the diagonal runs from q to s, else from p to r
     * @return list<array{P, P, P}>
     */
    public static function quad(mixed $p, mixed $q, mixed $r, mixed $s, bool $second): array
    {
        return $second ? [[$p, $q, $s], [$q, $r, $s]] : [[$p, $q, $r], [$p, $r, $s]];
    }

    private function gathering(Face $f): Gathering
    {
        $u = $f->surface;
        if ($u->kind === SurfaceKind::Torus && $u->tube + $f->sign * $f->by <= 1e-9) {
            $x = Vector::across($u->axis);
            $y = Vector::cross($u->axis, $x);

            return new Gathering(
                static fn(array $p): float => atan2(
                    Vector::dot(Vector::sub($p, $u->point), $y),
                    Vector::dot(Vector::sub($p, $u->point), $x),
                ),
                true,
            );
        }

        return $u->isFlat() || $u->patch !== null
            ? new Gathering()
            : new Gathering(static fn(array $p): float => Vector::dot(Vector::sub($p, $u->point), $u->axis));
    }

    /** What a layer ends with beside another face, where that can be seen: a cylinder beside a ring, else flat. */
    private function wall(int $face, int $beside): Surface
    {
        $name = "{$this->step}:end of {$this->skin->faces[$beside]->surface->name}";
        $u = $this->skin->faces[$face]->surface;
        if ($u->kind !== SurfaceKind::Torus || !$this->inset->runOn($face, $beside)) {
            return Surface::plane($name);
        }
        $r = null;
        foreach ($this->skin->faces[$face]->triangles as $t) {
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                if ($this->skin->beyond($h) !== $beside) {
                    continue;
                }
                $v = $this->skin->solid->start[$h];
                foreach ([$this->skin->point($v), $this->inset->image($face, $v)[0]] as $p) {
                    $d = SurfaceEquation::distance(Surface::cylinder('', $u->point, $u->axis, $u->radius), $p);
                    if (abs($d) > 1e-6) {
                        return Surface::plane($name);
                    }
                }
                $r = $u->radius;
            }
        }

        return $r === null ? Surface::plane($name) : Surface::cylinder($name, $u->point, $u->axis, $r);
    }
}
