<?php

declare(strict_types=1);

namespace Cubo\Check;

use Cubo\Check\Kind\Kinds;
use Cubo\Quantity\Unit;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\RecipeReader;
use Cubo\Recipe\UnreadableRecipe;

/** Reads exercises and what they ask, and says what is wrong with one that cannot be read. */
final class ExerciseReader
{
    /** Keys of "where" that hold text. */
    private const WORDS = ['about', 'step', 'size', 'was', 'becomes', 'from', 'to'];

    /** @throws UnreadableExercise */
    public static function exercise(string $json): Exercise
    {
        $a = json_decode($json, true, 64);
        if (!is_array($a) || ($a['format'] ?? null) !== Exercise::FORMAT || !is_array($a['requirements'] ?? null)) {
            throw new UnreadableExercise('This is not an exercise: "format" must be "' . Exercise::FORMAT . '" and "requirements" a list.');
        }
        $unit = Unit::tryFrom((string) ($a['unit'] ?? '')) ?? throw new UnreadableExercise('"unit" must be "mm" or "in".');

        $list = array_map(self::requirement(...), array_values($a['requirements']));
        foreach ($list as $r) {
            try {
                $r->as === '' || $r->within($r->as, $unit);
            } catch (UnreadableExpression $e) {
                throw new UnreadableExercise("The tolerance “{$r->as}” of {$r->label} cannot be read. {$e->getMessage()}");
            }
        }

        try {
            $reference = is_array($a['reference'] ?? null) ? RecipeReader::fromArray($a['reference']) : null;
        } catch (UnreadableRecipe $e) {
            throw new UnreadableExercise("The \"reference\" cannot be read. {$e->getMessage()}");
        }

        return new Exercise($unit, Exercise::lettered($list), (string) ($a['title'] ?? ''), (bool) ($a['turned'] ?? false), $reference);
    }

    /**
     * @throws UnreadableExercise
     */
    public static function requirement(mixed $a): Requirement
    {
        if (!is_array($a)) {
            throw new UnreadableExercise('A requirement is an object with "kind", "nominal" and "tolerance".');
        }
        $kind =
            Kinds::find((string) ($a['kind'] ?? '')) ??
            throw new UnreadableExercise('A requirement\'s "kind" is none of ' . implode(', ', array_keys(Kinds::all())) . '.');
        foreach (['nominal', 'tolerance'] as $key) {
            if (!is_int($a[$key] ?? null) && !is_float($a[$key] ?? null)) {
                throw new UnreadableExercise("The requirement \"{$kind->id()}\" needs a number as \"$key\".");
            }
        }
        $where = [];
        foreach ((array) ($a['where'] ?? []) as $key => $v) {
            $word = in_array($key, self::WORDS, true);
            if ($word ? !is_string($v) : !is_int($v) && !is_float($v)) {
                throw new UnreadableExercise("\"where\".\"$key\" must be " . ($word ? 'text.' : 'a number.'));
            }
            $where[$key] = is_string($v) ? mb_substr($v, 0, 40) : $v;
        }
        foreach ($kind->needs() as $key) {
            if (!isset($where[$key])) {
                throw new UnreadableExercise(
                    "The requirement \"{$kind->id()}\" needs " .
                        (in_array($key, self::WORDS, true) ? 'text' : 'a number') .
                        " as \"where\".\"$key\".",
                );
            }
        }
        if (isset($where['axis']) && !in_array($where['axis'], [0, 1, 2], true)) {
            throw new UnreadableExercise('An "axis" is 0 (x), 1 (y) or 2 (z).');
        }

        return new Requirement(
            (string) ($a['id'] ?? $kind->id()),
            $kind,
            (string) ($a['label'] ?? $kind->id()),
            (float) $a['nominal'],
            (float) $a['tolerance'],
            (int) ($a['points'] ?? 1),
            (bool) ($a['asked'] ?? true),
            $where,
            (string) ($a['letter'] ?? ''),
            is_string($a['as'] ?? null) ? mb_substr($a['as'], 0, 40) : '',
        );
    }
}
