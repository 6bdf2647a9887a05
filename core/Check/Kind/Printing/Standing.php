<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Printing;

use Cubo\Check\Axes;
use Cubo\Check\Diagnosis;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Limit;
use Cubo\Check\Kind\LimitUnit;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Measure\Standing as Footing;
use Cubo\Quantity\Amount;
use Cubo\Quantity\Unit;

/** Stands on the ground with at least this flat area. */
final class Standing extends Kind implements Measured, Proposes
{
    /** Of the area of the reference part, what is asked. */
    private const SHARE = 0.9;

    /** mm2: a part that stands on less is not asked to */
    private const WORTH = 20.0;

    public function heading(): Heading
    {
        return Heading::Printing;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return 'at least ' . Amount::area($nominal, $unit);
    }

    public function isPlain(): bool
    {
        return true;
    }

    public function mustHold(float $nominal): bool
    {
        return true;
    }

    public function limit(): Limit
    {
        return Limit::atLeast(LimitUnit::Area);
    }

    public function proposals(Proposing $p): array
    {
        $area = Footing::of($p->part)->base;

        return [
            new Requirement(
                'standing',
                $this,
                'Stands on the bed',
                floor($area * self::SHARE),
                0.0,
                1,
                abs($p->part->bounds()->min[2]) < Axes::NOTHING && $area > self::WORTH,
            ),
        ];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $b = $m->subject->part->bounds();
        $low = $b->min[2];
        $spot = ['kind' => 'spot', 'at' => [$b->middle()[0], $b->middle()[1], $low]];
        if (abs($low) > 1e-4) {
            $below = $low < 0;

            return $m->rows->row(
                $r,
                $unit->show(abs($low)) . ($below ? ' below' : ' above'),
                $low,
                $unit->show($low),
                false,
                $below ? 'Below the ground' : 'Floats above the ground',
                Diagnosis::ground($low, $m->subject->part, $unit),
                $spot,
            );
        }
        $area = Footing::of($m->subject->part)->base;

        return $m->rows->row(
            $r,
            Amount::area($area, $unit),
            $area - $r->nominal,
            '',
            $area >= $r->nominal - 1e-6,
            'Stands on too little',
            'Too little of the part lies flat on the ground. Does another side make a better base?',
            $spot,
        );
    }
}
