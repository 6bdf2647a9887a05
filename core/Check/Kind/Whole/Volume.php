<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Whole;

use Cubo\Check\Diagnosis;
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

/** How much material the part has. */
final class Volume extends Kind implements Measured, Proposes
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
        return Amount::volume($nominal, $unit);
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
        return [new Requirement('volume', $this, 'Volume', $p->part->mass()->volume, 1.0, 2, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $got = $m->subject->part->mass()->volume;

        return $m->rows->share(
            $r,
            $got,
            Amount::volume($got, $unit),
            Amount::volume(abs($got - $r->nominal), $unit),
            Diagnosis::volume($got, $r, $unit),
            $m->centre(),
        );
    }
}
