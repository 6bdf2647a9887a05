<?php

declare(strict_types=1);

namespace Cubo\Solid\Blend;

use Closure;
use Cubo\Geometry\Vector;
use Cubo\Solid\Refused;

/**
 * Where the round of a straight edge goes over into that of the curve it runs on into. Beside a leaning corner that is not where
 * one edge ends and the other begins, but where the ball touches the line along which the flat goes over into the round face.
 *
 * @phpstan-type V array{float,float,float}
 */
final class Joint
{
    private const MOST_STEPS = 40;

    /** cosine between the straight edge and the normal where the ball touches: found */
    private const FOUND = 1e-14;

    /** How far from the ends of the edges it is looked for, in radii. */
    private const FAR = 2.0;

    /** Share of the radius for the first step. */
    private const FIRST = 0.05;

    /**
     * @param int $k end station of the curve
     * @param int $m end station of the line
     * @param Closure(EdgeShape, int): Section $section
     * @return array{array{V, V, V, V}, float}|null the station of the curve there, and where along the straight edge's direction
     *     the plane across it lies; null where there is none near
     */
    public static function of(EdgeShape $curve, int $k, EdgeShape $line, int $m, Closure $section): ?array
    {
        $t = $line->tangents[$m];
        $free = $line->edge->left === $curve->edge->left || $line->edge->right === $curve->edge->left ? 'onRight' : 'onLeft';
        $p = $curve->stations[$k];
        $look = static function (float $far) use ($curve, $k, $p, $t, $section, $free): ?array {
            $station = $curve->curve?->near(Vector::add($p, $t, $far), $curve->tangents[$k]);
            if ($station === null) {
                return null;
            }
            try {
                $s = $section($curve->ledOn([$station], []), 0);
            } catch (Refused) {
                return null;
            }
            if ($s->middle === null) {
                return null;
            }
            $out = Vector::sub($free === 'onLeft' ? $s->onLeft : $s->onRight, $s->middle);

            return [Vector::dot($out, $t) / Vector::length($out), $station, Vector::dot($s->middle, $t), Vector::length($out)];
        };
        $a = $look(0.0);
        if ($a === null) {
            return null;
        }
        [$s0, $f0] = [0.0, $a[0]];
        $best = $a;
        $s1 = self::FIRST * $a[3];
        for ($i = 0; $i < self::MOST_STEPS && abs($best[0]) > self::FOUND; $i++) {
            $now = $look($s1);
            if ($now === null || abs($s1) > self::FAR * $a[3]) {
                return null;
            }
            $best = abs($now[0]) < abs($best[0]) ? $now : $best;
            if ($now[0] === $f0) {
                break;
            }
            $next = $s1 - ($now[0] * ($s1 - $s0)) / ($now[0] - $f0);
            [$s0, $f0, $s1] = [$s1, $now[0], $next];
        }

        return abs($best[0]) < sqrt(self::FOUND) ? [$best[1], $best[2]] : null;
    }
}
