<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Round;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;

/** Opening of a standing cone, degrees. */
final class Taper extends AtPlace
{
    public function heading(): Heading
    {
        return Heading::Rounds;
    }

    public function sort(): Sort
    {
        return Sort::Angle;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return Number::brief($nominal, 2) . '°';
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->rounds()->taper($r);
    }
}
