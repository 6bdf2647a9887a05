<?php

declare(strict_types=1);

namespace Cubo\Check\Slip;

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
        $found = MeshSlips::of($facts);
        $found = $found !== [] ? $found : WholeSlips::of($facts);
        if ($found === [] || $found[0]->confidence < self::EXPLAINS_ALL) {
            array_push($found, ...BodySlips::of($facts), ...GroundSlips::of($facts), ...RoundSlips::of($facts), ...SizeSlips::of($facts));
            array_push($found, ...FeatureSlips::of($facts, self::explained($facts, $found)));
        }

        return self::ranked($found);
    }

    /**
     * Whether every row that is off, but those that only follow from others, has a good reason.
     *
     * @param list<Finding> $found
     */
    private static function explained(Facts $facts, array $found): bool
    {
        $good = array_merge(...array_map(static fn (Finding $f): array => $f->confidence >= self::GOOD ? $f->rows : [], $found));
        $off = array_filter($facts->off(), static fn (Row $r): bool => ! in_array($r->kind, self::FOLLOWS, true));

        return $off !== [] && array_diff(array_map(static fn (Row $r): string => $r->id, $off), $good) === [];
    }

    /**
     * One finding of each slip and row, surest first; where a row is explained by something surer, the weaker goes.
     *
     * @param list<Finding> $found
     * @return list<Finding>
     */
    private static function ranked(array $found): array
    {
        usort($found, static fn (Finding $a, Finding $b): int => $b->confidence <=> $a->confidence);
        $out = $explained = $seen = [];
        foreach ($found as $f) {
            $new = $f->rows === [] ? ! isset($seen[$f->slip->value]) : array_diff($f->rows, array_keys($explained)) !== [];
            if (! $new) {
                continue;
            }
            $seen[$f->slip->value] = true;
            $explained += array_fill_keys($f->rows, true);
            $out[] = $f;
        }

        return array_slice($out, 0, self::MOST);
    }
}
