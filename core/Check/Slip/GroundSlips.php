<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

/** How high the part lies, where the exercise asks that it stands on the ground. */
final class GroundSlips
{
    /** @return list<Finding> */
    public static function of(Facts $facts): array
    {
        $row = $facts->off('standing')[0] ?? null;
        $b = $facts->subject->part->bounds();
        $low = $b->min[2];
        if ($row === null || abs($low) < 1e-3 || FeatureSlips::direction($facts) !== null) {
            return [];
        }
        $unit = $facts->subject->unit;
        $height = $b->size()[2];
        $spot = ['kind' => 'spot', 'at' => [$b->middle()[0], $b->middle()[1], $low]];
        if ($low > 0) {
            return [
                new Finding(
                    Slip::AboveGround,
                    0.95,
                    "Its lowest point is {$unit->show($low)} {$unit->word()} above the ground.",
                    [$row->id],
                    $spot,
                ),
            ];
        }
        if (Numbers::near(-$low, $height / 2)) {
            return [
                new Finding(
                    Slip::HalfBelow,
                    0.96,
                    "Half its height, {$unit->show(
                        -$low,
                    )} {$unit->word()}, lies below the ground: its middle stands there instead of its base.",
                    [$row->id],
                    $spot,
                ),
            ];
        }
        if (Numbers::near(-$low, $height)) {
            return [new Finding(Slip::BelowGround, 0.95, 'All of it lies below the ground: it was made downwards.', [$row->id], $spot)];
        }
        // one solid of several may have been put in with its middle
        $halves = array_filter(
            $facts->subject->part->features()->flats,
            static fn($f): bool => $f->normal[2] > 1 - 1e-9 && abs($f->centroid[2] + $low) < 1e-3,
        );

        return [
            new Finding(
                $halves !== [] ? Slip::HalfBelow : Slip::BelowGround,
                0.9,
                $halves !== []
                    ? 'One solid of it lies half below the ground: its middle stands there instead of its base.'
                    : "It reaches {$unit->show(-$low)} {$unit->word()} below the ground.",
                [$row->id],
                $spot,
            ),
        ];
    }
}
