<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Budget\Budget;
use Cubo\Budget\OverBudget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Solid;

/** The separate pieces of a solid: triangles joined over edges; a hollow inside a piece belongs to it. */
final class Bodies
{
    /**
     * @return list<list<int>> triangles of each body, the body with the least first triangle first
     *
     * @throws OverBudget
     */
    public static function of(Solid $s, ?Budget $budget = null): array
    {
        $budget?->spend($s->triangleCount());
        $shells = [];
        $of = [];
        foreach ($s->facet as $t => $_) {
            if (isset($of[$t])) {
                continue;
            }
            $id = count($shells);
            $of[$t] = $id;
            $stack = [$t];
            $members = [];
            while ($stack !== []) {
                $q = array_pop($stack);
                $members[] = $q;
                for ($k = 0; $k < 3; $k++) {
                    $o = intdiv($s->twin[3 * $q + $k], 3);
                    // past the border of an open mesh there is nothing
                    if ($s->twin[3 * $q + $k] >= 0 && !isset($of[$o])) {
                        $of[$o] = $id;
                        $stack[] = $o;
                    }
                }
            }
            $shells[] = $members;
        }
        if (count($shells) < 2) {
            return $shells;
        }
        // a shell that encloses negative volume is the inside of another one: give it to the smallest shell around it
        $volume = $box = [];
        foreach ($shells as $i => $members) {
            $volume[$i] = 0.0;
            $lo = [INF, INF, INF];
            $hi = [-INF, -INF, -INF];
            foreach ($members as $t) {
                [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
                $volume[$i] +=
                    ($s->x[$a] * ($s->y[$b] * $s->z[$c] - $s->z[$b] * $s->y[$c]) +
                        $s->y[$a] * ($s->z[$b] * $s->x[$c] - $s->x[$b] * $s->z[$c]) +
                        $s->z[$a] * ($s->x[$b] * $s->y[$c] - $s->y[$b] * $s->x[$c])) /
                    6;
                foreach ([$a, $b, $c] as $v) {
                    foreach ([$s->x[$v], $s->y[$v], $s->z[$v]] as $k => $value) {
                        $lo[$k] = min($lo[$k], $value);
                        $hi[$k] = max($hi[$k], $value);
                    }
                }
            }
            $box[$i] = [$lo, $hi];
        }
        $bodies = array_filter($shells, static fn(int $i): bool => $volume[$i] > 0, ARRAY_FILTER_USE_KEY);
        foreach ($shells as $i => $members) {
            if ($volume[$i] > 0) {
                continue;
            }
            $home = null;
            foreach (array_keys($bodies) as $j) {
                $around = true;
                $budget?->spend(1);
                for ($k = 0; $k < 3; $k++) {
                    $around = $around && $box[$j][0][$k] <= $box[$i][0][$k] && $box[$j][1][$k] >= $box[$i][1][$k];
                }
                if ($around && ($home === null || $volume[$j] < $volume[$home]) && self::encloses($s, $shells[$j], $members[0], $budget)) {
                    $home = $j;
                }
            }
            if ($home !== null) {
                array_push($bodies[$home], ...$members);
            }
        }

        return array_values($bodies);
    }

    /**
     * Whether a shell lies around a triangle of another one, by the solid angle under which it is seen from there
     * (A. van Oosterom, J. Strackee, "The Solid Angle of a Plane Triangle", IEEE Trans. Biomed. Eng. 30(2), 1983).
     *
     * @param list<int> $shell
     */
    private static function encloses(Solid $s, array $shell, int $triangle, ?Budget $budget): bool
    {
        $budget?->spend(4 * count($shell));
        $p = [0.0, 0.0, 0.0];
        for ($h = 3 * $triangle; $h < 3 * $triangle + 3; $h++) {
            $v = $s->start[$h];
            $p = [$p[0] + $s->x[$v] / 3, $p[1] + $s->y[$v] / 3, $p[2] + $s->z[$v] / 3];
        }
        $angle = 0.0;
        foreach ($shell as $t) {
            $r = $l = [];
            for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                $v = $s->start[$h];
                $r[] = $d = [$s->x[$v] - $p[0], $s->y[$v] - $p[1], $s->z[$v] - $p[2]];
                $l[] = sqrt($d[0] * $d[0] + $d[1] * $d[1] + $d[2] * $d[2]);
            }
            $angle +=
                2 *
                atan2(
                    Vector::dot($r[0], Vector::cross($r[1], $r[2])),
                    $l[0] * $l[1] * $l[2] +
                        Vector::dot($r[0], $r[1]) * $l[2] +
                        Vector::dot($r[1], $r[2]) * $l[0] +
                        Vector::dot($r[2], $r[0]) * $l[1],
                );
        }

        return $angle > 2 * M_PI;
    }

    /** @param list<int> $triangles */
    public static function extract(Solid $s, array $triangles): Solid
    {
        sort($triangles);
        $out = new Solid();
        $number = array_flip($triangles);
        $vertex = $facet = $surface = [];
        foreach ($triangles as $t) {
            // only its own facets and faces: bodies laid side by side again would else have those of all, each time more
            $f = $s->facet[$t];
            if (!isset($facet[$f])) {
                $facet[$f] = count($out->nx);
                $out->nx[] = $s->nx[$f];
                $out->ny[] = $s->ny[$f];
                $out->nz[] = $s->nz[$f];
                $out->offset[] = $s->offset[$f];
                $i = $s->surfaceOf[$f];
                if (!isset($surface[$i])) {
                    $surface[$i] = count($out->surfaces);
                    $out->surfaces[] = $s->surfaces[$i];
                }
                $out->surfaceOf[] = $surface[$i];
            }
            $out->facet[] = $facet[$f];
            for ($h = 3 * $t, $end = $h + 3; $h < $end; $h++) {
                $v = $s->start[$h];
                if (!isset($vertex[$v])) {
                    $vertex[$v] = count($out->x);
                    $out->x[] = $s->x[$v];
                    $out->y[] = $s->y[$v];
                    $out->z[] = $s->z[$v];
                }
                $out->start[] = $vertex[$v];
                $out->twin[] = 3 * $number[intdiv($s->twin[$h], 3)] + ($s->twin[$h] % 3);
            }
        }

        return $out;
    }
}
