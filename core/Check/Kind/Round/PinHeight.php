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

/** How high a standing round is. */
final class PinHeight extends AtPlace
{
    public function heading(): Heading
    {
        return Heading::Rounds;
    }

    public function sort(): Sort
    {
        return Sort::Length;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return $unit->brief($nominal);
    }

    public function of(): Feature
    {
        return Feature::Pin;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->rounds()->height($r);
    }
}
