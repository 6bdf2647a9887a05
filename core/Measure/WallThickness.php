<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceEquation;

/**
 * The thinnest wall by the ray method (common practice, no source): from points all over the surface a ray goes
 * straight inward; where it leaves the part through a face that looks the other way, its length is the wall there.
 * Faces that lean more than 37 degrees against each other are the two sides of an edge, not of a wall.
 */
final readonly class WallThickness
{
    /** Cosine between the outward normals of the two sides of a wall, at most. */
    private const OPPOSED = -0.8;

    /**
     * @param float $thinnest mm, INF when no ray left
     * @param array{float,float,float}|null $spot in the middle of the wall
     */
    private function __construct(public float $thinnest, public ?array $spot) {}

    public static function of(Solid $s, TriangleTree $tree): self
    {
        return self::along($s, $tree, -1.0);
    }

    /** The narrowest gap: the same, measured outward from surface to surface. A narrow hole counts as one, too. */
    public static function gap(Solid $s, TriangleTree $tree): self
    {
        return self::along($s, $tree, 1.0);
    }

    private static function along(Solid $s, TriangleTree $tree, float $sign): self
    {
        $box = $s->vertexBox();
        $far = $box[3] - $box[0] + $box[4] - $box[1] + $box[5] - $box[2];
        $thinnest = INF;
        $spot = null;
        foreach (SurfaceSamples::all($s) as [$p, $n]) {
            $in = [$sign * $n[0], $sign * $n[1], $sign * $n[2]];
            // no hit beyond the thinnest wall so far is of interest
            $hit = $tree->firstHit($p, $in, 1e-4, min($far, $thinnest), static function (int $t) use ($s, $n): bool {
                $f = $s->facet[$t];

                return $s->nx[$f] * $n[0] + $s->ny[$f] * $n[1] + $s->nz[$f] * $n[2] < self::OPPOSED;
            });
            if ($hit !== null) {
                $length = $hit[0];
                $surface = $s->surfaceOfTriangle($hit[1]);
                if (!$surface->isFlat()) {
                    $q = [$p[0] + $length * $in[0], $p[1] + $length * $in[1], $p[2] + $length * $in[2]];
                    $q = SurfaceEquation::project($surface, $q);
                    $length = sqrt(($q[0] - $p[0]) ** 2 + ($q[1] - $p[1]) ** 2 + ($q[2] - $p[2]) ** 2);
                }
                if ($length < $thinnest) {
                    $thinnest = $length;
                    $spot = [$p[0] + ($length / 2) * $in[0], $p[1] + ($length / 2) * $in[1], $p[2] + ($length / 2) * $in[2]];
                }
            }
        }

        return new self($thinnest, $spot);
    }
}
