<?php

declare(strict_types=1);

namespace Cubo\Solid\Change;

use Closure;
use Cubo\Budget\Budget;
use Cubo\Geometry\Vector;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Layer\Face;
use Cubo\Solid\Layer\Walls;
use Cubo\Solid\Refused;
use Cubo\Solid\Shift\Drafting;
use Cubo\Solid\Shift\Outright;
use Cubo\Solid\Shift\Pulling;
use Cubo\Solid\Shift\Sharpening;
use Cubo\Solid\Solid;
use Cubo\Solid\Surface;

/**
 * Work on chosen faces: hollowing out, tilting, moving along the normal.
 *
 * @phpstan-type V array{float,float,float}
 */
final class FaceWork
{
    /** for looking for the largest size that works */
    private const MOST_WORK = 300_000;

    private const HALVINGS = 20;

    /**
     * Hollows a solid to a wall of even thickness; open faces have none. Faces inside are named "$step:inside of NAME".
     * Where all faces only move, their corners are moved; else the walls are taken off layer by layer.
     *
     * @param list<string> $open names of faces; none makes a closed hollow
     * @param float $wall mm
     * @param array<string, float> $others mm, walls of faces that have another one
     *
     * @throws Refused no-size, no-face; no-room, with the thickest wall found to work
     */
    public static function shell(string $step, Solid $solid, float $wall, array $open, array $others = [], ?Budget $budget = null): Solid
    {
        $budget ??= Budget::unlimited();
        self::positive($wall);
        array_map(self::positive(...), $others);
        self::known($solid, [...$open, ...array_map(strval(...), array_keys($others))]);
        $core = self::orLargest(
            static fn(float $t): Solid => self::inside(
                $step,
                $solid,
                static fn(string $n): float => in_array($n, $open, true) ? 0.0 : (($others[$n] ?? $wall) * $t) / $wall,
                $budget,
            ),
            $wall,
            $budget,
        );
        $out = BooleanOperation::difference($solid, $core, $budget);
        if ($out->isEmpty()) {
            throw new Refused('no-room', 'Nothing would be left.');
        }

        return $out;
    }

    /**
     * A wall laid around a solid, which is the hollow of it then.
     *
     * @param list<string> $open names of faces
     * @param float $wall mm
     * @param array<string, float> $others mm, walls of faces that have another one
     *
     * @throws Refused no-size, no-face, no-room
     */
    public static function shellAround(
        string $step,
        Solid $solid,
        float $wall,
        array $open,
        array $others = [],
        ?Budget $budget = null,
    ): Solid {
        $budget ??= Budget::unlimited();
        self::positive($wall);
        array_map(self::positive(...), $others);
        self::known($solid, [...$open, ...array_map(strval(...), array_keys($others))]);
        $by = static fn(string $n): float => in_array($n, $open, true) ? 0.0 : $others[$n] ?? $wall;
        try {
            $whole = self::offset($solid, $by, $budget)->renamed(
                static fn(string $n): string => in_array($n, $open, true) ? $n : "$step:outside of $n",
            );
        } catch (Refused) {
            $whole = Walls::outside($step, $solid, $by, $budget);
        }
        $out = BooleanOperation::difference($whole, $solid, $budget);
        if ($out->isEmpty()) {
            throw new Refused('no-room', 'Nothing would be left.');
        }

        return $out;
    }

    /** @param Closure(string): float $wall mm by name */
    private static function inside(string $step, Solid $solid, Closure $wall, Budget $budget): Solid
    {
        try {
            return self::offset($solid, static fn(string $n): float => -$wall($n), $budget)->renamed(
                static fn(string $n): string => $wall($n) == 0.0 ? $n : "$step:inside of $n",
            );
        } catch (Refused) {
            $core = Walls::inside($step, $solid, $wall, $budget);
        }
        if ($core->isEmpty()) {
            throw new Refused('no-room', 'The walls fill the part.');
        }

        return $core;
    }

    /** @param Closure(string): float $move mm along the outward normal, by name */
    private static function offset(Solid $solid, Closure $move, Budget $budget): Solid
    {
        $planes = $surfaces = [];
        foreach ($solid->facet as $t => $f) {
            $i = $solid->surfaceOf[$f];
            $s = $solid->surfaces[$i];
            $by = $move($s->name);
            if ($by == 0.0) {
                continue;
            }
            $n = [$solid->nx[$f], $solid->ny[$f], $solid->nz[$f]];
            if ($s->isFlat()) {
                $planes[$f] = [$n, $solid->offset[$f] + $by];
            } elseif (!isset($surfaces[$i])) {
                $v = $solid->start[3 * $t];
                $surfaces[$i] = Resurfacing::moved($s, $n, [$solid->x[$v], $solid->y[$v], $solid->z[$v]], $by);
            }
        }

        return Resurfacing::run($solid, $planes, $surfaces, $budget);
    }

    /**
     * Tilts faces about where they meet a neutral plane: flats about lines, cylinders along its normal into cones. At a
     * positive angle the solid gets narrower in the direction of the plane's normal. Where corners cannot simply move,
     * what lies between is cut and added, and rounds beside follow as cones or are made again.
     *
     * @param list<string> $faces names
     * @param V $point of the neutral plane
     * @param V $direction in which the solid gets narrower, its normal
     * @param float $angle degrees, between -60 and 60
     *
     * @throws Refused no-face, not-flat, no-angle, parallel-face; no-room with the largest angle found to work
     */
    public static function draft(Solid $solid, array $faces, array $point, array $direction, float $angle, ?Budget $budget = null): Solid
    {
        $budget ??= Budget::unlimited();
        self::known($solid, $faces);
        if (!is_finite($angle) || abs($angle) > 60) {
            throw new Refused('no-angle', 'The angle must lie between -60 and 60 degrees.', 60.0);
        }
        if (Vector::length($direction) < 1e-12) {
            throw new Refused('no-plane', 'The plane has no direction.');
        }
        $d = Vector::unit($direction);
        $tilt = static function (float $share) use ($solid, $faces, $point, $d, $angle, $budget): Solid {
            $planes = [];
            foreach ($solid->surfaceOf as $f => $i) {
                $s = $solid->surfaces[$i];
                if (!in_array($s->name, $faces, true)) {
                    continue;
                }
                if (!$s->isFlat()) {
                    return Drafting::run($solid, $faces, $point, $d, $angle * $share, $budget);
                }
                $n = [$solid->nx[$f], $solid->ny[$f], $solid->nz[$f]];
                $line = Vector::cross($d, $n);
                $l = Vector::length($line);
                if ($l < 1e-6) {
                    throw new Refused('parallel-face', 'A face that lies along the neutral plane has no line to be tilted about.');
                }
                // a point of the line in both planes, nearest to the given one
                $line = Vector::unit($line);
                $in = Vector::cross($line, $d);
                $on = Vector::add($point, $in, ($solid->offset[$f] - Vector::dot($n, $point)) / Vector::dot($n, $in));
                $m = Vector::turned($n, $line, -$angle * $share);
                $planes[$f] = [$m, Vector::dot($m, $on)];
            }

            try {
                return Resurfacing::run($solid, $planes, [], $budget);
            } catch (Refused) {
                return Drafting::run($solid, $faces, $point, $d, $angle * $share, $budget);
            }
        };
        try {
            return $tilt(1.0);
        } catch (Refused $r) {
            if ($r->reason !== 'no-room') {
                throw $r;
            }
            throw new Refused(
                'no-room',
                $r->getMessage(),
                self::largest(static fn(float $a): Solid => $tilt($a / abs($angle)), abs($angle), $budget),
            );
        }
    }

    /**
     * Moves a face along its outward normal: above zero material is added. Rounds and chamfers along its edges move with
     * it; other faces beside it keep their surfaces and become longer or shorter. A flat that they cannot follow outwards is
     * drawn out straight, with sides named "$step:side of NAME". A cylinder, cone, ball or ring gets
     * another radius (a hole gets narrower where material is added).
     *
     * @param float $by mm
     *
     * @throws Refused no-face, no-size; no-room with the largest distance found to work
     */
    public static function pull(Solid $solid, string $face, float $by, ?Budget $budget = null, string $step = 'pull'): Solid
    {
        $budget ??= Budget::unlimited();
        self::known($solid, [$face]);
        if (!is_finite($by) || $by == 0.0) {
            throw new Refused('no-size', 'The distance is not a number other than zero.');
        }
        $sign = $by < 0 ? -1.0 : 1.0;
        $pulled = static function (float $d) use ($solid, $sign, $face, $budget, $step): Solid {
            try {
                return Pulling::run($solid, $face, $sign * $d, $budget);
            } catch (Refused $r) {
                try {
                    [$sharp, $taken] = Sharpening::of($solid, [$face], $budget);
                    if ($taken !== []) {
                        return Sharpening::again(Pulling::run($sharp, $face, $sign * $d, $budget), $taken, $budget);
                    }
                } catch (Refused) {
                    // as a last way the corners alone
                }
                try {
                    return self::offset($solid, static fn(string $name): float => $name === $face ? $sign * $d : 0.0, $budget);
                } catch (Refused) {
                    return self::drawnOut($step, $solid, $face, $sign * $d, $budget) ?? throw $r;
                }
            }
        };

        return self::orLargest($pulled, abs($by), $budget);
    }

    private static function drawnOut(string $step, Solid $solid, string $face, float $by, Budget $budget): ?Solid
    {
        try {
            return $by > 0
                ? Pulling::straight($step, $solid, $face, $by, $budget)
                : Outright::lowered($solid, $face, static fn(Face $f): array => [$f->normal, $f->offset + $by], $budget);
        } catch (Refused) {
            return null;
        }
    }

    /** @param Closure(float): Solid $make */
    private static function orLargest(Closure $make, float $size, Budget $budget): Solid
    {
        try {
            return $make($size);
        } catch (Refused $r) {
            if ($r->reason !== 'no-room') {
                throw $r;
            }
            throw new Refused('no-room', $r->getMessage(), self::largest($make, $size, $budget));
        }
    }

    /** @param Closure(float): Solid $make */
    private static function largest(Closure $make, float $size, Budget $budget): ?float
    {
        $low = 0.0;
        $high = $size;
        // nobody waits longer for a hint
        $until = $budget->spent() + self::MOST_WORK;
        for ($i = 0; $i < self::HALVINGS && $budget->spent() < $until; $i++) {
            $mid = ($low + $high) / 2;
            try {
                $make($mid);
                $low = $mid;
            } catch (Refused) {
                $high = $mid;
            }
        }

        // rounded down to what was seen to work
        $most = floor($low * 1e4) / 1e4;

        return $most > 0 ? $most : null;
    }

    private static function positive(float $size): void
    {
        if (!is_finite($size) || $size <= 0) {
            throw new Refused('no-size', 'The thickness is not a number above zero.');
        }
    }

    /** @param list<string> $faces */
    private static function known(Solid $solid, array $faces): void
    {
        $names = array_map(static fn(Surface $s): string => $s->name, $solid->surfaces);
        foreach ($faces as $f) {
            if (!in_array($f, $names, true)) {
                throw new Refused('no-face', "There is no face “{$f}”.");
            }
        }
    }
}
