<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Form;

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
use Cubo\Quantity\Amount;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;

/** Has at least this share in common with the reference part, percent. */
final class Shape extends Kind implements Measured, Proposes
{
    /** Percent in common that are proposed. */
    private const SHARE = 98.0;

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
        return 'at least ' . Number::brief($nominal, 1) . ' % in common';
    }

    public function needsClosed(): bool
    {
        return true;
    }

    public function limit(): Limit
    {
        return Limit::atLeast(LimitUnit::Percent);
    }

    public function proposals(Proposing $p): array
    {
        return [new Requirement('shape', $this, 'Whole shape', self::SHARE, 0.0, 2, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        if ($m->subject->reference === null) {
            return $m->rows->unknown($r, 'There is no reference part to compare the shape with.');
        }
        $unit = $m->subject->unit;
        $fit = $m->subject->fit();
        $common = $fit?->inCommon();
        if ($fit === null || $common === null) {
            return $m->rows->unknown($r, 'The two parts could not be laid over each other.');
        }
        $off = $common['share'] - $r->nominal;

        return $m->rows->row(
            $r,
            Number::show($common['share'], 1) . ' %',
            $off,
            Number::show($off, 1) . ' %',
            $off >= -1e-6,
            Number::show(-$off, 1) . ' % too little',
            'Laid over the drawing’s part, ' .
                Amount::volume($common['missing'], $unit) .
                ' are missing and ' .
                Amount::volume($common['surplus'], $unit) .
                " too much; farthest off at the marked spot, by {$unit->show($fit->deviation())} {$unit->word()}.",
            $fit->worst() === null ? null : ['kind' => 'spot', 'at' => $fit->worst()],
        );
    }
}
