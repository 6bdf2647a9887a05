<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Datum\Datum;
use Cubo\Check\Datum\Matching;
use Cubo\Check\Datum\Stretch;
use Cubo\Check\Diagnosis;
use Cubo\Check\Requirement;
use Cubo\Check\RequirementKind;
use Cubo\Check\Row;
use Cubo\Check\Rows;
use Cubo\Check\Subject;
use Cubo\Geometry\Vector;

/** Distances between any two of flat faces, axes and corners. */
final class DistanceRows
{
    private ?Matching $matching = null;

    public function __construct(private readonly Subject $subject, private readonly Rows $rows) {}

    public function row(Requirement $r): ?Row
    {
        return $r->kind === RequirementKind::Distance ? $this->distance($r) : null;
    }

    private function distance(Requirement $r): Row
    {
        [$from, $to] = [Datum::fromWhere($r->where, 1), Datum::fromWhere($r->where, 2)];
        if ($from === null || $to === null) {
            return $this->rows->unknown($r, 'It is not said between what.');
        }
        [$a, $b] = $this->matching()->pair($from, $to);
        if ($a === null || $b === null) {
            return $this->rows->missing($r, 'The ' . ($a === null ? $from : $to)->kind->noun() . ' it is measured ' . ($a === null ? 'from' : 'to') . ' is not there.');
        }
        if ($a[1] || $b[1]) {
            return $this->rows->unknown($r, 'Two are equally near to where the drawing has the ' . ($a[1] ? $from : $to)->kind->noun() . ' it is measured ' . ($a[1] ? 'from' : 'to') . '; which one is meant cannot be told.');
        }
        $stretch = Stretch::between($a[0], $b[0]);
        if ($stretch === null) {
            return $this->rows->unknown($r, 'The two are not parallel on this part, so they have no distance.');
        }
        $min = $this->subject->part->bounds()->min;

        return $this->rows->length($r, $stretch->length, Diagnosis::factor($stretch->length, $r->nominal, $this->subject->unit, 'distance is'),
            ['kind' => 'between', 'a' => Vector::add($stretch->a, $min), 'b' => Vector::add($stretch->b, $min)]);
    }

    private function matching(): Matching
    {
        return $this->matching ??= new Matching($this->subject->part, $this->subject->reference);
    }
}
