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

/** Of how many pieces it is. */
final class Bodies extends Kind implements Measured, Proposes
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
        return (string) (int) $nominal;
    }

    public function isPlain(): bool
    {
        return true;
    }

    public function mustHold(float $nominal): bool
    {
        return true;
    }

    public function isNamedByValue(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        $n = $p->part->bodyCount();

        return [new Requirement('bodies', $this, $n === 1 ? 'One piece' : 'Pieces', (float) $n, 0.0, 1, true)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $n = $m->subject->part->bodyCount();
        $asked = (int) $r->nominal;

        return $m->rows->row(
            $r,
            (string) $n,
            (float) ($n - $asked),
            (string) ($n - $asked),
            $n === $asked,
            $n === 1 ? '1 piece' : "$n loose pieces",
            $n > $asked
                ? "The part is $n loose pieces. Do all of them touch over a face, not only along an edge or not at all?"
                : "The part is $n " . ($n === 1 ? 'piece' : 'pieces') . ", $asked are asked.",
            null,
        );
    }
}
