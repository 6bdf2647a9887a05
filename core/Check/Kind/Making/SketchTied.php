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

/** The first sketch is tied to the origin. */
final class SketchTied extends Kind implements Measured, Proposes
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
        return 'tied';
    }

    public function proposals(Proposing $p): array
    {
        return $p->draws() ? [new Requirement('tied', $this, 'First sketch tied to the origin', 0.0, 0.0, 1, false)] : [];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $making = $m->subject->making;
        if ($making === null) {
            return $m->untoldMaking($r);
        }
        $steps = $making->steps();
        $loose = false;
        $any = false;
        foreach ($steps as $s) {
            if ($s->kind->draws()) {
                $any = true;
                $loose =
                    array_filter(SketchNotes::of($making->recipe, $s), static fn(Message $note): bool => $note->code === 'not-tied') !== [];

                break;
            }
        }
        if (!$any) {
            return $m->rows->missing($r, 'There is no sketch.');
        }

        return $m->rows->row(
            $r,
            $loose ? 'loose' : 'tied',
            null,
            '',
            !$loose,
            'Tied to nothing',
            'Nothing ties the first sketch to the origin. Put a point of it there, or give its distance from there.',
            null,
        );
    }
}
