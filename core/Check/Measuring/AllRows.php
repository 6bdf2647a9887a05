<?php

declare(strict_types=1);

namespace Cubo\Check\Measuring;

use Cubo\Budget\OverBudget;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Subject;
use Cubo\Measure\PartMeasures;
use LogicException;

/** All rows of a report: each requirement is measured by its kind, where the part lets it. */
final class AllRows
{
    /** Units that one row may cost. */
    private const ROW = 20_000_000;

    /**
     * @param list<Requirement> $asked
     * @return list<Row>
     *
     * @throws OverBudget when time or memory run out
     */
    public static function of(Subject $subject, array $asked): array
    {
        $m = new Measuring($subject, $asked);

        return array_map(static function (Requirement $r) use ($m): Row {
            try {
                return $m->subject->within(self::ROW, static fn(): Row => self::row($r, $m));
            } catch (OverBudget $e) {
                return $e->limit->isOfThePart()
                    ? $m->rows->unknown($r, 'The part has too many faces for this to be measured. Everything else was measured.')
                    : throw $e;
            }
        }, $asked);
    }

    private static function row(Requirement $r, Measuring $m): Row
    {
        $kind = $r->kind;
        $part = $m->subject->part;
        if (!($kind instanceof Measured)) {
            throw new LogicException("Nobody measures {$kind->id()}.");
        }
        if (!$kind->isMaking() && $part->solid->isEmpty()) {
            return $m->rows->missing($r, 'There is no part yet.');
        }
        if (!$kind->isPlain() && $part->isFine()) {
            return $m->rows->unknown(
                $r,
                'The file has more than ' .
                    number_format(PartMeasures::FINE, 0, '.', ' ') .
                    ' triangles. Of so fine a one only sizes and amounts are measured; save it coarser and hand it in again.',
            );
        }
        if ($kind->needsClosed() && !$m->isClosed()) {
            return $m->rows->unknown($r, 'The surface of the part is open, so it encloses nothing that could be measured.');
        }

        return $kind->row($r, $m);
    }
}
