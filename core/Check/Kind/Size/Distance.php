<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Size;

use Cubo\Check\Datum\Datum;
use Cubo\Check\Datum\Stretch;
use Cubo\Check\Diagnosis;
use Cubo\Check\Kind\Drawn;
use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Geometry\Vector;
use Cubo\Quantity\Unit;

/** Between any two of flat faces, axes and corners. */
final class Distance extends Kind implements Measured
{
    public function heading(): Heading
    {
        return Heading::Sizes;
    }

    public function sort(): Sort
    {
        return Sort::Length;
    }

    public function asked(float $nominal, array $where, Unit $unit): string
    {
        return $unit->brief($nominal);
    }

    public function needs(): array
    {
        return ['from', 'to', 'x1', 'y1', 'z1', 'x2', 'y2', 'z2'];
    }

    public function drawn(): Drawn
    {
        return Drawn::Between;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        [$from, $to] = [Datum::fromWhere($r->where, 1), Datum::fromWhere($r->where, 2)];
        if ($from === null || $to === null) {
            return $m->rows->unknown($r, 'It is not said between what.');
        }
        [$a, $b] = $m->matching()->pair($from, $to);
        if ($a === null || $b === null) {
            return $m->rows->missing(
                $r,
                'The ' . ($a === null ? $from : $to)->kind->noun() . ' it is measured ' . ($a === null ? 'from' : 'to') . ' is not there.',
            );
        }
        if ($a[1] || $b[1]) {
            return $m->rows->unknown(
                $r,
                'Two are equally near to where the drawing has the ' .
                    ($a[1] ? $from : $to)->kind->noun() .
                    ' it is measured ' .
                    ($a[1] ? 'from' : 'to') .
                    '; which one is meant cannot be told.',
            );
        }
        $stretch = Stretch::between($a[0], $b[0]);
        if ($stretch === null) {
            return $m->rows->unknown($r, 'The two are not parallel on this part, so they have no distance.');
        }
        $min = $m->subject->part->bounds()->min;

        return $m->rows->length($r, $stretch->length, Diagnosis::factor($stretch->length, $r->nominal, $m->subject->unit, 'distance is'), [
            'kind' => 'between',
            'a' => Vector::add($stretch->a, $min),
            'b' => Vector::add($stretch->b, $min),
        ]);
    }
}
