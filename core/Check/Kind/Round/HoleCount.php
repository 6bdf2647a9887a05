<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Round;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Proposing\RoundProposals;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Unit;

/** How many holes of one diameter run along an axis. */
final class HoleCount extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Holes;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return (int) $nominal . ' of ⌀ ' . $unit->brief((float) $where['diameter']);
    }

    public function needs(): array
    {
        return ['axis', 'diameter'];
    }

    public function mustHold(float $nominal): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        return RoundProposals::patterns($p, $this, new PitchCircle(), new Pitch(), new AxisDistance());
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->patterns()->count($r);
    }
}
