<?php

declare(strict_types=1);

namespace Cubo\Check\Comparing;

use Cubo\Check\Kind\Drawn;
use Cubo\Check\Measuring\AllRows;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Subject;
use Cubo\Geometry\Transform;
use Cubo\Measure\PartMeasures;

/** Where an exercise lets a part lie in another way: the way of the 24 in which most of what is asked is met. */
final class LikelyPose
{
    public static function of(Subject $subject): PartMeasures
    {
        if ($subject->reference !== null) {
            $fit = Alignment::best($subject->part, $subject->reference);

            return $fit === null || $fit->isStraight() ? $subject->part : self::turned($subject->part, $fit->move->r);
        }
        $telling = array_values(array_filter($subject->exercise->asked(), static fn(Requirement $r): bool => $r->kind->tellsPose()));
        $best = $subject->part;
        $most = self::met($subject, $telling);
        $sizes = array_filter($telling, static fn(Requirement $r): bool => $r->kind->drawn() === Drawn::Overall);
        foreach (Alignment::ways() as $n => $r) {
            if ($n === 0 || $most === count($telling)) {
                continue;
            }
            $turned = self::turned($subject->part, $r);
            // overall sizes are quick: a way that meets fewer of them than the best is left out
            if (self::met($subject->inPose($turned), array_values($sizes)) < self::met($subject->inPose($best), array_values($sizes))) {
                continue;
            }
            $met = self::met($subject->inPose($turned), $telling);
            if ($met > $most) {
                [$most, $best] = [$met, $turned];
            }
        }

        return $best;
    }

    /** @param list<Requirement> $asked */
    private static function met(Subject $subject, array $asked): int
    {
        return count(array_filter(AllRows::of($subject, $asked), static fn(Row $r): bool => $r->status === 'met'));
    }

    /**
     * Turned about the origin and set down on the height it had.
     *
     * @param array{float,float,float,float,float,float,float,float,float} $r
     */
    private static function turned(PartMeasures $part, array $r): PartMeasures
    {
        $low = $part->bounds()->min[2];
        $turned = $part->solid->moved(new Transform($r));
        $now = new PartMeasures($turned, $part->budget);

        return new PartMeasures($turned->moved(Transform::translation([0.0, 0.0, $low - $now->bounds()->min[2]])), $part->budget);
    }
}
