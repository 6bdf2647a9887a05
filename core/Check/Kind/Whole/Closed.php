<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Whole;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Quantity\Unit;

/** Whether its surface is closed. */
final class Closed extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Whole;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return 'closed';
    }

    public function isPlain(): bool
    {
        return true;
    }

    public function mustHold(float $nominal): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        return [new Requirement('closed', $this, 'Closed solid', 1.0, 0.0, 1, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $met = $m->subject->part->isClosed();
        $fault = $met ? null : $m->subject->part->faults()[0] ?? null;

        return $m->rows->row(
            $r,
            $met ? 'closed' : $fault['kind'] ?? 'open',
            null,
            '',
            $met,
            $fault !== null && $fault['kind'] !== 'open' ? ucfirst(str_replace('-', ' ', $fault['kind'])) : 'Not closed',
            $fault['words'] ?? 'The surface has a gap, so it encloses no solid.',
            $fault === null ? null : ['kind' => 'spot', 'at' => $fault['at']],
        );
    }
}
