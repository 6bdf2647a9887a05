<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Whole;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Amount;
use Cubo\Quantity\Unit;

/** Mass in grams for a density. */
final class Mass extends Kind implements Measured, Proposes
{
    /** g/cm3 of the material that is proposed first: common printing plastic; common practice, no source. */
    private const DENSITY = 1.24;

    public function heading(): Heading
    {
        return Heading::Whole;
    }

    public function sort(): Sort
    {
        return Sort::Share;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return Amount::mass($nominal, $unit);
    }

    public function needs(): array
    {
        return ['density'];
    }

    public function needsClosed(): bool
    {
        return true;
    }

    public function isPlain(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        return [
            new Requirement('mass', $this, 'Mass', ($p->part->mass()->volume * self::DENSITY) / 1000, 1.0, 2, false, [
                'density' => self::DENSITY,
            ]),
        ];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        // mm3 times g/cm3
        $got = ($m->subject->part->mass()->volume * $r->number('density')) / 1000;
        $text =
            'The part weighs ' . Amount::mass($got, $m->subject->unit) . '; ' . Amount::mass($r->nominal, $m->subject->unit) . ' is asked.';

        return $m->rows->share(
            $r,
            $got,
            Amount::mass($got, $m->subject->unit),
            Amount::mass(abs($got - $r->nominal), $m->subject->unit),
            $text . ' Is something missing or too much?',
            $m->centre(),
        );
    }
}
