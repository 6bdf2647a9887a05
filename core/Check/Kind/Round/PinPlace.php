<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Round;

use Cubo\Check\Kind\Feature;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Unit;

/** Where the axis of a standing round is, from the left, front and bottom outermost faces of the part. */
final class PinPlace extends AtPlace
{
    public function heading(): Heading
    {
        return Heading::Rounds;
    }

    public function sort(): Sort
    {
        return Sort::Off;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return $unit->brief((float) $where['u']) . ', ' . $unit->brief((float) $where['v']);
    }

    public function of(): Feature
    {
        return Feature::Pin;
    }

    public function tellsPose(): bool
    {
        return true;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->rounds()->place($r);
    }
}
