<?php

declare(strict_types=1);

namespace App\Support;

use Cubo\Check\Exercise as Sheet;
use Cubo\Check\Proposing\OwnRequirements;
use Cubo\Check\Requirement;
use Cubo\Check\Tolerance\GeneralTolerances;
use Cubo\Check\Tolerance\Tolerance;
use Cubo\Measure\PartMeasures;
use Cubo\Quantity\Expression;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;

/** Between the requirements of the core and the teacher's form. */
final class ExerciseForm
{
    private const MOST_LIMIT = 1e9;

    /**
     * What is proposed from the reference part, with the choices the teacher has already made.
     *
     * @param list<Requirement> $proposed the teacher's own among them, as they are on the part now
     * @param list<Requirement> $saved
     * @param string $usual tolerance of lengths that are new here, as typed
     * @return list<Requirement>
     */
    public static function merge(array $proposed, array $saved, string $usual = '', Unit $unit = Unit::Millimetre): array
    {
        $known = [];
        $there = array_fill_keys(array_map(static fn(Requirement $r): string => $r->id, $proposed), true);
        foreach ($saved as $r) {
            $known[$r->id] = $r;
            if (OwnRequirements::isOwn($r) && !isset($there[$r->id])) {
                $proposed[] = $r;
                $there[$r->id] = true;
            }
        }

        return Sheet::lettered(
            array_map(static function (Requirement $r) use ($known, $usual, $unit): Requirement {
                $k = $known[$r->id] ?? null;
                if ($k === null) {
                    return self::within($r, $usual, $unit) ?? $r;
                }

                // one piece has another name than several
                $label = $r->kind->isNamedByValue() && $k->nominal !== $r->nominal ? $r->label : $k->label;
                $kept = new Requirement(
                    $r->id,
                    $r->kind,
                    $label,
                    $r->kind->isStated() ? $k->nominal : $r->nominal,
                    $k->tolerance,
                    $k->points,
                    $k->asked,
                    array_intersect_key($k->where, array_flip($r->kind->typed())) + $r->where,
                    '',
                    $k->as,
                );

                // a class gives another number of degrees when the sides become longer
                return $r->kind->isAngle() && $k->as !== '' ? self::within($kept, $k->as, $unit) ?? $kept : $kept;
            }, $proposed),
        );
    }

    /** A length with another tolerance; null when it is no length, nothing is typed, or it cannot be read for it. */
    private static function within(Requirement $r, string $typed, Unit $unit): ?Requirement
    {
        // a class is one for lengths and angles
        $meant = $r->kind->isLength()
            ? !$r->goesThrough()
            : $r->kind->isAngle() && $r->kind->hasTolerance() && GeneralTolerances::named($typed) !== null && !$r->kind->isStated();
        if (!$meant || trim($typed) === '') {
            return null;
        }
        try {
            return $r->within($typed, $unit);
        } catch (UnreadableExpression) {
            return null;
        }
    }

    /**
     * The same tolerance for all lengths at once.
     *
     * @param list<Requirement> $list
     * @return array{list<Requirement>, string} requirements, and what is wrong with what was typed
     */
    public static function all(array $list, string $typed, Unit $unit): array
    {
        try {
            // a class or a fit depends on the size; what is wrong for one like this is wrong at all
            $t = Tolerance::typed($typed, 20.0, $unit);
        } catch (UnreadableExpression $e) {
            return [$list, $e->getMessage()];
        }
        if (max(abs($t->lower), abs($t->upper)) > 1000 || preg_match('/\bto\b/', $typed)) {
            return [$list, 'A tolerance for all lengths is a deviation, a class or a fit, not limits of one size.'];
        }

        return [array_map(static fn(Requirement $r): Requirement => self::within($r, $typed, $unit) ?? $r, $list), ''];
    }

    /**
     * The teacher's own: one that is not wanted any more goes, a new one comes.
     *
     * @param list<Requirement> $list
     * @param array{what?: string, from?: string, to?: string} $new
     * @return array{list<Requirement>, string} requirements, and why nothing came
     */
    public static function own(array $list, string $drop, array $new, ?PartMeasures $part, Unit $unit): array
    {
        $list = array_values(array_filter($list, static fn(Requirement $r): bool => !OwnRequirements::isOwn($r) || $r->id !== $drop));
        if ($new === []) {
            return [Sheet::lettered($list), ''];
        }
        if ($part === null) {
            return [$list, 'There is no reference part yet.'];
        }
        $made = OwnRequirements::between($part, $unit, $new['what'] ?? '', $new['from'] ?? '', $new['to'] ?? '');
        if (is_string($made)) {
            return [$list, $made];
        }
        foreach ($list as $r) {
            if ($r->id === $made->id) {
                return [$list, 'This is asked already.'];
            }
        }
        if (count(array_filter($list, OwnRequirements::isOwn(...))) >= OwnRequirements::MOST) {
            return [$list, 'There are ' . OwnRequirements::MOST . ' of your own already.'];
        }

        return [Sheet::lettered([...$list, $made]), ''];
    }

    /**
     * @param list<Requirement> $list
     * @param array<string, mixed> $input by requirement id: asked, label, tolerance, points, limit
     * @return array{list<Requirement>, array<string, string>} requirements and messages by field
     */
    public static function read(array $list, array $input, Unit $unit): array
    {
        $problems = [];
        $out = [];
        foreach ($list as $r) {
            $in = $input[$r->id] ?? null;
            if (!is_array($in)) {
                $out[] = $r;

                continue;
            }
            $in = array_filter($in, static fn(mixed $v): bool => !is_array($v));
            $field = "requirements.{$r->id}";
            $asked = ($in['asked'] ?? '') === '1';
            $label = trim((string) preg_replace('/\s+/u', ' ', (string) (array_key_exists('label', $in) ? $in['label'] : $r->label)));
            if ($label === '' || mb_strlen($label) > 60) {
                $problems["$field.label"] = 'A size needs a name of at most 60 letters.';
            }
            $points = filter_var($in['points'] ?? $r->points, FILTER_VALIDATE_INT, ['options' => ['min_range' => 0, 'max_range' => 100]]);
            if ($points === false) {
                $problems["$field.points"] = 'Points are a whole number from 0 to 100.';
            }
            $within = $r;
            $limit = $r->nominal;
            try {
                if ($r->kind->hasTolerance() && isset($in['tolerance'])) {
                    $within = $r->within((string) $in['tolerance'], $unit);
                }
            } catch (UnreadableExpression $e) {
                $problems["$field.tolerance"] = $e->getMessage();
            }
            try {
                $stated = $r->kind->limit();
                if ($stated !== null && isset($in['limit'])) {
                    $limit = $stated->unit->read((string) $in['limit'], $unit);
                }
                if ($limit < 0 || $limit > self::MOST_LIMIT || ($stated?->aboveZero === true && $limit <= 0)) {
                    $problems["$field.limit"] = 'This limit must be more than 0.';
                }
            } catch (UnreadableExpression $e) {
                $problems["$field.limit"] = $e->getMessage();
            }
            $where = $r->where;
            foreach ($r->kind->typed() as $key) {
                if (!isset($in[$key])) {
                    continue;
                }
                try {
                    $length = Expression::length((string) $in[$key], $unit);
                    // what a student would type stays as it is typed
                    $where[$key] = is_string($r->where[$key]) ? mb_substr(trim((string) $in[$key]), 0, 40) : $length;
                    if (!is_string($r->where[$key]) && $length <= 0) {
                        $problems["$field.$key"] = 'A bed has a size above 0.';
                    }
                } catch (UnreadableExpression $e) {
                    $problems["$field.$key"] = $e->getMessage();
                }
            }
            $out[] = new Requirement($r->id, $r->kind, $label, $limit, $within->tolerance, (int) $points, $asked, $where, '', $within->as);
        }

        return [Sheet::lettered($out), $problems];
    }
}
