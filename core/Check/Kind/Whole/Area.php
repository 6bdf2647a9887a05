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

/** How large its surface is. */
final class Area extends Kind implements Measured, Proposes
{
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
        return Amount::area($nominal, $unit);
    }

    public function isPlain(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        return [new Requirement('area', $this, 'Surface', $p->part->mass()->area, 1.0, 1, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $got = $m->subject->part->mass()->area;

        return $m->rows->share(
            $r,
            $got,
            Amount::area($got, $unit),
            Amount::area(abs($got - $r->nominal), $unit),
            'The surface of the part is ' . Amount::area($got, $unit) . '; ' . Amount::area($r->nominal, $unit) . ' is asked.',
            null,
        );
    }
}
