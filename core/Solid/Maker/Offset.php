<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Solid\Refused;

/**
 * A profile with all its sides moved by a distance, positive towards the material. Straight sides stay straight and
 * parallel, round ones keep their centre; corners stay corners (mitred), so every point has its counterpart.
 *
 * @phpstan-import-type Side from Profile
 */
final class Offset
{
    /**
     * @throws Refused vanishes, with the largest distance that works, or runs-together
     */
    public static function inward(Profile $profile, float $by): Profile
    {
        $loops = [];
        $most = INF;
        foreach ($profile->loops as $loop) {
            [$moved, $room] = self::loop($loop, $by);
            $loops[] = $moved;
            $most = min($most, $room);
        }
        if (abs($by) >= $most * (1 - 1e-9)) {
            throw new Refused('vanishes', 'A side of the profile would vanish.', $most);
        }
        $out = new Profile($loops);
        if ($out->crosses() || !$out->nested()) {
            throw new Refused('runs-together', 'Sides of the profile would run into each other.');
        }

        return $out;
    }

    /**
     * @param list<array{0:float,1:float,2:Side}> $loop
     * @return array{list<array{0:float,1:float,2:Side}>, float} and how far it may be moved that way
     */
    private static function loop(array $loop, float $by): array
    {
        $n = count($loop);
        $moved = [];
        foreach ($loop as $i => [$u, $v, $curve]) {
            [$pu, $pv, $before] = $loop[($i + $n - 1) % $n];
            [$qu, $qv] = $loop[($i + 1) % $n];
            // a round side's curve stands for the whole circle: the point moves on its spoke
            $a = self::line($pu, $pv, $u, $v, $before['circle'], $u, $v);
            $b = self::line($u, $v, $qu, $qv, $curve['circle'], $u, $v);
            [$mu, $mv] = self::meet($u, $v, $a, $b, $by, $before['circle'], $curve['circle']);
            $circle = $curve['circle'];
            if ($circle !== null) {
                $circle[2] += self::hollow($circle, $u, $v, $qu, $qv) ? $by : -$by;
            }
            $moved[] = [$mu, $mv, ['name' => $curve['name'], 'circle' => $circle]];
        }
        $room = INF;
        foreach ($loop as $i => [$u, $v, $curve]) {
            $j = ($i + 1) % $n;
            [$du, $dv] = [$loop[$j][0] - $u, $loop[$j][1] - $v];
            $before = $du * $du + $dv * $dv;
            $after = $du * ($moved[$j][0] - $moved[$i][0]) + $dv * ($moved[$j][1] - $moved[$i][1]);
            // sides grow and shrink evenly with the distance
            if ($after < $before && $by != 0.0) {
                $room = min($room, (abs($by) * $before) / ($before - $after));
            }
        }

        return [$moved, $room];
    }

    /**
     * Unit normal towards the material at a point of a side.
     *
     * @param array{float,float,float}|null $circle
     * @return array{float,float}
     */
    private static function line(float $u0, float $v0, float $u1, float $v1, ?array $circle, float $u, float $v): array
    {
        if ($circle !== null) {
            $s = self::hollow($circle, $u0, $v0, $u1, $v1) ? 1 : -1;
            $l = sqrt(($u - $circle[0]) ** 2 + ($v - $circle[1]) ** 2);

            return [($s * ($u - $circle[0])) / $l, ($s * ($v - $circle[1])) / $l];
        }
        $l = sqrt(($u1 - $u0) ** 2 + ($v1 - $v0) ** 2);

        return [-($v1 - $v0) / $l, ($u1 - $u0) / $l];
    }

    /**
     * Whether the material lies outside the circle: the side turns clockwise about its centre.
     *
     * @param array{float,float,float} $c
     */
    private static function hollow(array $c, float $u0, float $v0, float $u1, float $v1): bool
    {
        return ($u0 - $c[0]) * ($v1 - $c[1]) - ($v0 - $c[1]) * ($u1 - $c[0]) < 0;
    }

    /**
     * @param array{float,float} $a normal before the corner
     * @param array{float,float} $b normal after it
     * @param array{float,float,float}|null $ca
     * @param array{float,float,float}|null $cb
     * @return array{float,float}
     */
    private static function meet(float $u, float $v, array $a, array $b, float $by, ?array $ca, ?array $cb): array
    {
        $cross = $a[0] * $b[1] - $a[1] * $b[0];
        if (abs($cross) < 1e-9) {
            return [$u + $by * $a[0], $v + $by * $a[1]]; // tangent: straight across
        }
        // where the two moved tangents meet; exact between straight sides
        $dot = $a[0] * $b[0] + $a[1] * $b[1];
        $k = $by / (1 + $dot);
        $p = [$u + $k * ($a[0] + $b[0]), $v + $k * ($a[1] + $b[1])];
        if ($ca === null && $cb === null) {
            return $p;
        }
        // Newton's method on "as far inside both curves as asked"
        for ($i = 0; $i < 20; $i++) {
            [$f, $fu, $fv] = self::depth($p, $u, $v, $a, $ca, $by);
            [$g, $gu, $gv] = self::depth($p, $u, $v, $b, $cb, $by);
            $det = $fu * $gv - $fv * $gu;
            if (abs($det) < 1e-12) {
                throw new Refused('vanishes', 'A side of the profile would vanish.');
            }
            $du = ($f * $gv - $g * $fv) / $det;
            $dv = ($g * $fu - $f * $gu) / $det;
            $p = [$p[0] - $du, $p[1] - $dv];
            if (abs($du) + abs($dv) < 1e-14 * (1 + abs($u) + abs($v))) {
                break;
            }
        }

        return $p;
    }

    /**
     * @param array{float,float} $p
     * @param array{float,float} $n
     * @param array{float,float,float}|null $c
     * @return array{float,float,float} value and gradient
     */
    private static function depth(array $p, float $u, float $v, array $n, ?array $c, float $by): array
    {
        if ($c === null) {
            return [($p[0] - $u) * $n[0] + ($p[1] - $v) * $n[1] - $by, $n[0], $n[1]];
        }
        $s = ($u - $c[0]) * $n[0] + ($v - $c[1]) * $n[1] > 0 ? 1 : -1;
        $l = sqrt(($p[0] - $c[0]) ** 2 + ($p[1] - $c[1]) ** 2) ?: 1e-300;

        return [$s * ($l - $c[2]) - $by, ($s * ($p[0] - $c[0])) / $l, ($s * ($p[1] - $c[1])) / $l];
    }
}
