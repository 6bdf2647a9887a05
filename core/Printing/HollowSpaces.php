<?php

declare(strict_types=1);

namespace Cubo\Printing;

use Cubo\Solid\Solid;

/** Closed spaces inside a part: shells of its surface that enclose less than nothing. Nothing left in them comes out. */
final class HollowSpaces
{
    /** @return list<array{volume: float, at: array{float,float,float}}> mm3 and a point of its wall */
    public static function of(Solid $s): array
    {
        $seen = $out = [];
        foreach ($s->facet as $first => $_) {
            if (isset($seen[$first])) {
                continue;
            }
            $seen[$first] = true;
            $volume = 0.0;
            for ($stack = [$first]; $stack !== []; ) {
                $t = array_pop($stack);
                [$a, $b, $c] = [$s->start[3 * $t], $s->start[3 * $t + 1], $s->start[3 * $t + 2]];
                $volume +=
                    ($s->x[$a] * ($s->y[$b] * $s->z[$c] - $s->z[$b] * $s->y[$c]) +
                        $s->y[$a] * ($s->z[$b] * $s->x[$c] - $s->x[$b] * $s->z[$c]) +
                        $s->z[$a] * ($s->x[$b] * $s->y[$c] - $s->y[$b] * $s->x[$c])) /
                    6;
                for ($h = 3 * $t; $h < 3 * $t + 3; $h++) {
                    if ($s->twin[$h] < 0) {
                        // an open shell encloses nothing
                        $volume = NAN;

                        continue;
                    }
                    $o = intdiv($s->twin[$h], 3);
                    if (!isset($seen[$o])) {
                        $seen[$o] = true;
                        $stack[] = $o;
                    }
                }
            }
            if ($volume < -1e-9) {
                $v = $s->start[3 * $first];
                $out[] = ['volume' => -$volume, 'at' => [$s->x[$v], $s->y[$v], $s->z[$v]]];
            }
        }

        return $out;
    }
}
