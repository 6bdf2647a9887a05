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
use Cubo\Quantity\Unit;

/** Nothing is laid over air farther than this. */
final class Bridge extends Kind implements Measured, Proposes
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
        return 'at most ' . $unit->brief($nominal);
    }

    public function limit(): Limit
    {
        return Limit::atMost(LimitUnit::Length);
    }

    public function proposals(Proposing $p): array
    {
        $bridges = Bridges::of($p->part->solid, $p->part->budget);
        // what hangs free cannot be bridged, so nothing is asked
        if (array_filter($bridges, static fn(array $b): bool => $b['free']) !== []) {
            return [];
        }

        return [
            new Requirement(
                'bridge',
                $this,
                'Longest bridge',
                $p->neat(max([$p->profile->bridge, ...array_map(static fn(array $b): float => ceil($b['span']), $bridges)])),
                0.0,
                1,
                false,
            ),
        ];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $unit = $m->subject->unit;
        $widest = null;
        foreach (Bridges::of($m->subject->part->solid, $m->subject->part->budget) as $b) {
            $widest = $widest === null || ($b['free'] ? INF : $b['span']) > ($widest['free'] ? INF : $widest['span']) ? $b : $widest;
        }
        if ($widest === null) {
            return $m->rows->row($r, 'none', null, '', true, '', '', null);
        }
        $place = ['kind' => 'spot', 'at' => $widest['at']];

        return $widest['free']
            ? $m->rows->row(
                $r,
                'hangs free',
                null,
                '',
                false,
                'Hangs free',
                'A level underside is held on one side only or not at all: no thread can be laid across it.',
                $place,
            )
            : $m->rows->row(
                $r,
                $unit->show($widest['span']),
                $widest['span'] - $r->nominal,
                $unit->show($widest['span'] - $r->nominal),
                $widest['span'] <= $r->nominal + Rows::SLACK,
                $unit->show($widest['span'] - $r->nominal) . ' too far',
                "A level underside is laid {$unit->show($widest['span'])} {$unit->word()} over air.",
                $place,
            );
    }
}
