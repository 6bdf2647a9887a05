<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Round;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Proposing\RoundProposals;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Unit;

/** How long a slot with round ends is over all. */
final class SlotLength extends AtPlace implements Proposes
{
    public function heading(): Heading
    {
        return Heading::Holes;
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
        return RoundProposals::slots($p, $this, new SlotWidth());
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->rounds()->slotLength($r);
    }
}
