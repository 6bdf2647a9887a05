<?php

declare(strict_types=1);

namespace Cubo\Check\Making;

use Cubo\Quantity\Expression;
use Cubo\Quantity\UnreadableExpression;
use Cubo\Recipe\Kind\Field;
use Cubo\Recipe\Kind\FieldType;
use Cubo\Recipe\Recipe;
use Cubo\Recipe\Step;

/**
 * A student's own recipe with one size changed: the named size of that name, or else the one value that is as large as the
 * size is now. Where several values are that large nothing is guessed.
 */
final class ChangedSize
{
    private const SAME = 1e-6;

    /**
     * @param string $name as the teacher calls the size
     * @param string $becomes typed, in the recipe's unit
     * @param string $was typed; nothing when only a name counts
     * @return Recipe|string the changed recipe, or why there is none
     */
    public static function in(Recipe $recipe, string $name, string $becomes, string $was): Recipe|string
    {
        foreach ($recipe->sizes as $own => $_) {
            if (mb_strtolower((string) $own) === mb_strtolower(trim($name))) {
                return $recipe->withSizes([...$recipe->sizes, $own => $becomes]);
            }
        }
        try {
            $old = $was === '' ? null : Expression::length($was, $recipe->unit);
        } catch (UnreadableExpression) {
            $old = null;
        }
        if ($old === null) {
            return "The part has no size with the name “{$name}”.";
        }
        foreach ($recipe->sizes as $own => $typed) {
            if (self::is($typed, $old, $recipe)) {
                return $recipe->withSizes([...$recipe->sizes, $own => $becomes]);
            }
        }
        $found = [];
        foreach ($recipe->steps as $i => $s) {
            foreach (self::lengths($s) as $key) {
                if (self::is($s->text($key), $old, $recipe)) {
                    $found[] = [$i, $key];
                }
            }
        }
        if (count($found) !== 1) {
            return $found === []
                ? "No value of the steps is {$was}, so “{$name}” was not found."
                : 'There are ' .
                        count($found) .
                        " values of {$was} in the steps; which one is “{$name}” cannot be told. A named size would say it.";
        }
        [$i, $key] = $found[0];
        $steps = $recipe->steps;
        $steps[$i] = $steps[$i]->with($key, $becomes);

        return $recipe->withSteps($steps);
    }

    /** @return list<string> keys of sizes that count in the way the step is set */
    private static function lengths(Step $s): array
    {
        if ($s->off || $s->kind->draws()) {
            return [];
        }

        return array_keys(
            array_filter(
                $s->kind->fields(),
                static fn(Field $f): bool => in_array($f->type, [FieldType::Size, FieldType::SizeOrZero], true) && $s->uses($f->key),
            ),
        );
    }

    private static function is(string $typed, float $mm, Recipe $recipe): bool
    {
        try {
            return abs(Expression::length($typed, $recipe->unit) - $mm) < self::SAME;
        } catch (UnreadableExpression) {
            return false;
        }
    }
}
