<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Making;

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
use Cubo\Recipe\Step;

/** Made in at most so many steps. */
final class StepsMost extends Kind implements Measured, Proposes
{
    /** A part of so few steps is not asked for fewer. */
    private const FEW = 2;

    /** Steps more than the drawing's own part has. */
    private const MORE = 2;

    public function heading(): Heading
    {
        return Heading::Making;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return 'at most ' . (int) $nominal;
    }

    public function limit(): Limit
    {
        return Limit::atMost(LimitUnit::Count);
    }

    public function proposals(Proposing $p): array
    {
        $n = count(array_filter($p->recipe->steps ?? [], static fn(Step $s): bool => !$s->off));

        return $n > self::FEW ? [new Requirement('steps-most', $this, 'Number of steps', (float) ($n + self::MORE), 0.0, 1, false)] : [];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $making = $m->subject->making;
        if ($making === null) {
            return $m->untoldMaking($r);
        }
        $steps = $making->steps();
        $n = count($steps);

        return $m->rows->row(
            $r,
            (string) $n,
            $n - $r->nominal,
            (string) ($n - (int) $r->nominal),
            $n <= $r->nominal,
            $n - (int) $r->nominal . ' too many',
            "The part has $n steps; at most " . (int) $r->nominal . ' are asked. Can a mirror or a repeat take the place of some?',
            null,
        );
    }
}
