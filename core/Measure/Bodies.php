<?php

declare(strict_types=1);

namespace Cubo\Measure;

use Cubo\Solid\Solid;

/** The separate pieces of a solid: triangles joined over edges; a hollow inside a piece belongs to it. */
final class Bodies
{
    /**
     * @return list<list<int>> triangles of each body, the body with the least first triangle first
     */
    public static function of(Solid $s): array
    {
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
                    if (! isset($of[$o])) {
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
                $volume[$i] += ($s->x[$a] * ($s->y[$b] * $s->z[$c] - $s->z[$b] * $s->y[$c]) + $s->y[$a] * ($s->z[$b] * $s->x[$c] - $s->x[$b] * $s->z[$c]) + $s->z[$a] * ($s->x[$b] * $s->y[$c] - $s->y[$b] * $s->x[$c])) / 6;
                foreach ([$a, $b, $c] as $v) {
                    foreach ([$s->x[$v], $s->y[$v], $s->z[$v]] as $k => $value) {
                        $lo[$k] = min($lo[$k], $value);
                        $hi[$k] = max($hi[$k], $value);
                    }
                }
            }
            $box[$i] = [$lo, $hi];
        }
        $bodies = array_filter($shells, static fn (int $i): bool => $volume[$i] > 0, ARRAY_FILTER_USE_KEY);
        foreach ($shells as $i => $members) {
            if ($volume[$i] > 0) {
                continue;
            }
            $home = null;
            foreach (array_keys($bodies) as $j) {
                $inside = true;
                for ($k = 0; $k < 3; $k++) {
                    $inside = $inside && $box[$j][0][$k] <= $box[$i][0][$k] && $box[$j][1][$k] >= $box[$i][1][$k];
                }
                if ($inside && ($home === null || $volume[$j] < $volume[$home])) {
                    $home = $j;
                }
            }
            if ($home !== null) {
                array_push($bodies[$home], ...$members);
            }
        }

        return array_values($bodies);
    }

    /** @param list<int> $triangles */
    public static function extract(Solid $s, array $triangles): Solid
    {
        sort($triangles);
        $out = new Solid(nx: $s->nx, ny: $s->ny, nz: $s->nz, offset: $s->offset, surfaceOf: $s->surfaceOf, surfaces: $s->surfaces);
        $number = array_flip($triangles);
        $vertex = [];
        foreach ($triangles as $t) {
            $out->facet[] = $s->facet[$t];
            for ($h = 3 * $t, $end = $h + 3; $h < $end; $h++) {
                $v = $s->start[$h];
                if (! isset($vertex[$v])) {
                    $vertex[$v] = count($out->x);
                    $out->x[] = $s->x[$v];
                    $out->y[] = $s->y[$v];
                    $out->z[] = $s->z[$v];
                }
                $out->start[] = $vertex[$v];
                $out->twin[] = 3 * $number[intdiv($s->twin[$h], 3)] + $s->twin[$h] % 3;
            }
        }

        return $out;
    }
}
