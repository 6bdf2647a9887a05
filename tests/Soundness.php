<?php

declare(strict_types=1);

namespace Tests;

use Cubo\Solid\Solid;

/**
 * Looks for what a solid must never have, apart from the code that made it: open or doubled edges, folded triangles and
 * triangles without area, vertices beside their planes (1e-9 mm per metre of size, and never asked finer than 1e-9 mm).
 */
final class Soundness
{
    /** @return list<string> faults in words; empty for a sound solid */
    public static function faults(Solid $s): array
    {
        $faults = [];
        $box = $s->vertexBox();
        $scale = $s->isEmpty()
            ? 1.0
            : max(
                $box[3] - $box[0],
                $box[4] - $box[1],
                $box[5] - $box[2],
                abs($box[0]),
                abs($box[3]),
                abs($box[1]),
                abs($box[4]),
                abs($box[2]),
                abs($box[5]),
            );
        $n = count($s->start);
        if ($n !== count($s->twin) || $n !== 3 * count($s->facet)) {
            return ['the arrays do not belong together'];
        }
        $edges = [];
        foreach ($s->twin as $h => $o) {
            $to = $s->start[$h % 3 === 2 ? $h - 2 : $h + 1];
            if ($o < 0 || $o >= $n || $s->twin[$o] !== $h) {
                $faults[] = "half-edge $h has no twin";
            } elseif ($s->start[$o] !== $to || $s->start[$o % 3 === 2 ? $o - 2 : $o + 1] !== $s->start[$h]) {
                $faults[] = "half-edge $h and its twin run alike";
            }
            $key = "{$s->start[$h]}-$to";
            if (isset($edges[$key])) {
                $faults[] = "the edge $key is used twice";
            }
            $edges[$key] = true;
        }
        foreach ($s->facet as $t => $f) {
            [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
            foreach ([$a, $b, $c] as $v) {
                $off = abs($s->nx[$f] * $s->x[$v] + $s->ny[$f] * $s->y[$v] + $s->nz[$f] * $s->z[$v] - $s->offset[$f]);
                if ($off > 1e-9 * max(1.0, $scale / 1000)) {
                    $faults[] = sprintf('vertex %d of triangle %d lies %.2e beside its plane', $v, $t, $off);
                }
            }
            $u = [$s->x[$b] - $s->x[$a], $s->y[$b] - $s->y[$a], $s->z[$b] - $s->z[$a]];
            $w = [$s->x[$c] - $s->x[$a], $s->y[$c] - $s->y[$a], $s->z[$c] - $s->z[$a]];
            $area =
                ($u[1] * $w[2] - $u[2] * $w[1]) * $s->nx[$f] +
                ($u[2] * $w[0] - $u[0] * $w[2]) * $s->ny[$f] +
                ($u[0] * $w[1] - $u[1] * $w[0]) * $s->nz[$f];
            $longest = sqrt(
                max(
                    $u[0] ** 2 + $u[1] ** 2 + $u[2] ** 2,
                    $w[0] ** 2 + $w[1] ** 2 + $w[2] ** 2,
                    ($u[0] - $w[0]) ** 2 + ($u[1] - $w[1]) ** 2 + ($u[2] - $w[2]) ** 2,
                ),
            );
            if ($area <= 1e-13 * $scale * $longest) {
                $faults[] = sprintf(
                    'triangle %d is %s, height %.2e',
                    $t,
                    $area < -1e-13 * $scale * $longest ? 'folded over' : 'without area',
                    $longest > 0 ? $area / $longest : 0.0,
                );
            }
        }

        return array_slice($faults, 0, 10);
    }
}
