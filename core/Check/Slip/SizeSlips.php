<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Check\Kind\Drawn;
use Cubo\Check\Requirement;
use Cubo\Check\Row;

/** Slips of single sizes: what a wrong number has in common with the right one. */
final class SizeSlips
{
    private const LENGTHS = [
        'size',
        'face-distance',
        'distance',
        'pin-height',
        'slot-length',
        'slot-width',
        'axis-distance',
        'pitch',
        'rounds',
        'chamfers',
        'hole-depth',
    ];

    /** @return list<Finding> */
    public static function of(Facts $facts): array
    {
        $out = [];
        $asked = [];
        foreach ($facts->subject->exercise->requirements as $r) {
            $asked[$r->id] = $r;
        }
        $off = array_values(
            array_filter(
                $facts->off(...self::LENGTHS),
                static fn(Row $r): bool => $r->deviation !== null &&
                    $r->measured !== 'through' &&
                    !($asked[$r->id] ?? null)?->goesThrough(),
            ),
        );
        foreach ($off as $i => $row) {
            $r = $asked[$row->id] ?? null;
            if ($r === null) {
                continue;
            }
            $got = $r->nominal + $row->deviation;
            $unit = $facts->subject->unit;
            $says = "{$r->label} is {$unit->show($got)}; {$unit->brief($r->nominal)} is asked.";
            $swapped = self::swappedWith($facts, $off, $i, $asked);
            $slip = Numbers::slip($got, $r->nominal, $unit);
            $base = self::base($facts, $r, $got);
            if ($swapped !== null) {
                $out[] = new Finding(
                    Slip::SizesSwapped,
                    0.94,
                    "{$r->label} and {$swapped->label} are there the other way round.",
                    [$row->id, $swapped->id],
                    $row->place,
                );
            } elseif ($slip !== null) {
                $out[] = new Finding($slip[0], $slip[1], "$says {$slip[2]}", [$row->id], $row->place);
            } elseif ($base !== null) {
                $out[] = new Finding(
                    Slip::OffByBase,
                    0.86,
                    "$says That is {$unit->show(abs($got - $r->nominal))} " .
                        ($got > $r->nominal ? 'more' : 'less') .
                        ', just “' .
                        $base->label .
                        '”: was it counted ' .
                        ($got > $r->nominal ? 'twice' : 'as part of the height') .
                        '?',
                    [$row->id],
                    $row->place,
                );
            } else {
                $out[] = new Finding(Slip::SizeWrong, 0.6, $says, [$row->id], $row->place);
            }
        }

        return $out;
    }

    /**
     * Another size that is off and has what this one should have.
     *
     * @param list<Row> $off
     * @param array<string, Requirement> $asked
     */
    private static function swappedWith(Facts $facts, array $off, int $i, array $asked): ?Requirement
    {
        $r = $asked[$off[$i]->id];
        $got = $r->nominal + $off[$i]->deviation;
        foreach ($off as $j => $other) {
            $q = $asked[$other->id] ?? null;
            if ($j === $i || $q === null || $other->deviation === null || abs($q->nominal - $r->nominal) < $r->tolerance) {
                continue;
            }
            if (
                abs($got - $q->nominal) <= max($q->tolerance, 1e-6) &&
                abs($q->nominal + $other->deviation - $r->nominal) <= max($r->tolerance, 1e-6)
            ) {
                return $q;
            }
        }

        return null;
    }

    /** A step of the reference along the same axis by which this size is off. */
    private static function base(Facts $facts, Requirement $r, float $got): ?Requirement
    {
        if (!in_array($r->kind->drawn(), [Drawn::Overall, Drawn::Step], true)) {
            return null;
        }
        foreach ($facts->subject->exercise->requirements as $q) {
            if (
                $q->kind->drawn() === Drawn::Step &&
                $q->id !== $r->id &&
                $q->axis() === $r->axis() &&
                abs(abs($got - $r->nominal) - $q->nominal) <= max($r->tolerance / 4, 1e-6)
            ) {
                return $q;
            }
        }

        return null;
    }
}
