<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Check\Kind\Drawn;
use Cubo\Check\Kind\Feature;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Amount;
use Cubo\Quantity\Unit;

/**
 * Words for what probably went wrong. States what is there and what is asked, then asks about the likely slip; it
 * never claims to know. The slips are common practice in class, no source.
 */
final class Diagnosis
{
    public static function size(float $got, Requirement $r, PartMeasures $part, Exercise $exercise): string
    {
        $unit = $exercise->unit;
        $axis = $r->axis();
        $words = ['wide', 'deep', 'high'];
        $text = "The part is {$unit->show($got)} {$words[$axis]}; {$unit->brief($r->nominal)} is asked.";
        $slip = self::unitSlip($got, $r->nominal, $unit);
        if ($slip !== '') {
            return "$text $slip";
        }
        foreach ($exercise->asked() as $other) {
            if ($other->kind->drawn() === Drawn::Overall && $other->id !== $r->id) {
                $j = $other->axis();
                $size = $part->bounds()->size();
                if (
                    abs($got - $other->nominal) <= $other->tolerance &&
                    abs($size[$j] - $r->nominal) <= $r->tolerance &&
                    abs($other->nominal - $r->nominal) > $r->tolerance
                ) {
                    return "$text {$unit->brief($r->nominal)} and {$unit->brief($other->nominal)} are there, but the other way round.";
                }
            }
        }
        if (self::near($got, 2 * $r->nominal)) {
            return "$text That is twice as much. Did you extrude to both sides, or type a whole size for a half?";
        }
        if (self::near($got, $r->nominal / 2)) {
            return "$text That is half of it. Did you type half a size, or leave a half out?";
        }

        return $text;
    }

    /** What one of these is called. */
    private static function round(Requirement $r): string
    {
        return $r->kind->of() === Feature::Pin ? 'round' : 'hole';
    }

    public static function diameter(float $got, Requirement $r, Unit $unit): string
    {
        $asked = $unit->brief($r->nominal);
        $what = self::round($r);
        if (self::near($got, $r->nominal / 2)) {
            return "The {$what} is {$unit->brief($got)} across; the drawing asks {$asked} across. Did you type the radius as the diameter?";
        }
        if (self::near($got, 2 * $r->nominal)) {
            return "The {$what} is {$unit->brief($got)} across; the drawing asks {$asked} across. Did you type the diameter as the radius?";
        }

        return trim("The {$what} is {$unit->show($got)} across; the drawing asks {$asked}. " . self::unitSlip($got, $r->nominal, $unit));
    }

    public static function noHole(Requirement $r, PartMeasures $part, Unit $unit): string
    {
        $axis = $r->axis();
        $along = count(array_filter($part->features()->holes, static fn($h): bool => $h->principal() === $axis));
        $any = count($part->features()->holes);
        $words = ['from left to right', 'from front to back', 'from top to bottom'];
        if ($any === 0) {
            return 'The part has no round hole yet.';
        }
        if ($along === 0) {
            return "No hole runs {$words[$axis]}. There " .
                ($any === 1 ? 'is one' : "are $any") .
                ' in another direction; was the axis chosen right?';
        }
        $siblings = max(1, (int) $r->number('siblings'));
        if ($along < $siblings) {
            return "$along of $siblings holes $words[$axis] are there. The one " . self::at($r, $unit) . ' is missing.';
        }

        return 'No hole is near its place, ' . self::at($r, $unit) . '.';
    }

    public static function noPin(Requirement $r, PartMeasures $part, Unit $unit): string
    {
        $along = count(array_filter($part->features()->bosses, static fn($h): bool => $h->principal() === $r->axis()));

        return $along === 0 ? 'No full round stands this way.' : 'No round stands near its place, ' . self::at($r, $unit) . '.';
    }

    private static function at(Requirement $r, Unit $unit): string
    {
        [$a, $b] = Axes::others($r->axis());
        $from = ['the left', 'the front', 'the bottom'];

        return "{$unit->brief($r->number('u'))} from {$from[$a]} and {$unit->brief($r->number('v'))} from {$from[$b]}";
    }

    /** @param array{float,float} $got from the outermost faces */
    public static function place(array $got, Requirement $r, PartMeasures $part, Unit $unit): string
    {
        [$a, $b] = Axes::others($r->axis());
        $size = $part->bounds()->size();
        $asked = [$r->number('u'), $r->number('v')];
        $what = self::round($r);
        $text = "The {$what} sits {$unit->show($got[0])} and {$unit->show($got[1])} from the outer faces; the drawing asks {$unit->brief(
            $asked[0],
        )} and {$unit->brief($asked[1])}.";
        if (self::near($got[0], $asked[1]) && self::near($got[1], $asked[0])) {
            return "$text Both are there, but the other way round.";
        }
        foreach ([[0, $a], [1, $b]] as [$i, $axis]) {
            if (self::near($got[$i], $asked[$i])) {
                continue;
            }
            if (self::near($size[$axis] - $got[$i], $asked[$i])) {
                return "$text Was it measured from the opposite side?";
            }
            if (self::near($got[$i] - $size[$axis] / 2, $asked[$i]) || self::near($got[$i], $asked[$i] + $size[$axis] / 2)) {
                return "$text Was it measured from the middle? The drawing measures from the edge.";
            }
            if (self::near($got[$i], 2 * $asked[$i] - $size[$axis] / 2)) {
                return "$text The way from the middle was taken twice. Was a diameter typed for a radius?";
            }
        }

        return $text;
    }

    public static function volume(float $got, Requirement $r, Unit $unit): string
    {
        $text = 'The part has ' . Amount::volume($got, $unit) . '; ' . Amount::volume($r->nominal, $unit) . ' is asked.';
        $ratio = $got / $r->nominal;
        foreach (
            [[25.4 ** 3, 'inches for millimetres'], [25.4 ** -3, 'millimetres for inches'], [1000.0, 'centimetres for millimetres']]
            as [$factor, $slip]
        ) {
            if (abs($ratio / $factor - 1) < 0.02) {
                return "$text Was the part drawn in $slip?";
            }
        }

        return $got < $r->nominal
            ? "$text Is something missing, or did a cut go too far?"
            : "$text Is something too large, or is a cut missing?";
    }

    public static function ground(float $low, PartMeasures $part, Unit $unit): string
    {
        $height = $part->bounds()->size()[2];
        if ($low > 0) {
            return "The lowest point is {$unit->show($low)} above the ground. Should the part stand on it?";
        }
        $text = "The part reaches down to {$unit->show($low)}.";
        if (self::near(-$low, $height)) {
            return "$text All of it lies below the ground. Should it go upward?";
        }
        if (self::near(-$low, $height / 2)) {
            return "$text Half its height lies below the ground. Was its middle put on the ground instead of its base?";
        }

        return "$text Should it stand on the ground?";
    }

    public static function factor(float $got, float $asked, Unit $unit, string $what): string
    {
        $text = "The {$what} {$unit->show($got)} away; the drawing asks {$unit->brief($asked)}.";
        if (self::near($got, 2 * $asked)) {
            return "$text That is twice as much.";
        }
        if (self::near($got, $asked / 2)) {
            return "$text That is half of it.";
        }

        return trim("$text " . self::unitSlip($got, $asked, $unit));
    }

    private static function unitSlip(float $got, float $asked, Unit $unit): string
    {
        return match (true) {
            self::near($got, 25.4 * $asked) => 'That is 25.4 times as much. Did you type millimetres as inches?',
            self::near($got, $asked / 25.4) => 'That is 25.4 times too little. Did you type inches as millimetres?',
            self::near($got, 10 * $asked) => 'That is ten times as much. Did you type millimetres as centimetres?',
            self::near($got, $asked / 10) => 'That is a tenth of it. Did you type centimetres?',
            default => '',
        };
    }

    private static function near(float $a, float $b): bool
    {
        return abs($a - $b) <= 0.01 * max(abs($b), 0.5);
    }
}
