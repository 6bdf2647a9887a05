<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Solid\Solid;
use Cubo\Solid\SolidBuilder;
use Cubo\Solid\Surface;
use InvalidArgumentException;

/** Ready solids in their own frame, millimetres; every face named "$step:role". */
final class Primitives
{
    /**
     * A block with one corner at $min.
     *
     * @param array{float,float,float} $min
     * @param array{float,float,float} $size all positive
     */
    public static function block(string $step, array $min, array $size): Solid
    {
        self::positive(...$size);
        $b = new SolidBuilder();
        [$x0, $y0, $z0] = $min;
        [$x1, $y1, $z1] = [$x0 + $size[0], $y0 + $size[1], $z0 + $size[2]];
        foreach (
            [
                [$x0, $y0, $z0],
                [$x1, $y0, $z0],
                [$x1, $y1, $z0],
                [$x0, $y1, $z0],
                [$x0, $y0, $z1],
                [$x1, $y0, $z1],
                [$x1, $y1, $z1],
                [$x0, $y1, $z1],
            ]
            as $p
        ) {
            $b->vertex(...$p);
        }
        $sides = [
            'bottom' => [0, 0, -1, -$z0, 0, 3, 2, 1],
            'top' => [0, 0, 1, $z1, 4, 5, 6, 7],
            'front' => [0, -1, 0, -$y0, 0, 1, 5, 4],
            'right' => [1, 0, 0, $x1, 1, 2, 6, 5],
            'back' => [0, 1, 0, $y1, 2, 3, 7, 6],
            'left' => [-1, 0, 0, -$x0, 3, 0, 4, 7],
        ];
        foreach ($sides as $role => [$nx, $ny, $nz, $d, $p, $q, $r, $s]) {
            $f = $b->facet($nx, $ny, $nz, $d, $b->surface(Surface::plane("$step:$role")));
            $b->triangle($p, $q, $r, $f);
            $b->triangle($p, $r, $s, $f);
        }

        return $b->build();
    }

    /** An upright cylinder on the ground, axis = z. */
    public static function cylinder(string $step, float $radius, float $height): Solid
    {
        return self::cone($step, $radius, $radius, $height);
    }

    /** An upright cone or truncated cone on the ground, axis = z; one of the radii may be zero. */
    public static function cone(string $step, float $bottom, float $top, float $height): Solid
    {
        self::positive(max($bottom, $top), $height);
        if (min($bottom, $top) < 0) {
            throw new InvalidArgumentException('A radius is negative.');
        }
        $n = Fineness::facets(max($bottom, $top));
        $circle = Fineness::circle($n);
        $b = new SolidBuilder();
        $axis = [0.0, 0.0, 1.0];
        $side = $b->surface(
            $bottom == $top
                ? Surface::cylinder("$step:side", [0.0, 0.0, 0.0], $axis, $bottom)
                : Surface::cone("$step:side", [0.0, 0.0, 0.0], $axis, $bottom, ($top - $bottom) / $height),
        );
        $rings = [];
        foreach ([[$bottom, 0.0], [$top, $height]] as [$r, $z]) {
            $ring = [];
            foreach ($r > 0 ? $circle : [[0.0, 0.0]] as [$c, $s]) {
                $ring[] = $b->vertex($r * $c, $r * $s, $z);
            }
            $rings[] = $ring;
        }
        for ($i = 0; $i < $n; $i++) {
            $j = ($i + 1) % $n;
            $a = $rings[0][$i] ?? $rings[0][0];
            $c = $rings[0][$j] ?? $rings[0][0];
            $d = $rings[1][$j] ?? $rings[1][0];
            $e = $rings[1][$i] ?? $rings[1][0];
            if ($bottom == 0.0) {
                $b->triangle($a, $d, $e, $b->facetThrough($a, $d, $e, $side));
            } elseif ($top == 0.0) {
                $b->triangle($a, $c, $d, $b->facetThrough($a, $c, $d, $side));
            } else {
                $f = $b->facetThrough($a, $c, $d, $side);
                $b->triangle($a, $c, $d, $f);
                $b->triangle($a, $d, $e, $f);
            }
        }
        if ($bottom > 0) {
            self::disc($b, array_reverse($rings[0]), $b->facet(0, 0, -1, 0.0, $b->surface(Surface::plane("$step:bottom"))));
        }
        if ($top > 0) {
            self::disc($b, $rings[1], $b->facet(0, 0, 1, $height, $b->surface(Surface::plane("$step:top"))));
        }

        return $b->build();
    }

    /** A ball around the origin, poles on z. */
    public static function sphere(string $step, float $radius): Solid
    {
        self::positive($radius);
        $n = Fineness::facets($radius);
        $m = intdiv($n, 2);
        $circle = Fineness::circle($n);
        $b = new SolidBuilder();
        $s = $b->surface(Surface::sphere("$step:ball", [0.0, 0.0, 0.0], $radius));
        $rows = [[$b->vertex(0.0, 0.0, -$radius)]];
        for ($j = 1; $j < $m; $j++) {
            // rings follow the same circle as the meridian, so the equator is exact
            [$down, $out] = $circle[$j];
            $row = [];
            foreach ($circle as [$c, $t]) {
                $row[] = $b->vertex($radius * $out * $c, $radius * $out * $t, -$radius * $down);
            }
            $rows[] = $row;
        }
        $rows[] = [$b->vertex(0.0, 0.0, $radius)];
        for ($i = 0; $i < $n; $i++) {
            $k = ($i + 1) % $n;
            [$p, $u, $v] = [$rows[0][0], $rows[1][$k], $rows[1][$i]];
            $b->triangle($p, $u, $v, $b->facetThrough($p, $u, $v, $s));
            [$p, $u, $v] = [$rows[$m][0], $rows[$m - 1][$i], $rows[$m - 1][$k]];
            $b->triangle($p, $u, $v, $b->facetThrough($p, $u, $v, $s));
            for ($j = 1; $j < $m - 1; $j++) {
                [$a, $c, $d, $e] = [$rows[$j][$i], $rows[$j][$k], $rows[$j + 1][$k], $rows[$j + 1][$i]];
                $f = $b->facetThrough($a, $c, $d, $s);
                $b->triangle($a, $c, $d, $f);
                $b->triangle($a, $d, $e, $f);
            }
        }

        return $b->build();
    }

    /** @param list<int> $ring counter-clockwise seen from outside */
    private static function disc(SolidBuilder $b, array $ring, int $facet): void
    {
        // every second corner is cut, round after round: small triangles at the rim meet little of what lies on the disc
        while (true) {
            $left = [];
            $n = count($ring);
            for ($i = 0; $i < $n; $i += 2) {
                $left[] = $ring[$i];
                if ($i + 2 <= $n) {
                    $b->triangle($ring[$i], $ring[$i + 1], $ring[($i + 2) % $n], $facet);
                }
            }
            if ($n <= 4) {
                return;
            }
            $ring = $left;
        }
    }

    private static function positive(float ...$sizes): void
    {
        foreach ($sizes as $s) {
            // asked apart: a comparison alone does not find NAN under every JIT
            if (!is_finite($s) || $s <= 0) {
                throw new InvalidArgumentException('A size is not a number above zero.');
            }
        }
    }
}
