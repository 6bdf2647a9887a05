<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Form;

use Cubo\Check\Axes;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Quantity\Unit;

/** Its middle is above the origin. */
final class Centred extends Kind implements Measured, Proposes
{
    public function heading(): Heading
    {
        return Heading::Form;
    }

    public function sort(): Sort
    {
        return Sort::Off;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return 'on the origin';
    }

    public function isPlain(): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        $middle = $p->part->bounds()->middle();

        return hypot($middle[0], $middle[1]) < Axes::NOTHING
            ? [new Requirement('centred', $this, 'Middle on the origin', 0.0, $p->tolerance, 1, false)]
            : [];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $middle = $m->subject->part->bounds()->middle();
        $off = hypot($middle[0], $middle[1]);

        return $m->rows->row(
            $r,
            "{$unit->show($middle[0])}, {$unit->show($middle[1])}",
            $off,
            $unit->show($off),
            $off <= $r->tolerance + Rows::SLACK,
            $unit->show($off) . ' off the origin',
            "The middle of the part lies {$unit->show($middle[0])} and {$unit->show(
                $middle[1],
            )} {$unit->word()} from the origin. Tie the first sketch to the origin, or place the first solid there.",
            ['kind' => 'spot', 'at' => [$middle[0], $middle[1], $m->subject->part->bounds()->min[2]]],
        );
    }
}
