<?php

declare(strict_types=1);

namespace Tests;

use Closure;
use Cubo\Geometry\Angle;
use Cubo\Geometry\Transform;
use Cubo\Measure\MassProperties;
use Cubo\Solid\Maker\Fineness;
use Cubo\Solid\Maker\Profile;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;
use PHPUnit\Framework\Assert;

/** Profiles to make solids of, and what is asked of every solid. */
final class Solids
{
    /**
     * @param list<array{float|int, float|int}> $points
     * @return list<array{0:float,1:float,2:array{name:string,circle:array{float,float,float}|null}}>
     */
    public static function polygon(array $points, string $name = 'side'): array
    {
        return array_map(
            static fn(array $p, int $i): array => [(float) $p[0], (float) $p[1], ['name' => "$name " . ($i + 1), 'circle' => null]],
            $points,
            array_keys($points),
        );
    }

    /** @return list<array{0:float,1:float,2:array{name:string,circle:array{float,float,float}|null}}> */
    public static function circle(float $u, float $v, float $r, bool $hole = false, string $name = 'round'): array
    {
        return array_map(
            static fn(array $p): array => [
                $u + $r * $p[0],
                $v + ($hole ? -$r : $r) * $p[1],
                ['name' => $hole ? "$name inside" : $name, 'circle' => [$u, $v, $r]],
            ],
            Fineness::circle(Fineness::facets($r)),
        );
    }

    public static function rectangle(float $w, float $h, float $u = 0.0, float $v = 0.0): Profile
    {
        return new Profile([
            self::polygon([[$u - $w / 2, $v - $h / 2], [$u + $w / 2, $v - $h / 2], [$u + $w / 2, $v + $h / 2], [$u - $w / 2, $v + $h / 2]]),
        ]);
    }

    public static function disc(float $r, float $u = 0.0, float $v = 0.0): Profile
    {
        return new Profile([self::circle($u, $v, $r)]);
    }

    public static function ring(float $outer, float $inner): Profile
    {
        return new Profile([self::circle(0.0, 0.0, $outer), self::circle(0.0, 0.0, $inner, true)]);
    }

    /** Two half circles of radius r, their middles l apart, and the lines between them. */
    public static function slot(float $l, float $r): Profile
    {
        $n = Fineness::facets($r);
        $right = $left = [];
        for ($i = -$n / 4; $i <= $n / 4; $i++) {
            [$c, $s] = Angle::cosSin((360 * $i) / $n);
            $right[] = [$l / 2 + $r * $c, $r * $s, ['name' => 'right', 'circle' => [$l / 2, 0.0, $r]]];
            $left[] = [-$l / 2 - $r * $c, -$r * $s, ['name' => 'left', 'circle' => [-$l / 2, 0.0, $r]]];
        }
        $right[count($right) - 1][2] = ['name' => 'back', 'circle' => null];
        $left[count($left) - 1][2] = ['name' => 'front', 'circle' => null];

        return new Profile([[...$right, ...$left]]);
    }

    public static function lift(float $z): Transform
    {
        return Transform::translation([0.0, 0.0, $z]);
    }

    /** Sound, and of that volume (and area) over its true surfaces. */
    public static function encloses(Solid $s, float $volume, float $relative = 1e-6, ?float $area = null, string $what = ''): void
    {
        Assert::assertSame([], Soundness::faults($s), $what);
        $m = new MassProperties($s);
        Assert::assertEqualsWithDelta(1.0, $m->volume / $volume, $relative, "$what volume {$m->volume}, expected $volume");
        if ($area !== null) {
            Assert::assertEqualsWithDelta(1.0, $m->area / $area, 2 * $relative, "$what area {$m->area}, expected $area");
        }
    }

    /** The same size all over: volume, area, centroid. */
    public static function alike(Solid $a, Solid $b, float $relative = 1e-6): void
    {
        $p = new MassProperties($a);
        $q = new MassProperties($b);
        Assert::assertSame([], [...Soundness::faults($a), ...Soundness::faults($b)]);
        Assert::assertEqualsWithDelta(1.0, $p->volume / $q->volume, $relative, 'volume');
        Assert::assertEqualsWithDelta(1.0, $p->area / $q->area, 5 * $relative, 'area');
        Assert::assertEqualsWithDelta($p->centroid, $q->centroid, 1e-5 * (1 + max(array_map('abs', $q->centroid))), 'centroid');
    }

    /** @param Closure(): mixed $make */
    public static function refusal(Closure $make): string
    {
        try {
            $make();
        } catch (Refused $r) {
            return $r->reason . ($r->largest === null ? '' : ' ' . round($r->largest, 3));
        }

        return 'made';
    }

    /** @param Closure(): mixed $make */
    public static function largest(Closure $make): float
    {
        try {
            $make();
        } catch (Refused $r) {
            return $r->largest ?? throw $r;
        }
        Assert::fail('It was made.');
    }

    /** Simpson's rule. @param Closure(float): float $f */
    public static function integral(Closure $f, float $from, float $to, int $n = 4000): float
    {
        $sum = 0.0;
        for ($i = 0; $i <= $n; $i++) {
            $sum += ($i === 0 || $i === $n ? 1 : ($i % 2 ? 4 : 2)) * $f($from + (($to - $from) * $i) / $n);
        }

        return ($sum * ($to - $from)) / (3 * $n);
    }
}
