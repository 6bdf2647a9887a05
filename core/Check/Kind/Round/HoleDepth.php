<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Round;

use Cubo\Check\Kind\Feature;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Measure\Hole;
use Cubo\Quantity\Unit;

/** How deep a hole is to where its full width ends; 0 for one that goes through. */
final class HoleDepth extends AtPlace
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
        return $nominal <= 0 ? 'through' : $unit->brief($nominal) . ' deep';
    }

    public function of(): Feature
    {
        return Feature::Hole;
    }

    public function tellsPose(): bool
    {
        return true;
    }

    /** Only that a hole goes through must hold, not how deep another one is. */
    public function mustHold(float $nominal): bool
    {
        return $nominal <= 0;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->rounds()->depth($r);
    }
}
