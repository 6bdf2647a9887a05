<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Geometry\Transform;
use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceEquation;

/**
 * How far a part is from being its own mirror image in a plane, or from lying on itself when it is turned: the greatest distance between the
 * surface and its image, over corners, side middles and centres of all triangles, moved onto the true surface.
 */
final readonly class Symmetry
{
    /** Less than this, mm, is no asymmetry, nor less than this share of the part. */
    public const ALIKE = 0.05;

    public const ALIKE_SHARE = 1e-3;

    /**
     * @param float $deviation mm
     * @param array{float,float,float}|null $worst the spot on the part, null when there is none
     */
    private function __construct(public float $deviation, public ?array $worst) {}

    /** How much a part of this size may differ from its image and still be called symmetric, mm. */
    public static function alike(Bounds $bounds): float
    {
        return max(self::ALIKE, self::ALIKE_SHARE * max($bounds->size()));
    }

    /**
     * @param int $axis 0, 1 or 2: the plane stands across x, y or z
     * @param float|null $at where the plane is, mm; the middle of the part when null
     * @param float $enough once the deviation is above this, mm, the rest is not looked at
     */
    public static function across(Solid $s, int $axis, Bounds $bounds, TriangleTree $tree, ?float $at = null, float $enough = INF): self
    {
        $twice = $at === null ? $bounds->min[$axis] + $bounds->max[$axis] : 2 * $at;

        return self::imaged(
            $s,
            max($bounds->size()) + abs($twice - $bounds->min[$axis] - $bounds->max[$axis]),
            $tree,
            $enough,
            static function (array $p) use ($axis, $twice): array {
                $p[$axis] = $twice - $p[$axis];

                return $p;
            },
        );
    }

    /**
     * Turned about an axis through a point by the n-th part of a full turn.
     *
     * @param array{float,float,float} $through
     */
    public static function turned(Solid $s, int $axis, int $n, array $through, TriangleTree $tree, float $enough = INF): self
    {
        $turn = Transform::rotation($axis, 360 / $n, $through);
        $box = $s->vertexBox();

        return self::imaged($s, 2 * max($box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2]), $tree, $enough, $turn->point(...));
    }

    /** @param callable(array{float,float,float}): array{float,float,float} $image */
    private static function imaged(Solid $s, float $limit, TriangleTree $tree, float $enough, callable $image): self
    {
        $rise = self::rise($s);
        $reach = 1.01 * ($rise === [] ? 0.0 : max($rise)) + 1e-6;
        $worst = null;
        $most = 0.0;
        $points = array_map(static fn(array $sample): array => $sample[0], SurfaceSamples::all($s));
        // parts are mostly divided alike on both sides: a point whose image is another point needs no search
        $there = [];
        foreach ($points as $p) {
            $there[self::key($p)] = true;
        }
        // spread over the part first, so that what is not alike is soon found
        $stride = max(1, intdiv(count($points), 97));
        for ($begin = 0; $begin < $stride; $begin++) {
            for ($i = $begin; $i < count($points); $i += $stride) {
                $p = $points[$i];
                $q = $image($p);
                if (isset($there[self::key($q)])) {
                    continue;
                }
                // most points lie no farther off than the worst so far: look nearby first
                [$d, $t] = $tree->nearest($q, $most + $reach);
                if ($t === null) {
                    [$d, $t] = $tree->nearest($q, $limit);
                }
                if ($t !== null) {
                    $d = self::toTrueSurface($s, $t, $rise, $q, $d);
                }
                if ($d > $most) {
                    $most = $d;
                    $worst = $p;
                    if ($d > $enough) {
                        return new self($most, $worst);
                    }
                }
            }
        }

        return new self($most, $worst);
    }

    /** @param array{float,float,float} $p */
    private static function key(array $p): string
    {
        return (int) round($p[0] * 1e4) . ' ' . (int) round($p[1] * 1e4) . ' ' . (int) round($p[2] * 1e4);
    }

    /**
     * The distance to the true surface behind a facet. It differs from the distance to the facet by no more than the
     * surface's facets rise; where it would differ by more, p lies beyond the face's rim and the facet's distance stands.
     *
     * @param array<int, float> $rise by surface
     * @param array{float,float,float} $p
     */
    private static function toTrueSurface(Solid $s, int $t, array $rise, array $p, float $toFacet): float
    {
        $i = $s->surfaceOf[$s->facet[$t]];
        if (!isset($rise[$i])) {
            return $toFacet;
        }
        $true = abs(SurfaceEquation::distance($s->surfaces[$i], $p));

        return abs($true - $toFacet) <= 1.01 * $rise[$i] + 1e-9 ? $true : $toFacet;
    }

    /**
     * How far the facets of each curved surface stray from it at the most.
     *
     * @return array<int, float> by surface
     */
    private static function rise(Solid $s): array
    {
        $rise = [];
        foreach ($s->facet as $t => $f) {
            $surface = $s->surfaces[$s->surfaceOf[$f]];
            if ($surface->isFlat()) {
                continue;
            }
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            foreach ([[1 / 3, 1 / 3, 1 / 3], [0.5, 0.5, 0.0], [0.0, 0.5, 0.5], [0.5, 0.0, 0.5]] as [$u, $v, $w]) {
                $away = abs(
                    SurfaceEquation::distance($surface, [
                        $u * $s->x[$a] + $v * $s->x[$b] + $w * $s->x[$c],
                        $u * $s->y[$a] + $v * $s->y[$b] + $w * $s->y[$c],
                        $u * $s->z[$a] + $v * $s->z[$b] + $w * $s->z[$c],
                    ]),
                );
                $rise[$s->surfaceOf[$f]] = max($rise[$s->surfaceOf[$f]] ?? 0.0, $away);
            }
        }

        return $rise;
    }
}
