<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Printing;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Printing\Islands as Floating;
use Cubo\Quantity\Unit;

/** Nothing begins in the air. */
final class Islands extends Kind implements Measured, Proposes
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
        return 'none';
    }

    public function proposals(Proposing $p): array
    {
        $p->part->spend(3);

        return Floating::of($p->part->solid) !== []
            ? []
            : [new Requirement('islands', $this, 'Nothing begins in the air', 0.0, 0.0, 1, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $m->subject->part->spend(3);
        $spots = Floating::of($m->subject->part->solid);
        $n = count($spots);

        return $m->rows->row(
            $r,
            (string) $n,
            (float) $n,
            (string) $n,
            $n === 0,
            $n === 1 ? '1 begins in the air' : "$n begin in the air",
            'At the marked spot a layer begins with nothing below it, and would fall. Join it to what is below, or turn the part.',
            $n === 0 ? null : ['kind' => 'spot', 'at' => $spots[0]],
        );
    }
}
