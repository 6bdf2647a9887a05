<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceEquation;

/** Points spread over the true surface of a solid, with the outward normal there. */
final class SurfaceSamples
{
    /** Of finer parts only every second, third ... triangle is looked at. */
    private const MOST = 6000;

    /** @var \WeakMap<Solid, list<array{array{float,float,float}, array{float,float,float}, int}>>|null */
    private static ?\WeakMap $known = null;

    /**
     * The same as of(), kept as long as the solid is: symmetry, walls and alignment look at the same points.
     *
     * @return list<array{array{float,float,float}, array{float,float,float}, int}>
     */
    public static function all(Solid $s): array
    {
        self::$known ??= new \WeakMap();

        return self::$known[$s] ??= iterator_to_array(self::of($s), false);
    }

    /**
     * Centres of all triangles, middles of all sides inside a face, and further points on triangles that are large.
     *
     * @return iterable<array{array{float,float,float}, array{float,float,float}, int}> point, normal, triangle
     */
    public static function of(Solid $s): iterable
    {
        $box = $s->vertexBox();
        $large = (max($box[3] - $box[0], $box[4] - $box[1], $box[5] - $box[2]) / 8) ** 2;
        $stride = intdiv(count($s->facet), self::MOST) + 1;
        foreach ($s->facet as $t => $f) {
            if ($t % $stride !== 0) {
                continue;
            }
            $h = 3 * $t;
            $c = [];
            for ($k = 0; $k < 3; $k++) {
                $v = $s->start[$h + $k];
                $c[] = [$s->x[$v], $s->y[$v], $s->z[$v]];
            }
            $n = [$s->nx[$f], $s->ny[$f], $s->nz[$f]];
            $surface = $s->surfaces[$s->surfaceOf[$f]];
            $area =
                abs(
                    $n[0] * (($c[1][1] - $c[0][1]) * ($c[2][2] - $c[0][2]) - ($c[1][2] - $c[0][2]) * ($c[2][1] - $c[0][1])) +
                        $n[1] * (($c[1][2] - $c[0][2]) * ($c[2][0] - $c[0][0]) - ($c[1][0] - $c[0][0]) * ($c[2][2] - $c[0][2])) +
                        $n[2] * (($c[1][0] - $c[0][0]) * ($c[2][1] - $c[0][1]) - ($c[1][1] - $c[0][1]) * ($c[2][0] - $c[0][0])),
                ) / 2;
            $weights = [[1 / 3, 1 / 3, 1 / 3]];
            foreach ([[0.5, 0.5, 0.0], [0.0, 0.5, 0.5], [0.5, 0.0, 0.5]] as $k => $w) {
                $o = $s->twin[$h + $k];
                if ($o > $h + $k && $s->surfaces[$s->surfaceOf[$s->facet[intdiv($o, 3)]]] === $surface) {
                    $weights[] = $w;
                }
            }
            $m = $area > $large ? (int) min(8, ceil(sqrt($area / $large)) + 1) : 1;
            for ($i = 0; $m > 1 && $i < $m; $i++) {
                for ($j = 0; $i + $j < $m; $j++) {
                    $weights[] = [($i + 1 / 3) / $m, ($j + 1 / 3) / $m, 1 - ($i + $j + 2 / 3) / $m];
                }
            }
            foreach ($weights as [$a, $b, $g]) {
                $p = [
                    $a * $c[0][0] + $b * $c[1][0] + $g * $c[2][0],
                    $a * $c[0][1] + $b * $c[1][1] + $g * $c[2][1],
                    $a * $c[0][2] + $b * $c[1][2] + $g * $c[2][2],
                ];
                yield $surface->isFlat()
                    ? [$p, $n, $t]
                    : [SurfaceEquation::project($surface, $p), SurfaceEquation::outward($surface, $p, $n), $t];
            }
        }
    }
}
