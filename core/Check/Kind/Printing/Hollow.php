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
use Cubo\Printing\HollowSpaces;
use Cubo\Quantity\Amount;
use Cubo\Quantity\Unit;

/** No closed space inside. */
final class Hollow extends Kind implements Measured, Proposes
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

    public function needsClosed(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        $p->part->spend(2);

        return HollowSpaces::of($p->part->solid) !== []
            ? []
            : [new Requirement('hollow', $this, 'No closed space inside', 0.0, 0.0, 1, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $m->subject->part->spend(2);
        $spaces = HollowSpaces::of($m->subject->part->solid);
        $n = count($spaces);

        return $m->rows->row(
            $r,
            (string) $n,
            (float) $n,
            (string) $n,
            $n === 0,
            $n === 1 ? '1 closed space' : "$n closed spaces",
            'There is a closed space inside: ' .
                Amount::volume($spaces[0]['volume'] ?? 0.0, $m->subject->unit) .
                '. Nothing comes out of it, support neither.',
            $n === 0 ? null : ['kind' => 'spot', 'at' => $spaces[0]['at']],
        );
    }
}
