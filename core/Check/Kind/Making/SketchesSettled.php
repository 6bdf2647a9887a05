<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Making;

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
use Cubo\Recipe\Message;
use Cubo\Recipe\SketchNotes;
use Cubo\Recipe\Step;

/** No free movement left in a sketch. */
final class SketchesSettled extends Kind implements Measured, Proposes
{
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
        return 'all settled';
    }

    public function proposals(Proposing $p): array
    {
        return $p->draws() ? [new Requirement('settled', $this, 'Sketches cannot move', 0.0, 0.0, 1, false)] : [];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $making = $m->subject->making;
        if ($making === null) {
            return $m->untoldMaking($r);
        }
        $steps = $making->steps();
        $free = array_values(
            array_filter(
                $steps,
                static fn(Step $s): bool => array_filter(
                    SketchNotes::of($making->recipe, $s),
                    static fn(Message $note): bool => $note->code === 'free',
                ) !== [],
            ),
        );

        return $m->rows->row(
            $r,
            $free === [] ? 'settled' : count($free) . ' not',
            (float) count($free),
            '',
            $free === [],
            'Left free',
            'The sketch “' . ($free[0]->name ?? '') . '” can still move: what is not dimensioned shifts when other sizes change.',
            null,
        );
    }
}
