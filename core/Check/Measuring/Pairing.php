<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Axes;
use Cubo\Measure\Bounds;

/**
 * Which round of the part is meant by which asked one: along an axis, nearest pairs first, so that a missing hole is told
 * as missing and not as its neighbour. What is farther off than about a third of the part is another one, unless there is
 * only one of each.
 */
final class Pairing
{
    /** Two candidates whose distances differ by less, mm, are equally likely. */
    private const SAME = 1e-3;

    /**
     * @template T of object{point: array{float,float,float}, radius: float}
     *
     * @param list<T> $found
     * @param array<string, array{float, float, float|null}> $places u, v and diameter by key
     * @return array<string, array{T, T|null}> by key, and another one that is as likely
     */
    public static function of(array $found, array $places, int $axis, Bounds $bounds): array
    {
        [$a, $b] = Axes::others($axis);
        $size = $bounds->size();
        $far = count($found) === 1 && count($places) === 1 ? INF : 0.35 * max($size[$a], $size[$b]);
        $candidates = [];
        foreach ($places as $key => [$u, $v, $diameter]) {
            foreach ($found as $i => $h) {
                $away = hypot($h->point[$a] - $bounds->min[$a] - $u, $h->point[$b] - $bounds->min[$b] - $v);
                if ($away <= $far) {
                    // of rounds on one axis the one nearer in width
                    $candidates[] = [$away + ($diameter === null ? 0.0 : 0.1 * abs(2 * $h->radius - $diameter)), $key, $i];
                }
            }
        }
        usort($candidates, static fn(array $p, array $q): int => $p[0] <=> $q[0] ?: $p[2] <=> $q[2]);
        $pairs = $taken = $cost = [];
        foreach ($candidates as [$c, $key, $i]) {
            if (!isset($pairs[$key]) && !isset($taken[$i])) {
                $pairs[$key] = [$found[$i], null];
                $taken[$i] = true;
                $cost[$key] = $c;
            }
        }
        foreach ($candidates as [$c, $key, $i]) {
            // right on its place there is nothing to doubt
            if (!isset($taken[$i]) && isset($pairs[$key]) && $c - $cost[$key] < self::SAME && $c > 0.01) {
                $pairs[$key][1] = $found[$i];
            }
        }

        return $pairs;
    }
}
