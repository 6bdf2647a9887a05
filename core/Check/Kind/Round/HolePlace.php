<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Round;

use Cubo\Check\Kind\Drawn;
use Cubo\Check\Kind\Feature;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Measure\Hole;
use Cubo\Quantity\Unit;

/** Where the axis of a hole is, from the left, front and bottom outermost faces of the part. */
final class HolePlace extends AtPlace
{
    public function heading(): Heading
    {
        return Heading::Holes;
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
        return Feature::Hole;
    }

    public function tellsPose(): bool
    {
        return true;
    }

    public function drawn(): Drawn
    {
        return Drawn::Place;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->rounds()->place($r);
    }
}
