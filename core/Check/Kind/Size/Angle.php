<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Size;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\FaceProposals;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Geometry\Vector;
use Cubo\Measure\Flat;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;

/** A slanting flat face against a plane across an axis, degrees. */
final class Angle extends Kind implements Measured, Proposes
{
    /** A slanting face that leans more than this against the asked one is another face: its cosine. */
    private const LIKE = 0.85;

    public function heading(): Heading
    {
        return Heading::Sizes;
    }

    public function sort(): Sort
    {
        return Sort::Angle;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return Number::brief($nominal, 2) . '°';
    }

    public function needs(): array
    {
        return ['axis', 'nx', 'ny', 'nz'];
    }

    public function proposals(Proposing $p): array
    {
        return FaceProposals::angles($p, $this);
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $axis = $r->axis();
        $asked = [$r->number('nx'), $r->number('ny'), $r->number('nz')];
        $like = array_values(
            array_filter(
                $m->subject->part->features()->flats,
                static fn(Flat $f): bool => Vector::dot($f->normal, $asked) > self::LIKE && max(array_map(abs(...), $f->normal)) < 1 - 1e-6,
            ),
        );
        if ($like === []) {
            return $m->rows->missing($r, 'No slanting face looks this way.');
        }
        usort(
            $like,
            static fn(Flat $p, Flat $q): int => round(Vector::dot($q->normal, $asked), 6) <=> round(Vector::dot($p->normal, $asked), 6) ?:
            $q->area <=> $p->area,
        );
        $got = FaceProposals::against($like[0], $axis);
        $plane = ['the side plane', 'the front plane', 'the ground'][$axis];

        return $m->rows->angle(
            $r,
            $got,
            'The slanting face lies at ' .
                round($got, 1) .
                '° to ' .
                $plane .
                '; ' .
                round($r->nominal, 1) .
                '° is asked.' .
                (abs(90 - $got - $r->nominal) <= $r->tolerance + 0.5
                    ? ' It would fit if the angle were taken from the other side: 90° less it.'
                    : ''),
            ['kind' => 'spot', 'at' => $like[0]->centroid],
        );
    }
}
