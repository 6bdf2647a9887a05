<?php

declare(strict_types=1);

namespace Cubo\Recipe;

use Cubo\Budget\Limits;
use Cubo\Quantity\Expression;
use Cubo\Recipe\Kind\FieldType;

/** The table of named sizes of a recipe, as it is edited: a new name goes through all that uses the old one. */
final class SizesTable
{
    /**
     * The table of sizes as typed, row by row. A row whose name changes takes everything that uses it along; a row
     * without a name and value goes. What is no name, or stands twice, is left as it was.
     *
     * @param array<array-key, mixed> $rows of ["name" => ..., "value" => ...], those there are in their order, then new ones
     */
    public static function set(Recipe $r, array $rows): Recipe
    {
        $old = array_keys($r->sizes);
        $sizes = $renamed = [];
        foreach (array_slice(array_values($rows), 0, Limits::SIZES) as $i => $row) {
            $get = static fn(string $key): string => is_array($row) && is_string($row[$key] ?? null) ? Editing::typed($row[$key]) : '';
            $name = strtolower($get('name'));
            if ($name === '' && $get('value') === '') {
                continue;
            }
            if (!preg_match(NamedSizes::NAME, $name) || isset(Expression::UNITS[$name]) || isset($sizes[$name])) {
                if (!isset($old[$i])) {
                    continue;
                }
                $name = (string) $old[$i];
            }
            if (isset($old[$i]) && $old[$i] !== $name) {
                $renamed[(string) $old[$i]] = $name;
            }
            $sizes[$name] = $get('value');
        }
        if ($renamed !== []) {
            $new = static fn(string $text, array $hidden = []): string => NamedSizes::renamed(
                $text,
                array_diff_key($renamed, array_flip($hidden)),
            );
            $sizes = array_map(static fn(string $text): string => $new($text), $sizes);
            foreach ($r->steps as $s) {
                $r = $r->withStep(self::renamedIn($s, $new));
            }
        }

        return $r->withSizes($sizes);
    }

    /** @param callable(string, list<string>=): string $new text and names that mean something else in it */
    private static function renamedIn(Step $s, callable $new): Step
    {
        foreach ($s->kind->fields() as $key => $field) {
            $v = $s->values[$key] ?? null;
            if (is_string($v) && $field->type->isTyped()) {
                $s = $s->with($key, $new($v));
            } elseif ($field->type === FieldType::Sizes) {
                $s = $s->with($key, array_map(static fn(string $text): string => $new($text), $s->sizes($key)));
            } elseif ($field->type === FieldType::Drawing && is_array($v)) {
                // a dimension of the sketch that has the old name hides it there
                $own = array_column($v['relations'] ?? [], 'id');
                $v['relations'] = array_map(
                    static fn(array $relation): array => isset($relation['value'])
                        ? [...$relation, 'value' => $new($relation['value'], $own)]
                        : $relation,
                    $v['relations'] ?? [],
                );
                $s = $s->with($key, $v);
            } elseif ($field->type === FieldType::Shapes && is_array($v)) {
                $s = $s->with(
                    $key,
                    array_map(
                        static fn(array $shape): array => [
                            ...$shape,
                            ...array_map(
                                static fn(string $text): string => $new($text),
                                array_intersect_key($shape, array_flip(['u', 'v', 'width', 'height', 'round'])),
                            ),
                        ],
                        $v,
                    ),
                );
            }
        }

        return $s;
    }

    /**
     * Changes one named size: its value, its name, or both; a name that is not there yet makes a new one, an empty one
     * takes it out.
     *
     * @param string $of the size as it is called so far, nothing for a new one
     */
    public static function change(Recipe $r, string $of, ?string $name, ?string $value): Recipe
    {
        $rows = array_map(
            static fn(string $n, string $v): array => ['name' => $n, 'value' => $v],
            array_map(strval(...), array_keys($r->sizes)),
            array_values($r->sizes),
        );
        // a row that was given another name a moment ago is known by that one
        $at = array_search(
            $of !== '' && isset($r->sizes[$of]) ? $of : strtolower(Editing::typed($name ?? '')),
            array_column($rows, 'name'),
            true,
        );
        $at = $at === false ? count($rows) : $at;
        $rows[$at] = ['name' => $name ?? $of, 'value' => $value ?? ($rows[$at]['value'] ?? '')];
        if ($name !== null && Editing::typed($name) === '') {
            unset($rows[$at]['name']);
            $rows[$at]['value'] = '';
        }

        return self::set($r, $rows);
    }
}
