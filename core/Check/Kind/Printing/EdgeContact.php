<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Printing;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Measure\Bodies;
use Cubo\Measure\Contact\Contacts;
use Cubo\Quantity\Unit;

/** No pieces that touch only along an edge or in a point. */
final class EdgeContact extends Kind implements Measured, Proposes
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
        return 'none';
    }

    public function proposals(Proposing $p): array
    {
        return $p->part->bodyCount() > 1 ? [] : [new Requirement('edge-contact', $this, 'Pieces touch over faces', 0.0, 0.0, 1, false)];
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $part = $m->subject->part;
        $touching = array_values(
            array_filter(
                Contacts::among($part->solid, Bodies::of($part->solid, $part->budget), 0.0, $part->budget),
                static fn(array $c): bool => $c[2]->seemsJoined(),
            ),
        );
        $first = $touching[0][2] ?? null;

        return $m->rows->row(
            $r,
            (string) count($touching),
            (float) count($touching),
            '',
            $first === null,
            'Only touch',
            $first === null
                ? ''
                : 'Two pieces ' . $first->words($m->subject->unit) . ': they look joined and fall apart in print. Let them overlap more.',
            $first === null ? null : ['kind' => 'spot', 'at' => $first->from],
        );
    }
}
