<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Whole;

use Cubo\Check\Axes;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Measure\Bodies;
use Cubo\Measure\Contact\Contact;
use Cubo\Measure\Contact\Contacts;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Unit;

/** The smallest distance between any two bodies of the part, 0 where they touch. */
final class BodyDistance extends Kind implements Measured, Proposes
{
    /** Of parts with more bodies than this it is not proposed: letters and chains are not fitted to each other. */
    private const MOST_BODIES = 12;

    public function heading(): Heading
    {
        return Heading::Whole;
    }

    public function sort(): Sort
    {
        return Sort::Length;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return $unit->brief($nominal);
    }

    public function proposals(Proposing $p): array
    {
        $n = $p->part->bodyCount();
        $nearest = $n < 2 || $n > self::MOST_BODIES ? null : self::nearest($p->part);

        return $nearest === null
            ? []
            : [
                new Requirement(
                    'body-distance',
                    $this,
                    'Between the pieces',
                    Axes::clean(max(0.0, $nearest->gap)),
                    $p->tolerance,
                    2,
                    false,
                ),
            ];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $nearest = self::nearest($m->subject->part);
        if ($nearest === null) {
            return $m->rows->missing(
                $r,
                'The part is one piece, so there is no distance between pieces. Were two joined that should stay apart?',
            );
        }
        $unit = $m->subject->unit;
        $got = max(0.0, $nearest->gap);
        $text =
            $got > 0
                ? "The two pieces that lie nearest to each other are {$unit->show($got)} apart; {$unit->brief($r->nominal)} is asked."
                : "Two pieces touch; {$unit->brief($r->nominal)} is asked between them.";

        return $m->rows->length($r, $got, $text, ['kind' => 'between', 'a' => $nearest->from, 'b' => $nearest->to]);
    }

    private static function nearest(PartMeasures $part): ?Contact
    {
        return Contacts::among($part->solid, Bodies::of($part->solid, $part->budget), INF, $part->budget)[0][2] ?? null;
    }
}
