<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Form;

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

/** Lies the way the reference part does. */
final class Pose extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Form;
    }

    public function sort(): Sort
    {
        return Sort::Exact;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return 'as drawn';
    }

    public function proposals(Proposing $p): array
    {
        return [new Requirement('pose', $this, 'Lies as drawn', 0.0, 0.0, 1, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        if ($m->subject->reference === null) {
            return $m->rows->unknown($r, 'There is no reference part to compare the pose with.');
        }
        $fit = $m->subject->fit();
        if ($fit === null || $fit->deviation() > 0.1 * max($m->subject->reference->bounds()->size())) {
            return $m->rows->unknown($r, 'The part differs too much from the drawing to tell how it should lie.');
        }

        return $m->rows->row(
            $r,
            $fit->isStraight() ? 'as drawn' : $fit->words(),
            null,
            '',
            $fit->isStraight(),
            'Lies another way',
            'The part lies ' . $fit->words() . ' against the drawing.',
            null,
        );
    }
}
