<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Printing;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Limit;
use Cubo\Check\Kind\LimitUnit;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Unit;

/** No gap narrower than this. */
final class Gap extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Printing;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return 'at least ' . $unit->brief($nominal);
    }

    public function limit(): Limit
    {
        return Limit::atLeast(LimitUnit::Length);
    }

    public function proposals(Proposing $p): array
    {
        return [new Requirement('gap', $this, 'Narrowest gap', $p->neat($p->profile->gap), 0.0, 1, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        return $m->thin($r, $m->subject->part->gap(), 'gap');
    }
}
