<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;
use Cubo\Solid\SurfaceKind;

/** Holes, bosses and flats recognised from the true surfaces of a solid, however it was made. */
final readonly class Features
{
    /**
     * @param list<Hole> $holes
     * @param list<Flat> $flats
     * @param list<Hole> $bosses full-round cylinders that stand out
     */
    private function __construct(public array $holes, public array $flats, public array $bosses) {}

    public static function of(Solid $s, ?TriangleTree $tree = null): self
    {
        $tree ??= new TriangleTree($s);

        return new self(self::cylinders($s, $tree, true), self::flats($s), self::cylinders($s, $tree, false));
    }

    /** @return list<Hole> full-round cylinders, hollow ones or such that stand out */
    private static function cylinders(Solid $s, TriangleTree $tree, bool $hollow): array
    {
        $keys = $groups = [];
        foreach ($s->facet as $t => $f) {
            $i = $s->surfaceOf[$f];
            $surface = $s->surfaces[$i];
            if ($surface->kind !== SurfaceKind::Cylinder) {
                continue;
            }
            $v = $s->start[3 * $t];
            $d = [$s->x[$v] - $surface->point[0], $s->y[$v] - $surface->point[1], $s->z[$v] - $surface->point[2]];
            $along = $d[0] * $surface->axis[0] + $d[1] * $surface->axis[1] + $d[2] * $surface->axis[2];
            $outward = $d[0] * $s->nx[$f] + $d[1] * $s->ny[$f] + $d[2] * $s->nz[$f] > $along * ($surface->axis[0] * $s->nx[$f] + $surface->axis[1] * $s->ny[$f] + $surface->axis[2] * $s->nz[$f]);
            if ($outward === $hollow) {
                continue;
            }
            $groups[$keys[$i] ??= $surface->geometryKey()][] = $t;
        }
        $holes = [];
        foreach ($groups as $triangles) {
            $surface = $s->surfaceOfTriangle($triangles[0]);
            $a = $surface->axis;
            $sign = 1.0;
            foreach ($a as $v) {
                if (abs($v) > 1e-9) {
                    $sign = $v > 0 ? 1.0 : -1.0;
                }
            }
            $a = [$a[0] * $sign + 0.0, $a[1] * $sign + 0.0, $a[2] * $sign + 0.0];
            // pieces of one cylinder with a gap between them are holes of their own
            foreach (self::stretches($s, $triangles, $surface->point, $a) as [$from, $to, $turn]) {
                if ($turn < 2 * M_PI - 0.05) {
                    continue;
                }
                $at = static fn (float $h): array => [$surface->point[0] + $h * $a[0], $surface->point[1] + $h * $a[1], $surface->point[2] + $h * $a[2]];
                $open = $hollow && Through::is($tree, $at(($from + $to) / 2), $a, ($to - $from) / 2, $surface->radius, 4 * self::reach($s));
                $holes[] = new Hole($a, $at(($from + $to) / 2), $surface->radius, $from, $to, $open);
            }
        }
        usort($holes, static fn (Hole $p, Hole $q): int => array_map(static fn (float $v): float => round($v, 6), $p->point) <=> array_map(static fn (float $v): float => round($v, 6), $q->point));

        return $holes;
    }

    /**
     * @param list<int> $triangles
     * @param array{float,float,float} $point
     * @param array{float,float,float} $axis
     * @return list<array{float,float,float}> from, to along the axis and how far round (radians)
     */
    private static function stretches(Solid $s, array $triangles, array $point, array $axis): array
    {
        $spans = [];
        foreach ($triangles as $t) {
            $h = [];
            for ($k = 3 * $t; $k < 3 * $t + 3; $k++) {
                $v = $s->start[$k];
                $h[] = ($s->x[$v] - $point[0]) * $axis[0] + ($s->y[$v] - $point[1]) * $axis[1] + ($s->z[$v] - $point[2]) * $axis[2];
            }
            $spans[] = [min($h), max($h), $t];
        }
        sort($spans);
        $out = [];
        foreach ($spans as [$lo, $hi, $t]) {
            $last = count($out) - 1;
            if ($last >= 0 && $lo <= $out[$last][1] + 1e-6) {
                $out[$last][1] = max($out[$last][1], $hi);
            } else {
                $out[] = [$lo, $hi, []];
                $last++;
            }
            $f = $s->facet[$t];
            // one facet is one strip: its width on the cylinder, counted once
            $out[$last][2][$f] = true;
        }
        foreach ($out as $i => [$lo, $hi, $facets]) {
            $radius = $s->surfaceOfTriangle($triangles[0])->radius;
            $turn = 0.0;
            foreach (array_keys($facets) as $f) {
                $d = abs($s->offset[$f] - ($s->nx[$f] * $point[0] + $s->ny[$f] * $point[1] + $s->nz[$f] * $point[2]));
                $turn += 2 * acos(min(1.0, $d / $radius));
            }
            $out[$i][2] = $turn;
        }

        return $out;
    }

    private static function reach(Solid $s): float
    {
        $b = $s->vertexBox();

        return $b[3] - $b[0] + $b[4] - $b[1] + $b[5] - $b[2];
    }

    /** @return list<Flat> flats, largest first; coplanar facets that face the same way count as one */
    private static function flats(Solid $s): array
    {
        $sum = [];
        foreach ($s->facet as $t => $f) {
            if (! $s->surfaces[$s->surfaceOf[$f]]->isFlat()) {
                continue;
            }
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            $ux = $s->x[$b] - $s->x[$a];
            $uy = $s->y[$b] - $s->y[$a];
            $uz = $s->z[$b] - $s->z[$a];
            $wx = $s->x[$c] - $s->x[$a];
            $wy = $s->y[$c] - $s->y[$a];
            $wz = $s->z[$c] - $s->z[$a];
            $area = sqrt(($uy * $wz - $uz * $wy) ** 2 + ($uz * $wx - $ux * $wz) ** 2 + ($ux * $wy - $uy * $wx) ** 2) / 2;
            $key = round($s->nx[$f] * 1e6) . '|' . round($s->ny[$f] * 1e6) . '|' . round($s->nz[$f] * 1e6) . '|' . round($s->offset[$f] * 1e5);
            $key = str_replace('-0|', '0|', $key . '|');
            $sum[$key] ??= [[$s->nx[$f], $s->ny[$f], $s->nz[$f]], $s->offset[$f], 0.0, [0.0, 0.0, 0.0]];
            $sum[$key][2] += $area;
            $sum[$key][3][0] += $area * ($s->x[$a] + $s->x[$b] + $s->x[$c]) / 3;
            $sum[$key][3][1] += $area * ($s->y[$a] + $s->y[$b] + $s->y[$c]) / 3;
            $sum[$key][3][2] += $area * ($s->z[$a] + $s->z[$b] + $s->z[$c]) / 3;
        }
        $flats = [];
        foreach ($sum as [$n, $d, $area, $m]) {
            if ($area > 1e-9) {
                $flats[] = new Flat($n, $d, $area, [$m[0] / $area, $m[1] / $area, $m[2] / $area]);
            }
        }
        usort($flats, static fn (Flat $p, Flat $q): int => round($q->area, 6) <=> round($p->area, 6) ?: [$p->normal, $p->offset] <=> [$q->normal, $q->offset]);

        return $flats;
    }
}
