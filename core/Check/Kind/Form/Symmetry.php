<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Form;

use Cubo\Check\Axes;
use Cubo\Check\Datum\Datum;
use Cubo\Check\Datum\Matching;
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

/** Mirror symmetry in a plane through the middle of the part, through the origin or between two faces. */
final class Symmetry extends Kind implements Measured, Proposes
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
        return 'mirror';
    }

    public function needs(): array
    {
        return ['axis'];
    }

    public function mustHold(float $nominal): bool
    {
        return true;
    }

    public function proposals(Proposing $p): array
    {
        $out = [];
        foreach ([0 => 'Same left and right', 1 => 'Same front and back', 2 => 'Same top and bottom'] as $axis => $label) {
            if (!$p->isSymmetric($axis)) {
                continue;
            }
            $out[] = new Requirement('symmetry-' . Axes::LETTER[$axis], $this, $label, 0.0, $p->tolerance, 2, $axis === 0, [
                'axis' => $axis,
            ]);
            if (abs($p->part->bounds()->middle()[$axis]) < Axes::NOTHING && $axis < 2) {
                $out[] = new Requirement(
                    'symmetry-' . Axes::LETTER[$axis] . '-origin',
                    $this,
                    "$label of the origin",
                    0.0,
                    $p->tolerance,
                    2,
                    false,
                    ['axis' => $axis, 'about' => 'origin'],
                );
            }
        }

        return $out;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $about = (string) ($r->where['about'] ?? '');
        $at = match ($about) {
            'origin' => 0.0,
            'faces' => self::midway($r, $m),
            default => $m->subject->part->bounds()->middle()[$r->axis()],
        };
        if (is_string($at)) {
            return $m->rows->unknown($r, $at);
        }
        $s = $about === '' ? $m->subject->part->symmetry($r->axis()) : $m->subject->part->symmetryAt($r->axis(), $at);
        $halves = Axes::HALVES[$r->axis()];
        $plane = ['origin' => 'plane through the origin', 'faces' => 'middle between the two faces'][$about] ?? 'middle';

        return $m->rows->row(
            $r,
            $s->deviation <= $r->tolerance + Rows::SLACK ? 'mirror' : $unit->show($s->deviation) . ' apart',
            $s->deviation,
            $unit->show($s->deviation),
            $s->deviation <= $r->tolerance + Rows::SLACK,
            $unit->show($s->deviation) . ' apart',
            "Folded over the $plane, the {$halves[0]} and {$halves[1]} halves differ most at the marked spot, by {$unit->show(
                $s->deviation,
            )} {$unit->word()}.",
            $m->plane($r->axis(), $at, $s->worst),
        );
    }

    /** Where the plane midway between the two named faces is along the axis; a sentence when they are not there. */
    private static function midway(Requirement $r, Measuring $m): float|string
    {
        [$from, $to] = [Datum::fromWhere($r->where, 1), Datum::fromWhere($r->where, 2)];
        [$a, $b] =
            $from === null || $to === null ? [null, null] : (new Matching($m->subject->part, $m->subject->reference))->pair($from, $to);
        if ($a === null || $b === null) {
            return 'One of the two faces whose middle is meant is not there.';
        }
        if ($a[1] || $b[1]) {
            return 'Two faces are equally near to one of those whose middle is meant; which one it is cannot be told.';
        }

        return $m->subject->part->bounds()->min[$r->axis()] + ($a[0]->at[$r->axis()] + $b[0]->at[$r->axis()]) / 2;
    }
}
