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

/** The wide end of a conical sinking of a hole. */
final class SinkDiameter extends AtPlace implements Proposes
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
        return '⌀ ' . $unit->brief($nominal);
    }

    public function proposals(Proposing $p): array
    {
        return RoundProposals::cones($p, $this, new SinkAngle(), new Taper());
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->rounds()->sinkDiameter($r);
    }
}
