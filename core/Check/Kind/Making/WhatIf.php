<?php

declare(strict_types=1);

namespace Cubo\Check\Kind\Making;

use Cubo\Check\Kind\Heading;
use Cubo\Check\Kind\Kind;
use Cubo\Check\Kind\Measured;
use Cubo\Check\Kind\Proposes;
use Cubo\Check\Kind\Sort;
use Cubo\Check\Making\ChangedSize;
use Cubo\Check\Measuring\AllRows;
use Cubo\Check\Measuring\Measuring;
use Cubo\Check\Proposing\Proposing;
use Cubo\Check\Requirement;
use Cubo\Check\Row;
use Cubo\Check\Subject;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Expression;
use Cubo\Quantity\Number;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;

/** A size is changed in the steps of the student, and the part must still hold. */
final class WhatIf extends Kind implements Measured, Proposes
{
    private const MOST_SIZES = 4;

    /** By how much a size is changed where nothing else is said. */
    private const LARGER = 1.4;

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
        return $where['size'] . ' becomes ' . $where['becomes'];
    }

    public function needs(): array
    {
        return ['size', 'becomes'];
    }

    public function isStated(): bool
    {
        return true;
    }

    public function typed(): array
    {
        return ['becomes'];
    }

    public function proposals(Proposing $p): array
    {
        $out = [];
        foreach (array_slice($p->recipe->sizes ?? [], 0, self::MOST_SIZES, true) as $name => $typed) {
            try {
                $now = Expression::number($typed);
            } catch (UnreadableExpression) {
                continue;
            }
            $out[] = new Requirement("what-if-$name", $this, "Holds when “{$name}” changes", 0.0, 0.0, 2, false, [
                'size' => (string) $name,
                'was' => $typed,
                'becomes' => Number::brief($now * self::LARGER, 3),
            ]);
        }

        return $out;
    }

    public function row(Requirement $r, Measuring $m): Row
    {
        $making = $m->subject->making;
        if ($making === null) {
            return $m->untoldMaking($r);
        }
        $change = ChangedSize::in(
            $making->recipe,
            (string) $r->where['size'],
            (string) $r->where['becomes'],
            (string) ($r->where['was'] ?? ''),
        );
        if (is_string($change)) {
            return $m->rows->unknown($r, $change);
        }
        $state = $making->made($change, $m->subject->part->budget);
        if (!$state->isSound()) {
            foreach ($state->results as $result) {
                foreach ($result->messages as $note) {
                    if (!$note->warning) {
                        return $m->rows->row(
                            $r,
                            'breaks',
                            null,
                            '',
                            false,
                            'Breaks',
                            "With {$r->where['size']} = {$r->where['becomes']} a step no longer works: {$note->what}",
                            null,
                        );
                    }
                }
            }

            return $m->rows->row(
                $r,
                'breaks',
                null,
                '',
                false,
                'Breaks',
                "With {$r->where['size']} = {$r->where['becomes']} the part is no longer made.",
                null,
            );
        }
        $still = array_values(
            array_filter($m->subject->exercise->asked(), static fn(Requirement $q): bool => $q->kind->mustHold($q->nominal)),
        );
        $after = AllRows::of(new Subject(new PartMeasures($state->part(), $m->subject->part->budget), $m->subject->exercise), $still);
        foreach ($after as $row) {
            if ($row->status !== 'met') {
                return $m->rows->row(
                    $r,
                    "{$row->letter} fails",
                    null,
                    '',
                    false,
                    'Does not hold',
                    "With {$r->where['size']} = {$r->where['becomes']}, “{$row->label}” is no longer met: {$row->diagnosis}",
                    $row->place,
                );
            }
        }

        return $m->rows->row($r, 'holds', null, '', true, '', '', null);
    }
}
