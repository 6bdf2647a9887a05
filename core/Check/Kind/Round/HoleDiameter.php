<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Round;

use Cubo\Check\Kind\Drawn;
use Cubo\Check\Kind\Feature;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Proposing\RoundProposals;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Measure\Hole;
use Cubo\Quantity\Unit;

/** Diameter of a hole. */
final class HoleDiameter extends AtPlace implements Proposes
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

    public function isWidth(): bool
    {
        return true;
    }

    public function of(): Feature
    {
        return Feature::Hole;
    }

    public function tellsPose(): bool
    {
        return true;
    }

    public function drawn(): Drawn
    {
        return Drawn::Diameter;
    }

    public function proposals(Proposing $p): array
    {
        return RoundProposals::single($p, Feature::Hole, $this, new HolePlace(), new HoleDepth());
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->rounds()->diameter($r);
    }
}
