<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Printing;

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
use Cubo\Check\Rows;
use Cubo\Printing\Bridges;
use Cubo\Printing\Overhang as Hanging;
use Cubo\Quantity\Amount;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;

/** At most this area hangs over at less than an angle, bridges left out. */
final class Overhang extends Kind implements Measured, Proposes
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
        return 'at most ' . Amount::area($nominal, $unit);
    }

    public function limit(): Limit
    {
        return Limit::atMost(LimitUnit::Area);
    }

    public function proposals(Proposing $p): array
    {
        // the drawing's own part must pass: what hangs over there is allowed
        $over = ceil(Hanging::area($p->part->solid, $p->profile->overhang, $p->part->budget));

        return [
            new Requirement('overhang', $this, $over > 0 ? 'Hangs over no more' : 'Needs no support', $over, 0.0, 1, false, [
                'degrees' => $p->profile->overhang,
                'bridge' => $p->profile->bridge,
            ]),
        ];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $s = $m->subject->part->solid;
        $degrees = isset($r->where['degrees']) ? $r->number('degrees') : 45.0;
        $longest = isset($r->where['bridge']) ? $r->number('bridge') : 0.0;
        $budget = $m->subject->part->budget;
        $area = Hanging::area($s, $degrees, $budget);
        $at = null;
        foreach (Bridges::of($s, $budget) as $b) {
            // what can be bridged hangs on both its ends
            if (!$b['free'] && $b['span'] <= $longest + Rows::SLACK) {
                $area -= $b['area'];
            } else {
                $at ??= $b['at'];
            }
        }
        $area = max(0.0, $area);

        return $m->rows->row(
            $r,
            Amount::area($area, $unit),
            $area - $r->nominal,
            '',
            $area <= $r->nominal + 0.01,
            'Hangs over',
            Amount::area($area, $unit) .
                ' look down at less than ' .
                Number::brief($degrees, 1) .
                '° to the level and need support. Would the part print on another side, or with slanting instead of level undersides?',
            ['kind' => 'spot', 'at' => $at ?? (Hanging::spot($s, $degrees) ?? $m->subject->part->mass()->centroid)],
        );
    }
}
