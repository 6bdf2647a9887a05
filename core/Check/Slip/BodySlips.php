<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Check\Comparing\Alignment;
use Cubo\Measure\Bodies;
use Cubo\Measure\Contact\Contacts;
use Cubo\Measure\PartMeasures;

/** More pieces than are asked: left over, not joined, or joined in appearance only. */
final class BodySlips
{
    /** A gap nobody sees, mm. */
    private const UNSEEN = 0.6;

    /** @return list<Finding> */
    public static function of(Facts $facts): array
    {
        $row = $facts->off('bodies')[0] ?? null;
        $part = $facts->subject->part;
        if ($row === null || $row->deviation === null || $row->deviation <= 0) {
            return [];
        }
        $bodies = array_map(
            static fn(array $t): PartMeasures => new PartMeasures(Bodies::extract($part->solid, $t), $part->budget),
            Bodies::of($part->solid, $part->budget),
        );
        usort($bodies, static fn(PartMeasures $a, PartMeasures $b): int => $b->mass()->volume <=> $a->mass()->volume);
        $small = $bodies[count($bodies) - 1];
        $spot = ['kind' => 'spot', 'at' => $small->bounds()->middle()];
        $ref = $facts->subject->reference;
        if ($ref !== null && $ref->bodyCount() < count($bodies) && abs($bodies[0]->mass()->volume / $ref->mass()->volume - 1) < 0.01) {
            $fit = Alignment::best($bodies[0], $ref);
            if ($fit !== null && $fit->within($facts->same())) {
                return [
                    new Finding(
                        Slip::LeftOver,
                        0.96,
                        'One piece is the part as asked; beside it ' .
                            (count($bodies) === 2 ? 'a piece is' : count($bodies) - 1 . ' pieces are') .
                            ' left over.',
                        [$row->id],
                        $spot,
                    ),
                ];
            }
        }
        $contacts = Contacts::among($part->solid, Bodies::of($part->solid, $part->budget), INF, $part->budget);
        if ($contacts === []) {
            return [];
        }
        $contact = $contacts[0][2];
        $gap = $contact->gap;
        $unit = $facts->subject->unit;
        if ($contact->seemsJoined()) {
            return [
                new Finding(
                    Slip::SeemsJoined,
                    0.95,
                    "Two pieces {$contact->words($unit)}: they look joined and are not. Let them share a face, or overlap.",
                    [$row->id],
                    ['kind' => 'spot', 'at' => $contact->from],
                ),
            ];
        }
        if ($gap < self::UNSEEN) {
            return [
                new Finding(
                    Slip::SeemsJoined,
                    0.93,
                    "Between two pieces there is a gap of {$unit->show($gap, 3)} {$unit->word()}, too narrow to be seen.",
                    [$row->id],
                    $spot,
                ),
            ];
        }

        return [new Finding(Slip::NotJoined, 0.9, "The pieces lie {$unit->show($gap)} {$unit->word()} apart.", [$row->id], $spot)];
    }
}
