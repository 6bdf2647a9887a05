<?php

declare(strict_types=1);

namespace Cubo\Exchange;

use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;

/** The triangles of a mesh file as a solid: corners that lie in one place become one. */
final class MeshWelding
{
    public const MOST_TRIANGLES = 500_000;

    private const FARTHEST = 1e9;

    /**
     * Corners nearer than 1e-6 of the size are one point. A mesh that does not close is returned with twin -1 at its
     * borders; triangles without area are left out.
     *
     * @param list<array{float,float,float}> $points in units of the file
     * @param list<array{int,int,int}> $triangles numbers of points, counter-clockwise from outside
     * @param float $scale millimetres per unit of the file
     *
     * @throws UnreadableFile for no or too many triangles, numbers that are no coordinates, points that are not there
     */
    public static function of(array $points, array $triangles, float $scale): Solid
    {
        if ($triangles === []) {
            throw new UnreadableFile('The file holds no triangles.');
        }
        if (count($triangles) > self::MOST_TRIANGLES) {
            throw new UnreadableFile('The file holds more than ' . number_format(self::MOST_TRIANGLES, 0, '.', ' ') . ' triangles.');
        }
        $span = 0.0;
        foreach ($points as $p) {
            foreach ($p as $v) {
                if (! is_finite($v) || abs($v) > self::FARTHEST) {
                    throw new UnreadableFile('The file holds a number that is no coordinate.');
                }
                $span = max($span, abs($v));
            }
        }
        $grid = max(1e-6 * $span, 1e-12);
        $b = new SolidBuilder;
        $plane = $b->surface(Surface::plane('file:face'));
        $known = $of = [];
        foreach ($triangles as $corners) {
            $v = [];
            foreach ($corners as $i) {
                if (! isset($of[$i])) {
                    $p = $points[$i] ?? throw new UnreadableFile('A triangle names a corner that is not there.');
                    // a zero has no sign here
                    $key = (round($p[0] / $grid) + 0.0) . ',' . (round($p[1] / $grid) + 0.0) . ',' . (round($p[2] / $grid) + 0.0);
                    $of[$i] = $known[$key] ??= $b->vertex($p[0] * $scale, $p[1] * $scale, $p[2] * $scale);
                }
                $v[] = $of[$i];
            }
            if ($v[0] !== $v[1] && $v[1] !== $v[2] && $v[0] !== $v[2]) {
                $b->triangle($v[0], $v[1], $v[2], $b->facetThrough($v[0], $v[1], $v[2], $plane));
            }
        }

        return $b->buildOpen();
    }
}
