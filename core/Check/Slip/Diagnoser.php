<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

use Cubo\Budget\OverBudget;
use Cubo\Check\Kind\Kinds;
use Cubo\Check\Row;
use Cubo\Check\Subject;

/**
 * Names the likely slips from the pattern of what is off. Nothing is said of a part that meets everything. What explains
 * the whole part goes before what explains one size; of what remains the surest come first.
 */
final class Diagnoser
{
    /** More would be no help. */
    private const MOST = 4;

    /** Features of one slip that are named. */
    private const MOST_NAMES = 4;

    /** From here on a slip of the whole part explains all else. */
    private const EXPLAINS_ALL = 0.95;

    /** From here on a slip is a good reason. */
    private const GOOD = 0.85;

    /** Kinds that are off because something else is. */
    private const FOLLOWS = ['volume', 'area', 'mass', 'centroid', 'symmetry', 'rotation', 'shape', 'wall', 'gap'];

    /**
     * @param list<Row> $rows
     * @return list<Finding> surest first
     */
    public static function of(Subject $subject, array $rows): array
    {
        $facts = new Facts($subject, $rows);
        if ($subject->part->solid->isEmpty() || $facts->off() === []) {
            return [];
        }
        $found = [];
        try {
            self::look($facts, $found);
        } catch (OverBudget $e) {
            // what was found stands; looking further would cost too much
            if (!$e->limit->isOfThePart()) {
                throw $e;
            }
        }

        return self::ranked($found);
    }

    /**
     * @param list<Finding> $found grows
     *
     * @throws OverBudget
     */
    private static function look(Facts $facts, array &$found): void
    {
        $found = MeshSlips::of($facts);
        if ($facts->subject->part->isFine()) {
            $found = $found !== [] ? $found : array_filter([WholeSlips::scaled($facts)]);

            return;
        }
        $found = $found !== [] ? $found : WholeSlips::of($facts);
        if ($found === [] || $found[0]->confidence < self::EXPLAINS_ALL) {
            foreach ([BodySlips::of(...), GroundSlips::of(...), RoundSlips::of(...), SizeSlips::of(...)] as $slips) {
                array_push($found, ...$slips($facts));
            }
            // laying the parts over each other takes longest; what only a printer minds is no slip of the shape
            if (self::isOfShape($facts)) {
                array_push($found, ...FeatureSlips::of($facts, self::explained($facts, $found)));
            }
        }
    }

    private static function isOfShape(Facts $facts): bool
    {
        foreach ($facts->off() as $r) {
            $kind = Kinds::find($r->kind);
            if ($kind !== null && !$kind->isPrinting() && !$kind->isMaking()) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether every row that is off, but those that only follow from others, has a good reason.
     *
     * @param list<Finding> $found
     */
    private static function explained(Facts $facts, array $found): bool
    {
        $good = array_merge(...array_map(static fn(Finding $f): array => $f->confidence >= self::GOOD ? $f->rows : [], $found));
        $off = array_filter($facts->off(), static fn(Row $r): bool => !in_array($r->kind, self::FOLLOWS, true));

        return $off !== [] && array_diff(array_map(static fn(Row $r): string => $r->id, $off), $good) === [];
    }

    /**
     * One finding of each slip and row, surest first; where a row is explained by something surer, the weaker goes.
     *
     * @param list<Finding> $found
     * @return list<Finding>
     */
    private static function ranked(array $found): array
    {
        usort($found, static fn(Finding $a, Finding $b): int => $b->confidence <=> $a->confidence);
        $out = $explained = $seen = [];
        foreach ($found as $f) {
            $new = $f->rows === [] ? !isset($seen[$f->slip->value]) : array_diff($f->rows, array_keys($explained)) !== [];
            if (!$new) {
                continue;
            }
            $seen[$f->slip->value] = true;
            $explained += array_fill_keys($f->rows, true);
            $out[] = $f;
        }

        return array_slice(self::absorbed(self::together($out)), 0, self::MOST);
    }

    /**
     * What names the same slip of the same rows in other words is told once.
     *
     * @param list<Finding> $found
     * @return list<Finding>
     */
    private static function absorbed(array $found): array
    {
        $out = [];
        foreach ($found as $f) {
            foreach ($out as $i => $g) {
                if ($g->slip === $f->slip && array_intersect($g->rows, $f->rows) !== []) {
                    $out[$i] = new Finding(
                        $g->slip,
                        $g->confidence,
                        $g->words,
                        array_values(array_unique([...$g->rows, ...$f->rows])),
                        $g->place ?? $f->place,
                    );

                    continue 2;
                }
            }
            $out[] = $f;
        }

        return array_values($out);
    }

    /**
     * The same slip with the same words at several features is told once, with all their names.
     *
     * @param list<Finding> $found
     * @return list<Finding>
     */
    private static function together(array $found): array
    {
        $out = [];
        foreach ($found as $f) {
            $parts = explode(': ', $f->words, 2);
            $key = count($parts) === 2 ? "{$f->slip->value} $parts[1]" : count($out) . " $f->words";
            if (isset($out[$key])) {
                [$first, $names] = $out[$key];
                $out[$key] = [
                    new Finding($f->slip, $first->confidence, $first->words, [...$first->rows, ...$f->rows], $first->place ?? $f->place),
                    [...$names, $parts[0]],
                ];
            } else {
                $out[$key] = [$f, [$parts[0]]];
            }
        }

        return array_values(
            array_map(static function (array $one): Finding {
                [$f, $names] = $one;
                if (count($names) < 2) {
                    return $f;
                }
                $shown = array_slice($names, 0, self::MOST_NAMES);

                return new Finding(
                    $f->slip,
                    $f->confidence,
                    implode(', ', $shown) .
                        (count($names) > count($shown) ? ' and ' . (count($names) - count($shown)) . ' more' : '') .
                        ': ' .
                        explode(': ', $f->words, 2)[1],
                    $f->rows,
                    $f->place,
                );
            }, $out),
        );
    }
}
