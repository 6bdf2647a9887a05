<?php

declare(strict_types=1);

namespace Cubo\Solid\Maker;

use Cubo\Budget\Budget;
use Cubo\Geometry\Transform;
use Cubo\Lettering\Typeface;
use Cubo\Solid\Boolean\BooleanOperation;
use Cubo\Solid\Refused;
use Cubo\Solid\Solid;

/**
 * A line of text as profiles and as a solid, for raised and cut-in lettering. Curves become chords as finely as circles do.
 *
 * @phpstan-import-type Side from Profile
 */
final class Lettering
{
    private const MOST_LETTERS = 60;

    /**
     * One profile for every separate piece of ink, the base line on v = 0, beginning at u = 0.
     *
     * @param float $height of a capital letter, mm
     * @return list<Profile> sides are named by letter, outline and number: "a2 1 7"
     *
     * @throws Refused no-size, no-text, no-letter
     */
    public static function profiles(string $text, float $height): array
    {
        if (!is_finite($height) || $height <= 0) {
            throw new Refused('no-size', 'The height of the letters is not a number above zero.');
        }
        $letters = mb_str_split($text);
        if (trim($text) === '' || count($letters) > self::MOST_LETTERS) {
            throw new Refused('no-text', 'The text needs from 1 to ' . self::MOST_LETTERS . ' letters.', self::MOST_LETTERS);
        }
        $face = Typeface::shipped();
        $scale = $height / $face->capHeight;
        $out = [];
        $u = 0.0;
        foreach ($letters as $i => $letter) {
            if (!$face->has($letter)) {
                throw new Refused('no-letter', "The typeface has no letter “{$letter}”.");
            }
            $loops = [];
            foreach ($face->contours($letter) as $c => $contour) {
                $loop = self::chords($contour, $scale, $u);
                $loops[] = array_map(
                    static fn(array $p, int $k): array => [
                        $p[0],
                        $p[1],
                        ['name' => 'letter ' . ($i + 1) . ' ' . ($c + 1) . ' ' . ($k + 1), 'circle' => null],
                    ],
                    $loop,
                    array_keys($loop),
                );
            }
            array_push($out, ...self::pieces($loops));
            $u += $scale * $face->advance($letter);
        }

        return $out;
    }

    /**
     * @param float $depth mm, above zero
     * @param Transform $place a rigid motion, not a mirror image
     *
     * @throws Refused
     */
    public static function solid(string $step, string $text, float $height, float $depth, Transform $place, ?Budget $budget = null): Solid
    {
        if (!is_finite($depth) || $depth <= 0) {
            throw new Refused('no-length', 'The letters have no depth.');
        }
        $out = new Solid();
        foreach (self::profiles($text, $height) as $p) {
            // letters stand apart, but outlines of one letter may overlap
            $out = BooleanOperation::union($out, Extrusion::straight($step, $p, 0.0, $depth, Transform::identity()), $budget);
        }

        return $out->moved($place);
    }

    /**
     * @param list<array{float, float, bool}> $contour
     * @return list<array{float, float}>
     */
    private static function chords(array $contour, float $scale, float $u): array
    {
        $n = count($contour);
        // between two control points lies a point of the curve that the file leaves out
        $full = [];
        foreach ($contour as $i => [$x, $y, $on]) {
            [$nx, $ny, $next] = $contour[($i + 1) % $n];
            $full[] = [$x, $y, $on];
            if (!$on && !$next) {
                $full[] = [($x + $nx) / 2, ($y + $ny) / 2, true];
            }
        }
        while (!$full[0][2]) {
            $full[] = array_shift($full);
        }
        $points = [];
        $n = count($full);
        for ($i = 0; $i < $n; $i++) {
            [$x, $y, $on] = $full[$i];
            if ($on) {
                $points[] = [$u + $scale * $x, $scale * $y];

                continue;
            }
            [$ax, $ay] = $full[$i - 1];
            [$bx, $by] = $full[($i + 1) % $n];
            // the curve strays from its chord by a quarter of its middle control point's distance, over k^2 for k chords
            $rise = ($scale * sqrt(($ax - 2 * $x + $bx) ** 2 + ($ay - 2 * $y + $by) ** 2)) / 4;
            $k = (int) max(2, min(12, ceil(sqrt($rise / Fineness::CHORD))));
            for ($j = 1; $j < $k; $j++) {
                $t = $j / $k;
                $points[] = [
                    $u + $scale * ((1 - $t) ** 2 * $ax + 2 * $t * (1 - $t) * $x + $t * $t * $bx),
                    $scale * ((1 - $t) ** 2 * $ay + 2 * $t * (1 - $t) * $y + $t * $t * $by),
                ];
            }
        }

        return $points;
    }

    /**
     * Outer outlines, each with the holes inside it.
     *
     * @param list<list<array{0:float,1:float,2:Side}>> $loops clockwise outside, as in the font
     * @return list<Profile>
     */
    private static function pieces(array $loops): array
    {
        $outer = $holes = [];
        foreach ($loops as $loop) {
            $area = 0.0;
            foreach ($loop as $i => [$u, $v]) {
                [$pu, $pv] = $loop[($i + 1) % count($loop)];
                $area += $u * $pv - $v * $pu;
            }
            // turned round: outlines counter-clockwise, holes clockwise; the name of a side stays with it
            $turned = array_reverse($loop);
            $area < 0 ? ($outer[] = $turned) : ($holes[] = $turned);
        }
        $out = [];
        foreach ($outer as $o) {
            $mine = array_values(array_filter($holes, static fn(array $h): bool => Profile::encloses($o, $h[0][0], $h[0][1])));
            $out[] = new Profile([$o, ...$mine]);
        }

        return $out;
    }
}
