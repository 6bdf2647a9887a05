<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Check\Datum\Datum;
use Cubo\Check\Datum\DatumKind;
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
        $found = [];
        foreach ([1, 2] as $end) {
            $datum = Datum::fromWhere($r->where, $end);
            $match = $datum === null ? null : $this->matching()->find($datum);
            if ($datum === null || $match === null) {
                return $this->rows->missing($r, $datum === null ? 'It is not said between what.' : 'The ' . self::noun($datum) . ' it is measured ' . ($end === 1 ? 'from' : 'to') . ' is not there: ' . $datum->words($this->subject->unit) . ' on the drawing.');
            }
            if ($match[1]) {
                return $this->rows->unknown($r, 'Two are equally near to where the drawing has the ' . self::noun($datum) . ' it is measured ' . ($end === 1 ? 'from' : 'to') . '; which one is meant cannot be told.');
            }
            $found[] = $match[0];
        }
        $stretch = Stretch::between($found[0], $found[1]);
        if ($stretch === null) {
            return $this->rows->unknown($r, 'The two are not parallel on this part, so they have no distance.');
        }
        $min = $this->subject->part->bounds()->min;

        return $this->rows->length($r, $stretch->length, Diagnosis::factor($stretch->length, $r->nominal, $this->subject->unit, 'distance is'),
            ['kind' => 'between', 'a' => Vector::add($stretch->a, $min), 'b' => Vector::add($stretch->b, $min)]);
    }

    private function matching(): Matching
    {
        return $this->matching ??= new Matching($this->subject->part, $this->subject->reference?->bounds()->size());
    }

    private static function noun(Datum $d): string
    {
        return match ($d->kind) {
            DatumKind::Face => 'face',
            DatumKind::Hole => 'hole',
            DatumKind::Pin => 'round',
            DatumKind::Corner => 'corner',
        };
    }
}
